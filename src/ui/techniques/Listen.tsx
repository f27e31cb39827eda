'use client';

import Button from '@mui/material/Button';
import { memo, useEffect, useMemo, useRef, useState } from 'react';
import { layOutAll, LOUDNESS, type Loudness, type SheetOptions } from '@/core/cues';
import { toWebVtt, wavChunks, type Paced } from '@/core/exchange';
import type { OwnCue } from '@/core/techniques';
import { formatDose, formatPattern, ONE_ROUND, shortPattern } from '@/core/pattern';
import { segmentsOf } from '@/core/timing';
import { saveAs, saveFile } from '../files';
import type { OnBench } from './Reading';
import { ChoiceField } from '../fields';
import { Fold } from '../shell/Fold';

/** The longest that is played on the bench. */
const HEARD_MS = 60_000;

interface ListenProps {
  readonly bench: OnBench;
  readonly family: string;
  readonly technique: string;
  readonly cues: readonly OwnCue[];
  readonly speech: SheetOptions;
}

/** Hear a cycle, read the cue sheet, and take both along as files. */
export const Listen = memo(function Listen({ bench, family, technique, cues, speech }: ListenProps) {
  const [open, setOpen] = useState(false);
  const [loudness, setLoudness] = useState<Loudness>(speech.loudness);
  const { pattern, dose, pace } = bench;
  const line = useMemo(() => {
    const name = formatPattern(pattern);
    const described = {
      id: 'bench',
      kind: 'technique' as const,
      name,
      family,
      detail: `${name} · ${formatDose(dose)}`,
      own: cues,
      lines: [],
      setup: null,
      technique,
      pattern,
      dose,
      pace,
    };
    return layOutAll([described], { ...speech, loudness });
  }, [pattern, dose, pace, family, technique, cues, speech, loudness]);
  const once = segmentsOf(pattern, { ...ONE_ROUND, cyclesPerRound: 1 }, pace).filter(({ end }) => end <= HEARD_MS);
  const file = shortPattern(pattern).replace(/[^\w]+/g, '-');
  return (
    <section className="stack">
      <h2>Hear it, and take it along</h2>
      <div className="row">
        <Hear segments={once} />
        <Button size="small" onClick={() => saveAs('cue sheet', file, toWebVtt(line.cues))}>
          Cue sheet as WebVTT
        </Button>
        <Track segments={line.segments} file={`${file}.wav`} />
      </div>
      {line.crowded.length > 0 && (
        <div className="note small">
          <p>
            <strong>Too much to say at this tempo.</strong> Said instead:
          </p>
          <ul>
            {line.crowded.slice(0, 6).map(({ wanted, spare }) => (
              <li key={wanted}>
                “{wanted}” {spare ? `→ “${spare}”` : 'is left out'}
              </li>
            ))}
          </ul>
        </div>
      )}
      <Fold plain title="Cue sheet" aside={`${line.cues.length} lines`} onOpen={() => setOpen(true)}>
        <ChoiceField
          id="loudness"
          label="How much is said"
          value={loudness}
          onChange={(value) => setLoudness(value as Loudness)}
          options={LOUDNESS.map((one) => ({ value: one, label: one }))}
          sx={{ width: 180, marginBottom: 1 }}
        />
        <table>
          <tbody>
            {(open ? line.cues.slice(0, 120) : []).map(({ at, say, kind }) => (
              <tr key={`${at} ${say}`}>
                <td className="num" style={{ textAlign: 'right', paddingRight: 14 }}>
                  {(at / 1000).toFixed(1)} s
                </td>
                <td className={kind === 'count' || kind === 'call' ? 'soft' : undefined}>{say}</td>
              </tr>
            ))}
          </tbody>
        </table>
        {line.cues.length > 120 && <p className="small soft">and {line.cues.length - 120} more, all in the file.</p>}
      </Fold>
    </section>
  );
});

/** Plays one cycle's tones. */
function Hear({ segments }: { segments: readonly Paced[] }) {
  const [source, setSource] = useState<AudioBufferSourceNode | null>(null);
  useEffect(() => () => source?.stop(), [source]);
  const play = async () => {
    const audio = new AudioContext();
    const node = new AudioBufferSourceNode(audio, {
      buffer: await audio.decodeAudioData(await new Blob([...wavChunks(segments)] as BlobPart[]).arrayBuffer()),
    });
    node.connect(audio.destination);
    node.onended = () => {
      setSource(null);
      void audio.close();
    };
    node.start();
    setSource(node);
  };
  return (
    <Button size="small" disabled={segments.length === 0} onClick={() => (source ? source.stop() : void play())}>
      {source ? 'Stop' : 'Hear a cycle'}
    </Button>
  );
}

/** The pacing track of the whole dose, rendered in a worker; it can be called off. */
function Track({ segments, file }: { segments: readonly Paced[]; file: string }) {
  const [done, setDone] = useState<number | null>(null);
  const worker = useRef<Worker>(undefined);
  useEffect(() => () => worker.current?.terminate(), []);
  const stop = () => {
    worker.current?.terminate();
    setDone(null);
  };
  const render = () => {
    setDone(0);
    const rendering = new Worker(new URL('../../workers/pacing.ts', import.meta.url));
    worker.current = rendering;
    rendering.onmessage = ({ data }: MessageEvent<{ done: number } | { file: Blob }>) => {
      if ('done' in data) return setDone(data.done);
      saveFile(data.file, file);
      stop();
    };
    rendering.onerror = stop;
    rendering.postMessage(segments.map(({ start, end, kind, side, counts }) => ({ start, end, kind, side, counts })));
  };
  return done === null ? (
    <Button size="small" onClick={render}>
      Pacing track as WAV
    </Button>
  ) : (
    <Button size="small" onClick={stop}>
      {Math.round(done * 100)} % · call it off
    </Button>
  );
}
