import type { IsoDate } from '../units';
import { ageConditions, bearsOn, conditionOf, pregnancyDays, screenedUntil } from './conditions';
import { featureName, hasFeature, type Features, type Seen } from './features';
import { SCREENING_LIMITS } from './limits';
import { SHIPPED, type Rulebook } from './rulebook';
import {
  ANSWERS,
  type Answer,
  type ConditionAnswer,
  type ConditionId,
  type Decision,
  type Finding,
  type Parts,
  type Rule,
  type ScreenedPerson,
} from './types';

/** A rule that bears on a person on a date, whatever the technique. */
export interface Bearing {
  readonly rule: Rule;
  readonly condition: string;
  readonly reason: string;
  /** Whether it was said at the door, for this session only: nothing said before removes it. */
  readonly today: boolean;
}

/** What the door questions said, for one session only. */
export interface DoorAnswers {
  readonly acute: boolean;
  readonly blockedNose: boolean;
  readonly meal: 'none' | 'within 2 h' | 'within 3 h';
}

export const NOTHING_TODAY: DoorAnswers = { acute: false, blockedNose: false, meal: 'none' };

/** Why the unscreened floor holds; null when the screening is whole on that date, as far as the rulebook asks. */
export function floorReason(person: ScreenedPerson, date: IsoDate, rulebook: Rulebook = SHIPPED): string | null {
  if (!person.screenedOn) return 'not screened yet';
  if (date > screenedUntil(person.screenedOn)) return 'the screening has run out';
  const open = person.answers.some(({ answer, condition }) => answer !== 'yes' && rulebook.of(condition).length > 0);
  if (open) return 'a question was left open';
  return person.birthDate ? null : 'the birth date is not known';
}

/**
 * The rules that bear on a person on the date of a session. What was answered before still counts when a screening
 * has run out; an open question counts as its condition at its strictest. What a clinician's yes or an override removed
 * is not among them; see {@link setAside}.
 */
export function bearings(person: ScreenedPerson, date: IsoDate, door: DoorAnswers = NOTHING_TODAY, rulebook: Rulebook = SHIPPED): Bearing[] {
  const all = allBearings(person, date, door, rulebook);
  if (person.clearances.length === 0 && person.overrides.length === 0) return all;
  return all.filter((bearing) => removedBy(bearing, person, date) === null);
}

/** A rule that would bear on a person, and who set it aside until when. */
export interface Aside extends Bearing {
  readonly by: 'a clinician' | string;
  readonly reasonGiven: string | null;
  readonly until: IsoDate;
}

/** The rules that a clinician's yes or an override keeps from bearing on a person on a date. */
export function setAside(person: ScreenedPerson, date: IsoDate, rulebook: Rulebook = SHIPPED): Aside[] {
  return allBearings(person, date, NOTHING_TODAY, rulebook).flatMap((bearing) => {
    const removed = removedBy(bearing, person, date);
    return removed ? [{ ...bearing, ...removed }] : [];
  });
}

/** Rules that no override sets aside: what is not known is asked, and today is today. */
const NEVER_ASIDE: readonly ConditionId[] = ['unscreened', 'today acute', 'today meal'];

/** Whether an override may name a rule. */
export function mayBeSetAside(rule: Rule): boolean {
  return !NEVER_ASIDE.includes(rule.condition);
}

/** Whether a clinician's yes bears on a rule: a guardian's consent is a consent, not a clinical answer. */
export function clinicianMayAnswer({ answer, condition }: Pick<Rule, 'answer' | 'condition'>): boolean {
  return answer === 'ask first' && condition !== 'under 16';
}

/** Conditions that follow from an age; where it is not known, they hold because of that. */
const BY_AGE: readonly ConditionId[] = ['under 16', 'over 65'];

function removedBy({ rule, today }: Bearing, person: ScreenedPerson, date: IsoDate): Pick<Aside, 'by' | 'reasonGiven' | 'until'> | null {
  if (person.birthDate === null && BY_AGE.includes(rule.condition)) return null;
  const yes = clinicianMayAnswer(rule) && person.clearances.find(({ rules, on, until }) => rules.includes(rule.id) && on <= date && date <= until);
  if (yes && !today) return { by: 'a clinician', reasonGiven: null, until: yes.until };
  const override = person.overrides.find(({ rules, from, until }) => rules.includes(rule.id) && from <= date && date <= until);
  return override && mayBeSetAside(rule) && !today ? { by: override.by, reasonGiven: override.reason, until: override.until } : null;
}

function allBearings(person: ScreenedPerson, date: IsoDate, door: DoorAnswers, rulebook: Rulebook): Bearing[] {
  const floor = floorReason(person, date, rulebook);
  const answers = [
    ...[...person.answers, ...impliedAnswers(person, date)].map((answer) => ({ answer, today: false })),
    ...doorAnswers(door).map((answer) => ({ answer, today: true })),
  ].filter(({ answer }) => bearsOn(answer, date));
  const own = answers.flatMap(({ answer, today }) => {
    const condition = conditionOf(answer.condition);
    const open = answer.answer === 'yes' ? '' : ` (${answer.answer})`;
    return rulebook
      .of(answer.condition)
      .filter((rule) => holdsIn(rule, answer, person, date))
      .map((rule): Bearing => ({ rule, condition: `${condition.name}${open}`, reason: condition.reason, today }));
  });
  if (!floor) return own;
  const unknown = rulebook.of('unscreened');
  return [...own, ...unknown.map((rule) => ({ rule, condition: floor, reason: 'what is not known is planned for with care', today: false }))];
}

/** Answers that follow from others: age from the birth date, surgery from a surgical birth. */
function impliedAnswers(person: ScreenedPerson, date: IsoDate): ConditionAnswer[] {
  const surgical = person.answers.filter((answer) => answer.condition === 'birth' && (answer.answer !== 'yes' || answer.parts.surgical !== 'no'));
  return [
    ...ageConditions(person.birthDate, date).map((condition) => yes(condition)),
    ...surgical.map((answer): ConditionAnswer => ({ ...answer, condition: 'abdominal surgery', parts: {} })),
  ];
}

const yes = (condition: string, parts: Parts = {}): ConditionAnswer => ({ condition, answer: 'yes', date: null, parts });

function doorAnswers(door: DoorAnswers): ConditionAnswer[] {
  return [
    ...(door.acute ? [yes('today acute')] : []),
    ...(door.blockedNose ? [yes('nose')] : []),
    ...(door.meal === 'none' ? [] : [yes('today meal', { [door.meal]: 'yes' })]),
  ];
}

/** Whether a rule's state holds. An answer left open is taken at its strictest. */
function holdsIn(rule: Rule, answer: ConditionAnswer, person: ScreenedPerson, date: IsoDate): boolean {
  const open = answer.answer !== 'yes';
  // What is not a yes is not controlled; what is not a no is high-risk.
  const controlled = !open && answer.parts.controlled === 'yes';
  switch (rule.only) {
    case null:
      return true;
    case 'controlled':
      return controlled;
    case 'uncontrolled':
      return !controlled;
    case 'from-16w0d':
      return open || answer.date === null || pregnancyDays(answer.date, date) >= SCREENING_LIMITS.notFlatFrom;
    case 'no-consent':
      return person.birthDate !== null && !person.guardianConsent;
    case 'within-2-h':
      return answer.parts['within 2 h'] === 'yes';
    case 'high-risk':
      return open || answer.parts['high-risk'] !== 'no';
  }
}

/**
 * Decides one way of breathing from the rules that bear on a person: the strictest answer, all findings kept, strictest first.
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
      ours: rule.ours,
      option: null,
    }));
  return { answer: strictestOf(findings), findings: sorted(findings) };
}

const sorted = (findings: readonly Finding[]) => [...findings].sort((a, b) => ANSWERS.indexOf(a.answer) - ANSWERS.indexOf(b.answer));

function strictestOf(findings: readonly Finding[]): Answer {
  return ANSWERS[Math.min(ANSWERS.indexOf('clear'), ...findings.map(({ answer }) => ANSWERS.indexOf(answer)))];
}

/** Whether an answer lets a person do a way as it is taught. */
export function permits(answer: Answer): boolean {
  return ANSWERS.indexOf(answer) >= ANSWERS.indexOf('watch');
}

/** The decision of a block whose ways stand side by side. */
export interface BlockDecision extends Decision {
  /** Which way the person does: the first they may do; null where none of them fits. */
  readonly way: number | null;
  /** What screening says of that way alone, or of the room's where none fits. */
  readonly own: Decision;
  /** Names of the ways that they may not do, where there are others. */
  readonly notThese: readonly string[];
}

/**
 * Decides a block: the answer is that of the first way the person may do; where that is not the room's, it is "adapt". What they may
 * not do is named. Where no way fits, the answer is the room's.
 */
export function decideBlock(bearing: readonly Bearing[], ways: readonly Seen[]): BlockDecision {
  const each = ways.map(({ features }) => decide(bearing, features));
  const first = each.findIndex(({ answer }) => permits(answer));
  const own = each[Math.max(0, first)];
  const barred = each.flatMap(({ answer }, index) => (permits(answer) ? [] : [index]));
  const others = barred
    .filter((index) => each[index] !== own)
    .flatMap((index) => each[index].findings.filter(({ answer }) => !permits(answer)).map((finding) => ({ ...finding, option: ways[index].name })));
  return {
    answer: first > 0 ? 'adapt' : own.answer,
    findings: sorted([...own.findings, ...others]),
    way: first < 0 ? null : first,
    own,
    notThese: first < 0 ? [] : barred.map((index) => ways[index].name),
  };
}
