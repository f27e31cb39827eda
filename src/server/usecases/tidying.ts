import { ATTEMPT_LIMITS } from '../auth/attempts';
import type { EntityManager } from '../db/orm';
import { dropDone } from '../repositories/done';
import { sweepTables } from '../repositories/people';
import { forgetAttempts } from '../repositories/signIns';

/** What is sent again is sent within days; an id is remembered that long. */
const REMEMBERED_DAYS = 30;

/** Forgets what was asked for once, and what was tried, long ago. */
export async function forgetDone(em: EntityManager, now: Date): Promise<number> {
  await forgetAttempts(em.fork(), new Date(now.getTime() - ATTEMPT_LIMITS.window));
  return dropDone(em, new Date(now.getTime() - REMEMBERED_DAYS * 86_400_000));
}

/** Rewrites the tables that held what was erased. */
export async function sweepErased(em: EntityManager): Promise<void> {
  await sweepTables(em);
}
