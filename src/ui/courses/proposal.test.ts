import type { CourseSession, Proof } from '@/core/course';
import { SHIPPED_LIBRARY } from '@/core/library';
import type { TechniqueBlock } from '@/core/plan';
import { isoDate } from '@/core/units';
import type { CourseView } from '@/views/course';
import { changesIn, proofText, toClasses, type Proposal } from './proposal';

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
const proof = (over: Partial<Proof> = {}): Proof => ({ proved: true, dropped: 0, sum: 5, bound: 5, reached: [2, 3], ...over });
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

test.each<[string, Partial<Proof>, boolean, string]>([
  ['proved', {}, true, 'Every goal has its place, each as early as the rules allow: proved.'],
  ['one left out', { dropped: 1, reached: [2, null] }, true, '1 of 2 goals have their place, each as early as the rules allow: proved.'],
  ['still looking', { proved: false }, false, 'Every goal has its place so far; looking whether it can be better.'],
  ['one class late', { proved: false, bound: 4 }, true, 'Every goal has its place; together at most 1 class later than the best possible.'],
  ['two classes late', { proved: false, bound: 3 }, true, 'Every goal has its place; together at most 2 classes later than the best possible.'],
  ['as good as its bound', { proved: false }, true, 'Every goal has its place.'],
])('how good a draft is known to be: %s', (_, over, done, words) => {
  expect(proofText(proof(over), ['4:7:8', 'Equal 4:4'], done)).toBe(words);
});
