import type { EntityManager } from '../db/orm';
import { PersonRow } from '../db/rows';
import { rewrapped } from './vault';

/**
 * Wraps every person's key anew with another master key, all of them or none. What is sealed stays as it is, since it is sealed
 * with the person's own key; whoever was erased has none. The old master key opens nothing afterwards.
 * @returns how many keys were wrapped anew
 */
export async function rotateMasterKey(em: EntityManager, from: Buffer, to: Buffer): Promise<number> {
  return em.transactional(async (at) => {
    const people = await at.find(PersonRow, { erasedAt: null }, { fields: ['id', 'wrappedKey'] });
    for (const { id, wrappedKey } of people)
      await at.execute('update person set wrapped_key = ? where id = ?', [rewrapped(wrappedKey, from, to), id]);
    return people.length;
  });
}
