import {
  DEFAULT_SCHOOLS,
  NO_CHANGES,
  questionsFor,
  QUESTIONS,
  schoolChanges,
  schoolCues,
  taughtAs,
  writtenOut,
  type Schools,
  type StudioSchools,
} from '.';
import { mustParseDose, mustParsePattern } from '../pattern';
import { endsAside, exhalationsBySide, timeBlock } from '../timing';
import { millis } from '../units';
import { SHIPPED_LIBRARY } from '../library';

const { technique: techniqueOf, techniques: TECHNIQUES } = SHIPPED_LIBRARY;

const pace = { tempo: millis(1000), naturalBreath: millis(4000) };
const choose = (more: Partial<Schools>): StudioSchools => ({ studio: { ...DEFAULT_SCHOOLS, ...more }, own: {} });
const alternate = techniqueOf('alternate-4-4');

test('the default ways leave every shipped technique as it is', () => {
  for (const technique of TECHNIQUES) expect(taughtAs(technique, NO_CHANGES)).toEqual({ pattern: technique.pattern, dose: technique.dose });
  expect(schoolChanges(TECHNIQUES, NO_CHANGES, NO_CHANGES, pace)).toEqual([]);
});

test('sides, rounds, breaks and routes follow the school, and nothing else does', () => {
  expect(taughtAs(alternate, choose({ 'alternate side': 'right-right' }))).toEqual({
    pattern: 'in 4 right, out 4 left, alternating',
    dose: '9 rounds of 2',
  });
  expect(taughtAs(alternate, choose({ round: 'one-breath' })).dose).toBe('9 rounds of 1');
  expect(taughtAs(techniqueOf('both-in-4-4'), choose({ 'first exhale': 'right' })).pattern).toBe('in 4, out 4 right, alternating');
  expect(taughtAs(techniqueOf('connected'), choose({ 'connected route': 'mouth', 'connected breaks': '2-s' }))).toEqual({
    pattern: 'connected 3 s, long 6 s mouth',
    dose: '4 rounds, rest 2 s between rounds',
  });
  expect(taughtAs(techniqueOf('4-7-8'), choose({ 'alternate side': 'right-right', round: 'one-breath' })).pattern).toBe(techniqueOf('4-7-8').pattern);
});

test('an entry breath stands before each set; the worked example comes out', () => {
  const { pattern } = taughtAs(alternate, choose({ 'alternate side': 'left-entry' }));
  const dose = mustParseDose('2 x 6 rounds of 1, rest 3 breaths after each set');
  expect(timeBlock(mustParsePattern(pattern), dose, pace).planned).toBe(136_000);
});

test.each(['left-left', 'right-right'] as const)('%s: it ends on an exhale through the side it began on', (way) => {
  const { pattern, dose } = taughtAs(alternate, choose({ 'alternate side': way }));
  const [read, amount] = [mustParsePattern(pattern), mustParseDose(dose)];
  expect(endsAside(read, amount, pace)).toBeNull();
  expect(exhalationsBySide(read, amount, pace)).toEqual({ left: 9, right: 9, last: way.split('-')[0] });
});

test('a technique may keep a way of its own', () => {
  const studio = { ...choose({ 'alternate side': 'right-right' }), own: { 'alternate-4-6': { 'alternate side': 'left-left' as const } } };
  expect(taughtAs(alternate, studio).pattern).toContain('in 4 right');
  expect(taughtAs(techniqueOf('alternate-4-6'), studio).pattern).toContain('in 4 left');
});

test('the preview names every technique that changes with its minutes, and what would be said', () => {
  const changes = schoolChanges(TECHNIQUES, NO_CHANGES, choose({ round: 'one-breath' }), pace);
  expect(changes.map(({ technique }) => technique)).toEqual(
    TECHNIQUES.filter(({ family }) => ['alternate', 'both-in'].includes(family)).map(({ id }) => id),
  );
  expect(changes.find(({ technique }) => technique === 'alternate-4-4')).toMatchObject({ before: { time: 144_000 }, after: { time: 72_000 } });
  const hands = schoolChanges(TECHNIQUES, NO_CHANGES, choose({ hand: 'left' }), pace);
  expect(hands.every(({ said, before, after }) => said.length === 1 && before.pattern === after.pattern)).toBe(true);
  expect(hands[0].said).toEqual(['“Left hand: thumb closes left, ring finger right”']);
  expect(schoolChanges(TECHNIQUES, NO_CHANGES, choose({ fullness: 'full' }), pace).find(({ technique }) => technique === 'square-4')?.said).toEqual([
    'no longer “Nine tenths full before the hold”',
  ]);
});

test('what a round is gets written out', () => {
  const sides = 'in 4 left, out 6 right, alternating';
  expect(writtenOut(sides, '9 rounds', NO_CHANGES, 'alternate-4-6').dose).toBe('9 rounds of 2');
  expect(writtenOut(sides, '9 rounds of 1', NO_CHANGES, 'alternate-4-6').dose).toBe('9 rounds of 1');
  expect(writtenOut(sides, '5 min', NO_CHANGES, 'alternate-4-6').dose).toBe('5 min in rounds of 2');
  expect(writtenOut(sides, '9 rounds', choose({ round: 'one-breath' }), 'alternate-4-6').dose).toBe('9 rounds');
  expect(writtenOut('4:4', '9 rounds', NO_CHANGES, 'equal-4-4').dose).toBe('9 rounds');
  expect(writtenOut('in 5 open/narrowed, out 5 open/narrowed', '4 rounds', NO_CHANGES, 'throat-grid').dose).toBe('4 rounds of 3');
  expect(writtenOut('4:4 alternating for 9 rounds > natural for 1 min', '1 round', NO_CHANGES, 'alternate-4-4').pattern).toBe(
    'in 4 left, out 4 right, alternating for 9 rounds of 2 > natural for 1 min',
  );
});

test('what is said follows hand and fullness', () => {
  const cues = (pattern: string, more: Partial<Schools> = {}) => schoolCues(mustParsePattern(pattern), { ...DEFAULT_SCHOOLS, ...more });
  expect(cues('4:7:8')).toEqual(['Nine tenths full before the hold']);
  expect(cues('in 4 nine tenths, hold 4, out 4')).toEqual([]);
  expect(cues('in 4 left, out 4 right', { 'hand position': 'imagined' })).toEqual(['Sides imagined, hands resting']);
  expect(cues('4:4')).toEqual([]);
});

test('every question has its ways once, and is asked somewhere', () => {
  for (const { id, ways } of QUESTIONS) {
    expect(new Set(ways).size).toBe(ways.length);
    expect(TECHNIQUES.some((technique) => questionsFor(technique).some((question) => question.id === id))).toBe(true);
  }
});
