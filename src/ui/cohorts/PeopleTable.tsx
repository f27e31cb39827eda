import Link from 'next/link';
import type { Answer } from '@/core/screening';
import { dayText, longDayText, type IsoDate } from '@/core/units';
import type { Standing } from '@/server/usecases/cohorts/listCohorts';
import { ANSWER_WORD, Mark } from '../figures/Mark';
import styles from './PeopleTable.module.css';

interface Props {
  readonly cohort: string;
  readonly people: readonly { readonly id: string; readonly name: string; readonly standing: Standing }[];
  readonly table: {
    readonly date: IsoDate;
    readonly columns: readonly { readonly id: string; readonly name: string }[];
    readonly rows: readonly { readonly person: string; readonly cells: readonly { readonly answer: Answer; readonly doing: string }[] }[];
  };
  readonly focus: { readonly person: string; readonly technique: string } | null;
}

/** People × techniques for a date: a mark, its word, and what is done instead, written into the cell. */
export function PeopleTable({ cohort, people, table, focus }: Props) {
  const { date, columns, rows } = table;
  const able = columns.map((_, index) => rows.filter(({ cells }) => ['clear', 'watch'].includes(cells[index].answer)).length);
  return (
    <div>
      <form className="row small" style={{ marginBottom: 10 }}>
        <label htmlFor="date">
          Decided for <strong>{dayText(date)}</strong>. Another day:
        </label>
        <input id="date" name="date" type="date" defaultValue={date} className={styles.date} />
        <button className={styles.go}>Show</button>
      </form>
      <div className={styles.scroll} tabIndex={0} role="region" aria-label="People and techniques, scrolls sideways">
        <table className={styles.table}>
          <thead>
            <tr>
              <th scope="col">Person</th>
              <th scope="col">Screened until</th>
              {columns.map(({ id, name }) => (
                <th key={id} scope="col">
                  {name}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map(({ person, cells }) => {
              const { name, standing } = people.find(({ id }) => id === person)!;
              return (
                <tr key={person}>
                  <th scope="row">{name}</th>
                  <td className={standing.state === 'good' ? styles.until : styles.due}>
                    {standing.state === 'none' ? 'not yet' : longDayText(standing.until)}
                  </td>
                  {cells.map(({ answer, doing }, index) => {
                    const { id, name: technique } = columns[index];
                    const here = focus?.person === person && focus.technique === id;
                    return (
                      <td key={id} className={here ? styles.here : undefined}>
                        <Link
                          href={`/cohorts/${cohort}?date=${date}&person=${person}&technique=${id}`}
                          scroll={false}
                          prefetch={false}
                          className={styles.cell}
                          aria-label={`${name}, ${technique}: ${answer}${doing ? `, ${doing}` : ''}`}
                        >
                          <span>
                            <Mark answer={answer} /> <span aria-hidden="true">{answer === 'clear' ? '' : ANSWER_WORD[answer]}</span>
                          </span>
                          {doing && <span className={styles.doing}>{doing}</span>}
                        </Link>
                      </td>
                    );
                  })}
                </tr>
              );
            })}
          </tbody>
          <tfoot>
            <tr>
              <th scope="row" colSpan={2}>
                can do it as taught
              </th>
              {able.map((count, index) => (
                <td key={columns[index].id} className="num">
                  {count}
                </td>
              ))}
            </tr>
          </tfoot>
        </table>
      </div>
    </div>
  );
}
