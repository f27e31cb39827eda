import { v7 as newId } from 'uuid';
import { beginForm } from '@/forms';
import { guessed, sleep } from '../../auth/signin';
import { checked } from '../../checked';
import type { EntityManager } from '../../db/orm';
import { invalid, Refusal } from '../../errors';
import { dropFirstCode, isFirstCode } from '../../firstCode';
import { anyStudio } from '../../repositories/studio';
import { openStudio } from './openStudio';

let known = false;

/** Whether a studio is here; once there is, there always will be one. */
export async function isBegun(em: EntityManager): Promise<boolean> {
  known ||= await anyStudio(em);
  return known;
}

const HERE = 'A studio is here already. Sign in, or ask its director to invite you.';

/**
 * Begins the first studio of an empty database, by the code that was shown where it was started.
 * @param wait holds an attempt back that is slowed down
 * @returns what its director signs in with
 * @throws Refusal `late` where a studio is here already, whoever was first
 */
export async function beginStudio(
  em: EntityManager,
  input: unknown,
  address: string,
  now: Date,
  wait: (ms: number) => Promise<void> = sleep,
): Promise<{ readonly email: string; readonly password: string }> {
  if (await anyStudio(em.fork())) throw new Refusal('late', HERE);
  const { code, studio, zone, name, email, password } = await checked(beginForm, input);
  const right = await guessed(em, { kind: 'begin', address, what: 'first page' }, now, false, wait, () => isFirstCode(code));
  if (!right) throw invalid({ field: 'code', message: 'This is not the code that was shown where Oaken Ladder was started.' });
  // Nobody is qualified for anything until somebody says so.
  const director = { name, email, role: 'director', password, qualifications: [] } as const;
  await openStudio(em, { name: studio, zone }, [director], newId, now, async (at) => {
    // Of two at once the second waits here, and finds the first one's studio.
    await at.em.execute("select pg_advisory_xact_lock(hashtext('oaken first studio'))");
    if (await anyStudio(at.em)) throw new Refusal('late', HERE);
  });
  await dropFirstCode();
  return { email, password };
}
