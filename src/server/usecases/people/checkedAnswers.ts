import { conditionOf, type ConditionAnswer } from '@/core/screening';
import { isoDate, type IsoDate } from '@/core/units';
import type { AnswersInput } from '@/forms';
import { invalid } from '../../errors';
import type { SealedAnswers } from '../../repositories/sealed';

/** Nobody alive was born before it. */
const EARLIEST_BIRTH = '1900-01-01';

/**
 * The answers of a form as they are sealed; dates that cannot be are refused where they stand.
 * @param paper typed in from paper: where nothing was answered, nobody was asked
 * @param asked the conditions the studio's rules use: what was passed over of them is not a no
 */
export function checkedAnswers(
  { birthDate, guardianConsent, answers }: AnswersInput,
  today: IsoDate,
  asked: readonly string[],
  paper = false,
): SealedAnswers {
  if (birthDate && birthDate > today) throw invalid({ field: 'birthDate', message: 'This birth date lies in the future.' });
  if (birthDate && birthDate < EARLIEST_BIRTH) throw invalid({ field: 'birthDate', message: 'This birth date lies before 1900.' });
  if (paper && answers.length === 0)
    throw invalid({
      field: 'answers',
      message: 'No question was answered, so this is no form. Answer what was asked, or add the person without one.',
    });
  const kept = new Map<string, ConditionAnswer>(
    asked.map((condition) => [condition, { condition, answer: 'prefer not to say', date: null, parts: {} }]),
  );
  const no = new Set<string>();
  for (const { condition, answer, date, parts } of answers) {
    const { date: dated, parts: known } = conditionOf(condition);
    const past = dated?.withinDays !== null && date !== null && date > today;
    if (dated && past) throw invalid({ field: `answers.${condition}`, message: `${dated.label}: this lies in the future.` });
    kept.delete(condition);
    no.delete(condition);
    const day = answer === 'yes' && dated && date ? isoDate(date) : null;
    const said =
      answer === 'yes' ? Object.fromEntries(known.flatMap(({ id }) => parts.filter((part) => part.id === id).map((part) => [id, part.said]))) : {};
    if (answer === 'no') no.add(condition);
    else kept.set(condition, { condition, answer, date: day, parts: said });
  }
  return { birthDate: birthDate ?? null, guardianConsent, answers: [...kept.values()], no: [...no] };
}
