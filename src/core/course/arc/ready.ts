import { asGoal, counting, readinessOf } from '../../forecast';
import { isoDate } from '../../units';
import type { ArcCase, ArcFile } from './cases';
import { PRICE } from './limits';
import { requestOf, type Request } from './request';
import { FAR } from './tables';

/** Who will be ready for the goals: as a course is judged, what no course can do better than, and as the search asks for it. */

/** How many tenths of the people are ready less than were to be, begun ones whole. @example tenthsShort(0.8, 7.2, 12) // 2 */
export const tenthsShort = (share: number, expected: number, people: number): number =>
  Math.max(0, Math.ceil((share - expected / Math.max(1, people)) * 10 - EPSILON));

const EPSILON = 1e-9;

export const peopleOf = ({ people = [] }: Pick<ArcCase, 'people'>): number => people.reduce((sum, one) => sum + one.people, 0);

/**
 * How many of the people will have practised a goal so often as is asked, each with everything below it.
 * @param stands whether a technique stands in a class
 * @param meets whether the goal stands there as it is asked for, and in time
 */
function expectedOf(
  file: ArcFile,
  one: ArcCase,
  { already }: Pick<Request, 'already'>,
  goal: number,
  stands: (id: string, at: number) => boolean,
  meets: (at: number) => boolean,
): number {
  const { v, r } = one.goals[goal];
  const ids = Object.keys(file.techniques);
  const course = {
    classes: one.dates.map((date, at) => ({ date: isoDate(date), techniques: ids.filter((id) => stands(id, at)) })),
    edges: file.edges.map(([needs, to, sessions, days]) => ({ needs, to, sessions, days })),
    already,
  };
  const asked = asGoal(course, { technique: v, practise: r, meets });
  const people = one.people ?? [];
  return readinessOf(
    asked.course,
    asked.goal,
    one.dates.length,
    people.map(({ comes }) => comes),
  ).reduce((sum, chance, group) => sum + chance * people[group].people, 0);
}

/** How many will be ready for each goal of a course; null where it is not asked for, or nobody is known. */
export function readyIn(
  file: ArcFile,
  one: ArcCase,
  request: Request,
  /** Techniques by class, and whether each goal is met there. */
  techniques: readonly ReadonlySet<string>[],
  met: readonly ReadonlySet<number>[],
): (number | null)[] {
  return one.goals.map(({ ready }, goal) =>
    ready === undefined || peopleOf(one) === 0
      ? null
      : expectedOf(
          file,
          one,
          request,
          goal,
          (id, at) => techniques[at].has(id),
          (at) => met[goal].has(at),
        ),
  );
}

/** The same for a request as it stands in a file. */
export const mostReadyFor = (file: ArcFile, one: ArcCase, goal: number): number => mostReady(file, one, requestOf(file, one), goal);

/** No course has more people ready for a goal: as if everything stood in every class in which it could stand. */
export function mostReady(file: ArcFile, one: ArcCase, request: Request, goal: number): number {
  const { head, allowed } = request;
  const { v, by, steps = [] } = one.goals[goal];
  const could = (id: string, at: number): boolean =>
    one.fixed[at] ? one.fixed[at].some(([held]) => held === id) : head(id) <= at && (allowed(id, at) || (id === v && allowed(v, at, steps.length)));
  const inTime = (at: number) => by === undefined || one.dates[at] <= by;
  return expectedOf(file, one, request, goal, could, (at) => inTime(at) && (Boolean(one.fixed[at]) || allowed(v, at, steps.length)));
}

/** What the search asks of a goal: what is counted for it, by its place among what is known, and last how often it is practised as it is asked for. */
function askedOf(file: ArcFile, one: ArcCase, { already, known }: Pick<Request, 'already' | 'known'>, goal: number) {
  const { v, r } = one.goals[goal];
  const below: string[] = [];
  const walk = (id: string): void => {
    if (below.includes(id)) return;
    for (const [needs, to] of file.edges) if (to === id && !already.has(needs)) walk(needs);
    below.push(id);
  };
  walk(v);
  const needsOf = (id: string) =>
    file.edges.flatMap(([needs, to, times]) => (to === id && !already.has(needs) ? [[below.indexOf(needs), times] as const] : []));
  const most = (id: string) =>
    Math.max(0, ...file.edges.flatMap(([needs, to, times]) => (needs === id && below.includes(to) && !already.has(to) ? [times] : [])));
  const first = one.dates.findIndex((_, at) => !one.fixed[at]);
  const counted = [...below.map((id) => ({ needs: needsOf(id), most: most(id) })), { needs: needsOf(v), most: r }];
  return { below: below.map((id) => known.indexOf(id)), counting: counting(counted, one.people ?? [], first < 0 ? one.dates.length : first) };
}

/** A course as the search has it, as far as it is asked who will be ready: techniques by their places among what is known. */
export interface Searched {
  readonly S: number;
  /** Classes of each technique's practices, how many it has, and on which step and with how many units each is. */
  readonly list: Uint8Array;
  readonly n: Uint8Array;
  readonly step: Uint8Array;
  readonly dose: Int16Array;
  /** The class each goal is reached in; far off where it is not. */
  readonly reached: Int16Array;
  /** Whether the move that is tried touches a technique. */
  readonly touched: (t: number) => boolean;
}

/** What is lacking for the people: as it counts, and between two counts. */
export interface Lacking {
  readonly Q: number;
  readonly near: number;
}

export const NOTHING_LACKS: Lacking = { Q: 0, near: 0 };

/** Asks a course while it is searched how many will be ready for the goals that fit. */
export interface Lacks {
  /** @param whole whether everything of it may be otherwise, not only what the move touched that is tried */
  readonly of: (course: Searched, whole?: boolean) => Lacking;
  /** The course that was asked about last is gone on from: what is asked next differs from it by a move. */
  readonly goOn: (course: Searched) => void;
}

/** Null where nobody asks. */
export function lacksOf(file: ArcFile, one: ArcCase, request: Request, kept: readonly boolean[]): Lacks | null {
  const people = peopleOf(one);
  const asked = one.goals.flatMap(({ v, ready, dose = 0, by, steps = [] }, goal) =>
    ready === undefined || people === 0 || !kept[goal]
      ? []
      : [
          {
            ...askedOf(file, one, request, goal),
            goal,
            v: request.known.indexOf(v),
            ready,
            dose,
            last: steps.length,
            before: by === undefined ? one.dates.length : one.dates.filter((date) => date <= by).length,
          },
        ],
  );
  if (asked.length === 0) return null;
  const marks = new Float64Array(one.dates.length);
  const mark = ({ S, list, n, step, dose: units }: Searched, { below, v, dose, last, before }: (typeof asked)[number]): void => {
    marks.fill(0);
    for (let place = 0; place < below.length; place += 1) {
      const t = below[place];
      for (let i = 0; i < n[t]; i += 1) marks[list[t * S + i]] += 2 ** place;
    }
    for (let i = 0; i < n[v]; i += 1) {
      const at = list[v * S + i];
      if (at < before && step[v * S + at] === last && units[v * S + at] >= dose) marks[at] += 2 ** below.length;
    }
  };
  /** By goal: what lacks in the course that is gone on from, and in the one that was asked about last. */
  const standing = asked.map(() => ({ Q: 0, near: 0, anew: true }));
  const would = asked.map(() => ({ Q: 0, near: 0, anew: true }));
  const isTouched = (course: Searched, below: readonly number[]): boolean => {
    for (let place = 0; place < below.length; place += 1) if (course.touched(below[place])) return true;
    return false;
  };
  return {
    of: (course, whole = false) => {
      let [Q, near] = [0, 0];
      for (let i = 0; i < asked.length; i += 1) {
        const each = asked[i];
        const now = would[i];
        now.anew = whole || isTouched(course, each.below);
        if (!now.anew) {
          now.Q = standing[i].Q;
          now.near = standing[i].near;
        } else if (course.reached[each.goal] === FAR) {
          // To reach it never costs more than to leave it.
          now.Q = 0;
          now.near = PRICE.ready * Math.ceil(each.ready * 10);
        } else {
          mark(course, each);
          const expected = each.counting.expected(marks);
          const tenths = tenthsShort(each.ready, expected, people);
          now.Q = PRICE.ready * tenths;
          // Each person more is worth something, before a tenth is whole.
          now.near = (PRICE.ready * (tenths + Math.max(0, (each.ready - expected / people) * 10))) / 2;
        }
        Q += now.Q;
        near += now.near;
      }
      return { Q, near };
    },
    goOn: (course) => {
      for (let i = 0; i < asked.length; i += 1) {
        if (!would[i].anew) continue;
        standing[i].Q = would[i].Q;
        standing[i].near = would[i].near;
        mark(course, asked[i]);
        asked[i].counting.goOn(marks);
      }
    },
  };
}
