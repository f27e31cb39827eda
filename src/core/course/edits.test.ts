import {
  byHand,
  checkCourse,
  checkText,
  edit,
  mendText,
  pinned,
  refusedText,
  stepped,
  withReview,
  withTriedMends,
  type CourseSession,
  type StepAnswer,
} from '.';
import { SHIPPED_LIBRARY } from '../library';
import type { Block, TechniqueBlock } from '../plan';
import { addDays, isoDate, type IsoDate } from '../units';
import { planning } from './example';

const { technique } = SHIPPED_LIBRARY;
const asked = { today: isoDate('2026-11-24'), library: SHIPPED_LIBRARY, newId: () => 'new' };
const block = (id: string, of: string): Block => ({
  id,
  kind: 'technique',
  technique: of,
  pattern: technique(of).pattern,
  dose: technique(of).dose,
  tempo: 1000,
});
const settle = (id: string): Block => ({ id, kind: 'settle', part: 'settle', minutes: 2 });
const rest = (id: string, minutes = 10): Block => ({ id, kind: 'rest', part: 'lying-rest', minutes });
const close: Block = { id: 'close', kind: 'close', part: 'close', minutes: 3 };
const session = (id: string, date: IsoDate, blocks: readonly Block[]): CourseSession => ({
  id,
  date,
  start: '18:30',
  minutes: 60,
  blocks,
  fixed: false,
});

const past = session('past', isoDate('2026-11-23'), [block('p', 'belly'), rest('pr')]);
const first = session('first', isoDate('2026-11-24'), [block('a', 'equal-4-4'), settle('as'), block('b', 'belly'), rest('r'), close]);
const second = session('second', isoDate('2026-11-27'), [block('c', 'longer-4-6'), settle('cs'), rest('r2'), close]);
const empty = session('empty', isoDate('2026-12-01'), [rest('r3'), close]);
const course = [past, first, second, empty];
const ids = (of: string, done: ReturnType<typeof edit>) =>
  done.ok ? done.edited.find((one) => one.session === of)?.blocks.map(({ id }) => id) : null;
const move = (id: string, to: string) => edit(course, { kind: 'move', block: id, to }, asked);

test('a technique moves with its settling, after the last one and before the rest', () => {
  const done = move('a', 'second');
  expect([ids('first', done), ids('second', done)]).toEqual([
    ['b', 'r', 'close'],
    ['c', 'cs', 'a', 'as', 'r2', 'close'],
  ]);
  expect(ids('empty', move('a', 'empty'))).toEqual(['a', 'as', 'r3', 'close']);
  expect(ids('second', move('b', 'second'))).toEqual(['c', 'cs', 'b', 'r2', 'close']);
});

test('a move to where it stands changes nothing, and nothing else of the course is touched', () => {
  expect(move('a', 'first')).toEqual({ ok: true, edited: [] });
  const done = move('a', 'second');
  expect(done.ok && done.edited.map((one) => one.session)).toEqual(['first', 'second']);
  expect(first.blocks).toHaveLength(5);
});

test.each([
  ['nothing', 'second', 'block gone'],
  ['a', 'nowhere', 'class gone'],
  ['p', 'second', 'past'],
  ['a', 'past', 'past'],
  ['r', 'second', 'not a technique'],
] as const)('%s to %s is refused: %s', (id, to, why) => {
  expect(move(id, to)).toEqual({ ok: false, why });
  expect(refusedText(why)).toMatch(/\.$/);
});

test('a technique does not stand twice in a class', () => {
  const twice = session('twice', isoDate('2026-12-04'), [block('e', 'equal-4-4'), rest('r4')]);
  expect(edit([...course, twice], { kind: 'move', block: 'a', to: 'twice' }, asked)).toEqual({ ok: false, why: 'there already' });
});

test('a mend of the checks, done, is a check less', () => {
  const full = session('full', isoDate('2026-11-24'), [block('s', 'alternate-4-4'), rest('long', 59), close]);
  const checks = (of: CourseSession) => checkCourse([of], planning());
  const codes = (of: CourseSession) => checks(of).map(({ finding }) => finding.code);
  expect(codes(full)).toEqual(expect.arrayContaining(['not prepared', 'over time']));
  let now = full;
  for (let step = 0; step < 4; step += 1) {
    const next = checks(now).find(({ mend }) => mend);
    if (!next) break;
    expect(checkText(next, SHIPPED_LIBRARY)).not.toBe('');
    expect(mendText(next.mend!, () => now.date)).not.toBe('');
    const done = edit([now], next.mend!, { ...asked, newId: () => `new${step}` });
    now = { ...now, blocks: done.ok ? done.edited[0].blocks : [] };
  }
  expect(codes(now)).toEqual([]);
  expect(now.blocks.map((one) => (one.kind === 'technique' ? one.technique : one.part))).toEqual([
    'movement',
    'clear-nose',
    'alternate-4-4',
    'lying-rest',
    'close',
  ]);
});

const growing = (fixed: number, ...doses: readonly string[]): CourseSession[] =>
  doses.map((dose, index) => ({
    ...session(`g${index}`, addDays(isoDate('2026-11-24'), index * 4), [
      { ...(block(`g${index}b`, 'longer-4-6') as TechniqueBlock), dose },
      rest(`r${index}`),
    ]),
    fixed: index < fixed,
  }));
const dosesAfter = (sessions: readonly CourseSession[], answer: StepAnswer) => {
  const done = stepped(sessions, 'longer-4-6', answer);
  if (!done.ok) return done.why;
  const now = new Map(done.edited.map(({ session: id, blocks }) => [id, blocks]));
  return sessions.map(({ id, blocks }) => ((now.get(id) ?? blocks)[0] as TechniqueBlock).dose).join(' ');
};

test.each<[number, readonly string[], StepAnswer, string]>([
  [2, ['4 min', '5 min', '5 min', '6 min', '7 min'], 'stay', '4 min 5 min 5 min 5 min 6 min'],
  [2, ['4 min', '5 min', '6 min', '6 min', '7 min'], 'stay', '4 min 5 min 5 min 6 min 6 min'],
  [2, ['4 min', '5 min', '6 min', '7 min', '7 min'], 'back', '4 min 5 min 4 min 5 min 6 min'],
  [2, ['4 min', '5 min', '5 min', '6 min', '6 min'], 'back', '4 min 5 min 4 min 5 min 6 min'],
  [1, ['4 min', '4 min', '4 min', '5 min', '6 min'], 'hurry', '4 min 4 min 5 min 6 min 6 min'],
  [2, ['4 min', '5 min', '6 min', '7 min', '7 min'], 'hurry', 'no step'],
  [1, ['4 min', '4 min'], 'back', 'no step'],
  [1, ['4 min', '4 min'], 'stay', 'no step'],
  [1, ['4 min', '8 min', '8 min'], 'lighter', '4 min 6 min 8 min'],
  [2, ['4 min', '5 min'], 'stay', 'block gone'],
])('a climb by hand, %d taught of %j: %s', (fixed, doses, answer, expected) => {
  expect(dosesAfter(growing(fixed, ...doses), answer)).toBe(expected);
});

test('what a climb is changed to by hand is pinned, and what stays as it was is not', () => {
  const done = stepped(growing(2, '4 min', '5 min', '5 min', '6 min', '7 min'), 'longer-4-6', 'stay');
  expect(done.ok && done.edited.map(({ session: id, blocks }) => [id, (blocks[0] as TechniqueBlock).pinned])).toEqual([
    ['g3', true],
    ['g4', true],
  ]);
});

test('saved by hand: what is new or done otherwise is pinned, and a pin stays', () => {
  const before = [block('a', 'equal-4-4'), { ...(block('b', 'belly') as TechniqueBlock), pinned: true }, rest('r')];
  const after = [{ ...(block('a', 'equal-4-4') as TechniqueBlock), dose: '9 min' }, block('b', 'belly'), block('c', 'hissing'), rest('r', 5)];
  expect(byHand(before, after).map((one) => one.kind === 'technique' && one.pinned)).toEqual([true, true, true, false]);
  expect(byHand(before, before)).toEqual(before);
});

test('a mend is offered only where it was tried and does mend, and brings nothing else up', () => {
  const at = planning({ already: new Set(['natural', 'belly', 'deepened']) });
  const held = (lastMinutes: number) =>
    [0, 3, 7, 10, 14].map((days, index): CourseSession => ({
      ...session(`h${index}`, addDays(isoDate('2026-11-24'), days), [
        block(`e${index}`, 'equal-4-4'),
        ...(index === 1 ? [block('early', 'equal-4-4-4')] : []),
        rest(`hr${index}`, 5),
      ]),
      minutes: index === 4 ? lastMinutes : 60,
    }));
  const offered = (sessions: readonly CourseSession[]) =>
    withTriedMends(checkCourse(sessions, at), sessions, at, isoDate('2026-11-24')).flatMap(({ finding, mend }) =>
      finding.code === 'out of order' || finding.code === 'too soon' ? [mend?.kind ?? null] : [],
    );
  // Where it would go the hour is full: moving it would only trade one thing for another.
  expect([offered(held(60)), offered(held(10))]).toEqual([['move'], [null]]);
});

describe('once more, to keep it', () => {
  const today = isoDate('2026-11-24');
  const review = (to: string, of: string, sessions = course) => withReview(sessions, to, of, today, SHIPPED_LIBRARY, () => 'again');

  test('it stands as it was done last, pinned, with its settling, before the rest', () => {
    const done = review('empty', 'longer-4-6');
    expect(ids('empty', done)).toEqual(['again', 'again', 'r3', 'close']);
    const [block_, settling] = done.ok ? done.edited[0].blocks : [];
    expect(block_).toMatchObject({ technique: 'longer-4-6', dose: technique('longer-4-6').dose, pinned: true });
    expect(settling).toMatchObject({ kind: 'settle' });
    // The natural breath asks for no settling.
    const natural = [...course.slice(0, 3), session('nat', isoDate('2026-11-29'), [block('n', 'natural')]), empty];
    expect(ids('empty', review('empty', 'natural', natural))).toEqual(['again', 'r3', 'close']);
  });

  test.each([
    ['nowhere', 'belly', 'class gone'],
    ['past', 'equal-4-4', 'past'],
    ['second', 'longer-4-6', 'there already'],
    ['second', 'hissing', 'block gone'],
    ['first', 'longer-4-6', 'block gone'],
  ])('to %s of %s: %s', (to, of, why) => {
    expect(review(to, of)).toEqual({ ok: false, why });
  });
});

test('a technique is pinned where it stands, and let go of; what is past or gone is not', () => {
  const today = isoDate('2026-11-24');
  const done = pinned(course, 'a', true, today);
  expect(done.ok && done.edited[0].blocks.map((one) => one.kind === 'technique' && one.pinned)).toEqual([true, false, undefined, false, false]);
  const now = done.ok ? [past, { ...first, blocks: done.edited[0].blocks }] : [];
  const back = pinned(now, 'a', false, today);
  expect(back.ok && back.edited[0].blocks[0]).toMatchObject({ id: 'a', pinned: false });
  expect(pinned(course, 'p', true, today)).toEqual({ ok: false, why: 'past' });
  expect(pinned(course, 'nothing', true, today)).toEqual({ ok: false, why: 'block gone' });
});
