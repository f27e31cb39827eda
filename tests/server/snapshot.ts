import { ownerManager } from './studio';

/** A snapshot of every table, to go back to and to compare with. */

/** The schema a copy lies in. */
export type Copy = 'fresh_demo' | 'kept_rows';

/** Rows by table and id: "class_session 01a2…" with its columns. */
export type Rows = ReadonlyMap<string, Readonly<Record<string, unknown>>>;

async function tables(): Promise<string[]> {
  const rows = await (
    await ownerManager()
  ).execute<{ name: string }[]>(
    `select table_name as name from information_schema.tables where table_schema = 'public' and table_type = 'BASE TABLE' and table_name <> 'migration'`,
  );
  return rows.map(({ name }) => name);
}

/** Keeps every row as it is now. */
export async function keepAll(copy: Copy = 'kept_rows'): Promise<void> {
  const copies = (await tables()).map((name) => `create table ${copy}."${name}" as table public."${name}";`).join(' ');
  await (await ownerManager()).execute(`drop schema if exists ${copy} cascade; create schema ${copy}; ${copies}`);
}

/** Puts every row back as it was kept; no job waits. */
export async function backToKept(copy: Copy = 'kept_rows'): Promise<void> {
  const back = (await tables())
    .map((name) => `delete from public."${name}"; insert into public."${name}" select * from ${copy}."${name}";`)
    .join(' ');
  await (await ownerManager()).execute(`begin; set local session_replication_role = replica; ${back} delete from pgboss.job; commit;`);
}

export async function forgetKept(): Promise<void> {
  await (await ownerManager()).execute(`drop schema if exists kept_rows cascade`);
}

/** Every row as it is now. */
export async function allRows(): Promise<Rows> {
  const all = (await tables()).map((name) => `select '${name}' as name, to_jsonb(one) as data from public."${name}" one`).join(' union all ');
  const rows = await (await ownerManager()).execute<{ name: string; data: Record<string, unknown> }[]>(all);
  return new Map(rows.map(({ name, data }) => [`${name} ${String(data.id ?? JSON.stringify(data))}`, data]));
}
