import { readBlock, type NamedBlock } from '../plan';
import { ANSWERS } from '../screening';
import type { IsoDate } from '../units';
import type { House, Member } from './advice';
import { instructionsFor, instructionText, type Instruction } from './instructions';
import { toldTo } from './told';

/** Something a teacher has read in a milder form, or not at all. Names no condition and no rule. */
export interface Stricter {
  readonly name: string;
  readonly block: string;
  readonly text: string;
}

/** What was known of a room at a moment. */
export interface Room {
  readonly people: readonly Member[];
  readonly house: House;
}

/** What became stricter in a class between two moments: in what people do, not in why. */
export function stricterBetween(then: Room, now: Room, blocks: readonly NamedBlock[], date: IsoDate): Stricter[] {
  const [before, after] = [then, now].map(({ people, house }) => instructionsFor(people, blocks, date, house));
  return now.people.flatMap(({ id, name }) =>
    (after.get(id) ?? []).flatMap((one): Stricter[] => {
      const had = before.get(id)?.find(({ block }) => block === one.block);
      const block = blocks.find((each) => each.id === one.block);
      const [told] = toldTo([one]);
      return told && block && isStricter(one, had) ? [{ name, block: readBlock(block, now.house).name, text: told.text }] : [];
    }),
  );
}

/** A stricter answer, or another instruction of the same strictness: a teacher should have read either. */
function isStricter(now: Instruction, then: Instruction | undefined): boolean {
  if (!then) return true;
  if (toldTo([now])[0]?.text === toldTo([then])[0]?.text) return false;
  const [a, b] = [ANSWERS.indexOf(now.answer), ANSWERS.indexOf(then.answer)];
  return a < b || (a === b && instructionText(now.advice) !== instructionText(then.advice));
}
