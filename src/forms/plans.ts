import { boolean, array, number, object, string, type InferType } from 'yup';
import { FORM_LIMITS } from './limits';
import { EYES, KEPT_BY, MOVES, SEATS } from '@/core/techniques';
import { dose, id, line, once, oneOf, pattern, seen, slug, version, whole, words } from './rules';

const tempo = () =>
  whole('Tempo', FORM_LIMITS.tempo.least, FORM_LIMITS.tempo.most)
    .min(FORM_LIMITS.tempo.least, `A count of at least ${FORM_LIMITS.tempo.least / 1000} s.`)
    .max(FORM_LIMITS.tempo.most, `A count of at most ${FORM_LIMITS.tempo.most / 1000} s.`);

export const blocksForm = object({
  session: id(),
  version: version(),
  /** What the class is for, and what its teacher should know; what is missing stays as it is. */
  purpose: string().nullable().default(null).max(FORM_LIMITS.about, `At most ${FORM_LIMITS.about} characters.`),
  note: string().nullable().default(null).max(FORM_LIMITS.logNote, `At most ${FORM_LIMITS.logNote} characters.`),
  blocks: array()
    .of(
      object({
        id: id(),
        technique: slug('No such technique.'),
        part: slug('No such part.'),
        own: object({ id: id(), number: number().required().integer().min(1) })
          .nullable()
          .default(null),
        pattern: string().when('technique', {
          is: (value: unknown) => Boolean(value),
          then: () => pattern(),
          otherwise: (schema) => schema.nullable().default(null),
        }),
        dose: string().when('technique', {
          is: (value: unknown) => Boolean(value),
          then: () => dose(),
          otherwise: (schema) => schema.nullable().default(null),
        }),
        tempo: number().when('technique', {
          is: (value: unknown) => Boolean(value),
          then: () => tempo(),
          otherwise: (schema) => schema.nullable().default(null),
        }),
        minutes: number().when('part', {
          is: (value: unknown) => Boolean(value),
          then: (schema) =>
            schema
              .typeError('Minutes are a number.')
              .required('Please give minutes.')
              .min(FORM_LIMITS.blockMinutes.least, 'At least half a minute.')
              .max(FORM_LIMITS.blockMinutes.most, `At most ${FORM_LIMITS.blockMinutes.most} minutes.`),
          otherwise: (schema) => schema.nullable().default(null),
        }),
        setup: object({
          seat: oneOf(SEATS),
          eyes: oneOf(EYES),
          by: oneOf(KEPT_BY),
          moves: array().of(oneOf(MOVES)).max(MOVES.length).required(),
        })
          .nullable()
          .default(null),
        lines: array().of(line('a line', FORM_LIMITS.said)).max(FORM_LIMITS.ownLines).default([]),
        note: words(FORM_LIMITS.note),
      }).test('either', 'A block is a technique or a part.', (block) => Boolean(block.technique) !== Boolean(block.part)),
    )
    .max(FORM_LIMITS.blocks, 'At most forty blocks.')
    .required(),
});

/** A reason is asked for where something stands against it that is the director's to judge. */
const reason = () => words(FORM_LIMITS.reason);

/** Words that are looked at while they are typed. */
export const wordingForm = object({ text: words(FORM_LIMITS.wording) });

export const publishForm = object({
  once: once(),
  session: id(),
  version: version(),
  teacher: id().required('Please choose a teacher.'),
  reason: reason(),
  /** It goes to somebody who is away then: the director says so. */
  evenAway: boolean().default(false),
});

/** Classes of a course that are published together, as they were seen. */
export const publishManyForm = object({ once: once(), course: id(), seen: seen() });

/** A class, as it was seen, given into other hands. */
export const handOverForm = object({ once: once(), session: id(), version: version(), teacher: id().required('Please choose a teacher.') });

export const sessionNoteForm = object({ once: once(), session: id(), text: line('a few words', FORM_LIMITS.logNote) });

export const noteReadForm = object({ session: id() });

export const templateForm = object({ once: once(), session: id(), name: line('a name', FORM_LIMITS.name) });

export const templateGoneForm = object({ id: id(), version: version() });

/** What blocks could be taken from: classes by the name of their course, or the nearest. */
export const blockSourcesForm = object({ session: id(), name: words(FORM_LIMITS.name) });

/** Where blocks are taken from: a template or another class. */
export const takeBlocksForm = object({ from: oneOf(['template', 'class'] as const), id: id() });

export type BlocksInput = InferType<typeof blocksForm>;
