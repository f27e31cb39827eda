import type { InStep } from '../screening';
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

/** @example toldOf(instruction).text // "not this; natural breath instead" */
export function toldOf(instruction: Instruction): Told {
  const { block, answer, advice, inStep } = instruction;
  if (answer === 'leave out' || answer === 'ask first') {
    // What is not done needs no adaptation of its breath; seat, eyes and movement hold whatever is breathed instead.
    const text = ['not this', ...advice.posture, insteadText(advice)].filter((part) => part !== '').join('; ');
    return { block, mark: 'not this', text, inStep };
  }
  const all = [...advice.words, insteadText(advice), notTheseText(advice)].filter((part) => part !== '');
  return { block, mark: answer === 'clear' ? 'adapt' : answer, text: all.length > 0 ? all.join('; ') : 'keep an eye on', inStep };
}
