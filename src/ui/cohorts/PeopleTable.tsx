'use client';

import { useVirtualizer, type VirtualItem, type Virtualizer } from '@tanstack/react-virtual';
import Link from 'next/link';
import { memo, useEffect, useMemo, useRef, useState } from 'react';
import type { Answer } from '@/core/screening';
import { dayText, longDayText, type IsoDate } from '@/core/units';
import type { Standing } from '@/server/usecases/cohorts/listCohorts';
import { ANSWER_WORD, Mark } from '../figures/Mark';
import styles from './PeopleTable.module.css';

interface Cell {
  readonly answer: Answer;
  readonly doing: string;
  /** Whether a clinician's answer or an override acts in it; for the director. */
  readonly aside: boolean;
}

interface Person {
  readonly id: string;
  readonly name: string;
  readonly standing: Standing;
}

interface Column {
  readonly id: string;
  readonly name: string;
}

interface Props {
  readonly cohort: string;
  readonly people: readonly Person[];
  readonly table: {
    readonly date: IsoDate;
    readonly columns: readonly Column[];
    readonly rows: readonly { readonly person: string; readonly cells: readonly Cell[] }[];
  };
  readonly focus: { readonly person: string; readonly technique: string } | null;
  /** Whether every technique is shown, not those of the cohort's courses alone. */
  readonly all: boolean;
  /** Whether a person has a page of their own for whoever looks. */
  readonly personPages: boolean;
}

type Row = Person & { readonly cells: readonly Cell[] };

/** What a table may be narrowed to: people for whom something needs doing. */
const FILTERS: Readonly<Record<string, (row: Row) => boolean>> = {
  'no valid screening': ({ standing }) => standing.state === 'none' || standing.state === 'over',
  'screening runs out soon': ({ standing }) => standing.state === 'ending',
  'somebody to ask first': ({ cells }) => cells.some(({ answer }) => answer === 'ask first'),
  'something left out': ({ cells }) => cells.some(({ answer }) => answer === 'leave out'),
  'something adapted': ({ cells }) => cells.some(({ answer }) => answer === 'adapt'),
};

/** What still fits a page as a whole; longer and wider tables are drawn only where they are looked at. */
const WHOLE_ROWS = 60;
const WHOLE_COLUMNS = 20;
const ROW_HEIGHT = 58;
const COLUMN_WIDTH = 112;

/** People × techniques for a date: a mark, its word, and what is done instead, written into the cell. */
export function PeopleTable({ cohort, people, table, focus, all, personPages }: Props) {
  const { date, columns } = table;
  const [filter, setFilter] = useState('');
  const rows = useMemo(() => {
    const byId = new Map(people.map((person) => [person.id, person]));
    const whole = table.rows.flatMap(({ person, cells }): Row[] => (byId.has(person) ? [{ ...byId.get(person)!, cells }] : []));
    return filter ? whole.filter(FILTERS[filter]) : whole;
  }, [people, table.rows, filter]);
  const scroll = useRef<HTMLDivElement>(null);
  const printing = usePrinting();
  const whole = printing || (rows.length <= WHOLE_ROWS && columns.length <= WHOLE_COLUMNS);
  // What a virtualizer returns changes as one scrolls, so the compiler leaves this component alone.
  // eslint-disable-next-line react-hooks/incompatible-library
  const down = useVirtualizer({ count: rows.length, getScrollElement: () => scroll.current, estimateSize: () => ROW_HEIGHT, overscan: 6 });
  const across = useVirtualizer({
    horizontal: true,
    count: columns.length,
    getScrollElement: () => scroll.current,
    estimateSize: () => COLUMN_WIDTH,
    overscan: 3,
  });
  const seen = whole ? columns.map((_, index) => index) : across.getVirtualItems().map(({ index }) => index);
  const [before, after] = whole ? [0, 0] : around(across);
  const [above, below] = whole ? [0, 0] : around(down);
  const shownRows = whole ? rows : down.getVirtualItems().map(({ index }) => rows[index]);
  return (
    <div>
      <div className={styles.tools}>
        <form className="row small">
          <label htmlFor="date">
            Decided for <strong>{dayText(date)}</strong>
          </label>
          <input id="date" name="date" type="date" defaultValue={date} className={styles.date} />
          {all && <input type="hidden" name="all" value="" />}
          <button className={styles.go}>Show</button>
        </form>
        <label className="row small">
          People
          <select className={styles.date} value={filter} onChange={(event) => setFilter(event.target.value)}>
            <option value="">everybody</option>
            {Object.keys(FILTERS).map((name) => (
              <option key={name}>{name}</option>
            ))}
          </select>
        </label>
        <Link className="small" href={`/cohorts/${cohort}?date=${date}${all ? '' : '&all'}`}>
          {all ? 'The course’s techniques alone' : 'All techniques'}
        </Link>
        <button type="button" className={styles.go} onClick={() => window.print()}>
          Print
        </button>
      </div>
      <div
        ref={scroll}
        className={whole ? styles.scroll : `${styles.scroll} ${styles.tall}`}
        tabIndex={0}
        role="region"
        aria-label="People and techniques"
      >
        <table
          className={styles.table}
          style={whole ? undefined : { tableLayout: 'fixed', width: 270 + columns.length * COLUMN_WIDTH }}
          aria-rowcount={rows.length + 1}
          aria-colcount={columns.length + 2}
        >
          <thead>
            <tr>
              <th scope="col" style={whole ? undefined : { width: 140 }}>
                Person
              </th>
              <th scope="col" style={whole ? undefined : { width: 130 }}>
                Screened until
              </th>
              <Spacer width={before} />
              {seen.map((index) => (
                <th key={columns[index].id} scope="col" style={whole ? undefined : { width: COLUMN_WIDTH }}>
                  <Link href={`/cohorts/${cohort}?date=${date}&tracks=${columns[index].id}${all ? '&all' : ''}`} scroll={false} prefetch={false}>
                    {columns[index].name}
                  </Link>
                </th>
              ))}
              <Spacer width={after} />
            </tr>
          </thead>
          <tbody>
            {above > 0 && <tr style={{ height: above }} aria-hidden="true" />}
            {shownRows.map((row) => (
              <PersonRow
                key={row.id}
                row={row}
                columns={columns}
                seen={seen.join()}
                before={before}
                after={after}
                href={`/cohorts/${cohort}?date=${date}${all ? '&all' : ''}`}
                here={focus?.person === row.id ? focus.technique : null}
                page={personPages}
              />
            ))}
            {below > 0 && <tr style={{ height: below }} aria-hidden="true" />}
          </tbody>
          {whole && rows.length > 0 && (
            <tfoot>
              <tr>
                <th scope="row" colSpan={2}>
                  can do it as taught
                </th>
                {columns.map(({ id }, index) => (
                  <td key={id} className="num">
                    {rows.filter(({ cells }) => cells[index].answer === 'clear' || cells[index].answer === 'watch').length}
                  </td>
                ))}
              </tr>
            </tfoot>
          )}
        </table>
      </div>
      {rows.length === 0 && <p className="soft">Nobody here: {filter}.</p>}
    </div>
  );
}

/** How much lies before and after what is drawn, in pixels. */
function around(virtual: Virtualizer<HTMLDivElement, Element>): readonly [number, number] {
  const items: readonly VirtualItem[] = virtual.getVirtualItems();
  return items.length === 0 ? [0, 0] : [items[0].start, virtual.getTotalSize() - items[items.length - 1].end];
}

function Spacer({ width }: { width: number }) {
  return width > 0 ? <td style={{ width, padding: 0 }} aria-hidden="true" /> : null;
}

interface RowProps {
  readonly row: Row;
  readonly columns: readonly Column[];
  /** Indices of the columns that are drawn. */
  readonly seen: string;
  readonly before: number;
  readonly after: number;
  readonly href: string;
  readonly here: string | null;
  readonly page: boolean;
}

const PersonRow = memo(function PersonRow({ row: { id, name, standing, cells }, columns, seen, before, after, href, here, page }: RowProps) {
  const indices = seen === '' ? [] : seen.split(',').map(Number);
  return (
    <tr>
      <th scope="row">
        {page ? (
          <Link href={`/cohorts/people/${id}`} prefetch={false}>
            {name}
          </Link>
        ) : (
          name
        )}
      </th>
      <td className={standing.state === 'good' ? styles.until : styles.due}>{standing.state === 'none' ? 'not yet' : longDayText(standing.until)}</td>
      <Spacer width={before} />
      {indices.map((index) => {
        const { answer, doing, aside } = cells[index];
        const { id: technique, name: techniqueName } = columns[index];
        return (
          <td key={technique} className={here === technique ? styles.here : undefined}>
            <Link
              href={`${href}&person=${id}&technique=${technique}`}
              scroll={false}
              prefetch={false}
              className={styles.cell}
              aria-label={`${name}, ${techniqueName}: ${answer}${doing ? `, ${doing}` : ''}${aside ? ', something set aside' : ''}`}
            >
              <span>
                <Mark answer={answer} /> <span aria-hidden="true">{answer === 'clear' ? '' : ANSWER_WORD[answer]}</span>
              </span>
              {doing && <span className={styles.doing}>{doing}</span>}
              {aside && <span className={styles.doing}>set aside</span>}
            </Link>
          </td>
        );
      })}
      <Spacer width={after} />
    </tr>
  );
});

/** Whether the page is being printed, when all of it is drawn. */
function usePrinting(): boolean {
  const [printing, setPrinting] = useState(false);
  useEffect(() => {
    const [start, end] = [() => setPrinting(true), () => setPrinting(false)];
    window.addEventListener('beforeprint', start);
    window.addEventListener('afterprint', end);
    return () => {
      window.removeEventListener('beforeprint', start);
      window.removeEventListener('afterprint', end);
    };
  }, []);
  return printing;
}
