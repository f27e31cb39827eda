import {
  ANSWERS,
  bearings,
  changedRulebook,
  changeProblem,
  changeText,
  decide,
  decideMany,
  featuresOf,
  isLooser,
  NOT_SCREENED,
  openingFor,
  RULEBOOK,
  setAside,
  tracksFor,
  type Answer,
  type ConditionAnswer,
  type RuleChange,
  type ScreenedPerson,
  conditionOf,
} from '.';
import { mustParseDose, mustParsePattern, roomPattern } from '../pattern';
import { type Tag } from '../techniques';
import { addDays, isoDate, millis, type IsoDate } from '../units';
import { SHIPPED_LIBRARY } from '../library';

const { techniques: TECHNIQUES } = SHIPPED_LIBRARY;

const today = isoDate('2026-11-25');
const pace = { tempo: millis(1000), naturalBreath: millis(4000) };
const dose = mustParseDose('5 rounds');
/** A yes whose parts are all answered: those named with yes, the others with no. */
const yes = (condition: string, date: IsoDate | null = null, ...parts: string[]): ConditionAnswer => ({
  condition,
  answer: 'yes',
  date,
  parts: Object.fromEntries(conditionOf(condition).parts.map(({ id }) => [id, parts.includes(id) ? 'yes' : 'no'])),
});
const who = (...answers: ConditionAnswer[]): ScreenedPerson => ({ ...NOT_SCREENED, screenedOn: today, birthDate: isoDate('1990-05-01'), answers });
const features = (pattern: string, tags: Tag[] = []) => featuresOf(roomPattern(mustParsePattern(pattern)), dose, pace, tags);
const answerOf = (person: ScreenedPerson, pattern: string, date = today, tags: Tag[] = []): Answer =>
  decide(bearings(person, date), features(pattern, tags)).answer;

// Just inside and just outside of every limit in seconds, counts and breaths.
test.each<[string, ScreenedPerson, string, Answer, string, Answer]>([
  ['low blood pressure: hold of 4 s', who(yes('low blood pressure')), 'in 3, hold 4 s, out 3', 'clear', 'in 3, hold 4.1 s, out 3', 'adapt'],
  ['psychosis: hold of 4 s', who(yes('psychosis')), 'in 3, hold 4 s, out 3', 'clear', 'in 3, hold 4.1 s, out 3', 'adapt'],
  ['hernia: hold of 4 s', who(yes('hernia')), 'in 3, hold 4 s, out 3', 'clear', 'in 3, hold 4.1 s, out 3', 'ask first'],
  ['lungs: hold of 2 s', who(yes('lungs')), 'in 3, hold 2 s, out 3', 'watch', 'in 3, hold 2.1 s, out 3', 'adapt'],
  ['panic: hold of 2 s', who(yes('panic')), 'in 3, hold 2 s, out 3', 'clear', 'in 3, hold 2.1 s, out 3', 'adapt'],
  ['heart: any hold at all', who(yes('heart')), 'natural', 'clear', 'in 3, hold 0.5 s, out 3', 'ask first'],
  ['exhale twice the inhale', who(yes('low blood pressure')), 'in 3 s, out 5.9 s', 'clear', 'in 3 s, out 6 s', 'watch'],
  ['six breaths a minute', who(yes('pregnancy')), 'in 5 s, out 5 s', 'clear', 'in 5 s, out 5.1 s', 'watch'],
  ['a pause is no hold', who(yes('eyes')), 'in 3, pause 1.5 s, out 3', 'clear', 'in 3, hold 1.5 s, out 3', 'adapt'],
])('%s', (_, person, inside, within, outside, beyond) => {
  expect([answerOf(person, inside), answerOf(person, outside)]).toEqual([within, beyond]);
});

// The last day on which a dated condition bears, and the day after.
test.each<[string, string, number, Answer]>([
  ['birth', '3:2:3', 84, 'adapt'],
  ['eye surgery', '3:2:3', 84, 'adapt'],
  ['abdominal surgery', '27 pumps at 60', 183, 'leave out'],
  ['ear or sinus surgery', '3:3', 183, 'ask first'],
  ['chest surgery', '3:3', 183, 'leave out'],
])('%s ends after its last day', (condition, pattern, days, expected) => {
  const person = (ago: number) => who(yes(condition, addDays(today, -ago)));
  expect([answerOf(person(days), pattern), answerOf(person(days + 1), pattern)]).toEqual([expected, 'clear']);
});

test('ages and weeks turn on their day', () => {
  const born = (date: string) => ({ ...who(), birthDate: isoDate(date), guardianConsent: true });
  expect([answerOf(born('2010-11-26'), '27 pumps at 60'), answerOf(born('2010-11-25'), '27 pumps at 60')]).toEqual(['leave out', 'clear']);
  expect([answerOf(born('1961-11-26'), 'natural', today, ['standing']), answerOf(born('1961-11-25'), 'natural', today, ['standing'])]).toEqual([
    'clear',
    'adapt',
  ]);
  const due = (days: number) => who(yes('pregnancy', addDays(today, days)));
  expect([169, 168].map((days) => answerOf(due(days), 'natural', today, ['lying flat']))).toEqual(['clear', 'adapt']);
  expect([183, 184].map((ago) => answerOf({ ...who(), screenedOn: addDays(today, -ago) }, '3:2:3'))).toEqual(['clear', 'adapt']);
});

const heart = who(yes('heart'));
const COUNTED = 'heart.counted';
const HELD = 'heart.hold-out';

test('a clinician’s yes removes the ask-first rules it names until its last day, and no other', () => {
  const until = addDays(today, 30);
  const cleared = { ...heart, clearances: [{ rules: [COUNTED, HELD], on: today, until }] };
  expect([answerOf(heart, '3:3'), answerOf(cleared, '3:3')]).toEqual(['ask first', 'clear']);
  expect([answerOf(cleared, '3:3', until), answerOf(cleared, '3:3', addDays(until, 1)), answerOf(cleared, '3:3', addDays(today, -1))]).toEqual([
    'clear',
    'ask first',
    'ask first',
  ]);
  expect(answerOf(cleared, 'in 3, out 3, empty 2')).toBe('leave out');
  expect(setAside(cleared, today).map(({ rule, by }) => [rule.id, by])).toEqual([[COUNTED, 'a clinician']]);
  const young = { ...who(), birthDate: isoDate('2014-01-01') };
  const consent = RULEBOOK.find(({ condition, answer }) => condition === 'under 16' && answer === 'ask first')!.id;
  expect(answerOf({ ...young, clearances: [{ rules: [consent], on: today, until }] }, '3:3')).toBe('ask first');
});

test('an override sets its rules aside with who and why, until its last day; the unknown and today are never set aside', () => {
  const until = addDays(today, 7);
  const override = { id: 'o', rules: [HELD], reason: 'agreed after a talk', by: 'Linnet Harrow', from: today, until };
  const person = { ...heart, overrides: [override] };
  expect(answerOf(person, 'in 3, out 3, empty 2')).toBe('ask first');
  expect(answerOf(person, 'in 3, out 3, empty 2', addDays(until, 1))).toBe('leave out');
  expect(setAside(person, today)).toMatchObject([{ by: 'Linnet Harrow', reasonGiven: 'agreed after a talk', until }]);
  const everything = { ...override, rules: RULEBOOK.map(({ id }) => id) };
  expect(answerOf({ ...NOT_SCREENED, overrides: [everything] }, '27 pumps at 60')).toBe('leave out');
  const unwell = bearings({ ...who(), overrides: [everything] }, today, { acute: true, blockedNose: true, meal: 'none' });
  expect(decide(unwell, features('in 3 left, out 3 right')).answer).toBe('leave out');
});

test('a studio may be stricter freely, looser only with a reason and a reviewer, and never contradict itself', () => {
  const stricter: RuleChange = { kind: 'change', rule: COUNTED, answer: 'leave out', adaptation: null, reason: '', reviewer: '' };
  expect([isLooser(stricter), changeProblem(stricter)]).toEqual([false, null]);
  expect(decide(bearings(heart, today, undefined, changedRulebook([stricter])), features('3:3')).answer).toBe('leave out');
  const looser: RuleChange = { ...stricter, answer: 'watch' };
  expect(isLooser(looser)).toBe(true);
  expect(changeProblem(looser)).toContain('give the reason');
  expect(changeProblem({ ...looser, reason: 'read through at the yearly review' })).toContain('name who reviewed');
  expect(changeProblem({ ...looser, reason: 'read through at the yearly review', reviewer: 'Dr. A. Quill' })).toBeNull();
  expect(changeProblem({ ...stricter, answer: 'adapt' })).toContain('no adaptation that leaves counted breathing without it');
  expect(changeProblem({ ...stricter, rule: 'nothing' })).toContain('no such rule');
  const cap = RULEBOOK.find(({ id }) => id === 'low-blood-pressure.hold-in-over-4-s')!.id;
  const capAt = (seconds: number): RuleChange => ({ ...stricter, rule: cap, answer: 'adapt', adaptation: { to: 'cap hold in', seconds } });
  expect([capAt(2), capAt(6)].map(isLooser)).toEqual([false, true]);
  const faint = who(yes('low blood pressure'));
  const under = (change: RuleChange) =>
    decide(bearings(faint, today, undefined, changedRulebook([change])), features('in 3, hold 3 s, out 3')).answer;
  expect([under(capAt(2)), under(capAt(4))]).toEqual(['adapt', 'clear']);
  const ours: RuleChange = {
    kind: 'add',
    id: '0193a1f0-0000-7000-8000-00000000000a',
    condition: 'migraine',
    feature: { is: 'hold in', overSeconds: 0 },
    answer: 'adapt',
    adaptation: { to: 'no hold in' },
    reason: '',
    reviewer: '',
  };
  expect(changeProblem(ours)).toBeNull();
  expect(changeText(ours)).toBe('migraine or vertigo, a hold after the inhale: no hold after the inhale (ours)');
  expect(decide(bearings(who(yes('migraine')), today, undefined, changedRulebook([ours])), features('3:2:3')).answer).toBe('adapt');
});

test('decided together or one by one, the answers and the rules are the same', () => {
  const people = [
    who(),
    heart,
    who(yes('lungs')),
    who(yes('pregnancy', addDays(today, 170))),
    NOT_SCREENED,
    who({ ...yes('panic'), answer: "don't know" }),
  ];
  const dates = [today, addDays(today, 3), addDays(today, 200)];
  const seen = TECHNIQUES.map(({ read, tags }) => featuresOf(roomPattern(read.pattern), read.dose, pace, tags));
  const many = decideMany(
    people,
    seen.map((one) => [one]),
    dates,
  );
  people.forEach((person, p) =>
    dates.forEach((date, d) =>
      seen.forEach((technique, t) => {
        const one = decide(bearings(person, date), technique);
        expect(many.answerOf(p, d, t)).toBe(one.answer);
        expect([...new Set(many.rulesOf(p, d, t))].sort()).toEqual([...new Set(one.findings.map(({ ruleId }) => ruleId))].sort());
      }),
    ),
  );
  expect(many.answers.every((answer) => answer < ANSWERS.length)).toBe(true);
});

const attending = (id: string, screened: ScreenedPerson) => ({ id, screened, comfort: { inhale: null, exhale: null } });
const taught = (pattern: string) => ({ pattern: mustParsePattern(pattern), dose, pace, tags: [] });

test('the fewest tracks that serve everybody, as taught for as many as may', () => {
  const room = [
    attending('a', who()),
    attending('b', who()),
    attending('c', who(yes('pregnancy'))),
    attending('d', NOT_SCREENED),
    attending('e', heart),
  ];
  const tracks = tracksFor(room, taught('4:4:4:4'), [], today);
  expect(tracks.map(({ kind, people }) => [kind, people.join('')])).toEqual([
    ['as taught', 'ab'],
    ['in step', 'cd'],
    ['natural breath', 'e'],
  ]);
  expect(tracks[1].pattern).toBe('2 × (4:4)');
  expect(tracksFor(room.slice(0, 2), taught('4:4'), [], today)).toHaveLength(1);
  expect(
    tracks
      .flatMap(({ people }) => people)
      .sort()
      .join(''),
  ).toBe('abcde');
});

test('what one missing answer would change', () => {
  const room = [attending('a', who()), attending('b', who(yes('diabetes'))), attending('c', NOT_SCREENED), attending('d', heart)];
  expect(openingFor(room, taught('27 pumps at 60'), today)).toEqual({ open: ['a'], clinician: ['b'], form: ['c'], closed: ['d'] });
});
