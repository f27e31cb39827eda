import { GUARDS } from '../climb';
import { countsOf, type HowMany } from '../forecast';
import { daysBetween, type IsoDate } from '../units';
import { SERIES_LIMITS } from './limits';

/** What is thought of how often somebody practises, before anything is known of them: so many days did, so many missed. */
export interface Prior {
  readonly did: number;
  readonly missed: number;
}

/** Somebody's days so far, and how many are still to come. */
export interface SoFar {
  /** Days that are over, with whether they were done. */
  readonly past: readonly { readonly date: IsoDate; readonly did: boolean }[];
  readonly ahead: number;
  /** How many days, of those that are theirs, make it finished for them. */
  readonly needed: number;
}

/** How many days make a series finished. @example neededDays(21) // 17 */
export const neededDays = (length: number, share: number = GUARDS.finishShare): number => Math.ceil(length * share - 1e-9);

/** What is thought of somebody now: a day counts half as much for every week back. */
export function thoughtOf({ past }: SoFar, today: IsoDate, prior: Prior): Prior {
  let { did, missed } = prior;
  for (const { date, did: done } of past) {
    const weight = 0.5 ** (Math.max(0, daysBetween(date, today)) / SERIES_LIMITS.halfLifeDays);
    if (done) did += weight;
    else missed += weight;
  }
  return { did, missed };
}

/**
 * How likely each number of days is out of those ahead: beta-binomial, exact.
 * @returns the chance of 0, 1 … `ahead` days
 * @example betaBinomial(1, { did: 4, missed: 1 }) // [0.2, 0.8]
 */
export function betaBinomial(ahead: number, { did, missed }: Prior): number[] {
  let chance = 1;
  for (let day = 0; day < ahead; day += 1) chance *= (missed + day) / (did + missed + day);
  const chances = [chance];
  for (let days = 0; days < ahead; days += 1) {
    chance *= ((ahead - days) / (days + 1)) * ((did + days) / (missed + ahead - days - 1));
    chances.push(chance);
  }
  return chances;
}

/** How likely somebody is to finish. */
export function chanceToFinish(of: SoFar, today: IsoDate, prior: Prior = SERIES_LIMITS.prior): number {
  const lacking = of.needed - of.past.filter(({ did }) => did).length;
  if (lacking <= 0) return 1;
  if (lacking > of.ahead) return 0;
  return Math.min(
    1,
    betaBinomial(of.ahead, thoughtOf(of, today, prior))
      .slice(lacking)
      .reduce((sum, one) => sum + one, 0),
  );
}

/** How many of a group will finish, with the range that holds in four cases of five. */
export function willFinish(group: readonly SoFar[], today: IsoDate, prior?: Prior): HowMany {
  const chances = group.map((one) => chanceToFinish(one, today, prior));
  const of = countsOf(chances);
  // A count stands in the middle of its own chance, so that the range holds four cases in five also where there are few people.
  let below = 0;
  const middles = of.map((each) => (below += each) - each / 2);
  const low = middles.findIndex((middle) => middle >= 0.1);
  return {
    expected: chances.reduce((sum, one) => sum + one, 0),
    low,
    high: Math.max(
      low,
      middles.findLastIndex((middle) => middle <= 0.9),
    ),
  };
}

/**
 * What a studio's own past says of anybody: from the share of days each did, by their mean and spread. Too few people say nothing.
 * @param shares of people whose series are over, 0 to 1
 * @example priorFrom([]) // { did: 4, missed: 1 }
 */
export function priorFrom(shares: readonly number[]): Prior {
  const { prior, pastFrom } = SERIES_LIMITS;
  if (shares.length < pastFrom) return prior;
  const mean = shares.reduce((sum, one) => sum + one, 0) / shares.length;
  const spread = shares.reduce((sum, one) => sum + (one - mean) ** 2, 0) / (shares.length - 1);
  // Where all did alike there is no spread to go by; weigh it like the usual prior at least, and like a month of days at most.
  const weight = spread > 0 ? (mean * (1 - mean)) / spread - 1 : MOST_WEIGHT;
  const sure = Math.min(MOST_WEIGHT, Math.max(LEAST_WEIGHT, weight));
  const inside = Math.min(0.98, Math.max(0.02, mean));
  return { did: inside * sure, missed: (1 - inside) * sure };
}

const MOST_WEIGHT = 30;
const LEAST_WEIGHT = 1;
