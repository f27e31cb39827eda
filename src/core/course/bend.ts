import { techniquesIn, type Block } from '../plan';
import type { IsoDate } from '../units';
import { inTimeOrder } from './checks';
import type { CourseSession } from './types';

/** What to do when classes fall out: the rest moves on by one, is drafted anew, stays as it is, or gets classes at the end. */
export const BENDS = ['shift', 'reflow', 'drop', 'add'] as const;
export type Bend = (typeof BENDS)[number];

/** Open classes on the days they are to have. */
export interface Placing<Of> {
  readonly moved: readonly { readonly session: Of; readonly to: IsoDate }[];
  readonly added: readonly IsoDate[];
  readonly gone: readonly Of[];
}

/**
 * Puts open classes on days, the first on the first: their order, and so what comes before what, stays as it is.
 * @example placedOn([{ date: tue }, { date: fri }], [wed]) // { moved: [{ session: …, to: wed }], added: [], gone: [{ date: fri }] }
 */
export function placedOn<Of extends { readonly date: IsoDate }>(open: readonly Of[], days: readonly IsoDate[]): Placing<Of> {
  const pairs = open.slice(0, days.length).map((session, index) => ({ session, to: days[index] }));
  return { moved: pairs.filter(({ session, to }) => session.date !== to), added: days.slice(open.length), gone: open.slice(days.length) };
}

/** What the classes that stay hold once others have fallen out. */
export interface Bent {
  /** The open classes whose blocks become others. */
  readonly sessions: readonly { readonly id: string; readonly blocks: readonly Block[] }[];
  /** Classes that are added, with their blocks. */
  readonly added: readonly { readonly date: IsoDate; readonly blocks: readonly Block[] }[];
  /** Names of techniques' ids that no class holds any more, from the end of the course. */
  readonly over: readonly Block[][];
}

/**
 * Lets what fell out move on into the open classes after it, one by one; what is left over at the end goes into days that are
 * added, or is over.
 * @param lost ids of the classes that fall out; what they held moves on
 * @param days where a class could be added after the last
 */
export function shifted(sessions: readonly CourseSession[], lost: ReadonlySet<string>, days: readonly IsoDate[]): Bent {
  const ordered = inTimeOrder(sessions);
  const first = ordered.findIndex(({ id }) => lost.has(id));
  const after = first < 0 ? [] : ordered.slice(first);
  const held = after.filter(({ id, fixed }) => lost.has(id) || !fixed).map(({ blocks }) => blocks);
  const open = after.filter(({ id, fixed }) => !lost.has(id) && !fixed);
  const left = held.slice(open.length).filter((blocks) => techniquesIn(blocks).length > 0);
  return {
    sessions: open.map(({ id }, index) => ({ id, blocks: held[index] })),
    added: left.slice(0, days.length).map((blocks, index) => ({ date: days[index], blocks })),
    over: left.slice(days.length).map((blocks) => [...blocks]),
  };
}
