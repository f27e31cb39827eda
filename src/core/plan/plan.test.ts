import { changesBetween, chipText, sessionTime, type Block } from '.';

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
