import { array, boolean, mixed, number, object, string, type InferType } from 'yup';
import { QUESTION_IDS } from '@/core/conventions';
import { LOUDNESS, WORDED, wordingProblem } from '@/core/cues';
import { ROSTER_LIMITS } from '@/core/exchange';
import { ANSWERS, ASKED, changeProblem, FEATURE_CHOICES, STOP_SIGNS, type RuleChange } from '@/core/screening';
import { FAMILIES, findPart, findTechnique } from '@/core/techniques';
import { EFFORTS, LOG_NOTE_MOST, REACHED } from './log';
import { clock, day, dose, id, line, oneOf, optionalDay, optionalId, pattern, whole, words } from './rules';

/** One change of the rulebook, as plain data; whether it makes sense is for the core to say. */
function ruleChange() {
  return mixed<RuleChange>()
    .required()
    .test('change', 'This is no change of a rule.', (value, context) => {
      const problem = readRuleChange(value);
      return problem === null || context.createError({ message: problem });
    });
}

/** Every form of the product, as the schema that browser and server both check. */

export const signInForm = object({
  email: string().trim().required('Please give your e-mail.').max(200).email('An e-mail address such as name@studio.example.'),
  password: string().required('Please give your password.').max(200),
});

const email = () =>
  string()
    .trim()
    .lowercase()
    .nullable()
    .default(null)
    .transform((value: unknown) => (value === '' ? null : value))
    .max(200, 'At most 200 characters.')
    .email('An e-mail address such as name@post.example.');

const comfort = () =>
  number()
    .transform((value: unknown, original: unknown) => (original === '' || original === null ? null : value))
    .nullable()
    .default(null)
    .typeError('A number of counts.')
    .integer('A whole number of counts.')
    .min(2, 'At least 2 counts.')
    .max(30, 'At most 30 counts.');

/** The answers of one screening form, "no" among them. What was asked and is not here was passed over, which is no answer. */
const answers = {
  birthDate: optionalDay(),
  guardianConsent: boolean().default(false),
  answers: array()
    .of(
      object({
        condition: oneOf(ASKED.map((condition) => condition.id)),
        answer: oneOf(['no', 'yes', "don't know", 'prefer not to say'] as const),
        date: optionalDay(),
        states: array().of(string().required().max(40)).default([]),
      }),
    )
    .max(ASKED.length)
    .default([]),
};

export const personForm = object({
  cohort: id(),
  name: line('a name', 60),
  email: email(),
  screened: boolean().default(true),
  screenedOn: optionalDay(),
  ...answers,
});

/** A person as the studio knows them; nothing of their health. */
export const aboutPersonForm = object({
  person: id(),
  version: number().required().integer(),
  name: line('a name', 60),
  email: email(),
  cohort: id(),
  comfortIn: comfort(),
  comfortOut: comfort(),
});

export const leaveForm = object({ person: id(), version: number().required().integer(), back: boolean().default(false) });

/** A paper form typed in for somebody who is there already. */
export const screeningForm = object({ person: id(), screenedOn: day('the day it was filled in'), ...answers });

/** A form that a person answers by their link. */
export const linkAnswersForm = object({
  consent: boolean().oneOf([true], 'Please tick that you agree, or leave the form: nothing is kept then.').required(),
  ...answers,
});

export const askByItselfForm = object({ on: boolean().required() });

export const peopleForm = object({ people: array().of(id()).min(1, 'Choose at least one person.').max(500).required() });

const rules = () => array().of(string().required().max(200)).min(1, 'Choose at least one rule.').max(60).required();

export const clinicianForm = object({
  person: id(),
  rules: rules(),
  answeredOn: day('the day of the answer'),
  until: day('the last day it holds'),
  note: words(300),
});

export const overrideForm = object({
  person: id(),
  rules: rules(),
  reason: line('the reason, in a sentence', 300).min(8, 'The reason stays in the record: give it in a sentence.'),
  until: day('the last day it holds'),
});

export const endOverrideForm = object({ person: id(), override: id() });

export const whyForm = object({ person: id(), why: line('the reason', 200).min(4, 'The reason stays in the record: give it in a few words.') });

export const eraseForm = object({ person: id(), name: string().required('Type the name to be sure.') });

export const rosterForm = object({
  cohort: id(),
  text: string()
    .required('Please choose a file.')
    .max(ROSTER_LIMITS.characters, `This file is too large: ${ROSTER_LIMITS.characters / 1e6} million characters at most.`),
  mapping: object({ name: string().default(''), email: string().default(''), birthDate: string().default('') }).required(),
  dayFirst: boolean().nullable().default(null),
  /** For rows that look like somebody who is here: the row's number and what to do. */
  merge: array()
    .of(object({ row: number().required().integer(), as: oneOf(['the same person', 'another person'] as const) }))
    .default([]),
});

export const rulebookForm = object({ number: number().required().integer().min(0), changes: array().of(ruleChange()).max(200).required() });

const technique = () =>
  string()
    .required('Please choose a technique.')
    .test('technique', 'No such technique.', (value) => value == null || findTechnique(value) !== null);

export const cohortForm = object({
  name: line('the cohort a name', 60),
  about: words(200),
  practises: array().of(technique()).max(60).default([]),
});

export const courseForm = object({
  name: line('the course a name'),
  cohort: id().required('Please choose a cohort.'),
  firstDate: day('the first day'),
  weeks: whole('Weeks', 1, 26).min(1, 'A course of no weeks ends before it starts. Give at least 1.'),
  weekdays: array().of(number().required().integer().min(1).max(7)).min(1, 'Choose at least one weekday.').required('Choose at least one weekday.'),
  start: clock('the time it starts'),
  minutes: whole('Minutes', 15, 180),
  teacher: id().required('Please choose a teacher.'),
  goals: array()
    .of(object({ technique: technique(), pattern: pattern(), dose: dose(), practise: whole('Practised', 1, 20) }))
    .min(1, 'Choose at least one goal.')
    .max(12, 'At most twelve goals.')
    .required(),
});

const tempo = () => whole('Tempo', 400, 3000).min(400, 'A count of at least 0.4 s.').max(3000, 'A count of at most 3 s.');

export const blocksForm = object({
  session: id(),
  version: number().required().integer(),
  blocks: array()
    .of(
      object({
        id: id(),
        technique: string()
          .nullable()
          .default(null)
          .test('technique', 'No such technique.', (value) => value == null || findTechnique(value) !== null),
        part: string()
          .nullable()
          .default(null)
          .test('part', 'No such part.', (value) => value == null || findPart(value) !== null),
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
              .min(0.5, 'At least half a minute.')
              .max(90, 'At most 90 minutes.'),
          otherwise: (schema) => schema.nullable().default(null),
        }),
      }).test('either', 'A block is a technique or a part.', (block) => Boolean(block.technique) !== Boolean(block.part)),
    )
    .max(40, 'At most forty blocks.')
    .required(),
});

export const ownWayForm = object({
  /** Null for a new one. */
  id: optionalId(),
  version: number().required().integer().default(0),
  base: technique(),
  name: line('it a name', 60),
  pattern: pattern(),
  dose: dose(),
});

export const waysFileForm = object({
  text: string().required('Please choose a file.').max(1_000_000, 'This file is too large: a million characters at most.'),
});

export const cohortChoice = object({ id: id() });

export const archiveWayForm = object({ id: id(), version: number().required().integer() });

export const publishForm = object({ session: id(), version: number().required().integer(), teacher: id().required('Please choose a teacher.') });

export const draftForm = object({ course: id(), version: number().required().integer() });

export const moveForm = object({ course: id(), version: number().required().integer(), block: id(), to: id() });

export const acknowledgeForm = object({ session: id(), plan: id() });

export const mendForm = object({
  course: id(),
  version: number().required().integer(),
  session: id(),
  kind: oneOf(['move', 'shorten rest', 'add preparation'] as const),
  block: id(),
});

export const closureForm = object({
  from: day('the first closed day'),
  until: day('the last closed day').test(
    'order',
    'The last day is before the first: a closure ends on or after the day it starts.',
    (value, { parent }) => !value || !parent.from || value >= parent.from,
  ),
  reason: line('the reason', 60),
});

export const removeForm = object({ id: id() });

/** The length of a natural breath alone, for looking ahead at what it would change. */
export const paceForm = object({
  naturalSeconds: number()
    .typeError('A natural breath is a number of seconds.')
    .required('Please give the natural breath.')
    .min(1.5, 'At least 1.5 s.')
    .max(15, 'At most 15 s.'),
});

export const schoolsForm = object({
  version: number().required().integer(),
  /** The technique whose own ways these are; null for the studio's. */
  technique: technique().nullable().default(null),
  ways: array()
    .of(object({ question: oneOf(QUESTION_IDS), way: string().nullable().default(null).max(80) }))
    .max(QUESTION_IDS.length)
    .required(),
});

export const conventionsForm = paceForm.shape({
  version: number().required().integer(),
  tempoSeconds: number()
    .typeError('Tempo is a number of seconds.')
    .required('Please give the tempo.')
    .min(0.4, 'A count of at least 0.4 s.')
    .max(3, 'A count of at most 3 s.'),
});

export const speechForm = object({
  version: number().required().integer(),
  loudness: oneOf(LOUDNESS),
  wordsPerSecond: number()
    .typeError('Words a second is a number.')
    .required('Please give the words a second.')
    .min(1, 'At least one word a second.')
    .max(5, 'At most five words a second.'),
  lines: array()
    .of(
      object({
        family: oneOf(FAMILIES.map((family) => family.id)),
        phase: oneOf(WORDED),
        text: string()
          .trim()
          .default('')
          .test('wording', 'This line does not work.', (value, context) => {
            const problem = wordingProblem(value ?? '');
            return problem === null || context.createError({ message: problem });
          }),
      }),
    )
    .max(60, 'At most sixty lines.')
    .default([]),
});

export const qualificationsForm = object({
  staff: id(),
  version: number().required().integer(),
  families: array()
    .of(oneOf(FAMILIES.map((family) => family.id)))
    .required(),
});

export const logForm = object({
  id: id(),
  session: id(),
  plan: id(),
  reached: oneOf(REACHED),
  note: words(LOG_NOTE_MOST),
  attendance: array()
    .of(object({ person: id(), came: boolean().required(), effort: oneOf(EFFORTS), stopSigns: array().of(oneOf(STOP_SIGNS)).default([]) }))
    .max(200)
    .required(),
});

export type PersonInput = InferType<typeof personForm>;
export type CourseInput = InferType<typeof courseForm>;
export type SpeechInput = InferType<typeof speechForm>;
export type BlocksInput = InferType<typeof blocksForm>;

/** What is wrong with something that should be a change of a rule. */
function readRuleChange(value: unknown): string | null {
  if (typeof value !== 'object' || value === null || !('kind' in value)) return 'This is no change of a rule.';
  const change = value as RuleChange;
  if (change.kind !== 'add' && change.kind !== 'change') return 'This is no change of a rule.';
  if (typeof change.reason !== 'string' || typeof change.reviewer !== 'string' || change.reason.length > 300 || change.reviewer.length > 80)
    return 'A reason of at most 300 and a reviewer of at most 80 characters.';
  if (!(ANSWERS as readonly string[]).includes(change.answer)) return 'There is no such answer.';
  if (change.kind === 'add' && !FEATURE_CHOICES.some((feature) => JSON.stringify(feature) === JSON.stringify(change.feature)))
    return 'There is no such feature.';
  return changeProblem(change);
}

export type AnswersInput = Pick<InferType<typeof personForm>, 'birthDate' | 'guardianConsent' | 'answers'>;
export type AboutPersonInput = InferType<typeof aboutPersonForm>;
