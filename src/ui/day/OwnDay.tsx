'use client';

import { useEffect, useState } from 'react';
import { parsePattern } from '@/core/pattern';
import { dayText } from '@/core/units';
import type { DayPractice, DayView } from '@/views/series';
import { keepDayOffline } from '../device';
import { BreathStrip } from '../figures/BreathStrip';
import { useNow } from '../shell/useNow';
import { Afterwards } from './Afterwards';
import styles from './Day.module.css';
import { OwnLadder } from './OwnLadder';
import { Practice } from './Practice';
import { useSaying } from './useSaying';

interface Props {
  readonly link: string;
  readonly day: DayView;
  /** The easier version was asked for, where no script does it. */
  readonly easier: boolean;
  readonly said: 'heard' | 'signs' | 'help' | null;
  readonly why: string | null;
}

/** A person's own day: today's practice for them, how it was, and their ladder. */
export function OwnDay({ link, day, easier: asked, said: before, why }: Props) {
  const [easier, setEasier] = useState(asked || day.easierFirst);
  const [running, setRunning] = useState(false);
  const saying = useSaying(link, day, before, why);
  useEffect(() => void keepDayOffline(), []);
  const over = useOver(day.ends, running);
  const practice = easier ? (day.easier ?? day.practice) : day.practice;
  const other = easier ? day.practice : day.easier;
  return (
    <>
      <p className="soft small">
        {day.studio} · {day.series}
      </p>
      <h1>{day.day === null ? `Hello ${day.person}` : `Day ${day.day}, ${day.person}`}</h1>
      <p className="lead">
        {practice && (
          <>
            {practice.parts.map(({ name }) => name).join(', then ')}, <span className="num">{practice.minutes}</span>{' '}
            {practice.minutes === 1 ? 'minute' : 'minutes'}.{' '}
          </>
        )}
        {day.of > 0 && (
          <>
            You have come to{' '}
            <strong className="num">
              {day.did} of {day.of}
            </strong>{' '}
            {day.of === 1 ? 'day' : 'days'}.
          </>
        )}
      </p>
      {over && (
        <p className="note" role="status">
          This is your page of {dayText(day.date)}. For today’s, open it with a network.
        </p>
      )}
      {day.says && <p>{day.says}</p>}
      {day.live && <p className="note">{day.live}</p>}
      {practice && (
        <>
          <Strips practice={practice} naturalBreath={day.naturalBreath} />
          {day.minding.length > 0 && <p className="small">Mind: {day.minding.join('; ')}.</p>}
          <button type="button" className={`big ${styles.begin}`} onClick={() => setRunning(true)}>
            Begin, {practice.minutes} {practice.minutes === 1 ? 'minute' : 'minutes'}
          </button>
          {other && JSON.stringify(other.parts) !== JSON.stringify(practice.parts) && (
            <a
              className={styles.other}
              href={easier ? `/day/${link}` : `/day/${link}?easier`}
              onClick={(event) => {
                event.preventDefault();
                setEasier(!easier);
              }}
            >
              {easier ? 'As planned' : 'Easier'}: {other.parts.map(({ name }) => name).join(', ')}
            </a>
          )}
          <p className={styles.letGo}>
            <strong>Let go whenever you like.</strong> Dizzy, tingling, pressure in the brow, strained: breathe as you like, sit or lie down. Never in
            water or at the wheel. With a fever, a wheeze, a knock to the head these four weeks, alcohol or a sedative: count nothing today, breathe
            as you like.
          </p>
        </>
      )}
      {(day.day !== null || day.yesterday) && <Afterwards link={link} day={day} easier={easier} saying={saying} />}
      {day.ladder.length > 0 && <OwnLadder ladder={day.ladder} />}
      <Own link={link} mails={day.mails} />
      {running && practice && <Practice practice={practice} onEnd={() => setRunning(false)} />}
    </>
  );
}

/**
 * Whether the day that is shown is over at the studio, as on a page that was kept on the phone. Come back to with a network, it is opened
 * anew, but never in the middle of a practice.
 */
function useOver(ends: string, running: boolean): boolean {
  useEffect(() => {
    const open = () => {
      if (document.visibilityState === 'visible' && Date.now() >= Date.parse(ends) && !running && navigator.onLine) location.reload();
    };
    document.addEventListener('visibilitychange', open);
    return () => document.removeEventListener('visibilitychange', open);
  }, [ends, running]);
  return useNow((now) => now >= Date.parse(ends), false);
}

/** Every practice of the day, drawn; where there are several, each with its minutes. */
function Strips({ practice: { parts, tempo }, naturalBreath }: { practice: DayPractice; naturalBreath: DayView['naturalBreath'] }) {
  const several = parts.length > 1;
  return parts.map(({ name, pattern, minutes }, at) => {
    const read = parsePattern(pattern);
    return (
      read.ok && (
        <figure key={`${at} ${name}`} className={styles.strip}>
          {several && (
            <figcaption className="small">
              <strong>{name}</strong>, <span className="num">{minutes}</span> min
            </figcaption>
          )}
          <BreathStrip pattern={read.value} pace={{ tempo, naturalBreath }} width={354} height={several ? 150 : 170} title={`${name}, drawn`} />
        </figure>
      )
    );
  });
}

/** What is theirs to take along, and to end. */
function Own({ link, mails }: { link: string; mails: boolean }) {
  const send = { method: 'post', action: `/api/day/${link}` } as const;
  return (
    <section className={`stack ${styles.own}`} aria-label="Your own" id="own">
      <p className="row small">
        <a href={`/api/day/${link}/week`}>Your week, for your teacher</a>
        <a href={`/api/day/${link}/days`}>All you said, as a file</a>
      </p>
      <form {...send}>
        <input type="hidden" name="do" value="mails" />
        <input type="hidden" name="mails" value={mails ? 'no' : 'yes'} />
        <button className={styles.plain}>{mails ? 'Stop the morning mail' : 'Send me the morning mail again'}</button>
      </form>
      <form {...send} className="row">
        <input type="hidden" name="do" value="leave" />
        <label className="check small">
          <input type="checkbox" name="sure" required />
          <span>I want to leave this series</span>
        </label>
        <button className={styles.plain}>Leave</button>
      </form>
      <p className="small soft">This page is yours alone; its address is the key to it.</p>
    </section>
  );
}
