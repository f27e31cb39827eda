import { statfs } from 'node:fs/promises';
import { freshManager } from './db/orm';
import { jobsThatWait } from './jobs/queue';

/** How long each part may take to say that it is well, and when it is not. */
const HEALTH_LIMITS = { ms: 1500, freeMegabytes: 100, lateMinutes: 5 } as const;

/** How each part is, in a word or two: `well`, or what is wrong with it. Nothing of what is kept stands in it. */
export interface Health {
  readonly database: string;
  readonly jobs: string;
  readonly disk: string;
}

/** Looks at every part at once, and waits for none of them longer than a person would. */
export async function health(): Promise<Health> {
  const [database, jobs, disk] = await Promise.all([
    soon(async () => {
      await (await freshManager()).execute('select 1');
      return 'well';
    }),
    soon(async () => ((await jobsThatWait(await freshManager(), HEALTH_LIMITS.lateMinutes)) > 0 ? 'late' : 'well')),
    soon(async () => {
      const { bavail, bsize } = await statfs(process.env.OAKEN_HOME ?? '.');
      return bavail * bsize < HEALTH_LIMITS.freeMegabytes * 1_000_000 ? 'nearly full' : 'well';
    }),
  ]);
  return { database, jobs, disk };
}

async function soon(look: () => Promise<string>): Promise<string> {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const waited = new Promise<string>((answer) => (timer = setTimeout(() => answer('does not answer'), HEALTH_LIMITS.ms)));
  const looked = look().catch(() => 'does not answer');
  return Promise.race([looked, waited]).finally(() => clearTimeout(timer));
}
