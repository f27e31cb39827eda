import { array, number, object, string, type InferType } from 'yup';
import { QUESTION_IDS } from '@/core/conventions';
import { LOUDNESS, WORDED, wordingProblem } from '@/core/cues';
import { FORM_LIMITS } from './limits';
import { day, family, id, line, oneOf, once, technique, version } from './rules';

export const closureForm = object({
  once: once(),
  from: day('the first closed day'),
  until: day('the last closed day').test(
    'order',
    'The last day is before the first: a closure ends on or after the day it starts.',
    (value, { parent }) => !value || !parent.from || value >= parent.from,
  ),
  reason: line('the reason', FORM_LIMITS.name),
});

export const removeForm = object({ id: id() });

/** The length of a natural breath alone, for looking ahead at what it would change. */
export const paceForm = object({
  naturalSeconds: number()
    .typeError('A natural breath is a number of seconds.')
    .required('Please give the natural breath.')
    .min(FORM_LIMITS.naturalSeconds.least, `At least ${FORM_LIMITS.naturalSeconds.least} s.`)
    .max(FORM_LIMITS.naturalSeconds.most, `At most ${FORM_LIMITS.naturalSeconds.most} s.`),
});

export const schoolsForm = object({
  version: version(),
  /** The technique whose own ways these are; null for the studio's. */
  technique: technique().nullable().default(null),
  ways: array()
    .of(object({ question: oneOf(QUESTION_IDS), way: string().nullable().default(null).max(80) }))
    .max(QUESTION_IDS.length)
    .required(),
});

const { guards: G } = FORM_LIMITS;

const within = (what: string, { least, most }: { readonly least: number; readonly most: number }) =>
  number()
    .transform((value: unknown, original: unknown) => (original === '' ? undefined : value))
    .typeError(`${what}: a number.`)
    .required(`${what}: a number.`)
    .min(least, `At least ${least}.`)
    .max(most, `At most ${most}.`);

/** How fast things grow in a studio, and when a climb goes on. */
export const guardsForm = object({
  version: version(),
  weekMinutes: within('Minutes a week', G.weekMinutes),
  weekPercent: within('Percent a week', G.weekPercent),
  restMinutes: within('Minutes of rest', G.restMinutes),
  classesOnAStep: within('Classes on a step', G.classesOnAStep).integer('Whole classes.'),
  growingSteps: within('Growing weeks', G.growingSteps).integer('Whole weeks.'),
  holdThree: within('Seconds', G.holdThree),
  holdFour: within('Seconds', G.holdFour),
  easyPercent: within('Percent', G.easyPercent),
  strainedPercent: within('Percent', G.strainedPercent),
  finishPercent: within('Percent', G.finishPercent),
});

export const conventionsForm = paceForm.shape({
  version: version(),
  tempoSeconds: number()
    .typeError('Tempo is a number of seconds.')
    .required('Please give the tempo.')
    .min(FORM_LIMITS.tempo.least / 1000, `A count of at least ${FORM_LIMITS.tempo.least / 1000} s.`)
    .max(FORM_LIMITS.tempo.most / 1000, `A count of at most ${FORM_LIMITS.tempo.most / 1000} s.`),
});

export const speechForm = object({
  version: version(),
  loudness: oneOf(LOUDNESS),
  wordsPerSecond: number()
    .typeError('Words a second is a number.')
    .required('Please give the words a second.')
    .min(FORM_LIMITS.wordsPerSecond.least, 'At least one word a second.')
    .max(FORM_LIMITS.wordsPerSecond.most, 'At most five words a second.'),
  /** A word behind every count; its length becomes the tempo. */
  spacer: string()
    .trim()
    .default('')
    .max(FORM_LIMITS.spacer, `At most ${FORM_LIMITS.spacer} characters.`)
    .matches(/^[^\p{Cc}\p{Cf}\d{}]*$/u, 'A word or two, without numbers.'),
  lines: array()
    .of(
      object({
        family: family(),
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
    .max(FORM_LIMITS.lines, 'At most sixty lines.')
    .default([]),
});

export type SpeechInput = InferType<typeof speechForm>;

export type GuardsInput = InferType<typeof guardsForm>;
