import { taughtAs } from '@/core/conventions';
import { readBlock } from '@/core/plan';
import { bearings, decide, doingText, featureName, featuresOf, hasFeature, openingFor, setAside, type Advice, type Answer } from '@/core/screening';
import { findTechnique, techniqueOf, TECHNIQUES } from '@/core/techniques';
import { addDays, type IsoDate } from '@/core/units';
import { authorise, may } from '../../auth/permissions';
import type { Desk } from '../../desk';
import { cohort, coursesOfCohort, members, recordReading, roster, type Member } from '../../repositories/cohorts';
import { sessionsOf } from '../../repositories/courses';
import { conventions, type Conventions } from '../../repositories/studio';
import { asidesIn } from '../asides';
import { adviceFor, bearingsByDate } from '../setting';
import { standingOf } from './listCohorts';

const USUAL = ['belly', 'equal-4-4', 'longer-4-6', 'alternate-4-4', 'equal-4-4-4', '4-7-8', 'right-in', 'pumps-27'];

export interface CohortQuery {
  readonly date: IsoDate | null;
  /** Every technique of the library, not those of its courses alone. */
  readonly all?: boolean;
  readonly focus: { readonly person: string; readonly technique: string } | null;
}

/**
 * The table of people × techniques for a date. Teachers get the marks and instructions; only the director's focus carries
 * rules and reasons, and opening it is recorded. Front desk gets names and dates.
 */
export async function readCohort(desk: Desk, id: string, query: CohortQuery) {
  authorise(desk.who, 'see cohorts');
  const group = await cohort(desk, id);
  const people = (await roster(desk))
    .filter((person) => person.cohort === id)
    .map((person) => ({ id: person.id, name: person.name, standing: standingOf(person.screenedOn, desk.today) }));
  const courses = (await coursesOfCohort(desk, id)).map((course) => ({ id: course.id, name: course.name }));
  const shown = { group: { id, name: group.name, about: group.about, already: group.already }, people, courses };
  if (!may(desk.who.role, 'see instructions')) return { ...shown, table: null };
  const sessions = await sessionsOf(
    desk,
    courses.map((course) => course.id),
  );
  const next = sessions.find(({ date }) => date >= desk.today);
  const date = query.date ?? next?.date ?? desk.today;
  const [everyone, studio] = await Promise.all([members(desk, id), conventions(desk)]);
  const inCourse = new Set(sessions.flatMap(({ blocks }) => blocks.flatMap((block) => (block.kind === 'technique' ? [block.technique] : []))));
  const usual = inCourse.size > 0 ? [...new Set([...inCourse, 'pumps-27'])] : USUAL;
  const columns = query.all ? TECHNIQUES : usual.map((technique) => techniqueOf(technique));
  const bearing = bearingsByDate(studio.rulebook);
  const reasons = may(desk.who.role, 'see reasons');
  const asked = columns.map(({ id: technique }) => block(technique, studio));
  // Most people share what bears on them, and so their cells are worked out once.
  const known = new Map<string, readonly ReturnType<typeof cellOf>[]>();
  const rows = everyone.map((person) => {
    const rules = bearing(person, date);
    const alike = `${rules.map(({ rule }) => rule.id).join()} ${person.comfort.inhale} ${person.comfort.exhale}`;
    const cells = known.get(alike) ?? asked.map((one) => cellOf(adviceFor(person, rules, one, studio).advice));
    known.set(alike, cells);
    const mayDiffer = reasons && person.screened.clearances.length + person.screened.overrides.length > 0;
    return {
      person: person.id,
      cells: cells.map((cell, index) => ({ ...cell, aside: mayDiffer && asidesIn([person], [asked[index]], date, studio).length > 0 })),
    };
  });
  const focus = query.focus && (await focusOn(desk, everyone, query.focus, date, studio));
  return { ...shown, table: { date, columns: columns.map(({ id: technique, name }) => ({ id: technique, name })), rows, focus: focus ?? null } };
}

function block(technique: string, { tempo, schools }: Conventions) {
  return { id: technique, kind: 'technique', technique, ...taughtAs(techniqueOf(technique), schools), tempo } as const;
}

function cellOf(advice: Advice) {
  return { answer: advice.answer, doing: advice.doing.kind === 'as taught' ? '' : doingText(advice.doing) };
}

async function focusOn(desk: Desk, everyone: readonly Member[], focus: { person: string; technique: string }, date: IsoDate, studio: Conventions) {
  const person = everyone.find((member) => member.id === focus.person);
  const technique = findTechnique(focus.technique);
  if (!person || !technique) return null;
  const asked = block(technique.id, studio);
  const { advice, decision } = adviceFor(person, bearingsByDate(studio.rulebook)(person, date), asked, studio);
  const shown = {
    person: person.id,
    name: person.name,
    technique: technique.id,
    techniqueName: technique.name,
    advice,
    pattern: asked.pattern,
  };
  if (!may(desk.who.role, 'see reasons')) return { ...shown, why: null };
  await recordReading(desk, person.id, `opened ${technique.name}`);
  const read = readBlock(asked, studio.naturalBreath);
  const features = featuresOf(read.pattern, read.dose, read.pace, read.tags);
  const aside = setAside(person.screened, date, studio.rulebook).filter(({ rule }) => hasFeature(features, rule.feature));
  const answerOn = (on: IsoDate) => decide(bearings(person.screened, on, undefined, studio.rulebook), features).answer;
  const opening = openingFor([person], read, date, studio.rulebook);
  const changed = new Set(studio.ruleChanges.flatMap((change) => (change.kind === 'change' ? [change.rule] : [])));
  return {
    ...shown,
    why: {
      findings: decision.findings.map((finding) => ({
        ...finding,
        source: changed.has(finding.ruleId) || finding.ruleId.startsWith('ours ') ? ('studio policy' as const) : ('usual caution' as const),
      })),
      aside: aside.map(({ rule, condition, by, reasonGiven, until }) => ({
        id: rule.id,
        text: `${rule.answer}: ${condition}, for ${featureName(rule.feature)}`,
        by,
        reason: reasonGiven,
        until,
      })),
      next: nextChange(advice.answer, date, answerOn),
      would: opening.clinician.length > 0 ? ('clinician' as const) : opening.form.length > 0 ? ('form' as const) : null,
    },
  };
}

/** How far ahead an answer is looked at. */
const AHEAD_DAYS = 200;

/** The first day on which an answer becomes another, because a date passes. */
function nextChange(now: Answer, from: IsoDate, answerOn: (date: IsoDate) => Answer): { readonly date: IsoDate; readonly answer: Answer } | null {
  for (let days = 1; days <= AHEAD_DAYS; days += 1) {
    const date = addDays(from, days);
    const answer = answerOn(date);
    if (answer !== now) return { date, answer };
  }
  return null;
}
