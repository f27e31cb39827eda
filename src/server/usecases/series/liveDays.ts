import { framed, type Planning, USUAL_ARC } from '@/core/course';
import { techniquesIn, type Block } from '@/core/plan';
import { datesOf, type SeriesDay } from '@/core/series';
import { dayText, weekday, type IsoDate } from '@/core/units';
import type { Staff } from '../../auth/actors';
import type { Desk, Writing } from '../../desk';
import { Refusal } from '../../errors';
import { addClasses, addCourse, allSessionsOf, changeClass, changeFacts, course, type Course, type Session } from '../../repositories/courses';
import type { KeptSeries } from '../../repositories/series';
import { closures } from '../../repositories/studio';
import { askAgain, tellCancelled, tellHeldAfterAll } from '../courses/telling';
import { seriesSetting } from './setting';

/** How long the class of a live day is where nothing says so, in minutes. */
export const USUAL_LIVE_MINUTES = 30;

/** Those of some dates on which the studio is closed. */
export async function closedDates(desk: Desk, dates: readonly IsoDate[]): Promise<IsoDate[]> {
  const closed = await closures(desk);
  return dates.filter((date) => closed.some(({ from, until }) => date >= from && date <= until));
}

/** A series as far as its live days hang on it. */
export type Live = Pick<KeptSeries, 'id' | 'name' | 'cohort' | 'teacher' | 'firstDate' | 'asked' | 'days' | 'pauses' | 'stoppedOn' | 'liveCourse'>;

/** A live day, by the place it has in the series. */
interface LiveDay {
  readonly date: IsoDate;
  readonly day: SeriesDay;
}

/** The live days of a series that are held; none from the day on which it was stopped. */
function liveDays(of: Live): ReadonlyMap<number, LiveDay> {
  return new Map(
    datesOf(of).flatMap((date, index) => {
      const day = of.days[index];
      return day.kind === 'live' && (of.stoppedOn === null || date < of.stoppedOn) ? [[index, { date, day }] as const] : [];
    }),
  );
}

/**
 * The classes of a series follow its days: what became live is held, what no longer is falls out, what moved or has another practice
 * moves and changes along. A plan that was published, or made another by hand, is never changed here: what differs is said by the
 * checks. What is past stays as it was.
 * @param before null for a new series
 * @returns the course of its live days
 */
export async function followLive(
  at: Writing<Staff>,
  before: Live | null,
  now: Live,
  { minutes = USUAL_LIVE_MINUTES, back = false } = {},
): Promise<string | null> {
  const [was, is] = [before ? liveDays(before) : new Map<number, LiveDay>(), liveDays(now)];
  const existing = now.liveCourse;
  if (is.size === 0 && !existing) return null;
  const pairs = pairsOf(was, is);
  const moved = pairs.flatMap((pair) => (pair.is && pair.is.date !== pair.was?.date && pair.is.date >= at.today ? [pair.is.date] : []));
  const closed = await closedDates(at, moved);
  if (closed.length > 0) throw new Refusal('closed', `The studio is closed on ${dayText(closed[0])}, where a live day would be.`);
  const id = existing ?? (await addLiveCourse(at, now, minutes));
  if (existing && before) await followFacts(at, existing, before, now);
  const { planning } = await seriesSetting(at, now.cohort);
  const all = existing ? await allSessionsOf(at, [id]) : [];
  const follow: Following = {
    at,
    now,
    pairs,
    course: await course(at, id),
    classes: all.filter(({ cancelled }) => !cancelled),
    cancelled: all.filter(({ cancelled }) => cancelled !== null),
    back,
    planOf: ({ date, day }, long) => planOf(at, now, date, day, long, planning),
  };
  await endClasses(follow);
  if (before) await changeClasses(follow, before.asked.start);
  await addNew(follow);
  return id;
}

/** A live day as it was and as it is; one of them null where it became live, or is so no longer. */
type Pair = Both | { readonly was: LiveDay; readonly is: null } | { readonly was: null; readonly is: LiveDay };
interface Both {
  readonly was: LiveDay;
  readonly is: LiveDay;
}

/**
 * What became of each live day: one that only moved takes its class along; else the class of a date goes on with what its date has now,
 * and else with what its place in the series has.
 */
function pairsOf(before: ReadonlyMap<number, LiveDay>, now: ReadonlyMap<number, LiveDay>): Pair[] {
  const [was, is] = [new Map(before), new Map(now)];
  const ways: ((at: number, day: LiveDay) => number | undefined)[] = [
    (at, { day }) => (alike(was.get(at)?.day.blocks ?? [], day.blocks) ? at : undefined),
    (_, { date }) => [...was].find(([, one]) => one.date === date)?.[0],
    (at) => at,
  ];
  const both = ways.flatMap((way) =>
    [...is].flatMap(([at, day]) => {
      const from = way(at, day);
      const there = from === undefined ? undefined : was.get(from);
      if (from === undefined || !there) return [];
      was.delete(from);
      is.delete(at);
      return [{ was: there, is: day }];
    }),
  );
  return [...both, ...[...was.values()].map((one) => ({ was: one, is: null })), ...[...is.values()].map((one) => ({ was: null, is: one }))];
}

interface Following {
  readonly at: Writing<Staff>;
  readonly now: Live;
  readonly pairs: readonly Pair[];
  readonly course: Course;
  readonly classes: readonly Session[];
  readonly cancelled: readonly Session[];
  /** A change is taken back, or done again: what there was is put back as it was. */
  readonly back: boolean;
  readonly planOf: (day: LiveDay, minutes: number) => readonly Block[];
}

/** Classes of days that are live no longer fall out; of those that were published, only where the series ends. */
async function endClasses({ at, now, pairs, course: of, classes }: Following): Promise<void> {
  const ended = pairs.flatMap(({ was, is }) => (is !== null || was.date < at.today ? [] : classes.filter(({ date }) => date === was.date)));
  const published = ended.filter((one) => one.published > 0);
  if (published.length > 0 && !now.stoppedOn)
    throw new Refusal('late', 'The plan of this class is published. Cancel the class first; then the day can change.');
  for (const there of ended) {
    const reason = there.published > 0 ? STOPPED : null;
    await changeClass(at, there.id, there.version, { cancelled: { reason, by: at.who.id, at: at.now.toISOString() } });
  }
  const lost = published.map((session) => ({ session, reason: STOPPED }));
  await tellCancelled(at, of, lost);
}

/** @param start the hour the series had before */
async function changeClasses({ at, now, pairs, classes, planOf: planned }: Following, start: string): Promise<void> {
  const both = pairs.filter((pair): pair is Both => pair.was !== null && pair.is !== null);
  // Each moves onto a day that is free by then: of those that come later the last first, of those that come earlier the first.
  const byDate = [...both].sort((a, b) => a.is.date.localeCompare(b.is.date));
  const later = byDate.filter(({ was, is }) => is.date > was.date).reverse();
  for (const { was: last, is: next } of [...later, ...byDate.filter(({ was, is }) => is.date <= was.date)]) {
    const there = classes.find((one) => one.date === last.date);
    if (!there || last.date < at.today || next.date < at.today) continue;
    const moves = next.date !== last.date || now.asked.start !== start;
    if (moves && there.published > 0)
      throw new Refusal('late', 'The plan of a live day that would move is published already. Cancel that class first.');
    // A plan that somebody made another by hand stays theirs.
    const other = !alike(next.day.blocks, last.day.blocks) && there.published === 0 && alike(techniquesIn(there.blocks), last.day.blocks);
    if (!moves && !other) continue;
    await changeClass(at, there.id, there.version, {
      date: next.date,
      start: there.start === start ? now.asked.start : there.start,
      ...(other ? { blocks: planned(next, there.minutes) } : {}),
    });
  }
}

/**
 * Days that became live are held; a class that fell out on that day is held after all, with the plan it had, as long as that is of the
 * day's practice, or it is only put back.
 */
async function addNew({ at, now, pairs, course: { id, minutes }, cancelled, planOf: planned, back }: Following): Promise<void> {
  const fresh = pairs.flatMap(({ was, is }) => (was || is.date < at.today ? [] : [is]));
  const again = fresh.flatMap((day) =>
    cancelled
      .filter(({ date }) => date === day.date)
      .slice(-1)
      .map((there) => ({ there, day })),
  );
  for (const { there, day } of again) {
    const asItWas = back || there.published > 0 || alike(techniquesIn(there.blocks), day.day.blocks);
    const to = { cancelled: null, start: now.asked.start, ...(asItWas ? {} : { blocks: planned(day, there.minutes) }) };
    await changeClass(at, there.id, there.version, to);
    if (there.published > 0) await askAgain(at, factsOf(now), there, to);
    if (there.cancelled?.reason) await tellHeldAfterAll(at, factsOf(now), [there]);
  }
  const others = fresh.filter((day) => !again.some((one) => one.day === day));
  await addClasses(
    at,
    { id, start: now.asked.start, minutes },
    others.map((day) => ({ date: day.date, blocks: planned(day, minutes) })),
  );
}

const STOPPED = 'the series was ended early';

const alike = (one: readonly { technique: string; pattern: string; dose: string }[], other: typeof one) =>
  one.length === other.length &&
  one.every(({ technique, pattern, dose }, at) => technique === other[at].technique && pattern === other[at].pattern && dose === other[at].dose);

/** The plan of a live day's class: the day's practice, and what stands around it. */
function planOf(at: Writing<Staff>, of: Live, date: IsoDate, day: SeriesDay, minutes: number, planning: Planning): readonly Block[] {
  const techniques = day.blocks.map((block) => ({ ...block, id: at.newId() }));
  const dates = datesOf(of);
  const place = { at: dates.indexOf(date), classes: dates.length, talk: false };
  return framed({ id: '', date, start: of.asked.start, minutes, blocks: [], fixed: false }, techniques, place, planning, at.newId).blocks;
}

const factsOf = (of: Live) => ({
  name: `${of.name}, live`,
  teacher: of.teacher,
  weeks: Math.ceil(of.days.length / 7),
  weekdays: of.asked.live.length > 0 ? of.asked.live : [...new Set(datesOf(of).map(weekday))],
  start: of.asked.start,
});

async function addLiveCourse(at: Writing<Staff>, of: Live, minutes: number): Promise<string> {
  const id = at.newId();
  const { firstDate, cohort } = of;
  await addCourse(at, {
    id,
    ...factsOf(of),
    cohort,
    firstDate,
    minutes,
    goals: [],
    settled: false,
    arc: USUAL_ARC,
    single: false,
    copiedFrom: null,
    classes: [],
  });
  return id;
}

async function followFacts(at: Writing<Staff>, id: string, before: Live, now: Live): Promise<void> {
  const [was, is] = [factsOf(before), factsOf(now)];
  if (JSON.stringify(was) !== JSON.stringify(is)) await changeFacts(at, id, (await course(at, id)).version, is);
}

/** A series that is taken off takes its live days with it; of what was published whoever has the plan hears. */
export async function removeLive(at: Writing<Staff>, of: Live): Promise<void> {
  if (!of.liveCourse) return;
  await followLive(at, of, { ...of, stoppedOn: at.today < of.firstDate ? of.firstDate : at.today });
  const published = (await allSessionsOf(at, [of.liveCourse])).some((one) => one.published > 0);
  if (!published) await changeFacts(at, of.liveCourse, (await course(at, of.liveCourse)).version, { removedAt: at.now });
}
