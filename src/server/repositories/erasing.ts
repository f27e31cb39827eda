import type { IsoDate } from '@/core/units';

/** What erasing a person makes of a column. */
type Fate = 'emptied' | 'a pseudonym' | 'unreadable' | 'removed' | 'kept';

/**
 * Every column that holds something of a person, and what erasing makes of it, once. A test walks the database and finds each
 * column here, and nothing of an erased person anywhere. *Unreadable* is sealed with their key, which is destroyed; *kept* says
 * nothing of who they were, and why it stays is said beside it.
 */
export const PERSON_FIELDS: Readonly<Record<string, Readonly<Record<string, readonly [Fate, string]>>>> = {
  person: {
    name: ['a pseudonym', 'logs and the record still have to tell people apart'],
    email: ['emptied', ''],
    wrapped_key: ['emptied', 'what was sealed with it can never be opened again'],
    sealed_birth: ['emptied', ''],
    comfort_in: ['emptied', ''],
    comfort_out: ['emptied', ''],
    joined_at: ['kept', 'when the cohort had how many people'],
    left_on: ['kept', 'the day of erasing'],
    erased_at: ['kept', 'that it was done'],
  },
  screening: {
    sealed: ['unreadable', ''],
    screened_on: ['kept', 'that a form was filled in, of somebody no longer named'],
    source: ['kept', 'how it came in'],
    consent: ['kept', 'which wording was agreed to'],
  },
  clinician_answer: { sealed: ['unreadable', ''], answered_on: ['kept', 'the record'], until_date: ['kept', 'the record'] },
  override_made: { sealed: ['unreadable', ''], from_date: ['kept', 'the record'], until_date: ['kept', 'the record'] },
  screening_reading: { why: ['unreadable', 'a reason may name them'] },
  series_member: {
    token_hash: ['unreadable', 'of a secret that is worked out from a number that is counted on'],
    series: ['kept', 'how many took part'],
    admitted: ['kept', 'how many took part'],
    mails: ['kept', 'nothing is sent to whoever is erased'],
    link: ['kept', 'how many addresses there were'],
    joined_on: ['kept', 'how many took part'],
    left_on: ['kept', 'the day of erasing at the latest'],
    sent_on: ['kept', 'that a morning was written'],
    told_from: ['kept', 'that a first day was written'],
  },
  check_in: {
    sealed: ['unreadable', 'which signs there were'],
    date: ['kept', 'which days lose people, of somebody no longer named'],
    day: ['kept', 'which days lose people'],
    did: ['kept', 'which days lose people'],
    easier: ['kept', 'how a day was taken'],
    felt: ['kept', 'how a day was taken'],
    techniques: ['kept', 'what the series gave'],
  },
  stop_sign: {
    sealed: ['unreadable', 'which signs there were'],
    plain: ['kept', 'signs of somebody nobody could name'],
    answer: ['unreadable', 'what was done'],
    session: ['kept', 'that something was wrong, with somebody no longer named'],
    member: ['kept', 'that something was wrong, with somebody no longer named'],
    date: ['kept', 'that something was wrong, with somebody no longer named'],
    help: ['kept', 'that something was wrong, with somebody no longer named'],
    place: ['kept', 'where in a class it was'],
    at: ['kept', 'the record'],
    answered_at: ['kept', 'the record'],
  },
  link: { token_hash: ['removed', 'with its row'] },
  outbox_mail: { address: ['removed', 'with its row'], subject: ['removed', 'with its row'], body: ['removed', 'with its row'] },
};

/** What erasing writes into the person's own row. */
export const ERASED = {
  person: (pseudonym: string, now: Date, today: IsoDate) => ({
    name: pseudonym,
    email: null,
    wrappedKey: '',
    sealedBirth: null,
    comfortIn: null,
    comfortOut: null,
    leftOn: today,
    erasedAt: now,
  }),
} as const;
