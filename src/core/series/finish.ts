import { GUARDS } from '../climb';
import { countsOf, type HowMany } from '../forecast';
import { chances, weekday as weekdayOf, type IsoDate } from '../units';
import { KINDS } from './kinds';
import { SERIES_LIMITS } from './limits';

/** Somebody's days so far, and how many are still to come. */
export interface SoFar {
  /** Days that are over, with whether they were done, in order. */
  readonly past: readonly { readonly date: IsoDate; readonly did: boolean }[];
  /** Days still to come; none for whoever left. */
  readonly ahead: number;
  /** How many days, of those that are theirs, make it finished for them. */
  readonly needed: number;
}

/** Somebody of a series that is over: every day of it that was theirs, those after they left not done. */
export interface Whole {
  readonly first: IsoDate;
  readonly days: readonly boolean[];
}

/** How many days make a series finished. @example neededDays(21) // 17 */
export const neededDays = (length: number, share: number = GUARDS.finishShare): number => Math.ceil(length * share - 1e-9);

/** What a forecast looks at in somebody's days: how many were done, of the last four, on weekends, how often it changed; and how many came after. */
interface Seen {
  readonly did: number;
  readonly last: number;
  /** The share of weekend days done; null where there was none yet. */
  readonly weekend: number | null;
  readonly changes: number;
  readonly after: number;
}

const LAST_DAYS = 4;
const { exp, log, round, min, max, floor } = Math;

function seenIn(days: readonly boolean[], over: number, weekday: (day: number) => number, length = days.length): Seen {
  let [did, last, weekends, onWeekends, changes, after] = [0, 0, 0, 0, 0, 0];
  for (let day = over; day < length; day += 1) after += days[day] ? 1 : 0;
  for (let day = 0; day < over; day += 1) {
    const done = days[day];
    if (done) did += 1;
    if (day >= over - LAST_DAYS) last += done ? 1 : 0;
    if (day > 0 && done !== days[day - 1]) changes += 1;
    if (weekday(day) < 6) continue;
    weekends += 1;
    if (done) onWeekends += 1;
  }
  return { did, last, weekend: weekends > 0 ? onWeekends / weekends : null, changes, after };
}

/** In how many parts each of these is looked at, to say how usual somebody is among people of a kind. */
const PARTS = { share: 6, last: LAST_DAYS + 1, changes: 3, weekend: 4 } as const;
const CELLS = PARTS.share * PARTS.last * PARTS.changes;

function cellOf({ did, last, changes }: Seen, over: number): number {
  const share = over === 0 ? 0 : min(PARTS.share - 1, floor((did / over) * PARTS.share));
  const changed = over < LAST_DAYS ? 0 : min(PARTS.changes - 1, floor((changes / over) * 5));
  return (share * PARTS.last + last) * PARTS.changes + changed;
}

const weekendPart = ({ weekend }: Seen): number => (weekend === null ? 0 : weekend < 0.34 ? 1 : weekend < 0.75 ? 2 : 3);

/** People made up of one kind, as they look after so many days. */
interface Made {
  readonly people: readonly Seen[];
  readonly cells: Float64Array;
  readonly weekends: Float64Array;
}

/** So many figures of each kind are thought of, and so many people made of each. */
const [FIGURES, MADE] = [14, 90] as const;
const LONGEST = max(...SERIES_LIMITS.lengths);

const lives = new Map<number, readonly (readonly (readonly boolean[])[])[]>();

/**
 * What a group may be like: every kind, with many figures, and the days of people of each, from one weekday on. Always the same ones, and made
 * once for each weekday; nobody's own days are among them.
 */
function livesFrom(weekday: number): readonly (readonly (readonly boolean[])[])[] {
  const had = lives.get(weekday);
  if (had) return had;
  const figures = chances(11);
  const made = Object.values(KINDS).flatMap((kind) => Array.from({ length: FIGURES }, () => kind(figures)));
  const all = made.map((person, at) => {
    const chance = chances(1000 + at);
    return Array.from({ length: MADE }, () => person(LONGEST, onFrom(weekday), chance));
  });
  lives.set(weekday, all);
  return all;
}

const onFrom = (weekday: number) => (day: number) => ((weekday - 1 + day) % 7) + 1;

/** Where somebody stands: how long it is for them, how much is over, and on which weekday it began. */
interface Stand {
  readonly length: number;
  readonly over: number;
  readonly weekday: number;
}

/** The people made up, as they look to somebody who stands there. */
function madeFor({ length, over, weekday }: Stand): readonly Made[] {
  return livesFrom(weekday).map((group): Made => {
    const people = group.map((days) => seenIn(days, over, onFrom(weekday), length));
    const [cells, weekends] = [new Float64Array(CELLS), new Float64Array(PARTS.weekend)];
    for (const one of people) {
      cells[cellOf(one, over)] += 1;
      weekends[weekendPart(one)] += 1;
    }
    return { people, cells, weekends };
  });
}

/** How usual somebody is among people of a kind, as a logarithm. */
function usual(of: Seen, over: number, { cells, weekends }: Made): number {
  return log((cells[cellOf(of, over)] + 0.04) / (MADE + 3.6)) + 0.7 * log((weekends[weekendPart(of)] + 0.5) / (MADE + 2));
}

/** The chance that somebody does so many days more, by what people near to them did: in days done, in the last four, on weekends. */
function chanceAmong(of: Seen, lacking: number, over: number, people: readonly (Seen & { readonly weight?: number })[], scale = 1): number {
  let [all, enough] = [0, 0];
  for (const one of people) {
    const days = (of.did - one.did) / (0.07 * over + 0.6);
    const last = (of.last - one.last) / 0.8;
    const weekend = of.weekend === null || one.weekend === null ? 0 : (of.weekend - one.weekend) / 0.4;
    const weight = (exp(-(days * days + last * last + weekend * weekend) / 2) + 1e-5) * (one.weight ?? 1);
    all += weight;
    if (round(one.after * scale) >= lacking) enough += weight;
  }
  return enough / all;
}

/** How far a group's days decide which kind it is: less than wholly, as no kind is quite what people are. */
const DECIDES = { alone: 0.45, withPast: 0.6 } as const;
/** How much a studio's own past counts beside what is made up, where there is enough of it, and how often it is thrown anew. */
const [OWN_PAST, THROWS] = [0.85, 20] as const;
/** Of a studio's past the last so many are looked at. */
const MOST_PAST = 120;

/**
 * How many of a group will finish, with the range that holds in four cases of five. The group may be of any of six kinds, with many figures:
 * each is weighed by how usual its people's days are there, and people who stand alike go on alike. Where the studio has a past of its own,
 * people near in days done and in the last four are asked as well, thrown anew each time, so that few of them say little.
 * @example willFinish(group, past).low // 7
 */
export function willFinish(group: readonly SoFar[], past: readonly Whole[]): HowMany {
  // People who began together stand alike, and are held against the same ones.
  const stands = new Map<string, readonly Made[]>();
  const mine = group.map((of) => {
    const stand = { length: of.past.length + of.ahead, over: of.past.length, weekday: of.past[0] ? weekdayOf(of.past[0].date) : 1 };
    const seen = seenIn(
      of.past.map(({ did }) => did),
      stand.over,
      onFrom(stand.weekday),
    );
    const lacking = of.needed - seen.did;
    const key = `${stand.length} ${stand.over} ${stand.weekday}`;
    const made = stands.get(key) ?? madeFor(stand);
    stands.set(key, made);
    return { made, stand, seen, lacking, sure: lacking <= 0 ? 1 : lacking > of.ahead ? 0 : null };
  });
  const open = mine.filter(({ sure }) => sure === null);
  const certain = mine.filter(({ sure }) => sure === 1).length;
  if (open.length === 0) return { expected: certain, low: certain, high: certain };
  const own = past.length >= SERIES_LIMITS.pastFrom ? pastAs(past.slice(-MOST_PAST), open[0].stand) : [];
  const { length, over } = open[0].stand;
  const logs = open[0].made.map((like, at) => {
    let sum = 0;
    for (const { seen, stand, made } of mine) if (stand.over > 0) sum += usual(seen, stand.over, made[at]);
    for (const one of own) sum += usual(one, over, like);
    return sum;
  });
  const top = max(...logs);
  const weights = logs.map((one) => exp((one - top) * (own.length > 0 ? DECIDES.withPast : DECIDES.alone)));
  const all = weights.reduce((sum, one) => sum + one, 0);
  const mixture = new Float64Array(group.length + 1);
  const add = (each: readonly number[], weight: number) =>
    countsOf(each).forEach((one, count) => {
      mixture[certain + count] += one * weight;
    });
  const ownWeight = own.length > 0 ? OWN_PAST : 0;
  weights.forEach((weight, at) => {
    if (weight / all < 1e-3) return;
    add(
      open.map(({ seen, lacking, stand, made }) => chanceAmong(seen, lacking, stand.over, made[at].people)),
      (weight / all) * (1 - ownWeight),
    );
  });
  const chance = chances(5);
  for (let time = 0; time < (own.length > 0 ? THROWS : 0); time += 1) {
    const thrown = own.map((one) => ({ ...one, weight: -log(1 - chance()) }));
    add(
      open.map(({ seen, lacking, stand }) => chanceAmong(seen, lacking, stand.over, thrown, (stand.length - stand.over) / max(1, length - over))),
      ownWeight / THROWS,
    );
  }
  return rangeOf(mixture);
}

/** People of series that are over, as they stood when as much of it was over, stretched to the same length. */
function pastAs(past: readonly Whole[], { length, over }: Stand): Seen[] {
  return past.map(({ first, days }) => {
    const at = weekdayOf(first);
    const stretched = Array.from({ length }, (_, day) => days[min(days.length - 1, floor((day * days.length) / length))] ?? false);
    return seenIn(stretched, over, onFrom(at));
  });
}

/** The mean and the middle four fifths; a count stands in the middle of its own chance, so that it holds where there are few people too. */
function rangeOf(mixture: Float64Array): HowMany {
  const mass = mixture.reduce((sum, one) => sum + one, 0);
  let [below, expected] = [0, 0];
  const middles = Array.from(mixture, (one, count) => {
    expected += (one / mass) * count;
    below += one / mass;
    return below - one / mass / 2;
  });
  const low = max(
    0,
    middles.findIndex((middle) => middle >= 0.1),
  );
  return {
    expected,
    low,
    high: max(
      low,
      middles.findLastIndex((middle) => middle <= 0.9),
    ),
  };
}
