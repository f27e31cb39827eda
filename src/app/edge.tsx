import 'server-only';
import { OptimisticLockError } from '@mikro-orm/core';
import { cookies, headers } from 'next/headers';
import { redirect } from 'next/navigation';
import pino from 'pino';
import { cache, type ReactNode } from 'react';
import { whoHas, type SignedIn } from '@/server/auth/signin';
import { freshManager } from '@/server/db/orm';
import { deskFor, type Desk } from '@/server/desk';
import { Refusal, REFUSALS } from '@/server/errors';
import type { Reply } from '@/ui/forms/reply';
import { Refused } from '@/ui/shell/Refused';

/** Where requests come in: who is asking, and how every failure is answered. */

export const COOKIE = 'oaken-session';
const log = pino({ name: 'oaken-ladder' });

/** Who is signed in, asked once a request; null when nobody is. */
export const signedIn = cache(async (): Promise<SignedIn | null> => {
  const token = (await cookies()).get(COOKIE)?.value;
  return token ? whoHas(await freshManager(), token, new Date()) : null;
});

/** Renders a page at the signed-in person's desk; signed-out people are sent to sign in, refusals become a page. */
export async function seated(render: (desk: Desk) => Promise<ReactNode>): Promise<ReactNode> {
  const who = await signedIn();
  if (!who) redirect(`/sign-in?next=${encodeURIComponent((await headers()).get('x-path') ?? '/')}`);
  try {
    return await render(await deskFor(who, new Date()));
  } catch (error) {
    if (error instanceof Refusal) return <Refused message={error.message} />;
    throw error;
  }
}

/** Runs a use case for a server action or a route handler and turns what it refuses into a reply. */
export async function reply<T>(work: (desk: Desk) => Promise<T>): Promise<Reply<T>> {
  try {
    const who = await signedIn();
    if (!who) throw new Refusal('signed-out');
    return { ok: true, value: await work(await deskFor(who, new Date())) };
  } catch (error) {
    return refusalReply(error);
  }
}

/** A failure as data: refusals as they are, a lost race as a clash, anything else logged and told plainly. */
export function refusalReply(error: unknown): Extract<Reply<never>, { ok: false }> {
  if (error instanceof Refusal) return { ok: false, code: error.code, message: error.message, fields: error.fields };
  if (error instanceof OptimisticLockError) return { ok: false, code: 'clash', message: REFUSALS.clash, fields: [] };
  // Where it broke and what kind of failure it was; a message may carry what somebody typed, and is left out.
  const frames = error instanceof Error ? (error.stack ?? '').split('\n').filter((line) => line.startsWith('    at ')) : [];
  log.error({ error: error instanceof Error ? { name: error.name, frames } : 'not an error' }, 'a request broke');
  return {
    ok: false,
    code: 'broken',
    message: 'Something broke on our side. Nothing was saved, and what you typed is still here. Try again in a moment.',
    fields: [],
  };
}
