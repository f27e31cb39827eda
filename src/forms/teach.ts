import { array, boolean, object } from 'yup';
import { ALL_SIGNS } from '@/core/screening';
import { DONE, EFFORTS, FIRST_BREATHS, MOODS, REACHED, SIGN_NOT_SAID } from '@/core/teach';
import { FORM_LIMITS } from './limits';
import { id, line, maybe, oneOf, optionalId, version, words } from './rules';

export const acknowledgeForm = object({ session: id(), plan: id() });

/** A stop sign as it was marked in class: whose and which may both be unknown; a slip of the finger is said to be one. */
const mark = {
  id: id(),
  person: optionalId(),
  sign: maybe(ALL_SIGNS),
  place: words(FORM_LIMITS.place),
  slip: boolean().default(false),
};

/** A stop sign on its way before there is a log. */
export const markForm = object({ session: id(), ...mark });

/** Somebody answers for stop signs, as they saw them. */
export const answerSignsForm = object({
  signs: array()
    .of(object({ id: id(), version: version().nullable().default(null) }))
    .min(1, 'Choose at least one sign.')
    .max(FORM_LIMITS.marks)
    .required(),
  answer: line('what was done, in a few words', FORM_LIMITS.reason).min(FORM_LIMITS.fewWords, 'What was done stays in the record: a few words.'),
});

/** All that a log must have to be kept at all, and whose it is: a device sends nobody else's. */
export const logId = object({ id: id(), by: optionalId() });

export const logForm = object({
  id: id(),
  session: id(),
  plan: id(),
  reached: oneOf(REACHED),
  note: words(FORM_LIMITS.logNote),
  attendance: array()
    .of(
      object({
        person: id(),
        came: boolean().required(),
        late: boolean().default(false),
        effort: oneOf(EFFORTS),
        stopSigns: array().of(oneOf(ALL_SIGNS)).max(ALL_SIGNS.length).default([]),
      }),
    )
    .max(FORM_LIMITS.attendance)
    .required(),
  /** Signs as they were marked, with whose they were where somebody knows. */
  marks: array().of(object(mark)).max(FORM_LIMITS.marks).default([]),
  /** Signs of somebody nobody can name, as they stood in the log that this one puts right. */
  unnamed: array()
    .of(oneOf([...ALL_SIGNS, SIGN_NOT_SAID]))
    .max(FORM_LIMITS.marks)
    .default([]),
  // What devices that were offline for long may not know of yet.
  blocks: array()
    .of(object({ block: id(), done: oneOf(DONE) }))
    .max(FORM_LIMITS.blocks)
    .default([]),
  firstBreath: maybe(FIRST_BREATHS),
  mood: object({ before: maybe(MOODS), after: maybe(MOODS) })
    .nullable()
    .default(null),
  change: words(FORM_LIMITS.note),
  corrects: optionalId(),
});

/** What the director does with a log that was held. */
export const heldLogForm = object({ id: id(), version: version(), take: boolean().required() });

export const settleLogForm = object({ session: id(), log: id() });
