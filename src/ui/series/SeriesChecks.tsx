import type { SeriesView } from '@/views/series';
import { Fold } from '../shell/Fold';

/** What stands against the days as they are, and what is to be known of them. */
export function SeriesChecks({ checks }: Pick<SeriesView, 'checks'>) {
  const wrong = checks.filter(({ severity }) => severity !== 'know');
  const known = new Map<string, number[]>();
  for (const { text, day, severity } of checks) if (severity === 'know') known.set(text, [...(known.get(text) ?? []), day]);
  return (
    <section>
      <h2>Checks</h2>
      {wrong.length === 0 && <p className="small">Nothing is out of order.</p>}
      <ul className="plain small">
        {wrong.map(({ day, text }) => (
          <li key={`${day} ${text}`}>
            <strong>Day {day}.</strong> {text}
          </li>
        ))}
      </ul>
      {known.size > 0 && (
        <Fold plain title={known.size === 1 ? 'One thing to know' : `${known.size} things to know`}>
          <ul className="plain small">
            {[...known].map(([text, days]) => (
              <li key={text}>
                {text} <span className="soft">{days.length === 1 ? `Day ${days[0]}.` : `${days.length} days.`}</span>
              </li>
            ))}
          </ul>
        </Fold>
      )}
    </section>
  );
}
