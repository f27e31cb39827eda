import Papa from 'papaparse';
import { libraryOf, type OwnEntry } from '../library';
import type { IsoDate } from '../units';
import { readCalendar } from './calendar';
import { readPackage } from './package';
import { headingProblem, readRoster, type RosterMapping } from './roster';
import { readWays } from './ways';

/** Every file that comes from outside, and how it is read. Whatever stands in it, this runs where it can be ended. */
export const STRANGERS = {
  calendar: readCalendar,
  course: (text: string, own: readonly OwnEntry[]) => readPackage(text, libraryOf(own)),
  ways: (text: string, taken: readonly string[], own: readonly OwnEntry[]) => readWays(text, taken, libraryOf(own)),
  roster: readRosterText,
} as const;

export type StrangerFile = keyof typeof STRANGERS;
export type Given<What extends StrangerFile> = Parameters<(typeof STRANGERS)[What]>;
export type Made<What extends StrangerFile> = ReturnType<(typeof STRANGERS)[What]>;

/** A roster from its text: its headings, its rows, and every row that is in the way. */
function readRosterText(text: string, mapping: RosterMapping, dayFirst: boolean | null, today: IsoDate) {
  const plain = text.replace(/^\uFEFF/, '');
  const { data, meta, errors } = Papa.parse<Record<string, string>>(plain, {
    header: true,
    skipEmptyLines: 'greedy',
    // Headings that stand twice would overwrite each other: they are kept apart here and refused below.
    transformHeader: (heading) => heading.trim(),
  });
  const first = Papa.parse<string[]>(plain, { preview: 1, delimiter: meta.delimiter || ',' }).data[0] ?? [];
  const headings = first.map((heading) => heading.trim());
  const whole =
    headingProblem(headings) ?? (text.includes('\uFFFD') ? 'Some letters could not be read. Save the file as UTF-8 and choose it again.' : null);
  if (whole) return { headings, rows: [], problems: [{ row: 0, message: whole }], askOrder: false };
  const read = readRoster(data, mapping, dayFirst, today);
  const uneven = errors
    .filter(({ code, row }) => code !== 'UndetectableDelimiter' && row !== undefined)
    .map(({ row }) => ({ row: row! + 1, message: 'This row has more or fewer cells than the first line.' }));
  return { headings, ...read, problems: [...read.problems, ...uneven].sort((a, b) => a.row - b.row) };
}
