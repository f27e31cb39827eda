import type { EntityManager } from '../db/orm';
import { PersonRow, VaultKeyRow } from '../db/rows';
import { rewrapped, Unopenable, vaultFrom, type Vault } from '../auth/vault';

/** Why what is sealed here cannot be opened with the key that is there. */
export class WrongKey extends Error {}

/**
 * Holds the master key against the fingerprint in the database. The first key a database sees is its own.
 * @throws WrongKey in words for whoever starts the application
 */
export async function checkKey(em: EntityManager, { fingerprint }: Pick<Vault, 'fingerprint'>, now: Date): Promise<void> {
  const own = await em.find(VaultKeyRow, {});
  if (own.length === 0) {
    await em.insert(VaultKeyRow, { fingerprint, since: now });
    return;
  }
  if (own.every((one) => one.fingerprint !== fingerprint))
    throw new WrongKey(
      'The master key is not the one this database was sealed with: no answer could be opened. Put the right master.key back and start again; nothing was changed.',
    );
}

/**
 * Wraps every person's key anew with another master key, and notes its fingerprint, all of it or none. What is sealed stays as it
 * is, since it is sealed with the person's own key; whoever was erased has none. The old master key opens nothing afterwards. A
 * key that opens with neither stays as it is: it keeps nobody else from a new one.
 * @returns how many keys were wrapped anew
 * @throws WrongKey when the old key opens nothing at all
 */
export async function rotateMasterKey(em: EntityManager, from: Buffer, to: Buffer, now: Date): Promise<number> {
  return em.transactional(async (at) => {
    const people = await at.find(PersonRow, { erasedAt: null }, { fields: ['id', 'wrappedKey'] });
    let wrapped = 0;
    for (const { id, wrappedKey } of people) {
      const anew = rewrappedIfItCan(wrappedKey, id, from, to);
      if (anew === null) continue;
      await at.nativeUpdate(PersonRow, { id }, { wrappedKey: anew });
      wrapped += 1;
    }
    if (people.length > 0 && wrapped === 0) throw new WrongKey('The master key opens nothing in this database; nothing was changed.');
    await at.nativeDelete(VaultKeyRow, {});
    await at.insert(VaultKeyRow, { fingerprint: vaultFrom(to).fingerprint, since: now });
    return wrapped;
  });
}

function rewrappedIfItCan(...[wrapped, person, from, to]: Parameters<typeof rewrapped>): string | null {
  try {
    return rewrapped(wrapped, person, from, to);
  } catch (error) {
    if (error instanceof Unopenable) return null;
    throw error;
  }
}

/** Whether a master key is the one this database was sealed with. */
export async function isOwnKey(em: EntityManager, { fingerprint }: Pick<Vault, 'fingerprint'>): Promise<boolean> {
  return (await em.count(VaultKeyRow, { fingerprint })) > 0;
}
