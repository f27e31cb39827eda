import type { EntityName, QueryOrderMap } from '@mikro-orm/core';
import type { EntityManager } from '@mikro-orm/postgresql';
import { OURS } from './rows';

/**
 * Everything a request asks at the same moment is one statement to the database, however much it is: what is asked of many cohorts or
 * courses one by one is asked of all of them at once, and what is asked of different tables comes back side by side. A page so takes as many
 * statements as its questions follow from each other, however many courses and people a studio has.
 */
export interface Asked {
  readonly row: EntityName<object>;
  readonly where: Readonly<Record<string, unknown>>;
  readonly orderBy?: QueryOrderMap<object>;
  readonly limit?: number;
  readonly fields?: readonly string[];
}

type Rows = readonly Readonly<Record<string, unknown>>[];

interface Waiting extends Asked {
  readonly answer: (rows: Rows) => void;
  readonly fail: (error: unknown) => void;
}

/** Questions that become one, and which of its rows are whose. */
interface Question extends Asked {
  readonly of: readonly Waiting[];
  /** The field by which rows are told apart; null where there is one asker. */
  readonly by: string | null;
}

const queues = new WeakMap<EntityManager, Waiting[]>();

/** Asks together with everything else that is asked until nothing more can be asked without an answer. */
export function askTogether(em: EntityManager, asked: Asked): Promise<Rows> {
  return new Promise((answer, fail) => {
    const waiting = { ...asked, answer, fail };
    const queue = queues.get(em);
    if (queue) return void queue.push(waiting);
    queues.set(em, [waiting]);
    // What follows from answers that are here already is asked before this.
    setImmediate(() => {
      const all = queues.get(em)!;
      queues.delete(em);
      void answerAll(em, all);
    });
  });
}

async function answerAll(em: EntityManager, all: readonly Waiting[]): Promise<void> {
  try {
    const questions = merged(all);
    const answers = await run(em, questions);
    questions.forEach(({ of, by }, index) => {
      const rows = answers[index];
      if (by === null) return of[0].answer(rows);
      const sorted = new Map<unknown, Rows[number][]>();
      for (const row of rows) {
        const own = sorted.get(row[by]);
        if (own) own.push(row);
        else sorted.set(row[by], [row]);
      }
      for (const one of of) one.answer(rowsOf(one, sorted, by, rows));
    });
  } catch (error) {
    for (const { fail } of all) fail(error);
  }
}

/** The rows of one asker among those of all: in the order in which all were asked for. */
function rowsOf({ where }: Waiting, sorted: ReadonlyMap<unknown, Rows>, by: string, rows: Rows): Rows {
  const wanted = where[by];
  if (!Array.isArray(wanted)) return sorted.get(wanted) ?? [];
  const mine = new Set<unknown>(wanted);
  return mine.size === 1 ? (sorted.get(wanted[0]) ?? []) : rows.filter((row) => mine.has(row[by]));
}

/** Questions of one table and one shape that differ in one value are asked at once. */
function merged(all: readonly Waiting[]): Question[] {
  const shapes = new Map<string, Waiting[]>();
  for (const one of all) {
    const shape = JSON.stringify([nameOf(one.row), Object.keys(one.where).sort(), one.orderBy, one.limit, one.fields]);
    shapes.set(shape, [...(shapes.get(shape) ?? []), one]);
  }
  return [...shapes.values()].flatMap((of): Question[] => {
    const alone = () => of.map((one) => ({ ...one, of: [one], by: null }));
    if (of.length === 1) return alone();
    const [first] = of;
    const differing = Object.keys(first.where).filter((key) =>
      of.some(({ where }) => JSON.stringify(where[key]) !== JSON.stringify(first.where[key])),
    );
    if (differing.length > 1) return alone();
    const by = differing[0] ?? Object.keys(first.where)[0];
    // The first of many is another one for each: only what stands alone by its id may be asked for with a limit.
    if (by === undefined || !of.every(({ where }) => isPlain(where[by])) || (first.limit !== undefined && by !== 'id')) return alone();
    if (first.fields && !first.fields.includes(by)) return alone();
    const values = [...new Set(of.flatMap(({ where }) => where[by] as string | string[]))];
    const { limit: _, ...question } = first;
    return [{ ...question, where: { ...first.where, [by]: values }, of, by }];
  });
}

const isPlain = (value: unknown): boolean => typeof value === 'string' || (Array.isArray(value) && value.every((one) => typeof one === 'string'));
const nameOf = (row: EntityName<object>): string => (row as { meta: { className: string } }).meta.className;

/** One statement for all questions, each answered as a list of rows. */
async function run(em: EntityManager, questions: readonly Question[]): Promise<Rows[]> {
  const values: unknown[] = [];
  const columns = questions.map(
    (question, index) => `(select coalesce(json_agg(t), '[]'::json) from (${sqlOf(em, question, values)}) t) as q${index}`,
  );
  const [answer] = await em.getConnection().execute<Record<string, Rows>[]>(`select ${columns.join(', ')}`, values, 'all');
  return questions.map(({ row }, index) => {
    const read = readerOf(em, row);
    return answer[`q${index}`].map(read);
  });
}

const SIGNS: Readonly<Record<string, string>> = { $gt: '>', $gte: '>=', $lt: '<', $lte: '<=', $ne: '<>' };

/**
 * What is asked of one table, written out: the builder of the library takes longer than the database does to answer. Only what is
 * asked for here is known: a value, one of several, none, and what is before or after it.
 */
function sqlOf(em: EntityManager, { row, where, orderBy = {}, limit, fields }: Question, values: unknown[]): string {
  const meta = em.getMetadata().get(nameOf(row));
  const column = (name: string) => `"${meta.properties[name as never]['fieldNames'][0]}"`;
  const asks = (name: string, value: unknown): string[] => {
    if (value === null) return [`${column(name)} is null`];
    if (Array.isArray(value)) {
      values.push(...(value as unknown[]));
      return [value.length === 0 ? 'false' : `${column(name)} in (${value.map(() => '?').join(', ')})`];
    }
    if (typeof value === 'object' && !(value instanceof Date))
      return Object.entries(value).flatMap(([sign, than]) => {
        if (!SIGNS[sign]) throw new Error(`${sign} is asked of nothing here`);
        if (than === null) return [`${column(name)} is not null`];
        values.push(than);
        return [`${column(name)} ${SIGNS[sign]} ?`];
      });
    values.push(value);
    return [`${column(name)} = ?`];
  };
  const { studio } = em.getFilterParams('ours') as { readonly studio: string };
  const all = [...Object.entries(where), ...(OURS.includes(meta.className) ? [['studio', studio] as const] : [])];
  const conditions = all.flatMap(([name, value]) => asks(name, value));
  const order = Object.entries(orderBy).map(([name, way]) => `${column(name)} ${way === 'desc' ? 'desc' : 'asc'}`);
  const chosen = fields ? fields.map(column).join(', ') : '*';
  return [
    `select ${chosen} from "${meta.tableName}"`,
    ...(conditions.length > 0 ? [`where ${conditions.join(' and ')}`] : []),
    ...(order.length > 0 ? [`order by ${order.join(', ')}`] : []),
    ...(limit === undefined ? [] : [`limit ${limit}`]),
  ].join(' ');
}

type Reader = (row: Readonly<Record<string, unknown>>) => Rows[number];

const readers = new Map<string, Reader>();

/** Columns by the names of their properties, moments as such. */
function readerOf(em: EntityManager, row: EntityName<object>): Reader {
  const name = nameOf(row);
  const known = readers.get(name);
  if (known) return known;
  const columns = em
    .getMetadata()
    .get(name)
    .props.flatMap(({ name: property, fieldNames, runtimeType }) =>
      fieldNames ? [{ property, column: fieldNames[0], moment: runtimeType === 'Date' }] : [],
    );
  const reader: Reader = (found) => {
    const made: Record<string, unknown> = {};
    for (const { property, column, moment } of columns) {
      const value = found[column];
      if (value !== undefined) made[property] = moment && typeof value === 'string' ? new Date(value) : value;
    }
    return made;
  };
  readers.set(name, reader);
  return reader;
}
