import { isIsoDate, isoDate, type IsoDate } from '../units';
import type { RowProblem } from './ways';

/** Rosters are lists of people, not databases. */
export const ROSTER_LIMITS = { rows: 2000, characters: 1_000_000 } as const;

export const ROSTER_FIELDS = ['name', 'email', 'birthDate'] as const;
export type RosterField = (typeof ROSTER_FIELDS)[number];

/** Which column each field is read from; an empty name means none. */
export type RosterMapping = Readonly<Record<RosterField, string>>;

/** One row of a roster, read. Rows count from 1, below the header. */
export interface RosterRow {
  readonly row: number;
  readonly name: string;
  readonly email: string | null;
  readonly birthDate: IsoDate | null;
}

const SPELLINGS: Readonly<Record<RosterField, readonly string[]>> = {
  name: ['name', 'full name', 'person', 'member', 'participant'],
  email: ['email', 'e-mail', 'mail', 'e-mail address', 'email address'],
  birthDate: ['birth date', 'birthdate', 'date of birth', 'birthday', 'born', 'dob'],
};

/** Guesses the columns by their headings. @example guessMapping(['Full name', 'Mail']) // { name: 'Full name', email: 'Mail', birthDate: '' } */
export function guessMapping(headings: readonly string[]): RosterMapping {
  const find = (field: RosterField) => headings.find((heading) => SPELLINGS[field].includes(heading.trim().toLowerCase())) ?? '';
  return { name: find('name'), email: find('email'), birthDate: find('birthDate') };
}

/** What is wrong with a file's headings as a whole; null when nothing is. */
export function headingProblem(headings: readonly string[]): string | null {
  const seen = headings.map((heading) => heading.trim().toLowerCase()).filter(Boolean);
  const twice = seen.find((heading, index) => seen.indexOf(heading) !== index);
  if (seen.length === 0) return 'The first line should name the columns.';
  return twice ? `Two columns are called “${twice}”. Rename one of them, so that it is clear which is meant.` : null;
}

/**
 * Reads the rows of a roster by a mapping of its columns. Every row that is in the way is named with its reason.
 * @param cells rows as the CSV reader gives them: heading → text
 * @param dayFirst how 3/4/2001 is read; null when the file itself has to show it
 */
export function readRoster(
  cells: readonly Readonly<Record<string, string>>[],
  mapping: RosterMapping,
  dayFirst: boolean | null,
  today: IsoDate,
): { readonly rows: readonly RosterRow[]; readonly problems: readonly RowProblem[]; readonly askOrder: boolean } {
  if (!mapping.name) return { rows: [], problems: [{ row: 0, message: 'Say which column holds the name.' }], askOrder: false };
  if (cells.length > ROSTER_LIMITS.rows)
    return {
      rows: [],
      problems: [{ row: 0, message: `${cells.length} rows are too many for one cohort: at most ${ROSTER_LIMITS.rows}.` }],
      askOrder: false,
    };
  const dates = mapping.birthDate ? cells.map((cell) => cell[mapping.birthDate]?.trim() ?? '') : [];
  const order = dayFirst ?? shownOrder(dates);
  const askOrder = order === null && dates.some((date) => numeric(date) !== null);
  const problems: RowProblem[] = [];
  const rows = cells.flatMap((cell, index): RosterRow[] => {
    const row = index + 1;
    const [name, email, birth] = ROSTER_FIELDS.map((field) => (mapping[field] ? (cell[mapping[field]]?.trim() ?? '') : ''));
    if (name === '' && email === '' && birth === '') return [];
    const birthDate = birth === '' ? null : readDate(birth, order ?? true);
    const messages = [
      ...(name === '' ? ['The name is missing.'] : []),
      ...(name.length > 60 || /[\p{Cc}\p{Cf}]/u.test(name) ? ['A name has at most 60 characters that can be seen.'] : []),
      ...(/^[=+\-@]/.test(name) ? [`“${name.slice(0, 30)}” looks like a formula, not like a name.`] : []),
      ...(email !== '' && !/^[^\s@,;]+@[^\s@,;]+\.[^\s@,;]+$/.test(email) ? [`“${email.slice(0, 60)}” is no e-mail address.`] : []),
      ...(birth !== '' && birthDate === null ? [`“${birth.slice(0, 30)}” is no date. Write 2001-04-03, 3/4/2001, 3.4.2001 or 3 Apr 2001.`] : []),
      ...(birthDate !== null && birthDate > today ? ['The birth date lies in the future.'] : []),
      ...(birthDate !== null && birthDate < '1900-01-01' ? ['The birth date lies before 1900.'] : []),
    ];
    problems.push(...messages.map((message) => ({ row, message })));
    return messages.length > 0 ? [] : [{ row, name, email: email === '' ? null : email.toLowerCase(), birthDate }];
  });
  return { rows, problems, askOrder };
}

const NUMERIC = /^(\d{1,2})([/.-])(\d{1,2})\2(\d{4})$/;

function numeric(text: string): readonly [number, number] | null {
  const found = NUMERIC.exec(text);
  return found && found[2] !== '.' ? [Number(found[1]), Number(found[3])] : null;
}

/** Whether a column's own dates show that the day comes first, or the month; null when they show neither, or both. */
function shownOrder(dates: readonly string[]): boolean | null {
  const pairs = dates.flatMap((date) => numeric(date) ?? []);
  const firsts = pairs.filter((_, index) => index % 2 === 0);
  const seconds = pairs.filter((_, index) => index % 2 === 1);
  const [dayFirst, monthFirst] = [firsts.some((n) => n > 12), seconds.some((n) => n > 12)];
  return dayFirst === monthFirst ? null : dayFirst;
}

const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];

/** A date in one of four spellings. @example readDate('3 Apr 2001', true) // "2001-04-03" */
function readDate(text: string, dayFirst: boolean): IsoDate | null {
  if (isIsoDate(text)) return isoDate(text);
  const numbers = NUMERIC.exec(text);
  const worded = /^(\d{1,2})\.?\s+([a-z]{3})[a-z]*\.?,?\s+(\d{4})$/i.exec(text);
  const [day, month, year] = numbers
    ? numbers[2] === '.' || dayFirst
      ? [numbers[1], numbers[3], numbers[4]]
      : [numbers[3], numbers[1], numbers[4]]
    : worded
      ? [worded[1], String(MONTHS.indexOf(worded[2].toLowerCase()) + 1), worded[3]]
      : ['', '', ''];
  const made = `${year}-${month.padStart(2, '0')}-${day.padStart(2, '0')}`;
  return isIsoDate(made) ? isoDate(made) : null;
}

/** Two spellings of one name. @example nameKey(' José  Ortiz') === nameKey('jose ortiz') // true */
export function nameKey(name: string): string {
  return name
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();
}
