'use client';

import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import { v7 as newId } from 'uuid';
import { saveBlocksAction } from '@/app/actions/plans';
import { PARTS, TECHNIQUES } from '@/core/techniques';
import type { readPlan } from '@/server/usecases/plans/readPlan';
import { Checks } from '../courses/Checks';
import { BlockRow } from './BlockRow';
import { draftOf, newOwn, newPart, newTechnique, plannedMinutes, readDraft, toInput, type Draft } from './edit';
import styles from './PlanBoard.module.css';
import { Publish } from './Publish';
import { Plank } from '../shell/Plank';

export type PlanView = Awaited<ReturnType<typeof readPlan>>;

/** A session's blocks, edited in place: minutes follow every keystroke, and what reads is saved as you go. */
export function PlanBoard({ plan }: { plan: PlanView }) {
  const { session, mayEdit } = plan;
  const router = useRouter();
  const [drafts, setDrafts] = useState<readonly Draft[]>(() => session.blocks.map(draftOf));
  const [history, setHistory] = useState<readonly (readonly Draft[])[]>([]);
  const { saved, save, version } = useSaving(session.id, session.version);
  const reads = drafts.map((draft) => readDraft(draft, plan));
  const whole = reads.every(({ ok }) => ok);
  const minutes = plannedMinutes(reads);
  const change = (next: readonly Draft[], remember = true) => {
    if (remember) setHistory([...history.slice(-30), drafts]);
    setDrafts(next);
    if (next.every((draft) => readDraft(draft, plan).ok)) save(next);
  };
  const edit = (id: string, more: Partial<Draft>) => change(drafts.map((draft) => (draft.id === id ? { ...draft, ...more } : draft)));
  const shift = (index: number, by: number) => {
    const next = [...drafts];
    const [draft] = next.splice(index, 1);
    next.splice(index + by, 0, draft);
    change(next);
  };
  return (
    <>
      <p className="lead" aria-live="polite">
        <span className="num">{minutes}</span> of <span className="num">{session.minutes}</span> minutes
        {minutes > session.minutes ? (
          <strong className="error">, {minutes - session.minutes} too many</strong>
        ) : minutes < session.minutes ? (
          `, ${session.minutes - minutes} free`
        ) : (
          ', full'
        )}
        .{' '}
        {!whole ? (
          <span className="error">Not saved while a line does not read.</span>
        ) : (
          saved && <span className={saved.bad ? 'error' : 'soft'}>{saved.text}</span>
        )}
      </p>
      <div className="two">
        <div>
          <ol className={styles.blocks}>
            {drafts.map((draft, index) => (
              <BlockRow
                key={draft.id}
                draft={draft}
                read={reads[index]}
                editable={mayEdit}
                onEdit={(more) => edit(draft.id, more)}
                onUp={index > 0 ? () => shift(index, -1) : null}
                onDown={index < drafts.length - 1 ? () => shift(index, 1) : null}
                onLeaveOut={() => change(drafts.filter(({ id }) => id !== draft.id))}
              />
            ))}
          </ol>
          {mayEdit && (
            <div className="row noprint" style={{ marginTop: 12 }}>
              <label htmlFor="add" className="small soft">
                Add
              </label>
              <select
                id="add"
                className={styles.add}
                value=""
                onChange={({ target: { value } }) => {
                  const [kind, id] = value.split('/');
                  const at = Math.max(0, drafts.length - 2);
                  const way = plan.ownWays.find((one) => one.id === id);
                  const added = kind === 'part' ? newPart(newId(), id) : way ? newOwn(newId(), way, plan) : newTechnique(newId(), id, plan);
                  change([...drafts.slice(0, at), added, ...drafts.slice(at)]);
                }}
              >
                <option value="">a technique or a part …</option>
                {plan.ownWays.length > 0 && (
                  <optgroup label="Our own ways">
                    {plan.ownWays.map(({ id, name }) => (
                      <option key={id} value={`own/${id}`}>
                        {name}
                      </option>
                    ))}
                  </optgroup>
                )}
                <optgroup label="Techniques">
                  {TECHNIQUES.map(({ id, name }) => (
                    <option key={id} value={`technique/${id}`}>
                      {name}
                    </option>
                  ))}
                </optgroup>
                <optgroup label="Parts">
                  {PARTS.map(({ id, name }) => (
                    <option key={id} value={`part/${id}`}>
                      {name}
                    </option>
                  ))}
                </optgroup>
              </select>
              <Button
                disabled={history.length === 0}
                onClick={() => {
                  change(history[history.length - 1], false);
                  setHistory(history.slice(0, -1));
                }}
              >
                Undo
              </Button>
            </div>
          )}
        </div>
        <Plank>
          <Publish plan={plan} version={version} ready={whole && !saved?.bad} onDone={() => router.refresh()} />
          <Checks checks={plan.checks} onMend={null} busy={false} days={false} />
        </Plank>
      </div>
    </>
  );
}

/** Saves shortly after the last change, one save after another; says when, or why not. */
function useSaving(session: string, first: number) {
  const router = useRouter();
  const [saved, setSaved] = useState<{ readonly text: string; readonly bad: boolean } | null>(null);
  const [shown, setShown] = useState(first);
  const version = useRef(first);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const queue = useRef<Promise<void>>(Promise.resolve());
  const unsaved = useRef(false);
  useEffect(() => {
    const warn = (event: BeforeUnloadEvent) => {
      if (unsaved.current) event.preventDefault();
    };
    addEventListener('beforeunload', warn);
    return () => removeEventListener('beforeunload', warn);
  }, []);
  const send = async (drafts: readonly Draft[]) => {
    try {
      const reply = await saveBlocksAction({ session, version: version.current, blocks: drafts.map(toInput) });
      if (!reply.ok) return setSaved({ text: reply.message, bad: true });
      version.current = reply.value.version;
      unsaved.current = false;
      setShown(reply.value.version);
      setSaved({ text: `Saved ${new Date().toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })}.`, bad: false });
      router.refresh();
    } catch {
      setSaved({ text: 'The studio could not be reached. What you typed is still here and will be saved with your next change.', bad: true });
    }
  };
  const save = (drafts: readonly Draft[]) => {
    unsaved.current = true;
    clearTimeout(timer.current);
    timer.current = setTimeout(() => {
      queue.current = queue.current.then(() => send(drafts));
    }, 500);
  };
  return { saved, save, version: shown };
}
