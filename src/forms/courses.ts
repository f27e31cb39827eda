import { array, boolean, number, object, type InferType, string } from 'yup';
import { BENDS, BREATHS, COURSE_LIMITS, PACES, STEP_ANSWERS, USUAL_ARC } from '@/core/course';
import { FORM_LIMITS } from './limits';
import { clock, day, dose, id, line, oneOf, once, optionalDay, pattern, seen, slug, technique, version, whole, words } from './rules';

export const cohortForm = object({
  once: once(),
  name: line('the cohort a name', FORM_LIMITS.name),
  about: words(FORM_LIMITS.about),
  practises: array().of(technique()).max(FORM_LIMITS.practises).default([]),
  /** Where they sit when nothing else is said. */
  seat: oneOf(['floor', 'chair'] as const).default('floor'),
});

export const courseForm = object({
  once: once(),
  name: line('the course a name', FORM_LIMITS.courseName),
  cohort: id().required('Please choose a cohort.'),
  firstDate: day('the first day'),
  weeks: whole('Weeks', 1, FORM_LIMITS.weeks).min(1, 'A course of no weeks ends before it starts. Give at least 1.'),
  weekdays: array()
    .of(number().required().integer().min(1).max(7))
    .max(7)
    .min(1, 'Choose at least one weekday.')
    .required('Choose at least one weekday.'),
  start: clock('the time it starts'),
  minutes: whole('Minutes', FORM_LIMITS.minutes.least, FORM_LIMITS.minutes.most),
  teacher: id().required('Please choose a teacher.'),
  /** The director says of the group that it is settled. */
  settled: boolean().default(false),
  arc: object({ pace: oneOf(PACES).default(USUAL_ARC.pace), breath: oneOf(BREATHS).default(USUAL_ARC.breath) }).default(USUAL_ARC),
  goals: array()
    .test(
      'once',
      'A goal stands here twice: say it once, with what it should reach.',
      (goals) => new Set((goals ?? []).map((goal) => goal?.technique)).size === (goals ?? []).length,
    )
    .of(
      object({
        technique: technique(),
        pattern: pattern(),
        dose: dose(),
        practise: whole('Practised', 1, FORM_LIMITS.practise),
        by: optionalDay(),
        everyDays: number()
          .nullable()
          .default(null)
          .transform((value: unknown, original: unknown) => (original === '' ? null : value))
          .typeError('Days are a number.')
          .integer('Whole days.')
          .min(0, 'Not less than no days.')
          .max(FORM_LIMITS.everyDays, `At most ${FORM_LIMITS.everyDays} days.`),
        stepMinutes: number()
          .nullable()
          .default(null)
          .transform((value: unknown, original: unknown) => (original === '' ? null : value))
          .typeError('Minutes are a number.')
          .min(FORM_LIMITS.stepMinutes.least, `At least ${FORM_LIMITS.stepMinutes.least} minutes.`)
          .max(FORM_LIMITS.stepMinutes.most, `At most ${FORM_LIMITS.stepMinutes.most} minutes.`),
        /** Percent of the people who are to be ready for it; empty where it is not asked. */
        ready: number()
          .nullable()
          .default(null)
          .transform((value: unknown, original: unknown) => (original === '' ? null : value))
          .typeError('Percent are a number.')
          .integer('Whole percent.')
          .min(1, 'At least 1 %, or nothing.')
          .max(100, 'At most 100 %.'),
      }),
    )
    .min(1, 'Choose at least one goal.')
    .max(FORM_LIMITS.goals, `At most ${FORM_LIMITS.goals} goals.`)
    .required(),
});

/** Whether published classes stay as they are, or follow what changes and go out again. */
const published = () => oneOf(['stay', 'follow'] as const).default('stay');

/** A course as somebody saw it. */
const asSeen = { course: id(), version: version(), seen: seen() };

/** What a course that stands is asked for. */
export const changeCourseForm = courseForm.omit(['once']).shape({
  ...asSeen,
  /** What the cohort practises already; null leaves it as it is. */
  already: array().of(technique()).max(FORM_LIMITS.practises).nullable().default(null),
  published: published(),
  /** Whether planned blocks stay, or are drafted anew. */
  then: oneOf(['keep', 'draft'] as const).default('keep'),
});

/** A request while it is typed, new or of a course that stands: what its weeks can give is asked of it. */
export const giveForm = courseForm.omit(['once', 'name']).shape({
  course: id().nullable().default(null),
  already: array().of(technique()).max(FORM_LIMITS.practises).nullable().default(null),
});

export const draftForm = object({ ...asSeen, published: published() });

/** A class that is not held, why, and what becomes of the rest. */
export const cancelForm = object({
  ...asSeen,
  session: id(),
  reason: line('a reason', FORM_LIMITS.reason),
  bend: oneOf(BENDS),
  published: published(),
});

/** Classes that fall into closed days, and what becomes of the rest. */
export const closedForm = object({ ...asSeen, bend: oneOf(BENDS), published: published() });

/** A class put back on a day that is open again. */
export const reopenForm = object({ ...asSeen, date: day('the day'), published: published() });

export const endForm = object({ ...asSeen, reason: line('a reason', FORM_LIMITS.reason) });

/** Something pinned where it stands, or let go. */
export const pinForm = object({ course: id(), block: id(), pinned: boolean().required(), seen: seen() });

/** What is done about a climb by hand. */
export const answerStepForm = object({ ...asSeen, technique: technique(), answer: oneOf(STEP_ANSWERS) });

export const acceptForm = object({
  course: id(),
  version: version(),
  key: line('the check', FORM_LIMITS.checkKey),
  reason: line('a reason', FORM_LIMITS.reason),
});

export const copyForm = courseForm.pick(['once', 'name', 'cohort', 'firstDate', 'teacher']).shape({ course: id() });

/** A draft that was worked out on a page: the techniques of the classes that are taken from it. */
export const keepDraftForm = object({
  ...asSeen,
  published: published(),
  classes: array()
    .of(
      object({
        session: id(),
        techniques: array()
          .of(object({ technique: technique(), pattern: pattern(), dose: dose() }))
          .max(COURSE_LIMITS.mostTechniques, `At most ${COURSE_LIMITS.mostTechniques} techniques in a class.`)
          .required(),
      }),
    )
    .min(1, 'Take at least one class.')
    .max(FORM_LIMITS.weeks * 7)
    .required(),
});

/** Changes of a request that were offered as mends. */
export const mendCourseForm = object({
  course: id(),
  version: version(),
  seen: seen(),
  mends: array()
    .of(
      object({
        code: oneOf(['weeks', 'minutes', 'hour', 'times', 'later', 'settled', 'without', 'practise', 'unpin', 'arrive', 'ready'] as const),
        technique: slug('No such technique.'),
        number: number().nullable().default(null).integer(),
        hour: oneOf(['m', 'd', 'e'] as const)
          .nullable()
          .notRequired(),
        /** Where a climb is to arrive instead. */
        way: object({ pattern: pattern(), dose: dose() }).optional().default(undefined),
      }),
    )
    .min(1)
    // One for each goal that has no place, at most.
    .max(FORM_LIMITS.goals)
    .required(),
});

/** One review, where it helps most. */
export const reviewForm = object({ course: id(), session: id(), technique: technique(), seen: seen() });

export const moveForm = object({ course: id(), block: id(), to: id(), seen: seen() });

export const mendForm = object({
  course: id(),
  session: id(),
  kind: oneOf(['move', 'shorten rest', 'add preparation'] as const),
  block: id(),
  /** Which preparation is added. */
  part: slug('No such part.'),
  seen: seen(),
});

export type CopyInput = InferType<typeof copyForm>;
export type CourseInput = InferType<typeof courseForm>;
export type ChangeCourseInput = InferType<typeof changeCourseForm>;

/** A course's file, looked through; and where it is to stand when it comes in. */
export const packageFileForm = object({ once: once(), text: string().required('Please choose a file.') });

export const packageForm = packageFileForm.shape({
  cohort: id().required('Please choose a cohort.'),
  firstDate: day('the first day'),
  teacher: id().required('Please choose a teacher.'),
});

/** One class of its own: a workshop, or a single evening. */
export const singleForm = object({
  once: once(),
  name: line('the class a name', FORM_LIMITS.courseName),
  cohort: id().required('Please choose a cohort.'),
  date: day('the day'),
  start: clock('the hour'),
  minutes: whole('Minutes', FORM_LIMITS.minutes.least, FORM_LIMITS.minutes.most),
  teacher: id().required('Please choose a teacher.'),
});
