import Link from 'next/link';
import type { ReactNode } from 'react';
import { HOME_LINES, PAPER_FOOT, type CoursePage, type Handout, type PlanSheet } from '@/core/paper';
import { dayText } from '@/core/units';
import type { CohortView, TableView } from '@/views/cohort';
import { MonoStrip } from './MonoStrip';
import styles from './Paper.module.css';
import { PrintKey } from './PrintKey';

/** A document as PDF, in both sizes. */
export function pdfs(what: 'plan' | 'handout' | 'course-page', id: string) {
  const href = `/api/export/${what}/${id}`;
  return [
    { name: 'PDF, A4', href },
    { name: 'PDF, letter', href: `${href}?size=letter` },
  ];
}

/** A sheet on the screen as it is on paper, with what can be done with it above; none of that is printed. */
export function Desk({
  back,
  files,
  children,
}: {
  back: string;
  files: readonly { readonly name: string; readonly href: string }[];
  children: ReactNode;
}) {
  return (
    <main className={styles.desk}>
      <nav className={styles.bar} aria-label="This sheet">
        <Link href={back}>‹ back</Link>
        <PrintKey />
        {files.map(({ name, href }) => (
          <a key={href} href={href} download>
            {name}
          </a>
        ))}
      </nav>
      <article className={styles.sheet}>{children}</article>
    </main>
  );
}

/** A lesson plan that a teacher takes to the mat. */
export function PlanPaper({ sheet }: { sheet: PlanSheet }) {
  const { studio, place, when, length, whose, purpose, note, fresh, changed, usually, rows, people, asOf, stopSigns, emergency } = sheet;
  return (
    <>
      <header className={styles.top}>
        <div>
          <p>
            {studio} · {place}
          </p>
          <h1>{when}</h1>
        </div>
        <div className={styles.right}>
          <strong>{length}</strong>
          <p>{whose}</p>
        </div>
      </header>
      {(purpose || fresh || changed || note) && (
        <div className={styles.box}>
          {purpose && (
            <p>
              <strong>{purpose}</strong>
            </p>
          )}
          {fresh && (
            <p>
              <strong>New today:</strong> {fresh}.
            </p>
          )}
          {changed && <p>{changed}</p>}
          {note && <p>Note: {note}</p>}
        </div>
      )}
      <p className={styles.soft}>Where nothing else is said: {usually}.</p>
      <table className={styles.rows}>
        <tbody>
          {rows.map((row, index) => (
            <tr key={index}>
              <td className={styles.clock}>{row.clock}</td>
              <td colSpan={row.strip ? 1 : 2}>
                {row.technique ? <strong>{row.name}</strong> : row.name}
                {row.details.length > 0 && <div className={styles.soft}>{row.details.join(' · ')}</div>}
              </td>
              {row.strip && (
                <td className={styles.strip}>
                  <MonoStrip strip={row.strip} />
                  <span>{row.written}</span>
                </td>
              )}
              <td className={styles.minutes}>{row.minutes}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <div className={styles.two}>
        {people && (
          <section>
            <h2>In the room</h2>
            <p className={styles.soft}>Instructions as of {asOf}</p>
            {people.length === 0 && <p>Everyone does everything as taught.</p>}
            {people.map(({ names, text }) => (
              <p key={names + text}>
                <strong>{names}</strong>: {text}.
              </p>
            ))}
          </section>
        )}
        <section>
          <h2>Let go at once</h2>
          <p>{stopSigns}.</p>
          <p>
            <strong>{emergency}</strong>
          </p>
        </section>
      </div>
      <p className={styles.foot}>{PAPER_FOOT}</p>
    </>
  );
}

/** What to practise at home, for the people of a cohort. */
export function HandoutPaper({ sheet }: { sheet: Handout }) {
  return (
    <div className={styles.home}>
      <header className={styles.top}>
        <div>
          <p>
            {sheet.studio} · {sheet.course}
          </p>
          <h1>At home</h1>
          <p>
            {sheet.when}, {sheet.until}.
          </p>
        </div>
      </header>
      {sheet.practices.length === 0 && <p>Nothing of this class is practised alone. Breathe as you like, and come again.</p>}
      {sheet.practices.map(({ name, dose, how, written, strip }) => (
        <section key={name} className={styles.practice}>
          <div>
            <h2>{name}</h2>
            <p>
              <strong>{dose}</strong>
            </p>
            {how && <p>{how}.</p>}
          </div>
          <div>
            <MonoStrip strip={strip} width={220} height={54} />
            <strong className="num">{written}</strong>
          </div>
        </section>
      ))}
      {HOME_LINES.map((line) => (
        <p key={line}>{line}</p>
      ))}
      <h2>When to stop</h2>
      <p>Let go and breathe naturally at any of these: {sheet.stopSigns}.</p>
      <p>
        <strong>{sheet.emergency}</strong>
      </p>
      <p className={styles.foot}>Planning help, no medical advice.</p>
    </div>
  );
}

/** A course for the notice board. */
export function CoursePaper({ page }: { page: CoursePage }) {
  return (
    <>
      <header className={styles.top}>
        <div>
          <p>{page.studio}</p>
          <h1>{page.name}</h1>
          <p>
            {page.when}, with {page.teacher}
          </p>
        </div>
      </header>
      <table className={styles.rows}>
        <tbody>
          {page.classes.map(({ number, when, what }) => (
            <tr key={number}>
              <td className={styles.clock}>{number}</td>
              <td style={{ width: 170 }} className="num">
                {when}
              </td>
              <td>{what}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}

/** Who does what otherwise, person by technique; clear is left empty. */
export function CohortPaper({ studio, view: { group, people }, table }: { studio: string; view: CohortView; table: TableView }) {
  const nameOf = (id: string) => people.find((person) => person.id === id)?.name ?? '';
  return (
    <>
      <header className={styles.top}>
        <div>
          <p>{studio}</p>
          <h1>{group.name}</h1>
          <p>
            {people.length} people, as of {dayText(table.date)}
          </p>
        </div>
      </header>
      <table className={`${styles.rows} ${styles.grid}`}>
        <thead>
          <tr>
            <th scope="col">Who</th>
            {table.columns.map(({ id, name }) => (
              <th key={id} scope="col">
                {name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {table.rows.map(({ person, cells }) => (
            <tr key={person}>
              <th scope="row">{nameOf(person)}</th>
              {cells.map(({ answer }, index) => (
                <td key={table.columns[index].id}>{answer === 'clear' ? '' : answer}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      <p className={styles.foot}>Planning help, no medical advice. For the director alone; destroy after use.</p>
    </>
  );
}
