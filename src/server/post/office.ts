import { mkdir, readFile, writeFile } from 'node:fs/promises';
import { join } from 'node:path';

/**
 * A stand-in for the outside post office: it takes every letter, so that the outbox shows what would have gone. Two kinds of
 * address behave as the real world does: `@refused.example` is never taken, `@later.example` only at the third try.
 */
export interface Letter {
  readonly address: string;
  /** How often it was tried before. */
  readonly tries: number;
}

/** @returns null when the letter is taken, else what the post office says @example post({ address: 'a@post.example', tries: 0 }) // null */
export function post({ address, tries }: Letter): string | null {
  if (address.endsWith('@refused.example')) return 'this address takes no mail';
  if (address.endsWith('@later.example') && tries < 2) return 'the post office is busy';
  return null;
}

/** Where the demo's letter boxes are: outside, as anybody's would be. Null where there is no demo. */
const boxes = (): string | null => (process.env.OAKEN_DEMO === '1' && process.env.OAKEN_HOME ? join(process.env.OAKEN_HOME, 'post') : null);

/** In the demo nobody has a letter box of their own: what was delivered lies where the outbox can show it as it arrived. */
export async function intoTheBox(id: string, body: string): Promise<void> {
  const place = boxes();
  if (!place) return;
  await mkdir(place, { recursive: true, mode: 0o700 });
  await writeFile(join(place, `${id}.txt`), body, { mode: 0o600 });
}

/** A letter of the demo as it arrived; null where there is none. */
export async function fromTheBox(id: string): Promise<string | null> {
  const place = boxes();
  return place && (await readFile(join(place, `${id}.txt`), 'utf8').catch(() => null));
}
