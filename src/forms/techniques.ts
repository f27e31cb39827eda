import { object, string, type InferType } from 'yup';
import { FORM_LIMITS } from './limits';
import { dose, id, line, once, optionalId, pattern, technique, version } from './rules';

export const ownWayForm = object({
  once: once(),
  /** Null for a new one. */
  id: optionalId(),
  version: version().default(0),
  base: technique(),
  name: line('it a name', FORM_LIMITS.name),
  pattern: pattern(),
  dose: dose(),
});

export const waysFileForm = object({
  once: once(),
  text: string().required('Please choose a file.').max(FORM_LIMITS.waysFile, 'This file is too large: a million characters at most.'),
});

export const cohortChoice = object({ id: id() });

export const archiveWayForm = object({ id: id(), version: version() });

export type OwnWayInput = InferType<typeof ownWayForm>;
