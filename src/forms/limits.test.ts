import type { AnyObjectSchema } from 'yup';
import { LOUDNESS } from '@/core/cues';
import { ROSTER_LIMITS } from '@/core/exchange';
import {
  aboutPersonForm,
  blocksForm,
  clinicianForm,
  cohortForm,
  conventionsForm,
  courseForm,
  logForm,
  overrideForm,
  ownWayForm,
  peopleForm,
  rosterForm,
  rulebookForm,
  seriesForm,
  letterForm,
  sendFormsForm,
  signInForm,
  speechForm,
  waysFileForm,
  whyForm,
  wordingForm,
} from '.';

/** Both sides of every number that limits a form; the numbers stand here a second time, so that changing one is seen. */

const id = '01a20ff7-ff04-720a-9f07-ad3f44805478';
const times = <T>(count: number, one: T): T[] => Array.from({ length: count }, () => one);
const text = (length: number) => 'a'.repeat(length);

const person = { person: id, version: 1, name: 'Ada', cohort: id };
const course = {
  name: 'A',
  cohort: id,
  firstDate: '2026-12-01',
  weeks: 4,
  weekdays: [2],
  start: '18:30',
  minutes: 60,
  teacher: id,
  goals: [{ technique: 'equal-4-4', pattern: '4:4', dose: '4 min', practise: 2 }],
};
const goal = course.goals[0];
const series = {
  name: 'A',
  cohort: id,
  teacher: id,
  firstDate: '2026-12-01',
  length: 21,
  start: '06:30',
  from: 1,
  to: 20,
  gentleEvery: 7,
  live: [],
  liveMinutes: 30,
  missed: 'go on',
  themes: [{ techniques: ['equal-4-4'], pairs: false }],
};
const override = { person: id, rules: ['panic.eyes-closed'], reason: 'talked it through', until: '2026-12-25' };
const clinician = { person: id, rules: ['r'], answeredOn: '2026-11-25', until: '2026-12-25' };
const part = { id, part: 'close', minutes: 3 };
const block = { id, technique: 'equal-4-4', pattern: '4:4', dose: '4 min', tempo: 1000 };
const log = { id, session: id, plan: id, reached: 'all of it', note: '', attendance: [] };
const here = { person: id, came: true, effort: 'easy', stopSigns: [] };
const speech = { version: 1, loudness: LOUDNESS[0], wordsPerSecond: 2, lines: [] };
const way = { base: 'equal-4-4', name: 'Ebb', pattern: '4:4', dose: '5 min' };
const change = { kind: 'change', rule: 'heart.pumps', answer: 'leave out', adaptation: null, reason: 'seen', reviewer: '' };

test.each<[string, AnyObjectSchema, (n: number) => object, least: number | null, most: number | null, step?: number]>([
  ['a name', aboutPersonForm, (n) => ({ ...person, name: text(n) }), 1, 60],
  ['a comfortable inhale', aboutPersonForm, (n) => ({ ...person, comfortIn: n }), 2, 30],
  ['a comfortable exhale', aboutPersonForm, (n) => ({ ...person, comfortOut: n }), 2, 30],
  ['a password', signInForm, (n) => ({ email: 'a@b.example', password: text(n) }), 1, 200],
  ['about a cohort', cohortForm, (n) => ({ name: 'A', about: text(n) }), 0, 200],
  ['what a cohort practises', cohortForm, (n) => ({ name: 'A', practises: times(n, 'belly') }), 0, 60],
  ['a course’s name', courseForm, (n) => ({ ...course, name: text(n) }), 1, 80],
  ['weeks', courseForm, (n) => ({ ...course, weeks: n }), 1, 26],
  ['minutes', courseForm, (n) => ({ ...course, minutes: n }), 15, 180],
  ['weekdays', courseForm, (n) => ({ ...course, weekdays: times(n, 1) }), 1, 7],
  ['a weekday', courseForm, (n) => ({ ...course, weekdays: [n] }), 1, 7],
  ['goals', courseForm, (n) => ({ ...course, goals: Array.from({ length: n }, (_, index) => ({ ...goal, technique: `t${index}` })) }), 1, 12],
  ['practised so often', courseForm, (n) => ({ ...course, goals: [{ ...goal, practise: n }] }), 1, 20],
  ['percent who are to be ready', courseForm, (n) => ({ ...course, goals: [{ ...goal, ready: n }] }), 1, 100],
  ['days between two steps', courseForm, (n) => ({ ...course, goals: [{ ...goal, everyDays: n }] }), 0, 60],
  ['minutes of a first day', seriesForm, (n) => ({ ...series, from: n }), 1, 20],
  ['minutes of a last day', seriesForm, (n) => ({ ...series, to: n }), 1, 20],
  ['days between gentle ones', seriesForm, (n) => ({ ...series, gentleEvery: n }), 0, 14],
  ['minutes of a live day', seriesForm, (n) => ({ ...series, liveMinutes: n }), 20, 90],
  ['techniques of a week', seriesForm, (n) => ({ ...series, themes: [{ techniques: times(n, 'belly'), pairs: false }] }), 1, 4],
  ['weeks of a series', seriesForm, (n) => ({ ...series, themes: times(n, series.themes[0]) }), 1, 6],
  ['people of a letter', letterForm, (n) => ({ series: id, members: times(n, id), text: 'x' }), 1, 500],
  ['a letter', letterForm, (n) => ({ series: id, members: [id], text: text(n) }), 1, 600],
  ['blocks', blocksForm, (n) => ({ session: id, version: 1, blocks: times(n, part) }), 0, 40],
  ['minutes of a part', blocksForm, (n) => ({ session: id, version: 1, blocks: [{ ...part, minutes: n }] }), 0.5, 90, 0.01],
  ['a tempo', blocksForm, (n) => ({ session: id, version: 1, blocks: [{ ...block, tempo: n }] }), 400, 3000],
  ['a reason', overrideForm, (n) => ({ ...override, reason: text(n) }), 8, 300],
  ['rules set aside', overrideForm, (n) => ({ ...override, rules: times(n, 'r') }), 1, 60],
  ['rules answered', clinicianForm, (n) => ({ ...clinician, rules: times(n, 'r') }), 1, 60],
  ['a note', clinicianForm, (n) => ({ ...clinician, note: text(n) }), 0, 300],
  ['a text that is looked at', wordingForm, (n) => ({ text: text(n) }), 0, 2000],
  ['a few words', whyForm, (n) => ({ person: id, why: text(n) }), 4, 200],
  ['people', peopleForm, (n) => ({ people: times(n, id) }), 1, 500],
  ['people asked', sendFormsForm, (n) => ({ people: times(n, id) }), 1, 500],
  ['a note of a log', logForm, (n) => ({ ...log, note: text(n) }), 0, 600],
  ['people in a log', logForm, (n) => ({ ...log, attendance: times(n, here) }), 0, 200],
  ['a natural breath', conventionsForm, (n) => ({ version: 1, tempoSeconds: 1, naturalSeconds: n }), 1.5, 15, 0.01],
  ['a count', conventionsForm, (n) => ({ version: 1, tempoSeconds: n, naturalSeconds: 4 }), 0.4, 3, 0.01],
  ['words a second', speechForm, (n) => ({ ...speech, wordsPerSecond: n }), 1, 5, 0.01],
  ['lines of speech', speechForm, (n) => ({ ...speech, lines: times(n, { family: 'equal', phase: 'in', text: 'In' }) }), 0, 60],
  ['a way’s name', ownWayForm, (n) => ({ ...way, name: text(n) }), 1, 60],
  ['changes of the rulebook', rulebookForm, (n) => ({ number: 0, changes: times(n, change) }), 0, 200],
  ['a reason for a change', rulebookForm, (n) => ({ number: 0, changes: [{ ...change, reason: text(n) }] }), null, 300],
  ['a reviewer', rulebookForm, (n) => ({ number: 0, changes: [{ ...change, reviewer: text(n) }] }), null, 80],
  ['a file of ways', waysFileForm, (n) => ({ text: text(n) }), 1, 1_000_000],
  ['a roster', rosterForm, (n) => ({ cohort: id, text: text(n), mapping: {} }), 1, ROSTER_LIMITS.characters],
])('%s', async (_, schema, input, least, most, step = 1) => {
  const passes = (n: number) => schema.isValid('once' in schema.fields ? { once: id, ...input(n) } : input(n));
  if (least !== null)
    expect([least, await passes(least), least - step, least > 0 ? await passes(least - step) : false]).toEqual([least, true, least - step, false]);
  if (most !== null) expect([most, await passes(most), most + step, await passes(most + step)]).toEqual([most, true, most + step, false]);
});
