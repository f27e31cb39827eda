import { checkCourse, checkText, edit, mendText, refusedText, type CourseSession } from '.';
import { SHIPPED_LIBRARY } from '../library';
import type { Block } from '../plan';
import { isoDate, type IsoDate } from '../units';
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
    'clear-nose',
    'alternate-4-4',
    'lying-rest',
    'close',
  ]);
});
