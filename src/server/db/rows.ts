import { defineEntity, p, type InferEntity } from '@mikro-orm/core';
import type { StudioSchools } from '@/core/conventions';
import type { SheetOptions } from '@/core/cues';
import type { Block } from '@/core/plan';
import type { Goal } from '@/core/course';
import type { RuleChange } from '@/core/screening';

/** Tables as MikroORM sees them. Rows never leave `src/server`; repositories turn them into the core's plain types. */

export const ROLES = ['director', 'lead teacher', 'teacher', 'front desk'] as const;
export type Role = (typeof ROLES)[number];

/** How a screening came in. */
export type ScreeningSource = 'paper' | 'form' | 'nothing changed';

export interface Qualification {
  readonly family: string;
  readonly since: string;
}

export interface AttendanceRow {
  readonly person: string;
  readonly came: boolean;
  readonly effort: 'easy' | 'worked' | 'strained';
  readonly stopSigns: readonly string[];
}

export const StudioRow = defineEntity({
  name: 'Studio',
  tableName: 'studio',
  properties: {
    id: p.uuid().primary(),
    name: p.text(),
    zone: p.text(),
    tempo: p.integer(),
    naturalBreath: p.integer(),
    speech: p.json<Omit<SheetOptions, 'schools'>>(),
    schools: p.json<Partial<StudioSchools>>(),
    /** Who has forms asked for by themselves, and the address that the links of their mails begin with. */
    reminders: p.json<{ readonly by: string; readonly origin: string }>().nullable(),
    version: p.integer().version(),
  },
});

export const StaffRow = defineEntity({
  name: 'Staff',
  tableName: 'staff',
  properties: {
    id: p.uuid().primary(),
    studio: p.uuid(),
    name: p.text(),
    email: p.text(),
    role: p.text().$type<Role>(),
    passwordHash: p.text(),
    qualifications: p.json<readonly Qualification[]>(),
    version: p.integer().version(),
  },
});

export const SignInRow = defineEntity({
  name: 'SignIn',
  tableName: 'sign_in',
  properties: { tokenHash: p.text().primary(), studio: p.uuid(), staff: p.uuid(), seenAt: p.datetime() },
});

export const AttemptRow = defineEntity({
  name: 'Attempt',
  tableName: 'sign_in_attempt',
  properties: { id: p.uuid().primary(), address: p.text(), email: p.text(), at: p.datetime() },
});

export const CohortRow = defineEntity({
  name: 'Cohort',
  tableName: 'cohort',
  properties: {
    id: p.uuid().primary(),
    studio: p.uuid(),
    name: p.text(),
    about: p.text(),
    already: p.json<readonly string[]>(),
    version: p.integer().version(),
  },
});

export const PersonRow = defineEntity({
  name: 'Person',
  tableName: 'person',
  properties: {
    id: p.uuid().primary(),
    studio: p.uuid(),
    cohort: p.uuid(),
    name: p.text(),
    email: p.text().nullable(),
    /** Emptied when the person is erased: what was sealed with it can never be read again. */
    wrappedKey: p.text(),
    sealedBirth: p.text().nullable(),
    /** When they joined the cohort they are in. */
    joinedAt: p.datetime(),
    leftOn: p.date().nullable(),
    erasedAt: p.datetime().nullable(),
    comfortIn: p.integer().nullable(),
    comfortOut: p.integer().nullable(),
    version: p.integer().version(),
  },
});

export const ScreeningRow = defineEntity({
  name: 'Screening',
  tableName: 'screening',
  properties: {
    id: p.uuid().primary(),
    studio: p.uuid(),
    person: p.uuid(),
    screenedOn: p.date(),
    sealed: p.text(),
    source: p.text().$type<ScreeningSource>(),
    consent: p.text().nullable(),
    /** Null when the person answered by a link. */
    enteredBy: p.uuid().nullable(),
    enteredAt: p.datetime(),
  },
});

export const LinkRow = defineEntity({
  name: 'ScreeningLink',
  tableName: 'screening_link',
  properties: {
    id: p.uuid().primary(),
    studio: p.uuid(),
    person: p.uuid(),
    tokenHash: p.text(),
    madeBy: p.uuid(),
    madeAt: p.datetime(),
    expiresAt: p.datetime(),
    usedAt: p.datetime().nullable(),
  },
});

export const MailRow = defineEntity({
  name: 'OutboxMail',
  tableName: 'outbox_mail',
  properties: {
    id: p.uuid().primary(),
    studio: p.uuid(),
    person: p.uuid(),
    address: p.text(),
    subject: p.text(),
    body: p.text(),
    madeAt: p.datetime(),
  },
});

export const ClinicianRow = defineEntity({
  name: 'ClinicianAnswer',
  tableName: 'clinician_answer',
  properties: {
    id: p.uuid().primary(),
    studio: p.uuid(),
    person: p.uuid(),
    sealed: p.text(),
    answeredOn: p.date(),
    until: p.date().name('until_date'),
    enteredBy: p.uuid(),
    enteredAt: p.datetime(),
  },
});

export const OverrideRow = defineEntity({
  name: 'OverrideMade',
  tableName: 'override_made',
  properties: {
    id: p.uuid().primary(),
    studio: p.uuid(),
    person: p.uuid(),
    sealed: p.text(),
    from: p.date().name('from_date'),
    until: p.date().name('until_date'),
    madeBy: p.uuid(),
    madeAt: p.datetime(),
  },
});

export const OverrideEndRow = defineEntity({
  name: 'OverrideEnded',
  tableName: 'override_ended',
  properties: { id: p.uuid().primary(), studio: p.uuid(), override: p.uuid(), endedOn: p.date(), endedBy: p.uuid(), endedAt: p.datetime() },
});

export const RulebookRow = defineEntity({
  name: 'RulebookVersion',
  tableName: 'rulebook_version',
  properties: {
    id: p.uuid().primary(),
    studio: p.uuid(),
    number: p.integer(),
    changes: p.json<readonly RuleChange[]>(),
    savedBy: p.uuid(),
    savedAt: p.datetime(),
  },
});

export const ReadingRow = defineEntity({
  name: 'Reading',
  tableName: 'screening_reading',
  properties: { id: p.uuid().primary(), studio: p.uuid(), person: p.uuid(), reader: p.uuid(), at: p.datetime(), why: p.text() },
});

export const CourseRow = defineEntity({
  name: 'Course',
  tableName: 'course',
  properties: {
    id: p.uuid().primary(),
    studio: p.uuid(),
    cohort: p.uuid(),
    name: p.text(),
    firstDate: p.date(),
    weeks: p.integer(),
    weekdays: p.json<readonly number[]>(),
    start: p.text(),
    minutes: p.integer(),
    teacher: p.uuid(),
    goals: p.json<readonly Goal[]>(),
    unplaced: p.json<readonly string[]>(),
    version: p.integer().version(),
  },
});

export const SessionRow = defineEntity({
  name: 'ClassSession',
  tableName: 'class_session',
  properties: {
    id: p.uuid().primary(),
    studio: p.uuid(),
    course: p.uuid(),
    date: p.date(),
    start: p.text(),
    minutes: p.integer(),
    blocks: p.json<readonly Block[]>(),
    version: p.integer().version(),
  },
});

export const PlanRow = defineEntity({
  name: 'PlanVersion',
  tableName: 'plan_version',
  properties: {
    id: p.uuid().primary(),
    studio: p.uuid(),
    session: p.uuid(),
    number: p.integer(),
    blocks: p.json<readonly Block[]>(),
    changes: p.json<readonly string[]>(),
    teacher: p.uuid(),
    publishedBy: p.uuid(),
    publishedAt: p.datetime(),
  },
});

export const AcknowledgementRow = defineEntity({
  name: 'Acknowledgement',
  tableName: 'acknowledgement',
  properties: { id: p.uuid().primary(), studio: p.uuid(), plan: p.uuid(), staff: p.uuid(), at: p.datetime() },
});

export const LogRow = defineEntity({
  name: 'ClassLog',
  tableName: 'class_log',
  properties: {
    id: p.uuid().primary(),
    studio: p.uuid(),
    session: p.uuid(),
    plan: p.uuid(),
    taughtBy: p.uuid(),
    at: p.datetime(),
    attendance: p.json<readonly AttendanceRow[]>(),
    reached: p.text(),
    note: p.text(),
  },
});

export const ClosureRow = defineEntity({
  name: 'Closure',
  tableName: 'closure',
  properties: { id: p.uuid().primary(), studio: p.uuid(), from: p.date().name('from_date'), until: p.date().name('until_date'), reason: p.text() },
});

export const OwnWayRow = defineEntity({
  name: 'OwnWay',
  tableName: 'own_way',
  properties: { id: p.uuid().primary(), studio: p.uuid(), base: p.text(), name: p.text(), archived: p.boolean(), version: p.integer().version() },
});

export const OwnWayVersionRow = defineEntity({
  name: 'OwnWayVersion',
  tableName: 'own_way_version',
  properties: {
    id: p.uuid().primary(),
    studio: p.uuid(),
    way: p.uuid(),
    number: p.integer(),
    pattern: p.text(),
    dose: p.text(),
    savedBy: p.uuid(),
    savedAt: p.datetime(),
  },
});

export const ROWS = [
  StudioRow,
  StaffRow,
  SignInRow,
  AttemptRow,
  CohortRow,
  PersonRow,
  ScreeningRow,
  ReadingRow,
  LinkRow,
  MailRow,
  ClinicianRow,
  OverrideRow,
  OverrideEndRow,
  RulebookRow,
  CourseRow,
  SessionRow,
  PlanRow,
  AcknowledgementRow,
  LogRow,
  ClosureRow,
  OwnWayRow,
  OwnWayVersionRow,
];

export type PersonRecord = InferEntity<typeof PersonRow>;
export type SessionRecord = InferEntity<typeof SessionRow>;
export type PlanRecord = InferEntity<typeof PlanRow>;
