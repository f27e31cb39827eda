import { dayText } from '@/core/units';
import type { Outcome } from '@/views/course';
import { Fold } from '../shell/Fold';
import { againLines, goalLines, orderLine } from './outcome';
import styles from './Proposed.module.css';

interface Props {
  readonly outcome: Outcome;
  /** Whether its classes are folded away: one of several ways. */
  readonly folded?: boolean;
}

/** What a change of a course would do: its goals first, then class by class. */
export function OutcomeLines({ outcome, folded = false }: Props) {
  const goals = goalLines(outcome);
  const order = orderLine(outcome);
  const {
    classes,
    unplaced,
    wrong: { fresh },
  } = outcome;
  const list = (
    <ul className={styles.changes}>
      {classes.map(({ session, date, lines }) => (
        <li key={session}>
          <span className="num small">{dayText(date)}</span>
          <span className="small">{lines.join('; ')}</span>
        </li>
      ))}
    </ul>
  );
  const count = classes.length === 1 ? 'One class changes' : `${classes.length} classes change`;
  return (
    <div className="stack" style={{ gap: 6 }}>
      {classes.length === 0 && goals.length === 0 && <p>No class changes.</p>}
      {goals.length > 0 ? goals.map((line) => <p key={line}>{line}</p>) : classes.length > 0 && <p>Every goal stays where it is.</p>}
      {order && <p>{order}</p>}
      {fresh.map((text) => (
        <p key={text} className="small soft">
          {text}
        </p>
      ))}
      {againLines(outcome).map((line) => (
        <p key={line}>{line}</p>
      ))}
      {/* Beside other ways, what has no place in any of them is no difference. */}
      {unplaced
        .filter((one) => one.fresh || !folded)
        .map(({ text }) => (
          <p key={text} className="small soft">
            {text}
          </p>
        ))}
      {classes.length > 0 &&
        (folded ? (
          <Fold plain title={count}>
            {list}
          </Fold>
        ) : (
          list
        ))}
    </div>
  );
}
