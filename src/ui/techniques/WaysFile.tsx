'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import { exportOwnWaysAction } from '@/app/actions/techniques';
import type { RowProblem, TravellingWay } from '@/core/exchange';
import { saveAs } from '../files';
import { FORM_LIMITS } from '@/forms/limits';
import { FileField } from '../fields';
import { Refusal } from '../forms/fields';
import { useOnce } from '../forms/once';
import { sendFile } from '../forms/sendFile';
import { useAction } from '../forms/useAction';
import { useNotice } from '../look/Notices';

interface Preview {
  readonly text: string;
  readonly ways: readonly TravellingWay[];
  readonly problems: readonly RowProblem[];
}

/** Own ways to and from another studio: a file is looked through first, and comes in whole or not at all. */
export function WaysFile() {
  const say = useNotice();
  const [preview, setPreview] = useState<Preview | null>(null);
  const { run, refusal, busy, refresh } = useAction();
  const once = useOnce();
  const [tooLarge, setTooLarge] = useState(false);
  const look = async (file: File) => {
    setPreview(null);
    setTooLarge(file.size > FORM_LIMITS.waysFile);
    if (file.size > FORM_LIMITS.waysFile) return;
    const text = await file.text();
    const reply = await run(() => sendFile<Omit<Preview, 'text'>>('ways-preview', { once: once.id(), text }));
    if (reply?.ok) setPreview({ text, ...reply.value });
  };
  const bring = async (text: string) => {
    const reply = await run(() => sendFile<{ added: number }>('ways', { once: once.id(), text }));
    if (!reply?.ok) return;
    once.done();
    setPreview(null);
    say(reply.value.added === 1 ? 'One way came in.' : `${reply.value.added} ways came in.`);
    refresh();
  };
  const takeAlong = async () => {
    const reply = await run(() => exportOwnWaysAction());
    if (reply?.ok) saveAs('own ways', 'own ways', reply.value);
  };
  return (
    <section className="stack" aria-label="Own ways as a file" style={{ marginTop: 20 }}>
      <h2>To and from another studio</h2>
      <div className="row">
        <Button size="small" disabled={busy} onClick={() => void takeAlong()}>
          Take our ways along
        </Button>
        <FileField label="Bring ways in" accept=".json,application/json" disabled={busy} onChange={(file) => void look(file)} />
      </div>
      <Refusal message={tooLarge ? 'This file is too large: a million characters at most.' : refusal} />
      {preview && (
        <div className={preview.problems.length > 0 ? 'note bad' : 'note'} role="status">
          {preview.problems.length > 0 ? (
            <>
              <p>
                <strong>Nothing came in.</strong> {preview.problems.length === 1 ? 'One row is' : 'These rows are'} in the way:
              </p>
              <ul>
                {preview.problems.slice(0, 30).map(({ row, message }) => (
                  <li key={`${row} ${message}`}>
                    {row > 0 ? `Row ${row}: ` : ''}
                    {message}
                  </li>
                ))}
              </ul>
            </>
          ) : (
            <>
              <p>{preview.ways.length === 0 ? 'There is nothing in this file.' : 'It would bring in:'}</p>
              <ul>
                {preview.ways.map(({ name, pattern, dose }) => (
                  <li key={name}>
                    <strong>{name}</strong>, {pattern}, {dose}
                  </li>
                ))}
              </ul>
              {preview.ways.length > 0 && (
                <Button variant="contained" disabled={busy} onClick={() => void bring(preview.text)}>
                  Bring {preview.ways.length === 1 ? 'it' : `all ${preview.ways.length}`} in
                </Button>
              )}
            </>
          )}
        </div>
      )}
    </section>
  );
}
