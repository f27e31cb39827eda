'use client';

import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { saveSchoolsAction } from '@/app/actions/studio';
import { questionsFor, schoolChanges, type QuestionId, type StudioSchools } from '@/core/conventions';
import { techniqueOf, type Technique } from '@/core/techniques';
import type { Pace } from '@/core/timing';
import { clockText } from '@/core/units';
import { Refusal } from '../forms/fields';
import { useNotice } from '../look/Notices';
import styles from './Bench.module.css';

interface Props {
  readonly technique: Pick<Technique, 'id'>;
  readonly schools: StudioSchools;
  /** For those who may choose: what the studio's settings count as now. */
  readonly version: number | null;
  readonly pace: Pace;
}

/** The ways this technique is done in: the studio's, or its own where it differs. */
export function TechniqueSchools({ technique: { id }, schools, version, pace }: Props) {
  const router = useRouter();
  const say = useNotice();
  const [own, setOwn] = useState<Partial<Record<QuestionId, string>>>(schools.own[id] ?? {});
  const [refusal, setRefusal] = useState<string | null>(null);
  const questions = questionsFor(techniqueOf(id));
  const touched = questions.some((question) => own[question.id] !== schools.own[id]?.[question.id]);
  const [change] = touched
    ? schoolChanges(schools, { ...schools, own: { ...schools.own, [id]: own } }, pace).filter((one) => one.technique === id)
    : [];
  const save = async () => {
    const ways = questions.map((question) => ({ question: question.id, way: own[question.id] ?? null }));
    const reply = await saveSchoolsAction({ version, technique: id, ways });
    if (!reply.ok) return setRefusal(reply.message);
    say('Saved. Sessions that are already planned keep what is written in them.');
    router.refresh();
  };
  return (
    <div className="stack" style={{ gap: 8 }}>
      {questions.map((question) =>
        version === null ? (
          <p key={question.id} className="small">
            <strong>{question.question}</strong> {own[question.id] ?? schools.studio[question.id]}
          </p>
        ) : (
          <label key={question.id} className="small">
            <strong>{question.question}</strong>
            <select
              className={styles.small}
              style={{ width: '100%' }}
              value={own[question.id] ?? ''}
              onChange={(event) => setOwn({ ...own, [question.id]: event.target.value || undefined })}
            >
              <option value="">as the studio: {schools.studio[question.id]}</option>
              {question.ways.map((way) => (
                <option key={way} value={way}>
                  here: {way}
                </option>
              ))}
            </select>
          </label>
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
          <Button size="small" variant="contained" onClick={() => void save()}>
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
