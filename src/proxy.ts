import { NextResponse, type NextRequest } from 'next/server';
import { BODY_LIMITS, isOurs } from './server/doors';
import { carried, LINKS } from './server/links';
import { ourOrigin, overHttps } from './server/origin';

/** Bytes that may come in, by where to: nothing of what is larger is read. */
const MOST: readonly (readonly [path: RegExp, bytes: number])[] = [
  [/^\/api\/form\//, BODY_LIMITS.personal],
  [/^\/api\/(day|sign-up)\//, BODY_LIMITS.personal],
  [/^\/api\/(log|sign)$/, BODY_LIMITS.form],
  [/^\/api\/wording$/, BODY_LIMITS.personal],
  [/^\/api\/files\//, BODY_LIMITS.file],
];
/** Whoever is not signed in sends an e-mail and a password at most. */
const STRANGER = 8_000;

/** A strict content security policy with a nonce for every page; nothing inline but what carries it. What would change something is looked at first. */
export function proxy(request: NextRequest): NextResponse {
  const refused = request.method === 'GET' || request.method === 'HEAD' ? null : sentAway(request);
  if (refused) return refused;
  const secret = request.method === 'GET' ? carried(request.nextUrl.pathname) : null;
  if (secret) {
    const to = request.nextUrl.clone();
    to.pathname = secret.to;
    const away = NextResponse.redirect(to, { status: 303, headers: { 'cache-control': 'no-store' } });
    away.cookies.set(secret.cookie, secret.token, { httpOnly: true, sameSite: 'lax', secure: overHttps(), path: '/', maxAge: LINKS[secret.kind] });
    return away;
  }
  const nonce = Buffer.from(crypto.randomUUID()).toString('base64');
  const development = process.env.NODE_ENV === 'development' ? " 'unsafe-eval'" : '';
  const policy = [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'${development}`,
    `style-src 'self' 'nonce-${nonce}'`,
    "style-src-attr 'unsafe-inline'",
    "img-src 'self' data:",
    "font-src 'self'",
    "connect-src 'self'",
    "worker-src 'self'",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ');
  const headers = new Headers(request.headers);
  headers.set('x-nonce', nonce);
  headers.set('x-path', request.nextUrl.pathname + request.nextUrl.search);
  headers.set('content-security-policy', policy);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set('content-security-policy', policy);
  return response;
}

function asleep(): NextResponse {
  const text = 'This page was not ready yet, so nothing was sent. Go back with your browser: what you typed is still there. It needs JavaScript.';
  const page = `<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>Not sent yet</title></head><body><main><h1>Not sent yet</h1><p>${text}</p></main></body></html>`;
  return new NextResponse(page, { status: 405, headers: { 'content-type': 'text/html; charset=utf-8', 'cache-control': 'no-store' } });
}

/** Why a request that would change something goes no further; null when it may. Nothing of its body has been read. */
function sentAway(request: NextRequest): NextResponse | null {
  const say = (status: number, message: string) => NextResponse.json({ ok: false, code: 'not-allowed', message, fields: [] }, { status });
  const origin = request.headers.get('origin');
  const here = `${request.nextUrl.protocol}//${request.headers.get('host')}`;
  if (!isOurs(origin, ourOrigin()) && !isOurs(origin, here)) return say(403, 'What changes something comes from our own pages only.');
  const { pathname } = request.nextUrl;
  const type = request.headers.get('content-type') ?? '';
  // A form that needs its page awake, from a browser without scripts: nothing is taken, and nothing is lost.
  if (request.method === 'POST' && type.startsWith('application/x-www-form-urlencoded') && !pathname.startsWith('/api/')) return asleep();
  // Actions come from pages that are awake, or as the form that any browser sends before that.
  const action =
    request.method === 'POST' && (request.headers.has('next-action') || (type.startsWith('multipart/form-data') && !pathname.startsWith('/api/')));
  const most = action ? (request.cookies.has('oaken-session') ? BODY_LIMITS.form : STRANGER) : MOST.find(([path]) => path.test(pathname))?.[1];
  if (request.method !== 'POST' || most === undefined) return say(405, 'Nothing is taken here.');
  const length = request.headers.get('content-length');
  if (length === null || !/^\d+$/.test(length)) return say(411, 'How long it is has to be said first.');
  return Number(length) > most ? say(413, 'This is larger than anything that belongs here. Nothing of it was read.') : null;
}

export const config = { matcher: ['/((?!_next/static|_next/image|favicon|icon|health|sw.js).*)'] };
