import { Refusal } from './errors';

/** What comes in from outside, before anything is done with it. */

/** Bytes that may come in: for forms and logs, and for files. */
export const BODY_LIMITS = { form: 256_000, personal: 64_000, file: 2_000_000 } as const;

/**
 * A request's body as text, read no further than its limit, whatever the request says of its own length.
 * @throws Refusal `too-large` as soon as the limit is passed
 */
export async function limitedText(request: Request, most: number): Promise<string> {
  if (Number(request.headers.get('content-length') ?? 0) > most) throw new Refusal('too-large');
  const reader = request.body?.getReader();
  if (!reader) return '';
  const parts: Uint8Array[] = [];
  let size = 0;
  for (;;) {
    const { done, value } = await reader.read();
    if (done) break;
    size += value.byteLength;
    if (size > most) {
      await reader.cancel();
      throw new Refusal('too-large');
    }
    parts.push(value);
  }
  return Buffer.concat(parts).toString('utf8');
}

/**
 * The address a request comes from. What a proxy says of it is believed only when the proxy itself was named in OAKEN_PROXIES, a
 * list of addresses: then it is the last one in `x-forwarded-for` that is not one of ours.
 * @param socket the address at the other end of the connection, as the server put it into the first header it owns
 * @example addressOf('127.0.0.1', '10.0.0.7, 127.0.0.1', ['127.0.0.1']) // "10.0.0.7"
 */
export function addressOf(socket: string, forwarded: string | null, proxies: readonly string[]): string {
  const chain = [...(forwarded ?? '').split(',').map((one) => plain(one.trim())), plain(socket)].filter((one) => one !== '');
  const known = new Set(proxies.map(plain));
  for (let index = chain.length - 1; index > 0; index -= 1) if (!known.has(chain[index])) return chain[index];
  return chain[0] ?? 'unknown';
}

const plain = (address: string) => address.replace(/^::ffff:/, '');

/** The proxies that were named. */
export function namedProxies(): readonly string[] {
  return (process.env.OAKEN_PROXIES ?? '')
    .split(',')
    .map((one) => one.trim())
    .filter((one) => one !== '');
}

/** Whether a request may change something: it comes from one of our own pages. @param origin what the browser says; null when it says nothing */
export function isOurs(origin: string | null, ours: string): boolean {
  if (origin === null) return true;
  try {
    return new URL(origin).origin === ours;
  } catch {
    return false;
  }
}

/**
 * A path of ours that somebody may be sent to after signing in; the first page for anything else.
 * @example ourPath('/teach?log') // "/teach?log"
 * @example ourPath('//evil.example') // "/"
 */
export function ourPath(next: string | null | undefined): string {
  if (!next || !/^\/[\x21-\x7e]*$/.test(next) || next.includes('\\')) return '/';
  const ours = 'http://ours.invalid';
  try {
    const url = new URL(next, ours);
    return url.origin === ours && !url.pathname.startsWith('//') ? `${url.pathname}${url.search}${url.hash}` : '/';
  } catch {
    return '/';
  }
}
