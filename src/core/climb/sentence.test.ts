import fc from 'fast-check';
import { patternPath, shiftedPattern, solveClimb, stretchDays, type Blank, type Climbed, type Sentence } from '.';
import { readAmount } from './sentence';

const rhythm = { classesAWeek: 2 };
const minutes = (over: Partial<Sentence>): Sentence => ({
  kind: 'minutes',
  from: '5 min',
  to: '15 min',
  step: '1 min',
  every: 'month',
  over: '6 months',
  ...over,
});
const counts = (over: Partial<Sentence>): Sentence => ({
  kind: 'pattern',
  from: '4:5',
  to: '6:7',
  step: 'one count',
  every: '2 weeks',
  over: '4 weeks',
  ...over,
});
const solved = (sentence: Sentence) => solveClimb(sentence, rhythm) as Extract<Climbed, { is: 'solved' }>;
const short = (sentence: Sentence) => solveClimb(sentence, rhythm) as Extract<Climbed, { is: 'short' }>;

test('five minutes and one a month are eleven after six months, not fifteen', () => {
  expect(solved(minutes({ to: '' })).sentence.to).toBe('11 min');
  expect(solved(minutes({ from: '10 min', to: '' })).sentence.to).toBe('16 min');
  const found = short(minutes({}));
  expect(found.sum).toBe('5 + 6 × 1 = 11, not 15');
  expect(found.mends.map(({ blank, value }) => [blank, value])).toEqual([
    ['to', '11 min'],
    ['step', '1 min 40 s'],
    ['from', '9 min'],
    ['over', '10 months'],
    ['every', '2 weeks'],
  ]);
  expect(found.mends.every(({ guard }) => guard.holds)).toBe(true);
});

test('fifteen to thirty in six months is two and a half a month', () => {
  expect(solved(minutes({ from: '15', to: '30', step: '' })).sentence.step).toBe('2 min 30 s');
});

test.each<[Partial<Sentence>, Blank, string]>([
  [{ from: '' }, 'from', '4:5'],
  [{ to: '' }, 'to', '6:7'],
  [{ step: '' }, 'step', 'one count'],
  [{ every: '' }, 'every', '2 weeks'],
  [{ over: '' }, 'over', '4 weeks'],
])('of counts the one blank that is empty is worked out: %j', (over, blank, value) => {
  const found = solved(counts(over));
  expect([found.filled, found.sentence[blank], found.stairs, found.days]).toEqual([blank, value, ['4:5', '5:6', '6:7'], 28]);
});

test('every guard has its two sides', () => {
  const guard = (sentence: Sentence) => solved(sentence).guard.holds;
  const week = { every: 'week', over: '' } as const;
  expect([guard(minutes({ ...week, step: '1 min' })), guard(minutes({ ...week, step: '1 min 1 s' }))]).toEqual([true, false]);
  expect([guard(minutes({ ...week, from: '10', step: '2 min' })), guard(minutes({ ...week, from: '10', step: '2 min 1 s' }))]).toEqual([true, false]);
  expect([guard(counts({ every: 'week', over: '' })), guard(counts({ every: 'class', over: '' }))]).toEqual([true, false]);
  const hold = { kind: 'hold', from: '0 s', to: '8 s', every: 'week', over: '' } as const;
  expect([guard(minutes({ ...hold, step: '1 s' })), guard(minutes({ ...hold, step: '2 s' }))]).toEqual([true, false]);
  const rest = { kind: 'rest', from: '5', to: '30', every: 'month', over: '' } as const;
  expect([guard(minutes({ ...rest, step: '15 min' })), guard(minutes({ ...rest, step: '16 min' }))]).toEqual([true, false]);
});

test('a quiet week saves up one week’s growth, and no more', () => {
  const guard = (every: string, step: string) => solved(minutes({ every, step, over: '' })).guard.holds;
  expect([guard('2 weeks', '2 min 12 s'), guard('2 weeks', '2 min 13 s'), guard('month', '2 min 12 s'), guard('month', '2 min 13 s')]).toEqual([
    true,
    false,
    true,
    false,
  ]);
});

test('a week of the course is a time to arrive by', () => {
  const by = (over: string) => solveClimb(minutes({ every: 'week', to: '', over }), { classesAWeek: 2, week: 4 });
  expect(by('by week 10')).toMatchObject({ is: 'solved', sentence: { to: '11 min' } });
  expect([by('by week 5').is, by('by week 4').is]).toEqual(['solved', 'unread']);
});

test('layers come in one after the other, no longer than the inhale; pumps go along their steps', () => {
  expect(patternPath('4:4', '4:4:4:4')).toEqual(['4:4', '4:4:4', '4:4:4:4']);
  expect(patternPath('4:4:4:4', '6:6:6:6')).toEqual(['4:4:4:4', '5:5:5:5', '6:6:6:6']);
  expect(patternPath('4:4', '4:7:4')).toEqual(['4:4', '4:4:4', '4:5:4', '4:6:4', '4:7:4']);
  expect(patternPath('27 pumps at 60', '108 pumps at 60')).toEqual(['27 pumps at 60', '54 pumps at 60', '108 pumps at 60']);
  expect(patternPath('4:5', '27 pumps at 60')).toBeNull();
  expect([shiftedPattern('4:5', 2), shiftedPattern('4:5', -4)]).toEqual(['6:7', null]);
});

test.each<[Partial<Sentence>, string]>([
  [{ from: 'five' }, 'unread'],
  [{ every: 'now and then' }, 'unread'],
  [{ to: '3 min' }, 'unread'],
  [{ step: '0 min' }, 'unread'],
  [{ to: '', over: '' }, 'open'],
  [{ to: '', over: '2 weeks' }, 'impossible'],
])('what does not read, leaves too much open or cannot be says so: %j', (over, is) => {
  expect(solveClimb(minutes(over), rhythm).is).toBe(is);
});

test('counts that do not get there say how far they get, and each mend arrives', () => {
  const found = short(counts({ to: '8:9' }));
  expect(found.sum).toBe('4:5 and 2 steps make 6:7, not 8:9');
  expect(found.mends.map(({ blank, value }) => [blank, value])).toEqual([
    ['to', '6:7'],
    ['from', '6:7'],
    ['over', '8 weeks'],
    ['every', '1 week'],
  ]);
  for (const { blank, value } of found.mends) expect(solveClimb({ ...counts({ to: '8:9' }), [blank]: value }, rhythm).is).toBe('solved');
  expect(short(counts({ over: '2 weeks' })).sum).toBe('4:5 and one step make 5:6, not 6:7');
});

test.each<[Partial<Sentence>, string]>([
  [{ to: '27 pumps at 60' }, '4:5 does not grow into 27 pumps at 60 step by step.'],
  [{ from: '4:5', to: '4:5' }, 'It is there already.'],
  [{ from: '', to: '3:4', over: '20 weeks' }, 'There is no such pattern so many steps below.'],
  [{ from: '27 pumps at 60', to: '' }, 'These counts do not grow so far by themselves: say where they should arrive.'],
  [{ to: '', every: '6 weeks' }, 'No step fits into this time.'],
  [{ every: '', over: '1 class' }, 'It takes 2 steps, more than there are classes in 1 class.'],
])('counts that cannot be say why: %j', (over, text) => {
  expect(solveClimb(counts(over), rhythm)).toEqual({ is: 'impossible', text });
});

test.each<[Partial<Sentence>, Blank, string]>([
  [{ from: 'in and out' }, 'from', 'A pattern such as 4:5 or 4:4:4.'],
  [{ to: 'far' }, 'to', 'A pattern such as 4:5 or 4:4:4.'],
  [{ step: 'some' }, 'step', 'How many counts at once, such as one count.'],
  [{ step: '0 counts' }, 'step', 'One count at a time.'],
  [{ step: '2 counts' }, 'step', 'One count at a time.'],
  [{ every: 'now' }, 'every', 'A time such as 2 weeks, month or 3 classes.'],
  [{ over: '0 weeks' }, 'over', 'A time such as 2 weeks, month or 3 classes.'],
])('what does not read of counts says so at its blank: %j', (over, blank, text) => {
  expect(solveClimb(counts(over), rhythm)).toEqual({ is: 'unread', blank, text });
});

test.each<[Sentence['kind'], string, number | null]>([
  ['minutes', '5', 5],
  ['minutes', '1 min 30 s', 1.5],
  ['minutes', '90 sec', 1.5],
  ['minutes', '2,5 min', 2.5],
  ['minutes', '', null],
  ['minutes', 'five', null],
  ['hold', '8', 8],
  ['hold', '1 min 5 s', 65],
  ['rounds', '4', 4],
  ['rounds', '4 rounds', 4],
  ['rounds', '4.5', null],
  ['rounds', '4 min', null],
])('an amount of %s reads: "%s" is %s', (kind, text, amount) => {
  expect(readAmount(kind, text)).toBe(amount);
});

test('down again goes step by step too', () => {
  expect(solved(counts({ from: '6:7', to: '4:5' })).stairs).toEqual(['6:7', '5:6', '4:5']);
});

test('rounds and holds climb in their own words', () => {
  const rounds = minutes({ kind: 'rounds', from: '4 rounds', to: '', step: '1 round', every: 'week', over: '4 weeks' });
  expect(solved(rounds).sentence.to).toBe('8 rounds');
  expect(solved({ ...rounds, from: '', to: '5', over: '4 weeks' }).sentence.from).toBe('1 round');
  const hold = minutes({ kind: 'hold', from: '', to: '4 s', step: '1 s', every: 'week', over: '4 weeks' });
  expect(solved(hold).sentence.from).toBe('0 s');
  expect(solveClimb({ ...hold, over: '5 weeks' }, rhythm)).toMatchObject({ is: 'impossible', text: '5 s more than it began with is over 4 s.' });
  // Minutes begin with more than nothing.
  expect(solveClimb(minutes({ from: '', to: '6 min' }), rhythm).is).toBe('impossible');
});

test.each([
  ['2 weeks', 14],
  ['week', 7],
  ['3 days', 3],
  ['2 classes', 7],
  ['month', 30],
  ['a year', 365],
  ['two weeks', 14],
  ['half a year', 183],
  ['every twelve days', 12],
  ['thirteen days', null],
  ['1,5 weeks', 11],
  ['1000 days', 1000],
  ['1001 days', null],
  ['0 days', null],
  ['soon', null],
] as const)('a stretch of %s is %s days where there are two classes a week', (text, days) => {
  expect(stretchDays(text, rhythm)).toBe(days);
});

test('whatever blank is left empty, what is worked out fits with the others', () => {
  const amount = fc.integer({ min: 1, max: 20 });
  fc.assert(
    fc.property(
      amount,
      amount,
      fc.integer({ min: 1, max: 5 }),
      fc.integer({ min: 1, max: 4 }),
      fc.constantFrom('week', 'month', 'class'),
      fc.constantFrom('from', 'to', 'step', 'every', 'over'),
      (from, more, step, n, unit, blank) => {
        const plural = unit === 'class' ? 'classes' : `${unit}s`;
        const steps = Math.ceil(more / step);
        const whole: Sentence = {
          kind: 'minutes',
          from: `${from} min`,
          to: `${from + more} min`,
          step: `${step} min`,
          every: `${n} ${plural}`,
          over: `${n * steps} ${plural}`,
        };
        const found = solveClimb({ ...whole, [blank]: '' }, rhythm);
        if (found.is !== 'solved') return expect([blank, found.is]).toEqual(['from', 'impossible']);
        expect(solveClimb(found.sentence, rhythm).is).toBe('solved');
      },
    ),
  );
});

test('whoever is there before the time is over is told when', () => {
  expect(solved(minutes({ from: '20', to: '30', step: '1', every: 'month', over: 'a year' })).early).toBe('10 months');
  expect(solved(minutes({ from: '20', to: '30', step: '1', every: 'month', over: '10 months' })).early).toBeNull();
});

test('a course has so many weeks and no more, on both sides', () => {
  const inCourse = { ...rhythm, mostWeeks: 26 };
  const over = (to: string) => solveClimb(minutes({ to, every: 'week', over: '' }), inCourse).is;
  expect([over('31 min'), over('32 min')]).toEqual(['solved', 'impossible']);
  const mends = (to: string) => (solveClimb(minutes({ to, every: 'week', over: '2 weeks' }), inCourse) as Extract<Climbed, { is: 'short' }>).mends;
  expect([mends('31 min'), mends('32 min')].map((all) => all.some(({ blank }) => blank === 'over'))).toEqual([true, false]);
});

const STRETCHES = ['class', '2 classes', '3 classes', '5 days', 'week', '2 weeks', '6 weeks', 'month', '3 months', 'half a year', 'a year'];
const anySentence: fc.Arbitrary<Sentence> = fc
  .record({
    kind: fc.constantFrom<Sentence['kind']>('minutes', 'rounds', 'rest', 'hold', 'pattern'),
    from: fc.integer({ min: 1, max: 20 }),
    more: fc.integer({ min: 0, max: 20 }),
    step: fc.integer({ min: 1, max: 6 }),
    every: fc.constantFrom(...STRETCHES),
    over: fc.constantFrom(...STRETCHES),
    blank: fc.constantFrom<Blank | null>('from', 'to', 'step', 'every', 'over', null),
  })
  .map(({ kind, from, more, step, every, over, blank }) => {
    const counts = kind === 'pattern';
    const at = (n: number) => (counts ? `${n}:${n + 1}` : String(n));
    const whole = { kind, from: at(from), to: at(from + more), step: counts ? 'one count' : String(step), every, over };
    return blank ? { ...whole, [blank]: '' } : whole;
  });

test('whatever is asked: what is worked out fits with the rest, and every mend that is offered changes something and makes it arrive', () => {
  let [filled, mended] = [0, 0];
  fc.assert(
    fc.property(anySentence, fc.constantFrom(1, 2, 3), (sentence, classesAWeek) => {
      const course = { classesAWeek, mostWeeks: 26 };
      const found = solveClimb(sentence, course);
      if (found.is === 'solved') {
        if (found.filled) filled += 1;
        expect([found.sentence, solveClimb(found.sentence, course)]).toMatchObject([found.sentence, { is: 'solved', days: found.days }]);
        expect([found.sentence, found.sentence.from]).not.toEqual([found.sentence, found.sentence.to]);
        // It is not longer than it has.
        const has = stretchDays(found.sentence.over, course)!;
        expect([found.sentence, found.days <= has + 1]).toEqual([found.sentence, true]);
      }
      if (found.is !== 'short') return;
      for (const { blank, value } of found.mends) {
        mended += 1;
        expect([sentence, blank, value === sentence[blank]]).toEqual([sentence, blank, false]);
        expect([sentence, blank, value, solveClimb({ ...sentence, [blank]: value }, course).is]).toEqual([sentence, blank, value, 'solved']);
        if (blank === 'over') expect(stretchDays(value, course)).toBeLessThanOrEqual(26 * 7);
      }
    }),
    { numRuns: 4000 },
  );
  expect(Math.min(filled, mended)).toBeGreaterThan(500);
});
