import { checkText, mendText, unplacedTexts, waysOut, type Check } from '.';
import { mendOfText, requestText } from './drafting';
import type { Unplaced } from './unplaced';
import { isoDate } from '../units';
import { SHIPPED_LIBRARY } from '../library';

const { technique: techniqueOf } = SHIPPED_LIBRARY;

const date = isoDate('2026-12-01');
const tally = { people: 9, leaveOut: 0, askFirst: 0, adapt: 0, watch: 0, near: 0 };
const said = (finding: Check['finding']) => checkText({ date, finding }, SHIPPED_LIBRARY);
const lacking = { kind: 'too few sessions' as const, to: '4-7-8', needs: 'equal-4-4', had: 0, sessions: 2, days: 4, openFrom: isoDate('2026-12-05') };

test.each<[Check['finding'], string]>([
  [{ code: 'out of order', lacking }, 'comes before Equal 4:4, which it needs twice'],
  [{ code: 'out of order', lacking: { ...lacking, had: 1, sessions: 4 } }, 'comes after Equal 4:4 was practised once; the ladder asks for 4'],
  [{ code: 'too soon', lacking }, 'comes too soon after Equal 4:4: the ladder asks for 4 days, so not before Sat 5 Dec'],
  [{ code: 'over time', planned: 3_601_000, minutes: 60 }, 'takes 61 minutes of 60'],
  [{ code: 'two new things', names: ['A', 'B', 'C'] }, 'brings 3 new things at once: A, B and C'],
  [{ code: 'wrong hour', hours: ['morning'] }, 'is for the morning'],
  [{ code: 'guard', finding: { guard: 'count jump', by: 3 } }, 'grows by 3 counts in one step; one at a time is the guard'],
  [{ code: 'guard', finding: { guard: 'minutes jump', from: 300_000, to: 480_000, most: 360_000 } }, 'grows from 5 to 8 minutes; at most 6 by now'],
  [{ code: 'guard', finding: { guard: 'hold too long', is: 12, limit: 10 } }, 'holds 12 s; its rung allows 10 s'],
  [{ code: 'guard', finding: { guard: 'hold share', is: 0.61, limit: 0.55 } }, 'is held 61 % of the time; its rung allows 55 %'],
  [{ code: 'guard', finding: { guard: 'pace too slow', is: 1.5, limit: 2 } }, 'is 1.5 breaths a minute; its rung goes no slower than 2'],
  [{ code: 'left out by all', tally }, 'must be left out by all 9 in the cohort'],
  [{ code: 'left out by all', tally: { ...tally, people: 1 } }, 'must be left out by the one person in the cohort'],
  [
    { code: 'adapted', tally: { ...tally, leaveOut: 1, askFirst: 2, adapt: 1 } },
    'one person leaves it out, 2 people must ask first and one person does it adapted; each has something to do instead',
  ],
  [
    { code: 'near a limit', tally: { ...tally, near: 2 } },
    'stands within 15 % of a limit for 2 people; spoken counts drift, so keep the tempo by the clock',
  ],
  [{ code: 'nobody qualified' }, 'has nobody on the staff who is qualified for it that day'],
  [{ code: 'no round fits' }, 'has no complete round in its minutes, or in those of a stage'],
  [{ code: 'guard', finding: { guard: 'length jump', from: 4, to: 6, most: 5 } }, 'grows from 4 to 6 s in one step; at most 5 s'],
  [{ code: 'guard', finding: { guard: 'pumps jump', from: 27, to: 108, most: 54 } }, 'goes from 27 pumps to 108; the next step is 54'],
  [{ code: 'guard', finding: { guard: 'rest jump', from: 5, to: 25, most: 20 } }, 'rests 25 minutes after 5 last time; at most 20'],
  [{ code: 'guard', finding: { guard: 'layer too long', is: 6, limit: 4 } }, 'brings in a hold of 6 s; a new hold is at most the inhale long, 4 s'],
  [{ code: 'guard', finding: { guard: 'closing hold', is: 5, limit: 4 } }, 'ends with a hold of 5 s; outside the rounds at most 4 s'],
  [
    { code: 'other teacher', names: ['Corin Vasey', 'Ansel Roe'] },
    'is not among what this course’s teacher is qualified for; Corin Vasey or Ansel Roe could take the class',
  ],
  [{ code: 'not settled' }, 'is for a settled group; say so of the course, or leave it out'],
  // Two classes in a row, or more than fourteen days: each has its own words.
  [{ code: 'after a pause', days: 15, missed: 0 }, 'grows after 15 days without practice; after more than 14 a climb goes one step back'],
  [{ code: 'after a pause', days: 14, missed: 2 }, 'grows after 2 classes in a row fell out; after 2 a climb goes one step back'],
  [{ code: 'closed', reason: 'the floor is oiled' }, 'falls into closed days: the floor is oiled'],
  [{ code: 'same time', shares: 'cohort', name: 'Evenings' }, 'stands at the same time as Evenings, for the same cohort'],
  [{ code: 'same time', shares: 'teacher', name: 'Evenings' }, 'stands at the same time as Evenings, with the same teacher'],
  [{ code: 'nobody', away: null }, 'has no teacher: whoever had it no longer teaches here'],
  [{ code: 'nobody', away: 'Corin Vasey' }, 'has no teacher: Corin Vasey is away'],
  [{ code: 'empty' }, 'has nothing to practise yet'],
  [{ code: 'not prepared', part: 'movement' }, 'needs gentle movement in the same class and before it'],
  [{ code: 'not prepared', part: 'clear-nose' }, 'needs a look at whether both sides are free, in the same class and before it'],
  [{ code: 'standing' }, 'is taught standing; nobody stands for holds, pumps or connected breath'],
])('%j', (finding, expected) => {
  expect(said(finding)).toBe(expected);
});

test('a mend says where to, and a goal that has no place says why', () => {
  expect(mendText({ kind: 'move', block: 'b', to: 's2' }, () => date)).toBe('Move it to Tue 1 Dec');
  expect(mendText({ kind: 'move', block: 'b', to: 's2' }, () => null)).toBe('Move it later');
  expect(mendText({ kind: 'shorten rest', block: 'b', minutes: 5 }, () => null)).toBe('Rest 5 minutes instead');
  const { pattern, dose } = techniqueOf('4-7-8');
  const goal = { technique: '4-7-8', pattern, dose, practise: 2 };
  const why = (blocked: Unplaced['blocked']) => unplacedTexts([{ goal, blocked }], SHIPPED_LIBRARY)[0];
  expect(why({ technique: '4-7-8', why: 'hour', hours: ['evening', 'night'] })).toBe(
    '4:7:8 could not be placed: it is for the evening and night, and no class of this course starts then.',
  );
  expect(why({ why: 'no room', minutes: 42, technique: 'equal-4-4-4' })).toBe(
    '4:7:8 could not be placed: with arriving, rest and closing Equal 4:4:4, which it stands on, takes 42 minutes, more than a class has.',
  );
  expect(why({ technique: '4-7-8', why: 'sessions', needs: 'equal-4-4', sessions: 4, days: 10, had: 2 })).toContain(
    'in 4 sessions over at least 10 days first',
  );
  const clash: Unplaced['blocked'] = {
    technique: '4-7-8',
    why: 'clash',
    with: [
      { code: 'goal', technique: '4-7-8' },
      { code: 'classes', technique: null },
    ],
  };
  const mends = [
    [{ code: 'weeks', number: 12, technique: null, hour: null }],
    [{ code: 'without', technique: 'hissing', number: null, hour: null }],
    [{ code: 'practise', technique: 'hissing', number: null, hour: null }],
  ] as const;
  expect(why(clash)).toBe('4:7:8 could not be placed: it clashes with the number of classes.');
  expect(why({ ...clash, then: [[{ code: 'minutes', technique: null }]] })).toBe(
    '4:7:8 could not be placed: it clashes with the number of classes; that settled, with the minutes of a class.',
  );
  expect(why({ ...clash, with: [] })).toBe('4:7:8 could not be placed: no course like this has room for it.');
  expect(why({ technique: '4-7-8', why: 'not found' })).toContain('is not proved');
  expect(waysOut([{ goal, blocked: clash, mends }], SHIPPED_LIBRARY).map(({ text, asks }) => [text, asks])).toEqual([
    ['12 weeks', false],
    ['without Hissing exhale', false],
    ['Hissing exhale', true],
  ]);
  // What holds for several is said once.
  const two = [goal, { ...goal, technique: 'hissing' }].map((one) => ({
    goal: one,
    blocked: { ...clash, technique: one.technique, with: clash.with.slice(1) },
  }));
  expect(unplacedTexts(two, SHIPPED_LIBRARY)).toEqual([
    '4:7:8 and Hissing exhale could not be placed: of each, it clashes with the number of classes.',
  ]);
  expect(why({ technique: '4-7-8', why: 'left out by all' })).toContain('everyone in the cohort must leave it out');
  expect(why({ technique: '4-7-8', why: 'practice', had: 1, wanted: 2 })).toContain('for 1 of the 2 classes');
  expect(why({ technique: '4-7-8', why: 'new things', sessions: 6 })).toContain('in the 6 there are');
});

test.each<[Parameters<typeof mendOfText>[0], string]>([
  [{ code: 'weeks', technique: null, number: 12, hour: null }, '12 weeks'],
  [{ code: 'minutes', technique: null, number: 75, hour: null }, '75 minutes'],
  [{ code: 'hour', technique: null, number: null, hour: 'e' }, 'an evening class'],
  [{ code: 'times', technique: 'hissing', number: 1, hour: null }, 'hissing once'],
  [{ code: 'times', technique: 'hissing', number: 2, hour: null }, 'hissing 2 times'],
  [{ code: 'later', technique: 'hissing', number: null, hour: null }, 'hissing later than its day'],
  [{ code: 'settled', technique: null, number: null, hour: null }, 'a settled group'],
  [{ code: 'practise', technique: 'hissing', number: null, hour: null }, 'they already practise hissing'],
  [{ code: 'unpin', technique: 'hissing', number: 3, hour: null }, 'hissing no longer pinned to class 3'],
])('a mend of what was asked is said as its button: %j', (mend, text) => {
  expect(mendOfText(mend, (id) => id)).toBe(text);
});

test.each<[Parameters<typeof requestText>[0], string]>([
  [{ code: 'goal', technique: 'hissing' }, 'hissing'],
  [{ code: 'times', technique: 'hissing' }, 'hissing more than once'],
  [{ code: 'by', technique: 'hissing' }, 'the day hissing is asked for'],
  [{ code: 'pin', technique: 'hissing' }, 'hissing pinned to its class'],
  [{ code: 'settled', technique: null }, 'the tick that the group is settled, which is not set'],
  [{ code: 'minutes', technique: null }, 'the minutes of a class'],
  [{ code: 'hours', technique: null }, 'the hour of the day'],
])('what clashes is said in a few words: %j', (request, text) => {
  expect(requestText(request, (id) => id)).toBe(text);
});
