import { RISE_SLOWLY, type InStep } from '../screening';
import { insteadText, notTheseText, type Instruction } from './instructions';

/**
 * An instruction as teachers get it: what to do, and nothing from which a condition could be worked out. Whether something is
 * left out or waits for a clinician reads the same.
 */
export interface Told {
  readonly block: string;
  readonly mark: 'not this' | 'adapt' | 'watch';
  readonly text: string;
  readonly inStep: InStep | null;
}

/** What somebody is told of a session; nothing of what everybody is told. @example toldTo(instructions)[0].text // "not this; natural breath instead" */
export function toldTo(instructions: readonly Instruction[]): readonly Told[] {
  return instructions.filter(({ advice }) => !advice.asEverybody).map(toldOf);
}

function toldOf(instruction: Instruction): Told {
  const { block, answer, advice, inStep } = instruction;
  if (answer === 'leave out' || answer === 'ask first') {
    // What is not done needs no adaptation of its breath; seat, eyes and movement hold whatever is breathed instead.
    const text = ['not this', ...advice.posture, insteadText(advice)].filter((part) => part !== '').join('; ');
    return { block, mark: 'not this', text, inStep };
  }
  // Where it is said what to breathe, what it has not would say why; and what everybody does is said to everybody.
  const instead = insteadText(advice);
  const words = instead === '' ? advice.words.filter((word) => word !== RISE_SLOWLY) : advice.staying;
  const all = [...words, instead, notTheseText(advice)].filter((part) => part !== '');
  return { block, mark: answer === 'clear' ? 'adapt' : answer, text: all.length > 0 ? all.join('; ') : 'keep an eye on', inStep };
}
