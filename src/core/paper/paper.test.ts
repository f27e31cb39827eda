import { coursePage, handout, plain, planSheet, sheetMarkdown, type PlanFacts } from '.';
import { SHIPPED_LIBRARY } from '../library';
import type { NamedBlock } from '../plan';
import { isoDate, millis } from '../units';

const basis = { library: SHIPPED_LIBRARY, naturalBreath: millis(4000) };
const technique = (id: string, pattern: string, dose: string, over: Partial<NamedBlock> = {}): NamedBlock =>
  ({ id, kind: 'technique', technique: id, name: SHIPPED_LIBRARY.technique(id).name, pattern, dose, tempo: 1000, ...over }) as NamedBlock;
const facts = (over: Partial<PlanFacts> = {}): PlanFacts => ({
  studio: 'Pellwick Boathouse Studio',
  course: 'Steady on the early boat',
  number: 5,
  of: 14,
  date: isoDate('2026-11-25'),
  start: '05:45',
  minutes: 60,
  version: 2,
  teacher: 'Tamsin Brae',
  purpose: 'Today the hold arrives; keep it light',
  note: '',
  fresh: ['Equal 4:4:4'],
  changes: ['hold in 3 → 4 counts'],
  blocks: [
    { id: 'a', kind: 'arrive', part: 'arrive', minutes: 4, name: 'Arrive and find a seat' },
    technique('equal-4-4-4', '4:4:4', '15 rounds', { lines: ['Shoulders soft'], note: 'watch Maud' }),
    { id: 'r', kind: 'rest', part: 'lying-rest', minutes: 10, name: 'Lying rest' },
  ],
  people: [
    { name: 'Fenna', told: [{ block: 'equal-4-4-4', text: 'no hold' }] },
    { name: 'Hedy', told: [{ block: 'equal-4-4-4', text: 'no hold' }] },
    { name: 'Ilo', told: [] },
  ],
  asOf: 'Tue 24 Nov, 17:20',
  stopSigns: ['dizziness', 'wheeze'],
  emergency: 'Chest pain: emergency services.',
  ...over,
});

test('a lesson plan on paper stands at its clock times, says what changed, and who does what instead together', () => {
  const sheet = planSheet(facts(), basis);
  expect(sheet.rows.map(({ clock, name, minutes }) => [clock, name, minutes])).toEqual([
    ['05:45', 'Arrive and find a seat', '4 min'],
    ['05:49', 'Equal 4:4:4', '3 min'],
    ['05:52', 'Lying rest', '10 min'],
  ]);
  expect([sheet.length, sheet.whose, sheet.changed]).toEqual(['17 of 60 min', 'version 2 for Tamsin Brae', 'Since version 1: hold in 3 → 4 counts.']);
  expect(sheet.people).toEqual([{ names: 'Fenna, Hedy', text: 'no hold (Equal 4:4:4)' }]);
  expect(sheet.rows[1].details).toEqual(['15 rounds', '“Shoulders soft”', 'Note: watch Maud']);
  expect(planSheet(facts({ start: '23:58' }), basis).rows[1].clock).toBe('00:02');
  expect([planSheet(facts({ version: 1 }), basis).changed, planSheet(facts({ version: null }), basis).whose]).toEqual([
    '',
    'not published, for Tamsin Brae',
  ]);
  expect(planSheet(facts({ people: null }), basis).people).toBeNull();
});

test('what is typed stays text in Markdown', () => {
  const text = sheetMarkdown(planSheet(facts({ purpose: '**bold** | [link](x)', note: 'a\nb' }), basis));
  expect(text).toContain('**\\*\\*bold\\*\\* \\| \\[link\\](x)**');
  expect(text).toContain('\na b\n');
  expect(text).toContain('| 05:49 | **Equal 4:4:4** | 4:4:4 · 15 rounds');
  expect(plain('# <b>`x`')).toBe('\\# &lt;b&gt;\\`x\\`');
});

test('a handout holds no name, no instruction, and nothing above the second rung', () => {
  const blocks = [technique('equal-4-4', '4:4', '8 min'), technique('equal-4-4-4', '4:4:4', '15 rounds'), technique('belly', 'deepened', '3 min')];
  const sheet = handout(facts({ blocks }), isoDate('2026-11-29'), basis);
  expect(sheet.practices.map(({ name, dose }) => [name, dose])).toEqual([
    ['Equal 4:4', '5 minutes, once a day, at your own pace'],
    ['Belly breath', '3 minutes, once a day, at your own pace'],
  ]);
  expect(JSON.stringify(sheet)).not.toMatch(/Fenna|no hold|Maud/);
  expect([sheet.until, handout(facts(), null, basis).until]).toEqual(['until the next class on Sun 29 Nov', 'for as long as you like it']);
});

test('a course on a page says when and what, class by class', () => {
  const sessions = [facts().blocks, []].map((blocks, index) => ({ date: isoDate(`2026-11-2${5 + index}`), start: '05:45', blocks }));
  const page = coursePage({ studio: 's', name: 'n', minutes: 60, teacher: 't' }, sessions, SHIPPED_LIBRARY);
  expect(page.classes).toEqual([
    { number: 1, when: 'Wed 25 Nov, 05:45', what: 'Equal 4:4:4' },
    { number: 2, when: 'Thu 26 Nov, 05:45', what: 'to be planned' },
  ]);
  expect(page.when).toBe('Wed 25 Nov – Thu 26 Nov, 2 classes of 60 minutes');
});

test('minutes stand to the half, and a class after midnight is the next day by the clock', () => {
  const parts = (minutes: number) => planSheet(facts({ blocks: [{ id: 'r', kind: 'rest', part: 'lying-rest', minutes }] }), basis).rows[0].minutes;
  expect([0.5, 1, 2.5, 10].map(parts)).toEqual(['½ min', '1 min', '2½ min', '10 min']);
});

test('Markdown says what there is to say, and nothing where there is nothing', () => {
  const bare = sheetMarkdown(planSheet(facts({ purpose: '', note: '', fresh: [], version: 1, people: null }), basis));
  for (const not of ['New today', 'Since version', 'In the room']) expect(bare).not.toContain(not);
  const full = sheetMarkdown(planSheet(facts({ note: 'mats in the hall' }), basis));
  for (const part of [
    'New today: Equal 4:4:4.',
    'Since version 1: hold in 3 → 4 counts.',
    '- **Fenna, Hedy**: no hold (Equal 4:4:4)',
    'mats in the hall',
  ])
    expect(full).toContain(part);
  expect(sheetMarkdown(planSheet(facts({ people: [] }), basis))).toContain('Everyone does everything as taught.');
  expect(sheetMarkdown(planSheet(facts({ changes: [] }), basis))).toContain('Since version 1: nothing.');
});

test('where a class stands in its course is said where there are several', () => {
  expect(planSheet(facts(), basis).place).toBe('Steady on the early boat · class 5 of 14');
  expect(planSheet(facts({ number: 1, of: 1 }), basis).place).toBe('Steady on the early boat');
});

test('a handout has at most three things, of at most five minutes and at least one', () => {
  const many = ['belly', 'equal-4-4', 'longer-3-4', 'longer-4-5'].map((id) => technique(id, SHIPPED_LIBRARY.technique(id).pattern, '20 s'));
  const doses = (dose: string) => handout(facts({ blocks: many.map((one) => ({ ...one, dose }) as NamedBlock) }), null, basis).practices;
  expect(doses('5 min').map(({ name }) => name)).toEqual(['Equal 4:4', 'Longer exhale 3:4', 'Longer exhale 4:5']);
  expect(doses('0.5 min')[0].dose).toBe('1 minute, once a day, at your own pace');
  expect([doses('5 min')[0].dose, doses('6 min')[0].dose]).toEqual(Array(2).fill('5 minutes, once a day, at your own pace'));
});
