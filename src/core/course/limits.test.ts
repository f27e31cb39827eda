import { checkCourse, draftCourse, edit, type CourseSession, type Goal, type Planning } from '.';
import { SHIPPED_LIBRARY } from '../library';
import { sessionTime, type Block, type TechniqueBlock } from '../plan';
import { addDays, daysBetween, isoDate, millis } from '../units';
import { planning } from './example';
import { frame, frameTime } from './frame';

/** Both sides of the numbers of planning; they stand here a second time, so that changing one is seen. */

const { edges, technique } = SHIPPED_LIBRARY;
const basis = { library: SHIPPED_LIBRARY, naturalBreath: millis(4000) };
const day = isoDate('2026-11-24');
let next = 0;
const newId = () => `b${(next += 1)}`;
const block = (id: string, over: Partial<TechniqueBlock> = {}): TechniqueBlock => {
  const { pattern, dose } = technique(id);
  return { id: newId(), kind: 'technique', technique: id, pattern, dose, tempo: 1000, ...over };
};
const rest = (minutes: number): Block => ({ id: newId(), kind: 'rest', part: 'lying-rest', minutes });
const session = (blocks: readonly Block[], over: Partial<CourseSession> = {}): CourseSession => ({
  id: newId(),
  date: day,
  start: '18:30',
  minutes: 60,
  blocks,
  fixed: false,
  ...over,
});
const codes = (sessions: readonly CourseSession[], over: Partial<Planning> = {}) =>
  checkCourse(sessions, planning(over)).map(({ finding }) => finding.code);
const part = (blocks: readonly Block[], id: string) => blocks.find((one) => one.kind !== 'technique' && one.part === id);

test('one new thing a class, not two', () => {
  const known = new Set(['natural', 'belly', 'deepened', 'equal-4-4', 'longer-4-6', 'longer-4-5']);
  const news = (count: number) =>
    codes([session(['longer-5-6', 'longer-3-4'].slice(0, count).map((id) => block(id)))], { already: known, ladder: [] });
  expect([news(1).includes('two new things'), news(2).includes('two new things')]).toEqual([false, true]);
});

test('a class may fill its minutes to the last, and no second over', () => {
  const full = session([rest(60)]);
  expect(codes([full])).not.toContain('over time');
  expect(codes([{ ...full, blocks: [rest(60.02)] }])).toContain('over time');
});

test('a prerequisite is met with its number of classes and its days, and not one before', () => {
  const edge = edges.find(({ to }) => to === 'longer-4-6')!;
  const after = (classes: number, days: number) => {
    const before = Array.from({ length: classes }, (_, index) => session([block(edge.needs)], { date: addDays(day, Math.min(index, days)) }));
    return codes([...before, session([block(edge.to)], { date: addDays(day, days + 1) })], { already: new Set(), ladder: [edge] });
  };
  expect(after(edge.sessions, edge.days)).not.toContain('out of order');
  expect(after(edge.sessions - 1, edge.days)).toContain('out of order');
  expect(after(edge.sessions, edge.days)).not.toContain('too soon');
  expect(after(edge.sessions, edge.days - 2)).toContain('too soon');
});

test('a mend leaves a lying rest of five minutes at the least', () => {
  const over = (minutes: number, planned: number) =>
    checkCourse([session([rest(minutes), { ...rest(planned), kind: 'close', part: 'close' } as Block])], planning());
  expect(over(15, 55).find(({ finding }) => finding.code === 'over time')!.mend).toMatchObject({ kind: 'shorten rest', minutes: 5 });
  expect(over(14, 56).find(({ finding }) => finding.code === 'over time')!.mend).toBeNull();
});

const place = (at: number, classes = 11, talk = false) => ({ at, classes, talk });
const minutes = (blocks: readonly Block[], id: string) => {
  const found = part(blocks, id);
  return found && 'minutes' in found ? found.minutes : 0;
};

test('the lying rest grows evenly from 5 minutes to 15, first class to last', () => {
  const rests = [0, 1, 2, 5, 9, 10].map((at) => minutes(frame([block('equal-4-4')], 90, place(at), newId, basis), 'lying-rest'));
  expect(rests).toEqual([5, 6, 7, 10, 14, 15]);
});

test('the hour is filled, each part within its bounds', () => {
  const inFirst = frame([block('equal-4-4')], 60, place(0, 11, true), newId, basis);
  // 4 of breathing, 15 to arrive, a quarter of the hour to move, 4 to settle, 5 to rest, 15 to close and talk.
  expect(['arrive', 'movement', 'settle', 'lying-rest', 'close'].map((id) => minutes(inFirst, id))).toEqual([15, 15, 4, 5, 15]);
  const later = frame([block('equal-4-4'), block('belly')], 45, place(5), newId, basis);
  expect(sessionTime(later, basis)).toBe(45 * 60_000);
  const tight = frame([block('equal-4-4')], 25, place(5), newId, basis);
  expect(sessionTime(tight, basis)).toBe(25 * 60_000);
});

test('gentle movement comes from three quarters of an hour on, and two minutes of settling after counted breath', () => {
  // 4 of breathing, 2 to settle after it, 4 to arrive, 5 to rest, 3 to close: 18, and from 45 on 5 to move.
  expect(frameTime(44, [block('equal-4-4')], basis)).toBe(18 * 60_000);
  expect(frameTime(45, [block('equal-4-4')], basis)).toBe(23 * 60_000);
});

/** A class that was taught with some techniques, and empty ones after it. */
const taughtThen = (ids: readonly string[], empty: number) => [
  session(
    ids.map((id) => block(id)),
    { fixed: true, minutes: 180 },
  ),
  ...Array.from({ length: empty }, (_, index) => session([], { date: addDays(day, (index + 1) * 4), minutes: 180 })),
];
const goalOf = (id: string, practise: number): Goal => ({ technique: id, pattern: technique(id).pattern, dose: technique(id).dose, practise });
const inClass = ({ blocks }: CourseSession) => blocks.flatMap((one) => (one.kind === 'technique' ? [one.technique] : []));

test('a drafted class holds five techniques at the most, however many are due', () => {
  const due = ['longer-3-4', 'longer-4-5', 'equal-4-4', 'five-finger', 'hissing', 'throat-sound', 'both-in-4-4'];
  const goals = due.map((id) => goalOf(id, 2));
  const drafted = draftCourse(taughtThen(due, 1), goals, planning({ already: new Set(), ladder: [] }), newId).sessions;
  expect(inClass(drafted[1])).toHaveLength(5);
});

test('a drafted class is filled up to four with what the cohort knows, and no further', () => {
  const already = new Set(['natural', 'equal-4-4', 'longer-4-6', 'five-finger', 'hissing', 'throat-sound', 'both-in-4-4']);
  const drafted = draftCourse(taughtThen([], 2), [goalOf('alternate-4-4', 1)], planning({ already, ladder: [] }), newId).sessions;
  expect(drafted.slice(1).map((one) => inClass(one).length)).toEqual([4, 4]);
  expect(sessionTime(drafted[1].blocks, basis)).toBeLessThanOrEqual(180 * 60_000);
});

test('what was learned comes back after one class, then two, then four', () => {
  const goals = [goalOf('longer-5-6', 12)];
  const drafted = draftCourse(taughtThen(['five-finger'], 12), goals, planning({ already: new Set(), ladder: [] }), newId).sessions;
  expect(drafted.flatMap((one, index) => (inClass(one).includes('five-finger') ? [index] : []))).toEqual([0, 1, 3, 7, 11]);
});

test('counts step up after two classes on a step, minutes a week apart', () => {
  const draft = (everyDays: number, goal: Goal) =>
    draftCourse(
      Array.from({ length: 22 }, (_, index) => session([], { date: addDays(day, index * everyDays) })),
      [goal],
      planning({ already: new Set(['natural', 'belly', 'deepened']) }),
      newId,
    ).sessions;
  const of = (sessions: readonly CourseSession[], id: string) =>
    sessions.flatMap(({ blocks, date }, index) =>
      blocks.flatMap((one) => (one.kind === 'technique' && one.technique === id ? [{ index, date, pattern: one.pattern, dose: one.dose }] : [])),
    );
  const steps = of(draft(4, { technique: 'equal-4-4', pattern: '6:6', dose: '4 min', practise: 8 }), 'equal-4-4').map(({ pattern }) => pattern);
  const runs = ['4:4', '5:5'].map((pattern) => steps.filter((one) => one === pattern).length);
  expect(runs).toEqual([2, 2]);
  // A week apart is the next class where they are a week apart, and the one after where they are six days apart.
  const apart = (everyDays: number) => {
    const grown = of(draft(everyDays, { technique: 'equal-4-4', pattern: '4:4', dose: '8 min', practise: 8 }), 'equal-4-4');
    // From one growth to the next; the lighter class between two of them is none.
    const levels = grown.filter(
      ({ dose }, index) => index === 0 || parseFloat(dose) > Math.max(...grown.slice(0, index).map((one) => parseFloat(one.dose))),
    );
    const when = levels.slice(1).map(({ date }) => date);
    return Math.min(...when.slice(1).map((date, index) => daysBetween(when[index], date)));
  };
  expect([apart(7), apart(6)]).toEqual([7, 12]);
});

test('an edit that is refused says so in a code', () => {
  const [one, two] = [session([block('equal-4-4')]), session([], { fixed: true })];
  expect(edit([one, two], { kind: 'move', block: one.blocks[0].id, to: 'nowhere' }, { today: day, newId, library: SHIPPED_LIBRARY })).toMatchObject({
    ok: false,
  });
});
