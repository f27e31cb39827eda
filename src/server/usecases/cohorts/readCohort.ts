import { taughtAs } from '@/core/conventions';
import { doingText, type Advice, type Finding } from '@/core/screening';
import { findTechnique, techniqueOf } from '@/core/techniques';
import type { IsoDate } from '@/core/units';
import { authorise, may } from '../../auth/permissions';
import type { Desk } from '../../desk';
import { cohort, coursesOfCohort, members, recordReading, roster, type Member } from '../../repositories/cohorts';
import { sessionsOf } from '../../repositories/courses';
import { conventions, type Conventions } from '../../repositories/studio';
import { adviceFor, bearingsByDate } from '../setting';
import { standingOf } from './listCohorts';

const USUAL = ['belly', 'equal-4-4', 'longer-4-6', 'alternate-4-4', 'equal-4-4-4', '4-7-8', 'right-in', 'pumps-27'];

export interface CohortQuery {
  readonly date: IsoDate | null;
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
  const columns = (inCourse.size > 0 ? [...new Set([...inCourse, 'pumps-27'])] : USUAL).map((technique) => techniqueOf(technique));
  const bearing = bearingsByDate();
  const rows = everyone.map((person) => ({
    person: person.id,
    cells: columns.map(({ id: technique }) => cellOf(adviceFor(person, bearing(person, date), block(technique, studio), studio).advice)),
  }));
  const focus = query.focus && (await focusOn(desk, everyone, query.focus, date, studio));
  return { ...shown, table: { date, columns: columns.map(({ id: technique, name }) => ({ id: technique, name })), rows, focus } };
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
  const { advice, decision } = adviceFor(person, bearingsByDate()(person, date), block(technique.id, studio), studio);
  const reasons: readonly Finding[] | null = may(desk.who.role, 'see reasons') ? decision.findings : null;
  if (reasons) await recordReading(desk, person.id, `opened ${technique.name}`);
  return {
    person: person.id,
    name: person.name,
    technique: technique.id,
    techniqueName: technique.name,
    advice,
    pattern: taughtAs(technique, studio.schools).pattern,
    reasons,
  };
}
