import { readAmount, stretchDays, type Rhythm, type Sentence } from '@/core/climb';
import type { Goal } from '@/core/course';
import { formatDose, formatPattern, mustParseDose, mustParsePattern } from '@/core/pattern';
import { addDays, type IsoDate } from '@/core/units';

/**
 * A goal as a climb's sentence says it: where it arrives, how often it grows, by how much, and by when, where that was said.
 * @param start the day the climb begins on
 * @param said the sentence as it was typed: what was worked out is no wish of anybody's
 * @param was the sentence before anything was typed: what stays as it was asks for nothing
 * @example goalAs(goal, { kind: 'minutes', from: '5 min', to: '11 min', step: '1 min', every: '2 weeks', over: '' }, said, was, rhythm, start).dose // "11 min"
 */
export function goalAs(goal: Goal, sentence: Sentence, said: Sentence, was: Sentence, rhythm: Rhythm, start: IsoDate): Goal {
  const { kind } = sentence;
  const days = sentence.every === was.every ? null : stretchDays(sentence.every, rhythm);
  const over = said.over.trim() === '' ? null : stretchDays(said.over, rhythm);
  const to = kind === 'pattern' ? { pattern: formatPattern(mustParsePattern(sentence.to)) } : { dose: doseTo(goal.dose, sentence.to) };
  const minutes = kind === 'minutes' && sentence.step !== was.step ? readAmount(kind, sentence.step) : null;
  return {
    ...goal,
    ...to,
    everyDays: days ?? goal.everyDays ?? null,
    stepMinutes: minutes ?? goal.stepMinutes ?? null,
    by: over === null ? (goal.by ?? null) : addDays(start, over),
  };
}

/** A dose of another size, with all that stands around it. */
function doseTo(dose: string, to: string): string {
  const was = mustParseDose(dose);
  const amount = readAmount(was.kind === 'minutes' ? 'minutes' : 'rounds', to);
  if (amount === null) return dose;
  return was.kind === 'minutes' ? formatDose({ ...was, minutes: amount }) : was.kind === 'rounds' ? formatDose({ ...was, rounds: amount }) : dose;
}
