import { createHash } from 'node:crypto';
import { MikroORM, type EntityManager } from '@mikro-orm/postgresql';
import { vault, type Place } from '../../src/server/auth/vault';
import { ownerUrl } from '../../src/server/db/migrate';
import { ROWS } from '../../src/server/db/rows';

/** A studio many times the demo's size: its cohorts, people, courses, classes, logs and series again and again, each sealed for itself. */

type Row = Record<string, unknown>;

/** What is copied, and which of its columns are sealed for whom. */
const COPIED: Readonly<Record<string, { readonly sealed?: readonly string[]; readonly person?: string }>> = {
  cohort: {},
  person: { sealed: ['sealed_birth'], person: 'id' },
  screening: { sealed: ['sealed'], person: 'person' },
  clinician_answer: { sealed: ['sealed'], person: 'person' },
  override_made: { sealed: ['sealed'], person: 'person' },
  override_ended: {},
  course: {},
  class_session: {},
  plan_version: {},
  acknowledgement: {},
  class_log: {},
  handover: {},
  session_note: {},
  series: {},
  series_member: {},
  check_in: {},
  stop_sign: { sealed: ['sealed'], person: 'person' },
};
const ID = /[\da-f]{8}(?:-[\da-f]{4}){3}-[\da-f]{12}/g;
/** Columns that are different in every row. */
const UNIQUE = ['token_hash', 'join_hash'];

/** @param times how many times the demo's size the studio has afterwards, the demo itself counted */
export async function fillStudio(times: number): Promise<void> {
  const orm = await MikroORM.init({ clientUrl: ownerUrl(), entities: ROWS, pool: { min: 1, max: 1 } });
  const em = orm.em.fork();
  try {
    const [{ studio }] = await em.execute<{ studio: string }[]>('select studio from cohort order by id limit 1');
    const tables = new Map<string, Row[]>();
    for (const table of Object.keys(COPIED)) {
      const rows = await em.execute<{ row: Row }[]>(`select to_jsonb(t) as row from ${table} t where studio = ? order by id`, [studio]);
      tables.set(
        table,
        rows.map(({ row }) => row),
      );
    }
    const ids = [...tables.values()].flat().map(({ id }) => String(id));
    for (let copy = 1; copy < times; copy += 1) await addCopy(em, tables, new Map(ids.map((id) => [id, idOf(id, copy)])), copy);
    await em.execute('analyze');
  } finally {
    await orm.close(true);
  }
}

/** The id of a copy: in its order among the others, so that what is sorted by ids stays so. */
function idOf(id: string, copy: number): string {
  const hex = createHash('sha256').update(`${id} ${copy}`).digest('hex');
  return `${id.slice(0, 18)}-8${hex.slice(0, 3)}-${hex.slice(3, 15)}`;
}

async function addCopy(em: EntityManager, tables: ReadonlyMap<string, readonly Row[]>, to: ReadonlyMap<string, string>, copy: number): Promise<void> {
  const people = new Map((tables.get('person') ?? []).map((row) => [String(row.id), String(row.wrapped_key)]));
  const keys = new Map([...people.keys()].map((id) => [id, vault().newWrappedKey(to.get(id)!)]));
  const resealed = (text: unknown, table: Place['table'], person: string, row: string) => {
    if (typeof text !== 'string' || !people.get(person)) return text;
    const plain = vault().open(people.get(person)!, text, { person, table, row });
    return vault().seal(keys.get(person)!, plain, { person: to.get(person)!, table, row: to.get(row)! });
  };
  for (const [table, rows] of tables) {
    const { sealed = [], person } = COPIED[table];
    const copies = rows.map((row) => {
      const now = JSON.parse(JSON.stringify(row).replace(ID, (id) => to.get(id) ?? id)) as Row;
      for (const column of sealed) now[column] = resealed(row[column], table as Place['table'], String(row[person!] ?? ''), String(row.id));
      for (const column of UNIQUE)
        if (now[column])
          now[column] = createHash('sha256')
            .update(`${String(now[column])} ${copy}`)
            .digest('hex');
      if (table === 'person') Object.assign(now, { wrapped_key: keys.get(String(row.id)), name: `${String(row.name)} ${copy}` });
      if (['cohort', 'course', 'series'].includes(table)) now.name = `${String(row.name)}, ${copy}`;
      // What somebody said of a day, and which signs a log names, is sealed through other tables: it is left out of copies.
      if (table === 'check_in') now.sealed = null;
      if (table === 'class_log') now.attendance = (now.attendance as Row[]).map(({ sealed: _, ...one }) => one);
      return now;
    });
    if (copies.length > 0)
      await em.execute(`insert into ${table} select * from jsonb_populate_recordset(null::${table}, ?::jsonb)`, [JSON.stringify(copies)]);
  }
}
