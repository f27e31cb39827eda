import { LockMode, type EntityName, type FilterQuery } from '@mikro-orm/core';
import type { Actor } from '../auth/actors';
import { inOne, type Desk, type Writing } from '../desk';
import { knownId, Refusal } from '../errors';
import { DoneRow, StudioRow } from './rows';

/** How repositories write. Only inside a transaction, only inside the studio; what was seen at a version is claimed at it. */

interface Versioned {
  readonly id: string;
  readonly version: number;
}

/** A new row's columns: the studio and the first version come by themselves. */
type New<Row> = Omit<Row, 'studio' | 'version' | symbol>;

/** Adds rows. A row that is there already is a clash. */
export function add<Row extends object>(at: Writing, row: EntityName<Row>, ...data: readonly New<Row>[]): Promise<void> {
  return at.turn(async () => {
    for (const one of data) at.em.persist(at.em.create(row, { ...one, studio: at.who.studio } as never));
    await at.em.flush();
  });
}

/**
 * Changes the row that was seen at a version, and counts its version up, whatever changes: whoever saw it before is told.
 * @returns the version it has now
 * @throws Refusal `clash` when somebody else was first, `not-found` when it is not there
 */
export function claim<Row extends Versioned>(
  at: Writing,
  row: EntityName<Row>,
  id: string,
  seen: number,
  change: Partial<Omit<Row, 'id' | 'studio' | 'version'>>,
): Promise<number> {
  return at.turn(async () => {
    const here = { id: knownId(id) } as FilterQuery<Row>;
    const changed = await at.em.nativeUpdate(row, { id: knownId(id), version: seen } as FilterQuery<Row>, { ...change, version: seen + 1 } as never);
    if (changed === 0) throw new Refusal((await at.em.count(row, here)) > 0 ? 'clash' : 'not-found');
    return seen + 1;
  });
}

/** Holds a row until the transaction ends, so that nobody changes it meanwhile; null when it is not there. */
export function hold<Row extends object>(at: Writing, row: EntityName<Row>, where: FilterQuery<Row>): Promise<Row | null> {
  return at.turn(() => at.em.findOne(row, where, { lockMode: LockMode.PESSIMISTIC_WRITE, refresh: true }) as Promise<Row | null>);
}

/** Lets one writer at a time through where what is there decides what may be added. */
export async function holdStudio(at: Writing): Promise<void> {
  await hold(at, StudioRow, { id: at.who.studio });
}

/** Changes rows that have no version, because whoever changes them holds what they belong to. @returns how many */
export function change<Row extends object>(at: Writing, row: EntityName<Row>, where: FilterQuery<Row>, to: Partial<Row>): Promise<number> {
  return at.turn(() => at.em.nativeUpdate(row, where, to as never));
}

/** Removes rows. @returns how many */
export function remove<Row extends object>(at: Writing, row: EntityName<Row>, where: FilterQuery<Row>): Promise<number> {
  return at.turn(() => at.em.nativeDelete(row, where));
}

/**
 * Does something once, however often it is sent: the form carries an id made when it opened. Whoever sends it again gets the
 * first answer. What was refused left nothing behind and may be sent again.
 */
export function onceOnly<T extends object, Who extends Actor>(desk: Desk<Who>, id: string, work: (at: Writing<Who>) => Promise<T>): Promise<T> {
  return inOne(desk, async (at) => {
    const { affectedRows } = await at.turn(() =>
      at.em
        .createQueryBuilder(DoneRow)
        .insert({ id, studio: at.who.studio, answer: null, at: at.now })
        .onConflict('id')
        .ignore()
        .execute<{ affectedRows: number }>('run'),
    );
    if (affectedRows === 0) {
      const done = await at.turn(() => at.em.findOne(DoneRow, { id }));
      if (!done) throw new Refusal('not-found');
      return done.answer as T;
    }
    const answer = await work(at);
    await change(at, DoneRow, { id }, { answer });
    return answer;
  });
}
