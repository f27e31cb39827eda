import {
  aboutPersonForm,
  clinicianForm,
  closureForm,
  cohortForm,
  conventionsForm,
  courseForm,
  endOverrideForm,
  linkAnswersForm,
  overrideForm,
  peopleForm,
  personForm,
  rulebookForm,
  schoolsForm,
  screeningForm,
  signInForm,
  whyForm,
} from '.';
import { ValidationError, type AnyObjectSchema } from 'yup';
import { FEATURE_CHOICES } from '@/core/screening';

const id = '01a20ff7-ff04-720a-9f07-ad3f44805478';

/** The fields a schema refuses, with what it says. */
async function refused(schema: AnyObjectSchema, input: object): Promise<Record<string, string>> {
  try {
    await schema.validate('once' in schema.fields ? { once: id, ...input } : input, { abortEarly: false, stripUnknown: true });
    return {};
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error;
    return Object.fromEntries(error.inner.map(({ path, message }) => [path ?? '', message]));
  }
}

test.each<[string, AnyObjectSchema, object]>([
  ['a sign-in', signInForm, { email: 'linnet@pellwick.example', password: 'x' }],
  ['a person', personForm, { cohort: id, name: 'Ada Q.', email: '', birthDate: '' }],
  ['a person with answers', personForm, { cohort: id, name: 'Ada', answers: [{ condition: 'heart', answer: 'yes' }] }],
  ['what is known of a person', aboutPersonForm, { person: id, version: 1, name: 'Ada', cohort: id, comfortIn: '', comfortOut: 4 }],
  ['a paper form', screeningForm, { person: id, screenedOn: '2026-11-25' }],
  ['a form by link', linkAnswersForm, { consent: true }],
  ['a clinician’s answer', clinicianForm, { person: id, rules: ['r'], answeredOn: '2026-11-25', until: '2026-12-25' }],
  ['an override', overrideForm, { person: id, rules: ['r'], reason: 'talked it through', until: '2026-12-25' }],
  ['the end of an override', endOverrideForm, { person: id, override: id }],
  ['a reason', whyForm, { person: id, why: 'a letter' }],
  ['a rulebook without changes', rulebookForm, { number: 0, changes: [] }],
  ['schools', schoolsForm, { version: 1, technique: null, ways: [{ question: 'hand', way: 'left' }] }],
  ['a pace', conventionsForm, { version: 1, tempoSeconds: 1.1, naturalSeconds: 4 }],
  ['a cohort', cohortForm, { name: 'Rowers', practises: ['belly'] }],
])('%s passes as it should be', async (_, schema, input) => {
  expect(await refused(schema, input)).toEqual({});
});

test.each<[string, AnyObjectSchema, object, Record<string, string | RegExp>]>([
  ['a sign-in', signInForm, { email: 'linnet', password: '' }, { email: /such as name@studio/, password: 'Please give your password.' }],
  ['a person without a name', personForm, { cohort: id, name: '  ' }, { name: 'Please give a name.' }],
  ['a name of signs that cannot be seen', personForm, { cohort: id, name: 'Ada\u202eQ' }, { name: /can be seen/ }],
  ['an address that is none', personForm, { cohort: id, name: 'Ada', email: 'ada at post' }, { email: /such as name@post/ }],
  ['a day that is none', personForm, { cohort: id, name: 'Ada', birthDate: '2026-02-30' }, { birthDate: /such as 2026-11-24/ }],
  [
    'a condition nobody asks',
    personForm,
    { cohort: id, name: 'Ada', answers: [{ condition: 'love', answer: 'yes' }] },
    { 'answers[0].condition': /choose one/ },
  ],
  [
    'comfort beyond breath',
    aboutPersonForm,
    { person: id, version: 1, name: 'Ada', cohort: id, comfortIn: 31, comfortOut: 2.5 },
    { comfortIn: 'At most 30 counts.', comfortOut: 'A whole number of counts.' },
  ],
  ['a form without its tick', linkAnswersForm, { consent: false }, { consent: /Please tick that you agree/ }],
  ['nobody', peopleForm, { people: [] }, { people: 'Choose at least one person.' }],
  [
    'a clinician without a rule',
    clinicianForm,
    { person: id, rules: [], answeredOn: '2026-11-25', until: '2026-12-25' },
    { rules: 'Choose at least one rule.' },
  ],
  ['an override without a sentence', overrideForm, { person: id, rules: ['r'], reason: 'ok', until: '2026-12-25' }, { reason: /in a sentence/ }],
  ['a reason of a letter', whyForm, { person: id, why: 'x' }, { why: /in a few words/ }],
  [
    'a change of nothing',
    rulebookForm,
    { number: 0, changes: [{ kind: 'change', rule: 'none', answer: 'watch', adaptation: null, reason: '', reviewer: '' }] },
    { 'changes[0]': /no such rule/ },
  ],
  [
    'two rules of our own with one id',
    rulebookForm,
    {
      number: 0,
      changes: ['twist', 'forward bend'].map((tag) => ({
        kind: 'add',
        id: '0193a1f0-0000-7000-8000-00000000000a',
        condition: 'neck',
        feature: FEATURE_CHOICES.find((feature) => feature.is === 'tag' && feature.of.includes(tag as 'twist')),
        answer: 'watch',
        adaptation: null,
        reason: 'read through at the yearly review',
        reviewer: '',
      })),
    },
    { changes: /the same id/ },
  ],
  ['a change that is a number', rulebookForm, { number: 0, changes: [7] }, { 'changes[0]': /no change of a rule/ }],
  ['a question nobody asks', schoolsForm, { version: 1, ways: [{ question: 'colour', way: 'green' }] }, { 'ways[0].question': /choose one/ }],
  [
    'a tempo of no breath',
    conventionsForm,
    { version: 1, tempoSeconds: 0.1, naturalSeconds: 99 },
    { tempoSeconds: /at least 0\.4/, naturalSeconds: /At most 15/ },
  ],
  ['what was not opened as a form', closureForm, { once: 'x', from: '2026-12-01', until: '2026-12-01', reason: 'floor' }, { once: /Open this form/ }],
  ['a closure that ends before it begins', closureForm, { from: '2026-12-02', until: '2026-12-01', reason: 'floor' }, { until: /before the first/ }],
  [
    'a course of no weeks',
    courseForm,
    { name: 'A', cohort: id, firstDate: '2026-12-01', weeks: 0, weekdays: [], start: '25:00', minutes: 60, teacher: id, goals: [] },
    { weeks: /ends before it starts|at least 1/, weekdays: /at least one weekday/, start: /such as 18:30/, goals: /at least one goal/ },
  ],
])('%s is refused where it was made', async (_, schema, input, expected) => {
  const found = await refused(schema, input);
  expect(Object.keys(found).sort()).toEqual(Object.keys(expected).sort());
  for (const [field, words] of Object.entries(expected)) expect(found[field]).toMatch(words);
});
