/**
 * Who will have practised something often enough, for a search that asks again and again: which counts can come about is found out once,
 * as they come up, and kept from one question to the next. The same as {@link readinessOf} at the end of a course.
 */

/** What is counted, each by its place: what it needs of others before it counts, and how often it is needed at most. */
export interface Counted {
  readonly needs: readonly (readonly [place: number, times: number])[];
  readonly most: number;
}

/** People who come alike: how many, and their chance of coming by class. */
export interface Alike {
  readonly people: number;
  readonly comes: readonly number[];
}

/** People by the counts they have and how they come; the states that any of them is in. */
interface People {
  readonly live: readonly number[];
  readonly people: readonly number[];
}

/** What stands in each class: the sum of 2 to the power of the places of what is counted. */
export type Marks = Float64Array;

export interface Counting {
  /** How many of the people will have practised the last of what is counted as often as it is needed; quick near the course that is gone on from. */
  readonly expected: (marks: Marks) => number;
  /** Goes on from a course: what is asked next differs little from it. */
  readonly goOn: (marks: Marks) => void;
}

/** Places that one number can hold. */
const MOST_PLACES = 52;

/**
 * @param counted the last is what is asked about
 * @param from the first class that may be otherwise: what stands before it is the same in every course that is asked about
 * @throws RangeError with more than 52 things to count
 * @example counting([{ needs: [], most: 2 }], [{ people: 10, comes: [0.5, 0.5] }]).expected(Float64Array.of(1, 1)) // 2.5
 */
export function counting(counted: readonly Counted[], groups: readonly Alike[], from = 0): Counting {
  if (counted.length > MOST_PLACES) throw new RangeError(`at most ${MOST_PLACES} things are counted`);
  const last = counted.length - 1;
  const states: number[][] = [counted.map(() => 0)];
  const known = new Map<string, number>([[states[0].join(), 0]]);
  const next: Map<number, number>[] = [new Map()];
  const after = (state: number, mark: number): number => {
    const found = next[state].get(mark);
    if (found !== undefined) return found;
    const had = states[state];
    const counts = had.map((count, place) => {
      const stands = Math.floor(mark / 2 ** place) % 2 === 1;
      const { needs, most } = counted[place];
      return stands && count < most && needs.every(([need, times]) => had[need] >= times) ? count + 1 : count;
    });
    const key = counts.join();
    let to = known.get(key);
    if (to === undefined) {
      to = states.length;
      known.set(key, to);
      states.push(counts);
      next.push(new Map());
    }
    next[state].set(mark, to);
    return to;
  };
  const S = groups[0]?.comes.length ?? 0;
  const seen: number[] = [];
  const place: number[] = [];
  let stamp = 0;
  /** People by state and group, after a class. */
  const step = ({ live, people }: People, of: readonly Pick<Alike, 'comes'>[], at: number, mark: number): People => {
    if (mark === 0) return { live, people };
    const G = of.length;
    stamp += 1;
    const next: { live: number[]; people: number[] } = { live: [], people: [] };
    const placeOf = (state: number): number => {
      if (seen[state] !== stamp) {
        seen[state] = stamp;
        place[state] = next.live.length * G;
        next.live.push(state);
        for (let group = 0; group < G; group += 1) next.people.push(0);
      }
      return place[state];
    };
    for (let i = 0; i < live.length; i += 1) {
      const [stays, goes] = [placeOf(live[i]), placeOf(after(live[i], mark))];
      for (let group = 0; group < G; group += 1) {
        const many = people[i * G + group];
        const came = many * of[group].comes[at];
        next.people[goes + group] += came;
        next.people[stays + group] += many - came;
      }
    }
    return next;
  };
  // Once what is past is counted, people differ by how they come from then on alone.
  const ahead = new Map<string, { readonly comes: readonly number[] }>();
  const kind = groups.map(({ comes }) => {
    const key = comes.slice(from).join();
    if (!ahead.has(key)) ahead.set(key, { comes });
    return [...ahead.keys()].indexOf(key);
  });
  const alike = [...ahead.values()];
  const G = alike.length;
  const begun = (marks: Marks): People => {
    let all: People = { live: [0], people: groups.map(({ people }) => people) };
    for (let at = 0; at < from; at += 1) all = step(all, groups, at, marks[at]);
    const people = all.live.flatMap((_, i) => {
      const own = alike.map(() => 0);
      groups.forEach((__, group) => (own[kind[group]] += all.people[i * groups.length + group]));
      return own;
    });
    return { live: all.live, people };
  };
  /** What stands in the course that is gone on from; the people before each of its classes that is ahead, as far as that is worked out. */
  const base = new Float64Array(S).fill(-1);
  let before: People[] = [];
  /** What follows from a state at a class, by group. */
  const follows: number[][] = Array.from({ length: S + 1 }, () => []);
  const fresh: number[][] = Array.from({ length: S + 1 }, () => []);
  const version = new Int32Array(S + 1).fill(1);
  /** Where the chances of a state at a class stand, worked out once for the course that is gone on from. */
  const chances = (state: number, at: number): number => {
    const start = state * G;
    if (fresh[at][state] === version[at]) return start;
    fresh[at][state] = version[at];
    if (at === S) {
      for (let group = 0; group < G; group += 1) follows[at][start + group] = states[state][last] >= counted[last].most ? 1 : 0;
      return start;
    }
    const stays = chances(state, at + 1);
    const goes = base[at] === 0 ? stays : chances(after(state, base[at]), at + 1);
    for (let group = 0; group < G; group += 1) {
      const comes = alike[group].comes[at];
      follows[at][start + group] = comes * follows[at + 1][goes + group] + (1 - comes) * follows[at + 1][stays + group];
    }
    return start;
  };
  const sumAt = ({ live, people }: People, at: number): number => {
    let sum = 0;
    for (let i = 0; i < live.length; i += 1) {
      const start = chances(live[i], at);
      for (let group = 0; group < G; group += 1) sum += people[i * G + group] * follows[at][start + group];
    }
    return sum;
  };
  /** The first class and the last that are otherwise than in the course that is gone on from. */
  const differing = (marks: Marks): readonly [number, number] => {
    let [first, end] = [0, S - 1];
    while (first < S && marks[first] === base[first]) first += 1;
    while (end > first && marks[end] === base[end]) end -= 1;
    return [first, end];
  };
  const expected = (marks: Marks): number => {
    if (S === 0) return 0;
    if (before.length === 0) goOn(marks);
    const [first, end] = differing(marks);
    if (first < from) {
      let people = begun(marks);
      for (let at = from; at < S; at += 1) people = step(people, alike, at, marks[at]);
      return sumAt(people, S);
    }
    if (first >= S) return sumAt(before[0], from);
    while (before.length <= first - from) {
      const at = from + before.length - 1;
      before.push(step(before[before.length - 1], alike, at, base[at]));
    }
    let people = before[first - from];
    for (let at = first; at <= end; at += 1) people = step(people, alike, at, marks[at]);
    return sumAt(people, end + 1);
  };
  const goOn = (marks: Marks): void => {
    const [first, end] = differing(marks);
    if (first >= S) return;
    base.set(marks);
    before = first < from || before.length === 0 ? [begun(marks)] : before.slice(0, first - from + 1);
    for (let at = 0; at <= end; at += 1) version[at] += 1;
  };
  return { expected, goOn };
}
