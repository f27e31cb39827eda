'use client';

import Button from '@mui/material/Button';
import { useEffect, useRef, useState } from 'react';
import { draftingProblemAction } from '@/app/actions/courses';
import { mendsText, type ReadyMend } from '@/core/course';
import type { CourseView } from '@/views/course';
import type { Told } from '@/workers/readying';
import { Refusal } from '../forms/fields';
import { useAction } from '../forms/useAction';
import { useLibrary } from '../shell/Inside';
import { asSeen } from './LifeHappens';
import { Mends } from './Mends';

interface Props {
  readonly view: CourseView;
  readonly busy: boolean;
  /** Takes a change of the request and drafts again. */
  readonly onMend: (mend: CourseView['course']['mends'][number]) => void;
}

interface Tried {
  readonly found: readonly ReadyMend[];
  readonly done: boolean;
}

/** What would make as many ready as are asked for, tried when somebody asks: each change is drafted before it is offered. */
export function ReadyMends({ view, busy, onMend }: Props) {
  const library = useLibrary();
  const { run, refusal, busy: asking } = useAction();
  const [tried, setTried] = useState<Tried | null>(null);
  const worker = useRef<Worker>(undefined);
  useEffect(() => () => worker.current?.terminate(), []);
  const start = async () => {
    const reply = await run(() => draftingProblemAction({ ...asSeen(view), published: 'stay' }));
    if (!reply?.ok) return;
    setTried({ found: [], done: false });
    const trying = new Worker(new URL('../../workers/readying.ts', import.meta.url));
    worker.current = trying;
    trying.onmessage = ({ data }: MessageEvent<Told>) => {
      if ('done' in data) trying.terminate();
      setTried((now) => ('done' in data ? { found: now?.found ?? [], done: true } : { found: [...(now?.found ?? []), data.found], done: false }));
    };
    trying.onerror = () => {
      trying.terminate();
      setTried((now) => ({ found: now?.found ?? [], done: true }));
    };
    trying.postMessage(reply.value);
  };
  const { people } = view.cohort;
  const short = new Set(
    view.ready.filter(({ goal, share, expected }) => goal && share !== null && expected < (share / 100) * people).map((one) => one.technique),
  );
  const ways = (tried?.found ?? []).map(({ mends, ready }) => {
    const many = ready.flatMap(({ technique, expected }) =>
      short.has(technique) && expected !== null ? [`${Math.round(expected)} of ${people} for ${library.find(technique)?.name ?? technique}`] : [],
    );
    const last = mends.some(({ code }) => code === 'ready');
    return { mends, asks: false, text: last || many.length === 0 ? mendsText(mends, library) : `${mendsText(mends, library)}: ${many.join(', ')}` };
  });
  return (
    <div className="stack" style={{ margin: '8px 0' }}>
      <Refusal message={refusal} />
      {ways.length > 0 && <Mends label="What would make enough ready" mends={ways} busy={busy} onMend={onMend} />}
      <p className="small soft" aria-live="polite">
        {tried && !tried.done && 'Trying what would do; each is drafted first.'}
        {tried?.done && ways.length === 0 && 'Nothing that was tried makes enough of them ready.'}
      </p>
      {!tried && (
        <div>
          <Button size="small" disabled={busy || asking} onClick={() => void start()}>
            What would make enough ready
          </Button>
        </div>
      )}
    </div>
  );
}
