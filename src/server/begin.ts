import { Server, type IncomingMessage, type ServerResponse } from 'node:http';
import pino from 'pino';
import { vault } from './auth/vault';
import { crowd } from './crowd';
import { freshManager } from './db/orm';
import { startWorking } from './jobs/work';
import { checkKey } from './repositories/keys';
import { workAhead } from './usecases/lobby/workAhead';

const log = pino({ name: 'oaken-ladder' });

/** Holds the master key against the database, then begins to work on jobs. */
export async function begin(): Promise<void> {
  await checkKey(await freshManager(), vault(), new Date());
  await startWorking();
  nameSockets();
  keepAhead();
}

/** How often it is looked whether a studio's day has begun, in milliseconds. */
const DAY_LOOKED_FOR = 60_000;

/** Works out ahead what the first pages of each day ask for, now and whenever a day begins; what failed is tried again. */
function keepAhead(): void {
  const done = new Map<string, string>();
  let working = false;
  const look = async () => {
    if (working) return;
    working = true;
    await freshManager()
      .then((em) => workAhead(em, new Date(), done))
      .catch((error: unknown) => log.error({ kind: error instanceof Error ? error.name : 'unknown' }, 'the day could not be worked out ahead'));
    working = false;
  };
  void look();
  setInterval(() => void look(), DAY_LOOKED_FOR).unref();
}

/** Puts the address at the other end of the connection where requests are read, whatever they say of it themselves; and lets in no more at a time than can be answered. */
function nameSockets(): void {
  const letIn = crowd();
  const emit = Server.prototype.emit as (this: Server, event: string, ...args: unknown[]) => boolean;
  Server.prototype.emit = function (this: Server, event: string, ...args: unknown[]): boolean {
    if (event === 'request') {
      const request = args[0] as IncomingMessage;
      request.headers['x-oaken-socket'] = request.socket.remoteAddress ?? 'unknown';
      letIn(request, args[1] as ServerResponse, () => void emit.call(this, event, ...args));
      return true;
    }
    return emit.call(this, event, ...args);
  } as typeof Server.prototype.emit;
}
