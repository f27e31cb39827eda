import { changeLine, changesBetween, voiceChanges, type Basis, type NamedBlock } from '.';
import { SHIPPED_LIBRARY } from '../library';
import { millis } from '../units';

const basis: Basis = { library: SHIPPED_LIBRARY, naturalBreath: millis(4000) };
const breath = (id: string, technique: string, over: object = {}): NamedBlock => ({
  id,
  kind: 'technique',
  technique,
  pattern: SHIPPED_LIBRARY.technique(technique).pattern,
  dose: '5 min',
  tempo: 1000,
  ...over,
});
const rest = (minutes: number): NamedBlock => ({ id: 'r', kind: 'rest', part: 'lying-rest', minutes });
const lines = (before: readonly NamedBlock[], after: readonly NamedBlock[]) => changesBetween(before, after, basis).map(changeLine);
const one = (over: object) => lines([breath('a', 'equal-4-4')], [breath('a', 'equal-4-4', over)]);

test('the same plan has nothing to say', () => {
  const plan = [breath('a', 'equal-4-4'), breath('b', 'hissing'), rest(10)];
  expect(lines(plan, plan)).toEqual([]);
});

test('what came, what went, and what stands in another order', () => {
  const [a, b] = [breath('a', 'equal-4-4'), breath('b', 'hissing')];
  expect(lines([a], [a, b])).toEqual(['Hissing exhale added', '+5 min']);
  expect(lines([a, b], [a])).toEqual(['Hissing exhale left out', '−5 min']);
  expect(lines([a, b], [b, a])).toEqual(['the order changed']);
  // One that came in between changes nothing of the order of the others.
  expect(lines([a, b], [a, breath('c', 'belly'), b])).toEqual(['Belly breath added', '+5 min']);
});

test.each([
  [{ pattern: '4:6' }, ['Equal 4:4: out 4 → 6 counts']],
  [{ pattern: '5:5' }, ['Equal 4:4: in 4 → 5 counts, out 4 → 5 counts']],
  [{ pattern: '4:4:4' }, ['Equal 4:4: 4:4 → 4:4:4']],
  [{ dose: '7 min' }, ['Equal 4:4: 5 min → 7 min', '+2 min']],
  [{ dose: '4.5 min' }, ['Equal 4:4: 5 min → 4.5 min', '−30 s']],
  [{ tempo: 1150 }, ['Equal 4:4: tempo 1 → 1.15 s a count']],
  [{ lines: ['soft shoulders'] }, ['Equal 4:4: said: “soft shoulders”']],
  [{ note: 'stay near the door' }, ['Equal 4:4: a note: “stay near the door”']],
])('a block done otherwise says how: %j', (over, said) => {
  expect(one(over).filter((line) => said.some((start) => line.startsWith(start)))).toEqual(said);
});

test('what was taken back is said as such', () => {
  const noted = breath('a', 'equal-4-4', { lines: ['soft shoulders'], note: 'near the door' });
  expect(lines([noted], [breath('a', 'equal-4-4')])).toEqual(['Equal 4:4: no line of our own, no note any more']);
});

test('a part has its minutes', () => {
  expect(lines([rest(10)], [rest(15)])).toEqual(['Lying rest: 10 → 15 min', '+5 min']);
});

test('what is said of the class as a whole', () => {
  const voice = (purpose: string, note: string) => ({ purpose, note });
  expect(voiceChanges(voice('', ''), voice('', ''))).toEqual([]);
  expect(voiceChanges(voice('', ''), voice('to settle', 'mats are in the hall')).map(changeLine)).toEqual([
    'for today: “to settle”',
    'a note: “mats are in the hall”',
  ]);
  expect(voiceChanges(voice('to settle', 'mats'), voice('', '')).map(changeLine)).toEqual(['no purpose is given any more', 'no note any more']);
});
