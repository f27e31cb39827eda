'use client';

import { DndContext, PointerSensor, useSensor, useSensors, type DragEndEvent } from '@dnd-kit/core';
import { useRouter } from 'next/navigation';
import { useState, useTransition } from 'react';
import { mendCheckAction, moveBlockAction } from '@/app/actions/courses';
import { dayText } from '@/core/units';
import type { readCourse, ShownCheck } from '@/server/usecases/courses/readCourse';
import type { Reply } from '../forms/reply';
import { Checks } from './Checks';
import { CourseLadder } from './CourseLadder';
import { Plank } from '../shell/Plank';

export type CourseView = Awaited<ReturnType<typeof readCourse>>;

/** The course ladder with its checks plank. A move answers at once, in words, on the plank concerned. */
export function CourseBoard({ view }: { view: CourseView }) {
  const router = useRouter();
  const [busy, start] = useTransition();
  const [said, setSaid] = useState('');
  const [refused, setRefused] = useState<string | null>(null);
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }));
  const send = (work: () => Promise<Reply<void>>, done: string) =>
    start(async () => {
      const reply = await work();
      setRefused(reply.ok ? null : reply.message);
      setSaid(reply.ok ? done : '');
      router.refresh();
    });
  const move = (block: string, to: string) => {
    const session = view.sessions.find(({ id }) => id === to);
    const technique = view.sessions.flatMap(({ techniques }) => techniques).find(({ id }) => id === block);
    if (!session || !technique || session.techniques.some(({ id }) => id === block)) return;
    send(
      () => moveBlockAction({ course: view.course.id, version: view.course.version, block, to }),
      `${technique.name} moved to ${dayText(session.date)}.`,
    );
  };
  const mend = (check: ShownCheck) => {
    if (check.mend)
      send(
        () =>
          mendCheckAction({
            course: view.course.id,
            version: view.course.version,
            session: check.session,
            kind: check.mend?.kind,
            block: check.mend?.block,
          }),
        `${check.mend.text}: done.`,
      );
  };
  return (
    <DndContext sensors={sensors} id="course" onDragEnd={({ active, over }: DragEndEvent) => over && move(String(active.id), String(over.id))}>
      <div className="two" aria-busy={busy}>
        <CourseLadder view={view} move={view.mayEdit ? move : null} />
        <Plank>
          <p role="alert" className={refused ? 'note bad' : 'sr'}>
            {refused}
          </p>
          <p aria-live="polite" className={said ? 'small' : 'sr'}>
            {said}
          </p>
          <Checks checks={view.checks} onMend={view.mayEdit ? mend : null} busy={busy} />
        </Plank>
      </div>
    </DndContext>
  );
}
