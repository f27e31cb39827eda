'use client';

import { mustParsePattern } from '@/core/pattern';
import { dayText, millis } from '@/core/units';
import type { Climb } from '@/views/climb';
import type { CourseView } from '@/views/course';
import { BreathStrip } from '../figures/BreathStrip';
import styles from './Climbs.module.css';

interface Props {
  readonly climb: Climb;
  readonly view: CourseView;
  readonly naturalBreath: number;
}

/** A climb as stairs: classes run across, each step lies under its strip from the first class that practises it to the last. */
export function Stairs({ climb, view, naturalBreath }: Props) {
  const { sessions, today } = view;
  const { stairs } = climb;
  if (stairs.length === 0) return <p className="soft">No class practises it yet.</p>;
  const now = sessions.findIndex(({ date }) => date >= today);
  const pace = { tempo: millis(climb.tempo), naturalBreath: millis(naturalBreath) };
  const levels = [...new Set(stairs.map(({ pattern, dose }) => `${pattern} ${dose}`))];
  const practised = new Set(climb.points.map(({ at }) => at));
  return (
    <div className={styles.scroll} tabIndex={0} role="group" aria-label={`${climb.name} by class`}>
      <div className={styles.stairs} style={{ gridTemplateColumns: `repeat(${sessions.length}, minmax(26px, 1fr))` }}>
        {stairs.map(({ pattern, dose, from, to, classes, easy }) => {
          const row = levels.length - levels.indexOf(`${pattern} ${dose}`);
          // A strip needs room beside its words, however few classes it lasts.
          const end = Math.max(to + 2, Math.min(sessions.length + 1, from + 6));
          const past = now >= 0 && from < now;
          // Words that would stand over those of the same height go without; the beam says when.
          const start = Math.min(from + 1, Math.max(1, end - 5));
          const crowded = stairs.some((other) => other.from < from && other.pattern === pattern && other.dose === dose && start <= other.from + 6);
          return (
            <div key={`${from} ${pattern} ${dose}`} className={styles.stair} style={{ gridColumn: `${start} / ${end}`, gridRow: row }}>
              {!crowded && (
                <div className={styles.step}>
                  <span className={styles.strip}>
                    <BreathStrip pattern={mustParsePattern(pattern)} pace={pace} width={120} height={56} labels={false} title="" />
                  </span>
                  <span>
                    <span className="num">{pattern}</span>
                    <span className="small soft">
                      {dose} · {easy ?? (classes === 1 ? 'one class' : `${classes} classes`)}
                    </span>
                  </span>
                </div>
              )}
              <span className="sr">
                {crowded && `${pattern}, ${dose}, `}from {dayText(sessions[from].date)} to {dayText(sessions[to].date)}
              </span>
              <span
                className={styles.beam}
                title={crowded ? `${pattern}, ${dose}` : undefined}
                data-past={past}
                // It stands on its own classes, wherever its words found room.
                style={{ marginLeft: `${((from + 1 - start) / (end - start)) * 100}%`, width: `${((to - from + 1) / (end - start)) * 100}%` }}
              />
            </div>
          );
        })}
        {sessions.map(({ id, date, week }, at) => (
          <span
            key={id}
            className={styles.tick}
            style={{ gridColumn: at + 1, gridRow: levels.length + 1 }}
            data-has={practised.has(at)}
            data-now={at === now}
            title={dayText(date)}
          >
            {at === now ? <b>{date === today ? 'today' : 'next'}</b> : at === 0 || sessions[at - 1].week !== week ? week : ''}
          </span>
        ))}
      </div>
    </div>
  );
}
