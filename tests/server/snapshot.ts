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

/** Keeps every row as it is now, and from now on which tables are written to. */
export async function keepAll(copy: Copy = 'kept_rows'): Promise<void> {
  const copies = (await tables()).map(
    (name) =>
      `create table ${copy}."${name}" as table public."${name}";
       create trigger "touch_${copy}" after insert or update or delete on public."${name}" execute function ${copy}.touch();`,
  );
  await (
    await ownerManager()
  ).execute(
    `drop schema if exists ${copy} cascade; create schema ${copy}; create table ${copy}.touched (name text);
     create function ${copy}.touch() returns trigger language plpgsql security definer as
       $$ begin insert into ${copy}.touched values (tg_table_name); return null; end $$;
     ${copies.join(' ')}`,
  );
}

/** The tables that were written to since they were kept, or put back. */
async function touched(copy: Copy): Promise<string[]> {
  const rows = await (await ownerManager()).execute<{ name: string }[]>(`select distinct name from ${copy}.touched`);
  return rows.map(({ name }) => name);
}

/** Rows of a table that are not in the same table of another schema, whole rows compared. */
const only = (name: string, here: string, there: string) =>
  `from ${here}."${name}" one where not exists (select from ${there}."${name}" other where other = one)`;

/** Puts every row back as it was kept, touching no other; no job waits. */
export async function backToKept(copy: Copy = 'kept_rows'): Promise<void> {
  const all = await touched(copy);
  const gone = all.map((name) => `delete ${only(name, 'public', copy)};`);
  const back = all.map((name) => `insert into public."${name}" select one.* ${only(name, copy, 'public')};`);
  const steps = [...gone, ...back].join(' ');
  // Rows that are put back set off no triggers.
  await (
    await ownerManager()
  ).execute(`begin; set local session_replication_role = replica; ${steps} delete from ${copy}.touched; delete from pgboss.job; commit;`);
}

export async function forgetKept(): Promise<void> {
  await (await ownerManager()).execute(`drop schema if exists kept_rows cascade`);
}

type Told = { readonly name: string; readonly data: Record<string, unknown> };
const keyOf = ({ name, data }: Told) => `${name} ${String(data.id ?? JSON.stringify(data))}`;

/** Tables in which something is said by itself of what stands elsewhere. */
const SAID_ELSEWHERE = ['change'];
const told = (names: readonly string[]) => names.filter((name) => !SAID_ELSEWHERE.includes(name));

/** Every row as it is now. */
export async function allRows(): Promise<Rows> {
  const all = told(await tables())
    .map((name) => `select '${name}' as name, to_jsonb(one) as data from public."${name}" one`)
    .join(' union all ');
  const rows = await (await ownerManager()).execute<Told[]>(all);
  return new Map(rows.map((row) => [keyOf(row), row.data]));
}

/** Every row as it is now, from what was kept and what has changed since. */
export async function rowsSince(kept: Rows): Promise<Rows> {
  const all = told(await touched('kept_rows'));
  if (all.length === 0) return kept;
  const asked = (here: string, there: string, is: boolean) =>
    all.map((name) => `select '${name}' as name, to_jsonb(one) as data, ${is} as here ${only(name, here, there)}`);
  const rows = await (
    await ownerManager()
  ).execute<(Told & { readonly here: boolean })[]>(
    [...asked('kept_rows', 'public', false), ...asked('public', 'kept_rows', true)].join(' union all '),
  );
  const now = new Map(kept);
  for (const row of rows.filter(({ here }) => !here)) now.delete(keyOf(row));
  for (const row of rows.filter(({ here }) => here)) now.set(keyOf(row), row.data);
  return now;
}

/** Takes every row away, until they are put back. */
export async function emptied(): Promise<void> {
  const all = await tables();
  const copies: readonly Copy[] = ['fresh_demo', 'kept_rows'];
  const gone = all.map((name) =>
    [`delete from public."${name}";`, ...copies.map((copy) => `insert into ${copy}.touched values ('${name}');`)].join(' '),
  );
  await (await ownerManager()).execute(`begin; set local session_replication_role = replica; ${gone.join(' ')} commit;`);
}
