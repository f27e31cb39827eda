import type { CourseView } from '@/views/course';
import { headline } from './headline';

const line = (name: string, expected: number, people = 14, goal = true, share: number | null = null) =>
  ({ name, expected, people, goal, share }) as CourseView['ready'][number];
const view = (over: {
  readonly unplaced?: readonly string[];
  readonly reached?: readonly (number | null)[];
  readonly checks?: CourseView['checks'];
  readonly ready?: CourseView['ready'];
  readonly sessions?: readonly { readonly techniques: readonly object[] }[];
  readonly week?: number | null;
}) =>
  ({
    week: over.week ?? null,
    sessions: over.sessions ?? [{ techniques: [{}] }],
    course: { weeks: 10, goals: ['4:7:8', 'Hissing exhale'], reached: over.reached ?? [7, 4], unplaced: over.unplaced ?? [] },
    checks: over.checks ?? [],
    ready: over.ready ?? [],
  }) as unknown as CourseView;
const check = (severity: 'stop' | 'know') => ({ severity }) as CourseView['checks'][number];

test.each([
  ['reached', {}, 'It has not started yet. Every goal is reached, the last in week 7.'],
  ['begun', { week: 3 }, 'Week 3 of 10. Every goal is reached, the last in week 7.'],
  ['over', { week: 11 }, 'It is finished. Every goal is reached, the last in week 7.'],
  ['not all reached', { reached: [7, null] }, 'It has not started yet. Nothing is out of order.'],
  [
    'few ready',
    { ready: [line('4:7:8', 5.2)] },
    'It has not started yet. About 5 of 14 will be ready for 4:7:8. Every goal is reached, the last in week 7.',
  ],
  ['four in five ready', { ready: [line('4:7:8', 11.2)] }, 'It has not started yet. Every goal is reached, the last in week 7.'],
  [
    'few ready beside what is not reached',
    { reached: [7, null], ready: [line('4:7:8', 5)] },
    'It has not started yet. About 5 of 14 will be ready for 4:7:8.',
  ],
  [
    'fewer than asked',
    { reached: [], ready: [line('4:7:8', 12.5, 14, true, 90)] },
    'It has not started yet. About 13 of 14 will be ready for 4:7:8.',
  ],
  ['as many as asked', { reached: [], ready: [line('4:7:8', 7, 14, true, 50)] }, 'It has not started yet. Nothing is out of order.'],
  ['few ready for what is no goal', { ready: [line('4:7:8', 1, 14, false)] }, 'It has not started yet. Every goal is reached, the last in week 7.'],
  [
    'no place',
    { unplaced: ['x'], ready: [line('4:7:8', 5)] },
    'It has not started yet. One goal has no place yet. About 5 of 14 will be ready for 4:7:8.',
  ],
  ['the worst first', { checks: [check('stop'), check('know')], ready: [line('4:7:8', 5)] }, 'It has not started yet. One thing wants mending.'],
  [
    'empty',
    { sessions: [{ techniques: [] }] },
    'It has not started yet. Its dates stand. Press Draft, and the goals are laid out from the ground up.',
  ],
  ['none held', { sessions: [] }, 'It has not started yet. No class of it is held.'],
] as const)('a course says the worst thing that is true of it first: %s', (_, over, said) => {
  expect(headline(view(over))).toBe(said);
});
