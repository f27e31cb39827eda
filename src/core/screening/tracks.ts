import { formatPattern, roomPattern } from '../pattern';
import { addDays, type IsoDate } from '../units';
import { offersFor, type Stand, type Taught } from './advise';
import { bearings, clinicianMayAnswer, decideBlock, type Bearing } from './decide';
import { waysSeen } from './features';
import type { Comfort } from './instep';
import { SHIPPED, type Rulebook } from './rulebook';
import { ANSWERS, type Answer, type ScreenedPerson } from './types';

/** Somebody in a room, as tracks and openings see them. */
export interface Attending {
  readonly id: string;
  readonly screened: ScreenedPerson;
  readonly comfort: Comfort;
}

/** A way that is taught beside others, and who is on it. */
export interface Track {
  readonly pattern: string;
  readonly kind: 'as taught' | 'in step' | 'instead' | 'natural breath';
  readonly people: readonly string[];
}

/** A room watches at most so many ways at once. */
const MOST_TRACKS = 3;

/**
 * The fewest ways, taught side by side, that serve everybody: at most three, as taught for as many as may, natural breath
 * only for those for whom nothing else is left. When three do not serve everybody, the rest breathe naturally.
 */
export function tracksFor(
  people: readonly Attending[],
  taught: Taught,
  easier: readonly Stand[],
  date: IsoDate,
  rulebook: Rulebook = SHIPPED,
): Track[] {
  const offers = people.map(({ screened, comfort }) => offersFor(bearings(screened, date, undefined, rulebook), taught, easier, comfort));
  const room = formatPattern(roomPattern(taught.pattern));
  const asTaught = people.map((_, index) => offers[index][0]?.kind === 'as taught');
  const rest = people.flatMap((_, index) => (asTaught[index] ? [] : [index]));
  const candidates = new Map<string, { kind: Track['kind']; who: Set<number>; rank: number }>();
  for (const index of rest) {
    offers[index].forEach(({ kind, pattern }, rank) => {
      const found = candidates.get(pattern) ?? { kind: kind === 'instead' ? 'instead' : 'in step', who: new Set<number>(), rank: 0 };
      found.who.add(index);
      found.rank += rank;
      candidates.set(pattern, found);
    });
  }
  const chosen = fewest([...candidates], rest, MOST_TRACKS - (rest.length < people.length ? 1 : 0));
  const served = new Map<number, string>();
  for (const [pattern, { who }] of chosen) for (const index of who) if (!served.has(index)) served.set(index, pattern);
  const idsOf = (indices: readonly number[]) => indices.map((index) => people[index].id);
  const tracks: Track[] = [
    { pattern: room, kind: 'as taught', people: idsOf(people.flatMap((_, index) => (asTaught[index] ? [index] : []))) },
    ...chosen.map(([pattern, { kind }]): Track => ({ pattern, kind, people: idsOf(rest.filter((index) => served.get(index) === pattern)) })),
    { pattern: 'natural', kind: 'natural breath', people: idsOf(rest.filter((index) => !served.has(index))) },
  ];
  return tracks.filter(({ people: on }) => on.length > 0);
}

type Candidate = readonly [string, { readonly kind: Track['kind']; readonly who: ReadonlySet<number>; readonly rank: number }];

/** The smallest choice of at most `most` candidates that serves the most people; among equals the one people prefer. */
function fewest(candidates: readonly Candidate[], rest: readonly number[], most: number): readonly Candidate[] {
  const servable = rest.filter((index) => candidates.some(([, { who }]) => who.has(index)));
  let best: readonly Candidate[] = [];
  const better = (choice: readonly Candidate[]): boolean => {
    const value = (of: readonly Candidate[]) => servable.filter((index) => of.some(([, { who }]) => who.has(index))).length;
    const rank = (of: readonly Candidate[]) => of.reduce((sum, [, one]) => sum + one.rank / one.who.size, 0);
    const [a, b] = [value(choice), value(best)];
    return a > b || (a === b && choice.length <= best.length && rank(choice) < rank(best));
  };
  // Candidates that serve the same people differ only in preference: the best of each is enough.
  const distinct = [...new Map([...candidates].sort((a, b) => b[1].rank - a[1].rank).map((one) => [[...one[1].who].join(), one])).values()];
  const extend = (choice: readonly Candidate[], from: number): void => {
    if (better(choice)) best = choice;
    if (choice.length === most) return;
    for (let next = from; next < distinct.length; next += 1) extend([...choice, distinct[next]], next + 1);
  };
  extend([], 0);
  return best;
}

/** What stands between people and a technique: whose clinician's answer, whose form, and for whom nothing would open it. */
export interface Opening {
  /** Blocked by ask-first rules alone: a clinician's yes would do. */
  readonly clinician: readonly string[];
  /** Blocked by what is not known alone: a screening might do. */
  readonly form: readonly string[];
  readonly closed: readonly string[];
  readonly open: readonly string[];
}

/** Thirty years: neither young nor old. */
const GROWN_DAYS = 10_957;

/** What one missing answer would change: who may do a technique now, and whose answer would open it for them. */
export function openingFor(people: readonly Attending[], taught: Taught, date: IsoDate, rulebook: Rulebook = SHIPPED): Opening {
  const ways = waysSeen(taught.pattern, taught.dose, taught.pace, taught.tags);
  const doable = (bearing: readonly Bearing[]) => able(decideBlock(bearing, ways).answer);
  const sorted = people.map(({ id, screened }) => {
    const bearing = bearings(screened, date, undefined, rulebook);
    if (doable(bearing)) return { id, is: 'open' as const };
    if (doable(bearing.filter(({ rule }) => !clinicianMayAnswer(rule)))) return { id, is: 'clinician' as const };
    // At best a form says no to what is open, and an age that no rule bears on.
    const known = {
      ...screened,
      screenedOn: date,
      birthDate: screened.birthDate ?? addDays(date, -GROWN_DAYS),
      answers: screened.answers.filter(({ answer }) => answer === 'yes'),
    };
    return { id, is: doable(bearings(known, date, undefined, rulebook)) ? ('form' as const) : ('closed' as const) };
  });
  const who = (is: string) => sorted.filter((one) => one.is === is).map(({ id }) => id);
  return { clinician: who('clinician'), form: who('form'), closed: who('closed'), open: who('open') };
}

/** Whether an answer lets a person do a technique, changed or not. */
function able(answer: Answer): boolean {
  return ANSWERS.indexOf(answer) >= ANSWERS.indexOf('adapt');
}
