'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import { dayText } from '@/core/units';
import { listed } from '@/core/wording';
import type { BehindLine, CourseView, ReadyLine } from '@/views/course';
import { NumberField } from '../fields';
import { Fold } from '../shell/Fold';
import { useLibrary } from '../shell/Inside';
import { versionsOf } from './LifeHappens';
import { readyAt } from './readyAt';
import { ReadyMends } from './ReadyMends';

interface Props {
  readonly view: CourseView;
  readonly busy: boolean;
  /** Puts the review in; null where it is only said. */
  readonly onReview: ((line: ReadyLine) => void) | null;
  /** Takes a change of the request and drafts again; null where nothing can be changed. */
  readonly onMend: ((mend: CourseView['course']['mends'][number]) => void) | null;
}

/** Who will be ready for what comes in and for the goals, from how the cohort comes or a rate that is tried; and who is behind. */
export function Ready({ view, busy, onReview, onMend }: Props) {
  const { ready, behind } = view;
  const library = useLibrary();
  const [rate, setRate] = useState('');
  const tried = /^\d{1,3}$/.test(rate) && Number(rate) <= 100 ? Number(rate) / 100 : null;
  if (ready.length === 0 && behind.length === 0) return null;
  const lacking = ready.some(({ goal, share, expected, people }) => goal && share !== null && expected < (share / 100) * people - 1e-9);
  const many = (line: ReadyLine) => (tried === null ? line : { ...line, ...readyAt(view, library, line, tried), likelyNot: [], came: 0 });
  return (
    <section aria-label="Who will be ready" style={{ marginTop: 18 }}>
      <h2>Who will be ready</h2>
      {ready.length > 0 && (
        <>
          <ul className="plain lines">
            {ready.map((line) => (
              <Line key={`${line.technique} ${line.goal}`} line={many(line)} busy={busy} onReview={tried === null ? onReview : null} />
            ))}
          </ul>
          {lacking && onMend && view.course.unplaced.length === 0 && view.course.arc.pace === 'spread' && (
            <ReadyMends key={versionsOf(view)} view={view} busy={busy} onMend={onMend} />
          )}
          {lacking && view.course.arc.pace === 'soon' && (
            <p className="small">
              It is built as soon as it can be taught. Spread over the weeks, it is drafted so that as many as are asked for are ready.
            </p>
          )}
          <div style={{ maxWidth: 210, margin: '8px 0' }}>
            <NumberField id="rate" label="If everybody came, in %" value={rate} onChange={setRate} step={5} least={0} most={100} />
          </div>
          <p className="small soft">
            {tried === null
              ? 'Everything needed was practised by them, not only taught. Worked out from the logs; four in five come where nothing is known.'
              : 'With one rate for everybody, whatever the logs say. Empty it to go by the logs again.'}
          </p>
        </>
      )}
      {behind.length > 0 && (
        <Fold plain title={behind.every(({ name }) => name === null) ? 'Somebody who joins now' : 'Who has something to catch up'}>
          <ul className="plain lines">
            {behind.map((line) => (
              <li key={line.name ?? ''} className="small" style={{ padding: '5px 0' }}>
                <strong>{line.name ?? 'Somebody who joins now'}</strong> {wayBack(line)}
              </li>
            ))}
          </ul>
        </Fold>
      )}
    </section>
  );
}

/** The way back to the room, in a sentence. */
function wayBack({ steps, withRoom }: BehindLine): string {
  const parts = steps
    .slice(0, 3)
    .map(({ date, home, instead }) =>
      [
        ...(home.length > 0 ? [`before ${dayText(date)} at home ${listed(home)}`] : []),
        ...(instead.length > 0 ? [`on ${dayText(date)} not yet ${listed(instead)}`] : []),
      ].join('; '),
    );
  return `${parts.join('; ')}. ${withRoom ? `With the room from ${dayText(withRoom)}.` : 'Not with the room before the course ends.'}`;
}

function Line({ line, busy, onReview }: { line: ReadyLine; busy: boolean; onReview: Props['onReview'] }) {
  const [expected, came] = [Math.round(line.expected), Math.round(line.came)];
  return (
    <li style={{ padding: '7px 0' }}>
      <strong>{line.name}</strong> {line.goal ? `as often as is asked, by ${dayText(line.date)}` : `on ${dayText(line.date)}`}:{' '}
      <span className="num">{expected}</span> of <span className="num">{line.people}</span>
      <span className="soft"> ({line.low === line.high ? line.low : `${line.low}–${line.high}`} in four cases of five)</span>
      {line.goal && line.share !== null && (
        <span className="small soft">
          {' '}
          Asked for: <span className="num">{line.share}</span> %.
        </span>
      )}
      {came > expected && (
        <span className="small soft">
          {' '}
          <span className="num">{came}</span> will have come to the classes it needs.
        </span>
      )}
      {line.likelyNot.length > 0 && line.likelyNot.length <= 4 && <span className="small soft"> Likely not: {listed(line.likelyNot)}.</span>}
      {line.review && onReview && (
        <span style={{ display: 'block', marginTop: 4 }}>
          <Button size="small" disabled={busy} onClick={() => onReview(line)}>
            {line.review.name} once more on {dayText(line.review.date)}: {line.review.more} more ready
          </Button>
        </span>
      )}
    </li>
  );
}
