import type { OwnWay } from '@/core/plan';
import type { Actor, Staff } from '../auth/actors';
import { OwnWayRow, OwnWayVersionRow } from '../db/rows';
import { readRows } from '../db/read';
import { add, claim } from '../db/write';
import { once, type Desk, type Writing } from '../desk';

/** One saved version of a studio's own way of doing a technique. */
export interface WayVersion {
  readonly number: number;
  readonly pattern: string;
  readonly dose: string;
  readonly savedBy: string;
  readonly savedAt: Date;
}

/** A studio's own way, built on a technique: that is where its place on the ladder and its cues come from. */
export interface Way {
  readonly id: string;
  readonly base: string;
  readonly name: string;
  readonly archived: boolean;
  /** Counts changes, so that two people do not overwrite each other. */
  readonly version: number;
  /** From the first to the newest. */
  readonly versions: readonly WayVersion[];
}

/** Every own way of the studio, archived ones too, by name. */
export function ways(desk: Desk<Actor>): Promise<Way[]> {
  return once(desk, 'own ways', async () => {
    const [rows, versions] = await Promise.all([
      readRows(desk, OwnWayRow, {}, { orderBy: { name: 'asc' } }),
      readRows(desk, OwnWayVersionRow, {}, { orderBy: { number: 'asc' } }),
    ]);
    return rows.map(({ id, base, name, archived, version }) => ({
      id,
      base,
      name,
      archived,
      version,
      versions: versions.filter(({ way }) => way === id),
    }));
  });
}

/** The names that blocks carry for versions of own ways; null for one that is not the studio's. */
export async function ownWay(desk: Desk, id: string, number: number): Promise<(OwnWay & { readonly base: string }) | null> {
  const way = (await ways(desk)).find((one) => one.id === id);
  return way?.versions.some((one) => one.number === number) ? { id, number, name: way.name, base: way.base } : null;
}

/** How a way is done. */
interface Done {
  readonly pattern: string;
  readonly dose: string;
}

export async function addWay(at: Writing<Staff>, id: string, base: string, name: string, done: Done): Promise<void> {
  await add(at, OwnWayRow, { id, base, name, archived: false });
  await addVersion(at, id, 1, done);
}

/** The next version of a way that was seen at a version; it comes back into use. */
export async function addWayVersion(at: Writing<Staff>, { id, versions }: Way, seen: number, name: string, done: Done): Promise<number> {
  await claim(at, OwnWayRow, id, seen, { name, archived: false });
  const number = (versions.at(-1)?.number ?? 0) + 1;
  await addVersion(at, id, number, done);
  return number;
}

export async function archiveWay(at: Writing, id: string, seen: number): Promise<void> {
  await claim(at, OwnWayRow, id, seen, { archived: true });
}

async function addVersion(at: Writing<Staff>, way: string, number: number, done: Done): Promise<void> {
  await add(at, OwnWayVersionRow, { id: at.newId(), way, number, ...done, savedBy: at.who.id, savedAt: at.now });
}
