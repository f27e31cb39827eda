import { defineEntity, p } from '@mikro-orm/core';
import type { Did, MissedRule, NotReached, Pause, SeriesAsked, SeriesDay } from '@/core/series';
import type { Effort } from '@/core/teach';
import type { IsoDate } from '@/core/units';
import { CohortRow, PersonRow } from './people';
import { ofStaff, ofStudio } from './studio';

/** What of a series is changed as a whole. */
export interface SeriesFacts {
  readonly name: string;
  readonly teacher: string;
  readonly firstDate: IsoDate;
  readonly asked: SeriesAsked;
  readonly days: readonly SeriesDay[];
  readonly unreached: readonly NotReached[];
  readonly missed: MissedRule;
  readonly pauses: readonly Pause[];
  readonly stoppedOn: IsoDate | null;
}

/** A change of a series, with what was there before. */
export interface SeriesStep {
  /** What was done, in words. */
  readonly what: string;
  /** Its first day is missing in what was kept before that could change. */
  readonly was: Omit<SeriesFacts, 'firstDate'> & Partial<Pick<SeriesFacts, 'firstDate'>>;
  /** Whether it took something back. */
  readonly back: boolean;
  /** What the cohort has been said to practise by it; gone with it where it is taken back. */
  readonly practised?: readonly string[];
}

export const SeriesRow = defineEntity({
  name: 'Series',
  tableName: 'series',
  properties: {
    id: p.uuid().primary(),
    studio: ofStudio(),
    cohort: p.manyToOne(CohortRow).mapToPk().fieldName('cohort'),
    name: p.text(),
    firstDate: p.date(),
    /** Whoever leads it, and its live days. */
    teacher: ofStaff('teacher'),
    asked: p.json<SeriesAsked>(),
    days: p.json<readonly SeriesDay[]>(),
    /** What the draft could not reach, as codes. */
    unreached: p.json<readonly NotReached[]>(),
    missed: p.text().$type<MissedRule>(),
    pauses: p.json<readonly Pause[]>(),
    /** By it people sign up; null while nobody may. Only the hash of its address is kept. */
    joinHash: p.text().nullable(),
    /** Its live days, as the classes of a course. */
    liveCourse: p.uuid().nullable(),
    stoppedOn: p.date().nullable(),
    /** The last change, with what was there before. */
    lastStep: p.json<SeriesStep>().nullable(),
    removedAt: p.datetime().nullable(),
    version: p.integer().version(),
  },
});

const ofSeries = () => p.manyToOne(SeriesRow).mapToPk().fieldName('series');

/** Somebody who takes part. Only the hash of their own address is kept. */
export const SeriesMemberRow = defineEntity({
  name: 'SeriesMember',
  tableName: 'series_member',
  properties: {
    id: p.uuid().primary(),
    studio: ofStudio(),
    series: ofSeries(),
    person: p.manyToOne(PersonRow).mapToPk().fieldName('person'),
    joinedOn: p.date(),
    /** Counted on for every new address, which ends the one before. */
    link: p.integer(),
    tokenHash: p.text(),
    /** The director's yes: whoever signed up by themselves waits for it. */
    admitted: p.boolean(),
    /** Whether the morning's mail is wanted. */
    mails: p.boolean(),
    sentOn: p.date().nullable(),
    /** The first day they were written, when they were let in. */
    toldFrom: p.date().nullable(),
    leftOn: p.date().nullable(),
    version: p.integer().version(),
  },
});

const ofMember = () => p.manyToOne(SeriesMemberRow).mapToPk().fieldName('member');

export const CheckInRow = defineEntity({
  name: 'CheckIn',
  tableName: 'check_in',
  properties: {
    id: p.uuid().primary(),
    studio: ofStudio(),
    member: ofMember(),
    date: p.date(),
    /** The day they practised, of the series. */
    day: p.integer(),
    did: p.text().$type<Did>(),
    felt: p.text().$type<Effort>().nullable(),
    easier: p.boolean(),
    techniques: p.json<readonly string[]>(),
    /** Which signs there were, sealed with the person's key; null where there were none. */
    sealed: p.text().nullable(),
    /** Who took back the step that followed from it. */
    undoneBy: ofStaff('undone_by').nullable(),
    at: p.datetime(),
  },
});

/** That somebody was written to because they were drifting off. */
export const SeriesLetterRow = defineEntity({
  name: 'SeriesLetter',
  tableName: 'series_letter',
  properties: { id: p.uuid().primary(), studio: ofStudio(), member: ofMember(), sentBy: ofStaff('sent_by'), at: p.datetime() },
});
