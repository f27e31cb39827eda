import pino from 'pino';
import { freshManager } from '../db/orm';
import { remindEverywhere } from '../usecases/people/sendReminders';

const EVERY_MS = 15 * 60_000;
const log = pino();

/** Looks every quarter of an hour for forms to ask for, in every studio that wants it. */
export function startReminding(): void {
  setInterval(() => void remind(), EVERY_MS).unref();
}

async function remind(): Promise<void> {
  try {
    const sent = await remindEverywhere(await freshManager(), new Date());
    if (sent > 0) log.info({ sent }, 'forms asked for');
  } catch (error) {
    log.error({ kind: error instanceof Error ? error.name : 'unknown' }, 'forms could not be asked for');
  }
}
