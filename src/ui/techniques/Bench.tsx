'use client';

import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { memo, useDeferredValue, useMemo, useState } from 'react';
import { schoolsOf, withRounds } from '@/core/conventions';
import { apart, formatPattern, parseDose, parsePattern, problemText, type Parsed, type Pattern, type Problem } from '@/core/pattern';
import type { SheetOptions } from '@/core/cues';
import type { RuleChange } from '@/core/screening';
import { TEMPO_LIMITS } from '@/core/timing';
import type { OwnCue, Tag } from '@/core/techniques';
import { millis } from '@/core/units';
import { Claims, NumberField } from '../fields';
import styles from './Bench.module.css';
import { Listen } from './Listen';
import { Reading, Screened, type OnBench } from './Reading';
import { SaveOwn, type Saving } from './SaveOwn';
import { Tools } from './Tools';

interface Props {
  readonly pattern: string;
  readonly dose: string;
  readonly tempo: number;
  readonly naturalBreath: number;
  readonly tags: readonly Tag[];
  readonly family: string;
  /** The technique whose schools hold; an unknown id means the studio's. */
  readonly technique: string;
  readonly cues: readonly OwnCue[];
  readonly speech: SheetOptions;
  /** The studio's changes of the rulebook; null for whoever does not read it. */
  readonly rules: readonly RuleChange[] | null;
  /** Where what is on the bench would be saved; null for those who may not. */
  readonly saving: Saving | null;
}

/** The bench: type a pattern in one line and see strip, figures and what screening would say, as you type. */
export function Bench(start: Props) {
  const [line, setLine] = useState(start.pattern);
  const [doseLine, setDoseLine] = useState(start.dose);
  const [seconds, setSeconds] = useState(String(start.tempo / 1000));
  const [beside, setBeside] = useState<string | null>(null);
  const tempo = Math.round(Number(seconds) * 1000);
  const tempoWrong = !(tempo >= TEMPO_LIMITS.low && tempo <= TEMPO_LIMITS.high);
  const written = useMemo(() => apart(line), [line]);
  const parsed = useMemo(() => parsePattern(written.pattern), [written]);
  const dose = useMemo(() => parseDose(written.dose ?? doseLine), [written, doseLine]);
  const doseSays = dose.ok ? null : dose.problems.map(problemText).join(' ');
  const other = useMemo(() => (beside === null ? null : parsePattern(apart(beside).pattern)), [beside]);
  const { naturalBreath, tags, technique } = start;
  const { schools } = start.speech;
  const read = useMemo((): OnBench | null => {
    if (!parsed.ok || !dose.ok || tempoWrong) return null;
    const counted = withRounds(parsed.value, dose.value, schoolsOf(schools, technique));
    return { ...counted, pace: { tempo: millis(tempo), naturalBreath: millis(naturalBreath) }, tags };
  }, [parsed, dose, tempo, tempoWrong, naturalBreath, tags, technique, schools]);
  // What was last whole stays on the bench while a line is half typed.
  const [kept, setKept] = useState(read);
  if (read && read !== kept) setKept(read);
  const shown = useDeferredValue(kept);
  const compared = useMemo(() => (shown && other?.ok ? { ...shown, pattern: other.value } : null), [shown, other]);
  return (
    <div className="stack">
      <PatternLine id="pattern" label="Pattern" line={line} parsed={parsed} dose={written.dose} onChange={setLine} />
      <Amounts dose={doseLine} doseSays={doseSays} seconds={seconds} tempoWrong={tempoWrong} onDose={setDoseLine} onTempo={setSeconds} />
      {shown && <Tools bench={shown} onDose={setDoseLine} onTempo={setSeconds} />}
      {other && (
        <div className="row" style={{ alignItems: 'flex-start', flexWrap: 'nowrap' }}>
          <div style={{ flex: 1 }}>
            <PatternLine id="beside" label="Compare with" line={beside ?? ''} parsed={other} dose={null} onChange={setBeside} />
          </div>
          <Button size="small" sx={{ marginTop: '24px' }} onClick={() => setBeside(null)}>
            Leave it
          </Button>
        </div>
      )}
      {shown && <Result bench={shown} compared={compared} comparing={other !== null} onCompare={setBeside} start={start} />}
    </div>
  );
}

interface ResultProps {
  readonly bench: OnBench;
  readonly compared: OnBench | null;
  readonly comparing: boolean;
  readonly onCompare: (line: string) => void;
  readonly start: Props;
}

/** What stands under the line. It follows in steps of its own, so that no single one keeps a key waiting. */
const Result = memo(function Result({ bench, compared, comparing, onCompare, start }: ResultProps) {
  const [keeping, setKeeping] = useState(false);
  const screened = useDeferredValue(bench);
  const taken = useDeferredValue(screened);
  return (
    <div data-testid="reading">
      <Reading bench={bench} other={compared} />
      <div className={styles.later}>
        <Screened bench={screened} rules={start.rules} />
      </div>
      {!comparing && (
        <p style={{ margin: '14px 0' }}>
          <Button size="small" onClick={() => onCompare(formatPattern(bench.pattern))}>
            Compare with another
          </Button>
        </p>
      )}
      <div className={styles.later}>
        <Listen bench={taken} family={start.family} technique={start.technique} cues={start.cues} speech={start.speech} />
      </div>
      {start.saving && (
        <div style={{ marginTop: 20 }}>
          {keeping ? (
            <SaveOwn bench={bench} saving={start.saving} />
          ) : (
            <Button onClick={() => setKeeping(true)}>{start.saving.id ? 'Save as the next version' : 'Save as ours'}</Button>
          )}
        </div>
      )}
    </div>
  );
});

interface AmountProps {
  readonly dose: string;
  readonly doseSays: string | null;
  readonly seconds: string;
  readonly tempoWrong: boolean;
  readonly onDose: (line: string) => void;
  readonly onTempo: (seconds: string) => void;
}

/** How much, and how fast. Left alone while only the pattern is typed. */
const Amounts = memo(function Amounts({ dose, doseSays, seconds, tempoWrong, onDose, onTempo }: AmountProps) {
  return (
    <div className={styles.side}>
      <TextField
        id="dose"
        label="Dose"
        value={dose}
        onChange={(event) => onDose(event.target.value)}
        error={doseSays !== null}
        helperText={doseSays ?? '9 rounds of 2, or 5 min'}
      />
      <NumberField
        id="tempo"
        label="Seconds a count"
        value={seconds}
        onChange={onTempo}
        step={0.05}
        least={0.4}
        most={3}
        error={tempoWrong}
        helperText={tempoWrong ? 'From 0.4 to 3 seconds.' : 'spoken counts drift to 1.15–1.3'}
      />
    </div>
  );
});

interface LineProps {
  readonly id: string;
  readonly label: string;
  readonly line: string;
  readonly parsed: Parsed<Pattern>;
  /** A dose that stands in the line itself, and holds instead of the one below it. */
  readonly dose: string | null;
  readonly onChange: (line: string) => void;
}

/** A line of notation with how it reads, or where it stops making sense. */
function PatternLine({ id, label, line, parsed, dose, onChange }: LineProps) {
  return (
    <div>
      <label htmlFor={id} className={styles.label}>
        {label}
      </label>
      <textarea
        id={id}
        rows={1}
        className={styles.line}
        onKeyDown={(event) => event.key === 'Enter' && event.preventDefault()}
        value={line}
        onChange={(event) => onChange(event.target.value)}
        autoComplete="off"
        spellCheck={false}
        aria-invalid={!parsed.ok}
        aria-describedby={`${id}-says`}
      />
      <div id={`${id}-says`} aria-live="polite" className={styles.says}>
        {parsed.ok ? (
          <span className="soft">
            reads as {formatPattern(parsed.value)}
            {dose !== null && `, for ${dose}`}
          </span>
        ) : (
          parsed.problems.map((problem) => <Stumble key={problem.at} line={line} problem={problem} />)
        )}
        <Claims text={line} onTake={onChange} />
      </div>
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
      <span className="error">{problemText(problem)}</span> <span className="soft">Below stands what read last.</span>
    </>
  );
}
