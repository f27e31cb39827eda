import { defineEntity, p } from '@mikro-orm/core';
import type { Goal, Unplaced } from '@/core/course';
import type { Block, NamedBlock, PlanChange } from '@/core/plan';
import type { Attendance, Reached } from '@/core/teach';
import type { HeldReason } from '../kinds';
import { CohortRow } from './people';
import { ofStaff, ofStudio } from './studio';

/** A check that the director accepted: it stays silent until something new changes what it says. */
export interface Accepted {
  readonly key: string;
  readonly reason: string;
  readonly by: string;
  readonly at: string;
}

/** That a class is not held, and why; without a reason it only fell out of what is asked. */
export interface Cancelled {
  readonly reason: string | null;
  readonly by: string;
  readonly at: string;
}

/** A course and those of its classes that a change concerned, as they stood. */
export interface CourseSnapshot {
  readonly version: number;
  readonly course: Readonly<Record<string, unknown>>;
  readonly sessions: readonly {
    readonly id: string;
    readonly version: number;
    readonly date: string;
    readonly start: string;
    readonly minutes: number;
    readonly blocks: readonly Block[];
    readonly cancelled: Cancelled | null;
  }[];
}

export const CourseRow = defineEntity({
  name: 'Course',
  tableName: 'course',
  properties: {
    id: p.uuid().primary(),
    studio: ofStudio(),
    cohort: p.manyToOne(CohortRow).mapToPk().fieldName('cohort'),
    name: p.text(),
    firstDate: p.date(),
    weeks: p.integer(),
    weekdays: p.json<readonly number[]>(),
    start: p.text(),
    minutes: p.integer(),
    teacher: ofStaff('teacher'),
    goals: p.json<readonly Goal[]>(),
    /** What the last draft could not place, as codes; worded where it is shown. */
    unplaced: p.json<readonly Unplaced[]>(),
    /** The director says that the group is settled. */
    settled: p.boolean(),
    /** Checks that were accepted, each with its reason. */
    accepted: p.json<readonly Accepted[]>(),
    /** The course it was copied from. */
    copiedFrom: p.uuid().nullable(),
    removedAt: p.datetime().nullable(),
    version: p.integer().version(),
  },
});

export const SessionRow = defineEntity({
  name: 'ClassSession',
  tableName: 'class_session',
  properties: {
    id: p.uuid().primary(),
    studio: ofStudio(),
    course: p.manyToOne(CourseRow).mapToPk().fieldName('course'),
    date: p.date(),
    start: p.text(),
    minutes: p.integer(),
    blocks: p.json<readonly Block[]>(),
    /** How many versions were published. */
    published: p.integer(),
    cancelled: p.json<Cancelled>().nullable(),
    version: p.integer().version(),
  },
});

/** One change of a course, kept so that it can be taken back. */
export const CourseStepRow = defineEntity({
  name: 'CourseStep',
  tableName: 'course_step',
  properties: {
    id: p.uuid().primary(),
    studio: ofStudio(),
    course: p.manyToOne(CourseRow).mapToPk().fieldName('course'),
    /** What was done, in words. */
    what: p.text(),
    before: p.json<CourseSnapshot>(),
    after: p.json<CourseSnapshot>(),
    /** Whether it took something back. */
    back: p.boolean(),
    madeBy: ofStaff('made_by'),
    madeAt: p.datetime(),
  },
});

const ofSession = () => p.manyToOne(SessionRow).mapToPk().fieldName('session');

export const PlanRow = defineEntity({
  name: 'PlanVersion',
  tableName: 'plan_version',
  properties: {
    id: p.uuid().primary(),
    studio: ofStudio(),
    session: ofSession(),
    number: p.integer(),
    /** With the names they were published with. */
    blocks: p.json<readonly NamedBlock[]>(),
    /** What is different from the version before, as codes; sentences in versions from before codes were kept. */
    changes: p.json<readonly (PlanChange | string)[]>(),
    teacher: ofStaff('teacher'),
    publishedBy: ofStaff('published_by'),
    publishedAt: p.datetime(),
  },
});

const ofPlan = () => p.manyToOne(PlanRow).mapToPk().fieldName('plan');

export const AcknowledgementRow = defineEntity({
  name: 'Acknowledgement',
  tableName: 'acknowledgement',
  properties: { id: p.uuid().primary(), studio: ofStudio(), plan: ofPlan(), staff: ofStaff('staff'), at: p.datetime() },
});

export const LogRow = defineEntity({
  name: 'ClassLog',
  tableName: 'class_log',
  properties: {
    id: p.uuid().primary(),
    studio: ofStudio(),
    session: ofSession(),
    plan: ofPlan(),
    taughtBy: ofStaff('taught_by'),
    at: p.datetime(),
    attendance: p.json<readonly Attendance[]>(),
    reached: p.text().$type<Reached>(),
    note: p.text(),
  },
});

/** A log as a device sent it that could not be taken as it is; it stays until the director settles it. */
export const HeldLogRow = defineEntity({
  name: 'HeldLog',
  tableName: 'held_log',
  properties: {
    id: p.uuid().primary(),
    studio: ofStudio(),
    sentBy: ofStaff('sent_by'),
    at: p.datetime(),
    reason: p.text().$type<HeldReason>(),
    body: p.json<unknown>(),
    settledBy: ofStaff('settled_by').nullable(),
    settledAt: p.datetime().nullable(),
    /** What became of it. */
    settled: p.text().$type<'taken' | 'set aside'>().nullable(),
    version: p.integer().version(),
  },
});

/** Which of two logs of one class the director goes by; the signs of every log count all the same. */
export const LogSettledRow = defineEntity({
  name: 'LogSettled',
  tableName: 'class_log_settled',
  properties: {
    id: p.uuid().primary(),
    studio: ofStudio(),
    session: ofSession(),
    log: p.manyToOne(LogRow).mapToPk().fieldName('log'),
    settledBy: ofStaff('settled_by'),
    settledAt: p.datetime(),
  },
});
