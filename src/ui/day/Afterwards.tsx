'use client';

import { useState, type FormEvent } from 'react';
import { dayText } from '@/core/units';
import type { DayView } from '@/views/series';
import styles from './Day.module.css';
import { Heard } from './Heard';
import type { Saying, useSaying } from './useSaying';

const FELT = ['easy', 'worked', 'strained'] as const;

interface Props {
  readonly token: string;
  readonly day: DayView;
  readonly easier: boolean;
  readonly saying: ReturnType<typeof useSaying>;
}

/** How it was, in one tap. It is a form like any other: a phone without JavaScript sends it too. */
export function Afterwards({ token, day, easier, saying }: Props) {
  const { say, last, toldBefore } = saying;
  const [wrong, setWrong] = useState(false);
  const form = (extra: Partial<Saying>) => ({
    method: 'post',
    action: `/api/day/${token}`,
    onSubmit: (event: FormEvent<HTMLFormElement>) => {
      event.preventDefault();
      const { submitter } = event.nativeEvent as SubmitEvent;
      const data = new FormData(event.currentTarget, submitter);
      void say({
        did: (data.get('did') as Saying['did'] | null) ?? 'done',
        felt: (data.get('felt') as Saying['felt']) ?? null,
        easier,
        signs: data.getAll('signs').map(String),
        wrong: data.get('wrong') === 'yes',
        ...extra,
      });
    },
  });
  const asked = easier ? <input type="hidden" name="easier" value="on" /> : null;
  return (
    <section className="stack" aria-label="Afterwards" id="afterwards">
      <h2>Afterwards</h2>
      <Heard saying={saying} emergency={day.emergency} />
      {last && (
        <p className="small soft">
          You said: {last.did}
          {last.felt ? `, ${last.felt}` : ''}. Another tap changes it.
        </p>
      )}
      <form {...form({})}>
        {asked}
        <input type="hidden" name="date" value={day.date} />
        <div className={styles.felt}>
          {FELT.map((felt) => (
            <button key={felt} name="felt" value={felt}>
              {felt}
            </button>
          ))}
        </div>
        <div className={styles.more}>
          <a href="#something-felt-wrong" onClick={() => setWrong(true)}>
            Something felt wrong
          </a>
          <button name="did" value="something else" className={styles.plain}>
            I did something else
          </button>
          <button name="did" value="not today" className={styles.plain}>
            Not today
          </button>
        </div>
      </form>
      <form {...form({})} id="something-felt-wrong" className={styles.wrong} data-open={wrong ? '' : undefined} aria-label="Something felt wrong">
        {asked}
        <input type="hidden" name="date" value={day.date} />
        <p>
          <strong>{day.emergency}</strong>
        </p>
        {[...day.helpSigns, ...day.stopSigns].map((sign) => (
          <label key={sign} className="check">
            <input type="checkbox" name="signs" value={sign} />
            <span>{sign}</span>
          </label>
        ))}
        <input type="hidden" name="wrong" value="yes" />
        <button className="big">Say it</button>
      </form>
      {day.yesterday && !toldBefore && (
        <form {...form({ date: day.yesterday })} className="stack" aria-label="Yesterday">
          <input type="hidden" name="date" value={day.yesterday} />
          <p className="small">And {dayText(day.yesterday)}? It can be told until today ends.</p>
          <div className={styles.felt}>
            {FELT.map((felt) => (
              <button key={felt} name="felt" value={felt} aria-label={`${dayText(day.yesterday!)}: ${felt}`}>
                {felt}
              </button>
            ))}
          </div>
        </form>
      )}
    </section>
  );
}
