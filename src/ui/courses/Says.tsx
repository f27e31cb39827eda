import Button from '@mui/material/Button';
import { dayText } from '@/core/units';
import type { CourseView, StepSaid } from '@/views/course';

interface Props {
  readonly says: CourseView['says'];
  readonly busy: boolean;
  readonly onAnswer: (said: StepSaid, answer: 'stay' | 'back' | 'shorter') => void;
}

/** What the last class says of each climb in it: going on is what is planned, staying and stepping back are one press. */
export function Says({ says, busy, onAnswer }: Props) {
  if (says.length === 0) return null;
  const [{ date }] = says;
  const texts = [...new Set(says.map(({ text }) => text))];
  return (
    <section aria-label="What the last class says" style={{ margin: '14px 0' }}>
      <h2>What the last class says</h2>
      {texts.length === 1 && (
        <p className="small">
          {dayText(date)}: {texts[0]}
        </p>
      )}
      <ul className="plain lines">
        {says.map((said) => (
          <li key={said.technique} style={{ padding: '7px 0' }}>
            <strong>{said.name}</strong> <span className="num">{said.step}</span>
            {texts.length > 1 && <span className="small"> {said.text}</span>}
            <span className="small soft">
              {' '}
              {said.answer === 'advance' ? `goes on to ${said.next}, as planned.` : said.answer === 'stay' ? 'would stay.' : 'would step back.'}
            </span>
            <span className="row" style={{ marginTop: 4, gap: 6 }}>
              <Button size="small" variant={said.answer === 'stay' ? 'contained' : 'outlined'} disabled={busy} onClick={() => onAnswer(said, 'stay')}>
                Stay a class longer
              </Button>
              {said.shorter && (
                <Button size="small" variant="contained" disabled={busy} onClick={() => onAnswer(said, 'shorter')}>
                  Hold it shorter: {said.shorter}
                </Button>
              )}
              {said.before && (
                <Button
                  size="small"
                  variant={said.answer === 'back' && !said.shorter ? 'contained' : 'outlined'}
                  disabled={busy}
                  onClick={() => onAnswer(said, 'back')}
                >
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
