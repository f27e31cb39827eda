/** What something would change in planned sessions, before it is saved. */
export function Changes({ changes }: { changes: readonly string[] }) {
  return (
    <div aria-live="polite">
      {changes.length === 0 ? (
        <p>No planned session changes by it.</p>
      ) : (
        <>
          <p>
            <strong>{changes.length === 1 ? 'One planned technique changes' : `${changes.length} planned techniques change`}</strong>
          </p>
          <ul className="small">
            {changes.slice(0, 12).map((line) => (
              <li key={line}>{line}</li>
            ))}
            {changes.length > 12 && <li>and {changes.length - 12} more</li>}
          </ul>
        </>
      )}
    </div>
  );
}
