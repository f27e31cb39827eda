'use client';

import { answerStepAction } from '@/app/actions/courses';
import type { PlanNow, PlanView } from '@/views/plan';
import { Says } from '../courses/Says';
import { Refusal } from '../forms/fields';
import type { Reply } from '../forms/reply';
import { useAction } from '../forms/useAction';
import type { Autosaved } from '../forms/useAutosave';
import { useNotice } from '../look/Notices';

interface Props {
  readonly plan: PlanView;
  readonly inTurn: Autosaved<unknown, unknown>['inTurn'];
  /** The plan as it is then: its blocks may be others. */
  readonly now: () => Promise<Reply<PlanNow>>;
  readonly onAnswered: (now: PlanNow) => void;
}

/** What the last class said of what this one practises, answered here. */
export function SaidHere({ plan: { course, says }, inTurn, now, onAnswered }: Props) {
  const { run, refusal, busy, refresh } = useAction();
  const say = useNotice();
  const answer = async (technique: string, name: string, to: 'stay' | 'back' | 'shorter') => {
    const asked = { course: course.id, version: course.version, seen: [...says.seen], technique, answer: to };
    const reply = await run(() =>
      inTurn(async () => {
        const answered = await answerStepAction(asked);
        return answered.ok ? now() : answered;
      }),
    );
    if (!reply?.ok) return refresh();
    say(`${name} ${to === 'stay' ? 'stays on its step a class longer' : to === 'back' ? 'goes a step back' : 'is held a count shorter'}.`);
    onAnswered(reply.value);
  };
  return (
    <>
      <Says says={says.said} busy={busy} onAnswer={({ technique, name }, to) => void answer(technique, name, to)} />
      <Refusal message={refusal} />
    </>
  );
}
