import type { EntityName, FilterQuery, QueryOrderMap } from '@mikro-orm/core';
import type { Actor } from '../auth/actors';
import type { Desk } from '../desk';
import { askTogether, type Asked } from './together';

interface Reading<Row extends object, Field extends keyof Row & string> {
  readonly orderBy?: QueryOrderMap<Row>;
  readonly limit?: number;
  /** Only these columns, where a row is wide. */
  readonly fields?: readonly Field[];
}

/** Tables whose changes leave no lines: nothing that is kept may be worked out from them. */
export const LEAVES_NO_LINES: ReadonlySet<string> = new Set([
  'sign_in',
  'sign_in_attempt',
  'known_device',
  'vault_key',
  'done_once',
  'screening_reading',
  'outbox_mail',
  'staff_link',
  'feed',
  'change',
]);

/**
 * How repositories read: plain rows by property name, no entities made and none watched, which takes a third of the time.
 * Inside a transaction it reads in the transaction, one query after another, else together with all that is asked at the moment;
 * always inside the studio.
 */
export function readRows<Row extends object, Field extends keyof Row & string = keyof Row & string>(
  desk: Desk<Actor>,
  row: EntityName<Row>,
  where: FilterQuery<Row>,
  { orderBy, limit, fields }: Reading<Row, Field> = {},
): Promise<Pick<Row, Field>[]> {
  const table = (row as unknown as { readonly meta: { readonly tableName: string } }).meta.tableName;
  if (desk.keeping && LEAVES_NO_LINES.has(table)) throw new Error(`what is kept may not hang on ${table}: its changes leave no lines`);
  if (!('writing' in desk)) return askTogether(desk.em, { row, where, orderBy, limit, fields } as Asked) as unknown as Promise<Pick<Row, Field>[]>;
  return desk.turn(async () => {
    const query = desk.em
      .createQueryBuilder(row)
      .select(fields ? ([...fields] as never) : ('*' as never))
      .where(where as never);
    await query.applyFilters();
    if (orderBy) query.orderBy(orderBy as never);
    if (limit !== undefined) query.limit(limit);
    return (await query.execute('all')) as unknown as Pick<Row, Field>[];
  });
}

/** The one row, or null. */
export async function readRow<Row extends object>(desk: Desk<Actor>, row: EntityName<Row>, where: FilterQuery<Row>): Promise<Row | null> {
  return ((await readRows(desk, row, where, { limit: 1 }))[0] as Row | undefined) ?? null;
}
