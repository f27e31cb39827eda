import fc from 'fast-check';
import {
  advise,
  ANSWERS,
  ASKED,
  bearings,
  decide,
  doingText,
  featuresOf,
  inStepText,
  keepInStep,
  nearFeature,
  NOTHING_TODAY,
  RULEBOOK,
  screenedUntil,
  type Answer,
  type ConditionAnswer,
  type ScreenedPerson,
  conditionOf,
  SAID,
} from '.';
import { mustParseDose, mustParsePattern, roomPattern } from '../pattern';
import { anyPattern } from '../pattern/arbitrary';
import type { Tag } from '../techniques';
import { addDays, isoDate, millis, type IsoDate } from '../units';
import { SHIPPED_LIBRARY } from '../library';

const { techniques: TECHNIQUES } = SHIPPED_LIBRARY;

const today = isoDate('2026-11-24');
const pace = { tempo: millis(1000), naturalBreath: millis(4000) };
const dose = mustParseDose('5 rounds');
/** A yes whose parts are all answered: those named with yes, the others with no. */
const yes = (condition: string, parts: string[] = [], date: IsoDate | null = null): ConditionAnswer => ({
  condition,
  answer: 'yes',
  date,
  parts: Object.fromEntries(conditionOf(condition).parts.map(({ id }) => [id, parts.includes(id) ? 'yes' : 'no'])),
});
const person = (...answers: ConditionAnswer[]): ScreenedPerson => ({
  screenedOn: today,
  birthDate: isoDate('1990-05-01'),
  answers,
  guardianConsent: false,
  clearances: [],
  overrides: [],
});
const features = (pattern: string, tags: Tag[] = []) => featuresOf(roomPattern(mustParsePattern(pattern)), dose, pace, tags);
const answer = (who: ScreenedPerson, pattern: string, date = today, tags: Tag[] = []): Answer =>
  decide(bearings(who, date), features(pattern, tags)).answer;

// One pattern for each feature, none with a second one beside what it must have.
const SUBJECTS = [
  '27 pumps at 60',
  'connected 3 s, long 6 s',
  '3:2:3',
  'in 2, hold 5, out 2',
  'in 3, out 3, empty 2',
  'in 4 right, out 4 left',
  'in 4 left, out 4 right',
  'in 4, out 4 left, alternating',
  '6:7',
  'in 3, out 4 hiss',
  '3:6',
  'in 3, out 3, lock chin',
  'in 3, out 3, lock abdominal',
  '3:3',
];
const LETTERS: Record<Answer, string> = { 'leave out': 'O', 'ask first': 'A', adapt: 'D', watch: 'W', clear: '-' };

// Columns: pumps, connected, hold 2, hold 5, empty, right, left, side work, slow, hiss, exhale ×2, chin lock, abdominal lock, plain.
test.each<[string, ScreenedPerson, string]>([
  ['nothing', person(), '--------------'],
  ['pregnancy', person(yes('pregnancy', [], isoDate('2027-06-01'))), 'OODDOO--W--OO-'],
  ['high-risk pregnancy', person(yes('pregnancy', ['high-risk'])), 'OOAAOOAAAAAOOA'],
  ['birth', person(yes('birth', [], today)), 'OADDOWWWWWWWOW'],
  ['blood pressure, not controlled', person(yes('high blood pressure')), 'OODDOOAAAWWOOW'],
  ['blood pressure, controlled', person(yes('high blood pressure', ['controlled'])), 'OODDOAAAA--OO-'],
  ['low blood pressure', person(yes('low blood pressure')), 'OO-DO-A---W---'],
  ['heart', person(yes('heart')), 'OOAAOOAAAAAOOA'],
  ['epilepsy', person(yes('epilepsy')), 'OODDOA--A-----'],
  ['stroke', person(yes('stroke')), 'OOOOOOAAAAAOOA'],
  ['hernia', person(yes('hernia')), 'O--AO----W--O-'],
  ['abdominal surgery', person(yes('abdominal surgery', [], today)), 'O--AO----W--O-'],
  ['back', person(yes('back')), 'O-----------O-'],
  ['neck', person(yes('neck')), '-----------O--'],
  ['eyes', person(yes('eyes')), 'OODDD----A-OO-'],
  ['eye surgery', person(yes('eye surgery', [], today)), 'OODDD----A-OO-'],
  ['lungs', person(yes('lungs')), 'OOWDDWWWWDWWWW'],
  ['lung collapse', person(yes('lung collapse')), 'OOOOOAAAAOAAAA'],
  ['ear or sinus surgery', person(yes('ear or sinus surgery', [], today)), 'OOOOOAAAAOAAAA'],
  ['chest surgery', person(yes('chest surgery', [], today)), 'OOOOOOOOOOOOOO'],
  ['panic', person(yes('panic')), 'OO-DD---W-----'],
  ['trauma', person(yes('trauma')), 'WADDDDDDWWWWWW'],
  ['psychosis', person(yes('psychosis')), 'OO-DOO--------'],
  ['migraine', person(yes('migraine')), 'OOWWWWWWWWWWWW'],
  ['nose', person(yes('nose')), 'O----DDD------'],
  ['reflux', person(yes('reflux')), 'A---A-------O-'],
  ['diabetes', person(yes('diabetes')), 'AAWWWWWWWWWWWW'],
  ['sickle cell', person(yes('sickle cell')), 'AOAAOAAAAAAAAA'],
  ['falls', person(yes('falls')), '--------------'],
  ['other', person(yes('other')), 'AAAAAA--A--AA-'],
  ['under 16 with consent', { ...person(), birthDate: isoDate('2012-01-01'), guardianConsent: true }, 'OO-DO------OO-'],
  ['under 16 without', { ...person(), birthDate: isoDate('2012-01-01') }, 'OOAAOAAAAAAOOA'],
  ['not screened', { ...person(), screenedOn: null }, 'OODDDOWWDWWOOW'],
  ['out of date', { ...person(), screenedOn: addDays(today, -184) }, 'OODDDOWWDWWOOW'],
  ['of unknown age', { ...person(), birthDate: null }, 'OODDOOWWDWWOOW'],
  ['never asked of the neck', person({ ...yes('neck'), answer: 'not asked' }), 'OODDDOWWDWWOOW'],
])('%s', (_, who, expected) => {
  expect(SUBJECTS.map((pattern) => LETTERS[answer(who, pattern)]).join('')).toBe(expected);
});

test.each<[string, Tag, Answer]>([
  ['low blood pressure', 'standing', 'adapt'],
  ['low blood pressure', 'lying flat', 'watch'],
  ['back', 'floor seat', 'adapt'],
  ['back', 'twist', 'adapt'],
  ['neck', 'neck circles', 'adapt'],
  ['eyes', 'palming', 'leave out'],
  ['eyes', 'forward bend', 'adapt'],
  ['panic', 'eyes closed', 'adapt'],
  ['trauma', 'eyes closed', 'adapt'],
  ['trauma', 'hand at the nose', 'adapt'],
  ['psychosis', 'still 15 min', 'ask first'],
  ['migraine', 'neck circles', 'adapt'],
  ['reflux', 'lying flat', 'adapt'],
  ['falls', 'floor seat', 'adapt'],
  ['falls', 'standing', 'adapt'],
  ['falls', 'lying flat', 'watch'],
  ['pregnancy', 'twist', 'adapt'],
])('%s, %s: %s', (condition, tag, expected) => {
  expect(answer(person(yes(condition)), 'natural', today, [tag])).toBe(expected);
});

test('dates are those of the session, the last day included', () => {
  const birth = person(yes('birth', [], today));
  expect(answer({ ...birth, screenedOn: today }, '3:2:3', addDays(today, 84))).toBe('adapt');
  expect(answer({ ...birth, screenedOn: today }, '3:2:3', addDays(today, 85))).toBe('clear');
  const surgery = { ...person(yes('abdominal surgery', [], addDays(today, -100))) };
  expect(answer(surgery, '27 pumps at 60', addDays(today, 83))).toBe('leave out');
  expect(answer(surgery, '27 pumps at 60', addDays(today, 84))).toBe('clear');
  // 16w0d is 112 days, 168 before the due date.
  const expecting = person(yes('pregnancy', [], addDays(today, 170)));
  expect(answer(expecting, 'natural', addDays(today, 1), ['lying flat'])).toBe('clear');
  expect(answer(expecting, 'natural', addDays(today, 2), ['lying flat'])).toBe('adapt');
  expect(screenedUntil(today)).toBe('2027-05-26');
  expect(answer(person(), '4:4:4', isoDate('2027-05-26'))).toBe('clear');
  expect(answer(person(), '4:4:4', isoDate('2027-05-27'))).toBe('adapt');
  const nearly16 = { ...person(), birthDate: isoDate('2010-12-01'), guardianConsent: true };
  expect(answer(nearly16, '27 pumps at 60', isoDate('2026-11-30'))).toBe('leave out');
  expect(answer(nearly16, '27 pumps at 60', isoDate('2026-12-01'))).toBe('clear');
  // A due date that has passed with no birth recorded keeps the pregnancy row.
  expect(answer(person(yes('pregnancy', [], addDays(today, -3))), '3:2:3')).toBe('adapt');
});

test('a surgical birth brings the surgery row, an open question its strictest state and the floor', () => {
  expect(answer(person(yes('birth', ['surgical'], today)), 'in 2, hold 5, out 2')).toBe('ask first');
  const unsure = person({ condition: 'high blood pressure', answer: "don't know", parts: {}, date: null });
  const found = decide(bearings(unsure, today), features('in 4 right, out 4 left')).findings.map((finding) => finding.answer);
  expect(found.filter((one) => one === 'leave out')).toHaveLength(2);
  expect(answer(unsure, '3:3')).toBe('watch');
});

test('limits are in seconds at the tempo of the block', () => {
  const slow = { tempo: millis(1300), naturalBreath: millis(4000) };
  const at = (tempo: typeof pace) =>
    decide(bearings(person(yes('low blood pressure')), today), featuresOf(roomPattern(mustParsePattern('4:4:4')), dose, tempo)).answer;
  expect([at(pace), at(slow)]).toEqual(['clear', 'adapt']);
});

test('a quarter of an hour of natural breath is stillness, of counted breath it is not', () => {
  const still = (pattern: string, amount: string) =>
    featuresOf(roomPattern(mustParsePattern(pattern)), mustParseDose(amount), pace).tags.includes('still 15 min');
  expect([still('natural', '14.75 min'), still('natural', '15 min'), still('4:6', '15 min'), still('27 pumps at 60', '30 min')]).toEqual([
    false,
    true,
    false,
    false,
  ]);
});

test('just below a limit is near it, at it or far from it is not', () => {
  const over4 = { is: 'hold in', overSeconds: 4 } as const;
  const holds = (seconds: number) => features(`in 4, hold ${seconds} s, out 4`);
  expect([3.4, 3.5, 4, 4.1].map((seconds) => nearFeature(holds(seconds), over4))).toEqual([false, true, true, false]);
  expect(['3:3', '4:5', '4:4', '5:6'].map((pattern) => nearFeature(features(pattern), { is: 'pace below 6' }))).toEqual([false, true, false, false]);
  expect(nearFeature(features('4:4'), { is: 'hold in', overSeconds: 0 })).toBe(false);
});

test('at the door', () => {
  const door = (more: object) => bearings(person(), today, { ...NOTHING_TODAY, ...more });
  expect(decide(door({ acute: true }), features('3:3')).answer).toBe('leave out');
  expect(decide(door({ acute: true }), features('natural')).answer).toBe('clear');
  expect(decide(door({ meal: 'within 3 h' }), features('27 pumps at 60')).answer).toBe('leave out');
  expect(decide(door({ meal: 'within 3 h' }), features('3:3, lock abdominal')).answer).toBe('clear');
  expect(decide(door({ meal: 'within 2 h' }), features('3:3, lock abdominal')).answer).toBe('leave out');
  expect(decide(door({ blockedNose: true }), features('in 4 left, out 4 right')).answer).toBe('adapt');
});

test('keeping in step with the room', () => {
  const best = (pattern: string, allowed = () => true) => inStepText(keepInStep(mustParsePattern(pattern), 1000, allowed)[0]);
  expect(best('4:4:4:4')).toBe('2 × (4:4)');
  expect(best('4:7:8')).toBe('2 × (4:5) + 1 free');
  expect(best('4:4:4')).toBe('5:7');
  const advice = (who: ScreenedPerson, pattern: string) =>
    advise(bearings(who, today), { pattern: mustParsePattern(pattern), dose, pace, tags: [] }).advice;
  expect(doingText(advice({ ...person(), screenedOn: null }, '4:4:4').doing)).toBe('2 × (3:3)');
  expect(doingText(advice(person(yes('heart')), '4:4:4').doing)).toBe('natural breath');
  expect(advice(person(yes('nose')), 'in 4 left, out 6 right, alternating')).toMatchObject({
    doing: { kind: 'adapted', pattern: '4:6' },
    words: ['sides imagined, no hand'],
  });
  const wheezy = person(yes('lungs'), yes('nose'));
  expect(doingText(advice(wheezy, 'in 3, out 4 hiss').doing)).toBe('natural breath');
});

const anyAnswer = fc.record({
  condition: fc.constantFrom(...ASKED.map(({ id }) => id)),
  answer: fc.constantFrom('yes' as const, "don't know" as const, 'prefer not to say' as const),
  date: fc.constantFrom(null, today, addDays(today, 150), addDays(today, -60)),
  parts: fc.dictionary(fc.constantFrom('controlled', 'high-risk', 'surgical'), fc.constantFrom(...SAID)),
});
const anyPerson = fc.record({
  screenedOn: fc.constantFrom(null, today, addDays(today, -200)),
  birthDate: fc.constantFrom(null, isoDate('1950-01-01'), isoDate('2013-01-01')),
  answers: fc.uniqueArray(anyAnswer, { maxLength: 4, selector: ({ condition }) => condition }),
  guardianConsent: fc.boolean(),
  clearances: fc.constant([]),
  overrides: fc.constant([]),
});

test('whatever is offered instead is watch or clear, and nobody is left with nothing', () => {
  fc.assert(
    fc.property(anyPerson, anyPattern, (who, pattern) => {
      const bearing = bearings(who, today);
      const { advice } = advise(bearing, { pattern, dose, pace, tags: ['eyes closed', 'floor seat'] });
      const offered = {
        'as taught': null,
        adapted: null,
        'in step': null,
        instead: null,
        option: null,
        'natural breath': 'natural',
        ...offer(advice.doing),
      }[advice.doing.kind];
      // One way alone is told: options beside it that are not theirs are not told with it.
      if (offered) expect([offered, mustParsePattern(offered).kind]).not.toEqual([offered, 'options']);
      if (offered) expect(['watch', 'clear']).toContain(decide(bearing, features(offered)).answer);
      expect(doingText(advice.doing)).not.toBe('');
    }),
    { numRuns: 400 },
  );
});

function offer(doing: ReturnType<typeof advise>['advice']['doing']): Record<string, string | null> {
  if (doing.kind === 'adapted' || doing.kind === 'instead' || doing.kind === 'option') return { [doing.kind]: doing.pattern };
  return doing.kind === 'in step' ? { 'in step': `${doing.inStep[0].inhale}:${doing.inStep[0].exhale}` } : {};
}

test('one more condition never makes an answer looser; the natural breath is always clear', () => {
  fc.assert(
    fc.property(anyPerson, anyAnswer, fc.constantFrom(...TECHNIQUES), (who, more, technique) => {
      const seen = featuresOf(roomPattern(technique.read.pattern), technique.read.dose, pace);
      const before = decide(bearings(who, today), seen).answer;
      const after = decide(bearings({ ...who, answers: [...who.answers, more] }, today), seen).answer;
      expect(ANSWERS.indexOf(after)).toBeLessThanOrEqual(ANSWERS.indexOf(before));
      expect(answer(who, 'deepened')).toBe('clear');
    }),
    { numRuns: 400 },
  );
});

test('rules have ids of their own, and every asked condition has a rule', () => {
  expect(new Set(RULEBOOK.map(({ id }) => id)).size).toBe(RULEBOOK.length);
  for (const { id } of ASKED) expect(RULEBOOK.some((rule) => rule.condition === id)).toBe(true);
});

test('what is said at the door holds for today, whatever was set aside before', () => {
  const blocked = RULEBOOK.filter(({ condition }) => condition === 'nose').map(({ id }) => id);
  const aside: ScreenedPerson = {
    ...person(yes('nose')),
    clearances: [{ rules: blocked, on: addDays(today, -3), until: addDays(today, 30) }],
    overrides: [{ id: 'o', rules: blocked, reason: 'always has been', by: 'Linnet Harrow', from: addDays(today, -3), until: addDays(today, 30) }],
  };
  const nose = (door = NOTHING_TODAY) => bearings(aside, today, door).filter(({ rule }) => rule.condition === 'nose');
  expect(nose()).toEqual([]);
  expect(nose({ ...NOTHING_TODAY, blockedNose: true }).map(({ rule }) => rule.id)).toEqual(blocked);
});

test('of two caps on a hold the tighter one is said and done, and no hold before either', () => {
  const caps = (...conditions: string[]) => {
    const { words, doing } = advise(bearings(person(...conditions.map((one) => yes(one))), today), {
      pattern: mustParsePattern('8:8:8'),
      dose,
      pace,
      tags: [],
    }).advice;
    return { words: words.filter((word) => /hold/.test(word)), doing };
  };
  const [two, four] = ['lungs', 'low blood pressure'].map((one) => caps(one).words.join());
  const both = caps('lungs', 'low blood pressure').words.join();
  const seconds = (text: string) => [...text.matchAll(/(\d+) s/g)].map(([, n]) => Number(n));
  expect([seconds(two).length, seconds(four).length]).toEqual([1, 1]);
  expect(seconds(two)[0]).not.toBe(seconds(four)[0]);
  expect(seconds(both)).toEqual([Math.min(...seconds(two), ...seconds(four))]);
});
