'use client';

import Button from '@mui/material/Button';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { coverWithChangeAction, handOverAction } from '@/app/actions/plans';
import { dayText } from '@/core/units';
import { listed } from '@/core/wording';
import type { CoverView } from '@/views/week';
import { Refusal } from '../forms/fields';
import { useOnce } from '../forms/once';
import { useAction } from '../forms/useAction';
import { useNotice } from '../look/Notices';
import styles from './Teach.module.css';

/** How many of those who cannot take it as it is are shown at first. */
const SHOWN = 3;

/** Who can take a class: one tap to look, one to hand it over. */
export function Cover({ cover, back, today }: { cover: CoverView; back: string; today: string }) {
  const { session, course, cohort, able, unable, busy: notFree, teacher } = cover;
  const router = useRouter();
  const say = useNotice();
  const { run, refusal, busy, refresh } = useAction();
  const once = useOnce();
  const [seen, setSeen] = useState<string | null>(null);
  const send = async (action: typeof handOverAction, to: string) => {
    const reply = await run(() => action({ once: once.id(), session: session.id, version: session.version, teacher: to }));
    if (!reply?.ok) return refresh();
    once.done();
    say(`${reply.value.name} has the class, and a word in the post. So has whoever had it.`);
    router.push(back);
    router.refresh();
  };
  return (
    <section className={`plank stack ${styles.cover}`} aria-label="Cover">
      <div>
        <h2>
          Cover for {session.date === today ? 'today' : dayText(session.date)}, {session.start}
        </h2>
        <p className="small soft">
          {course}, {cohort}, class {cover.number} of {cover.of}. {teacher.name} {teacher.why ?? 'has it'}.
        </p>
      </div>
      {able.map(({ id, name, taught }, index) => (
        <div key={id} className="stack rule">
          <p>
            <strong>{name}</strong> is free, qualified for all of it, and {taughtText(taught)}.
          </p>
          <div>
            <Button variant={index === 0 ? 'contained' : 'outlined'} disabled={busy} onClick={() => void send(handOverAction, id)}>
              Hand it to {name.split(' ')[0]}
            </Button>
          </div>
        </div>
      ))}
      {able.length === 0 && <p>Nobody who is free is qualified for all of it.</p>}
      {(able.length === 0 ? unable.slice(0, SHOWN) : []).map(({ id, name, lacks, taught, change }) => (
        <div key={id} className="stack rule">
          <p>
            <strong>{name}</strong> is free and {taughtText(taught)}, but not qualified for {listed(lacks)}.{' '}
            {change && (
              <span className="soft">
                With {change.minutes} min changed ({listed(change.replaced.map(({ to, minutes }) => `${minutes} min of ${to}`))} instead) they could.
              </span>
            )}
          </p>
          {change && seen !== id && (
            <div>
              <Button onClick={() => setSeen(id)}>See that plan</Button>
            </div>
          )}
          {change && seen === id && (
            <>
              <ul className="small">
                {change.lines.map((line) => (
                  <li key={line}>{line}</li>
                ))}
              </ul>
              {cover.mayChange ? (
                <div>
                  <Button variant="contained" disabled={busy} onClick={() => void send(coverWithChangeAction, id)}>
                    Change it, and hand it to {name.split(' ')[0]}
                  </Button>
                </div>
              ) : (
                <p className="small">Changing a plan is the director’s.</p>
              )}
            </>
          )}
        </div>
      ))}
      {able.length > 0 && unable.length > 0 && (
        <p className="small soft rule">Free, but not qualified: {listed(unable.map(({ name, lacks }) => `${name} (${lacks.join(', ')})`))}.</p>
      )}
      {notFree.length > 0 && <p className="small soft">{notFree.join('. ')}.</p>}
      <Refusal message={refusal} />
      <p className="small">
        <Link href={back}>Leave it</Link>
      </p>
    </section>
  );
}

function taughtText(times: number): string {
  return times === 0
    ? 'does not know this group'
    : times === 1
      ? 'has taught this group once'
      : times === 2
        ? 'has taught this group twice'
        : `has taught this group ${times} times`;
}
