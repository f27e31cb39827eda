import PgBoss from 'pg-boss';
import type { EntityManager } from '../db/orm';
import type { Writing } from '../desk';

/** What is done beside the requests: one delivery however many instances there are, tried again when it fails. */
export interface Jobs {
  /** Carries a mail from the outbox to the post office. */
  readonly 'deliver-mail': { readonly mail: string; readonly studio: string };
  /** Looks for studios that have forms asked for by themselves. */
  readonly remind: Record<string, never>;
  /** Asks for the forms that are due in one studio. */
  readonly 'remind-studio': { readonly studio: string };
  /** Looks for series whose people get their day. */
  readonly 'send-days': Record<string, never>;
  /** Sends the people of one studio's series their day. */
  readonly 'send-days-of': { readonly studio: string };
  /** Rewrites the tables that held what was erased, once more after everybody who may still read it is done. */
  readonly 'sweep-erased': Record<string, never>;
  /** Forgets what was asked for once, long ago. */
  readonly 'forget-done': Record<string, never>;
  /** Takes out what was said of changes and has been said again since. */
  readonly 'thin-changes': Record<string, never>;
}

export type JobName = keyof Jobs;

/** How often a job is tried again, in seconds apart, and after how many seconds one that was not heard of since is taken for killed. */
type Tried = Pick<PgBoss.Queue, 'retryLimit' | 'retryDelay' | 'retryBackoff'> & { readonly expireInSeconds: number };

/** How often jobs that were killed are looked for, in seconds. With their own seconds, and those to the next try, within a minute. */
export const LOOKED_FOR_EVERY = 10;

const HARDLY: Tried = { retryLimit: 3, retryDelay: 10, expireInSeconds: 30 };

/** How each kind of job is tried again; delays in seconds, doubling where they back off. */
export const QUEUES: Readonly<Record<JobName, Tried>> = {
  'deliver-mail': { retryLimit: 8, retryDelay: 5, retryBackoff: true, expireInSeconds: 20 },
  remind: HARDLY,
  'remind-studio': HARDLY,
  'send-days': HARDLY,
  'send-days-of': HARDLY,
  'sweep-erased': { retryLimit: 6, retryDelay: 300, expireInSeconds: 300 },
  'forget-done': HARDLY,
  'thin-changes': HARDLY,
};

/** When what is done by the clock is begun. */
export const CLOCKWORK: Readonly<Partial<Record<JobName, string>>> = {
  remind: '*/15 * * * *',
  'send-days': '*/5 * * * *',
  'forget-done': '40 3 * * *',
  'thin-changes': '20 * * * *',
};

/** How many jobs should have begun so many minutes ago and have not: nobody works on them. */
export async function jobsThatWait(em: EntityManager, minutes: number): Promise<number> {
  const [{ late }]: { late: string }[] = await em.execute(
    `select count(*) as late from pgboss.job where state < 'active' and start_after < now() - ? * interval '1 minute'`,
    [minutes],
  );
  return Number(late);
}

let sender: PgBoss | null = null;

/** Begins a job once this transaction is over, and not at all when it comes to nothing. */
export async function enqueue<Name extends JobName>(
  at: Writing,
  name: Name,
  data: Jobs[Name],
  options: { readonly startAfter?: number; readonly singletonKey?: string; readonly priority?: number } = {},
): Promise<void> {
  sender ??= new PgBoss({ db: { executeSql: () => Promise.reject(new Error('jobs are begun inside a transaction')) } });
  const db = { executeSql: async (text: string, values: readonly unknown[]) => (await connectionOf(at)).query({ text, values }) };
  await at.turn(() => sender!.send(name, data, { ...options, db }).then(() => undefined));
}

/** A connection as the queue uses one: numbered placeholders, rows back. */
interface Connection {
  query(query: { readonly text: string; readonly values: readonly unknown[] }): Promise<{ readonly rows: unknown[] }>;
}

/** The connection that this transaction runs on. */
function connectionOf({ em }: Writing): Promise<Connection> {
  const transaction = em.getTransactionContext<{ readonly client: { acquireConnection(): Promise<Connection> } }>();
  if (!transaction) throw new Error('jobs are begun inside a transaction');
  return transaction.client.acquireConnection();
}
