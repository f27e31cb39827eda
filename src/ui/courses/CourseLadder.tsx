'use client';

import { useDraggable, useDroppable } from '@dnd-kit/core';
import Link from 'next/link';
import { useEffect, useRef } from 'react';
import { dayText } from '@/core/units';
import type { CourseView } from '@/views/course';
import { Mark } from '../figures/Mark';
import styles from './CourseLadder.module.css';

type Row = CourseView['sessions'][number];
type Chip = Row['techniques'][number];

interface Props {
  readonly view: CourseView;
  readonly move: ((block: string, to: string) => void) | null;
  readonly pin: ((chip: Chip) => void) | null;
}

const STATE: Record<Row['state'], string> = {
  cancelled: 'cancelled',
  empty: 'empty',
  planned: '',
  published: 'published',
  acknowledged: 'read',
  taught: 'taught',
  'not logged': 'no log yet',
};

/** Weeks are rungs from the ground up, sessions are planks on them, a technique is a thread through every plank that practises it. */
export function CourseLadder({ view, move, pin }: Props) {
  const { sessions, checks, today, course, cancelled, lastTime } = view;
  const threads = threadsOf(sessions);
  const rows = [...sessions].reverse();
  const here = useRef<HTMLTableRowElement>(null);
  useEffect(() => {
    // Open at today, once the page has settled where it is.
    const frame = requestAnimationFrame(() => open(here.current));
    return () => cancelAnimationFrame(frame);
  }, []);
  const next = sessions.find(({ date }) => date >= today)?.id;
  return (
    <div className={styles.scroll} tabIndex={0} role="region" aria-label="Course ladder, week 1 at the foot">
      <table className={styles.ladder}>
        <thead>
          <tr>
            <th scope="col" className={styles.corner}>
              <span className="sr">Week and class</span>
            </th>
            {threads.map(({ family, name }) => (
              <th key={family} scope="col">
                {name}
              </th>
            ))}
            <th scope="col" className={styles.hour}>
              min of {course.minutes}
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.flatMap((row, index) => [
            // What was to be held above this class and is not.
            ...cancelled
              .filter(({ date }) => date > row.date && (index === 0 || date <= rows[index - 1].date))
              .reverse()
              .map((gone) => <Gone key={gone.id} gone={gone} columns={threads.length + 2} />),
            <Plank
              key={row.id}
              row={row}
              threads={threads}
              beam={rows[index + 1]?.week !== row.week}
              top={rows[index - 1]?.week !== row.week}
              past={row.date < today}
              current={row.id === next}
              innerRef={row.id === next ? here : undefined}
              wrong={checks.filter(({ session, severity }) => session === row.id && severity !== 'know')}
              move={row.date < today ? null : move}
              neighbours={neighboursOf(sessions, row.id, today)}
              pin={row.date < today || row.fixed ? null : pin}
              theme={view.themes[row.week] ?? null}
              before={lastTime?.classes[sessions.indexOf(row)] ?? null}
            />,
          ])}
          {cancelled
            .filter(({ date }) => sessions.length === 0 || date <= sessions[0].date)
            .reverse()
            .map((gone) => (
              <Gone key={gone.id} gone={gone} columns={threads.length + 2} />
            ))}
        </tbody>
      </table>
      <p className="small soft" style={{ marginTop: 8 }}>
        {move
          ? 'Drag a technique to another class, or focus it and press Alt with ↑ or ↓; P, or a double click, pins it there or lets it go. A dashed edge is something new, a peg is pinned.'
          : 'A dashed edge is something new.'}
      </p>
    </div>
  );
}

/** A class that is not held: its day stands struck through, with why. */
function Gone({ gone, columns }: { gone: CourseView['cancelled'][number]; columns: number }) {
  return (
    <tr className={styles.gone}>
      <th scope="row" colSpan={columns}>
        <s>{dayText(gone.date)}</s> <span className="small">cancelled: {gone.reason}</span>
      </th>
    </tr>
  );
}

/** Brings today's plank to the middle of the ladder, and leaves the page where it is. */
function open(plank: HTMLElement | null): void {
  const ladder = plank?.closest('[role=region]');
  if (plank && ladder) ladder.scrollTop = plank.offsetTop - ladder.clientHeight / 2 + plank.clientHeight / 2;
}

interface Thread {
  readonly family: string;
  readonly name: string;
  readonly first: number;
  readonly last: number;
}

/** Families in the order in which they come in, with the first and last session of each. */
function threadsOf(sessions: readonly Row[]): Thread[] {
  const found = new Map<string, Thread>();
  sessions.forEach(({ techniques }, index) => {
    for (const { family, familyName } of techniques)
      found.set(family, { family, name: familyName, first: found.get(family)?.first ?? index, last: index });
  });
  return [...found.values()];
}

/** The sessions just before and after, as far as they may be changed. */
function neighboursOf(sessions: readonly Row[], id: string, today: string) {
  const index = sessions.findIndex((session) => session.id === id);
  const earlier = sessions[index - 1];
  return { earlier: earlier && earlier.date >= today ? earlier.id : null, later: sessions[index + 1]?.id ?? null, index };
}

interface PlankProps {
  readonly row: Row;
  readonly threads: readonly Thread[];
  readonly beam: boolean;
  readonly top: boolean;
  readonly past: boolean;
  readonly current: boolean;
  readonly innerRef: React.RefObject<HTMLTableRowElement | null> | undefined;
  readonly wrong: CourseView['checks'];
  readonly move: Props['move'];
  readonly neighbours: ReturnType<typeof neighboursOf>;
  readonly pin: Props['pin'];
  /** What its week is about. */
  readonly theme: string | null;
  /** What the class of the course it was copied from said. */
  readonly before: string | null;
}

function Plank({ row, threads, beam, top, past, current, innerRef, wrong, move, neighbours, pin, theme, before }: PlankProps) {
  const { setNodeRef, isOver } = useDroppable({ id: row.id, disabled: !move });
  const over = row.planned > row.minutes;
  const classes = [styles.plank, beam ? styles.beam : '', past ? styles.past : '', current ? styles.current : '', isOver ? styles.over : ''].join(
    ' ',
  );
  return (
    <tr
      ref={(node) => {
        setNodeRef(node);
        if (innerRef) innerRef.current = node;
      }}
      className={classes}
    >
      <th scope="row">
        {top && <span className={styles.week}>Week {row.week}</span>}
        <Link href={`/plans/${row.id}`} title={row.purpose || undefined}>
          {dayText(row.date)}
        </Link>
        {top && theme && <span className={styles.theme}>{theme}</span>}
        <span className={styles.state}>{row.logged ?? STATE[row.state]}</span>
        {before && <span className={styles.state}>last time: {before}</span>}
        {wrong.length > 0 && (
          <span className={styles.wrong} title={wrong.map(({ title, text }) => `${title ?? 'It'} ${text}`).join('. ')}>
            <Mark answer={wrong.some(({ severity }) => severity === 'stop') ? 'leave out' : 'ask first'} word="Checks" size={20} />
            {wrong.length === 1 ? 'one check' : `${wrong.length} checks`}
          </span>
        )}
      </th>
      {threads.map(({ family, first, last }) => {
        const chips = row.techniques.filter((chip) => chip.family === family);
        const inside = neighbours.index >= first && neighbours.index <= last;
        const ends = neighbours.index === first ? styles.from : neighbours.index === last ? styles.to : '';
        return (
          <td key={family} className={inside && first !== last ? `${styles.thread} ${ends}` : undefined}>
            {chips.map((chip) => (
              <TechniqueChip
                key={chip.id}
                chip={chip}
                wrong={wrong.some(({ block }) => block === chip.id)}
                move={move}
                pin={pin}
                neighbours={neighbours}
                date={dayText(row.date)}
              />
            ))}
          </td>
        );
      })}
      <td className={styles.hour}>
        <span className={styles.bar} aria-hidden="true">
          <span style={{ width: `${Math.min(100, (row.planned / (row.minutes * 1.15)) * 100)}%` }} data-over={over} />
        </span>
        <span className="num" data-over={over}>
          {row.planned}
        </span>
      </td>
    </tr>
  );
}

function TechniqueChip({
  chip,
  wrong,
  move,
  pin,
  neighbours,
  date,
}: {
  chip: Chip;
  wrong: boolean;
  move: Props['move'];
  pin: Props['pin'];
  neighbours: PlankProps['neighbours'];
  date: string;
}) {
  const { attributes, listeners, setNodeRef, transform, isDragging } = useDraggable({ id: chip.id, disabled: !move });
  const classes = [styles.chip, chip.fresh ? styles.fresh : '', wrong ? styles.bad : '', isDragging ? styles.dragging : ''].join(' ');
  const onKeyDown = (event: React.KeyboardEvent) => {
    if (event.key.toLowerCase() === 'p' && !event.altKey && !event.ctrlKey && !event.metaKey && pin) {
      event.preventDefault();
      return pin(chip);
    }
    const to = event.key === 'ArrowUp' ? neighbours.later : event.key === 'ArrowDown' ? neighbours.earlier : null;
    if (!event.altKey || !move || !to) return;
    event.preventDefault();
    move(chip.id, to);
  };
  const under = chip.review && !chip.fresh ? 'review' : shortDose(chip.dose);
  const label = `${chip.name}, ${chip.dose}, on ${date}${chip.fresh ? ', new' : chip.review ? ', a review' : ''}${chip.pinned ? ', pinned' : ''}${wrong ? ', has a check' : ''}`;
  return (
    <button
      type="button"
      ref={setNodeRef}
      className={classes}
      style={transform ? { transform: `translate(${transform.x}px, ${transform.y}px)` } : undefined}
      {...attributes}
      {...listeners}
      role={undefined}
      aria-label={label}
      aria-roledescription={move ? 'technique that can be moved' : undefined}
      aria-keyshortcuts={move ? `Alt+ArrowUp Alt+ArrowDown${pin ? ' P' : ''}` : undefined}
      onDoubleClick={pin ? () => pin(chip) : undefined}
      onKeyDown={onKeyDown}
      title={`${chip.name} · ${chip.dose}`}
    >
      {chip.pinned && <span className={styles.peg} aria-hidden="true" />}
      <span className="num">{chip.chip}</span>
      {under !== chip.chip && <span className={styles.dose}>{under}</span>}
    </button>
  );
}

/** The dose without its rests. @example shortDose('3 rounds, rest 30 s between rounds') // "3 rounds" */
function shortDose(dose: string): string {
  return dose.split(',')[0].replace(' of 2', '').replace('rounds', 'rds');
}
