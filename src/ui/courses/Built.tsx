import { breathText, paceText } from '@/core/course';
import { dayText } from '@/core/units';
import type { CourseView } from '@/views/course';
import { Fold } from '../shell/Fold';

/** Lacks that are said at once; the others are folded away. */
const SAID = 3;

/** How a course is built: when new things come, how much is breathing, what each class is for, and what is not as it should be. */
export function Built({ view: { course, sessions } }: { readonly view: CourseView }) {
  const { arc, lacks } = course;
  const told = sessions.filter(({ purpose }) => purpose !== '');
  if (told.length === 0) return null;
  return (
    <section aria-label="How it is built" className="stack" style={{ marginBottom: 18 }}>
      <h2>How it is built</h2>
      <p className="small">
        New things come {paceText(arc.pace)}.{arc.pace === 'spread' && ` Breath fills ${breathText(arc.breath)}.`}
      </p>
      {lacks.slice(0, SAID).map((text) => (
        <p key={text} className="small">
          {text}
        </p>
      ))}
      {lacks.length > SAID && (
        <Fold plain title={`and ${lacks.length - SAID} more`}>
          <ul className="plain small">
            {lacks.slice(SAID).map((text) => (
              <li key={text}>{text}</li>
            ))}
          </ul>
        </Fold>
      )}
      <Fold plain title="What each class is for">
        <ol className="small" style={{ paddingLeft: 22 }}>
          {sessions.map(({ id, date, purpose }) => (
            <li key={id} style={{ padding: '3px 0' }}>
              <span className="num soft">{dayText(date)}</span> {purpose}
            </li>
          ))}
        </ol>
      </Fold>
    </section>
  );
}
