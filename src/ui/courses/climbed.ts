import { stretchDays, type Rhythm, type Sentence } from '@/core/climb';
import type { Goal } from '@/core/course';
import { formatDose, formatPattern, mustParseDose, mustParsePattern, parseDose } from '@/core/pattern';
import { addDays, type IsoDate } from '@/core/units';

/**
 * A goal as a climb's sentence says it: where it arrives, how often it grows, by how much, and by when, where that was said.
 * @param start the day the climb begins on
 * @param said the sentence as it was typed: what was worked out is no wish of anybody's
 * @example goalAs(goal, { kind: 'minutes', from: '5 min', to: '11 min', step: '1 min', every: '2 weeks', over: '' }, said, rhythm, start).dose // "11 min"
 */
export function goalAs(goal: Goal, sentence: Sentence, said: Sentence, rhythm: Rhythm, start: IsoDate): Goal {
  const { kind } = sentence;
  const days = stretchDays(sentence.every, rhythm);
  const over = said.over.trim() === '' ? null : stretchDays(said.over, rhythm);
  const to = kind === 'pattern' ? { pattern: formatPattern(mustParsePattern(sentence.to)) } : { dose: doseTo(goal.dose, sentence.to) };
  const step = kind === 'minutes' ? parseDose(sentence.step) : null;
  const minutes = step?.ok && step.value.kind === 'minutes' ? step.value.minutes : null;
  return {
    ...goal,
    ...to,
    everyDays: days && days > (kind === 'pattern' ? 0 : 7) ? days : null,
    stepMinutes: minutes !== null && minutes !== 1 ? minutes : null,
    by: over === null ? (goal.by ?? null) : addDays(start, over),
  };
}

/** A dose of another size, with all that stands around it. */
function doseTo(dose: string, to: string): string {
  const [was, is] = [mustParseDose(dose), parseDose(/^\d+(?:[.,]\d+)?$/.test(to.trim()) ? `${to.trim()} min` : to)];
  if (was.kind === 'minutes' && is.ok && is.value.kind === 'minutes') return formatDose({ ...was, minutes: is.value.minutes });
  const rounds = Number(/\d+/.exec(to)?.[0]);
  return was.kind === 'rounds' && rounds ? formatDose({ ...was, rounds }) : dose;
}
