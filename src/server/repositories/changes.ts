import type { Actor } from '../auth/actors';
import type { EntityManager } from '../db/orm';
import type { Desk } from '../desk';

/** Where everything of a studio stands: by what it is about, and all of it. */
export interface Revisions {
  readonly each: ReadonlyMap<string, string>;
  readonly whole: string;
}

/** What changed so far. Lines that are committed later count whatever their number is, so it is never the last one alone. */
export async function revisions({ em, who }: Desk<Actor>): Promise<Revisions> {
  const rows = await em
    .getConnection()
    .execute<{ about: string; at: string }[]>(
      `select about, max(id) || '-' || sum(id) || '-' || count(*) as at from change where studio = ? group by about`,
      [who.studio],
      'all',
      em.getTransactionContext(),
    );
  return {
    each: new Map(rows.map(({ about, at }) => [about, at])),
    whole: rows
      .map(({ about, at }) => about + at)
      .sort()
      .join(),
  };
}

/** Takes out lines of before a moment that a later one of the same makes needless. @returns how many */
export async function forgetChanges(em: EntityManager, before: Date): Promise<number> {
  const { affectedRows } = await em.getConnection().execute<{ affectedRows: number }>(
    `delete from change c using (select studio, about, max(id) as last from change where at < ? group by studio, about) k
      where c.studio = k.studio and c.about = k.about and c.id < k.last`,
    [before],
    'run',
  );
  return affectedRows;
}
