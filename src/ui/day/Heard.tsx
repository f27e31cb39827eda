import type { useSaying } from './useSaying';

/** What is to be read now comes into view, once. */
const show = (shown: HTMLElement | null) => shown?.scrollIntoView({ block: 'center' });

/** What became of what was said, at once. */
export function Heard({ saying: { said, refused, waiting, told }, emergency }: { saying: ReturnType<typeof useSaying>; emergency: string }) {
  if (refused)
    return (
      <p className="note bad" role="alert">
        {refused}
      </p>
    );
  if (said === 'help')
    return (
      <div className="note bad" role="alert" ref={show}>
        <p>
          <strong>{emergency}</strong>
        </p>
        <p>
          {told
            ? 'The studio has been told and will ask how you are.'
            : 'The studio is told as soon as this phone reaches it; tell somebody near you.'}{' '}
          Until then, breathe as you like.
        </p>
      </div>
    );
  if (said === 'signs')
    return (
      <p className="note" role="status" ref={show}>
        Thank you for saying so. Rest, sit or lie, breathe as you like. Tomorrow is one step easier; if it does not pass, speak with your doctor.
      </p>
    );
  if (waiting)
    return (
      <p className="note" role="status">
        Kept on this phone; it is sent as soon as there is a network.
      </p>
    );
  return said ? (
    <p className="note" role="status">
      Thank you. It is on your ladder.
    </p>
  ) : null;
}
