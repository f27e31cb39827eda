import type { EntityManager } from '../db/orm';
import { DoneRow } from '../db/rows';

/** Forgets ids of forms from before a moment, in every studio. */
export function dropDone(em: EntityManager, before: Date): Promise<number> {
  return em.nativeDelete(DoneRow, { at: { $lt: before } }, { filters: false });
}
