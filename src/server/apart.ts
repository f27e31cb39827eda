import { join } from 'node:path';
import { Worker } from 'node:worker_threads';
import type { Given, Made, StrangerFile } from '@/core/exchange/strangers';
import { Refusal } from './errors';

/** How long and how much somebody's file may take, and how many are read at a time. */
export const APART_LIMITS = { ms: 4000, heapMegabytes: 256, atOnce: 2, waiting: 20 } as const;

const TOO_MUCH =
  'This file takes too long to read, so it was left alone and nothing of it came in. Take a smaller or simpler one out of where it comes from.';

let running = 0;
const queue: (() => void)[] = [];

/**
 * Reads a file that somebody brought, in a thread of its own: it has so much time and memory and is ended then, and nobody else waits for it.
 * @throws Refusal `invalid` when it takes too much, `too-many` when too many files wait already
 */
export async function readApart<What extends StrangerFile>(what: What, ...given: Given<What>): Promise<Made<What>> {
  if (queue.length >= APART_LIMITS.waiting) throw new Refusal('too-many', 'Many files are being read just now. Try again in a moment.');
  if (running >= APART_LIMITS.atOnce) await new Promise<void>((turn) => queue.push(turn));
  running += 1;
  try {
    return await read(what, given);
  } finally {
    running -= 1;
    queue.shift()?.();
  }
}

function read<What extends StrangerFile>(what: What, given: Given<What>): Promise<Made<What>> {
  // Made beside the build, by bin/lib.sh: a thread begins with a file of its own.
  const program = join(/* turbopackIgnore: true */ process.cwd(), '.workers', 'strangers.cjs');
  const worker = new Worker(program, {
    resourceLimits: { maxOldGenerationSizeMb: APART_LIMITS.heapMegabytes, maxYoungGenerationSizeMb: 32, stackSizeMb: 4 },
    env: {},
    stdout: true,
    stderr: true,
  });
  return new Promise<Made<What>>((made, failed) => {
    const over = setTimeout(() => failed(new Refusal('invalid', TOO_MUCH)), APART_LIMITS.ms);
    worker.once('message', (message: Made<What>) => made(message));
    worker.once('error', (error: NodeJS.ErrnoException) =>
      // Out of memory, or deeper than its stack: the file is at fault, and not we.
      failed(error.code === 'ERR_WORKER_OUT_OF_MEMORY' || error instanceof RangeError ? new Refusal('invalid', TOO_MUCH) : error),
    );
    worker.postMessage({ what, given });
    worker.once('exit', () => clearTimeout(over));
  }).finally(() => void worker.terminate());
}
