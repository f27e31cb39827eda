import Link from 'next/link';

/** A whole page that says why there is nothing to see, and where to go. */
export function Refused({ message }: { message: string }) {
  return (
    <div className="stack">
      <h1>Not here</h1>
      <p>{message}</p>
      <p>
        <Link href="/">Back to what needs doing</Link>
      </p>
    </div>
  );
}
