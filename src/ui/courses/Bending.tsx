'use client';

import Button from '@mui/material/Button';
import { useEffect, useState } from 'react';
import { BENDS, type Bend } from '@/core/course';
import type { IsoDate } from '@/core/units';
import type { Outcome } from '@/views/course';
import type { Reply } from '../forms/reply';
import { Following, type Published } from './Following';
import { OutcomeLines } from './OutcomeLines';
import styles from './Bending.module.css';

const NAMED: Readonly<Record<Bend, { readonly name: string; readonly how: string }>> = {
  shift: { name: 'Move the rest on', how: 'Every class that follows takes what the one before it had.' },
  reflow: { name: 'Draft the rest anew', how: 'What may change is laid out again; what was taught counts.' },
  drop: { name: 'Let it fall out', how: 'The other classes stay as they are.' },
  add: { name: 'Move on, and add a class at the end', how: 'Nothing that was planned is lost.' },
};

interface Props {
  /** The days of published classes that could change with the rest. */
  readonly days: readonly IsoDate[];
  /** Tries a way without keeping it. */
  readonly attempt: (bend: Bend, published: Published) => Promise<Reply<Outcome>>;
  readonly onTake: (bend: Bend, published: Published) => void;
  readonly busy: boolean;
}

/** The ways a course can bend when classes fall out, each tried beforehand, with what it costs. Keyed by what is lost. */
export function Bending({ days, attempt, onTake, busy }: Props) {
  const [published, setPublished] = useState<Published>('stay');
  return (
    <>
      <Following days={days} value={published} onChange={setPublished} disabled={busy} />
      <Ways key={published} attempt={(bend) => attempt(bend, published)} onTake={(bend) => onTake(bend, published)} busy={busy} />
    </>
  );
}

interface WaysProps {
  readonly attempt: (bend: Bend) => Promise<Reply<Outcome>>;
  readonly onTake: (bend: Bend) => void;
  readonly busy: boolean;
}

function Ways({ attempt, onTake, busy }: WaysProps) {
  const [found, setFound] = useState<Partial<Record<Bend, Reply<Outcome>>>>({});
  useEffect(() => {
    let here = true;
    void (async () => {
      for (const bend of BENDS) {
        const reply = await attempt(bend).catch(() => null);
        if (here && reply) setFound((before) => ({ ...before, [bend]: reply }));
      }
    })();
    return () => {
      here = false;
    };
    // Tried once for what is lost: another class is another key.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);
  const refused = Object.values(found).find((reply) => !reply.ok);
  if (refused && !refused.ok) return <p className="note bad">{refused.message}</p>;
  return (
    <ul className={styles.ways}>
      {BENDS.map((bend) => {
        const reply = found[bend];
        return (
          <li key={bend}>
            <div>
              <strong>{NAMED[bend].name}</strong> <span className="small soft">{NAMED[bend].how}</span>
              {reply?.ok ? <OutcomeLines outcome={reply.value} folded /> : <p className="small soft">Working it out.</p>}
            </div>
            <Button disabled={busy || !reply?.ok} onClick={() => onTake(bend)} aria-label={`Take it: ${NAMED[bend].name}`}>
              Take it
            </Button>
          </li>
        );
      })}
    </ul>
  );
}
