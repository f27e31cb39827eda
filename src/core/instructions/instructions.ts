import { readSession, type NamedBlock } from '../plan';
import { doingText, type Advice, type Answer, type DoorAnswers, type InStep } from '../screening';
import type { IsoDate } from '../units';
import { listed } from '../wording';
import { adviceFor, bearingsByDate, type House, type Member } from './advice';

/** What a person does otherwise in one block, for the director. Names no condition and no rule. */
export interface Instruction {
  readonly block: string;
  /** Clear only where an option of the block is not for them. */
  readonly answer: Answer;
  readonly advice: Advice;
  /** The pattern the person breathes in step with the room, for the second line of the class screen. */
  readonly inStep: InStep | null;
}

/** Instructions already worked out, by the rules that bear on a person, their comfort and the block: most people share them. */
type Known = Map<string, Instruction | null>;

/**
 * Instructions for everyone in a session, worked out for its date and for today's door answers.
 * @param known kept between calls for the same blocks, so that each is worked out once
 */
export function instructionsFor(
  people: readonly Member[],
  blocks: readonly NamedBlock[],
  date: IsoDate,
  house: House,
  door?: DoorAnswers,
  known: Known = new Map(),
): ReadonlyMap<string, readonly Instruction[]> {
  const bearing = bearingsByDate(house.rulebook, door);
  const read = readSession(blocks, house);
  return new Map(
    people.map((person): [string, Instruction[]] => {
      const rules = bearing(person, date);
      const alike = `${rules.map(({ rule }) => rule.id).join()} ${person.comfort.inhale} ${person.comfort.exhale}`;
      return [
        person.id,
        blocks.flatMap((block, index): Instruction[] => {
          const key = `${block.id} ${alike}`;
          const found = known.get(key) ?? (known.has(key) ? null : instructionOf(adviceFor(person, rules, block, house, read[index]).advice, block));
          known.set(key, found);
          return found ? [found] : [];
        }),
      ];
    }),
  );
}

/** Null when there is nothing to say: it is done as taught. */
function instructionOf(advice: Advice, block: NamedBlock): Instruction | null {
  if (advice.answer === 'clear' && advice.notThese.length === 0) return null;
  return { block: block.id, answer: advice.answer, advice, inStep: advice.doing.kind === 'in step' ? advice.doing.inStep : null };
}

/** What is done instead, in words; empty when it is done as taught. */
export function insteadText({ doing }: Advice): string {
  switch (doing.kind) {
    case 'as taught':
      return '';
    case 'natural breath':
      return 'natural breath instead';
    case 'instead':
      return `${doingText(doing)} instead`;
    case 'option':
      return `take ${doingText(doing)}`;
    default:
      return `breathe ${doingText(doing)}`;
  }
}

/** Options that are not for this person. @example notTheseText(advice) // "not “right side”" */
export function notTheseText({ notThese }: Advice): string {
  return notThese.length > 0
    ? `not ${listed(
        notThese.map((name) => `“${name}”`),
        'or',
      )}`
    : '';
}

/** An instruction in words for the director: what to do, never why. */
export function instructionText(advice: Advice): string {
  const { answer, words } = advice;
  const start = answer === 'leave out' ? ['leave out'] : answer === 'ask first' ? ['leave out until a clinician says yes'] : [];
  const all = [...start, ...words, insteadText(advice), notTheseText(advice)].filter((part) => part !== '');
  return all.length > 0 ? all.join('; ') : 'keep an eye on';
}
