import { featuresOf, tokensOf } from './features';
import kept from './model.json';
import { oddsOf, type Thresholds } from './train';

/** The check as it was trained by `scripts/trainClaims.ts`: what each feature weighs, and from which odds on something is said. */
const weights: ReadonlyMap<string, number> = new Map(Object.entries(kept.weights as Readonly<Record<string, number>>));

/** From these odds on a line is a claim; from the lower ones on it may be one. */
export const THRESHOLDS: Thresholds = kept.thresholds;

/** The odds that a sentence is a claim. */
export const judge = (text: string): number => oddsOf(featuresOf(text), weights);

/** A word that speaks for a claim: the odds would be so much lower without it. */
export interface Telling {
  readonly word: string;
  readonly at: number;
  readonly length: number;
  readonly much: number;
}

/** Of the words that tell most, those at least so telling as a share of the first. */
const TELLING = 0.35;
const MOST_TELLING = 4;

/** The words of a sentence that weigh most, in their order. @example tellingWords('This breath cures asthma').map(({ word }) => word) // ["cures", "asthma"] */
export function tellingWords(text: string, odds: number): Telling[] {
  const tokens = tokensOf(text).filter(({ word }) => /[a-z]/.test(word));
  const all = tokens.map((token): Telling => ({ ...token, much: odds - judge(text.slice(0, token.at) + text.slice(token.at + token.length)) }));
  const most = Math.max(...all.map(({ much }) => much), 0);
  return all
    .filter(({ much }) => much > 0 && much >= most * TELLING)
    .sort((a, b) => b.much - a.much)
    .slice(0, MOST_TELLING)
    .sort((a, b) => a.at - b.at);
}
