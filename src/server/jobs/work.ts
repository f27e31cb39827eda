import PgBoss from 'pg-boss';
import pino from 'pino';
import { databaseUrl, freshManager } from '../db/orm';
import { deliverMail } from '../usecases/people/deliverMail';
import { remindEverywhere, remindStudio } from '../usecases/people/sendReminders';
import { sendDays, sendDaysEverywhere } from '../usecases/series/sendDays';
import { forgetDone, sweepErased, thinChanges } from '../usecases/tidying';
import { LOOKED_FOR_EVERY, type JobName, type Jobs } from './queue';

const log = pino({ name: 'oaken-ladder jobs' });

type Work = { readonly [Name in JobName]: (data: Jobs[Name]) => Promise<unknown> };

const WORK: Work = {
  'deliver-mail': async (job) => deliverMail(await freshManager(), job, new Date()),
  remind: async () => remindEverywhere(await freshManager(), new Date()),
  'remind-studio': async ({ studio }) => remindStudio(await freshManager(), studio, new Date()),
  'send-days': async () => sendDaysEverywhere(await freshManager(), new Date()),
  'send-days-of': async ({ studio }) => sendDays(await freshManager(), studio, new Date()),
  'sweep-erased': async () => sweepErased(await freshManager()),
  'thin-changes': async () => thinChanges(await freshManager(), new Date()),
  'forget-done': async () => forgetDone(await freshManager(), new Date()),
};

/**
 * Works on jobs until it is stopped; any number of instances share them.
 * @param everySeconds how often each looks for new jobs
 */
export async function startWorking(everySeconds = 2): Promise<{ readonly stop: () => Promise<void> }> {
  const boss = new PgBoss({ connectionString: databaseUrl(), max: 3, migrate: false, maintenanceIntervalSeconds: LOOKED_FOR_EVERY });
  boss.on('error', (error) => log.error({ kind: error.name }, 'the queue could not be reached'));
  await boss.start();
  for (const name of Object.keys(WORK) as JobName[])
    await boss.work(name, { pollingIntervalSeconds: everySeconds, batchSize: 1 }, ([job]) => worked(name, job.data));
  return { stop: () => boss.stop({ graceful: true, wait: true, timeout: 5000 }) };
}

async function worked(name: JobName, data: unknown): Promise<void> {
  const kind = await (WORK[name] as (data: unknown) => Promise<unknown>)(data).then(
    () => null,
    (error: unknown) => (error instanceof Error ? error.name : 'unknown'),
  );
  if (kind === null) return;
  // What kind of failure it was; a message may carry somebody's words, and is neither logged nor kept. The queue tries again.
  log.error({ job: name, kind }, 'a job failed');
  throw new Error('failed');
}
