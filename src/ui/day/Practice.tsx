'use client';

import Dialog from '@mui/material/Dialog';
import { useEffect, useState } from 'react';
import { AT_THE_START, shownAt, step, type PlayerState } from '@/core/cues';
import { clockText } from '@/core/units';
import type { DayPractice } from '@/views/series';
import { Rails } from '../teach/Rails';
import { deviceClock } from '../teach/run';
import { useAwake, usePosition, useTones } from '../teach/stage';
import styles from './Day.module.css';

/** How long a phone buzzes as a phase begins, in milliseconds. */
const BUZZ: Readonly<Record<string, number | number[]>> = { in: 90, out: [40, 60, 40], hold: 25, empty: 25 };

/** The practice itself on a phone: the rails and the count, a tone or a buzz if it is wanted. Needs no network. */
export function Practice({ practice: { line, parts }, onEnd }: { practice: DayPractice; onEnd: () => void }) {
  const [player, setPlayer] = useState<PlayerState>(() => step(AT_THE_START, 'play', deviceClock(), line));
  const [tones, setTones] = useState(false);
  const [buzz, setBuzz] = useState(false);
  const position = usePosition(player, line);
  const moment = shownAt(line, position);
  useAwake(player.playing);
  useTones(tones && player.playing, moment);
  const start = moment?.segment.start;
  const kind = moment?.segment.kind ?? null;
  useEffect(() => {
    if (buzz && player.playing && kind && 'vibrate' in navigator) navigator.vibrate(BUZZ[kind] ?? 40);
  }, [buzz, player.playing, start, kind]);
  if (!moment) return null;
  const { segment, count, over } = moment;
  const go = () => setPlayer(step(player, player.playing ? 'pause' : 'play', deviceClock(), line));
  return (
    <Dialog fullScreen open slotProps={{ paper: { className: styles.practice, 'aria-label': 'Practice' } }} transitionDuration={0} onClose={onEnd}>
      <p className={styles.name}>{moment.block.name || parts[0].name}</p>
      <div className={styles.now}>
        <p className={styles.phase}>{over ? 'That was it' : segment.kind === null ? 'as you like' : moment.word}</p>
        <p className={styles.how}>{over ? '' : (moment.line ?? moment.how.join(' · '))}</p>
        <p className={styles.count}>{over ? '' : (count ?? (segment.open ? '' : clockText(moment.leftInBlock)))}</p>
      </div>
      <div className={styles.rails}>
        <Rails moment={moment} mirror={false} />
      </div>
      <p className={styles.left}>{over ? 'Stay a moment before you go on.' : `${clockText(moment.left)} left · let go whenever you like`}</p>
      <div className={styles.keys}>
        {!over && (
          <button type="button" onClick={go}>
            {player.playing ? 'Pause' : 'Go on'}
          </button>
        )}
        <button type="button" onClick={() => setTones(!tones)} aria-pressed={tones}>
          {tones ? 'Tones off' : 'Tones'}
        </button>
        <button type="button" onClick={() => setBuzz(!buzz)} aria-pressed={buzz}>
          {buzz ? 'Buzz off' : 'Buzz'}
        </button>
        <button type="button" onClick={onEnd}>
          {over ? 'How was it?' : 'End'}
        </button>
      </div>
    </Dialog>
  );
}
