import { changeLine, changesBetween, chipText, named, sessionTime, shortenTo, type Block } from '.';
import { millis } from '../units';
import { SHIPPED_LIBRARY } from '../library';

const basis = { library: SHIPPED_LIBRARY, naturalBreath: millis(4000) };

const technique = (id: string, over: Partial<Extract<Block, { kind: 'technique' }>> = {}): Block => ({
  id,
  kind: 'technique',
  technique: 'equal-4-4-4',
  pattern: '4:4:4',
  dose: '5 rounds',
  tempo: 1000,
  ...over,
});
const rest = (minutes: number): Block => ({ id: 'rest', kind: 'rest', part: 'lying-rest', minutes });

test('a class is shortened from the end back: rest first, then doses, then techniques; closing and what has begun stay', () => {
  const part = (id: string, kind: 'arrive' | 'settle' | 'rest' | 'close', of: string, minutes: number): Block => ({ id, kind, part: of, minutes });
  const technique = (id: string, dose: string): Block => ({ id, kind: 'technique', technique: 'equal-4-4', pattern: '4:4', dose, tempo: 1000 });
  const blocks: Block[] = [
    part('a', 'arrive', 'arrive', 4),
    technique('b', '8 min'),
    part('s', 'settle', 'settle', 2),
    technique('c', '10 rounds'),
    part('r', 'rest', 'lying-rest', 10),
    part('z', 'close', 'close', 3),
  ];
  const after = (begun: number, minutes: number) => shortenTo(blocks, begun, minutes * 60_000, basis);
  const left = (begun: number, minutes: number) =>
    after(begun, minutes).blocks.map((each) => ('minutes' in each ? `${each.id}${each.minutes}` : `${each.id} ${each.dose}`));
  expect(left(0, 3)).toEqual(['a4', 'b 8 min', 's2', 'c 10 rounds', 'r7', 'z3']);
  expect(left(0, 6.5)).toEqual(['a4', 'b 8 min', 's1', 'c 6 rounds', 'r5', 'z3']);
  expect(left(1, 9)).toEqual(['a4', 'b 8 min', 's1', 'r5', 'z3']);
  expect(after(1, 30).over).toBeGreaterThan(0);
  expect(after(0, 0).blocks).toEqual(blocks);
});

test('blocks add up', () => {
  expect(sessionTime([technique('a'), rest(8)], basis)).toBe(60_000 + 480_000);
  expect(sessionTime([technique('a', { tempo: 1100 })], basis)).toBe(66_000);
  expect(chipText({ id: 'b', kind: 'technique', technique: 'belly', pattern: 'deepened', dose: '3 min', tempo: 1000 }, basis)).toBe('3 min');
});

test('what a later version changed is said in the words of the work', () => {
  const hiss = technique('h', { technique: 'hissing', pattern: 'in 4, out 5 hiss', dose: '5 min' });
  const before = [technique('a'), hiss, rest(8)];
  const changes = (after: Block[]) => changesBetween(before, after, basis).map(changeLine);
  expect(changes([technique('a', { pattern: '4:6:4' }), rest(15)])).toEqual([
    'Equal 4:4:4: hold in 4 → 6 counts',
    'Lying rest: 8 → 15 min',
    'Hissing exhale left out',
    '+2.2 min',
  ]);
  expect(changes([rest(8), technique('a'), hiss])).toEqual(['the order changed']);
  expect(changes(before)).toEqual([]);
});

test('minutes are those of the studio’s natural breath, and seconds are not rounded away', () => {
  const pumps = (rests: number) =>
    technique('p', { technique: 'pumps-27', pattern: '27 pumps at 60', dose: `3 rounds, rest ${rests} breaths between rounds` });
  const changed = (naturalBreath: number) =>
    changesBetween([pumps(6)], [pumps(20)], { library: SHIPPED_LIBRARY, naturalBreath: millis(naturalBreath) }).map(changeLine);
  expect(changed(4000).at(-1)).toBe('+1.9 min');
  expect(changed(2500).at(-1)).toBe('+1.2 min');
  const shorter = changesBetween([technique('a')], [technique('a', { dose: '4 rounds' })], basis).map(changeLine);
  expect(shorter).toEqual(['Equal 4:4:4: 5 rounds → 4 rounds', '−12 s']);
});

test('a published block keeps the name it went out with', () => {
  const published = [{ ...technique('a'), name: 'Even with holds' }];
  expect(changesBetween(published, [], basis).map(changeLine)).toEqual(['Even with holds left out', '−1 min']);
  const own = { id: 'w', number: 1, name: 'Boathouse even breath' };
  expect(named([technique('a', { own }), rest(5)], basis).map(({ name }) => name)).toEqual(['Boathouse even breath', 'Lying rest']);
});
