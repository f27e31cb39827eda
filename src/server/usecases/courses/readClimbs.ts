import { isLighterThan, levelAfter, patternPath, type ClimbKind } from '@/core/climb';
import { reachedIn, weekOf, type Goal, type Planning } from '@/core/course';
import { breathCounts, mustParseDose, mustParsePattern, ONE_ROUND, roomPattern } from '@/core/pattern';
import { readBlock, techniquesIn, type TechniqueBlock } from '@/core/plan';
import { derive, timeBlock } from '@/core/timing';
import { wayDown } from '@/core/ladder';
import { millis } from '@/core/units';
import type { Climb, ClimbPoint, ClimbStair, ClimbsView } from '@/views/climb';
import { authorise, may } from '../../auth/permissions';
import type { Desk } from '../../desk';
import { course, sessionsOf, type Course, type Session } from '../../repositories/courses';
import { progressOf, type Progress } from '../../repositories/plans';
import { settingOf, type Setting } from '../setting';
import { readRequest } from './changeCourse';
import { readCourse } from './readCourse';

/** What grows in a course: each goal as a climb, with its classes, its figures, and where it arrives. */
export async function readClimbs(desk: Desk, id: string): Promise<ClimbsView> {
  authorise(desk.who, 'see courses');
  const [view, { found, sessions, setting, progress }, request] = await Promise.all([
    readCourse(desk, id),
    withProgress(desk, id),
    may(desk.who.role, 'edit courses') ? readRequest(desk, id) : null,
  ]);
  const { planning, members } = setting;
  const own = may(desk.who.role, 'see reasons') ? members : [];
  return {
    course: view,
    naturalBreath: planning.basis.naturalBreath,
    classesAWeek: found.weekdays.length,
    guards: planning.guards,
    climbs: found.goals.map((goal) => climbOf(goal, found, sessions, planning, progress, own)),
    request: request?.request ?? null,
  };
}

async function withProgress(desk: Desk, id: string) {
  const [found, sessions] = await Promise.all([course(desk, id), sessionsOf(desk, [id])]);
  const ids = sessions.map((session) => session.id);
  const [setting, progress] = await Promise.all([settingOf(desk, found, sessions), progressOf(desk, ids)]);
  return { found, sessions, setting, progress };
}

function climbOf(
  goal: Goal,
  { firstDate, weekdays }: Course,
  sessions: readonly Session[],
  planning: Planning,
  progress: ReadonlyMap<string, Progress>,
  people: Setting['members'],
): Climb {
  const { library, naturalBreath } = planning.basis;
  // A climb goes through what the goal stands on in its own family: 4:5, then 5:6, are techniques of the ladder.
  const thread = new Set(threadOf(goal.technique, planning));
  const all = sessions.flatMap(({ id, date, blocks }, at) => {
    const here = techniquesIn(blocks).filter(({ technique }) => thread.has(technique));
    // The highest of a class is where the climb stands in it.
    const block = here.reduce<TechniqueBlock | null>((best, one) => (best && !isAbove(one, best, planning) ? best : one), null);
    return block ? [{ id, date, at, block }] : [];
  });
  const own = all.filter(({ block }) => block.technique === goal.technique);
  const grows = own[0] ? own[0].block.pattern !== goal.pattern || own[0].block.dose !== goal.dose : false;
  const begins = grows ? -1 : all.findIndex(({ block }) => patternPath(block.pattern, goal.pattern) !== null);
  const done = begins >= 0 ? all.slice(begins) : own;
  const first = done[0]?.block ?? { ...planning.taught(goal.technique), tempo: planning.tempo };
  const kind = kindOf(first, goal);
  const counts = kind === 'pattern';
  const pace = { tempo: millis(planning.tempo), naturalBreath };
  // The level after each class: a lighter class leaves it where it was.
  const levels = done.reduce<TechniqueBlock[]>((all, { block }) => [...all, levelAfter(all.at(-1), block)], []);
  const reached = reachedIn(sessions, goal);
  const arrives = reached === null ? null : sessions[reached - 1].date;
  const perStep = Math.max(goal.everyDays ?? 0, counts ? Math.ceil((planning.guards.classesOnAStep * 7) / weekdays.length) : 7);
  return {
    technique: goal.technique,
    name: library.find(goal.technique)?.name ?? goal.technique,
    kind,
    tempo: planning.tempo,
    roundMs: kind === 'rounds' ? timeBlock(mustParsePattern(goal.pattern), ONE_ROUND, pace).planned : null,
    from: counts ? first.pattern : plainDose(first.dose),
    to: counts ? goal.pattern : plainDose(goal.dose),
    step: counts ? 'one count' : kind === 'rounds' ? '1 round' : `${goal.stepMinutes ?? 1} min`,
    every: goal.everyDays ? daysText(goal.everyDays) : counts ? `${planning.guards.classesOnAStep} classes` : daysText(perStep),
    arrives,
    week: arrives && weekOf(firstDate, arrives),
    stairs: stairsOf(done, progress),
    points: done.map(({ id, date, at, block }, index): ClimbPoint => ({
      session: id,
      date,
      at,
      ...figuresOf(block, planning),
      ...loggedOf(progress.get(id)),
      lighter: levels[index - 1] !== undefined && isLighterThan(block, levels[index - 1]),
    })),
    own: people.flatMap(({ name, comfort }) => ownCount(goal.pattern, comfort).map((count) => ({ name, count }))),
  };
}

/** A technique and what it stands on in its own family. */
function threadOf(technique: string, { ladder, basis: { library } }: Planning): string[] {
  const family = library.find(technique)?.family;
  return [technique, ...wayDown(ladder, technique)].filter((id) => library.find(id)?.family === family);
}

/** Whether one block is a step above another in their family. */
function isAbove(one: TechniqueBlock, other: TechniqueBlock, { ladder }: Planning): boolean {
  return wayDown(ladder, one.technique).includes(other.technique);
}

const daysText = (days: number) => (days % 7 > 0 ? `${days} days` : days === 7 ? 'week' : `${days / 7} weeks`);

/** A dose without what is around it: minutes or rounds. */
function plainDose(dose: string): string {
  const read = mustParseDose(dose);
  return read.kind === 'minutes' ? `${read.minutes} min` : `${read.rounds} rounds`;
}

/** What grows towards a goal: its counts first, else what its dose is measured in. */
function kindOf(from: Pick<TechniqueBlock, 'pattern'>, { pattern, dose }: Goal): ClimbKind {
  if (from.pattern !== pattern && patternPath(from.pattern, pattern)) return 'pattern';
  return mustParseDose(dose).kind === 'minutes' ? 'minutes' : 'rounds';
}

type Done = readonly { readonly id: string; readonly at: number; readonly block: TechniqueBlock }[];

/** Classes in a row that practise it the same way. */
function stairsOf(done: Done, progress: ReadonlyMap<string, Progress>): ClimbStair[] {
  const stairs: (ClimbStair & { readonly ids: string[] })[] = [];
  for (const { id, at, block } of done) {
    const last = stairs.at(-1);
    if (last?.pattern === block.pattern && last.dose === block.dose)
      stairs[stairs.length - 1] = { ...last, to: at, classes: last.classes + 1, ids: [...last.ids, id] };
    else stairs.push({ pattern: block.pattern, dose: block.dose, from: at, to: at, classes: 1, easy: null, ids: [id] });
  }
  return stairs.map(({ ids, ...stair }) => {
    const log = ids.map((id) => progress.get(id)?.log).findLast((one) => one);
    const came = log?.attendance.filter((person) => person.came) ?? [];
    return { ...stair, easy: came.length > 0 ? `${came.filter(({ effort }) => effort === 'easy').length} of ${came.length} easy` : null };
  });
}

function figuresOf(block: TechniqueBlock, { basis }: Planning): Pick<ClimbPoint, 'pattern' | 'dose' | 'minutes' | 'counts' | 'pace' | 'held'> {
  const { pattern, pace, timing } = readBlock(block, basis);
  const facts = derive(pattern, pace);
  return {
    pattern: block.pattern,
    dose: block.dose,
    minutes: Math.round(timing.planned / 6000) / 10,
    counts: breathCounts(pattern),
    pace: facts?.breathsPerMinute ? Math.round(facts.breathsPerMinute.slow * 100) / 100 : null,
    held: Math.round((facts?.holdShare ?? 0) * 100),
  };
}

const loggedOf = (progress: Progress | undefined): Pick<ClimbPoint, 'reached'> => ({
  reached: progress?.log ? progress.log.reached === 'all of it' : null,
});

/** Somebody's own count where it is lower than what the room comes to. @example ownCount('5:6', { inhale: 3, exhale: 4 }) // ["3:4"] */
function ownCount(pattern: string, { inhale, exhale }: { readonly inhale: number | null; readonly exhale: number | null }): string[] {
  const room = roomPattern(mustParsePattern(pattern));
  if (room.kind !== 'cycle' || inhale === null || exhale === null) return [];
  const of = (kind: 'in' | 'out') => room.phases.find((phase) => phase.kind === kind)?.length;
  const [is, out] = [of('in'), of('out')];
  const lower = is?.unit === 'counts' && out?.unit === 'counts' && (inhale < is.n || exhale < out.n);
  return lower ? [`${inhale}:${exhale}`] : [];
}
