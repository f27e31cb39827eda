import { readFileSync } from 'node:fs';

/** How writes go over the network in a storm: each is sent again until it is answered. */

const address = process.env.OAKEN_ADDRESS!;
export const sleep = (ms: number) => new Promise((soon) => setTimeout(soon, ms));

const manifest = JSON.parse(readFileSync('.next/server/server-reference-manifest.json', 'utf8')) as {
  readonly node: Readonly<Record<string, { readonly exportedName: string; readonly workers: object }>>;
};
/** Each action's number, and a page that knows it: the framework asks both. */
const actions = new Map(
  Object.entries(manifest.node).map(([id, { exportedName, workers }]) => [
    exportedName,
    {
      id,
      page: Object.keys(workers)[0]
        .replace(/^app|\/\([^)]*\)|\/page$/g, '')
        .replace(/\[[^\]]*\]/g, 'x'),
    },
  ]),
);

export interface Reply {
  readonly ok: boolean;
  readonly code?: string;
  readonly message?: string;
  readonly value?: Readonly<Record<string, unknown>>;
}

/** Sends once; null where no answer came, or one of a server that is going down. */
export async function post(path: string, headers: Readonly<Record<string, string>>, body: string): Promise<{ status: number; text: string } | null> {
  try {
    const answer = await fetch(new URL(path, address), {
      method: 'POST',
      redirect: 'manual',
      headers: { origin: process.env.OAKEN_ORIGIN ?? address, ...headers },
      body,
      signal: AbortSignal.timeout(20_000),
    });
    const text = await answer.text();
    return answer.status >= 500 ? null : { status: answer.status, text };
  } catch {
    return null;
  }
}

interface Counted {
  sent: number;
  again: number;
  acknowledged: number;
  refused: Map<string, number>;
}

export const counted = new Map<string, Counted>();
/** Whether the time is over: nothing is begun any more. */
export const time = { over: false };

/** Sends until there is an answer, the same each time; null where it was refused, or the hour was over before anybody answered. */
export async function until(kind: string, send: () => Promise<Reply | null>): Promise<Reply | null> {
  const count = counted.get(kind) ?? { sent: 0, again: 0, acknowledged: 0, refused: new Map() };
  counted.set(kind, count);
  count.sent += 1;
  for (let turn = 0; !time.over; turn += 1) {
    if (turn > 0) {
      count.again += 1;
      await sleep(300);
    }
    const answer = await send();
    // Nothing came, or "something broke on our side; nothing was saved": both are sent again.
    if (!answer || answer.code === 'broken' || answer.code === 'too-many') continue;
    if (answer.ok) {
      count.acknowledged += 1;
      return answer;
    }
    const why = `${answer.code}: ${answer.message ?? ''}`;
    count.refused.set(why, (count.refused.get(why) ?? 0) + 1);
    return null;
  }
  return null;
}

/** Answers of actions that were none, the last of each: shown at the end. */
export const odd = new Map<string, string>();

export const asJson = (text: string): Reply | null => {
  try {
    return JSON.parse(text) as Reply;
  } catch {
    return null;
  }
};

export function device(token: string, path: string, input: object) {
  return async (): Promise<Reply | null> => {
    const answer = await post(path, { cookie: `oaken-session=${token}`, 'content-type': 'application/json' }, JSON.stringify(input));
    return answer && asJson(answer.text);
  };
}

/** A server action as an awake page sends it; its answer is the row that begins with 1. */
export function action(token: string, name: string, input: object) {
  return async (): Promise<Reply | null> => {
    const { id, page } = actions.get(name)!;
    const headers = { cookie: `oaken-session=${token}`, 'next-action': id, 'content-type': 'text/plain;charset=UTF-8' };
    const answer = await post(page, headers, JSON.stringify([input]));
    if (answer && !/^1:/m.test(answer.text)) odd.set(name, `${answer.status} ${answer.text.slice(0, 80)}`);
    const row = answer?.text.split('\n').find((line) => line.startsWith('1:'));
    return row ? asJson(row.slice(2)) : null;
  };
}
