'use client';

import { useEffect, useState, type FormEvent } from 'react';
import { dayText, type IsoDate } from '@/core/units';
import type { DayView } from '@/views/series';
import styles from './Day.module.css';
import { Heard } from './Heard';
import type { Saying, useSaying } from './useSaying';

const FELT = ['easy', 'worked', 'strained'] as const;

interface Props {
  readonly link: string;
  readonly day: DayView;
  readonly easier: boolean;
  readonly saying: ReturnType<typeof useSaying>;
}

/** How it was, in one tap: today, and yesterday while it can still be told. */
export function Afterwards({ link, day, easier, saying }: Props) {
  const { say, last, toldBefore } = saying;
  return (
    <section className="stack" aria-label="Afterwards" id="afterwards">
      <h2>Afterwards</h2>
      <Heard saying={saying} emergency={day.emergency} />
      {last && (
        <p className="small soft">
          You said: {last.did}
          {last.felt ? `, ${last.felt}` : ''}. Another tap changes it; what felt wrong stays said.
        </p>
      )}
      {day.day !== null && <Telling link={link} day={day} date={day.date} easier={easier} say={say} />}
      {day.yesterday && !toldBefore && (
        <div className="stack" role="group" aria-label="Yesterday">
          <p className="small">And {dayText(day.yesterday)}? It can be told until today ends.</p>
          <Telling link={link} day={day} date={day.yesterday} easier={null} say={say} />
        </div>
      )}
    </section>
  );
}

interface TellingProps extends Pick<Props, 'link' | 'day'> {
  readonly date: IsoDate;
  /** Whether it was the easier version; null where that is asked. */
  readonly easier: boolean | null;
  readonly say: (saying: Saying) => Promise<void>;
}

/** What can be said of a day. It is a form like any other: a phone without JavaScript sends it too. */
function Telling({ link, day, date, easier, say }: TellingProps) {
  const [wrong, setWrong] = useState(false);
  const today = date === day.date;
  const id = today ? 'something-felt-wrong' : 'something-felt-wrong-then';
  useEffect(() => {
    if (wrong) document.getElementById(id)?.scrollIntoView({ block: 'nearest' });
  }, [wrong, id]);
  const form = {
    method: 'post',
    action: `/api/day/${link}`,
    onSubmit: (event: FormEvent<HTMLFormElement>) => {
      event.preventDefault();
      const { submitter } = event.nativeEvent as SubmitEvent;
      const data = new FormData(event.currentTarget, submitter);
      if (data.has('signs')) setWrong(false);
      void say({
        did: (data.get('did') as Saying['did'] | null) ?? 'done',
        felt: (data.get('felt') as Saying['felt']) ?? null,
        easier: data.get('easier') === 'on',
        signs: data.getAll('signs').map(String),
        wrong: data.get('wrong') === 'yes',
        date,
      });
    },
  };
  const hidden = (
    <>
      {easier && <input type="hidden" name="easier" value="on" />}
      <input type="hidden" name="date" value={date} />
    </>
  );
  return (
    <>
      <form {...form}>
        {hidden}
        {easier === null && (
          <label className={`check small ${styles.asked}`}>
            <input type="checkbox" name="easier" />
            <span>It was the easier version</span>
          </label>
        )}
        <div className={styles.felt}>
          {FELT.map((felt) => (
            <button key={felt} name="felt" value={felt} aria-label={today ? undefined : `${dayText(date)}: ${felt}`}>
              {felt}
            </button>
          ))}
        </div>
        <div className={styles.more}>
          <a
            href={`#${id}`}
            onClick={(event) => {
              event.preventDefault();
              setWrong(true);
            }}
          >
            Something felt wrong{today ? '' : ' then'}
          </a>
          <button name="did" value="something else" className={styles.plain}>
            I did something else{today ? '' : ' then'}
          </button>
          <button name="did" value="not today" className={styles.plain}>
            Not {today ? 'today' : 'that day'}
          </button>
        </div>
      </form>
      <form
        {...form}
        id={id}
        className={styles.wrong}
        data-open={wrong ? '' : undefined}
        aria-label={`Something felt wrong${today ? '' : ` on ${dayText(date)}`}`}
      >
        {hidden}
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
    </>
  );
}
