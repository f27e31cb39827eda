import { defineEntity, p } from '@mikro-orm/core';
import type { Goal, Unplaced } from '@/core/course';
import type { Block, NamedBlock, PlanChange } from '@/core/plan';
import type { Attendance, Reached } from '@/core/teach';
import type { HeldReason } from '../kinds';
import { CohortRow } from './people';
import { ofStaff, ofStudio } from './studio';

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
    version: p.integer().version(),
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
