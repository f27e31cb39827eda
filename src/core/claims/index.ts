import { capital } from '../wording';
import { judge, tellingWords, THRESHOLDS, type Telling } from './model';
import { meansMost } from './features';
import { claimsIn } from './rules';
import { levelOf } from './train';
import { WHY } from './why';

/**
 * Claims that a plan, a handout or a letter must not make. They are found by meaning, by a small model that was trained on sentences of both
 * kinds; it runs on the server alone, as it carries word vectors along.
 */

/** A sentence a studio may not be able to stand behind. */
export interface Look {
  /** A claim, or what may be one and is to be read again. */
  readonly level: 'claim' | 'may be';
  /** Where the sentence stands in the text, without its stop. */
  readonly at: number;
  readonly length: number;
  /** The words that weigh most, where they stand in the text. */
  readonly marks: readonly { readonly at: number; readonly length: number }[];
  readonly why: string;
  /** What can be said in its place. */
  readonly instead: string;
}

/**
 * The claims of a text, sentence by sentence, in the order of the text.
 * @example lookAt('Half of last year’s course are off their statins.')[0].level // "claim"
 */
export function lookAt(text: string): Look[] {
  return sentencesOf(text).flatMap(({ at, sentence }): Look[] => {
    const odds = judge(sentence);
    const [rule] = claimsIn(sentence);
    const level = levelOf(odds, rule !== undefined, THRESHOLDS);
    if (level === null) return [];
    const telling = tellingWords(sentence, odds);
    const own = WHY[telling.length > 0 ? meansMost(mostOf(telling).word) : ''] ?? WHY.any;
    const { why, instead } = rule ?? own;
    const marks = rule ? [rule] : telling;
    return [
      {
        level,
        at,
        length: sentence.length,
        marks: joined(
          marks.map((one) => ({ at: at + one.at, length: one.length })),
          text,
        ),
        why,
        instead: capital(instead),
      },
    ];
  });
}

type Mark = Look['marks'][number];

/** Words that stand beside each other are marked as one. */
function joined(marks: readonly Mark[], text: string): Mark[] {
  return marks.reduce<Mark[]>((all, mark) => {
    const last = all.at(-1);
    const beside = last && text.slice(last.at + last.length, mark.at).trim() === '';
    return beside ? [...all.slice(0, -1), { at: last.at, length: mark.at + mark.length - last.at }] : [...all, mark];
  }, []);
}

const mostOf = (telling: readonly Telling[]): Telling => telling.reduce((most, one) => (one.much > most.much ? one : most));

/** Words of a sentence that are looked at together: one that goes on and on is looked at in parts, so that no text takes long. */
const MOST_WORDS = 40;

/** A text sentence by sentence: a stop, a semicolon or a new line ends one; a question belongs to what answers it. */
function sentencesOf(text: string): { readonly at: number; readonly sentence: string }[] {
  return [...text.matchAll(/[^.!;\n?]+(?:\?[^.!;\n?]*)?/g)].flatMap((match) => {
    const words = [...match[0].matchAll(/\S+/g)];
    return Array.from({ length: Math.ceil(words.length / MOST_WORDS) }, (_, part) => {
      const [first, last] = [words[part * MOST_WORDS], words[Math.min(words.length, (part + 1) * MOST_WORDS) - 1]];
      return { at: match.index + first.index, sentence: match[0].slice(first.index, last.index + last[0].length) };
    }).filter(({ sentence }) => sentence.length > 2);
  });
}
