import PgBoss from 'pg-boss';
import { CLOCKWORK, QUEUES, type JobName } from './queue';

/** Makes the queues and the clockwork, as the role that owns the database; the application only uses them. */
export async function installJobs(ownerUrl: string): Promise<void> {
  const boss = new PgBoss({ connectionString: ownerUrl, max: 2 });
  boss.on('error', () => undefined);
  await boss.start();
  try {
    for (const name of Object.keys(QUEUES) as JobName[]) {
      await boss.createQueue(name, { name, ...QUEUES[name] });
      await boss.updateQueue(name, { name, ...QUEUES[name] });
    }
    for (const [name, cron] of Object.entries(CLOCKWORK)) await boss.schedule(name, cron);
  } finally {
    await boss.stop({ graceful: false, wait: true });
  }
}
