'use client';

import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { guessMapping, ROSTER_FIELDS, ROSTER_LIMITS, type RosterField, type RosterMapping } from '@/core/exchange';
import { longDayText } from '@/core/units';
import type { RosterPreview } from '@/views/person';
import { ChoiceField, FileField } from '../fields';
import { Refusal } from '../forms/fields';
import { useOnce } from '../forms/once';
import { sendFile } from '../forms/sendFile';
import { useAction } from '../forms/useAction';
import { useNotice } from '../look/Notices';
import styles from './RosterFile.module.css';

const FIELD: Readonly<Record<RosterField, string>> = { name: 'Name', email: 'E-mail', birthDate: 'Birth date' };
const NONE: RosterMapping = { name: '', email: '', birthDate: '' };

interface Input {
  readonly text: string;
  readonly mapping: RosterMapping;
  readonly dayFirst: boolean | null;
  readonly merge: readonly { readonly row: number; readonly as: string; readonly version: number | null }[];
}

/** A roster on its way in: choose a file, say which column is which, see every row, decide likenesses, bring it in. */
export function RosterFile({ cohort }: { cohort: string }) {
  const router = useRouter();
  const say = useNotice();
  const [input, setInput] = useState<Input | null>(null);
  const [preview, setPreview] = useState<RosterPreview | null>(null);
  const { run, refusal, busy } = useAction();
  const once = useOnce();
  const [tooLarge, setTooLarge] = useState(false);
  const look = async (next: Input, guess = false) => {
    setInput(next);
    const reply = await run(() => sendFile<RosterPreview>('roster-preview', { once: once.id(), cohort, ...next }));
    if (!reply?.ok) return setPreview(null);
    const guessed = guessMapping(reply.value.headings);
    if (guess && guessed.name) return void look({ ...next, mapping: guessed });
    setPreview(reply.value);
  };
  const choose = async (file: File) => {
    setTooLarge(file.size > 4 * ROSTER_LIMITS.characters);
    if (file.size > 4 * ROSTER_LIMITS.characters) return setPreview(null);
    await look({ text: await readText(file), mapping: NONE, dayFirst: null, merge: [] }, true);
  };
  const bring = async () => {
    const reply = await run(() => sendFile<{ added: number; merged: number }>('roster', { once: once.id(), cohort, ...input }));
    if (!reply?.ok) return;
    once.done();
    const { added, merged } = reply.value;
    say(`${added} added${merged > 0 ? `, ${merged} merged` : ''}.`);
    router.push(`/cohorts/${cohort}`);
    router.refresh();
  };
  const undecided = preview?.twins.filter(({ row }) => !input?.merge.some((one) => one.row === row)).length ?? 0;
  const ready = preview && preview.problems.length === 0 && !preview.askOrder && preview.rows.length > 0 && undecided === 0;
  return (
    <div className="stack" style={{ maxWidth: 820 }}>
      <div className="sheet">
        <FileField label="Choose the file" accept=".csv,text/csv,text/plain" disabled={busy} onChange={(file) => void choose(file)} />
        <p className="small soft">
          Its first line names the columns: a name, and if you like an e-mail and a birth date. At most {ROSTER_LIMITS.rows} people.
        </p>
      </div>
      {preview && input && (
        <>
          <Columns preview={preview} input={input} onChange={(next) => void look(next)} />
          {preview.problems.length > 0 && (
            <div className="note bad" role="alert">
              <p>
                <strong>{preview.problems.length === 1 ? 'One thing is in the way' : `${preview.problems.length} things are in the way`}.</strong>{' '}
                Mend the file and choose it again; nothing has come in.
              </p>
              <ul>
                {preview.problems.slice(0, 12).map(({ row, message }, index) => (
                  <li key={index}>
                    {row > 0 && <span className="num">Row {row}: </span>}
                    {message}
                  </li>
                ))}
                {preview.problems.length > 12 && <li>and {preview.problems.length - 12} more</li>}
              </ul>
            </div>
          )}
          {preview.twins.length > 0 && <Twins preview={preview} input={input} onChange={setInput} />}
          {preview.rows.length > 0 && <Rows preview={preview} />}
          <div className="row">
            <Button variant="contained" disabled={!ready || busy} onClick={() => void bring()}>
              {ready ? `Bring in ${preview.rows.length} ${preview.rows.length === 1 ? 'person' : 'people'}` : 'Bring them in'}
            </Button>
            <Button href={`/cohorts/${cohort}`}>Leave it</Button>
            {undecided > 0 && <span className="small soft">Say first who is the same: {undecided} to decide.</span>}
          </div>
        </>
      )}
      <Refusal message={tooLarge ? 'This file is too large to be a roster: a megabyte at most.' : refusal} />
    </div>
  );
}

/** Reads a file in the encodings that sheets write: UTF-8, UTF-16 with its mark, or the old western one. */
async function readText(file: File): Promise<string> {
  const bytes = new Uint8Array(await file.arrayBuffer());
  const mark = [bytes[0], bytes[1]].join();
  if (mark === '255,254') return new TextDecoder('utf-16le').decode(bytes);
  if (mark === '254,255') return new TextDecoder('utf-16be').decode(bytes);
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder('windows-1252').decode(bytes);
  }
}

interface PartProps {
  readonly preview: RosterPreview;
  readonly input: Input;
  readonly onChange: (input: Input) => void;
}

function Columns({ preview, input, onChange }: PartProps) {
  return (
    <div className={styles.columns}>
      {ROSTER_FIELDS.map((field) => (
        <ChoiceField
          key={field}
          id={`column-${field}`}
          label={`${FIELD[field]} is in`}
          value={input.mapping[field]}
          onChange={(heading) => onChange({ ...input, mapping: { ...input.mapping, [field]: heading } })}
          options={[
            { value: '', label: 'no column' },
            ...[...new Set(preview.headings)].filter(Boolean).map((heading) => ({ value: heading, label: heading })),
          ]}
        />
      ))}
      {(preview.askOrder || input.dayFirst !== null) && (
        <ChoiceField
          id="order"
          label="3/4/2001 is"
          value={input.dayFirst === null ? '' : String(input.dayFirst)}
          onChange={(chosen) => onChange({ ...input, dayFirst: chosen === '' ? null : chosen === 'true' })}
          options={[
            { value: '', label: 'please choose' },
            { value: 'true', label: 'the third of April' },
            { value: 'false', label: 'the fourth of March' },
          ]}
        />
      )}
    </div>
  );
}

function Twins({ preview, input, onChange }: PartProps) {
  return (
    <div className="note stack">
      <p>
        <strong>{preview.twins.length === 1 ? 'One name is' : `${preview.twins.length} names are`} here already.</strong> The same person moves into
        this cohort with all that is known of them.
      </p>
      {preview.twins.map(({ row, name, like, version }) => (
        <div key={row} className="row small">
          <span style={{ minWidth: 260 }}>
            <span className="num">Row {row}</span> {name}, like {like}:
          </span>
          <ChoiceField
            id={`twin-${row}`}
            label={`${name}, row ${row}`}
            hideLabel
            value={input.merge.find((one) => one.row === row)?.as ?? ''}
            onChange={(as) => onChange({ ...input, merge: [...input.merge.filter((one) => one.row !== row), ...(as ? [{ row, as, version }] : [])] })}
            options={[
              { value: '', label: 'please choose' },
              { value: 'the same person', label: 'the same person' },
              { value: 'another person', label: 'another person' },
            ]}
            sx={{ width: 220 }}
          />
        </div>
      ))}
    </div>
  );
}

function Rows({ preview }: { preview: RosterPreview }) {
  return (
    <table className="figures sheet">
      <thead>
        <tr>
          <th scope="col">Row</th>
          <th scope="col">Name</th>
          <th scope="col">E-mail</th>
          <th scope="col">Birth date</th>
        </tr>
      </thead>
      <tbody>
        {preview.rows.slice(0, 30).map(({ row, name, email, birthDate }) => (
          <tr key={row}>
            <td className="num">{row}</td>
            <td>{name}</td>
            <td>{email ?? <span className="soft">none</span>}</td>
            <td>
              {birthDate && preview.askOrder ? (
                <span className="soft">choose above</span>
              ) : birthDate ? (
                longDayText(birthDate)
              ) : (
                <span className="soft">none</span>
              )}
            </td>
          </tr>
        ))}
        {preview.rows.length > 30 && (
          <tr>
            <td colSpan={4} className="soft">
              and {preview.rows.length - 30} more
            </td>
          </tr>
        )}
      </tbody>
    </table>
  );
}
