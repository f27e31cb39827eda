import { checkSeries, draftSeries, seriesCheckText, type CheckIn, type SeriesAsked, type SeriesDay, type StayingDays } from '.';
import { planning } from '../course/example';
import { SHIPPED_LIBRARY } from '../library';
import { addDays, isoDate, type IsoDate } from '../units';

/** Series for tests: three weeks from a Monday, for beginners who practise two things. */

export const first = isoDate('2027-01-04');
export const dates = (count: number): IsoDate[] => Array.from({ length: count }, (_, at) => addDays(first, at));
let made = 0;
export const newId = () => `b${(made += 1)}`;
export const beginners = planning({ already: new Set(['natural', 'belly']), settled: false });
export const asked = (over: Partial<SeriesAsked> = {}): SeriesAsked => ({
  length: 21,
  from: 1,
  to: 7,
  gentleEvery: 7,
  start: '06:30',
  live: [],
  closed: [],
  themes: [['equal-4-4'], ['longer-4-5'], ['alternate-4-4']],
  pairings: [],
  ...over,
});
/** Enough of a search that could go on for long. */
export const often = (times: number) => {
  let count = 0;
  return () => (count += 1) > times;
};
export const draft = (over: Partial<SeriesAsked> = {}, of = beginners, stay: StayingDays = []) =>
  draftSeries(asked(over), dates(asked(over).length), of, newId, often(100), stay);
export const practised = (days: readonly SeriesDay[]) => days.map(({ blocks }) => blocks.map(({ technique }) => technique).join('+'));

export const { days: draft21 } = draft();
/** What whoever goes along says of a day. */
export const say = (day: number, over: Partial<CheckIn> = {}): CheckIn => ({
  date: addDays(first, day - 1),
  day,
  did: 'done',
  felt: 'easy',
  easier: false,
  techniques: practised(draft21)[day - 1].split('+'),
  signs: false,
  undone: false,
  ...over,
});

/** What stands against some days, in words. */
export const wrong = (days: readonly SeriesDay[], of = beginners) =>
  checkSeries(days, dates(days.length), '06:30', of)
    .filter(({ severity }) => severity !== 'know')
    .map((check) => `${check.day} ${seriesCheckText(check, SHIPPED_LIBRARY)}`);
