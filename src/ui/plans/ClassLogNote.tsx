interface Log {
  readonly summary: string | null;
  readonly at: string;
  readonly by: string;
  readonly reached: string;
  readonly note: string;
  readonly people: readonly { readonly name: string; readonly came: boolean; readonly effort: string; readonly stopSigns: readonly string[] }[];
}

/** What came back from the class, beside its plan. */
export function ClassLogNote({ log }: { log: Log }) {
  const missing = log.people.filter(({ came }) => !came).map(({ name }) => name);
  const notable = log.people.filter(({ came, effort, stopSigns }) => came && (effort !== 'easy' || stopSigns.length > 0));
  return (
    <section
      className={notable.some(({ stopSigns }) => stopSigns.length > 0) ? 'note bad' : 'note'}
      aria-label="Class log"
      style={{ margin: '10px 0' }}
    >
      <p>
        <strong>Logged by {log.by}</strong>, {log.at}: {log.summary}; {log.reached} was reached.
        {missing.length > 0 && ` Missed by ${missing.join(', ')}.`}
      </p>
      {notable.map(({ name, effort, stopSigns }) => (
        <p key={name}>
          {name}: {effort}
          {stopSigns.length > 0 && <strong>, {stopSigns.join(', ')}</strong>}
        </p>
      ))}
      {log.note && <p>“{log.note}”</p>}
    </section>
  );
}
