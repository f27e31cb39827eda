'use client';

import { useVirtualizer, type VirtualItem, type Virtualizer } from '@tanstack/react-virtual';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { memo, useCallback, useDeferredValue, useEffect, useMemo, useRef, useState, type MouseEvent } from 'react';
import type { Answer, Standing } from '@/core/screening';
import { isIsoDate, longDayText } from '@/core/units';
import type { Cell, PersonLine, TableView } from '@/views/cohort';
import { ChoiceField, DayField } from '../fields';
import { ANSWER_WORD, markId, MarkShapes } from '../figures/Mark';
import styles from './PeopleTable.module.css';

type Column = TableView['columns'][number];

interface Props {
  readonly cohort: string;
  readonly people: readonly PersonLine[];
  readonly table: TableView;
  /** Whether every technique is shown, not those of the cohort's courses alone. */
  readonly all: boolean;
}

type Row = PersonLine & { readonly standing: Standing; readonly cells: readonly Cell[] };

/** What a table may be narrowed to: people for whom something needs doing. */
const FILTERS: Readonly<Record<string, (row: Row) => boolean>> = {
  'no valid screening': ({ standing }) => standing.state === 'none' || standing.state === 'over',
  'screening runs out soon': ({ standing }) => standing.state === 'ending',
  'somebody to ask first': ({ cells }) => cells.some(({ answer }) => answer === 'ask first'),
  'something left out': ({ cells }) => cells.some(({ answer }) => answer === 'leave out'),
  'something adapted': ({ cells }) => cells.some(({ answer }) => answer === 'adapt'),
};

/** The foot of the table: how many do a technique in which way. */
const HOW: readonly { readonly words: string; readonly is: readonly Answer[] }[] = [
  { words: 'as taught', is: ['clear', 'watch'] },
  { words: 'changed', is: ['adapt'] },
  { words: 'not as it is', is: ['ask first', 'leave out'] },
];

/** What still fits a page as a whole; longer and wider tables are drawn only where they are looked at. */
const WHOLE_ROWS = 60;
const WHOLE_COLUMNS = 20;
const ROW_HEIGHT = 58;
const COLUMN_WIDTH = 112;

/** People × techniques for a date: a mark, its word, and what is done instead, written into the cell. */
export function PeopleTable({ cohort, people, table, all }: Props) {
  const { date, columns, focus } = table;
  const [filter, setFilter] = useState('');
  const rows = useMemo(() => {
    const byId = new Map(people.map((person) => [person.id, person]));
    const whole = table.rows.flatMap(({ person, cells }): Row[] => {
      const found = byId.get(person);
      return found?.standing ? [{ ...found, standing: found.standing, cells }] : [];
    });
    return filter ? whole.filter(FILTERS[filter]) : whole;
  }, [people, table.rows, filter]);
  const scroll = useRef<HTMLDivElement>(null);
  const printing = usePrinting();
  const router = useRouter();
  // One listener for all links of the table, which stay in place without a new page.
  const follow = useCallback(
    (event: MouseEvent<HTMLTableElement>) => {
      const link = (event.target as Element).closest('a');
      if (!link || event.defaultPrevented || event.button !== 0 || event.metaKey || event.ctrlKey || event.shiftKey || event.altKey) return;
      event.preventDefault();
      router.push(link.getAttribute('href')!, { scroll: !link.closest('td, thead') });
    },
    [router],
  );
  const whole = printing || (rows.length <= WHOLE_ROWS && columns.length <= WHOLE_COLUMNS);
  // What a virtualizer returns changes as one scrolls, so the compiler leaves this component alone.
  // eslint-disable-next-line react-hooks/incompatible-library
  const down = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroll.current,
    estimateSize: () => ROW_HEIGHT,
    overscan: 8,
    useFlushSync: false,
  });
  const across = useVirtualizer({
    horizontal: true,
    count: columns.length,
    getScrollElement: () => scroll.current,
    estimateSize: () => COLUMN_WIDTH,
    overscan: 2,
    useFlushSync: false,
  });
  const drawn = whole ? '' : [...edges(down), ...edges(across)].join();
  // What comes into sight is drawn a moment later and in small steps, so that scrolling never waits for it.
  const shown = useDeferredValue(drawn);
  return (
    <div>
      {!all && table.rows.length > 0 && <p style={{ marginBottom: 8 }}>{wholeText(table.rows)}</p>}
      <div className={styles.tools}>
        <DayField
          id="date"
          label="Decided for"
          value={date}
          onChange={(day) => isIsoDate(day) && router.push(`/cohorts/${cohort}?date=${day}${all ? '&all' : ''}`, { scroll: false })}
          sx={{ width: 190 }}
        />
        <ChoiceField
          id="filter"
          label="People"
          value={filter}
          onChange={setFilter}
          options={[{ value: '', label: 'everybody' }, ...Object.keys(FILTERS).map((name) => ({ value: name, label: name }))]}
          sx={{ width: 200 }}
        />
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
        <MarkShapes />
        <Grid
          rows={rows}
          columns={columns}
          shown={whole ? '' : shown}
          href={`/cohorts/${cohort}?date=${date}${all ? '&all' : ''}`}
          focus={focus ? `${focus.person} ${focus.technique}` : ''}
          onFollow={follow}
        />
      </div>
      {rows.length === 0 && <p className="soft">Nobody here: {filter}.</p>}
    </div>
  );
}

/** How many do the whole course in which way, in a sentence. */
function wholeText(rows: Props['table']['rows']): string {
  const count = (test: (answers: readonly Answer[]) => boolean) => rows.filter(({ cells }) => test(cells.map(({ answer }) => answer))).length;
  const out = count((answers) => answers.some((answer) => HOW[2].is.includes(answer)));
  const changed = count((answers) => answers.includes('adapt') && !answers.some((answer) => HOW[2].is.includes(answer)));
  const rest = [...(changed > 0 ? [`${changed} with changes`] : []), ...(out > 0 ? [`${out} leave something out`] : [])];
  return `${rows.length - out - changed} of ${rows.length} do all of it as taught${rest.length > 0 ? `, ${rest.join(', ')}` : ''}.`;
}

/** The first and the last that is in sight, or nearly. */
function edges(virtual: Virtualizer<HTMLDivElement, Element>): readonly number[] {
  const items: readonly VirtualItem[] = virtual.getVirtualItems();
  return items.length === 0 ? [0, -1] : [items[0].index, items[items.length - 1].index];
}

interface GridProps {
  readonly rows: readonly Row[];
  readonly columns: readonly Column[];
  /** First and last row, first and last column that are drawn; empty for all of them. */
  readonly shown: string;
  /** The address of the table, to which a cell or a technique is added. */
  readonly href: string;
  /** Person and technique of the opened cell. */
  readonly focus: string;
  readonly onFollow: (event: MouseEvent<HTMLTableElement>) => void;
}

/** The table itself, or the part of it that is in sight, with room for the rest around it. */
const Grid = memo(function Grid({ rows, columns, shown, href, focus, onFollow }: GridProps) {
  const whole = shown === '';
  const [top, bottom, left, right] = whole ? [0, rows.length - 1, 0, columns.length - 1] : shown.split(',').map(Number);
  const seen = columns.slice(left, right + 1);
  const [before, after] = [left * COLUMN_WIDTH, (columns.length - 1 - right) * COLUMN_WIDTH];
  return (
    <table
      onClick={onFollow}
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
          {!whole && <Spacer width={before} />}
          {seen.map(({ id, name }) => (
            <th key={id} scope="col" style={whole ? undefined : { width: COLUMN_WIDTH }}>
              <a href={`${href}&tracks=${id}`}>{name}</a>
            </th>
          ))}
          {!whole && <Spacer width={after} />}
        </tr>
      </thead>
      <tbody>
        {top > 0 && <tr style={{ height: top * ROW_HEIGHT }} aria-hidden="true" />}
        {rows.slice(top, bottom + 1).map((row) => (
          <PersonRow
            key={row.id}
            row={row}
            columns={columns}
            left={left}
            right={right}
            href={href}
            here={focus.startsWith(row.id) ? focus.slice(row.id.length + 1) : ''}
          />
        ))}
        {bottom < rows.length - 1 && <tr style={{ height: (rows.length - 1 - bottom) * ROW_HEIGHT }} aria-hidden="true" />}
      </tbody>
      {whole && rows.length > 0 && (
        <tfoot>
          {HOW.map(({ words, is }) => (
            <tr key={words}>
              <th scope="row" colSpan={2}>
                {words}
              </th>
              {columns.map(({ id }, index) => (
                <td key={id} className="num">
                  {rows.filter(({ cells }) => is.includes(cells[index].answer)).length}
                </td>
              ))}
            </tr>
          ))}
        </tfoot>
      )}
    </table>
  );
});

function Spacer({ width }: { width: number }) {
  return width > 0 ? <td style={{ width, padding: 0 }} aria-hidden="true" /> : null;
}

interface RowProps {
  readonly row: Row;
  readonly columns: readonly Column[];
  /** The first and the last column that are drawn. */
  readonly left: number;
  readonly right: number;
  readonly href: string;
  /** The technique whose cell is opened, if any. */
  readonly here: string;
}

const PersonRow = memo(function PersonRow({ row: { id, name, standing, unreadable, cells }, columns, left, right, href, here }: RowProps) {
  return (
    <tr>
      <th scope="row">
        <a href={`/cohorts/people/${id}`}>{name}</a>
      </th>
      <td className={standing.state === 'good' ? styles.until : styles.due}>
        {standing.state === 'none' ? 'not yet' : longDayText(standing.until)}
        {unreadable && <span className={styles.doing}>answers cannot be opened</span>}
      </td>
      <Spacer width={left * COLUMN_WIDTH} />
      {columns.slice(left, right + 1).map(({ id: technique, name: techniqueName }, index) => (
        <TableCell
          key={technique}
          cell={cells[left + index]}
          who={`${name}, ${techniqueName}`}
          href={`${href}&person=${id}&technique=${technique}`}
          here={here === technique}
        />
      ))}
      <Spacer width={(columns.length - 1 - right) * COLUMN_WIDTH} />
    </tr>
  );
});

interface CellProps {
  readonly cell: Cell;
  readonly who: string;
  readonly href: string;
  readonly here: boolean;
}

/** One cell. A plain link, followed by the table: thousands of them have to be drawn while somebody scrolls. */
const TableCell = memo(function TableCell({ cell: { answer, doing, aside }, who, href, here }: CellProps) {
  return (
    <td className={here ? styles.here : undefined}>
      <a href={href} className={styles.cell} aria-label={`${who}: ${answer}${doing ? `, ${doing}` : ''}${aside ? ', something set aside' : ''}`}>
        <span className={styles.mark}>
          <svg width="30" height="18" aria-hidden="true">
            <use href={`#${markId(answer)}`} />
          </svg>
          {answer === 'clear' ? '' : ANSWER_WORD[answer]}
        </span>
        {doing && <span className={styles.doing}>{doing}</span>}
        {aside && <span className={styles.doing}>set aside</span>}
      </a>
    </td>
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
