import { bearings, conditionOf, featureName, mayBeSetAside, setAside, type Answer } from '@/core/screening';
import { isoDate, timeIn } from '@/core/units';
import { whyForm } from '@/forms';
import { authorise, may } from '../../auth/permissions';
import { checked } from '../../checked';
import type { Desk } from '../../desk';
import { readRows } from '../../db/read';
import { LinkRow, ScreeningRow } from '../../db/rows';
import { cohort, cohorts, member, overridesOf, person, recordReading, type SealedOverride } from '../../repositories/cohorts';
import { conventions, ours, staff } from '../../repositories/studio';
import { standingOf } from '../cohorts/listCohorts';

/** A person without anything of their health: what director and front desk see. */
export async function readPerson(desk: Desk, id: string) {
  authorise(desk.who, 'add people');
  const row = await person(desk, id);
  const [group, groups, screenings, links, everyone] = await Promise.all([
    cohort(desk, row.cohort),
    cohorts(desk),
    readRows(
      desk,
      ScreeningRow,
      { person: id, ...ours(desk) },
      { orderBy: { screenedOn: 'desc', enteredAt: 'desc' }, fields: ['screenedOn', 'source', 'enteredBy'] },
    ),
    readRows(desk, LinkRow, { person: id, ...ours(desk) }, { orderBy: { madeAt: 'desc' } }),
    staff(desk),
  ]);
  const latest = screenings[0] ? isoDate(screenings[0].screenedOn) : null;
  const [link] = links;
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
      by: enteredBy ? (everyone.find((one) => one.id === enteredBy)?.name ?? 'somebody who left') : null,
    })),
    link: link && { sentAt: link.madeAt, state: link.usedAt ? 'answered' : link.expiresAt <= desk.now ? 'run out' : 'waiting' },
    mayReason: may(desk.who.role, 'see reasons'),
    today: desk.today,
  };
}

/** A rule that bears on a person today, in words for the director. */
export interface BearingLine {
  readonly id: string;
  readonly answer: Answer;
  readonly condition: string;
  readonly feature: string;
  readonly reason: string;
  readonly source: 'usual caution' | 'studio policy';
  /** Whether a clinician's answer bears on it. */
  readonly askable: boolean;
  readonly settable: boolean;
}

/** Everything of a person's health that the director may read; opening it is recorded with the reason given. */
export async function openAnswers(desk: Desk, input: unknown) {
  authorise(desk.who, 'see reasons');
  const { person: id, why } = await checked(whyForm, input);
  const of = await member(desk, id);
  const { ruleChanges, rulebook } = await conventions(desk);
  await recordReading(desk, id, `read the answers: ${why}`);
  const { wrappedKey } = await person(desk, id);
  const changed = new Set(ruleChanges.flatMap((change) => (change.kind === 'change' ? [change.rule] : [])));
  const lines = bearings(of.screened, desk.today, undefined, rulebook).map(({ rule, condition, reason }): BearingLine => ({
    id: rule.id,
    answer: rule.answer,
    condition,
    feature: featureName(rule.feature),
    reason,
    source: changed.has(rule.id) || rule.id.startsWith('ours ') ? 'studio policy' : 'usual caution',
    askable: rule.answer === 'ask first' && rule.condition !== 'under 16',
    settable: mayBeSetAside(rule),
  }));
  return {
    screenedOn: of.screened.screenedOn,
    birthDate: of.screened.birthDate,
    guardianConsent: of.screened.guardianConsent,
    answers: of.screened.answers.map(({ condition, answer, date, states }) => ({
      question: conditionOf(condition).question ?? conditionOf(condition).name,
      answer,
      date,
      dateLabel: conditionOf(condition).date?.label ?? null,
      states: conditionOf(condition)
        .states.filter((state) => states.includes(state.id))
        .map(({ label }) => label),
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
    overrides: (await overridesOf(desk, [id])).map(({ id: override, sealed, by, from, until, ended }) => ({
      id: override,
      reason: (JSON.parse(desk.vault.open(wrappedKey, sealed)) as SealedOverride).reason,
      by,
      from,
      until,
      running: ended === null && until >= desk.today,
    })),
    readAt: timeIn((await conventions(desk)).zone, desk.now),
  };
}

export type OpenedAnswers = Awaited<ReturnType<typeof openAnswers>>;
