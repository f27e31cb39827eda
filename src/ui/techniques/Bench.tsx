'use client';

import TextField from '@mui/material/TextField';
import { useDeferredValue, useMemo, useState } from 'react';
import { formatPattern, parseDose, parsePattern, problemText, type Problem } from '@/core/pattern';
import { featuresOf, keepInStep, inStepText, outlook } from '@/core/screening';
import { figuresOf } from '@/core/timing';
import type { Tag } from '@/core/techniques';
import { millis } from '@/core/units';
import { BreathStrip } from '../figures/BreathStrip';
import { Figures } from '../figures/Figures';
import { Outlook } from './Outlook';
import styles from './Bench.module.css';

interface Props {
  readonly pattern: string;
  readonly dose: string;
  readonly tempo: number;
  readonly naturalBreath: number;
  readonly tags: readonly Tag[];
}

/** The bench: type a pattern in one line and see strip, figures and what screening would say, as you type. */
export function Bench(start: Props) {
  const [line, setLine] = useState(start.pattern);
  const [doseLine, setDoseLine] = useState(start.dose);
  const [seconds, setSeconds] = useState(String(start.tempo / 1000));
  const tempo = Number(seconds);
  const tempoWrong = !(tempo >= 0.4 && tempo <= 3);
  const parsed = useMemo(() => parsePattern(line), [line]);
  const dose = useMemo(() => parseDose(doseLine), [doseLine]);
  // What was last whole stays on the bench while a line is half typed.
  const [kept, setKept] = useState({ line: start.pattern, dose: start.dose, tempo: start.tempo });
  const whole = parsed.ok && dose.ok && !tempoWrong;
  if (whole && (kept.line !== line || kept.dose !== doseLine || kept.tempo !== tempo * 1000)) setKept({ line, dose: doseLine, tempo: tempo * 1000 });
  const shown = useDeferredValue(kept);
  return (
    <div className="stack">
      <div>
        <label htmlFor="pattern" className={styles.label}>
          Pattern
        </label>
        <input
          id="pattern"
          className={styles.line}
          value={line}
          onChange={(event) => setLine(event.target.value)}
          autoComplete="off"
          spellCheck={false}
          aria-invalid={!parsed.ok}
          aria-describedby="pattern-says"
        />
        <div id="pattern-says" aria-live="polite" className={styles.says}>
          {parsed.ok ? (
            <span className="soft">reads as {formatPattern(parsed.value)}</span>
          ) : (
            parsed.problems.map((problem) => <Stumble key={problem.at} line={line} problem={problem} />)
          )}
        </div>
      </div>
      <div className={styles.side}>
        <TextField
          id="dose"
          label="Dose"
          value={doseLine}
          onChange={(event) => setDoseLine(event.target.value)}
          error={!dose.ok}
          helperText={dose.ok ? '9 rounds of 2, or 5 min' : dose.problems.map(problemText).join(' ')}
        />
        <TextField
          id="tempo"
          label="Seconds a count"
          type="number"
          value={seconds}
          onChange={(event) => setSeconds(event.target.value)}
          error={tempoWrong}
          helperText={tempoWrong ? 'From 0.4 to 3 seconds.' : 'spoken counts drift to 1.15–1.3'}
          slotProps={{ htmlInput: { step: 0.05, min: 0.4, max: 3 } }}
        />
      </div>
      <Reading {...shown} naturalBreath={start.naturalBreath} tags={start.tags} stale={!whole} />
    </div>
  );
}

function Stumble({ line, problem }: { line: string; problem: Problem }) {
  return (
    <>
      <pre className={styles.caret} aria-hidden="true">
        {line.slice(0, problem.at)}
        <mark>{line.slice(problem.at, problem.at + problem.length) || ' '}</mark>
        {line.slice(problem.at + problem.length)}
      </pre>
      <span className="error">{problemText(problem)}</span>
    </>
  );
}

function Reading({
  line,
  dose,
  tempo,
  naturalBreath,
  tags,
  stale,
}: {
  line: string;
  dose: string;
  tempo: number;
  naturalBreath: number;
  tags: readonly Tag[];
  stale: boolean;
}) {
  const [pattern, amount] = [parsePattern(line), parseDose(dose)];
  if (!pattern.ok || !amount.ok) return null;
  const pace = { tempo: millis(tempo), naturalBreath: millis(naturalBreath) };
  const features = featuresOf(pattern.value, amount.value, pace, tags);
  const lines = outlook(features);
  const [inStep] = keepInStep(pattern.value, tempo, () => true);
  const holds = features.holdInSeconds + features.holdOutSeconds > 0;
  return (
    <div className={stale ? styles.stale : undefined} data-testid="reading">
      <div className="sheet">
        <BreathStrip pattern={pattern.value} pace={pace} title={`Breath strip of ${formatPattern(pattern.value)}`} />
      </div>
      <Figures figures={figuresOf(pattern.value, amount.value, pace)} />
      <div className={styles.columns}>
        <section>
          <h2>What screening says</h2>
          <Outlook lines={lines} />
        </section>
        {holds && inStep && (
          <section>
            <h2>In step without the hold</h2>
            <p className="num">{inStepText(inStep)}</p>
            <p className="small soft">ends each cycle with the room</p>
          </section>
        )}
      </div>
    </div>
  );
}
