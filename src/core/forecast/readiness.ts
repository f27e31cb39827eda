import type { Edge } from '../ladder';
import { daysBetween, type IsoDate } from '../units';

/** A class as a forecast looks at it: when it is, and what is practised in it. */
export interface HeldClass {
  readonly date: IsoDate;
  readonly techniques: readonly string[];
}

/** A course as a forecast looks at it. */
export interface Course {
  readonly classes: readonly HeldClass[];
  readonly edges: readonly Edge[];
  readonly already: ReadonlySet<string>;
}

/** How likely somebody comes: always alike, or by class; 1 and 0 where it is known that they came or did not. */
export type Coming = number | readonly number[];

const comesTo = (coming: Coming, at: number): number => (typeof coming === 'number' ? coming : coming[at]);

/** What a technique stands on that is not practised already, itself last. */
function standsOn({ edges, already }: Course, technique: string): string[] {
  const found = new Set<string>();
  const walk = (id: string): void => {
    if (found.has(id) || already.has(id)) return;
    for (const { to, needs } of edges) if (to === id) walk(needs);
    found.add(id);
  };
  walk(technique);
  return [...found];
}

/**
 * The chance that a member who comes to each class with probability `p` will be ready for a technique at a class: that everything
 * it needs was practised often enough before, by them, and begun long enough ago, by the cohort. Somebody practises a technique only
 * when they came and what it needs had been practised by them before; otherwise they do something else, which does not count.
 * Exact, by going through the classes with the counts of everything below, no further than anything asks for.
 * @param at index of the class; what stands in it does not count yet
 * @example readiness(course, 'b', 4, 0.8) // 0.4096 where b needs a four times, and a stood in each of four classes
 */
export function readiness(course: Course, technique: string, at: number, p: number): number {
  return readinessOf(course, technique, at, [p])[0];
}

/** The same for several people at once, each coming as they come: which counts can come about does not hang on them. */
export function readinessOf(course: Course, technique: string, at: number, chances: readonly Coming[]): number[] {
  const { classes, edges, already } = course;
  const below = standsOn(course, technique);
  const index = new Map(below.map((id, place) => [id, place]));
  const needs = below.map((id) =>
    edges.filter(({ to, needs: need }) => to === id && !already.has(need)).map((edge) => ({ ...edge, place: index.get(edge.needs)! })),
  );
  const most = below.map((id) => Math.max(0, ...edges.filter(({ needs: need, to }) => need === id && index.has(to)).map(({ sessions }) => sessions)));
  const began = below.map((id) => classes.findIndex(({ techniques }) => techniques.includes(id)));
  const waited = (edge: Edge & { readonly place: number }, now: number): boolean => {
    const first = began[edge.place];
    return first >= 0 && first < now && daysBetween(classes[first].date, classes[now].date) >= edge.days;
  };
  // Counts are small: each state is known by them as characters.
  const keyOf = (counts: Uint8Array): string => String.fromCharCode.apply(null, counts as unknown as number[]);
  let states = new Map<string, { readonly counts: Uint8Array; readonly chance: Float64Array }>();
  const start = new Uint8Array(below.length);
  states.set(keyOf(start), { counts: start, chance: new Float64Array(chances.length).fill(1) });
  for (let now = 0; now < Math.min(at, classes.length); now += 1) {
    const here = below.map((id, place) => ({ id, place })).filter(({ id }) => classes[now].techniques.includes(id));
    if (here.length === 0) continue;
    const next: typeof states = new Map();
    const add = (counts: Uint8Array, chance: Float64Array, share: (p: number) => number) => {
      const key = keyOf(counts);
      const known = next.get(key)?.chance ?? new Float64Array(chances.length);
      for (let who = 0; who < chances.length; who += 1) known[who] += chance[who] * share(comesTo(chances[who], now));
      next.set(key, { counts, chance: known });
    };
    for (const { counts, chance } of states.values()) {
      add(counts, chance, (p) => 1 - p);
      const came = counts.slice();
      for (const { place } of here)
        if (counts[place] < most[place] && needs[place].every((edge) => counts[edge.place] >= edge.sessions)) came[place] += 1;
      add(came, chance, (p) => p);
    }
    states = next;
  }
  const own = needs[index.get(technique) ?? -1] ?? [];
  if (!own.every((edge) => at >= classes.length || waited(edge, at))) return chances.map(() => 0);
  const ready = chances.map(() => 0);
  for (const { counts, chance } of states.values())
    if (own.every((edge) => counts[edge.place] >= edge.sessions)) chance.forEach((each, who) => (ready[who] += each));
  return ready;
}

/** How many of a group will be ready, with the range that holds in four cases of five. */
export interface HowMany {
  readonly expected: number;
  readonly low: number;
  readonly high: number;
}

/** How likely each number of some people is, each with a chance of their own: exact. @example countsOf([0.5, 0.5]) // [0.25, 0.5, 0.25] */
export function countsOf(chances: readonly number[]): readonly number[] {
  let of = [1];
  for (const chance of chances) {
    const next = new Array<number>(of.length + 1).fill(0);
    of.forEach((each, count) => {
      next[count] += each * (1 - chance);
      next[count + 1] += each * chance;
    });
    of = next;
  }
  return of;
}

/**
 * How many of some people, each with a chance of their own: the mean, and the narrowest middle that holds at least 80 %.
 * @example howMany([1, 1, 0]) // { expected: 2, low: 2, high: 2 }
 */
export function howMany(chances: readonly number[]): HowMany {
  const of = countsOf(chances);
  const below = (share: number) => {
    let sum = 0;
    for (const [count, each] of of.entries()) {
      sum += each;
      if (sum >= share - 1e-12) return count;
    }
    return chances.length;
  };
  return { expected: chances.reduce((sum, chance) => sum + chance, 0), low: below(0.1), high: below(0.9) };
}

/** One class of review, and how many more would be ready for it. */
export interface Review {
  readonly at: number;
  readonly technique: string;
  readonly more: number;
}

/**
 * Where one review helps most: each class before the one that is asked about, and each thing it stands on, is tried.
 * @returns null where no review helps
 */
export function bestReview(course: Course, technique: string, at: number, chances: readonly Coming[], open: (at: number) => boolean): Review | null {
  const ready = (of: Course) => readinessOf(of, technique, at, chances).reduce((sum, each) => sum + each, 0);
  const now = ready(course);
  const below = standsOn(course, technique).filter((id) => id !== technique);
  let best: Review | null = null;
  for (let place = 0; place < at; place += 1) {
    if (!open(place)) continue;
    for (const id of below) {
      const { techniques } = course.classes[place];
      const begun = course.classes.findIndex((one) => one.techniques.includes(id));
      if (techniques.includes(id) || begun < 0 || begun > place) continue;
      const classes = course.classes.map((one, index) => (index === place ? { ...one, techniques: [...techniques, id] } : one));
      const more = ready({ ...course, classes }) - now;
      if (more > 1e-9 && (best === null || more > best.more + 1e-9)) best = { at: place, technique: id, more };
    }
  }
  return best;
}
