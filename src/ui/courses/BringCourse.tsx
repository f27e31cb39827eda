'use client';

import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { listed } from '@/core/wording';
import type { PackagePreview } from '@/views/files';
import { DayField, FileField, PickField, type Option } from '../fields';
import { Refusal } from '../forms/fields';
import { useOnce } from '../forms/once';
import { sendFile } from '../forms/sendFile';
import { useAction } from '../forms/useAction';

interface Props {
  readonly cohorts: readonly Option[];
  readonly teachers: readonly Option[];
  readonly firstDate: string;
}

/** What a course's file may weigh; the server says so too. */
const MOST_BYTES = 1_900_000;
const SHOWN = 30;

/** A course from another studio: looked through, given a cohort, a first day and a teacher, and brought in whole or not at all. */
export function BringCourse({ cohorts, teachers, firstDate }: Props) {
  const router = useRouter();
  const [file, setFile] = useState<{ readonly text: string; readonly preview: PackagePreview } | null>(null);
  const [tooLarge, setTooLarge] = useState(false);
  const [place, setPlace] = useState({ cohort: cohorts[0]?.value ?? '', teacher: teachers[0]?.value ?? '', firstDate });
  const { run, refusal, busy } = useAction();
  const once = useOnce();
  const look = async (chosen: File) => {
    setFile(null);
    setTooLarge(chosen.size > MOST_BYTES);
    if (chosen.size > MOST_BYTES) return;
    const text = await chosen.text();
    const reply = await run(() => sendFile<PackagePreview>('course-preview', { once: once.id(), text }));
    if (reply?.ok) setFile({ text, preview: reply.value });
  };
  const bring = async (text: string) => {
    const reply = await run(() => sendFile<{ id: string; place: 'courses' | 'series' }>('course', { once: once.id(), text, ...place }));
    if (!reply?.ok) return;
    once.done();
    router.push(`/${reply.value.place}/${reply.value.id}`);
  };
  const course = file?.preview.course;
  return (
    <div className="stack" style={{ maxWidth: 640 }}>
      <FileField label="Choose the file of a course" accept=".json,application/json" disabled={busy} onChange={(chosen) => void look(chosen)} />
      <Refusal message={tooLarge ? 'This file is too large: two megabytes at most.' : refusal} />
      {file && file.preview.problems.length > 0 && (
        <div className="note bad" role="status">
          <p>
            <strong>Nothing came in.</strong>
          </p>
          <ul>
            {file.preview.problems.slice(0, SHOWN).map(({ class: of, message }) => (
              <li key={`${of} ${message}`}>
                {of ? `Class ${of}: ` : ''}
                {message}
              </li>
            ))}
          </ul>
        </div>
      )}
      {file && course && (
        <section className="sheet stack" aria-label="What it brings">
          <h2>{course.name}</h2>
          <p>
            {course.series ? `A series of ${course.classes} days` : `${course.classes} classes of ${course.minutes} minutes in ${course.weeks} weeks`}
            {course.goals.length > 0 && `, to ${listed(course.goals)}`}.{' '}
            {course.brings.length > 0 && `Along come, because they are not here yet: ${listed(course.brings)}.`}
          </p>
          {file.preview.differs.length > 0 && (
            <div className="note small">
              <p>Their ladder asks otherwise than yours. Yours is gone by here; the checks say where that matters.</p>
              <ul>
                {file.preview.differs.slice(0, SHOWN).map((line) => (
                  <li key={line}>{line}</li>
                ))}
              </ul>
            </div>
          )}
          <PickField id="cohort" label="For" value={place.cohort} onChange={(cohort) => setPlace({ ...place, cohort })} options={cohorts} />
          <DayField id="firstDate" label="First day" value={place.firstDate} onChange={(day) => setPlace({ ...place, firstDate: day })} />
          <PickField
            id="teacher"
            label="Taught by"
            value={place.teacher}
            onChange={(teacher) => setPlace({ ...place, teacher })}
            options={teachers}
          />
          <p className="small soft">People are screened as they are; nothing is published yet.</p>
          <div>
            <Button variant="contained" disabled={busy} onClick={() => void bring(file.text)}>
              Bring it in
            </Button>
          </div>
        </section>
      )}
    </div>
  );
}
