'use client';

import Button from '@mui/material/Button';
import { memo, useRef, useState } from 'react';
import { formatDose, minutesDose } from '@/core/pattern';
import { otherWay, tempoFromCycle, tempoFromTaps } from '@/core/timing';
import { trimNumber } from '@/core/units';
import { CompactField } from '../fields';
import styles from './Bench.module.css';
import type { OnBench } from './Reading';

interface Props {
  readonly bench: OnBench;
  readonly onDose: (line: string) => void;
  readonly onTempo: (seconds: string) => void;
}

/** A longest pause between taps before a new count begins. */
const NEW_COUNT_MS = 3500;

/** Small sums the bench does for you: minutes into rounds and back, and the tempo measured by ear. */
export const Tools = memo(function Tools({ bench, onDose, onTempo }: Props) {
  const { pattern, dose, pace } = bench;
  const [minutes, setMinutes] = useState('5');
  const [seconds, setSeconds] = useState('');
  const [said, setSaid] = useState('');
  const taps = useRef<number[]>([]);
  const measured = (tempo: number | null, how: string) => {
    if (tempo === null) return setSaid('That is no tempo from 0.4 to 3 seconds a count.');
    onTempo(trimNumber(tempo / 1000));
    setSaid(`${trimNumber(tempo / 1000)} s a count, ${how}.`);
  };
  const tap = () => {
    const now = performance.now();
    const last = taps.current.at(-1);
    taps.current = last !== undefined && now - last < NEW_COUNT_MS ? [...taps.current, now] : [now];
    if (taps.current.length < 4) return setSaid(`${taps.current.length} of 4 taps.`);
    measured(tempoFromTaps(taps.current), `from ${taps.current.length} taps`);
  };
  const swap = otherWay(pattern, dose, pace);
  const asMinutes = Number(minutes);
  const make = () => {
    if (!(asMinutes >= 0.25 && asMinutes <= 60)) return setSaid('From a quarter of a minute to 60 minutes.');
    onDose(formatDose({ ...minutesDose(asMinutes), cyclesPerRound: dose.cyclesPerRound, rests: dose.rests, guided: dose.guided }));
    setSaid('');
  };
  return (
    <div className={styles.tools}>
      <span className={styles.tool}>
        <CompactField id="make" label="Make it" value={minutes} onChange={setMinutes} step={0.5} width={64} />
        <Button size="small" onClick={make}>
          minutes
        </Button>
      </span>
      {swap && (
        <Button size="small" onClick={() => onDose(swap)}>
          as {swap.split(',')[0]}
        </Button>
      )}
      <Button size="small" onClick={tap}>
        Tap the tempo
      </Button>
      <span className={styles.tool}>
        <CompactField id="took" label="A cycle took" value={seconds} onChange={setSeconds} step={0.1} width={64} />
        <Button
          size="small"
          disabled={seconds === ''}
          onClick={() => measured(tempoFromCycle(pattern, Number(seconds), pace.naturalBreath), 'from a real cycle')}
        >
          seconds
        </Button>
      </span>
      <span className="small soft" role="status">
        {said}
      </span>
    </div>
  );
});
