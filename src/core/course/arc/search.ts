import { solve, type Solved } from '../drafting';
import { atLowest, type ArcCase, type ArcFile, type Practice } from './cases';
import type { Request } from './request';
import { movesOf } from './moves';
import { lacksOf, NOTHING_LACKS, type Lacking } from './ready';
import { FIXED, GROWS, GROWS_BY_ONE, LIGHTER, STANDS, STEPS_UP } from './rows';
import { Course } from './state';
import { generator } from './tables';

/** How a course is looked for: annealing over which technique stands in which class and how, from the soonest course that there is. */

export interface Found {
  readonly sessions: readonly (readonly Practice[])[];
  /** Goals that were thought to fit and are not reached. */
  readonly missing: number;
  readonly Q: number;
  readonly J: number;
}

export interface Looking {
  /** Looks in all; the same number gives the same course. */
  readonly looks: number;
  /** No course breaks less, or has a smaller aim: where that is found, it is looked for no longer. */
  readonly least: { readonly Q: number; readonly J: number };
  /** Asked now and then: whether to end before. */
  readonly enough?: () => boolean;
  readonly onBetter?: (found: Found) => void;
}

/** Heat of the first run and of the second, which goes on from the best; and what both end at. */
const [HOT, WARM, COLD] = [8, 4, 0.15] as const;
/** Heat where a course that stands is gone on from. */
const STOOD = 2;
/** How much of the looks the first run has. */
const FIRST = 0.7;
/** What a point of requirements costs in the second run: what can be kept is kept. */
const DEAR = 30;

/** The same draft each time. */
const SEED = 7;
/** Looks between two courses that are told of. */
const TOLD_EVERY = 20_000;
/** Looks between two questions whether it is enough. */
const ASKED_EVERY = 512;

/** The soonest course at the lowest doses: which goals fit, and where to begin from. */
export function skeleton(
  file: ArcFile,
  one: ArcCase,
  enough: () => boolean,
): { readonly solved: Solved; readonly kinds: readonly (readonly [string, number, number][])[] } {
  const lowest = atLowest(file, one);
  const solved = solve(lowest.file, lowest.one, { enough });
  const on = new Map<string, number>();
  const kinds = solved.sessions.map((placed, at) =>
    placed.map(([id, step]): [string, number, number] => {
      const chain = lowest.one.goals.find(({ v }) => v === id)?.steps ?? [];
      const before = on.get(id);
      on.set(id, step);
      if (one.fixed[at] || before === undefined || step === before) return [id, at, STANDS];
      return [id, at, chain[step].fresh > 0 ? STEPS_UP : chain[step].once ? LIGHTER : GROWS];
    }),
  );
  return { solved, kinds };
}

/** Looks for the best course. Null where the pins alone clash, or no course that keeps every rule was found in so many looks. */
export function look(
  file: ArcFile,
  one: ArcCase,
  request: Request,
  from: ReturnType<typeof skeleton>,
  { looks, least, enough, onBetter }: Looking,
): Found | null {
  const { kept, beginable } = keptOf(file, one, from.solved);
  const course = new Course(file, one, request, kept, beginable);
  const index = new Map(course.ids.map((id, t) => [id, t]));
  for (const placed of from.kinds)
    for (const [id, at, kind] of placed) if (course.open[at] === 1 && !course.has(index.get(id)!, at)) course.put(index.get(id)!, at, kind);
  course.work();
  course.commit();
  let best: Omit<Found, 'sessions'> | null = null;
  let bestAt = course.copy();
  let [looked, told] = [0, -TOLD_EVERY];
  const lacking = lacksOf(file, one, request, kept);
  const lacksNow = (): Lacking => {
    const found = lacking?.of(course, true) ?? NOTHING_LACKS;
    lacking?.goOn(course);
    return found;
  };
  let lacks = lacksNow();
  const broken = () => course.Q + lacks.Q;
  const better = () => course.V < 1e-9 && (!best || (course.missing - best.missing || broken() - best.Q || course.J - best.J) < 0);
  const keep = () => {
    best = { missing: course.missing, Q: broken(), J: course.J };
    bestAt = course.copy();
    if (!onBetter || looked - told < TOLD_EVERY) return;
    told = looked;
    onBetter({ ...best, sessions: course.sessions() });
  };
  const found = (): Found | null => {
    if (best) course.become(bestAt);
    return best && { ...best, sessions: course.sessions() };
  };
  if (better()) keep();
  const asItIs = course.cost;
  // Who practises it already may be taken up where it is nearest to what is asked for.
  for (const { v, dose = 0 } of one.goals) {
    const t = index.get(v)!;
    const more = Math.max(0, dose - file.techniques[v].dose.low);
    const by = course.startBy(t);
    course.begins(t, Math.min(course.startMost(t), Math.ceil(more / by) * by));
  }
  course.work();
  if (course.cost < asItIs) {
    course.commit();
    lacks = lacksNow();
    if (better()) keep();
  } else course.undo();
  if (course.openAt.length === 0) return found();
  const random = generator(SEED);
  const moves = movesOf(course, random);
  const run = (hot: number, count: number): boolean => {
    lacks = lacksNow();
    let cost = course.cost + course.price * lacks.near;
    const cooling = (COLD / hot) ** (1 / count);
    let heat = hot;
    let drawn = -1;
    const passes = (next: number): boolean => {
      if (next <= cost) return true;
      if (drawn < 0) drawn = random();
      return drawn < Math.exp((cost - next) / heat);
    };
    for (let i = 0; i < count; i += 1) {
      looked += 1;
      if (i % ASKED_EVERY === 0 && enough?.()) return false;
      heat *= cooling;
      if (!moves()) continue;
      course.work();
      drawn = -1;
      // Who will be ready is asked of what would be taken otherwise: it never makes a course better.
      const would = passes(course.cost) ? (lacking?.of(course) ?? NOTHING_LACKS) : null;
      const next = course.cost + course.price * (would?.near ?? 0);
      if (would && passes(next)) {
        lacking?.goOn(course);
        course.commit();
        cost = next;
        lacks = would;
        if (better()) {
          keep();
          if (course.missing === 0 && broken() <= least.Q && course.J <= least.J) return false;
        }
      } else course.undo();
    }
    return true;
  };
  const anew = () => {
    const first = Math.floor(looks * FIRST);
    if (!run(HOT, first)) return;
    course.become(bestAt);
    course.price = DEAR;
    run(WARM, looks - first);
  };
  if (!one.stands) {
    anew();
    return found();
  }
  // What stands is gone on from, and not melted; only where that keeps less than may be kept is it looked for anew as well.
  const soonest = course.copy();
  stand(course);
  lacks = lacksNow();
  if (better()) keep();
  if (run(STOOD, Math.floor(looks * FIRST)) && (!best || isShort(best, least))) {
    course.become(soonest);
    anew();
  }
  return found();
}

/** Whether a course keeps less than may be kept. */
const isShort = ({ missing, Q }: Omit<Found, 'sessions'>, least: Looking['least']): boolean => missing > 0 || Q > least.Q;

/** Goes to the course as it stands, as near as the rules let come to it. */
function stand(course: Course): void {
  const { T, S, openAt, standDose, standStep } = course;
  course.become({ how: course.how.map((how) => (how === FIXED ? how : 0)), start: new Uint8Array(T) });
  for (let t = 0; t < T; t += 1)
    for (const at of openAt) {
      const cell = t * S + at;
      if (standDose[cell] === 0) continue;
      const as = (): boolean => course.dose[cell] === standDose[cell] && course.step[cell] === standStep[cell];
      course.put(t, at, STANDS);
      course.work();
      const most = course.startMost(t);
      if (!as() && course.firstOf(t) === at && most > 0) course.begins(t, Math.min(most, Math.max(0, standDose[cell] - course.dose[cell])));
      for (const how of [GROWS, GROWS_BY_ONE, STEPS_UP, LIGHTER, STANDS]) {
        course.work();
        if (as()) break;
        course.does(t, at, how);
      }
      course.work();
      course.commit();
    }
}

/** The goals that fit, and what may be begun for their sake and that of the pins. */
export function keptOf(
  file: ArcFile,
  one: ArcCase,
  { reached }: Pick<Solved, 'reached'>,
): { readonly kept: readonly boolean[]; readonly beginable: ReadonlySet<string> } {
  const kept = one.goals.map((_, goal) => reached[goal] !== null);
  return { kept, beginable: wantedBy(file, [...one.goals.filter((_, goal) => kept[goal]).map(({ v }) => v), ...one.pins.map(([, id]) => id)]) };
}

/** Everything that these stand on, themselves among them. */
function wantedBy({ edges }: ArcFile, ids: readonly string[]): ReadonlySet<string> {
  const all = new Set<string>();
  const add = (id: string): void => {
    if (all.has(id)) return;
    all.add(id);
    for (const [needs, to] of edges) if (to === id) add(needs);
  };
  ids.forEach(add);
  return all;
}
