'use client';

import { DndContext, PointerSensor, useSensor, useSensors, type DragEndEvent } from '@dnd-kit/core';
import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { useState, type ReactNode } from 'react';
import {
  acceptCheckAction,
  addReviewAction,
  answerStepAction,
  draftingProblemAction,
  keepDraftedAction,
  mendCheckAction,
  mendCourseAction,
  moveBlockAction,
  pinBlockAction,
  undoStepAction,
} from '@/app/actions/courses';
import { fewReadyText } from '@/core/course';
import { dayText } from '@/core/units';
import type { CourseView, ReadyLine, ShownCheck } from '@/views/course';
import type { Reply } from '../forms/reply';
import { Refusal } from '../forms/fields';
import { useAction } from '../forms/useAction';
import { useNotice } from '../look/Notices';
import { More, type MoreItem } from '../shell/More';
import { Plank } from '../shell/Plank';
import { Checks } from './Checks';
import { Built } from './Built';
import { CourseLadder } from './CourseLadder';
import { differences } from './differences';
import { Following, type Published } from './Following';
import { asSeen, CancelClass, ClosedDays, EndOrRemove, mayFollow, Reopened, type Wish } from './LifeHappens';
import { Mends } from './Mends';
import { toClasses, type Proposal } from './proposal';
import { Proposed } from './Proposed';
import { PublishMany } from './PublishMany';
import { Ready } from './Ready';
import { Says } from './Says';
import { useDrafting } from './useDrafting';

/** Something that was asked of a course as it was seen, and may be asked again of the course as it is. */
interface Asked {
  readonly what: string;
  readonly work: (view: CourseView) => Promise<Reply<unknown>>;
  readonly seen: CourseView;
}

const BROKE = 'The search for a draft broke off. Nothing was changed; try again, or draft with fewer goals at once.';

interface Props {
  readonly view: CourseView;
  readonly title: ReactNode;
  /** What the page was opened to do: a class to cancel, or classes to publish. */
  readonly begin: { readonly wish: Wish; readonly session: string | null };
  readonly children: ReactNode;
}

/** The course ladder with its checks plank. A move answers at once, in words, on the plank concerned. */
export function CourseBoard({ view, title, begin, children }: Props) {
  const say = useNotice();
  const { run, refusal, code, busy, clear, refresh } = useAction();
  const [said, setSaid] = useState('');
  const [asked, setAsked] = useState<Asked | null>(null);
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }));
  const send = async (what: string, work: Asked['work']) => {
    const reply = await run(() => work(view));
    setSaid(reply?.ok ? what : '');
    setAsked(reply && !reply.ok && reply.code === 'clash' ? { what, work, seen: view } : null);
    refresh();
    return reply;
  };
  const move = (block: string, to: string) => {
    const session = view.sessions.find(({ id }) => id === to);
    const technique = view.sessions.flatMap(({ techniques }) => techniques).find(({ id }) => id === block);
    // Until the page shows the last move, a next one would go by what is no longer so.
    if (busy || !session || !technique || session.techniques.some(({ id }) => id === block)) return;
    void send(`${technique.name} moved to ${dayText(session.date)}.`, (now) =>
      moveBlockAction({ course: now.course.id, block, to, seen: seenIn(now) }),
    );
  };
  const mend = ({ session, mend: step }: ShownCheck) => {
    if (!step) return;
    const { kind, block, part } = step;
    void send(`${step.text}: done.`, (now) => mendCheckAction({ course: now.course.id, session, kind, block, part, seen: seenIn(now) }));
  };
  const review = ({ review: best }: ReadyLine) =>
    best &&
    void send(`${best.name} once more on ${dayText(best.date)}.`, (now) =>
      addReviewAction({ course: now.course.id, session: best.session, technique: best.technique, seen: seenIn(now) }),
    );
  const drafted = view.sessions.some(({ techniques, fixed }) => !fixed && techniques.length > 0);
  const drafting = useDrafting();
  const published = mayFollow(view);
  // Where every class that is still to come is published, there is nothing else to draft.
  const [follows, setFollows] = useState<Published>('stay');
  const draft = (way: Published) =>
    void send('', async (now) => {
      setFollows(way);
      const reply = await draftingProblemAction({ ...asSeen(now), published: way });
      // A first draft has nothing to be compared with: it is taken as it comes.
      const first = !drafted && way === 'stay';
      if (reply.ok) drafting.start(reply.value, first ? (proposal) => void take(proposal, new Set(now.sessions.map(({ id }) => id))) : undefined);
      return reply;
    });
  const take = async (proposal: Proposal, taken: ReadonlySet<string>) => {
    const classes = toClasses(proposal, taken);
    const reply = await send('Drafted.', (now) => keepDraftedAction({ ...asSeen(now), classes, published: follows }));
    if (!reply?.ok) return;
    drafting.leave();
    const { unplaced } = reply.value as { readonly unplaced: readonly string[] };
    say(unplaced.length === 0 ? 'Drafted: every goal has its place.' : 'Drafted. What has no place stands above, with what would do.');
  };
  const mendCourse = ({ text, mends }: CourseView['course']['mends'][number]) =>
    void send(`Done: ${text}. It was drafted again.`, (now) =>
      mendCourseAction({ course: now.course.id, version: now.course.version, seen: seenIn(now), mends }),
    );
  const pin = ({ id: block, name, pinned }: CourseView['sessions'][number]['techniques'][number]) =>
    void (
      !busy &&
      send(pinned ? `${name} may be moved by a draft again.` : `${name} is pinned here.`, (now) =>
        pinBlockAction({ course: now.course.id, block, pinned: !pinned, seen: seenIn(now) }),
      )
    );
  const accept = ({ key, title, text }: ShownCheck, reason: string) =>
    void (
      key !== null &&
      send(`Accepted: ${title ?? 'a class'} ${text}.`, (now) =>
        acceptCheckAction({ course: now.course.id, version: now.course.version, key, reason }),
      )
    );
  const undo = () =>
    void send(view.last?.back ? `Done again: ${view.last.what}.` : `Taken back: ${view.last?.what}.`, (now) => undoStepAction(asSeen(now)));
  const [wish, setWish] = useState<Wish>(view.mayEdit ? begin.wish : null);
  const router = useRouter();
  const shown = drafting.running || drafting.proposal !== null;
  return (
    <DndContext sensors={sensors} id="course" onDragEnd={({ active, over }: DragEndEvent) => over && move(String(active.id), String(over.id))}>
      <div className="head">
        <div>{title}</div>
        {view.mayEdit && (
          <div className="actions">
            <More items={moreOf(view, setWish)} />
            {view.course.series ? (
              <Button href={`/series/${view.course.series.id}/ask`}>Change what is asked</Button>
            ) : (
              <>
                <Button href={`/courses/${view.course.id}/climbs`}>Climbs</Button>
                <Button href={`/courses/${view.course.id}/request`}>Change what is asked</Button>
                <Button
                  variant="contained"
                  disabled={busy || drafting.running}
                  onClick={() => draft(published.length > 0 && view.sessions.every(({ fixed }) => fixed) ? 'follow' : 'stay')}
                >
                  {busy || drafting.running ? 'Working on it' : drafted ? 'Draft again from here' : 'Draft'}
                </Button>
              </>
            )}
          </div>
        )}
      </div>
      {children}
      {view.mayEdit && <ClosedDays view={view} busy={busy} send={send} />}
      {view.mayEdit && wish === null && <Reopened view={view} busy={busy} send={send} />}
      {wish === 'cancel' && <CancelClass view={view} busy={busy} send={send} first={begin.session} onDone={() => setWish(null)} />}
      {wish === 'publish' && <PublishMany view={view} onDone={() => setWish(null)} />}
      {(wish === 'end' || wish === 'remove') && (
        <EndOrRemove view={view} wish={wish} busy={busy} send={send} onDone={() => setWish(null)} onGone={() => router.push('/courses')} />
      )}
      {view.mayEdit && view.course.mends.length > 0 && !shown && (
        <div style={{ marginBottom: 14 }}>
          <Mends label="What would make every goal possible" mends={view.course.mends} busy={busy} onMend={mendCourse} />
        </div>
      )}
      {view.mayEdit && view.last && (
        <p style={{ marginBottom: 10 }}>
          <Button size="small" disabled={busy} onClick={undo}>
            {view.last.back ? 'Do again' : 'Take back'}: {view.last.what}
          </Button>
        </p>
      )}
      {shown && (
        <Proposed
          view={view}
          proposal={drafting.proposal}
          following={<Following days={published} value={follows} onChange={draft} disabled={busy || drafting.running} />}
          running={drafting.running}
          busy={busy}
          onEnough={drafting.enough}
          onTake={(taken) => drafting.proposal && void take(drafting.proposal, taken)}
          onLeave={drafting.leave}
          onMend={(mend) => {
            drafting.leave();
            mendCourse(mend);
          }}
        />
      )}
      <div className="two" aria-busy={busy}>
        <CourseLadder view={view} move={view.mayEdit ? move : null} pin={view.mayEdit ? pin : null} />
        <Plank>
          {asked && code === 'clash' ? (
            <Meanwhile
              lines={differences(asked.seen, view)}
              onAgain={() => void send(asked.what, asked.work)}
              onLeave={() => {
                setAsked(null);
                clear();
              }}
            />
          ) : (
            <Refusal message={refusal ?? (drafting.broke ? BROKE : null)} />
          )}
          <p aria-live="polite" className={said ? 'small' : 'sr'}>
            {said}
          </p>
          <Built view={view} />
          <Checks
            checks={view.checks}
            accepted={view.accepted}
            unplaced={view.course.unplaced.length + (fewReadyText(view.ready) ? 1 : 0)}
            onMend={view.mayEdit ? mend : null}
            onAccept={view.mayEdit ? accept : undefined}
            busy={busy}
          />
          <Says
            says={view.says}
            busy={busy}
            onAnswer={({ technique, name }, answer) =>
              void send(
                `${name} ${answer === 'stay' ? 'stays a class longer' : answer === 'back' ? 'goes back a step' : 'is held a count shorter'}.`,
                (now) => answerStepAction({ ...asSeen(now), technique, answer }),
              )
            }
          />
          <Ready view={view} busy={busy} onReview={review} onMend={view.mayEdit ? mendCourse : null} />
        </Plank>
      </div>
    </DndContext>
  );
}

/** The versions of a course's sessions, as a page shows them. */
const seenIn = (view: CourseView) => asSeen(view).seen;

/** What is done to a course less often. */
function moreOf(view: CourseView, onWish: (wish: Wish) => void): MoreItem[] {
  const published = view.sessions.some(({ state }) => !['planned', 'empty'].includes(state));
  const { id } = view.course;
  return [
    { label: 'Publish classes', onChoose: () => onWish('publish') },
    { label: 'Cancel a class', onChoose: () => onWish('cancel') },
    { label: 'Copy to another cohort', href: `/courses/${id}/copy` },
    { label: 'The course on a page', href: `/paper/courses/${id}` },
    { label: 'Calendar file', href: `/api/export/course-calendar/${id}`, download: true },
    { label: 'Take it to another studio', href: `/api/export/course/${id}`, download: true },
    // The live days of a series end with it.
    ...(view.course.series ? [] : [{ label: 'End the course', onChoose: () => onWish('end') }]),
    ...(view.course.series || published ? [] : [{ label: 'Delete the course', onChoose: () => onWish('remove') }]),
  ];
}

/** Somebody else changed the course meanwhile: what they did, and what was meant here. */
function Meanwhile({ lines, onAgain, onLeave }: { lines: readonly string[]; onAgain: () => void; onLeave: () => void }) {
  return (
    <section className="note bad stack" role="alert" aria-label="Somebody else changed this meanwhile">
      <p>
        <strong>Somebody else changed this course meanwhile.</strong> Nothing of theirs is lost; yours was not done yet.
      </p>
      {lines.length > 0 && (
        <ul className="small">
          {lines.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ul>
      )}
      <div className="row">
        <Button onClick={onLeave}>Leave it as it is now</Button>
        <Button variant="contained" onClick={onAgain}>
          Do mine all the same
        </Button>
      </div>
    </section>
  );
}
