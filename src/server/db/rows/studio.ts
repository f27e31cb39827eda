import { defineEntity, p } from '@mikro-orm/core';
import type { Guards } from '@/core/climb';
import type { StudioSchools } from '@/core/conventions';
import type { SheetOptions } from '@/core/cues';
import type { RuleChange } from '@/core/screening';
import type { Qualification, Role } from '@/core/staff';

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
    /** Guards that are otherwise than shipped. */
    guards: p.json<Partial<Guards>>(),
    /** Whether forms that are missing or run out are asked for by themselves. */
    asksByItself: p.boolean(),
    /** Whether the first steps were put away. */
    stepsAway: p.boolean(),
    version: p.integer().version(),
  },
});

/** The studio a row belongs to. The filter `ours` keeps every query inside it. */
export const ofStudio = () => p.manyToOne(StudioRow).mapToPk().fieldName('studio');

/** Somebody of the staff named in a row. */
export const ofStaff = (column: string) => p.manyToOne(StaffRow).mapToPk().fieldName(column);

export const StaffRow = defineEntity({
  name: 'Staff',
  tableName: 'staff',
  properties: {
    id: p.uuid().primary(),
    studio: ofStudio(),
    name: p.text(),
    email: p.text(),
    role: p.text().$type<Role>(),
    /** Null until an invitation is taken. */
    passwordHash: p.text().nullable(),
    qualifications: p.json<readonly Qualification[]>(),
    /** What a device keeps of them is sealed with; it goes to their own pages alone. 32 bytes in base64. */
    deviceKey: p.text(),
    leftAt: p.datetime().nullable(),
    version: p.integer().version(),
  },
});

/** When somebody of the staff cannot teach: whole days, or hours of one day. */
export const AwayRow = defineEntity({
  name: 'Away',
  tableName: 'away',
  properties: {
    id: p.uuid().primary(),
    studio: ofStudio(),
    staff: ofStaff('staff'),
    from: p.date().name('from_date'),
    until: p.date().name('until_date'),
    fromTime: p.text().nullable(),
    untilTime: p.text().nullable(),
    saidBy: ofStaff('said_by'),
    saidAt: p.datetime(),
  },
});

/** An address under which a calendar is read, known by its hash alone: somebody's own classes, or the whole studio's. */
export const FeedRow = defineEntity({
  name: 'Feed',
  tableName: 'feed',
  properties: {
    id: p.uuid().primary(),
    studio: ofStudio(),
    staff: ofStaff('staff'),
    whole: p.boolean(),
    tokenHash: p.text(),
    madeAt: p.datetime(),
  },
});

export const ClosureRow = defineEntity({
  name: 'Closure',
  tableName: 'closure',
  properties: { id: p.uuid().primary(), studio: ofStudio(), from: p.date().name('from_date'), until: p.date().name('until_date'), reason: p.text() },
});

export const RulebookRow = defineEntity({
  name: 'RulebookVersion',
  tableName: 'rulebook_version',
  properties: {
    id: p.uuid().primary(),
    studio: ofStudio(),
    number: p.integer(),
    changes: p.json<readonly RuleChange[]>(),
    savedBy: ofStaff('saved_by'),
    savedAt: p.datetime(),
  },
});

/** What was asked for once and must not be done twice: the id a form was opened with, and what was answered. */
export const DoneRow = defineEntity({
  name: 'Done',
  tableName: 'done_once',
  properties: { id: p.uuid().primary(), studio: ofStudio(), answer: p.json<unknown>().nullable(), at: p.datetime() },
});
