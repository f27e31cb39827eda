import type { EntityManager } from '../src/server/db/orm';
import { v7 as newId } from 'uuid';
import { SHIPPED_LIBRARY } from '../src/core/library';
import { addDays, dateIn, instantIn, mondayOf, weekday, type IsoDate } from '../src/core/units';
import type { Staff } from '../src/server/auth/actors';
import { deskFor, type Desk } from '../src/server/desk';
import { addCohort } from '../src/server/usecases/cohorts/addCohort';
import { sendForms } from '../src/server/usecases/people/links';
import { makeOverride, recordClinician } from '../src/server/usecases/people/setAsideRules';
import { addPerson } from '../src/server/usecases/cohorts/addPerson';
import { createCourse } from '../src/server/usecases/courses/createCourse';
import { draftCourse } from '../src/server/usecases/courses/draftCourse';
import { publishPlan } from '../src/server/usecases/plans/publishPlan';
import { openStudio } from '../src/server/usecases/studio/openStudio';
import { addClosure } from '../src/server/usecases/studio/changeStudio';
import { acknowledgePlan } from '../src/server/usecases/teach/acknowledgePlan';
import { logClass } from '../src/server/usecases/teach/logClass';
import { members } from '../src/server/repositories/screenings';
import { course, sessionsOf } from '../src/server/repositories/courses';
import { progressOf } from '../src/server/repositories/plans';
import { beginnersSeries, type Then } from './series';
import { BEGINNERS, CHOIR, FERRY_CREW, NEW_PARENTS, OVER_SIXTY, given, wholeForm, type DemoPerson } from './people';
import { DEMO_STAFF } from './staff';

/** The Pellwick Boathouse Studio: invented throughout, built through the use cases, dated around the day it is loaded. */
export async function loadScenario(em: EntityManager, now: Date, zone: string): Promise<void> {
  const today = dateIn(zone, now);
  const name = 'Pellwick Boathouse Studio';
  const all = SHIPPED_LIBRARY.families.map(({ id }) => ({ family: id, since: addDays(today, -400) }));
  const gentle = all.filter(({ family }) => !['connected', 'throat-empty', 'long-square', 'skull-shining', 'comfort-holds'].includes(family));
  const easy = all.filter(({ family }) => ['natural', 'belly', 'deepened', 'equal', 'longer-exhale', 'five-finger'].includes(family));
  const qualified = (who: string, role: string) => (role === 'front desk' ? [] : role !== 'teacher' ? all : who.startsWith('Brid') ? easy : gentle);
  const opened = await openStudio(
    em,
    { name, zone },
    DEMO_STAFF.map((staff) => ({ ...staff, qualifications: qualified(staff.name, staff.role) })),
    newId,
    now,
  );
  const as = (index: number, date?: IsoDate, clock?: string): Promise<Desk> => {
    const { name: staffName, role } = DEMO_STAFF[index];
    const who: Staff = { as: 'staff', id: opened.staff[index], studio: opened.studio, studioName: name, zone, name: staffName, role };
    return deskFor(who, date && clock ? instantIn(zone, date, clock) : now, em.fork());
  };
  const director: Then = (date, clock) => as(0, date, clock);
  const ferry = await cohort(
    await director(),
    today,
    'Ferry crew, early shift',
    'Deckhands and skippers who meet before the first boat.',
    ['equal-4-4', 'longer-3-4'],
    FERRY_CREW,
  );
  const choir = await cohort(
    await director(),
    today,
    'Choir and brass',
    'Singers and players who want longer, calmer phrases.',
    ['equal-4-4', 'longer-4-5', 'throat-sound'],
    CHOIR,
  );
  await cohort(await director(), today, 'Expecting and new parents', 'Gentle mornings, with or without a baby along.', ['belly'], NEW_PARENTS);
  const sixty = await cohort(await director(), today, 'Steady breath over sixty', 'Chairs for everyone, and time.', ['belly'], OVER_SIXTY, 'chair');
  await addClosure(await director(), {
    once: newId(),
    from: addDays(mondayOf(today), 35),
    until: addDays(mondayOf(today), 41),
    reason: 'the boathouse floor is oiled',
  });
  await screeningMatters(await director(addDays(today, -10), '10:00'), ferry, await director());
  await runningCourse(today, director, (date, clock) => as(2, date, clock), {
    name: 'Steady on the early boat',
    cohort: ferry,
    firstDate: addDays(today, -14),
    weeks: 7,
    weekdays: [weekday(today), weekday(addDays(today, 3))],
    start: '05:45',
    minutes: 60,
    teacher: opened.staff[2],
    goals: [goal('alternate-4-4'), goal('equal-4-4-4'), goal('longer-4-5', { dose: '6 min' }), goal('pumps-27')],
  });
  await runningCourse(
    today,
    director,
    director,
    {
      name: 'Over sixty, seated',
      cohort: sixty,
      firstDate: addDays(today, -13),
      weeks: 8,
      weekdays: [weekday(addDays(today, 1)), weekday(addDays(today, 4))],
      start: '10:30',
      minutes: 45,
      teacher: opened.staff[0],
      goals: [goal('longer-4-5', { dose: '5 min' }), goal('equal-4-4')],
    },
    5,
  );
  await choirCourse(today, choir, opened.staff[1], await director());
  const beginners = await cohort(
    await director(),
    today,
    'Desk-bound beginners',
    'People who sit all day, and begin at home.',
    ['natural', 'belly'],
    BEGINNERS,
  );
  await beginnersSeries(em, today, beginners, opened.staff[1], director);
}

async function cohort(
  desk: Desk,
  today: IsoDate,
  name: string,
  about: string,
  practises: readonly string[],
  people: readonly DemoPerson[],
  seat: 'floor' | 'chair' = 'floor',
): Promise<string> {
  const { id } = await addCohort(desk, { once: newId(), name, about, practises, seat });
  for (const { name: personName, screened, birth, guardian, answers = [] } of people) {
    await addPerson(desk, {
      once: newId(),
      cohort: id,
      name: personName,
      email: `${personName.split(' ')[0].toLowerCase()}@post.example`,
      birthDate: birth,
      screened: screened !== null,
      screenedOn: screened === null ? null : addDays(today, screened),
      guardianConsent: guardian ?? false,
      answers: wholeForm(answers.map((answer) => given(answer, today))),
    });
  }
  return id;
}

const goal = (technique: string, over: { readonly pattern?: string; readonly dose?: string; readonly ready?: number } = {}) => {
  const { pattern, dose } = SHIPPED_LIBRARY.technique(technique);
  return { technique, pattern, dose, practise: 2, ...over };
};

/** A clinician answered for one, something is set aside for another, and a form is on its way to a third. */
async function screeningMatters(before: Desk, ferry: string, desk: Desk): Promise<void> {
  const people = await members(before, ferry);
  const id = (name: string) => people.find((person) => person.name === name)!.id;
  await recordClinician(before, {
    once: newId(),
    person: id('Fenna T.'),
    rules: ['high-blood-pressure.side-work'],
    answeredOn: addDays(before.today, -2),
    until: addDays(before.today, 120),
    note: 'gentle side work is fine while the pressure stays controlled',
  });
  await makeOverride(before, {
    once: newId(),
    person: id('Juno B.'),
    rules: ['panic.eyes-closed'],
    reason: 'asked to keep the eyes closed, and is easy with it',
    until: addDays(before.today, 20),
  });
  await sendForms(desk, { once: newId(), people: [id('Hedy W.')] });
}

/** The versions of a course's sessions, as a page shows them. */
async function seenOf({ em, who, now }: Desk, id: string) {
  const sessions = await sessionsOf(await deskFor(who, now, em), [id]);
  return sessions.map(({ id: session, version }) => ({ session, version }));
}

/** In its third week: what is behind is taught and logged, and what is near is published; read, where it is not today's. */
async function runningCourse(
  today: IsoDate,
  director: Then,
  teaching: Then,
  form: { readonly firstDate: IsoDate; readonly cohort: string; readonly teacher: string } & Readonly<Record<string, unknown>>,
  ahead = 0,
): Promise<void> {
  const { firstDate, teacher } = form;
  const before = () => director(addDays(firstDate, -6), '09:00');
  const planning = await before();
  // Drafted as courses were last autumn.
  const { id } = await createCourse(planning, { ...form, arc: { pace: 'soon', breath: 'usual' }, once: newId() });
  await draftCourse(planning, { course: id, version: 1, seen: await seenOf(planning, id) });
  const sessions = await sessionsOf(await before(), [id]);
  for (const [index, session] of sessions.filter(({ date }) => date <= addDays(today, ahead)).entries()) {
    const desk = await (session.date > today ? director() : director(addDays(session.date, -2), '16:00'));
    await publishPlan(desk, { once: newId(), session: session.id, version: session.version, teacher });
    if (session.date === today) continue;
    const evening = await (session.date > today ? teaching() : teaching(addDays(session.date, -1), '19:30'));
    const plan = (await progressOf(evening, [session.id])).get(session.id)!.plan!;
    await acknowledgePlan(evening, { session: session.id, plan: plan.id });
    if (session.date > today) continue;
    const after = await teaching(session.date, '12:05');
    const people = await members(await director(), (await course(after, id)).cohort);
    await logClass(after, {
      id: newId(),
      session: session.id,
      plan: plan.id,
      reached: 'all of it',
      note: (ahead === 0 ? NOTES[index] : '') ?? '',
      attendance: people.map(({ id: person }, order) => attendance(person, order, ahead === 0 ? index : 1)),
    });
  }
}

const NOTES = [
  'Cold hall, blankets helped.',
  'Two came straight from a night shift; kept it gentle.',
  'Alternate out went well with the hand resting on the knee.',
  '',
];

function attendance(person: string, order: number, session: number) {
  const came = (order * 7 + session * 5) % 6 !== 0;
  const worked = (order + session) % 5 === 0;
  const strained = session === 3 && order === 9;
  return { person, came, effort: strained ? 'strained' : worked ? 'worked' : 'easy', stopSigns: strained ? ['dizziness'] : [] };
}

/** Being drafted: starts next week, with one goal more than fits. */
async function choirCourse(today: IsoDate, cohortId: string, teacher: string, desk: Desk): Promise<void> {
  const form = {
    name: 'Long phrases',
    cohort: cohortId,
    firstDate: addDays(mondayOf(today), 7),
    weeks: 10,
    weekdays: [1, 4],
    start: '18:30',
    minutes: 75,
    teacher,
  };
  const { id } = await createCourse(desk, {
    ...form,
    once: newId(),
    goals: [
      goal('longer-5-6', { dose: '7 min', ready: 80 }),
      goal('4-7-8', { ready: 80 }),
      goal('hissing', { ready: 80 }),
      goal('pumps-27', { ready: 80 }),
    ],
  });
  await draftCourse(desk, { course: id, version: 1, seen: await seenOf(desk, id) });
}
