import { addDays, ageOn, daysBetween, type IsoDate } from '../units';
import { SCREENING_LIMITS } from './limits';
import type { ConditionAnswer, ConditionId } from './types';

/** A condition that is asked about, in plain words, and when it bears on a date. */
export interface Condition {
  readonly id: ConditionId;
  readonly name: string;
  /** The question of the screening form. Conditions worked out or asked at the door have none. */
  readonly question: string | null;
  /** Why breathing exercises are affected; shown to the director with every finding. */
  readonly reason: string;
  readonly date: { readonly label: string; readonly withinDays: number | null } | null;
  /** Parts of the question, answered by themselves once the answer is yes. */
  readonly parts: readonly { readonly id: string; readonly label: string }[];
}

type Extra = Partial<Pick<Condition, 'date' | 'parts'>>;
const ask = (id: string, name: string, question: string, reason: string, extra: Extra = {}): Condition => ({
  id,
  name,
  question,
  reason,
  date: null,
  parts: [],
  ...extra,
});
const derived = (id: string, name: string, reason: string): Condition => ({ id, name, question: null, reason, date: null, parts: [] });

/** Usual cautions gathered for planning. Have the rulebook read by a licensed professional before real use. */
export const CONDITIONS: readonly Condition[] = [
  ask('pregnancy', 'pregnancy', 'Are you pregnant?', 'holding, pumping and pressure on the belly are avoided in pregnancy', {
    date: { label: 'Due date', withinDays: null },
    parts: [{ id: 'high-risk', label: 'Has it been described to you as high-risk?' }],
  }),
  ask('birth', 'birth in the last 12 weeks', 'Have you given birth in the last 12 weeks?', 'belly and pelvic floor are still healing', {
    date: { label: 'Date of birth of the child', withinDays: SCREENING_LIMITS.twelveWeeks },
    parts: [{ id: 'surgical', label: 'Was it by surgery?' }],
  }),
  ask('high blood pressure', 'high blood pressure', 'Do you have high blood pressure?', 'holding raises pressure in the chest and in the head', {
    parts: [{ id: 'controlled', label: 'Is it measured and controlled?' }],
  }),
  ask(
    'low blood pressure',
    'low blood pressure or fainting',
    'Do you have low blood pressure, or do you faint?',
    'slow breathing and holds can lower the pressure further',
  ),
  ask(
    'heart',
    'heart condition, pacemaker or stent',
    'Do you have a heart condition, a pacemaker or a stent?',
    'holds and quick breathing change the load on the heart',
  ),
  ask('epilepsy', 'epilepsy or seizures', 'Have you had epilepsy or seizures?', 'quick breathing can bring on a seizure'),
  ask('stroke', 'stroke or aneurysm', 'Have you had a stroke or an aneurysm?', 'holds change the pressure in the head'),
  ask('hernia', 'hernia', 'Do you have a hernia?', 'pumping and locks press on the belly wall'),
  ask(
    'abdominal surgery',
    'abdominal surgery in the last 6 months',
    'Have you had surgery on the belly in the last 6 months?',
    'pumping and locks press on the belly wall',
    {
      date: { label: 'Date of the surgery', withinDays: SCREENING_LIMITS.sixMonths },
    },
  ),
  ask('back', 'slipped disc or back injury', 'Do you have a slipped disc or an injured back?', 'pumping and long floor sitting load the lower back'),
  ask('neck', 'neck trouble', 'Do you have trouble with your neck?', 'the chin lock and circles load the neck'),
  ask('eyes', 'glaucoma or detached retina', 'Do you have glaucoma or a detached retina?', 'holding raises the pressure in the eyes'),
  ask(
    'eye surgery',
    'eye surgery in the last 12 weeks',
    'Have you had eye surgery in the last 12 weeks?',
    'holding raises the pressure in the eyes',
    {
      date: { label: 'Date of the surgery', withinDays: SCREENING_LIMITS.twelveWeeks },
    },
  ),
  ask(
    'lungs',
    'asthma or chronic lung disease',
    'Do you have asthma or another lasting lung disease?',
    'quick, cold or mouth breathing and empty holds can tighten the airways',
  ),
  ask('lung collapse', 'past lung collapse', 'Have you ever had a collapsed lung?', 'holds and resistance change the pressure in the chest'),
  ask(
    'ear or sinus surgery',
    'ear or sinus surgery in the last 6 months',
    'Have you had ear or sinus surgery in the last 6 months?',
    'holds and resistance change the pressure in ears and sinuses',
    {
      date: { label: 'Date of the surgery', withinDays: SCREENING_LIMITS.sixMonths },
    },
  ),
  ask(
    'chest surgery',
    'chest surgery in the last 6 months',
    'Have you had surgery on the chest in the last 6 months?',
    'the chest needs its own time to heal',
    {
      date: { label: 'Date of the surgery', withinDays: SCREENING_LIMITS.sixMonths },
    },
  ),
  ask('panic', 'panic or strong anxiety', 'Do you have panic attacks or strong anxiety?', 'air hunger and quick breathing can set off panic'),
  ask(
    'trauma',
    'trauma history',
    'Is there a trauma that closed eyes, touch or breath holding can bring back?',
    'choice and open eyes keep people safe',
  ),
  ask(
    'psychosis',
    'psychosis, bipolar or dissociation',
    'Have you had psychosis, bipolar disorder or dissociation?',
    'strong breathing and long stillness can unsettle',
  ),
  ask('migraine', 'migraine or vertigo', 'Do you have migraine or vertigo?', 'quick breathing and head movement can bring on an attack'),
  ask(
    'nose',
    'blocked nose, cold or recent nosebleed',
    'Is your nose often blocked, or have you had a nosebleed in the last 7 days?',
    'a closed side leaves too little air',
  ),
  ask('reflux', 'reflux or ulcer', 'Do you have reflux or an ulcer?', 'pressure on the stomach and lying flat bring acid up'),
  ask('diabetes', 'insulin-treated diabetes', 'Do you take insulin?', 'strong breathing can hide or bring on a low'),
  ask('sickle cell', 'sickle cell', 'Do you have sickle cell disease?', 'low oxygen can bring on a crisis'),
  ask('falls', 'falls', 'Have you fallen in the last year?', 'light heads and floor seats make falls likelier'),
  ask(
    'other',
    'another condition under treatment',
    'Are you under treatment for anything else?',
    'only the treating clinician knows how it bears on breathing',
  ),
  derived('under 16', 'under 16', 'young people practise gently and with a guardian’s consent'),
  derived('over 65', 'over 65', 'light heads and floor seats make falls likelier'),
  derived('today acute', 'unwell today', 'today the body has other work to do'),
  derived('today meal', 'a meal within the last hours', 'pumping on a full stomach makes people sick'),
];

const byId = new Map(CONDITIONS.map((condition) => [condition.id, condition]));

export function conditionOf(id: ConditionId): Condition {
  const found = byId.get(id);
  if (!found) throw new Error(`No such condition: ${id}`);
  return found;
}

/** The conditions the screening form asks about. */
export const ASKED = CONDITIONS.filter((condition) => condition.question !== null);

/** The conditions that a rule of a rulebook uses; nothing else needs to be asked. */
export function askedIn(rulebook: { readonly of: (condition: ConditionId) => readonly unknown[] }): readonly ConditionId[] {
  return ASKED.map(({ id }) => id).filter((id) => rulebook.of(id).length > 0);
}

/** Whether what was answered still bears on a date: a dated condition ends after its days, the last one included. */
export function bearsOn(answer: ConditionAnswer, date: IsoDate): boolean {
  const within = conditionOf(answer.condition).date?.withinDays ?? null;
  if (within === null || answer.date === null || answer.answer !== 'yes') return true;
  return daysBetween(answer.date, date) <= within;
}

/** Completed days of pregnancy on a date, 280 at the due date. */
export function pregnancyDays(dueDate: IsoDate, date: IsoDate): number {
  return 280 - daysBetween(date, dueDate);
}

/** Conditions that follow from the birth date. */
export function ageConditions(birthDate: IsoDate | null, date: IsoDate): ConditionId[] {
  // Of an unknown age both rows hold.
  if (!birthDate) return ['under 16', 'over 65'];
  const age = ageOn(birthDate, date);
  return age < SCREENING_LIMITS.grownAt ? ['under 16'] : age >= SCREENING_LIMITS.olderFrom ? ['over 65'] : [];
}

/** The last date on which a screening counts, six months by default. @example screenedUntil(isoDate('2026-05-25')) */
export function screenedUntil(screenedOn: IsoDate): IsoDate {
  return addDays(screenedOn, SCREENING_LIMITS.validDays);
}
