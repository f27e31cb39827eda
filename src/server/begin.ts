import { Server, type IncomingMessage, type ServerResponse } from 'node:http';
import { vault } from './auth/vault';
import { crowd } from './crowd';
import { freshManager } from './db/orm';
import { startWorking } from './jobs/work';
import { checkKey } from './repositories/keys';

/** Holds the master key against the database, then begins to work on jobs. */
export async function begin(): Promise<void> {
  await checkKey(await freshManager(), vault(), new Date());
  await startWorking();
  nameSockets();
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
