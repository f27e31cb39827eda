'use client';

import Button from '@mui/material/Button';
import { useMemo, useState } from 'react';
import { plannedTechniquesAction, saveSchoolsAction } from '@/app/actions/studio';
import { HELD, QUESTIONS, schoolChanges, wayText, type QuestionId, type SchoolChange, type StudioSchools } from '@/core/conventions';
import type { Pace } from '@/core/timing';
import { clockText } from '@/core/units';
import { ChoiceField } from '../fields';
import { Refusal } from '../forms/fields';
import { useAction } from '../forms/useAction';
import { Fold } from '../shell/Fold';
import { useLibrary } from '../shell/Inside';
import { useNotice } from '../look/Notices';
import styles from './SchoolsForm.module.css';

interface Props {
  readonly version: number;
  readonly schools: StudioSchools;
  readonly pace: Pace;
}

/** Where schools differ: the studio's way for each question, and what another choice would change, before it is saved. */
export function SchoolsForm({ version, schools, pace }: Props) {
  const say = useNotice();
  const [chosen, setChosen] = useState(schools.studio);
  const { run, refusal, busy, refresh } = useAction();
  const { techniques } = useLibrary();
  const changes = useMemo(() => schoolChanges(techniques, schools, { ...schools, studio: chosen }, pace), [techniques, schools, chosen, pace]);
  // How many sessions still to come have each technique: asked for with the first choice.
  const [planned, setPlanned] = useState<Readonly<Record<string, number>> | null>(null);
  const choose = (id: QuestionId, way: string) => {
    setChosen({ ...chosen, [id]: way });
    if (planned === null) void run(plannedTechniquesAction).then((reply) => reply?.ok && setPlanned(reply.value));
  };
  const touched = QUESTIONS.some(({ id }) => chosen[id] !== schools.studio[id]);
  const save = async () => {
    const ways = QUESTIONS.map(({ id }) => ({ question: id, way: chosen[id] }));
    const reply = await run(() => saveSchoolsAction({ version, technique: null, ways }));
    if (!reply?.ok) return;
    say('Saved. Sessions that are already planned keep what is written in them.');
    refresh();
  };
  return (
    <section className="sheet stack" aria-label="Our schools">
      <h2>Our schools</h2>
      <p className="soft">Where practitioners differ. A technique may keep a way of its own, on its page.</p>
      <div className={styles.questions}>
        {QUESTIONS.map(({ id, question, ways, because }, index) => (
          <ChoiceField
            key={id}
            id={`school-${index}`}
            label={question}
            value={chosen[id]}
            onChange={(way) => choose(id, way)}
            helperText={`${wayText(id, ways[0])} by default: ${because}`}
            options={ways.map((way) => ({ value: way, label: wayText(id, way) }))}
          />
        ))}
      </div>
      <div aria-live="polite">{touched && <Preview changes={changes} planned={planned ?? {}} />}</div>
      <Refusal message={refusal} />
      {touched && (
        <div className="row">
          <Button variant="contained" disabled={busy} onClick={() => void save()}>
            Save our schools
          </Button>
          <Button onClick={() => setChosen(schools.studio)}>Leave it as it was</Button>
        </div>
      )}
      <Fold plain title="What no school changes here">
        <ul>
          {HELD.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ul>
      </Fold>
    </section>
  );
}

function Preview({ changes, planned }: { changes: readonly SchoolChange[]; planned: Readonly<Record<string, number>> }) {
  if (changes.length === 0) return <p className="note">No technique changes by it.</p>;
  const kept = changes.filter(({ technique, said }) => planned[technique] && said.length === 0);
  return (
    <div className="note stack">
      <p>
        <strong>{changes.length === 1 ? 'One technique changes' : `${changes.length} techniques change`}</strong>, from the moment you save.
        {kept.length > 0 &&
          ` Sessions already planned with ${kept.length === 1 ? kept[0].name : `${kept.length} of them`} keep what is written there.`}
      </p>
      <table className="figures">
        <thead>
          <tr>
            <th scope="col">Technique</th>
            <th scope="col">Now</th>
            <th scope="col">Then</th>
          </tr>
        </thead>
        <tbody>
          {changes.map(({ technique, name, before, after, said }) => {
            const same = before.pattern === after.pattern && before.dose === after.dose;
            return (
              <tr key={technique}>
                <td>{name}</td>
                {same ? (
                  <td colSpan={2}>{said.join('; ')}</td>
                ) : (
                  <>
                    <Taught of={before} beside={after} />
                    <Taught of={after} beside={before} />
                  </>
                )}
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}

/** One side of the comparison: the pattern only where it differs, the dose with what it comes to. */
function Taught({ of, beside }: { of: SchoolChange['before']; beside: SchoolChange['before'] }) {
  return (
    <td>
      {of.pattern !== beside.pattern && (
        <>
          {of.pattern}
          <br />
        </>
      )}
      {of.dose} = <span className="num">{clockText(of.time)}</span>
    </td>
  );
}
