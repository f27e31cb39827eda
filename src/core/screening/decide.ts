import type { IsoDate } from '../units';
import { ageConditions, bearsOn, conditionOf, pregnancyDays, screenedUntil } from './conditions';
import { featureName, hasFeature, type Features } from './features';
import { RULEBOOK } from './rulebook';
import { ANSWERS, type ConditionAnswer, type Decision, type Finding, type Rule, type ScreenedPerson } from './types';

/** A rule that bears on a person on a date, whatever the technique. */
export interface Bearing {
  readonly rule: Rule;
  readonly condition: string;
  readonly reason: string;
}

/** What the door questions said, for one session only. */
export interface DoorAnswers {
  readonly acute: boolean;
  readonly blockedNose: boolean;
  readonly meal: 'none' | 'within 2 h' | 'within 3 h';
}

export const NOTHING_TODAY: DoorAnswers = { acute: false, blockedNose: false, meal: 'none' };

/** Why the unscreened floor holds; null when the screening is whole on that date. */
export function floorReason(person: ScreenedPerson, date: IsoDate): string | null {
  if (!person.screenedOn) return 'not screened yet';
  if (date > screenedUntil(person.screenedOn)) return 'the screening has run out';
  return person.answers.some((answer) => answer.answer !== 'yes' && bearsOn(answer, date)) ? 'a question was left open' : null;
}

/**
 * The rules that bear on a person on the date of a session. What was answered before still counts when a screening
 * has run out; an open question counts as its condition at its strictest.
 */
export function bearings(person: ScreenedPerson, date: IsoDate, door: DoorAnswers = NOTHING_TODAY): Bearing[] {
  const floor = floorReason(person, date);
  const answers = [...person.answers, ...impliedAnswers(person, date, door)].filter((answer) => bearsOn(answer, date));
  const own = answers.flatMap((answer) => {
    const condition = conditionOf(answer.condition);
    const open = answer.answer === 'yes' ? '' : ` (${answer.answer})`;
    return RULEBOOK.filter((rule) => rule.condition === answer.condition && holdsIn(rule, answer, person, date)).map((rule) => ({
      rule,
      condition: `${condition.name}${open}`,
      reason: condition.reason,
    }));
  });
  if (!floor) return own;
  return [
    ...own,
    ...RULEBOOK.filter((rule) => rule.condition === 'unscreened').map((rule) => ({
      rule,
      condition: floor,
      reason: 'what is not known is planned for with care',
    })),
  ];
}

/** Answers that follow from others: age from the birth date, surgery from a surgical birth, the day from the door. */
function impliedAnswers(person: ScreenedPerson, date: IsoDate, door: DoorAnswers): ConditionAnswer[] {
  const yes = (condition: string, states: readonly string[] = [], on: IsoDate | null = null): ConditionAnswer => ({
    condition,
    answer: 'yes',
    date: on,
    states,
  });
  const surgical = person.answers.filter((answer) => answer.condition === 'birth' && (answer.answer !== 'yes' || answer.states.includes('surgical')));
  return [
    ...ageConditions(person.birthDate, date).map((condition) => yes(condition)),
    ...surgical.map((answer): ConditionAnswer => ({ ...answer, condition: 'abdominal surgery', states: [] })),
    ...(door.acute ? [yes('today acute')] : []),
    ...(door.blockedNose ? [yes('nose')] : []),
    ...(door.meal === 'none' ? [] : [yes('today meal', [door.meal])]),
  ];
}

/** Whether a rule's state holds. An answer left open is taken at its strictest. */
function holdsIn(rule: Rule, answer: ConditionAnswer, person: ScreenedPerson, date: IsoDate): boolean {
  const open = answer.answer !== 'yes';
  const controlled = !open && answer.states.includes('controlled');
  switch (rule.only) {
    case null:
      return true;
    case 'controlled':
      return controlled;
    case 'uncontrolled or not known':
      return !controlled;
    case 'from 16w0d':
      return open || answer.date === null || pregnancyDays(answer.date, date) >= 112;
    case 'without a guardian’s consent':
      return !person.guardianConsent;
    default:
      return open || answer.states.includes(rule.only);
  }
}

/**
 * Decides one technique from the rules that bear on a person: the strictest answer, all findings kept, strictest first.
 * @example decide(bearings(person, date), featuresOf(pattern, dose, pace)).answer // "adapt"
 */
export function decide(bearing: readonly Bearing[], features: Features): Decision {
  const findings = bearing
    .filter(({ rule }) => hasFeature(features, rule.feature))
    .map(({ rule, condition, reason }): Finding => ({
      ruleId: rule.id,
      answer: rule.answer,
      condition,
      feature: featureName(rule.feature),
      reason,
      adaptation: rule.adaptation,
      note: rule.note,
    }))
    .sort((a, b) => ANSWERS.indexOf(a.answer) - ANSWERS.indexOf(b.answer));
  return { answer: findings[0]?.answer ?? 'clear', findings };
}
