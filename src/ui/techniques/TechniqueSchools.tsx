'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import { saveSchoolsAction } from '@/app/actions/studio';
import { questionsFor, schoolChanges, wayText, type Schools, type StudioSchools } from '@/core/conventions';
import type { Technique } from '@/core/techniques';
import type { Pace } from '@/core/timing';
import { clockText } from '@/core/units';
import { ChoiceField } from '../fields';
import { Refusal } from '../forms/fields';
import { useAction } from '../forms/useAction';
import { useLibrary } from '../shell/Inside';
import { useNotice } from '../look/Notices';

interface Props {
  readonly technique: Pick<Technique, 'id'>;
  readonly schools: StudioSchools;
  /** For those who may choose: what the studio's settings count as now. */
  readonly version: number | null;
  readonly pace: Pace;
}

/** The ways this technique is done in: the studio's, or its own where it differs. */
export function TechniqueSchools({ technique: { id }, schools, version, pace }: Props) {
  const say = useNotice();
  const [own, setOwn] = useState<Partial<Schools>>(schools.own[id] ?? {});
  const { run, refusal, busy, refresh } = useAction();
  const library = useLibrary();
  const questions = questionsFor(library.technique(id));
  const touched = questions.some((question) => own[question.id] !== schools.own[id]?.[question.id]);
  const [change] = touched
    ? schoolChanges(library.techniques, schools, { ...schools, own: { ...schools.own, [id]: own } }, pace).filter((one) => one.technique === id)
    : [];
  const save = async () => {
    const ways = questions.map((question) => ({ question: question.id, way: own[question.id] ?? null }));
    const reply = await run(() => saveSchoolsAction({ version, technique: id, ways }));
    if (!reply?.ok) return;
    say('Saved. Sessions that are already planned keep what is written in them.');
    refresh();
  };
  return (
    <div className="stack" style={{ gap: 8 }}>
      {questions.map((question, index) =>
        version === null ? (
          <p key={question.id} className="small">
            <strong>{question.question}</strong> {wayText(question.id, own[question.id] ?? schools.studio[question.id])}
          </p>
        ) : (
          <ChoiceField
            key={question.id}
            id={`own-${index}`}
            label={question.question}
            value={own[question.id] ?? ''}
            onChange={(way) => setOwn({ ...own, [question.id]: way || undefined })}
            options={[
              { value: '', label: `as the studio: ${wayText(question.id, schools.studio[question.id])}` },
              ...question.ways.map((way) => ({ value: way, label: `here: ${wayText(question.id, way)}` })),
            ]}
          />
        ),
      )}
      <div aria-live="polite" className="small">
        {touched && (
          <p className="note">
            {!change
              ? 'Nothing else changes by it.'
              : change.said.length > 0
                ? `Said here: ${change.said.join('; ')}.`
                : `Then: ${change.after.pattern} · ${change.after.dose}, ${clockText(change.after.time)} instead of ${clockText(change.before.time)}.`}
          </p>
        )}
      </div>
      <Refusal message={refusal} />
      {touched && (
        <div className="row">
          <Button size="small" variant="contained" disabled={busy} onClick={() => void save()}>
            Save for this technique
          </Button>
          <Button size="small" onClick={() => setOwn(schools.own[id] ?? {})}>
            Leave it
          </Button>
        </div>
      )}
    </div>
  );
}
