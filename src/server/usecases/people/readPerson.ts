import { bearings, clinicianMayAnswer, conditionOf, featureName, mayBeSetAside, setAside, standingOf } from '@/core/screening';
import { isoDate, timeIn } from '@/core/units';
import { whyForm } from '@/forms';
import type { BearingLine, OpenedAnswers, PersonView } from '@/views/person';
import { authorise, may } from '../../auth/permissions';
import { checked } from '../../checked';
import { inOne, type Desk } from '../../desk';
import { cohort, cohorts } from '../../repositories/cohorts';
import { linksOf } from '../../repositories/links';
import { person } from '../../repositories/people';
import { member, openOverride, overridesOf, recordReading, screeningsOf } from '../../repositories/screenings';
import { staffNames } from '../../repositories/staff';
import { conventions } from '../../repositories/studio';

/** A person without anything of their health: what director and front desk see. */
export async function readPerson(desk: Desk, id: string): Promise<PersonView> {
  authorise(desk.who, 'add people');
  const row = await person(desk, id);
  const [group, groups, screenings, [link], nameOf] = await Promise.all([
    cohort(desk, row.cohort),
    cohorts(desk),
    screeningsOf(desk, id),
    linksOf(desk, id),
    staffNames(desk),
  ]);
  const latest = screenings[0] ? isoDate(screenings[0].screenedOn) : null;
  return {
    person: {
      id,
      version: row.version,
      name: row.name,
      email: row.email ?? '',
      cohort: row.cohort,
      comfortIn: row.comfortIn ?? null,
      comfortOut: row.comfortOut ?? null,
      leftOn: row.leftOn ? isoDate(row.leftOn) : null,
    },
    cohort: { id: group.id, name: group.name },
    cohorts: groups.map((one) => ({ id: one.id, name: one.name })),
    standing: standingOf(latest, desk.today),
    screenings: screenings.map(({ screenedOn, source, enteredBy }) => ({
      screenedOn: isoDate(screenedOn),
      source,
      by: enteredBy ? nameOf(enteredBy) : null,
    })),
    link: link ? { sentAt: link.madeAt, state: link.usedAt ? 'answered' : link.expiresAt <= desk.now ? 'run out' : 'waiting' } : null,
    mayReason: may(desk.who.role, 'see reasons'),
    today: desk.today,
  };
}

/** Everything of a person's health that the director may read; opening it is recorded with the reason given. */
export async function openAnswers(desk: Desk, input: unknown): Promise<OpenedAnswers> {
  authorise(desk.who, 'see reasons');
  const { person: id, why } = await checked(whyForm, input);
  const of = await member(desk, id);
  const { rulebook, zone } = await conventions(desk);
  await inOne(desk, (at) => recordReading(at, id, `read the answers: ${why}`));
  const { wrappedKey } = await person(desk, id);
  const lines = bearings(of.screened, desk.today, undefined, rulebook).map(({ rule, condition, reason }): BearingLine => ({
    id: rule.id,
    answer: rule.answer,
    condition,
    feature: featureName(rule.feature),
    reason,
    source: rule.ours ? 'studio policy' : 'usual caution',
    askable: clinicianMayAnswer(rule),
    settable: mayBeSetAside(rule),
  }));
  return {
    screenedOn: of.screened.screenedOn,
    birthDate: of.screened.birthDate,
    guardianConsent: of.screened.guardianConsent,
    unreadable: of.unreadable,
    answers: of.screened.answers.map(({ condition, answer, date, parts }) => ({
      question: conditionOf(condition).question ?? conditionOf(condition).name,
      answer,
      date,
      dateLabel: conditionOf(condition).date?.label ?? null,
      parts: answer === 'yes' ? conditionOf(condition).parts.map(({ id: part, label }) => ({ question: label, said: parts[part] ?? null })) : [],
    })),
    rules: [...new Map(lines.map((line) => [line.id, line])).values()],
    aside: setAside(of.screened, desk.today, rulebook).map(({ rule, condition, by, reasonGiven, until }) => ({
      id: rule.id,
      text: `${condition}, ${featureName(rule.feature)}: ${rule.answer}`,
      by,
      reason: reasonGiven,
      until,
    })),
    clinicians: of.screened.clearances,
    overrides: of.unreadable
      ? []
      : (await overridesOf(desk, [id])).map((one) => ({
          id: one.id,
          reason: openOverride(desk, wrappedKey, one).reason,
          by: one.by,
          from: one.from,
          until: one.until,
          running: one.ended === null && one.until >= desk.today,
        })),
    readAt: timeIn(zone, desk.now),
  };
}
