import type { IncomingMessage, ServerResponse } from 'node:http';

/**
 * How many requests are worked on at a time, how long others wait for their turn, and how many may wait at all. One that is not answered
 * gives its place back after a while: a request that is never answered would keep it for ever.
 */
export const CROWD_LIMITS = { atOnce: 8, waitMs: 3000, waiting: 400, againSeconds: 3, heldMs: 20_000 } as const;

/** What a class, a person's form or their own day needs comes before whatever else is asked. */
const FIRST = /^\/(teach|form|day|api\/(form|day|log|sign))(\/|$|\?)/;
/** What costs nothing waits for nobody. */
const FREE = /^\/(_next\/static\/|health$|sw\.js$|icon)/;

interface Waiting {
  readonly go: () => void;
  /** Turns it away where its time is over: a timer comes late while much is worked on. */
  readonly late: () => boolean;
  readonly first: boolean;
  over: boolean;
}

/**
 * Lets so many requests through at a time, the others in turn, those that cannot wait first; whoever has waited too long is told to come
 * again, by a page that does so by itself. Nothing that was let through is ever given up.
 */
export function crowd(heldMs: number = CROWD_LIMITS.heldMs) {
  let active = 0;
  const queues: Record<'first' | 'then', Waiting[]> = { first: [], then: [] };
  const next = () => {
    while (active < CROWD_LIMITS.atOnce) {
      const one = queues.first.shift() ?? queues.then.shift();
      if (!one) return;
      if (!one.over && !one.late()) one.go();
    }
  };
  return (request: IncomingMessage, response: ServerResponse, work: () => void): void => {
    const path = request.url ?? '/';
    if (FREE.test(path)) return work();
    const go = () => {
      active += 1;
      let done = false;
      const giveBack = () => {
        clearTimeout(held);
        if (done) return;
        done = true;
        active -= 1;
        next();
      };
      const held = setTimeout(giveBack, heldMs);
      response.once('close', giveBack);
      work();
    };
    if (active < CROWD_LIMITS.atOnce) return go();
    const first = FIRST.test(path);
    if (queues.first.length + queues.then.length >= CROWD_LIMITS.waiting && !first) return turnAway(request, response);
    const until = performance.now() + CROWD_LIMITS.waitMs;
    const giveUp = () => {
      waiting.over = true;
      turnAway(request, response);
    };
    const timer = setTimeout(giveUp, CROWD_LIMITS.waitMs);
    const waiting: Waiting = {
      first,
      over: false,
      late: () => {
        if (performance.now() < until) return false;
        clearTimeout(timer);
        giveUp();
        return true;
      },
      go: () => {
        clearTimeout(timer);
        go();
      },
    };
    // Whoever went away meanwhile keeps nobody waiting.
    response.once('close', () => {
      waiting.over ||= !response.writableEnded && !response.headersSent;
      clearTimeout(timer);
    });
    queues[first ? 'first' : 'then'].push(waiting);
  };
}

const TEXT = 'Many people are here at this moment. This page tries again by itself in a few seconds; nothing is lost.';

function turnAway(request: IncomingMessage, response: ServerResponse): void {
  if (response.headersSent || response.writableEnded) return;
  const page = request.headers.accept?.includes('text/html') && request.method === 'GET' && !request.headers.rsc;
  response.writeHead(503, {
    'retry-after': String(CROWD_LIMITS.againSeconds),
    'cache-control': 'no-store',
    'content-type': page ? 'text/html; charset=utf-8' : 'application/json',
  });
  response.end(
    page
      ? `<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width"><meta http-equiv="refresh" content="${CROWD_LIMITS.againSeconds}"><title>One moment</title></head><body><main><h1>One moment</h1><p>${TEXT}</p></main></body></html>`
      : JSON.stringify({ ok: false, code: 'crowded', message: TEXT, fields: [] }),
  );
  // What was sent along is not read any further.
  request.resume();
}
