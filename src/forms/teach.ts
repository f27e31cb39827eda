import { array, boolean, object } from 'yup';
import { ALL_SIGNS } from '@/core/screening';
import { DONE, EFFORTS, FIRST_BREATHS, MOODS, REACHED } from '@/core/teach';
import { FORM_LIMITS } from './limits';
import { id, maybe, oneOf, optionalId, version, words } from './rules';

export const acknowledgeForm = object({ session: id(), plan: id() });

/** All that a log must have to be kept at all. */
export const logId = object({ id: id() });

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
        effort: oneOf(EFFORTS),
        stopSigns: array().of(oneOf(ALL_SIGNS)).max(ALL_SIGNS.length).default([]),
      }),
    )
    .max(FORM_LIMITS.attendance)
    .required(),
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
