import { featuresOf, type Features } from './features';
import { chances } from '../units';

/** A line with what it is: 1 for a claim, 0 for none. */
export interface Labelled {
  readonly text: string;
  readonly claim: 0 | 1;
  /** How much it counts. */
  readonly weight: number;
}

/** What each feature weighs. */
export type Weights = ReadonlyMap<string, number>;

// Taken out of its object once: this runs some ten million times.
const { imul, exp, sqrt, floor } = Math;

const [EPOCHS, RATE, DECAY] = [20, 0.3, 1e-4] as const;
/** So many features are passed over at random in each step, so that no line hangs on one of its words. */
const PASSED_OVER = 0.35;
const OFTEN = PASSED_OVER * 4_294_967_296;

const looked = new Map<string, Features>();
function known(text: string): Features {
  const found = looked.get(text) ?? featuresOf(text);
  looked.set(text, found);
  return found;
}

/** Logistic regression by stochastic steps that get smaller; the same for the same lines. */
export function train(lines: readonly Labelled[], seed = 7): Weights {
  const seen = lines.map(({ text, claim, weight }) => ({ features: [...known(text)], claim, weight }));
  const often = new Map<string, number>();
  for (const { features } of seen) for (const [name] of features) often.set(name, (often.get(name) ?? 0) + 1);
  const index = new Map([...often].filter(([, n]) => n >= 3).map(([name], at) => [name, at]));
  const rows = seen.map(({ features, claim, weight }) => {
    const kept = features.filter(([name]) => index.has(name));
    return { at: Uint32Array.from(kept, ([name]) => index.get(name)!), of: Float32Array.from(kept, ([, value]) => value), claim, weight };
  });
  const [weights, squares] = [new Float64Array(index.size), new Float64Array(index.size).fill(1e-6)];
  const chance = chances(seed);
  const order = rows.map((_, at) => at);
  for (let epoch = 0; epoch < EPOCHS; epoch += 1) {
    for (let at = order.length - 1; at > 0; at -= 1) {
      const other = floor(chance() * (at + 1));
      [order[at], order[other]] = [order[other], order[at]];
    }
    for (const row of order) {
      const { at, of, claim, weight } = rows[row];
      let sum = 0;
      // Which are passed over comes from the same numbers twice, so that none is kept.
      const from = floor(chance() * 4_294_967_296);
      let dice = from;
      for (let n = 0; n < at.length; n += 1) {
        dice = (imul(dice, 1_664_525) + 1_013_904_223) >>> 0;
        if (dice >= OFTEN) sum += weights[at[n]] * of[n];
      }
      sum /= 1 - PASSED_OVER;
      dice = from;
      const wrong = (1 / (1 + exp(-sum)) - claim) * weight;
      for (let n = 0; n < at.length; n += 1) {
        dice = (imul(dice, 1_664_525) + 1_013_904_223) >>> 0;
        if (dice < OFTEN) continue;
        const step = wrong * of[n] + DECAY * weights[at[n]] * 50;
        squares[at[n]] += step * step;
        weights[at[n]] -= (RATE * step) / sqrt(squares[at[n]] + 1);
      }
    }
  }
  return new Map([...index].map(([name, at]) => [name, weights[at]]));
}

/** The odds that a line is a claim, as a logarithm: above nought more likely than not. */
export function oddsOf(features: Features, weights: Weights): number {
  let sum = 0;
  for (const [name, value] of features) sum += (weights.get(name) ?? 0) * value;
  return sum;
}

/** Several trainings in one: each meets the lines in another order and passes other features over. */
const TRAININGS = 3;

/** @param times how many trainings it is the mean of */
export function trained(lines: readonly Labelled[], times = TRAININGS): Weights {
  const all = Array.from({ length: times }, (_, at) => train(lines, at + 1));
  return new Map([...all[0].keys()].map((name) => [name, all.reduce((sum, one) => sum + one.get(name)!, 0) / times]));
}

/** Of harmless lines, so many are called a claim, and so many are at least to be read again. */
const WRONGLY = { claim: 0.01, maybe: 0.08 } as const;

export interface Thresholds {
  readonly claim: number;
  readonly maybe: number;
}

/** Odds so far below what may be a claim take back what only the form of words says. */
const TAKES_BACK = 3;

/** What is said of a line: nothing, that it may be a claim, or that it is one. @param ruled whether its form of words is that of a claim */
export function levelOf(odds: number, ruled: boolean, { claim, maybe }: Thresholds): 'claim' | 'may be' | null {
  if (odds >= claim || (ruled && odds >= maybe)) return 'claim';
  return odds >= maybe || (ruled && odds > maybe - TAKES_BACK) ? 'may be' : null;
}

/** The odds above which no more harmless lines lie than may, those included of which only the form of words says something. */
export function thresholdsOf(harmless: readonly { readonly odds: number; readonly ruled: boolean }[]): Thresholds {
  const above = (all: readonly number[], share: number) => Math.round([...all].sort((a, b) => b - a)[floor(all.length * share)] * 100) / 100 + 0.01;
  return {
    claim: above(
      harmless.map(({ odds }) => odds),
      WRONGLY.claim,
    ),
    maybe: above(
      harmless.map(({ odds, ruled }) => odds + (ruled ? TAKES_BACK : 0)),
      WRONGLY.maybe,
    ),
  };
}
