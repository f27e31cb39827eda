import { defineEntity, p } from '@mikro-orm/core';
import type { Arc, Goal, Unplaced } from '@/core/course';
import type { Block, NamedBlock, PlanChange } from '@/core/plan';
import type { Attendance, BlockDone, FirstBreath, Mood, Reached } from '@/core/teach';
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

/** Who came to a class, as it is kept: which stop signs there were is sealed with each one's own key. */
export interface KeptAttendance extends Omit<Attendance, 'stopSigns'> {
  readonly sealed?: string | null;
}

/** A course and those of its classes that a change concerned, as they stood. */
export interface CourseSnapshot {
  readonly version: number;
  /** What its cohort practises already. Missing in what was kept before that could be taken back. */
  readonly practises?: readonly string[];
  readonly course: Readonly<Record<string, unknown>>;
  readonly sessions: readonly {
    readonly id: string;
    readonly version: number;
    readonly date: string;
    readonly start: string;
    readonly minutes: number;
    readonly blocks: readonly Block[];
    readonly cancelled: Cancelled | null;
    /** Missing in what was kept before plans had a voice. */
    readonly purpose?: string;
    readonly note?: string;
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
    /** When new things come, and how much of the hour is breathing. */
    arc: p.json<Arc>(),
    /** Checks that were accepted, each with its reason. */
    accepted: p.json<readonly Accepted[]>(),
    /** The course it was copied from. */
    copiedFrom: p.uuid().nullable(),
    removedAt: p.datetime().nullable(),
    /** A class of its own, without a course around it. */
    single: p.boolean(),
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
    /** What today is for, in a line; and what the teacher should know. */
    purpose: p.text(),
    note: p.text(),
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
    purpose: p.text(),
    note: p.text(),
    /** Why it was published though something stood against it. */
    reason: p.text(),
    publishedBy: ofStaff('published_by'),
    publishedAt: p.datetime(),
  },
});

/** A class given into other hands, with whatever plan it has. */
export const HandoverRow = defineEntity({
  name: 'Handover',
  tableName: 'handover',
  properties: {
    id: p.uuid().primary(),
    studio: ofStudio(),
    session: ofSession(),
    was: ofStaff('was').nullable(),
    teacher: ofStaff('teacher'),
    madeBy: ofStaff('made_by'),
    madeAt: p.datetime(),
  },
});

/** What the director and the teacher say to each other about a class. */
export const SessionNoteRow = defineEntity({
  name: 'SessionNote',
  tableName: 'session_note',
  properties: { id: p.uuid().primary(), studio: ofStudio(), session: ofSession(), saidBy: ofStaff('said_by'), saidAt: p.datetime(), text: p.text() },
});

/** Until when somebody has read what is said about a class. */
export const SessionNoteReadRow = defineEntity({
  name: 'SessionNoteRead',
  tableName: 'session_note_read',
  properties: {
    session: p.manyToOne(SessionRow).mapToPk().fieldName('session').primary(),
    staff: ofStaff('staff').primary(),
    studio: ofStudio(),
    at: p.datetime(),
  },
});

/** A class kept to be used again: blocks with their doses, without people. */
export const PlanTemplateRow = defineEntity({
  name: 'PlanTemplate',
  tableName: 'plan_template',
  properties: {
    id: p.uuid().primary(),
    studio: ofStudio(),
    name: p.text(),
    minutes: p.integer(),
    blocks: p.json<readonly Block[]>(),
    madeBy: ofStaff('made_by'),
    removedAt: p.datetime().nullable(),
    version: p.integer().version(),
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
    attendance: p.json<readonly KeptAttendance[]>(),
    /** Stop signs of somebody nobody could name. */
    unnamed: p.json<readonly string[]>(),
    reached: p.text().$type<Reached>(),
    note: p.text(),
    /** How far blocks went that were not done whole. */
    blocks: p.json<readonly BlockDone[]>(),
    firstBreath: p.text().$type<FirstBreath>().nullable(),
    mood: p.json<Mood>().nullable(),
    /** What the teacher would change. */
    change: p.text(),
    /** The log it stands in for, of the same teacher. */
    corrects: p.uuid().nullable(),
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
