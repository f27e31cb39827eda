import { afterwards, keptUp, type Went } from '.';

const went = (did: string, strained = ''): Went => ({
  did: [...did].map((one) => (one === '.' ? null : one === 'x')),
  strained: [...did].map((_, day) => strained[day] === 's'),
});

test('how many did each day', () => {
  expect(keptUp([went('xx-'), went('x--')])).toEqual([1, 0.5, 0]);
  expect(keptUp([])).toEqual([]);
});

test('who finished, on both sides of the days that are needed', () => {
  expect(afterwards([went('xxxxxx-'), went('xxxxx--')], 7, 0.8, () => null)[0]).toBe('1 of 2 finished: at least 6 of 7 days.');
});

test('a day is measured by those whose day it was, and a series by the days that were theirs', () => {
  // The second joined on day 4 and did all of theirs; the third left after day 2.
  const all = [went('xxxxxx-'), went('...xxxx'), went('xx.....'), went('x------')];
  expect(keptUp(all).map((share) => Math.round(share * 100))).toEqual([100, 67, 50, 67, 67, 67, 33]);
  expect(afterwards(all, 7, 0.8, () => null)[0]).toBe('3 of 4 finished: at least 80 % of the days that were theirs.');
  expect(afterwards([went('xxxxxx-'), went('xxxxx--')], 7, 0.7, () => null)[0]).toBe('2 of 2 finished: at least 5 of 7 days.');
});

test('which day lost people, what it was followed by, and what was too much', () => {
  const all = [went('xxxx----------'), went('xxxx----------'), went('xxxxxxxxxxxxxx', '---------s----'), went('xxxxxxxxxxxxxx')];
  const said = afterwards(all, 14, 0.8, (day) => (day === 5 ? 'Equal 4:4' : null));
  expect(said).toEqual([
    '2 of 4 finished: at least 12 of 14 days.',
    'Week 1 was kept up best (79 %), week 2 least (50 %).',
    'Day 4 was the last for three days or more for 2 people, more than any other.',
    'Next time: day 5 brings Equal 4:4 in. A gentle day before it, or a live one, may keep them.',
    'Next time: begin day 10 shorter or a rung lower: 20 % or more were strained.',
  ]);
});

test('a strain of fewer than a fifth is nobody’s to mend', () => {
  const many = [went('xxxxxxx', 's'), ...Array.from({ length: 5 }, () => went('xxxxxxx'))];
  expect(afterwards(many, 7, 0.8, () => null).join()).not.toContain('strained');
  expect(afterwards(many.slice(0, 5), 7, 0.8, () => null).join()).toContain('strained');
});
