'use client';

import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { useState, useTransition } from 'react';
import { exportOwnWaysAction, importOwnWaysAction, previewOwnWaysAction } from '@/app/actions/techniques';
import type { RowProblem, TravellingWay } from '@/core/exchange';
import { saveFile } from '../files';
import { Refusal } from '../forms/fields';
import { useNotice } from '../look/Notices';

interface Preview {
  readonly text: string;
  readonly ways: readonly TravellingWay[];
  readonly problems: readonly RowProblem[];
}

/** Own ways to and from another studio: a file is looked through first, and comes in whole or not at all. */
export function WaysFile() {
  const router = useRouter();
  const say = useNotice();
  const [preview, setPreview] = useState<Preview | null>(null);
  const [refused, setRefused] = useState<string | null>(null);
  const [busy, start] = useTransition();
  const look = (file: File | undefined) =>
    start(async () => {
      setPreview(null);
      setRefused(null);
      if (!file) return;
      if (file.size > 1_000_000) return setRefused('This file is too large: a million characters at most.');
      const text = await file.text();
      const reply = await previewOwnWaysAction({ text });
      if (reply.ok) setPreview({ text, ...reply.value });
      else setRefused(reply.message);
    });
  const bring = (text: string) =>
    start(async () => {
      const reply = await importOwnWaysAction({ text });
      if (!reply.ok) return setRefused(reply.message);
      setPreview(null);
      say(reply.value.added === 1 ? 'One way came in.' : `${reply.value.added} ways came in.`);
      router.refresh();
    });
  const takeAlong = () =>
    start(async () => {
      const reply = await exportOwnWaysAction();
      if (reply.ok) saveFile(new Blob([reply.value], { type: 'application/json' }), 'own-ways.json');
      else setRefused(reply.message);
    });
  return (
    <section className="stack" aria-label="Own ways as a file" style={{ marginTop: 20 }}>
      <h2>To and from another studio</h2>
      <div className="row">
        <Button size="small" disabled={busy} onClick={takeAlong}>
          Take our ways along
        </Button>
        <label className="small">
          Bring ways in <input type="file" accept=".json,application/json" disabled={busy} onChange={(event) => look(event.target.files?.[0])} />
        </label>
      </div>
      <Refusal message={refused} />
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
                <Button variant="contained" disabled={busy} onClick={() => bring(preview.text)}>
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
