import type { EntityManager } from '../db/orm';
import { dropDone } from '../repositories/done';
import { sweepTables } from '../repositories/people';

/** What is sent again is sent within days; an id is remembered that long. */
const REMEMBERED_DAYS = 30;

/** Forgets what was asked for once, long ago. */
export async function forgetDone(em: EntityManager, now: Date): Promise<number> {
  return dropDone(em, new Date(now.getTime() - REMEMBERED_DAYS * 86_400_000));
}

/** Rewrites the tables that held what was erased. */
export async function sweepErased(em: EntityManager): Promise<void> {
  await sweepTables(em);
}
