'use client';

import { DndContext, PointerSensor, pointerWithin, useDraggable, useDroppable, useSensor, useSensors, type DragEndEvent } from '@dnd-kit/core';
import { weekOfDay } from '@/core/series';
import type { SeriesDayView, SeriesView } from '@/views/series';
import type { ChangeDay } from './DayEdit';
import styles from './Series.module.css';

interface Props {
  readonly view: SeriesView;
  /** The practice that is chosen, by its id: it goes along when its day moves. */
  readonly chosen: string | null;
  readonly busy: boolean;
  readonly onChoose: (id: string | null) => void;
  readonly onChange: ChangeDay;
}

/** Where a day is let go: on another, or on the rung under one; above the last there is a rung too. */
const ON = 'on';
const UNDER = 'under';

/** The days as ladders: weeks side by side, day 1 at the foot. A day on another changes places with it; on a rung it goes in between. */
export function Ladders({ view, chosen, busy, onChoose, onChange }: Props) {
  const { days, themes, today } = view;
  const editable = view.mayEdit && !busy;
  const weeks = Array.from({ length: weekOfDay(days.length) }, (_, week) => days.slice(week * 7, week * 7 + 7));
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }));
  const dropped = ({ active, over }: DragEndEvent) => {
    const [where, at] = String(over?.id ?? '').split(' ');
    const [day, other] = [Number(active.id), Number(at)];
    if (!where || day === other) return;
    // Taken out below it, the rung under a day is a place lower.
    const to = where === UNDER && day < other ? other - 1 : other;
    if (to !== day) void onChange({ do: where === ON ? 'swap' : 'move', day, with: to });
  };
  return (
    <DndContext sensors={sensors} id="series" collisionDetection={pointerWithin} onDragEnd={dropped}>
      <div className={styles.ladders} style={{ '--weeks': Math.min(3, weeks.length) } as React.CSSProperties}>
        {weeks.map((week, index) => (
          <section key={index} aria-label={`Week ${index + 1}`}>
            <h2 className={styles.week}>
              Week {index + 1}
              {themes[index] && <span className="soft small"> {themes[index]}</span>}
            </h2>
            <ol className={styles.ladder} reversed start={week[week.length - 1].day}>
              {index === weeks.length - 1 && <Between under={days.length + 1} />}
              {[...week].reverse().map((day) => (
                <Rung
                  key={day.day}
                  day={day}
                  start={view.start}
                  today={today === day.day}
                  chosen={chosen === day.id}
                  editable={editable}
                  onChoose={() => onChoose(chosen === day.id ? null : day.id)}
                  onMove={(by) => {
                    const to = day.day + by;
                    if (to < 1 || to > days.length) return;
                    void onChange({ do: 'move', day: day.day, with: to });
                    onChoose(day.id);
                  }}
                />
              ))}
            </ol>
          </section>
        ))}
      </div>
    </DndContext>
  );
}

interface RungProps {
  readonly day: SeriesDayView;
  /** The hour of a live day. */
  readonly start: string;
  readonly today: boolean;
  readonly chosen: boolean;
  readonly editable: boolean;
  readonly onChoose: () => void;
  readonly onMove: (by: 1 | -1) => void;
}

/** One day: what is practised, how long, how many did it. By keyboard it moves with Alt and an arrow. */
function Rung({ day, start, today, chosen, editable, onChoose, onMove }: RungProps) {
  const { setNodeRef: draggable, listeners, transform, isDragging } = useDraggable({ id: day.day, disabled: !editable });
  const { setNodeRef: droppable, isOver } = useDroppable({ id: `${ON} ${day.day}` });
  const press = (event: React.KeyboardEvent) => {
    const by = event.key === 'ArrowUp' ? 1 : event.key === 'ArrowDown' ? -1 : null;
    if (by === null || !event.altKey || !editable) return;
    event.preventDefault();
    onMove(by);
  };
  const kind = day.kind === 'own' ? '' : day.kind === 'live' ? ` · live ${start}` : ' · gentle';
  return (
    <li
      ref={droppable}
      className={styles.rung}
      data-kind={day.kind}
      data-today={today ? '' : undefined}
      data-ahead={day.did === null ? '' : undefined}
      data-over={isOver && !isDragging ? '' : undefined}
    >
      <button
        ref={draggable}
        type="button"
        className={styles.day}
        aria-pressed={chosen}
        onClick={onChoose}
        onKeyDown={press}
        {...listeners}
        style={transform ? { transform: `translate(${transform.x}px, ${transform.y}px)` } : undefined}
      >
        <strong>{day.practices.map(({ name }) => name).join(', ')}</strong>
        <span>
          day {day.day} · {day.minutes} min{kind}
          {day.did !== null && (
            <span className={styles.did}>
              <b className="num">{day.did}</b> of {day.of}
            </span>
          )}
          {day.wrong > 0 && <span className={styles.wrong}>{day.wrong === 1 ? 'one thing' : `${day.wrong} things`}</span>}
        </span>
      </button>
      <Gap under={day.day} />
    </li>
  );
}

/** The rung under a day, where another is let go to come in between. */
function Gap({ under }: { under: number }) {
  const { setNodeRef, isOver } = useDroppable({ id: `${UNDER} ${under}` });
  return <span ref={setNodeRef} className={styles.gap} data-over={isOver ? '' : undefined} aria-hidden />;
}

function Between({ under }: { under: number }) {
  return (
    <li className={styles.top} aria-hidden>
      <Gap under={under} />
    </li>
  );
}
