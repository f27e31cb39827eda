'use client';

import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { changeCourseAction, compareRequestAction } from '@/app/actions/courses';
import { changeCourseForm, type ChangeCourseInput } from '@/forms';
import type { CourseRequest, RequestNow } from '@/views/course';
import { Clash } from '../forms/Clash';
import { Amount, Field, Refusal, Time } from '../forms/fields';
import { useForm } from '../forms/useForm';
import { useNotice } from '../look/Notices';
import styles from './CourseForm.module.css';
import { Goals, type Teachable } from './Goals';

/** What a course that stands is asked for. Its planned classes keep their blocks until a draft is taken. */
export function RequestForm({ request, techniques }: { request: CourseRequest; techniques: readonly Teachable[] }) {
  const router = useRouter();
  const say = useNotice();
  const [theirs, setTheirs] = useState<RequestNow | null>(null);
  const save = async (values: ChangeCourseInput) => {
    const reply = await changeCourseAction(values);
    const now = !reply.ok && reply.code === 'clash' ? await compareRequestAction(values) : null;
    if (now?.ok) setTheirs(now.value);
    return reply;
  };
  const form = useForm<ChangeCourseInput, { id: string }>(changeCourseForm as never, request, save, ({ id }) => {
    say('Kept. Draft again to see what it changes, class by class.');
    router.push(`/courses/${id}`);
  });
  const settle = ({ request: now }: RequestNow, mine: boolean) => {
    setTheirs(null);
    if (!mine) return form.reset(now);
    form.setValue('version', now.version);
    form.setValue('seen', now.seen);
    void form.send();
  };
  return (
    <form onSubmit={form.send} noValidate className="stack" style={{ maxWidth: 860 }}>
      <div className={`sheet ${styles.line}`}>
        <Field form={form} name="name" label="Name of the course" published autoFocus />
        <Amount form={form} name="weeks" label="Weeks" />
        <Time form={form} name="start" label="Starts at" />
        <Amount form={form} name="minutes" label="Minutes" step={5} />
      </div>
      <Goals form={form} techniques={techniques} />
      {theirs ? (
        <Clash differs={theirs.differs} onTheirs={() => settle(theirs, false)} onMine={() => settle(theirs, true)} />
      ) : (
        <>
          <Refusal message={form.refusal} />
          <div className="row">
            <Button type="submit" variant="contained" disabled={form.busy}>
              Keep the change
            </Button>
            <Button href={`/courses/${request.course}`}>Leave it</Button>
          </div>
        </>
      )}
    </form>
  );
}
