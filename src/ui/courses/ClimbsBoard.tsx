'use client';

import Button from '@mui/material/Button';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import { answerStepAction, changeCourseAction, tryCourseAction } from '@/app/actions/courses';
import { CLIMB_KINDS, type ClimbKind, type Rhythm, type Sentence } from '@/core/climb';
import { STEP_ANSWERS, type StepAnswer } from '@/core/course';
import { dayText } from '@/core/units';
import { listed } from '@/core/wording';
import { FORM_LIMITS } from '@/forms';
import type { Climb, ClimbsView } from '@/views/climb';
import type { CourseRequest, Outcome } from '@/views/course';
import { ChoiceField } from '../fields';
import { Refusal } from '../forms/fields';
import { useAction } from '../forms/useAction';
import { useNotice } from '../look/Notices';
import { Fold } from '../shell/Fold';
import { Plank } from '../shell/Plank';
import { ClimbSentence } from './ClimbSentence';
import { goalAs } from './climbed';
import styles from './Climbs.module.css';
import { asSeen } from './LifeHappens';
import { OutcomeLines } from './OutcomeLines';
import { Ready } from './Ready';
import { Says } from './Says';
import { Stairs } from './Stairs';

/** Charts come when they are looked at. */
const Figures = dynamic(() => import('./Figures').then((all) => all.Figures), { ssr: false, loading: () => <p className="soft">A moment.</p> });

const HAND: Readonly<Record<StepAnswer, string>> = {
  stay: 'Stay a class longer',
  back: 'One step back',
  hurry: 'Go on a class sooner',
  lighter: 'Make the next one lighter',
  shorter: 'Hold it a count shorter',
};
const DONE: Readonly<Record<StepAnswer, string>> = {
  stay: 'stays a class longer',
  back: 'goes back a step',
  hurry: 'goes on a class sooner',
  lighter: 'is lighter in its next class',
  shorter: 'is held a count shorter',
};

const said = (climb: Climb): Sentence => ({ kind: climb.kind, from: climb.from, to: climb.to, step: climb.step, every: climb.every, over: '' });

/** The climbs of a course: each a sentence with blanks and its stairs; what the classes say and who will be ready beside them. */
export function ClimbsBoard({ view }: { view: ClimbsView }) {
  const { course, climbs, request } = view;
  const say = useNotice();
  const { run, refusal, busy, refresh } = useAction();
  const [shown, setShown] = useState<{ readonly of: string; readonly request: CourseRequest; readonly outcome: Outcome } | null>(null);
  const rhythm = { classesAWeek: view.classesAWeek, week: course.week ?? 0, guards: view.guards };
  const look = async (climb: Climb, sentence: Sentence, typed: Sentence) => {
    if (!request) return;
    const start = climb.points[0]?.date ?? course.sessions[0]?.date ?? course.today;
    const goals = request.goals.map((goal) =>
      goal.technique === climb.technique
        ? goalAs(goal, sentence, typed, said(climb), { ...rhythm, roundMs: climb.roundMs ?? undefined }, start)
        : goal,
    );
    const wish = { ...request, goals };
    const reply = await run(() => tryCourseAction({ ...wish, then: 'draft' }));
    setShown(reply?.ok ? { of: climb.technique, request: wish, outcome: reply.value } : null);
  };
  const keep = async () => {
    if (!shown) return;
    const reply = await run(() => changeCourseAction({ ...shown.request, then: 'draft' }));
    if (!reply?.ok) return;
    setShown(null);
    say('Kept: the course was drafted along this climb.');
    refresh();
  };
  const byHand = async ({ technique, name }: Pick<Climb, 'technique' | 'name'>, answer: StepAnswer) => {
    const reply = await run(() => answerStepAction({ ...asSeen(course), technique, answer }));
    if (reply?.ok) say(`${name} ${DONE[answer]}.`);
    refresh();
  };
  return (
    <div className="two">
      <div>
        {climbs.map((climb) => (
          <OneClimb
            key={`${climb.technique} ${course.course.version}`}
            climb={climb}
            view={view}
            rhythm={{ ...rhythm, roundMs: climb.roundMs ?? undefined, mostWeeks: FORM_LIMITS.weeks }}
            busy={busy}
            onTake={request ? (sentence, typed) => void look(climb, sentence, typed) : null}
            onHand={request ? (answer) => void byHand(climb, answer) : null}
          >
            {shown?.of === climb.technique && (
              <section className="sheet stack" aria-label={`What it does to the course: ${climb.name}`}>
                <OutcomeLines outcome={shown.outcome} />
                <div className="row">
                  <Button variant="contained" disabled={busy} onClick={() => void keep()}>
                    Keep it
                  </Button>
                  <Button onClick={() => setShown(null)}>Leave it</Button>
                </div>
              </section>
            )}
          </OneClimb>
        ))}
        <TryOne rhythm={rhythm} />
      </div>
      <Plank>
        <Refusal message={refusal} />
        <Says says={course.says} busy={busy} onAnswer={(of, answer) => void byHand(of, answer)} />
        <Ready view={course} busy={busy} onReview={null} onMend={null} />
        {course.says.length === 0 && course.ready.length === 0 && <p className="soft">Once a class was logged, what it says stands here.</p>}
      </Plank>
    </div>
  );
}

interface OneProps {
  readonly climb: Climb;
  readonly view: ClimbsView;
  readonly rhythm: Rhythm;
  readonly busy: boolean;
  readonly onTake: ((sentence: Sentence, typed: Sentence) => void) | null;
  /** Changes the climb by hand from the next open class on. */
  readonly onHand: ((answer: StepAnswer) => void) | null;
  readonly children: React.ReactNode;
}

function OneClimb({ climb, view, rhythm, busy, onTake, onHand, children }: OneProps) {
  const [sentence, setSentence] = useState(said(climb));
  const grows = climb.from !== climb.to;
  return (
    <section className={styles.climb} aria-label={climb.name}>
      <h2>{climb.name}</h2>
      {grows ? (
        <ClimbSentence
          id={`climb-${climb.technique}`}
          sentence={sentence}
          rhythm={rhythm}
          onChange={setSentence}
          onTake={onTake && ((taken) => onTake(taken, sentence))}
          onSee={onTake && ((taken) => onTake(taken, sentence))}
          busy={busy}
        >
          <strong>
            {climb.arrives ? `The plan arrives on ${dayText(climb.arrives)}, in week ${climb.week}.` : 'The plan does not arrive there.'}
          </strong>
        </ClimbSentence>
      ) : (
        <p>
          <span className="num">{climb.to}</span>, from its first class on
          {climb.arrives ? `; practised as it should be by ${dayText(climb.arrives)}.` : '; the plan does not practise it often enough.'}
        </p>
      )}
      {children}
      <Stairs climb={climb} view={view.course} naturalBreath={view.naturalBreath} />
      {onHand && climb.stairs.length > 1 && (
        <div className="row" role="group" aria-label={`${climb.name} by hand`}>
          <span className="small soft">From the next open class on:</span>
          {STEP_ANSWERS.map((answer) => (
            <Button key={answer} size="small" disabled={busy} onClick={() => onHand(answer)}>
              {HAND[answer]}
            </Button>
          ))}
        </div>
      )}
      {climb.own.length > 0 && (
        <p className="small soft">
          Beside the room’s {climb.to}: {listed(climb.own.map(({ name, count }) => `${name} keeps ${count}`))}. Nobody is behind.
        </p>
      )}
      {climb.points.length > 0 && (
        <Fold plain title="Figures, class by class">
          <Figures climb={climb} />
        </Fold>
      )}
    </section>
  );
}

const KINDS: Readonly<Record<ClimbKind, { readonly label: string; readonly sentence: Omit<Sentence, 'kind'> }>> = {
  minutes: { label: 'minutes', sentence: { from: '5 min', to: '15 min', step: '1 min', every: 'month', over: '6 months' } },
  pattern: { label: 'counts, base or layers', sentence: { from: '4:4', to: '4:4:4:4', step: 'one count', every: '2 weeks', over: '' } },
  hold: { label: 'a hold in seconds', sentence: { from: '0 s', to: '8 s', step: '1 s', every: 'week', over: '' } },
  rounds: { label: 'rounds', sentence: { from: '3 rounds', to: '9 rounds', step: '1 round', every: 'week', over: '' } },
  rest: { label: 'the lying rest', sentence: { from: '5 min', to: '30 min', step: '', every: '3 weeks', over: '12 weeks' } },
};

/** Any climb, worked out beside the course. */
function TryOne({ rhythm }: { rhythm: Rhythm }) {
  const [sentence, setSentence] = useState<Sentence>({ kind: 'minutes', ...KINDS.minutes.sentence });
  return (
    <section className={styles.climb} aria-label="Work out a climb">
      <div className="row" style={{ justifyContent: 'space-between', alignItems: 'flex-end' }}>
        <h2>Work out a climb</h2>
        <div style={{ width: 220 }}>
          <ChoiceField
            id="try-kind"
            label="What grows"
            value={sentence.kind}
            onChange={(kind) => setSentence({ kind: kind as ClimbKind, ...KINDS[kind as ClimbKind].sentence })}
            options={CLIMB_KINDS.map((value) => ({ value, label: KINDS[value].label }))}
          />
        </div>
      </div>
      <ClimbSentence id="try" sentence={sentence} rhythm={rhythm} onChange={setSentence} onTake={setSentence} onSee={null} busy={false} />
    </section>
  );
}
