import { taughtAs } from '@/core/conventions';
import { adviceFor, asidesIn, bearingsByDate, seenIn, type Member } from '@/core/instructions';
import { readBlock, techniquesIn } from '@/core/plan';
import {
  bearings,
  decideBlock,
  doingText,
  featureName,
  hasFeature,
  openingFor,
  SCREENING_LIMITS,
  setAside,
  standingOf,
  type Advice,
  type Answer,
} from '@/core/screening';
import { addDays, type IsoDate } from '@/core/units';
import type { CellFocusView, CohortView, OwnClass } from '@/views/cohort';
import { authorise, may } from '../../auth/permissions';
import { inOne, type Desk } from '../../desk';
import { cohort } from '../../repositories/cohorts';
import { coursesOfCohort, sessionsOf } from '../../repositories/courses';
import { rosterOf } from '../../repositories/people';
import { members, recordReading } from '../../repositories/screenings';
import type { Conventions } from '../../repositories/studio';
import { houseOf } from '../setting';
import { myClasses } from '../teach/myClasses';

const USUAL = ['belly', 'equal-4-4', 'longer-4-6', 'alternate-4-4', 'equal-4-4-4', '4-7-8', 'right-in', 'pumps-27'];

export interface CohortQuery {
  readonly date: IsoDate | null;
  /** Every technique of the library, not those of its courses alone. */
  readonly all?: boolean;
  readonly focus: { readonly person: string; readonly technique: string } | null;
}

/**
 * A cohort. The director has the table of people × techniques for a date, and opening a cell is recorded. Teachers have names and
 * the classes in their hands, where it says what to do; front desk has names and dates.
 */
export async function readCohort(desk: Desk, id: string, query: CohortQuery): Promise<CohortView> {
  authorise(desk.who, 'see cohorts');
  const group = await cohort(desk, id);
  const { role } = desk.who;
  const reasons = may(role, 'see reasons');
  const everyone = reasons ? await members(desk, id) : [];
  const people = (await rosterOf(desk, id)).map((person) => ({
    id: person.id,
    name: person.name,
    standing: may(role, 'add people') ? standingOf(person.screenedOn, desk.today) : null,
    unreadable: everyone.some((one) => one.id === person.id && one.unreadable),
  }));
  const courses = (await coursesOfCohort(desk, id)).map((course) => ({ id: course.id, name: course.name }));
  const shown = { group: { id, name: group.name, about: group.about }, people, courses };
  if (!reasons) return { ...shown, table: null, classes: may(role, 'teach') ? await ownClasses(desk, courses) : [] };
  const sessions = await sessionsOf(
    desk,
    courses.map((course) => course.id),
  );
  const date = query.date ?? sessions.find((session) => session.date >= desk.today)?.date ?? desk.today;
  const studio = await houseOf(desk, id);
  const inCourse = new Set(sessions.flatMap(({ blocks }) => techniquesIn(blocks).map(({ technique }) => technique)));
  const usual = inCourse.size > 0 ? [...new Set([...inCourse, 'pumps-27'])] : USUAL;
  const columns = query.all ? studio.library.techniques : usual.map((technique) => studio.library.technique(technique));
  const bearing = bearingsByDate(studio.rulebook);
  const asked = columns.map(({ id: technique }) => block(technique, studio));
  // Most people share what bears on them, and so their cells are worked out once.
  const known = new Map<string, readonly ReturnType<typeof cellOf>[]>();
  const rows = everyone.map((person) => {
    const rules = bearing(person, date);
    const alike = `${rules.map(({ rule }) => rule.id).join()} ${person.comfort.inhale} ${person.comfort.exhale}`;
    const cells = known.get(alike) ?? asked.map((one) => cellOf(adviceFor(person, rules, one, studio).advice));
    known.set(alike, cells);
    const mayDiffer = person.screened.clearances.length + person.screened.overrides.length > 0;
    return {
      person: person.id,
      cells: cells.map((cell, index) => ({ ...cell, aside: mayDiffer && asidesIn([person], [asked[index]], date, studio).length > 0 })),
    };
  });
  const focus = query.focus && (await focusOn(desk, everyone, query.focus, date, studio));
  const table = { date, columns: columns.map(({ id: technique, name }) => ({ id: technique, name })), rows, focus };
  return { ...shown, table, classes: [] };
}

async function ownClasses(desk: Desk, courses: readonly { readonly id: string }[]): Promise<OwnClass[]> {
  const own = new Set(courses.map(({ id }) => id));
  return (await myClasses(desk))
    .filter(({ courseId, date }) => own.has(courseId) && date >= desk.today)
    .map(({ id, date, start, course }) => ({ id, date, start, course }));
}

function block(technique: string, { tempo, schools, library }: Conventions) {
  return { id: technique, kind: 'technique', technique, ...taughtAs(library.technique(technique), schools), tempo } as const;
}

function cellOf(advice: Advice) {
  return { answer: advice.answer, doing: advice.doing.kind === 'as taught' ? '' : doingText(advice.doing) };
}

async function focusOn(
  desk: Desk,
  everyone: readonly Member[],
  focus: { readonly person: string; readonly technique: string },
  date: IsoDate,
  studio: Conventions,
): Promise<CellFocusView | null> {
  const person = everyone.find((member) => member.id === focus.person);
  const technique = studio.library.find(focus.technique);
  if (!person || !technique) return null;
  const asked = block(technique.id, studio);
  const { advice, decision } = adviceFor(person, bearingsByDate(studio.rulebook)(person, date), asked, studio);
  await inOne(desk, (at) => recordReading(at, person.id, `opened ${technique.name}`));
  const read = readBlock(asked, studio);
  const ways = seenIn(read);
  const aside = setAside(person.screened, date, studio.rulebook).filter(({ rule }) =>
    ways.some(({ features }) => hasFeature(features, rule.feature)),
  );
  const answerOn = (on: IsoDate) => decideBlock(bearings(person.screened, on, undefined, studio.rulebook), ways).answer;
  const opening = openingFor([person], read, date, studio.rulebook);
  return {
    person: person.id,
    name: person.name,
    technique: technique.id,
    techniqueName: technique.name,
    advice,
    pattern: asked.pattern,
    why: {
      findings: decision.findings.map((finding) => ({ ...finding, source: finding.ours ? 'studio policy' : 'usual caution' })),
      aside: aside.map(({ rule, condition, by, reasonGiven, until }) => ({
        id: rule.id,
        text: `${rule.answer}: ${condition}, for ${featureName(rule.feature)}`,
        by,
        reason: reasonGiven,
        until,
      })),
      next: nextChange(advice.answer, date, answerOn),
      would: opening.clinician.length > 0 ? 'clinician' : opening.form.length > 0 ? 'form' : null,
    },
  };
}

/** The first day on which an answer becomes another, because a date passes. */
function nextChange(now: Answer, from: IsoDate, answerOn: (date: IsoDate) => Answer): { readonly date: IsoDate; readonly answer: Answer } | null {
  for (let days = 1; days <= SCREENING_LIMITS.lookAheadDays; days += 1) {
    const date = addDays(from, days);
    const answer = answerOn(date);
    if (answer !== now) return { date, answer };
  }
  return null;
}
