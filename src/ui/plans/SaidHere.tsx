'use client';

import { answerStepAction } from '@/app/actions/courses';
import type { PlanView } from '@/views/plan';
import { Says } from '../courses/Says';
import { Refusal } from '../forms/fields';
import { useAction } from '../forms/useAction';
import { useNotice } from '../look/Notices';

interface Props {
  readonly plan: PlanView;
  /** The blocks may be others now. */
  readonly onAnswered: () => void;
}

/** What the last class said of what this one practises, answered here. */
export function SaidHere({ plan: { course, says }, onAnswered }: Props) {
  const { run, refusal, busy, refresh } = useAction();
  const say = useNotice();
  const answer = async (technique: string, name: string, to: 'stay' | 'back' | 'shorter') => {
    const asked = { course: course.id, version: course.version, seen: [...says.seen], technique, answer: to };
    const reply = await run(() => answerStepAction(asked));
    if (!reply?.ok) return refresh();
    say(`${name} ${to === 'stay' ? 'stays on its step a class longer' : to === 'back' ? 'goes a step back' : 'is held a count shorter'}.`);
    onAnswered();
  };
  return (
    <>
      <Says says={says.said} busy={busy} onAnswer={({ technique, name }, to) => void answer(technique, name, to)} />
      <Refusal message={refusal} />
    </>
  );
}
