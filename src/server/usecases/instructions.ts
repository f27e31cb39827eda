import type { Block } from '@/core/plan';
import { doingText, type Advice, type Answer, type DoorAnswers, type InStep } from '@/core/screening';
import type { IsoDate } from '@/core/units';
import type { Member } from '../repositories/cohorts';
import { adviceFor, bearingsByDate, type Pace } from './setting';

/** What a teacher does for a person in one block. Names no condition and no rule. */
export interface Instruction {
  readonly block: string;
  readonly answer: Exclude<Answer, 'clear'>;
  readonly text: string;
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
  blocks: readonly Block[],
  date: IsoDate,
  pace: Pace,
  door?: DoorAnswers,
  known: Known = new Map(),
): ReadonlyMap<string, readonly Instruction[]> {
  const bearing = bearingsByDate(pace.rulebook, door);
  return new Map(
    people.map((person): [string, Instruction[]] => {
      const rules = bearing(person, date);
      const alike = `${rules.map(({ rule }) => rule.id).join()} ${person.comfort.inhale} ${person.comfort.exhale}`;
      return [
        person.id,
        blocks.flatMap((block): Instruction[] => {
          const key = `${block.id} ${alike}`;
          const found = known.get(key) ?? (known.has(key) ? null : instructionOf(adviceFor(person, rules, block, pace).advice, block));
          known.set(key, found);
          return found ? [found] : [];
        }),
      ];
    }),
  );
}

/** Null when there is nothing to say: it is done as taught. */
function instructionOf(advice: Advice, block: Block): Instruction | null {
  if (advice.answer === 'clear') return null;
  const inStep = advice.doing.kind === 'in step' ? advice.doing.inStep : null;
  return { block: block.id, answer: advice.answer, text: instructionText(advice), inStep };
}

/** An instruction in words: what to do, never why. */
export function instructionText({ answer, doing, words }: Advice): string {
  const instead =
    doing.kind === 'as taught'
      ? ''
      : doing.kind === 'natural breath'
        ? 'natural breath instead'
        : doing.kind === 'instead'
          ? `${doingText(doing)} instead`
          : `breathe ${doingText(doing)}`;
  const start = answer === 'leave out' ? ['leave out'] : answer === 'ask first' ? ['leave out until a clinician says yes'] : [];
  const all = [...start, ...words, ...(instead ? [instead] : [])];
  return all.length > 0 ? all.join('; ') : 'keep an eye on';
}
