import {
  aroundChecks,
  checkCourse,
  checkKey,
  checkText,
  draftCourse,
  mayAccept,
  placedOn,
  planningOf,
  publishes,
  reachedIn,
  shifted,
  unplacedTexts,
  type CourseProblem,
  type CourseSession,
  type Goal,
  type InHand,
  type Planning,
} from '.';
import { SHIPPED_LIBRARY } from '../library';
import type { Block, TechniqueBlock } from '../plan';
import { addDays, isoDate } from '../units';
import { planning } from './example';

/** Rules that bend with life: days, other classes, pauses, a settled group, who teaches, and goals by a day. */

const day = isoDate('2026-12-01');
const { technique } = SHIPPED_LIBRARY;
const block = (id: string, over: Partial<TechniqueBlock> = {}): TechniqueBlock => ({
  id: `${id} ${JSON.stringify(over)}`,
  kind: 'technique',
  technique: id,
  pattern: technique(id).pattern,
  dose: technique(id).dose,
  tempo: 1000,
  ...over,
});
const session = (at: number, blocks: readonly Block[] = [], over: Partial<CourseSession> = {}): CourseSession => ({
  id: `s${at}`,
  date: addDays(day, at),
  start: '18:30',
  minutes: 60,
  blocks,
  fixed: false,
  ...over,
});
const codes = (sessions: readonly CourseSession[], over: Partial<Planning> = {}) =>
  checkCourse(sessions, planning(over)).map(({ finding }) => finding.code);
const inHand = (...aways: InHand['aways']): InHand => ({ of: () => ({ id: 't', name: 'Tamsin Brae' }), aways });
let made = 0;
const newId = () => `n${(made += 1)}`;

test('open classes go to open days, the first to the first', () => {
  const open = [0, 3, 7].map((at) => session(at));
  const to = (...at: number[]) =>
    placedOn(
      open,
      at.map((one) => addDays(day, one)),
    );
  expect(to(0, 3, 7)).toEqual({ moved: [], added: [], gone: [] });
  expect(to(1, 3)).toEqual({ moved: [{ session: open[0], to: addDays(day, 1) }], added: [], gone: [open[2]] });
  expect(to(0, 3, 7, 10).added).toEqual([addDays(day, 10)]);
});

test('what falls out moves on through the open classes; what is over comes into days that are added', () => {
  const held = [0, 3, 7, 10].map((at) => session(at, [block('belly', { dose: `${at + 2} min` })], { fixed: at === 7 }));
  const after = (days: number) =>
    shifted(
      held,
      new Set(['s3']),
      Array.from({ length: days }, (_, index) => addDays(day, 14 + index)),
    );
  const dose = (blocks: readonly Block[]) => (blocks[0] as TechniqueBlock).dose;
  expect(after(1).sessions.map(({ id, blocks }) => [id, dose(blocks)])).toEqual([['s10', '5 min']]);
  expect([after(1).added.map(({ blocks }) => dose(blocks)), after(1).over, after(0).over.map(dose)]).toEqual([['12 min'], [], ['12 min']]);
  expect(shifted(held, new Set(), [])).toEqual({ sessions: [], added: [], over: [] });
});

test('classes stand in each other’s way only while both run', () => {
  const at = (start: string, minutes = 60) =>
    aroundChecks([session(0)], [], () => [{ date: day, start, minutes, name: 'Other', shares: 'teacher' }], inHand()).length;
  expect([at('17:30'), at('17:31'), at('19:29'), at('19:30'), at('17:00', 180)]).toEqual([0, 1, 1, 0, 1]);
  const beside = (...names: string[]) =>
    aroundChecks([session(0)], [], () => names.map((name) => ({ date: day, start: '18:00', minutes: 60, name, shares: 'teacher' })), inHand()).map(
      (check) => checkText(check, SHIPPED_LIBRARY),
    );
  expect(beside('A', 'B', 'C')).toEqual(['stands at the same time as A, B and C, with the same teacher']);
  expect(beside('A', 'B', 'C', 'D', 'A')).toEqual(['stands at the same time as A, B and 2 others, with the same teacher']);
  const closed = aroundChecks([session(0), session(3)], [{ from: day, until: addDays(day, 2), reason: 'the floor' }], () => [], inHand());
  expect(closed.map((check) => [check.session, check.severity, checkText(check, SHIPPED_LIBRARY)])).toEqual([
    ['s0', 'stop', 'falls into closed days: the floor'],
  ]);
});

test('a class whose teacher is away at its hour, or has left, has nobody', () => {
  const away = (fromTime: string | null, untilTime: string | null, until = day) => [{ id: 'a', staff: 't', from: day, until, fromTime, untilTime }];
  const of = (hands: InHand) => aroundChecks([session(0)], [], () => [], hands).map((check) => checkText(check, SHIPPED_LIBRARY));
  const says = (...aways: InHand['aways']) => of(inHand(...aways)).length;
  expect([says(...away(null, null)), says(...away('17:00', '18:30')), says(...away('17:00', '18:31')), says(...away('19:29', '22:00'))]).toEqual([
    1, 0, 1, 1,
  ]);
  expect([says(...away('19:30', '22:00')), says({ ...away(null, null)[0], staff: 'other' })]).toEqual([0, 0]);
  expect(of(inHand(...away(null, null)))).toEqual(['has no teacher: Tamsin Brae is away']);
  expect(of({ of: () => null, aways: [] })).toEqual(['has no teacher: whoever had it no longer teaches here']);
});

test('after more than fourteen days without practice nothing grows unsaid', () => {
  const after = (days: number, dose: string) =>
    codes([session(0, [block('longer-4-6', { dose: '5 min' })]), session(days, [block('longer-4-6', { dose })])]).includes('after a pause');
  expect([after(14, '6 min'), after(15, '6 min'), after(15, '5 min'), after(15, '4 min')]).toEqual([false, true, false, false]);
});

test('after two missed classes in a row nothing grows unsaid, and one that was held in between ends the row', () => {
  const sessions = [0, 2, 6, 8].map((at) => session(at, at === 0 || at === 8 ? [block('longer-4-6', { dose: at === 0 ? '5 min' : '6 min' })] : []));
  const problem = (missed: readonly number[], held = sessions): CourseProblem => ({
    sessions: held,
    goals: [],
    own: [],
    already: [],
    tempo: 1000,
    naturalBreath: planning().basis.naturalBreath,
    seat: 'floor',
    taught: {},
    tallies: {},
    staff: [],
    missed: missed.map((at) => addDays(day, at)),
  });
  const says = (missed: readonly number[], held = sessions) => {
    const { missedBetween } = planningOf(problem(missed, held));
    return codes(held, { missedBetween }).includes('after a pause');
  };
  const short = [sessions[0], sessions[3]];
  expect([says([3], short), says([3, 5], short), says([3, 7]), says([3, 5]), says([9, 10], short)]).toEqual([false, true, false, true, false]);
});

test('connected breath waits for a settled group', () => {
  const connected = SHIPPED_LIBRARY.techniques.find(({ family }) => family === 'connected')!.id;
  const held = [session(0, [block(connected)], { start: '08:00' })];
  expect([codes(held, { settled: false }).includes('not settled'), codes(held, { settled: true }).includes('not settled')]).toEqual([true, false]);
  const goal: Goal = { technique: connected, pattern: technique(connected).pattern, dose: technique(connected).dose, practise: 1 };
  const draft = (settled: boolean) =>
    draftCourse(
      [0, 3, 7].map((at) => session(at, [], { start: '08:00' })),
      [goal],
      planning({ settled, already: new Set(SHIPPED_LIBRARY.techniques.map(({ id }) => id).filter((id) => id !== connected)) }),
      newId,
    );
  expect(draft(false).unplaced.map(({ blocked }) => blocked.why)).toEqual(['not settled']);
  expect(draft(true).unplaced).toEqual([]);
});

test('who else could teach it is said, and nobody at all is to be mended', () => {
  const held = [session(0, [block('hissing')])];
  const who = (names: readonly string[]) => checkCourse(held, planning({ qualified: () => names })).filter(({ technique: of }) => of === 'hissing');
  expect(who(['Corin', 'Linnet']).map((check) => [check.severity, checkText(check, SHIPPED_LIBRARY)])).toEqual([
    ['know', 'is not among what this course’s teacher is qualified for; Corin or Linnet could take the class'],
  ]);
  expect(who([]).map(({ severity, finding }) => [severity, finding.code])).toEqual([['mend', 'nobody qualified']]);
});

test('an empty class of a course that is planned is said; of one that is not planned yet it is not', () => {
  const empty = session(3, [{ id: 'r', kind: 'rest', part: 'lying-rest', minutes: 5 }]);
  expect([codes([session(0, [block('belly')]), empty]).includes('empty'), codes([empty]).includes('empty')]).toEqual([true, false]);
});

test('a goal by a day is reached by then, or has no place', () => {
  const goal = { technique: 'hissing', pattern: technique('hissing').pattern, dose: technique('hissing').dose, practise: 2 };
  const already = new Set(['natural', 'belly', 'deepened', 'equal-4-4']);
  const sessions = [0, 3, 7, 10].map((at) => session(at));
  const draft = (by: number) => draftCourse(sessions, [{ ...goal, by: addDays(day, by) }], planning({ already }), newId);
  expect(draft(3).unplaced).toEqual([]);
  const [late] = draft(2).unplaced;
  expect(late.blocked).toMatchObject({ why: 'clash', with: expect.arrayContaining([expect.objectContaining({ code: 'by', technique: 'hissing' })]) });
  expect(late.mends!.flat().map(({ code }) => code)).toContain('later');
  const held = draft(3).sessions;
  expect([reachedIn(held, { ...goal, by: addDays(day, 3) }), reachedIn(held, { ...goal, by: addDays(day, 2) })]).toEqual([2, null]);
});

test('days between the steps of a climb are kept across its family', () => {
  const goal = { technique: 'longer-5-6', pattern: technique('longer-5-6').pattern, dose: technique('longer-5-6').dose, practise: 1 };
  const already = new Set(['natural', 'belly', 'deepened', 'equal-4-4', 'longer-3-4']);
  const sessions = Array.from({ length: 16 }, (_, index) => session(index * 3));
  const begun = (everyDays: number) => {
    const { sessions: held } = draftCourse(sessions, [{ ...goal, everyDays }], planning({ already }), newId);
    const first = (id: string) => held.findIndex(({ blocks }) => blocks.some((one) => one.kind === 'technique' && one.technique === id));
    return (first('longer-5-6') - first('longer-4-5')) * 3;
  };
  expect(begun(14)).toBeGreaterThanOrEqual(14);
  expect(begun(0)).toBeLessThan(14);
});

test('pins that cannot stand leave the course as it is, and say which', () => {
  const goal = { technique: 'longer-5-6', pattern: technique('longer-5-6').pattern, dose: technique('longer-5-6').dose, practise: 1 };
  const already = new Set(['natural', 'belly', 'deepened', 'equal-4-4', 'longer-3-4']);
  const sessions = [0, 3, 7, 10, 14, 17].map((at) => session(at, at === 0 ? [block('longer-5-6', { pinned: true })] : []));
  const { sessions: held, unplaced } = draftCourse(sessions, [goal], planning({ already }), newId);
  expect(held).toEqual(sessions);
  expect(unplaced[0].blocked).toMatchObject({ why: 'clash', with: [{ code: 'pin', technique: 'longer-5-6' }] });
  expect(unplaced[0].mends).toContainEqual([{ code: 'unpin', technique: 'longer-5-6', number: 1, hour: null }]);
  // Another goal has nothing to do with it: it waits, and nothing is said of a clash.
  const other = { technique: 'five-finger', pattern: technique('five-finger').pattern, dose: technique('five-finger').dose, practise: 1 };
  const both = draftCourse(sessions, [goal, other], planning({ already }), newId).unplaced;
  expect(unplacedTexts(both, SHIPPED_LIBRARY)).toEqual([
    'Longer exhale 5:6 could not be placed: it clashes with Longer exhale 5:6 pinned to its class.',
    expect.stringMatching(
      /^Five-finger.* could not be placed: nothing is drafted while Longer exhale 5:6 pinned to its class cannot be kept; without that it has its place\.$/,
    ),
  ]);
});

test('what is the director’s to judge may be accepted, what is not may not; a changed figure is another check', () => {
  expect((['out of order', 'too soon', 'guard', 'wrong hour'] as const).every((code) => mayAccept({ code }))).toBe(true);
  expect((['left out by all', 'standing', 'not settled', 'nobody qualified', 'closed'] as const).some((code) => mayAccept({ code }))).toBe(false);
  const check = { session: 's', technique: 'a', finding: { code: 'over time', planned: 1, minutes: 60 } } as const;
  expect(checkKey(check, 'takes 61 minutes of 60')).not.toBe(checkKey(check, 'takes 62 minutes of 60'));
});

test('nobody stands for holds, pumps or connected breath: such a class stops', () => {
  const standing = { seat: 'standing', eyes: 'open', by: 'clock', moves: [] } as const;
  const found = (id: string, setup?: Block['setup']) =>
    checkCourse([session(0, [block(id, { setup })])], planning())
      .filter(({ finding }) => finding.code === 'standing')
      .map((check) => [check.severity, publishes(check)]);
  for (const id of ['equal-4-4-4', 'pumps-27', 'connected']) expect([id, found(id, standing)]).toEqual([id, [['stop', 'not at all']]]);
  expect([found('equal-4-4', standing), found('equal-4-4-4')]).toEqual([[], []]);
});

test('a preparation prepares what comes after it, and nothing before', () => {
  const [movement, nose]: Block[] = [
    { id: 'm', kind: 'prepare', part: 'movement', minutes: 5 },
    { id: 'n', kind: 'prepare', part: 'clear-nose', minutes: 1 },
  ];
  const side = block('alternate-4-4');
  const lacks = (...blocks: Block[]) =>
    checkCourse([session(0, blocks)], planning()).flatMap(({ finding }) => (finding.code === 'not prepared' ? [finding.part] : []));
  expect(lacks(movement, nose, side)).toEqual([]);
  expect(lacks(movement, side, nose)).toEqual(['clear-nose']);
  expect(lacks(side, movement, nose)).toEqual(['movement', 'clear-nose']);
});
