import 'server-only';
import { cookies, headers } from 'next/headers';
import { redirect } from 'next/navigation';
import pino from 'pino';
import { cache, type ReactNode } from 'react';
import type { SignedIn } from '@/server/auth/actors';
import { whoHas } from '@/server/auth/signin';
import { freshManager, type EntityManager } from '@/server/db/orm';
import { deskFor, type Desk } from '@/server/desk';
import { addressOf, limitedText, namedProxies } from '@/server/doors';
import { asClash, Refusal } from '@/server/errors';
import { isSecret, linkCookie, type LinkKind } from '@/server/links';
import { overHttps } from '@/server/origin';
import type { Reply } from '@/ui/forms/reply';
import { Refused } from '@/ui/shell/Refused';

/** Where requests come in: who is asking, and how every failure is answered. */

export const COOKIE = 'oaken-session';
/** By it a device is known from which somebody has signed in before. */
export const DEVICE_COOKIE = 'oaken-device';
const log = pino({ name: 'oaken-ladder' });

/** How our cookies are kept: never readable by a script, and for https alone wherever that is how we are reached. */
export function cookieOptions() {
  return { httpOnly: true, sameSite: 'lax', secure: overHttps(), path: '/' } as const;
}

/** Who is signed in, asked once a request; null when nobody is. */
export const signedIn = cache(async (): Promise<SignedIn | null> => {
  const token = (await cookies()).get(COOKIE)?.value;
  return token ? whoHas(await freshManager(), token, new Date()) : null;
});

/** The desk that a page and what stands around it share; null when nobody is signed in. */
export const ownDesk = cache(async (): Promise<Desk<SignedIn> | null> => {
  const who = await signedIn();
  return who && deskFor(who, new Date());
});

/** The address this request comes from. */
export async function ownAddress(): Promise<string> {
  const from = await headers();
  return addressOf(from.get('x-oaken-socket') ?? 'unknown', from.get('x-forwarded-for'), namedProxies());
}

/**
 * The secret of a link whose key stands in the address; the empty text where this browser has not opened the link.
 * @param key the key, or the secret itself where a page from before sends it
 */
export async function secretOf(kind: LinkKind, key: string): Promise<string> {
  return isSecret(key) ? key : ((await cookies()).get(linkCookie(kind, key))?.value ?? '');
}

/** Opens what a link is for, or says why it is closed. */
export async function openedLink<T>(
  kind: LinkKind,
  key: string,
  work: (em: EntityManager, token: string, address: string, now: Date) => Promise<T>,
): Promise<T | { readonly closed: string }> {
  const token = await secretOf(kind, key);
  if (token === '') return { closed: 'This browser does not know this page any more. Open it by the link in your mail.' };
  try {
    return await work(await freshManager(), token, await ownAddress(), new Date());
  } catch (error) {
    if (error instanceof Refusal) return { closed: error.message };
    throw error;
  }
}

/** Renders a page at the signed-in person's desk; signed-out people are sent to sign in, refusals become a page. */
export async function seated(render: (desk: Desk) => Promise<ReactNode>): Promise<ReactNode> {
  const desk = await ownDesk();
  if (!desk) redirect(`/sign-in?next=${encodeURIComponent((await headers()).get('x-path') ?? '/')}`);
  try {
    return await render(desk);
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

const STATUS: Readonly<Record<string, number>> = {
  'signed-out': 401,
  'not-allowed': 403,
  'not-found': 404,
  another: 409,
  clash: 409,
  'too-large': 413,
  'too-many': 429,
  broken: 500,
};

/** Runs a use case on what was sent as JSON: who is asking is known before anything is read, and it is read no further than its limit. */
export async function jsonReply<T>(request: Request, most: number, work: (desk: Desk, input: unknown) => Promise<T>): Promise<Response> {
  const answer = await reply(async (desk) => {
    const text = await limitedText(request, most);
    return work(desk, parsed(text));
  });
  return Response.json(answer, { status: answer.ok ? 200 : (STATUS[answer.code] ?? 422), headers: { 'cache-control': 'no-store' } });
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    throw new Refusal('invalid', 'This could not be read.');
  }
}

/** A failure as data: refusals as they are, a lost race as a clash, anything else logged and told plainly. */
export function refusalReply(thrown: unknown): Extract<Reply<never>, { ok: false }> {
  const error = asClash(thrown);
  if (error instanceof Refusal) return { ok: false, code: error.code, message: error.message, fields: error.fields };
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
