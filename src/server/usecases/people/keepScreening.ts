import { ASKED } from '@/core/screening';
import { isoDate, type IsoDate } from '@/core/units';
import type { AnswersInput } from '@/forms';
import type { EntityManager } from '../../db/orm';
import { ScreeningRow, type ScreeningSource } from '../../db/rows';
import { invalid } from '../../errors';
import type { Vault } from '../../auth/vault';
import type { SealedAnswers } from '../../repositories/cohorts';

interface Kept {
  readonly studio: string;
  readonly person: string;
  readonly wrappedKey: string;
  readonly screenedOn: IsoDate;
  readonly source: ScreeningSource;
  readonly consent: string | null;
  readonly enteredBy: string | null;
  readonly at: Date;
}

/** Keeps a screening, sealed with the person's own key. Earlier ones stay in the record. */
export async function keepScreening(em: EntityManager, vault: Vault, newId: () => string, kept: Kept, answers: SealedAnswers): Promise<void> {
  const { wrappedKey, at, ...row } = kept;
  await em.insert(ScreeningRow, { id: newId(), ...row, sealed: vault.seal(wrappedKey, JSON.stringify(answers)), enteredAt: at });
}

/** The answers of a form as they are sealed; dates that cannot be are refused where they stand. */
export function checkedAnswers({ birthDate, guardianConsent, answers }: AnswersInput, today: IsoDate): SealedAnswers {
  if (birthDate && birthDate > today) throw invalid({ field: 'birthDate', message: 'This birth date lies in the future.' });
  if (birthDate && birthDate < '1900-01-01') throw invalid({ field: 'birthDate', message: 'This birth date lies before 1900.' });
  const kept = new Map<string, SealedAnswers['answers'][number]>();
  for (const { condition, answer, date, states } of answers) {
    const asked = ASKED.find(({ id }) => id === condition);
    if (!asked) continue;
    const past = asked.date?.withinDays !== null && date !== null && date > today;
    if (asked.date && past) throw invalid({ field: `answers.${condition}`, message: `${asked.date.label}: this lies in the future.` });
    const known = asked.states.filter(({ id }) => states?.includes(id)).map(({ id }) => id);
    kept.set(condition, {
      condition,
      answer,
      date: answer === 'yes' && asked.date && date ? isoDate(date) : null,
      states: answer === 'yes' ? known : [],
    });
  }
  return { birthDate, guardianConsent, answers: [...kept.values()] };
}
