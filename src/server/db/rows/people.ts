import { defineEntity, p } from '@mikro-orm/core';
import type { Seat } from '@/core/techniques';
import type { LinkPurpose, ScreeningSource } from '../kinds';
import { ofStaff, ofStudio } from './studio';

export const CohortRow = defineEntity({
  name: 'Cohort',
  tableName: 'cohort',
  properties: {
    id: p.uuid().primary(),
    studio: ofStudio(),
    name: p.text(),
    about: p.text(),
    already: p.json<readonly string[]>(),
    /** Where they sit when nothing else is said. */
    seat: p.text().$type<Seat>(),
    version: p.integer().version(),
  },
});

export const PersonRow = defineEntity({
  name: 'Person',
  tableName: 'person',
  properties: {
    id: p.uuid().primary(),
    studio: ofStudio(),
    cohort: p.manyToOne(CohortRow).mapToPk().fieldName('cohort'),
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

/** The person a row is about. */
const ofPerson = () => p.manyToOne(PersonRow).mapToPk().fieldName('person');

export const ScreeningRow = defineEntity({
  name: 'Screening',
  tableName: 'screening',
  properties: {
    id: p.uuid().primary(),
    studio: ofStudio(),
    person: ofPerson(),
    screenedOn: p.date(),
    sealed: p.text(),
    source: p.text().$type<ScreeningSource>(),
    consent: p.text().nullable(),
    /** Null when the person answered by a link. */
    enteredBy: ofStaff('entered_by').nullable(),
    enteredAt: p.datetime(),
  },
});

export const ReadingRow = defineEntity({
  name: 'Reading',
  tableName: 'screening_reading',
  /** Why it was read is sealed with the person's key: a reason may name them. */
  properties: { id: p.uuid().primary(), studio: ofStudio(), person: ofPerson(), reader: ofStaff('reader'), at: p.datetime(), why: p.text() },
});

/** A link that lets a person do one thing without signing in. Only the hash of its token is kept. */
export const LinkRow = defineEntity({
  name: 'Link',
  tableName: 'link',
  properties: {
    id: p.uuid().primary(),
    studio: ofStudio(),
    purpose: p.text().$type<LinkPurpose>(),
    person: ofPerson(),
    tokenHash: p.text(),
    /** Null when it was made by the clock. */
    madeBy: ofStaff('made_by').nullable(),
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
    studio: ofStudio(),
    /** Nobody of a cohort where it goes to the staff. */
    person: ofPerson().nullable(),
    address: p.text(),
    subject: p.text(),
    body: p.text(),
    madeAt: p.datetime(),
    deliveredAt: p.datetime().nullable(),
    /** How often it was tried, and what the post office said last when it did not take it. */
    tries: p.integer(),
    refused: p.text().nullable(),
  },
});

export const ClinicianRow = defineEntity({
  name: 'ClinicianAnswer',
  tableName: 'clinician_answer',
  properties: {
    id: p.uuid().primary(),
    studio: ofStudio(),
    person: ofPerson(),
    sealed: p.text(),
    answeredOn: p.date(),
    until: p.date().name('until_date'),
    enteredBy: ofStaff('entered_by'),
    enteredAt: p.datetime(),
  },
});

export const OverrideRow = defineEntity({
  name: 'OverrideMade',
  tableName: 'override_made',
  properties: {
    id: p.uuid().primary(),
    studio: ofStudio(),
    person: ofPerson(),
    sealed: p.text(),
    from: p.date().name('from_date'),
    until: p.date().name('until_date'),
    madeBy: ofStaff('made_by'),
    madeAt: p.datetime(),
  },
});

export const OverrideEndRow = defineEntity({
  name: 'OverrideEnded',
  tableName: 'override_ended',
  properties: {
    id: p.uuid().primary(),
    studio: ofStudio(),
    override: p.manyToOne(OverrideRow).mapToPk().fieldName('override'),
    endedOn: p.date(),
    endedBy: ofStaff('ended_by'),
    endedAt: p.datetime(),
  },
});
