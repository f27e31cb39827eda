import { addDays, daysBetween, type IsoDate } from '../units';
import type { Edge } from './edges';

/** What a technique needs directly. */
export function needsOf(ladder: readonly Edge[], id: string): readonly Edge[] {
  return ladder.filter(({ to }) => to === id);
}

/** What a technique opens directly. */
export function opens(ladder: readonly Edge[], id: string): readonly Edge[] {
  return ladder.filter(({ needs }) => needs === id);
}

/**
 * Everything a technique stands on, nearest first, without itself.
 * @example wayDown(LADDER, '4-7-8').includes('equal-4-4') // true
 */
export function wayDown(ladder: readonly Edge[], id: string): string[] {
  return reach(id, (at) => needsOf(ladder, at).map(({ needs }) => needs));
}

/** Everything that stands on a technique, nearest first, without itself. */
export function wayUp(ladder: readonly Edge[], id: string): string[] {
  return reach(id, (at) => opens(ladder, at).map(({ to }) => to));
}

function reach(from: string, step: (id: string) => readonly string[]): string[] {
  const seen = new Set([from]);
  for (const id of seen) for (const other of step(id)) seen.add(other);
  seen.delete(from);
  return [...seen];
}

/** A circle in the ladder as the techniques on it, or null. */
export function findCircle(ladder: readonly Edge[]): string[] | null {
  for (const { to } of ladder) {
    if (wayDown(ladder, to).some((below) => needsOf(ladder, below).some(({ needs }) => needs === to))) {
      return [to, ...wayDown(ladder, to).filter((below) => wayDown(ladder, below).includes(to))];
    }
  }
  return null;
}

/**
 * The height of a technique above the ground, for drawing only: the longest way down.
 * @example heightOf(LADDER, 'natural') // 0
 */
export function heightOf(ladder: readonly Edge[], id: string, known = new Map<string, number>()): number {
  const cached = known.get(id);
  if (cached !== undefined) return cached;
  known.set(id, 0);
  const height = Math.max(-1, ...needsOf(ladder, id).map(({ needs }) => heightOf(ladder, needs, known))) + 1;
  known.set(id, height);
  return height;
}

/** On which dates each technique was practised; the first is its introduction. */
export type Practised = ReadonlyMap<string, readonly IsoDate[]>;

/** What still stands between a cohort and a technique on a date. */
export interface Shortfall extends Edge {
  readonly had: number;
  /** The first date on which the days are over; null when it was never introduced. */
  readonly openFrom: IsoDate | null;
  readonly kind: 'too few sessions' | 'too soon';
}

/**
 * Which needs are not met on a date. What the cohort already practises counts as met.
 * @param practised dates before this session only
 */
export function shortfalls(ladder: readonly Edge[], id: string, date: IsoDate, practised: Practised, already: ReadonlySet<string>): Shortfall[] {
  return needsOf(ladder, id).flatMap((edge): Shortfall[] => {
    if (already.has(edge.needs)) return [];
    const dates = (practised.get(edge.needs) ?? []).filter((on) => on < date);
    const openFrom = dates.length > 0 ? addDays(dates[0], edge.days) : null;
    if (dates.length < edge.sessions) return [{ ...edge, had: dates.length, openFrom, kind: 'too few sessions' }];
    return daysBetween(dates[0], date) < edge.days ? [{ ...edge, had: dates.length, openFrom, kind: 'too soon' }] : [];
  });
}

/**
 * The fewest sessions that must come before a technique, when one new thing is taught a session and nothing is known.
 * @example sessionsBefore(LADDER, 'belly', new Set(['natural'])) // 0
 */
export function sessionsBefore(ladder: readonly Edge[], id: string, already: ReadonlySet<string>): number {
  const open = needsOf(ladder, id).filter(({ needs }) => !already.has(needs));
  return Math.max(0, ...open.map((edge) => sessionsBefore(ladder, edge.needs, already) + edge.sessions));
}
