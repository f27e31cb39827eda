import { array, boolean, number, object, string, type InferType } from 'yup';
import { ROSTER_LIMITS } from '@/core/exchange';
import { ASKED, SAID } from '@/core/screening';
import { FORM_LIMITS } from './limits';
import { day, id, line, oneOf, once, optionalDay, version, words } from './rules';

const email = () =>
  string()
    .trim()
    .lowercase()
    .nullable()
    .default(null)
    .transform((value: unknown) => (value === '' ? null : value))
    .max(FORM_LIMITS.email, `At most ${FORM_LIMITS.email} characters.`)
    .email('An e-mail address such as name@post.example.');

const comfort = () =>
  number()
    .transform((value: unknown, original: unknown) => (original === '' || original === null ? null : value))
    .nullable()
    .default(null)
    .typeError('A number of counts.')
    .integer('A whole number of counts.')
    .min(FORM_LIMITS.comfort.least, `At least ${FORM_LIMITS.comfort.least} counts.`)
    .max(FORM_LIMITS.comfort.most, `At most ${FORM_LIMITS.comfort.most} counts.`);

/** The answers of one screening form, "no" among them. What was asked and is not here was passed over, which is no answer. */
const answers = {
  birthDate: optionalDay(),
  guardianConsent: boolean().default(false),
  answers: array()
    .of(
      object({
        condition: oneOf(ASKED.map((condition) => condition.id)),
        answer: oneOf(SAID),
        date: optionalDay(),
        /** Parts of the question; what is not here is not known. */
        parts: array()
          .of(object({ id: string().required().max(40), said: oneOf(SAID) }))
          .max(4)
          .default([]),
      }),
    )
    .max(ASKED.length)
    .default([]),
};

export const personForm = object({
  once: once(),
  cohort: id(),
  name: line('a name', FORM_LIMITS.name),
  email: email(),
  /** Whether a form was filled in: nobody is screened who was asked nothing. */
  screened: boolean().default(false),
  screenedOn: optionalDay(),
  ...answers,
});

/** A person as the studio knows them; nothing of their health. */
export const aboutPersonForm = object({
  person: id(),
  version: version(),
  name: line('a name', FORM_LIMITS.name),
  email: email(),
  cohort: id(),
  comfortIn: comfort(),
  comfortOut: comfort(),
});

export const leaveForm = object({ person: id(), version: version(), back: boolean().default(false) });

/** A paper form typed in for somebody who is there already. */
export const screeningForm = object({ once: once(), person: id(), screenedOn: day('the day it was filled in'), ...answers });

/** A form that a person answers by their link. */
export const linkAnswersForm = object({
  consent: boolean().oneOf([true], 'Please tick that you agree, or leave the form: nothing is kept then.').required(),
  ...answers,
});

export const askByItselfForm = object({ on: boolean().required(), version: version() });

const people = () => array().of(id()).min(1, 'Choose at least one person.').max(FORM_LIMITS.people).required();

export const peopleForm = object({ people: people() });

export const sendFormsForm = object({ once: once(), people: people() });

const rules = () => array().of(string().required().max(200)).min(1, 'Choose at least one rule.').max(FORM_LIMITS.rules).required();

export const clinicianForm = object({
  once: once(),
  person: id(),
  rules: rules(),
  answeredOn: day('the day of the answer'),
  until: day('the last day it holds'),
  note: words(FORM_LIMITS.note),
});

export const overrideForm = object({
  once: once(),
  person: id(),
  rules: rules(),
  reason: line('the reason, in a sentence', FORM_LIMITS.reason).min(FORM_LIMITS.sentence, 'The reason stays in the record: give it in a sentence.'),
  until: day('the last day it holds'),
});

export const endOverrideForm = object({ person: id(), override: id() });

export const whyForm = object({
  person: id(),
  why: line('the reason', FORM_LIMITS.why).min(FORM_LIMITS.fewWords, 'The reason stays in the record: give it in a few words.'),
});

export const eraseForm = object({ person: id(), name: string().required('Type the name to be sure.') });

export const rosterForm = object({
  once: once(),
  cohort: id(),
  text: string()
    .required('Please choose a file.')
    .max(ROSTER_LIMITS.characters, `This file is too large: ${ROSTER_LIMITS.characters / 1e6} million characters at most.`),
  mapping: object({ name: string().default(''), email: string().default(''), birthDate: string().default('') }).required(),
  dayFirst: boolean().nullable().default(null),
  /** For rows that look like somebody who is here: the row's number and what to do. */
  merge: array()
    .of(
      object({
        row: number().required().integer(),
        as: oneOf(['the same person', 'another person'] as const),
        /** The version the person was seen at. */
        version: number().nullable().default(null).integer(),
      }),
    )
    .max(ROSTER_LIMITS.rows)
    .default([]),
});

export type PersonInput = InferType<typeof personForm>;
export type AnswersInput = Pick<PersonInput, 'birthDate' | 'guardianConsent' | 'answers'>;
export type AboutPersonInput = InferType<typeof aboutPersonForm>;
