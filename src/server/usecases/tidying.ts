import { ATTEMPT_LIMITS } from '../auth/attempts';
import type { EntityManager } from '../db/orm';
import { forgetChanges } from '../repositories/changes';
import { dropDone } from '../repositories/done';
import { sweepTables } from '../repositories/people';
import { forgetAttempts } from '../repositories/signIns';

/** What is sent again is sent within days; an id is remembered that long. */
const REMEMBERED_DAYS = 30;

/** For how long every line about a change is kept; a transaction lasts seconds. */
const LINES_KEPT = 3_600_000;

/** Takes out what was said of changes and has been said again since. */
export async function thinChanges(em: EntityManager, now: Date): Promise<number> {
  return forgetChanges(em, new Date(now.getTime() - LINES_KEPT));
}

/** Forgets what was asked for once, and what was tried, long ago. */
export async function forgetDone(em: EntityManager, now: Date): Promise<number> {
  await forgetAttempts(em.fork(), new Date(now.getTime() - ATTEMPT_LIMITS.window));
  return dropDone(em, new Date(now.getTime() - REMEMBERED_DAYS * 86_400_000));
}

/** Rewrites the tables that held what was erased. */
export async function sweepErased(em: EntityManager): Promise<void> {
  await sweepTables(em);
}
