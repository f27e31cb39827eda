'use client';

import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import { useState, type ReactNode } from 'react';
import { lackText, unplacedTexts, waysOut } from '@/core/course';
import { dayText } from '@/core/units';
import type { CourseView } from '@/views/course';
import { useLibrary } from '../shell/Inside';
import { Mends } from './Mends';
import { changesIn, givesUpText, proofText, type Proposal } from './proposal';
import styles from './Proposed.module.css';

interface Props {
  readonly view: CourseView;
  readonly proposal: Proposal | null;
  readonly running: boolean;
  /** Whether published classes are drafted too. */
  readonly following: ReactNode;
  readonly busy: boolean;
  readonly onEnough: () => void;
  readonly onTake: (sessions: ReadonlySet<string>) => void;
  readonly onLeave: () => void;
  /** Takes a change of the request that was tried and makes every goal possible. */
  readonly onMend: (mend: CourseView['course']['mends'][number]) => void;
}

/** A draft before it is kept: what is going on, what it would change class by class, and which of it is taken. */
export function Proposed({ view, proposal, running, following, busy, onEnough, onTake, onLeave, onMend }: Props) {
  const library = useLibrary();
  const [dropped, setDropped] = useState<ReadonlySet<string>>(new Set());
  const changes = proposal ? changesIn(view, proposal, library) : [];
  const taken = new Set(changes.map(({ session }) => session).filter((session) => !dropped.has(session)));
  const unplaced = running ? [] : (proposal?.unplaced ?? []);
  const mends = waysOut(unplaced, library);
  const givesUp = proposal && !running ? givesUpText(proposal.proof, view.course.goals) : null;
  const nameOf = (id: string) => library.find(id)?.name ?? id;
  const lacks = proposal && !running && proposal.proof.aim === 'spread' ? proposal.proof.broken.map((broken) => lackText(broken, nameOf)) : [];
  const turn = (session: string) => setDropped(new Set(dropped.has(session) ? [...dropped].filter((one) => one !== session) : [...dropped, session]));
  return (
    <section className={`sheet stack ${styles.proposed}`} aria-label="The draft">
      <p aria-live="polite">
        {proposal ? proofText(proposal.proof, view.course.goals, !running) : 'Looking for a first draft.'}{' '}
        {!running && proposal && changes.length === 0 && 'Nothing would change.'}
      </p>
      {following}
      {givesUp && <p className="small soft">What it gives up for that: {givesUp} How it is built is chosen in what is asked.</p>}
      {lacks.map((text) => (
        <p key={text} className="small">
          {text}
        </p>
      ))}
      {unplacedTexts(unplaced, library).map((text) => (
        <p key={text}>{text}</p>
      ))}
      {mends.length > 0 && <Mends label="What would make every goal possible" mends={mends} busy={busy} onMend={onMend} />}
      {!running && changes.length > 0 && (
        <ul className={styles.changes}>
          {changes.map(({ session, date, lines }) => (
            <li key={session}>
              <FormControlLabel
                control={<Checkbox checked={!dropped.has(session)} onChange={() => turn(session)} />}
                label={<span className="num">{dayText(date)}</span>}
              />
              <span className="small">{lines.join('; ')}</span>
            </li>
          ))}
        </ul>
      )}
      <div className="row">
        {running ? (
          <Button onClick={onEnough} disabled={!proposal}>
            Enough
          </Button>
        ) : (
          changes.length > 0 && (
            <Button variant="contained" disabled={busy || taken.size === 0} onClick={() => onTake(taken)}>
              {taken.size === changes.length ? 'Take the draft' : `Take ${taken.size} of ${changes.length} classes`}
            </Button>
          )
        )}
        <Button onClick={onLeave}>Leave it as it is</Button>
      </div>
    </section>
  );
}
