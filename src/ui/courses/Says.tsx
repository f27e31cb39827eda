import Button from '@mui/material/Button';
import { dayText } from '@/core/units';
import type { CourseView, StepSaid } from '@/views/course';

interface Props {
  readonly says: CourseView['says'];
  readonly busy: boolean;
  readonly onAnswer: (said: StepSaid, answer: 'stay' | 'back') => void;
}

/** What the last class says of each climb in it: going on is what is planned, staying and stepping back are one press. */
export function Says({ says, busy, onAnswer }: Props) {
  if (says.length === 0) return null;
  const [{ date, text, answer }] = says;
  return (
    <section aria-label="What the last class says">
      <h2>What the last class says</h2>
      <p className="small">
        {dayText(date)}: {text}
      </p>
      <ul className="plain lines">
        {says.map((said) => (
          <li key={said.technique} style={{ padding: '7px 0' }}>
            <strong>{said.name}</strong> <span className="num">{said.step}</span>
            <span className="small soft">
              {' '}
              {answer === 'advance' ? `goes on to ${said.next}, as planned.` : answer === 'stay' ? 'would stay.' : 'would step back.'}
            </span>
            <span className="row" style={{ marginTop: 4, gap: 6 }}>
              <Button size="small" variant={answer === 'stay' ? 'contained' : 'outlined'} disabled={busy} onClick={() => onAnswer(said, 'stay')}>
                Stay a class longer
              </Button>
              {said.before && (
                <Button size="small" variant={answer === 'back' ? 'contained' : 'outlined'} disabled={busy} onClick={() => onAnswer(said, 'back')}>
                  Back to {said.before}
                </Button>
              )}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
