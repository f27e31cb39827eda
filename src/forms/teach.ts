import { array, boolean, object } from 'yup';
import { STOP_SIGNS } from '@/core/screening';
import { EFFORTS, REACHED } from '@/core/teach';
import { FORM_LIMITS } from './limits';
import { id, oneOf, version, words } from './rules';

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
        stopSigns: array().of(oneOf(STOP_SIGNS)).max(STOP_SIGNS.length).default([]),
      }),
    )
    .max(FORM_LIMITS.attendance)
    .required(),
});

/** What the director does with a log that was held. */
export const heldLogForm = object({ id: id(), version: version(), take: boolean().required() });

export const settleLogForm = object({ session: id(), log: id() });
