import fc from 'fast-check';
import { guessMapping, headingProblem, nameKey, readRoster, ROSTER_LIMITS } from '.';
import { addDays, isoDate } from '../units';

const today = isoDate('2026-11-25');
const mapping = { name: 'Name', email: 'Mail', birthDate: 'Born' };
const row = (Name: string, Mail = '', Born = '') => ({ Name, Mail, Born });
const read = (rows: Record<string, string>[], dayFirst: boolean | null = null) => readRoster(rows, mapping, dayFirst, today);

test('columns are guessed by their headings, in any case, and stay open where nothing fits', () => {
  expect(guessMapping(['Member', 'E-Mail Address', 'DOB', 'Shoe size'])).toEqual({ name: 'Member', email: 'E-Mail Address', birthDate: 'DOB' });
  expect(guessMapping(['Vorname', 'Notes'])).toEqual({ name: '', email: '', birthDate: '' });
  expect(read([row('Ada')]).problems).toEqual([]);
  expect(readRoster([row('Ada')], { ...mapping, name: '' }, null, today).problems[0].message).toBe('Say which column holds the name.');
});

test('headings that are missing or stand twice are named', () => {
  expect(headingProblem(['Name', 'Mail'])).toBeNull();
  expect(headingProblem(['Name', ' name '])).toContain('Two columns are called “name”');
  expect(headingProblem(['', ''])).toContain('should name the columns');
});

test.each([
  ['2001-04-03', '2001-04-03'],
  ['3.4.2001', '2001-04-03'],
  ['03.04.2001', '2001-04-03'],
  ['3 Apr 2001', '2001-04-03'],
  ['3. April 2001', '2001-04-03'],
  ['3 apr, 2001', '2001-04-03'],
  ['29/2/2000', '2000-02-29'],
])('%s is %s', (text, date) => {
  expect(read([row('Ada', '', text)], true).rows[0].birthDate).toBe(date);
});

test.each(['31.2.2001', '2001-02-31', '3/4.2001', '3 Foo 2001', '04032001', 'yesterday', '2001'])('%s is no date', (text) => {
  expect(read([row('Ada', '', text)]).problems).toEqual([{ row: 1, message: expect.stringContaining('is no date') }]);
});

test('whether the day comes first is read from the file itself, or asked', () => {
  const dates = (...texts: string[]) => read(texts.map((text) => row('Ada', '', text)));
  expect(dates('3/4/2001', '13/4/2001').rows.map(({ birthDate }) => birthDate)).toEqual(['2001-04-03', '2001-04-13']);
  expect(dates('3/4/2001', '4/13/2001').rows.map(({ birthDate }) => birthDate)).toEqual(['2001-03-04', '2001-04-13']);
  expect([dates('3/4/2001').askOrder, dates('3.4.2001').askOrder, dates('13/4/2001').askOrder]).toEqual([true, false, false]);
  // A file that shows both contradicts itself: it is asked, and then the row that cannot be is named.
  expect(dates('13/4/2001', '4/13/2001').askOrder).toBe(true);
  expect(read([row('Ada', '', '4/13/2001')], true).problems[0].message).toContain('is no date');
});

test('every bad row is named with each of its reasons, and empty rows are nothing', () => {
  const { rows, problems } = read([
    row('Ada', 'ada@post.example', '1990-01-01'),
    row('', '', ''),
    row('', 'b@post.example'),
    row('=1+1'),
    row('@cmd'),
    row('Cid', 'cid(at)post'),
    row('Dot', '', addDays(today, 1)),
    row('Eve', '', '1899-12-31'),
    row('x'.repeat(61)),
    row('Fay\u202e'),
  ]);
  expect(rows.map(({ row: at, name }) => [at, name])).toEqual([[1, 'Ada']]);
  expect([...new Set(problems.map(({ row: at }) => at))]).toEqual([3, 4, 5, 6, 7, 8, 9, 10]);
});

test('a roster has an end', () => {
  expect(read(Array.from({ length: ROSTER_LIMITS.rows + 1 }, () => row('Ada'))).problems[0].message).toContain('too many for one cohort');
});

test('names are alike in any case, spacing and spelling of their accents', () => {
  expect([' José  ORTIZ', 'jose ortiz', 'Jose\u0301 Ortiz', 'José-Ortiz'].map(nameKey)).toEqual(Array(4).fill('jose ortiz'));
  expect(nameKey('Asta R.')).toBe(nameKey('asta r'));
});

test('whatever stands in a file, reading it ends with rows and reasons, never with a failure', () => {
  const cell = fc.oneof(fc.string({ maxLength: 40 }), fc.constantFrom('2001-04-03', '3/4/2001', '=x', 'a@b.c', '١٢'));
  fc.assert(
    fc.property(
      fc.array(fc.record({ Name: cell, Mail: cell, Born: cell }), { maxLength: 30 }),
      fc.constantFrom(true, false, null),
      (cells, dayFirst) => {
        const { rows, problems } = read(cells, dayFirst);
        const bad = new Set(problems.map(({ row: at }) => at));
        expect(rows.every(({ row: at, birthDate }) => !bad.has(at) && (birthDate === null || birthDate <= today))).toBe(true);
      },
    ),
    { numRuns: 300 },
  );
});
