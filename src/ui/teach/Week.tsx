'use client';

import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import Link from 'next/link';
import { useState } from 'react';
import { publishManyAction } from '@/app/actions/plans';
import { dayText, type IsoDate } from '@/core/units';
import type { WeekRow, WeekView } from '@/views/week';
import { Refusal } from '../forms/fields';
import { useOnce } from '../forms/once';
import { useAction } from '../forms/useAction';
import { useNotice } from '../look/Notices';
import styles from './Week.module.css';

/** The week at a glance: every class, who teaches it, where its plan stands, and what has nobody. */
export function Week({ week, whole }: { readonly week: WeekView; /** Whether all of it is shown. */ readonly whole: boolean }) {
  const say = useNotice();
  const { run, refusal, busy, refresh } = useAction();
  const once = useOnce();
  const days = [...new Set([...week.rows.map(({ date }) => date), ...(whole ? inWeek(week) : [])])].sort();
  const publish = async ({ courseId, id, version, course, date }: WeekRow) => {
    const reply = await run(() => publishManyAction({ once: once.id(), course: courseId, seen: [{ session: id, version }] }));
    if (reply?.ok) once.done();
    if (reply?.ok) {
      const [held] = reply.value.held;
      say(held ? `Held back: ${held.why}` : reply.value.published.length > 0 ? `${course}, ${dayText(date)} is published.` : 'Nothing in it is new.');
    }
    refresh();
  };
  return (
    <div>
      <Refusal message={refusal} />
      <ol className={styles.week}>
        {days.map((date) => (
          <li key={date} className={styles.day} data-today={date === week.today ? '' : undefined}>
            <h2 className={styles.date}>
              {dayText(date)}
              {date === week.today && <small>today</small>}
            </h2>
            <ul className={styles.rows}>
              {week.rows
                .filter((row) => row.date === date)
                .map((row) => (
                  <Row key={row.id} row={row} week={week} busy={busy} onPublish={() => void publish(row)} />
                ))}
            </ul>
          </li>
        ))}
      </ol>
    </div>
  );
}

/** Today stands in its week even where nothing is held. */
function inWeek({ today, monday }: WeekView): IsoDate[] {
  return today >= monday && Date.parse(today) - Date.parse(monday) < 7 * 86_400_000 ? [today] : [];
}

interface RowProps {
  readonly row: WeekRow;
  readonly week: WeekView;
  readonly busy: boolean;
  readonly onPublish: () => void;
}

function Row({ row, week, busy, onPublish }: RowProps) {
  const [at, setAt] = useState<HTMLElement | null>(null);
  const { id, courseId, start, course, teacher, mine, nobody, state, cancelled, fresh, unread } = row;
  const ahead = row.date >= week.today && !cancelled && state !== 'taught';
  const open = mine && row.number !== null ? (state === 'not logged' ? `/teach/${id}?log` : `/teach/${id}`) : row.opens ? `/plans/${id}` : null;
  const menu = (ahead && week.whole) || (row.opens && open !== `/plans/${id}`);
  return (
    <li className={styles.row} data-nobody={nobody ? '' : undefined} data-over={ahead ? undefined : ''}>
      <span className={`num ${styles.start}`}>{start}</span>
      <span>{cancelled ? <s>{course}</s> : open ? <Link href={open}>{course}</Link> : course}</span>
      <span>{nobody ? <strong className={styles.stop}>nobody</strong> : (teacher ?? <span className="soft">somebody who left</span>)}</span>
      <span className="small">
        <Standing row={row} />
        {unread > 0 && <strong> · {unread === 1 ? 'a new note' : `${unread} new notes`}</strong>}
      </span>
      {menu ? (
        <button
          type="button"
          className={styles.menu}
          aria-haspopup="menu"
          aria-expanded={at !== null}
          aria-label={`What to do with ${course}, ${dayText(row.date)}`}
          onClick={(event) => setAt(event.currentTarget)}
        >
          ···
        </button>
      ) : (
        <span />
      )}
      {ahead && fresh && <span className={styles.fresh}>{fresh === 'the first class' ? fresh : `New: ${fresh}`}</span>}
      <Menu anchorEl={at} open={at !== null} onClose={() => setAt(null)}>
        {row.opens && (
          <MenuItem component={Link} href={`/plans/${id}`}>
            Open the plan
          </MenuItem>
        )}
        {ahead && week.mayEdit && (row.number === null || row.changed) && state !== 'empty' && (
          <MenuItem
            disabled={busy}
            onClick={() => {
              setAt(null);
              onPublish();
            }}
          >
            Publish it
          </MenuItem>
        )}
        {ahead && (
          <MenuItem component={Link} href={`/teach?week=${week.monday}&cover=${id}`} onClick={() => setAt(null)}>
            Hand it over
          </MenuItem>
        )}
        {ahead && week.mayEdit && (
          <MenuItem component={Link} href={`/courses/${courseId}?cancel=${id}`}>
            Cancel it
          </MenuItem>
        )}
      </Menu>
    </li>
  );
}

/** Where a class stands, in a few words. */
function Standing({ row }: { row: WeekRow }) {
  const { state, nobody, teacher, logged, changed, again, cancelled } = row;
  if (cancelled) return <>cancelled: {cancelled}</>;
  if (nobody) return <span className={styles.stop}>{nobody === 'has left' ? 'whoever had it no longer teaches here' : `${teacher} is away`}</span>;
  switch (state) {
    case 'taught':
      return <>taught, {logged}</>;
    case 'not logged':
      return <span className={styles.ask}>taught, the log waits</span>;
    case 'empty':
      return <span className={styles.ask}>nothing in it yet</span>;
    case 'planned':
      return <span className={styles.ask}>not published</span>;
    case 'published':
      return <span className={styles.ask}>{again ? 'to be read again: stricter since' : 'not read'}</span>;
    default:
      return changed ? <span className={styles.ask}>read; changed since, not published</span> : <>read</>;
  }
}
