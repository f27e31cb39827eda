import {
  atItsHour,
  after,
  forSettled,
  forSomebody,
  inOrder,
  insideGuards,
  inWholeRounds,
  isNew,
  knownForWhom,
  NOTHING_BEFORE,
  type Before,
  type BlockRule,
  type Finding,
} from '../course/constraints';
import { checkText, COURSE_LIMITS, type Planning } from '../course';
import type { Library } from '../library';
import type { TechniqueBlock } from '../plan';
import { isForHome } from '../techniques';
import { weekday, type IsoDate } from '../units';
import { listed } from '../wording';
import { minutesByDay } from './draft';
import { dailyJumps, type Jump } from './minutes';
import type { SeriesDay } from './types';

/** What is wrong with a day, or should be known of it. */
export type SeriesFinding =
  | { readonly code: 'course'; readonly finding: Finding }
  | { readonly code: 'daily growth'; readonly jump: Jump }
  | { readonly code: 'other class'; readonly techniques: readonly string[] }
  | { readonly code: 'not alone' | 'two new things' | 'nothing' | 'no class' | 'closed' | 'alone while closed' | 'another weekday' };

/** What is known of the classes of live days. */
export interface LiveClasses {
  /** What each class practises, by its date. */
  readonly classes: ReadonlyMap<IsoDate, readonly string[]>;
  readonly closed: readonly IsoDate[];
  /** The weekdays live days were asked on, 1 for Monday. */
  readonly weekdays: readonly number[];
  /** What is before it is over. */
  readonly today: IsoDate;
}

export interface SeriesCheck {
  readonly severity: 'stop' | 'mend' | 'know';
  /** From 1. */
  readonly day: number;
  readonly date: IsoDate;
  readonly technique: string | null;
  readonly finding: SeriesFinding;
}

/** The rules of a course that hold for a day too; minutes have a guard of their own, and no teacher is asked for. */
const RULES: readonly BlockRule[] = [inOrder, insideGuards, atItsHour, forSomebody, forSettled, knownForWhom, inWholeRounds];
const KNOW: readonly Finding['code'][] = ['adapted', 'near a limit'];
const STOP: readonly Finding['code'][] = ['left out by all', 'out of order', 'too soon', 'not settled'];

/**
 * Every finding of the days of a series as they stand, in the order of the days.
 * @param dates the date of every day
 * @param live the classes of its live days; left out where there are none yet
 * @example checkSeries(draft.days, dates, '06:30', planning).filter(({ severity }) => severity !== 'know') // []
 */
export function checkSeries(
  days: readonly SeriesDay[],
  dates: readonly IsoDate[],
  start: string,
  planning: Planning,
  live: LiveClasses | null = null,
): SeriesCheck[] {
  const jumps = new Map(dailyJumps(minutesByDay(days)).map((jump) => [jump.day, jump]));
  let before: Before = NOTHING_BEFORE;
  return days.flatMap((day, index) => {
    const { kind, blocks } = day;
    const date = dates[index];
    const known = before;
    const add = (severity: SeriesCheck['severity'], finding: SeriesFinding, block: TechniqueBlock | null): SeriesCheck => ({
      severity,
      day: index + 1,
      date,
      technique: block?.technique ?? null,
      finding,
    });
    const jump = jumps.get(index + 1);
    const news = blocks.filter((block) => isNew(block, known, planning));
    before = after(before, { blocks, date });
    return [
      ...(blocks.length === 0 ? [add('mend', { code: 'nothing' }, null)] : []),
      ...(jump ? [add('mend', { code: 'daily growth', jump }, null)] : []),
      ...(live ? liveFindings(day, date, live).map(([severity, finding]) => add(severity, finding, null)) : []),
      ...(news.length > COURSE_LIMITS.newThings ? [add('mend', { code: 'two new things' }, null)] : []),
      ...blocks.flatMap((block) => [
        ...(kind !== 'live' && !isForHome(planning.basis.library.find(block.technique), block) ? [add('stop', { code: 'not alone' }, block)] : []),
        ...RULES.flatMap((rule) => rule(block, { date, start }, known, planning))
          .filter((finding) => finding.code !== 'guard' || finding.finding.guard !== 'minutes jump')
          .map((finding) =>
            add(KNOW.includes(finding.code) ? 'know' : STOP.includes(finding.code) ? 'stop' : 'mend', { code: 'course', finding }, block),
          ),
      ]),
    ];
  });
}

/** What is to be said of a day and its class: that there is none, or another than the day has; that the studio is closed. */
function liveFindings({ kind, blocks }: SeriesDay, date: IsoDate, { classes, closed, weekdays, today }: LiveClasses) {
  if (date < today) return [];
  const found: (readonly [SeriesCheck['severity'], SeriesFinding])[] = [];
  const asked = weekdays.includes(weekday(date));
  if (kind !== 'live') return asked && closed.includes(date) ? [['know', { code: 'alone while closed' }] as const] : found;
  const there = classes.get(date);
  const own = new Set(blocks.map(({ technique }) => technique));
  if (!there) found.push(['mend', { code: 'no class' }]);
  else if (there.length !== own.size || there.some((id) => !own.has(id))) found.push(['mend', { code: 'other class', techniques: there }]);
  if (closed.includes(date)) found.push(['mend', { code: 'closed' }]);
  else if (!asked && weekdays.length > 0) found.push(['know', { code: 'another weekday' }]);
  return found;
}

/** What a check says, after the technique's name or the day. @example seriesCheckText(check, library) // "grows from 1 to 3 min: at most a minute more at once, so 2" */
export function seriesCheckText({ finding, date }: SeriesCheck, library: Library): string {
  switch (finding.code) {
    case 'course':
      return checkText({ finding: finding.finding, date }, library);
    case 'daily growth': {
      const { from, to, most, may } = finding.jump;
      return to > most
        ? `grows from ${from} to ${to} min: at most a minute more at once, so ${most}`
        : `grows from ${from} to ${to} min too soon: a minute in three days, so from day ${may} on`;
    }
    case 'not alone':
      return 'is not for practising alone at home: make it a live day, or take something from the first two rungs';
    case 'two new things':
      return 'brings two new things; one a day is enough';
    case 'no class':
      return 'is live, but no class is held: it was cancelled, or taken out of its course. Make it a day alone, or live once more';
    case 'other class':
      return techniques(finding.techniques, library);
    case 'closed':
      return 'is live, and the studio is closed';
    case 'alone while closed':
      return 'would be live; the studio is closed, so it is practised alone';
    case 'another weekday':
      return 'is live, on another weekday than the other live days';
    case 'nothing':
      return 'has nothing to practise';
  }
}

function techniques(ids: readonly string[], { find }: Library): string {
  const names = listed(ids.map((id) => find(id)?.name ?? 'something that is no longer in the library'));
  return `and its class differ: the plan of the class has ${names || 'nothing to practise'}`;
}
