import type { OwnWay } from '@/core/plan';
import { OwnWayRow, OwnWayVersionRow } from '../db/rows';
import { readRows } from '../db/read';
import { once, type Desk } from '../desk';
import { ours } from './studio';

/** One saved version of a studio's own way of doing a technique. */
export interface WayVersion {
  readonly number: number;
  readonly pattern: string;
  readonly dose: string;
  readonly savedBy: string;
  readonly savedAt: Date;
}

/** A studio's own way, built on a shipped technique: that is where its place on the ladder and its cues come from. */
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
export function ways(desk: Desk): Promise<Way[]> {
  return once(desk, 'own ways', async () => {
    const [rows, versions] = await Promise.all([
      readRows(desk, OwnWayRow, ours(desk), { orderBy: { name: 'asc' } }),
      readRows(desk, OwnWayVersionRow, ours(desk), { orderBy: { number: 'asc' } }),
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
