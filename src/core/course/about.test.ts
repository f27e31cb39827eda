import { aboutCourse, lackText, type CourseSession, type Goal } from '.';
import { SHIPPED_LIBRARY } from '../library';
import { addDays, isoDate } from '../units';
import { planning } from './example';

const first = isoDate('2026-12-07');
const { technique } = SHIPPED_LIBRARY;
const session = (at: number, ...held: readonly (readonly [string, string])[]): CourseSession => ({
  id: `s${at}`,
  date: addDays(first, at * 7),
  start: '18:30',
  minutes: 60,
  fixed: false,
  blocks: held.map(([id, dose]) => ({ id: `${at}${id}`, kind: 'technique', technique: id, pattern: technique(id).pattern, dose, tempo: 1000 })),
});
const goal: Goal = { technique: 'longer-4-5', pattern: '4:5', dose: '4 min', practise: 2 };
const rules = planning({ already: new Set(['natural', 'belly', 'deepened', 'equal-4-4', 'longer-3-4']) });
const ARC = { pace: 'spread', breath: 'usual' } as const;

test('a class says what it is for in the words of its plan, a week what it is about, a course what it lacks', () => {
  const sessions = [
    session(0, ['equal-4-4', '4 min'], ['longer-3-4', '4 min']),
    session(1, ['longer-4-5', '4 min'], ['equal-4-4', '5 min']),
    session(2, ['longer-4-5', '5 min'], ['longer-3-4', '4 min']),
    session(3, ['longer-4-5', '6 min'], ['equal-4-4', '6 min']),
  ];
  const { purposes, themes, lacks } = aboutCourse(sessions, [goal], rules, ARC);
  expect([...purposes]).toEqual([
    ['s0', 'Equal 4:4, at ease.'],
    ['s1', 'Longer exhale 4:5 begins, 4 min, on what Longer exhale 3:4 gave; Equal 4:4 grows to 5 min.'],
    ['s2', 'Longer exhale 4:5 is reached; Equal 4:4 rests today.'],
    ['s3', 'Everything comes together: Longer exhale 4:5; Equal 4:4 grows to 6 min.'],
  ]);
  expect([...themes]).toEqual([
    [1, 'Equal breath'],
    [2, 'Longer exhale'],
    [3, 'Longer exhale, continued'],
    [4, 'Longer exhale, continued'],
  ]);
  expect(lacks).toEqual(['Class 2 is not full.']);
  // What is to come as soon as it can is not asked to be spread, and what nobody asked for is about nothing.
  expect(aboutCourse(sessions, [goal], rules, { ...ARC, pace: 'soon' }).lacks).toEqual([]);
  expect(aboutCourse(sessions, [], rules, ARC).purposes.size).toBe(0);
});

test('every lack has its sentence', () => {
  const said = (['lastnew', 'full', 'main', 'stays', 'back', 'stand', 'linked', 'same', 'still', 'gather'] as const).map((requirement) =>
    lackText({ requirement, at: 3, technique: 'belly' }, (id) => technique(id).name),
  );
  expect(new Set(said).size).toBe(10);
  for (const text of said) expect(text).toMatch(/^[A-Z].*\.$/);
});
