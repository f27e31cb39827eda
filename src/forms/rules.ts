import { array, mixed, number, object, string } from 'yup';
import { formatDose, formatPattern, parseDose, parsePattern, problemText } from '@/core/pattern';
import { isIsoDate } from '@/core/units';
import { FORM_LIMITS } from './limits';

/** The building stones of every form. The same schema checks in the browser and on the server. */

export const line = (what: string, most = 80) =>
  string()
    .trim()
    .required(`Please give ${what}.`)
    .max(most, `At most ${most} characters.`)
    .matches(/^[^\p{Cc}\p{Cf}]*$/u, 'Only letters, numbers and signs that can be seen.');

/** What no text holds: it ends a text for the database, and nobody types it. */
// eslint-disable-next-line no-control-regex -- the one character that is meant
export const NUL = /\u0000/;

export const words = (most: number) =>
  string()
    .trim()
    .default('')
    .max(most, `At most ${most} characters.`)
    .test('seen', 'A character that cannot be seen or kept is in this text. Please type it again.', (value) => !NUL.test(value ?? ''));

export const ID = /^[\da-f]{8}(-[\da-f]{4}){3}-[\da-f]{12}$/;

export const id = () => string().required('Please choose one.').matches(ID, 'This is not something of ours.');

/** The id a form was opened with: sent twice, it is done once. */
export const once = () => string().required('Open this form again, please.').matches(ID, 'Open this form again, please.');

/** The version of something that was seen. */
export const version = () => number().required().integer();

/** A word the library knows something by; whether it does is for the use case to say. */
const WORD = /^[a-z\d-]{1,60}$/;

export const technique = () => string().required('Please choose a technique.').matches(WORD, 'No such technique.');

export const family = () => string().required('Please choose a technique.').matches(WORD, 'No such technique.');

export const slug = (message: string) =>
  string()
    .nullable()
    .default(null)
    .test('slug', message, (value) => value == null || WORD.test(value));

export const optionalId = () =>
  string()
    .nullable()
    .default(null)
    .test('id', 'This is not something of ours.', (value) => value == null || ID.test(value));

export const day = (what: string) =>
  string()
    .required(`Please give ${what}.`)
    .test('date', 'A date such as 2026-11-24.', (value) => isIsoDate(value));

export const optionalDay = () =>
  string()
    .nullable()
    .default(null)
    .transform((value: unknown) => (value === '' ? null : value))
    .test('date', 'A date such as 2026-11-24.', (value) => value == null || isIsoDate(value));

export const whole = (what: string, low: number, high: number) =>
  number()
    .transform((value: unknown, original: unknown) => (original === '' ? undefined : value))
    .typeError(`${what} is a number.`)
    .required(`Please give ${what.toLowerCase()}.`)
    .integer(`${what} is a whole number.`)
    .min(low, `${what}: at least ${low}.`)
    .max(high, `${what}: at most ${high}.`);

export const clock = (what: string) =>
  string()
    .required(`Please give ${what}.`)
    .matches(/^([01]\d|2[0-3]):[0-5]\d$/, 'A time such as 18:30.');

/** A line of breath notation; becomes its canonical text. */
export const pattern = () =>
  string()
    .required('Please write a pattern.')
    .max(FORM_LIMITS.pattern, `A pattern of at most ${FORM_LIMITS.pattern} characters.`)
    .test('pattern', 'This pattern does not read.', (value, context) => {
      const parsed = parsePattern(value ?? '');
      return parsed.ok || context.createError({ message: parsed.problems.map(problemText).join(' ') });
    })
    .transform((value: unknown) => canonical(value, parsePattern, formatPattern));

/** A dose; becomes its canonical text. */
export const dose = () =>
  string()
    .required('Please write a dose.')
    .max(FORM_LIMITS.dose, `A dose of at most ${FORM_LIMITS.dose} characters.`)
    .test('dose', 'This dose does not read.', (value, context) => {
      const parsed = parseDose(value ?? '');
      return parsed.ok || context.createError({ message: parsed.problems.map(problemText).join(' ') });
    })
    .transform((value: unknown) => canonical(value, parseDose, formatDose));

function canonical<T>(
  value: unknown,
  parse: (line: string) => { ok: true; value: T } | { ok: false; problems: unknown },
  format: (value: T) => string,
): unknown {
  if (typeof value !== 'string') return value;
  const parsed = parse(value);
  return parsed.ok ? format(parsed.value) : value;
}

export const oneOf = <T extends string>(choices: readonly T[], message = 'Please choose one.') =>
  mixed<T>()
    .oneOf([...choices], message)
    .required(message);

/** One of some choices, or none. */
export const maybe = <T extends string>(choices: readonly T[]) =>
  mixed<T>()
    .nullable()
    .default(null)
    .oneOf([...choices, null], 'Please choose one.');

/** The version of every session that a page showed. */
export const seen = () =>
  array()
    .of(object({ session: id(), version: version() }))
    .max(FORM_LIMITS.weeks * 7)
    .required();
