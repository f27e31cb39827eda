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
import type { IsoDate } from '../units';
import { minutesByDay, isForHome } from './draft';
import { dailyJumps, type Jump } from './minutes';
import type { SeriesDay } from './types';

/** What is wrong with a day, or should be known of it. */
export type SeriesFinding =
  | { readonly code: 'course'; readonly finding: Finding }
  | { readonly code: 'daily growth'; readonly jump: Jump }
  | { readonly code: 'not alone' | 'two new things' | 'nothing' };

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
 * @example checkSeries(draft.days, dates, '06:30', planning).filter(({ severity }) => severity !== 'know') // []
 */
export function checkSeries(days: readonly SeriesDay[], dates: readonly IsoDate[], start: string, planning: Planning): SeriesCheck[] {
  const jumps = new Map(dailyJumps(minutesByDay(days)).map((jump) => [jump.day, jump]));
  let before: Before = NOTHING_BEFORE;
  return days.flatMap(({ kind, blocks }, index) => {
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
      ...(news.length > COURSE_LIMITS.newThings ? [add('mend', { code: 'two new things' }, null)] : []),
      ...blocks.flatMap((block) => [
        ...(kind !== 'live' && !isForHome(block.technique, planning) ? [add('stop', { code: 'not alone' }, block)] : []),
        ...RULES.flatMap((rule) => rule(block, { date, start }, known, planning))
          .filter((finding) => finding.code !== 'guard' || finding.finding.guard !== 'minutes jump')
          .map((finding) =>
            add(KNOW.includes(finding.code) ? 'know' : STOP.includes(finding.code) ? 'stop' : 'mend', { code: 'course', finding }, block),
          ),
      ]),
    ];
  });
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
    case 'nothing':
      return 'has nothing to practise';
  }
}
