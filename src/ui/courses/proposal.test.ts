import type { CourseSession, SoonProof, SpreadProof } from '@/core/course';
import { SHIPPED_LIBRARY } from '@/core/library';
import type { TechniqueBlock } from '@/core/plan';
import { isoDate } from '@/core/units';
import type { CourseView } from '@/views/course';
import { changesIn, givesUpText, proofText, toClasses, type Proposal } from './proposal';

const block = (technique: string, pattern: string, dose: string): TechniqueBlock => ({
  id: technique,
  kind: 'technique',
  technique,
  pattern,
  dose,
  tempo: 1,
});
const session = (id: string, fixed: boolean, ...blocks: TechniqueBlock[]): CourseSession => ({
  id,
  date: isoDate('2026-12-01'),
  start: '18:30',
  minutes: 60,
  blocks,
  fixed,
});
const proof = (over: Partial<SoonProof> = {}): SoonProof => ({
  aim: 'soon',
  proved: true,
  dropped: 0,
  least: 0,
  sum: 5,
  bound: 5,
  reached: [2, 3],
  earliest: [2, 3],
  ...over,
});
const shown = (id: string, ...blocks: TechniqueBlock[]) => ({
  id,
  date: isoDate('2026-12-01'),
  start: '18:30',
  minutes: 60,
  techniques: blocks.map(({ technique, pattern, dose }) => ({ technique, pattern, dose, name: SHIPPED_LIBRARY.technique(technique).name })),
});

test('a draft says class by class what comes, goes and grows, and nothing of a class that is left alone', () => {
  const view = {
    sessions: [
      shown('a', block('equal-4-4', '4:4', '4 min'), block('belly', 'natural', '3 min')),
      shown('b', block('belly', 'natural', '3 min')),
      shown('c', block('belly', 'natural', '3 min')),
    ],
  } as unknown as Pick<CourseView, 'sessions'>;
  const proposal: Proposal = {
    sessions: [
      session('a', false, block('equal-4-4', '5:5', '5 min'), block('longer-4-6', '4:6', '5 min')),
      session('b', false, block('belly', 'natural', '3 min')),
      session('c', true, block('equal-4-4', '4:4', '4 min')),
      session('new', false, block('belly', 'natural', '3 min')),
    ],
    proof: proof(),
    unplaced: [],
  };
  expect(changesIn(view, proposal, SHIPPED_LIBRARY)).toEqual([
    {
      session: 'a',
      date: '2026-12-01',
      lines: ['Equal 4:4: 4:4 → 5:5, 4 min → 5 min', 'Longer exhale 4:6 comes in', 'Belly breath leaves'],
    },
  ]);
});

test('what is sent is what was taken, without classes that are past or published', () => {
  const sessions = [session('a', false, block('belly', 'natural', '3 min')), session('b', true), session('c', false)];
  expect(toClasses({ sessions, proof: proof(), unplaced: [] }, new Set(['a', 'b']))).toEqual([
    { session: 'a', techniques: [{ technique: 'belly', pattern: 'natural', dose: '3 min' }] },
  ]);
});

test.each<[string, Partial<SoonProof>, boolean, string]>([
  ['proved', {}, true, 'Every goal has its place, each as early as the rules allow: proved.'],
  ['one left out', { dropped: 1, least: 1, reached: [2, null] }, true, '1 of 2 goals have their place, each as early as the rules allow: proved.'],
  [
    'still looking',
    { proved: false, earliest: [1, 3] },
    false,
    'Every goal has its place so far; best possible for 1 of them; 4:7:8 may still come up to 1 class earlier.',
  ],
  [
    'one class late',
    { proved: false, bound: 4, earliest: [2, 2] },
    true,
    'Every goal has its place; best possible for 1 of them; Equal 4:4 may still come up to 1 class earlier.',
  ],
  [
    'both late, together less than each',
    { proved: false, bound: 3, earliest: [1, 1] },
    true,
    'Every goal has its place; 4:7:8 may still come up to 1 class earlier; Equal 4:4 may come up to 2 classes earlier; together at most 2 classes.',
  ],
  ['each as early as it alone could be', { proved: false }, true, 'Every goal has its place; best possible for each.'],
  [
    'one left out, and perhaps none need be',
    { proved: false, dropped: 1, reached: [2, null] },
    true,
    '1 of 2 goals have their place; whether one more has a place was not settled; best possible for each.',
  ],
  [
    'one left out, still looking',
    { proved: false, dropped: 1, reached: [2, null] },
    false,
    '1 of 2 goals have their place so far; best possible for each.',
  ],
])('how good a draft is known to be: %s', (_, over, done, words) => {
  expect(proofText(proof(over), ['4:7:8', 'Equal 4:4'], done)).toBe(words);
});

const spread = (over: Partial<SpreadProof> = {}): SpreadProof => ({
  aim: 'spread',
  proved: false,
  dropped: 0,
  least: 0,
  reached: [9, 4],
  broken: [],
  leastBroken: 0,
  weight: 0,
  ready: [],
  soonest: [5, 4],
  ...over,
});
const full = { requirement: 'full', at: 2, technique: null } as const;

test.each([
  [
    'kept',
    {},
    true,
    'Every goal has its place, the last in class 9; every class is full, has a main practice and goes on from the one before; no better spread was found.',
  ],
  [
    'proved',
    { proved: true },
    true,
    'Every goal has its place, the last in class 9; every class is full, has a main practice and goes on from the one before; no draft spreads it better: proved.',
  ],
  ['on the way', {}, false, 'Every goal has its place, the last in class 9 so far; looking for a better spread.'],
  [
    'forced',
    { broken: [full], weight: 5, leastBroken: 5 },
    true,
    'Every goal has its place, the last in class 9; what is lacking below cannot be otherwise; no better spread was found.',
  ],
  ['not forced', { broken: [full], weight: 5 }, true, 'Every goal has its place, the last in class 9; no better spread was found.'],
  [
    'one left out',
    { dropped: 1, reached: [null, 4] },
    true,
    '1 of 2 goals have their place, the last in class 4; every class is full, has a main practice and goes on from the one before; whether one more has a place was not settled.',
  ],
] as const)('a course spread over the weeks says what is known of it: %s', (_, over, done, said) => {
  expect(proofText(spread(over), ['4:7:8', 'Equal 4:4'], done)).toBe(said);
});

test('what a spread gives up is said in classes, and nothing where it gives up nothing', () => {
  expect(givesUpText(spread(), ['4:7:8', 'Equal 4:4'])).toBe('4:7:8 is reached in class 9; as soon as it can be taught it could be in class 5.');
  expect(givesUpText(spread({ soonest: [5, 2] }), ['4:7:8', 'Equal 4:4'])).toMatch(/class 5; Equal 4:4 in class 4, not 2\.$/);
  expect([givesUpText(spread({ soonest: [9, 4] }), ['4:7:8', 'Equal 4:4']), givesUpText(proof(), [])]).toEqual([null, null]);
});
