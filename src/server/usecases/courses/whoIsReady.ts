import { comingOf, meets, type Goal, type Planning } from '@/core/course';
import { asGoal, bestReview, catchUp, howMany, readinessOf, type ForecastCourse } from '@/core/forecast';
import { techniquesIn } from '@/core/plan';
import { isForHome } from '@/core/techniques';
import { daysBetween, type IsoDate } from '@/core/units';
import type { BehindLine, ReadyLine } from '@/views/course';
import type { Session } from '../../repositories/courses';
import type { Progress } from '../../repositories/plans';

/** At least half as likely as not to lack something is worth a name. */
const DOUBTFUL = 0.5;
/** Those with the fewest ready are shown. */
const SHOWN = 6;

/** What is asked of the readiness of a course's members. */
interface Course {
  readonly sessions: readonly Session[];
  readonly goals: readonly Goal[];
  readonly planning: Planning;
  readonly members: readonly { readonly id: string; readonly name: string }[];
  readonly progress: ReadonlyMap<string, Progress>;
}

const asForecast = ({ sessions, planning }: Pick<Course, 'sessions' | 'planning'>) => ({
  classes: sessions.map(({ date, blocks }) => ({ date, techniques: [...new Set(techniquesIn(blocks).map(({ technique }) => technique))] })),
  edges: planning.ladder,
  already: planning.already,
});

/** Makes lines of who will be ready, from how the people come. */
function linesOf({ sessions, planning, members }: Omit<Course, 'progress' | 'goals'>) {
  const { library } = planning.basis;
  const course = asForecast({ sessions, planning });
  const { classes } = course;
  const rates = comingOf(sessions, planning.comers);
  const name = (id: string) => library.find(id)?.name ?? id;
  const lineFor = (of: ForecastCourse, technique: string, shown: string, at: number, asked?: Goal, asAsked: readonly number[] = []): ReadyLine => {
    const each = readinessOf(of, technique, at, rates).map((chance, index) => ({ member: members[index], chance }));
    // Without what stands below, coming is enough.
    const bare = { ...of, edges: of.edges.filter(({ to }) => to === technique) };
    const came = readinessOf(bare, technique, at, rates).reduce((sum, chance) => sum + chance, 0);
    const review = asked ? null : bestReview(of, technique, at, rates, (place) => !sessions[place].fixed);
    const best = review && Math.round(review.more) >= 1 ? review : null;
    return {
      technique: shown,
      name: name(shown),
      date: classes[Math.min(at, classes.length - 1)].date,
      goal: asked !== undefined,
      practise: asked?.practise ?? 0,
      share: asked?.ready ?? null,
      asAsked,
      people: members.length,
      ...howMany(each.map(({ chance }) => chance)),
      came,
      likelyNot: each.filter(({ chance }) => chance < DOUBTFUL).map(({ member }) => member.name),
      review: best && {
        session: sessions[best.at].id,
        date: classes[best.at].date,
        technique: best.technique,
        name: name(best.technique),
        more: Math.round(best.more),
      },
    };
  };
  return { course, lineFor };
}

/** How many of the cohort will be ready for each goal that is still to be had; those with the fewest first. */
export function goalsReady(of: Omit<Course, 'progress'>, today: IsoDate): ReadyLine[] {
  const { sessions, goals } = of;
  const { course, lineFor } = linesOf(of);
  const { classes } = course;
  const lines = goals.flatMap((goal): ReadyLine[] => {
    const { technique, practise, by } = goal;
    const inTime = sessions.filter(({ date }) => !by || date <= by).length;
    const has = sessions.flatMap(({ blocks }, at) => (at < inTime && techniquesIn(blocks).some((block) => meets(block, goal)) ? [at] : []));
    const last = has.at(-1);
    if (last === undefined || sessions[last].date < today) return [];
    const asked = asGoal(course, { technique, practise, meets: (at) => has.includes(at) });
    return [{ ...lineFor(asked.course, asked.goal, technique, classes.length, goal, has), date: classes[inTime - 1].date }];
  });
  return lines.sort(fewestFirst);
}

const share = ({ expected, people }: ReadyLine) => expected / Math.max(1, people);
const fewestFirst = (a: ReadyLine, b: ReadyLine) => share(a) - share(b);

/**
 * For each technique that classes which are still to come bring in, and each goal: how many of the cohort will be ready for it, who likely
 * not, and which one review would help most.
 */
export function whoIsReady(of: Omit<Course, 'progress'>, today: IsoDate): ReadyLine[] {
  const { sessions, planning } = of;
  const { course, lineFor } = linesOf(of);
  const begun = new Set<string>(planning.already);
  const coming = course.classes.flatMap(({ techniques }, at): ReadyLine[] =>
    techniques.flatMap((technique): ReadyLine[] => {
      if (begun.has(technique)) return [];
      begun.add(technique);
      const stands = planning.ladder.some(({ to, needs }) => to === technique && !planning.already.has(needs));
      return sessions[at].date < today || !stands ? [] : [lineFor(course, technique, technique, at)];
    }),
  );
  return [...coming.sort(fewestFirst).slice(0, SHOWN), ...goalsReady(of, today).slice(0, SHOWN)];
}

/** How many people's ways back are shown. */
const BEHIND_SHOWN = 8;

/**
 * Who missed what the next classes stand on, each with the way back to the room, and the way in for somebody who joins now.
 * @param mayAlone whether somebody does a technique as it is taught, so that it can be practised at home
 */
export function whoIsBehind(
  { sessions, planning, members, progress }: Course,
  today: IsoDate,
  mayAlone: (person: string, technique: string) => boolean,
): BehindLine[] {
  const { library } = planning.basis;
  const course = asForecast({ sessions, planning });
  const now = sessions.findIndex(({ id, date }) => date >= today && !progress.get(id)?.log);
  if (now < 0) return [];
  const nameOf = (id: string) => library.find(id)?.name ?? id;
  const dateOf = (at: number) => course.classes[at].date;
  const gentle = (technique: string) => isForHome(library.find(technique), planning.taught(technique));
  const days = (at: number) => daysBetween(at === now ? today : dateOf(at - 1), dateOf(at)) - (at === now ? 0 : 1);
  const lineOf = (name: string | null, came: ReadonlySet<number>, alone: (technique: string) => boolean): BehindLine => {
    const { steps, withRoom } = catchUp(course, came, now, (technique) => gentle(technique) && alone(technique), days);
    return {
      name,
      steps: steps.map(({ at, home, instead }) => ({
        date: dateOf(at),
        home: home.map(({ technique, times }) => `${nameOf(technique)} ${times === 1 ? 'once' : `${times} times`}`),
        instead: instead.map(nameOf),
      })),
      withRoom: withRoom === null ? null : dateOf(withRoom),
    };
  };
  const logged = sessions.some(({ id }) => progress.get(id)?.log);
  const own = logged
    ? members.map(({ id, name }) => {
        // Where a class has no log yet, whoever it is about is taken to have come.
        const came = sessions.flatMap((session, at) => {
          const log = progress.get(session.id)?.log;
          return at < now && (!log || log.attendance.some(({ person, came: here }) => person === id && here)) ? [at] : [];
        });
        return lineOf(name, new Set(came), (technique) => mayAlone(id, technique));
      })
    : [];
  const joining = now > 0 ? [lineOf(null, new Set(), () => true)] : [];
  const missing = own.filter(({ steps }) => steps.length > 0).sort((a, b) => (b.withRoom ?? '9').localeCompare(a.withRoom ?? '9'));
  return [...missing.slice(0, BEHIND_SHOWN), ...joining.filter(({ steps }) => steps.length > 0)];
}
