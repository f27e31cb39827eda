import Button from '@mui/material/Button';
import { dayText } from '@/core/units';
import { listed } from '@/core/wording';
import type { CourseView, ReadyLine } from '@/views/course';

interface Props {
  readonly lines: CourseView['ready'];
  readonly busy: boolean;
  /** Puts the review in; null where it is only said. */
  readonly onReview: ((line: ReadyLine) => void) | null;
}

/** Who will be ready for what comes in, from how the cohort comes, and where one review helps most. */
export function Ready({ lines, busy, onReview }: Props) {
  if (lines.length === 0) return null;
  return (
    <section aria-label="Who will be ready" style={{ marginTop: 18 }}>
      <h2>Who will be ready</h2>
      <ul className="plain lines">
        {lines.map((line) => (
          <li key={line.technique} style={{ padding: '7px 0' }}>
            <strong>{line.name}</strong> on {dayText(line.date)}: <span className="num">{Math.round(line.expected)}</span> of{' '}
            <span className="num">{line.people}</span>
            <span className="soft"> ({line.low === line.high ? line.low : `${line.low}–${line.high}`} in four cases of five)</span>
            {line.likelyNot.length > 0 && line.likelyNot.length <= 4 && <span className="small soft"> Likely not: {listed(line.likelyNot)}.</span>}
            {line.review && onReview && (
              <span style={{ display: 'block', marginTop: 4 }}>
                <Button size="small" disabled={busy} onClick={() => onReview(line)}>
                  {line.review.name} once more on {dayText(line.review.date)}: {line.review.more} more ready
                </Button>
              </span>
            )}
          </li>
        ))}
      </ul>
      <p className="small soft">
        Everything needed was practised by them, not only taught. Worked out from the logs; four in five come where nothing is known.
      </p>
    </section>
  );
}
