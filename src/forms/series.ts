import { array, boolean, number, object, string, type InferType } from 'yup';
import { DAY_KINDS, DID, MISSED_RULES, SERIES_LIMITS } from '@/core/series';
import { ALL_SIGNS } from '@/core/screening';
import { EFFORTS } from '@/core/teach';
import { FORM_LIMITS } from './limits';
import { clock, day, id, line, oneOf, once, optionalDay, optionalId, technique, version, whole, words } from './rules';

const { lengths } = SERIES_LIMITS;
const { dayMinutes, liveMinutes } = FORM_LIMITS;

const lastMinutes = () => whole('Minutes on the last day', dayMinutes.least, dayMinutes.most);
export const SHRINKS = 'The last day is no shorter than the first.';

/** A challenge series: for whom, from when, how long a day, and what each week is about. */
export const seriesForm = object({
  once: once(),
  name: line('the series a name', FORM_LIMITS.courseName),
  cohort: id().required('Please choose a cohort.'),
  teacher: id().required('Please choose who leads it.'),
  firstDate: day('the first day'),
  length: number()
    .required('Choose how many days.')
    .oneOf([...lengths], `A series has ${lengths.slice(0, -1).join(', ')} or ${lengths.at(-1)} days.`),
  start: clock('the hour'),
  from: whole('Minutes on day 1', dayMinutes.least, dayMinutes.most),
  to: lastMinutes().test('grows', SHRINKS, (to, { parent }) => to >= (parent as { from: number }).from),
  gentleEvery: whole('Gentle every … days', 0, 14),
  live: array().of(number().required().integer().min(1).max(7)).max(7).default([]),
  liveMinutes: whole('Minutes of a live day', liveMinutes.least, liveMinutes.most).default(30),
  missed: oneOf(MISSED_RULES),
  themes: array()
    .of(
      object({
        techniques: array().of(technique()).max(FORM_LIMITS.theme, `At most ${FORM_LIMITS.theme} in a week.`).required(),
        pairs: boolean().default(false),
      }),
    )
    .max(6)
    .test('some', 'Choose at least one technique for some week.', (themes) => (themes ?? []).some(({ techniques = [] }) => techniques.length > 0))
    .required(),
});

const asSeen = { series: id(), version: version() };

/** One change of the days, by hand. */
export const seriesEditForm = object({
  ...asSeen,
  do: oneOf(['swap', 'move', 'kind', 'practice'] as const),
  day: number().required().integer().min(1).max(60),
  with: number().nullable().default(null).integer(),
  kind: oneOf(DAY_KINDS).nullable().default(null).notRequired(),
  practices: array()
    .of(
      object({
        technique: technique(),
        pattern: string().required().max(FORM_LIMITS.pattern),
        minutes: number()
          .typeError('Minutes are a number.')
          .required('Say how many minutes.')
          .min(0.5, 'At least half a minute.')
          .max(dayMinutes.most, `At most ${dayMinutes.most} minutes.`)
          .test('halves', 'Whole or half minutes.', (value) => value * 2 === Math.round(value * 2)),
      }),
    )
    .max(FORM_LIMITS.dayPractices, `At most ${FORM_LIMITS.dayPractices} in a day.`)
    .default([])
    .test(
      'together',
      `At most ${dayMinutes.most} minutes in a day.`,
      (practices) => practices.reduce((sum, { minutes }) => sum + minutes, 0) <= dayMinutes.most,
    ),
});

export const seriesSeenForm = object(asSeen);
/** The days drafted again; with one of the mends of what does not come, by its place. */
export const seriesAgainForm = object({
  ...asSeen,
  technique: string().nullable().default(null),
  mend: number().nullable().default(null).integer().min(0).max(40),
});
/** What is asked of a series there is; once it has begun, the rest may be shorter than the first days were. */
export const seriesAskForm = seriesForm.omit(['once', 'cohort']).shape({ ...asSeen, to: lastMinutes() });
/** More days than it has. */
export const seriesLengthForm = object({
  ...asSeen,
  length: number()
    .required('Choose how many days.')
    .oneOf([...lengths], `A series has ${lengths.slice(0, -1).join(', ')} or ${lengths.at(-1)} days.`),
});
export const seriesPauseForm = object({
  ...asSeen,
  from: day('the first day of the pause'),
  until: day('the last day of the pause'),
  /** Live days stay on their weekdays: what comes after it is drafted anew, unless it is of whole weeks. */
  keepWeekdays: boolean().default(false),
});
export const seriesEndPauseForm = object({ ...asSeen, from: day('the first day of the pause') });
export const seriesCopyForm = seriesForm.pick(['once', 'name', 'cohort', 'teacher', 'firstDate']).shape({ series: id() });
/** Opens a series for whoever has its link, or closes it. */
export const openSeriesForm = object({ ...asSeen, open: boolean().required() });

/** Somebody who signs up by a series' link. */
export const signUpForm = object({
  name: line('your name', FORM_LIMITS.name),
  email: string()
    .trim()
    .required('Please give your e-mail: your page is sent there.')
    .max(FORM_LIMITS.email)
    .matches(/^[^\s@]+@[^\s@]+\.[^\s@]+$/, 'An e-mail address such as you@post.example.'),
  birthDate: optionalDay(),
  /** Nobody fills this in who sees the page. */
  website: string().default(''),
});

export const memberForm = object({ member: id() });
export const stepForm = object({ checkIn: id() });

/** A letter to those who are drifting off. */
export const letterForm = object({
  once: once(),
  series: id(),
  members: array().of(id()).min(1).max(FORM_LIMITS.people).required(),
  text: words(FORM_LIMITS.logNote).required('Write a line or two.'),
});

/** What somebody says of their day. */
export const checkInForm = object({
  date: optionalDay(),
  did: oneOf(DID),
  felt: oneOf(EFFORTS).nullable().default(null).notRequired(),
  easier: boolean().default(false),
  signs: array()
    .of(oneOf(ALL_SIGNS))
    .max(ALL_SIGNS.length)
    .default([])
    .test('which', 'Tick what felt wrong, or tap how it was.', (signs, { parent }) => !(parent as { wrong?: boolean }).wrong || signs.length > 0),
  /** Something felt wrong: then which sign it was is said too. */
  wrong: boolean().default(false),
  /** Made on the device with the tap: what is sent twice is there once. */
  tap: optionalId(),
});

export type SeriesInput = InferType<typeof seriesForm>;
export type SeriesEditInput = InferType<typeof seriesEditForm>;
