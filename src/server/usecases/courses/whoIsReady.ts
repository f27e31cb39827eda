import type { Planning } from '@/core/course';
import { bestReview, howMany, readiness } from '@/core/forecast';
import { techniquesIn } from '@/core/plan';
import type { ReadyLine } from '@/views/course';
import type { Progress, Session } from '../../repositories/courses';

/** Attendance where nothing is known of it, and how many classes of a cohort, or of a person, that is worth. */
const USUAL = 0.8;
const WORTH = { cohort: 10, person: 4 } as const;
/** At least half as likely as not to lack something is worth a name. */
const DOUBTFUL = 0.5;
/** Those with the fewest ready are shown. */
const SHOWN = 6;

/** How likely each member comes, from the logs: their own record, with the cohort's as what is expected of them. */
function chancesOf(members: readonly { readonly id: string }[], progress: ReadonlyMap<string, Progress>): ReadonlyMap<string, number> {
  const logged = [...progress.values()].flatMap(({ log }) => log?.attendance ?? []);
  const came = logged.filter((one) => one.came).length;
  const mean = (came + USUAL * WORTH.cohort) / (logged.length + WORTH.cohort);
  return new Map(
    members.map(({ id }) => {
      const own = logged.filter(({ person }) => person === id);
      const chance = (own.filter((one) => one.came).length + mean * WORTH.person) / (own.length + WORTH.person);
      return [id, Math.round(chance * 100) / 100] as const;
    }),
  );
}

/** For each technique that open classes bring in: how many of the cohort will be ready for it, who likely not, and which one review would help most. */
export function whoIsReady(
  sessions: readonly Session[],
  planning: Planning,
  members: readonly { readonly id: string; readonly name: string }[],
  progress: ReadonlyMap<string, Progress>,
): ReadyLine[] {
  const { library } = planning.basis;
  const classes = sessions.map(({ date, blocks }) => ({ date, techniques: [...new Set(techniquesIn(blocks).map(({ technique }) => technique))] }));
  const course = { classes, edges: planning.ladder, already: planning.already };
  const chances = chancesOf(members, progress);
  const name = (id: string) => library.find(id)?.name ?? id;
  const begun = new Set<string>(planning.already);
  const lines = classes.flatMap(({ date, techniques }, at): ReadyLine[] =>
    techniques.flatMap((technique): ReadyLine[] => {
      if (begun.has(technique)) return [];
      begun.add(technique);
      const stands = planning.ladder.some(({ to, needs }) => to === technique && !planning.already.has(needs));
      if (sessions[at].fixed || !stands) return [];
      const known = new Map<number, number>();
      const readyAt = (p: number) => {
        const found = known.get(p) ?? readiness(course, technique, at, p);
        known.set(p, found);
        return found;
      };
      const each = members.map((member) => ({ member, chance: readyAt(chances.get(member.id)!) }));
      const review = bestReview(course, technique, at, [...chances.values()], (place) => !sessions[place].fixed);
      return [
        {
          technique,
          name: name(technique),
          date,
          people: members.length,
          ...howMany(each.map(({ chance }) => chance)),
          likelyNot: each.filter(({ chance }) => chance < DOUBTFUL).map(({ member }) => member.name),
          review:
            review && Math.round(review.more) >= 1
              ? {
                  session: sessions[review.at].id,
                  date: classes[review.at].date,
                  technique: review.technique,
                  name: name(review.technique),
                  more: Math.round(review.more),
                }
              : null,
        },
      ];
    }),
  );
  return lines.sort((a, b) => a.expected / Math.max(1, a.people) - b.expected / Math.max(1, b.people)).slice(0, SHOWN);
}
