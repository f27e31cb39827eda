import Ajv from 'ajv/dist/2020';
import { readFileSync } from 'node:fs';
import { readPackage, writePackage, type CoursePackage } from '.';
import { SHIPPED_EDGES } from '../ladder';
import { SHIPPED_LIBRARY } from '../library';

const course = (over: Partial<CoursePackage> = {}): CoursePackage => ({
  name: 'Long phrases',
  weeks: 8,
  weekdays: [1, 4],
  start: '18:30',
  minutes: 60,
  settled: false,
  arc: { pace: 'soon', breath: 'full' },
  already: ['equal-4-4'],
  goals: [{ technique: 'longer-4-6', pattern: '4:6', dose: '6 min', practise: 2, everyDays: 7, stepMinutes: 0.5, ready: 80 }],
  ladder: SHIPPED_EDGES.filter(({ to }) => to === 'longer-4-6').map(({ needs, to, sessions, days }) => ({ needs, to, sessions, days })),
  techniques: [],
  ways: [{ name: 'Our even', base: 'equal-4-4', pattern: '4:4', dose: '4 min' }],
  classes: [
    {
      purpose: 'arrive',
      note: '',
      blocks: [
        { part: 'arrive', minutes: 4 },
        { technique: 'equal-4-4', pattern: '4:4', dose: '4 min', tempo: 1000, way: 'Our even', lines: ['soft'], note: 'slowly' },
        { technique: 'longer-4-6', pattern: '4:6', dose: '4 min', tempo: 1100, setup: { seat: 'chair', eyes: 'open', by: 'counts', moves: [] } },
      ],
    },
  ],
  ...over,
});
const read = (file: unknown) => readPackage(typeof file === 'string' ? file : JSON.stringify(file), SHIPPED_LIBRARY);
const raw = (over: Record<string, unknown>) => ({ format: 'oaken-ladder/course', version: 1, ...course(), ...over });
const says = (file: unknown) =>
  read(file)
    .problems.map(({ class: at, message }) => (at ? `${at}: ${message}` : message))
    .join(' ');

test('a course travels as JSON that its schema accepts, and comes back the same', () => {
  const file = writePackage(course());
  expect(read(file)).toEqual({ course: course(), problems: [], differs: [] });
  expect(writePackage(read(file).course!)).toBe(file);
  const accepts = new Ajv().compile(JSON.parse(readFileSync('docs/course.schema.json', 'utf8')) as object);
  expect([accepts(JSON.parse(file)), accepts.errors]).toEqual([true, null]);
  expect(accepts({ ...raw({}), people: ['Asta R.'] })).toBe(false);
});

test('a series travels the same way, its days as classes; what it does not say of itself is named', () => {
  const day = (technique: string) => ({ purpose: '', note: '', blocks: [{ technique, pattern: '4:4', dose: '2 min', tempo: 1000 }] });
  const series = {
    from: 1,
    to: 3,
    gentleEvery: 7,
    live: [3],
    missed: 'repeat',
    themes: [['equal-4-4']],
    pairings: [],
    kinds: ['own', 'live'],
  } as const;
  const days = course({ goals: [], series, classes: [day('equal-4-4'), day('equal-4-4')] });
  const file = writePackage(days);
  expect(read(file)).toEqual({ course: days, problems: [], differs: [] });
  expect(writePackage(read(file).course!)).toBe(file);
  const accepts = new Ajv().compile(JSON.parse(readFileSync('docs/course.schema.json', 'utf8')) as object);
  expect([accepts(JSON.parse(file)), accepts.errors]).toEqual([true, null]);
  const wrong = (over: object) => says({ ...raw({}), classes: days.classes, series: { ...series, ...over } });
  expect(wrong({ missed: 'double up' })).toMatch(/what follows from a missed day/);
  expect(wrong({ kinds: ['own'] })).toMatch(/of every day what it is/);
  expect(wrong({ kinds: ['own', 'feast'] })).toMatch(/of every day what it is/);
  expect([wrong({ to: 20 }), wrong({ to: 21 })]).toEqual(['', expect.stringMatching(/Minutes at last should be from 1 to 20/)]);
  expect(wrong({ themes: [['nothing-known']] })).toMatch(/no technique “nothing-known” here/);
  const many = (n: number) =>
    says({
      ...raw({}),
      classes: Array.from({ length: n }, () => day('equal-4-4')),
      series: { ...series, kinds: Array.from({ length: n }, () => 'own') },
    });
  expect([many(40), many(41)]).toEqual(['', expect.stringMatching(/at most 40 days/)]);
});

test('a file that is cut, newer, strange or too large has its own plain answer', () => {
  const file = writePackage(course());
  expect(says(file.slice(0, -20))).toMatch(/not JSON, or was cut off/);
  expect(says(raw({ version: 2 }))).toMatch(/newer or another version/);
  expect(says({ format: 'x' })).toMatch(/no course/);
  expect(says('[]')).toMatch(/no course/);
  expect([says(' '.repeat(1_500_001)), says(`${' '.repeat(1_500_000 - file.length)}${file}`)]).toEqual([expect.stringMatching(/too large/), '']);
  const classes = (n: number) => Array.from({ length: n }, () => ({ purpose: '', note: '', blocks: [] }));
  expect([says(raw({ classes: classes(182) })), says(raw({ classes: classes(183) }))]).toEqual(['', expect.stringMatching(/more than 182 classes/)]);
});

const own = {
  technique: {
    id: 'pier-breath',
    family: null,
    name: 'Pier breath',
    aliases: [],
    about: 'Slow and low.',
    pattern: '4:4',
    dose: '4 min',
    rung: 1,
    hours: ['morning'],
    character: 'even',
    posture: 'seated',
    setup: { seat: 'chair', eyes: 'open', by: 'counts', moves: [] },
    cues: ['soft'],
    watchFor: [],
    cautions: [],
  },
  edges: [{ needs: 'belly', to: 'pier-breath', sessions: 2, days: 4 }],
};

test('a technique of their own comes in whole, or is refused: what it leaves unsaid is never guessed', () => {
  expect(says(raw({ techniques: [own] }))).toBe('');
  const without = (key: string) => ({ ...own, technique: Object.fromEntries(Object.entries(own.technique).filter(([at]) => at !== key)) });
  for (const key of Object.keys(own.technique).filter((at) => at !== 'setup'))
    expect([key, says(raw({ techniques: [without(key)] }))]).toEqual([key, expect.stringMatching(/.+/)]);
  const wrong: Record<string, unknown> = {
    id: 'Pier Breath',
    name: ' ',
    rung: 5,
    hours: [],
    character: 'loud',
    posture: 'hanging',
    setup: { seat: 'ceiling' },
    cues: [1],
    cautions: [{ caution: 'pregnancy' }],
    about: 'x'.repeat(601),
  };
  for (const [key, value] of Object.entries(wrong))
    expect([key, says(raw({ techniques: [{ ...own, technique: { ...own.technique, [key]: value } }] }))]).toEqual([key, expect.stringMatching(/.+/)]);
  expect(says(raw({ techniques: [{ ...own, edges: undefined }] }))).not.toBe('');
  expect(says(raw({ techniques: [{ ...own, technique: { ...own.technique, about: 'x'.repeat(600), rung: 4 } }] }))).toBe('');
});

test('a character the database cannot keep is refused before anything is read', () => {
  expect(says(JSON.stringify(raw({ name: 'Long\u0000phrases' })))).toMatch(/cannot be kept/);
  expect(says(JSON.stringify(raw({ name: 'Long\u0001phrases' })))).not.toMatch(/cannot be kept/);
});

test('a ladder that goes in a circle is refused, whoever closes it', () => {
  const edge = (needs: string, to: string) => ({ needs, to, sessions: 2, days: 4 });
  expect(says(raw({ ladder: [edge('equal-4-4', 'longer-4-6'), edge('longer-4-6', 'equal-4-4')] }))).toMatch(/in a circle/);
  expect(says(raw({ ladder: [edge('belly', 'belly')] }))).toMatch(/in a circle/);
});

test('everything that is wrong is named at once, with its class', () => {
  const wrong = {
    purpose: '',
    note: '',
    blocks: [
      { technique: 'nothing', pattern: '4::4', dose: 'lots', tempo: 10 },
      { part: 'nowhere', minutes: 200 },
    ],
  };
  const text = says(raw({ weekdays: [9], start: '25:00', name: '', classes: [course().classes[0], wrong] }));
  for (const part of [
    'on which weekdays',
    'at what hour',
    'has no name',
    '2: There is no technique “nothing”',
    '2: A pattern',
    '2: A dose',
    '2: Milliseconds',
    '2: There is no part',
    '2: Minutes',
  ])
    expect(text).toContain(part);
  expect(read(raw({ name: '' })).course).toBeNull();
  expect(says(raw({ ways: [] }))).toMatch(/The way “Our even” is not in the file/);
});

test('what the two ladders ask differently is said, and is no reason to refuse', () => {
  const ladder = [
    { needs: 'longer-4-5', to: 'longer-4-6', sessions: 5, days: 9 },
    { needs: 'belly', to: 'longer-4-6', sessions: 2, days: 4 },
  ];
  const { differs, course: taken } = read(raw({ ladder }));
  expect(taken).not.toBeNull();
  expect(differs).toEqual([
    'Longer exhale 4:6 asks for 5 classes and 9 days of Longer exhale 4:5 there, 2 and 4 here.',
    'They ask for Belly breath before Longer exhale 4:6; here nothing does.',
  ]);
});
