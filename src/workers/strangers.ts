import { parentPort } from 'node:worker_threads';
import { STRANGERS, type StrangerFile } from '../core/exchange/strangers';

/** Reads one file that somebody brought, in a thread that can be ended; what it makes of it goes back as plain data. */
parentPort!.on('message', ({ what, given }: { what: StrangerFile; given: never[] }) => {
  const read = STRANGERS[what] as (...of: never[]) => unknown;
  parentPort!.postMessage(read(...given));
});
