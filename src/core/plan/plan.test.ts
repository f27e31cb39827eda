import { changesBetween, chipText, DEFAULT_NATURAL_BREATH, sessionTime, shortenTo, type Block } from '.';

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
  const after = (begun: number, minutes: number) => shortenTo(blocks, begun, minutes * 60_000, DEFAULT_NATURAL_BREATH);
  const left = (begun: number, minutes: number) =>
    after(begun, minutes).blocks.map((each) => ('minutes' in each ? `${each.id}${each.minutes}` : `${each.id} ${each.dose}`));
  expect(left(0, 3)).toEqual(['a4', 'b 8 min', 's2', 'c 10 rounds', 'r7', 'z3']);
  expect(left(0, 6.5)).toEqual(['a4', 'b 8 min', 's1', 'c 6 rounds', 'r5', 'z3']);
  expect(left(1, 9)).toEqual(['a4', 'b 8 min', 's1', 'r5', 'z3']);
  expect(after(1, 30).over).toBeGreaterThan(0);
  expect(after(0, 0).blocks).toEqual(blocks);
});

test('blocks add up', () => {
  expect(sessionTime([technique('a'), rest(8)])).toBe(60_000 + 480_000);
  expect(sessionTime([technique('a', { tempo: 1100 })])).toBe(66_000);
  expect(chipText({ id: 'b', kind: 'technique', technique: 'belly', pattern: 'deepened', dose: '3 min', tempo: 1000 })).toBe('3 min');
});

test('what a later version changed is said in the words of the work', () => {
  const hiss = technique('h', { technique: 'hissing', pattern: 'in 4, out 5 hiss', dose: '5 min' });
  const before = [technique('a'), hiss, rest(8)];
  expect(changesBetween(before, [technique('a', { pattern: '4:6:4' }), rest(15)])).toEqual([
    'Equal 4:4:4: hold in 4 → 6 counts',
    'Lying rest: 8 → 15 min',
    'Hissing exhale left out',
    '+2 min',
  ]);
  expect(changesBetween(before, [rest(8), technique('a'), hiss])).toEqual(['the order changed']);
  expect(changesBetween(before, before)).toEqual([]);
});
