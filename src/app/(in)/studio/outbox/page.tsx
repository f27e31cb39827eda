import type { Metadata } from 'next';
import { seated } from '@/app/edge';
import { Fold } from '@/ui/shell/Fold';
import { readOutbox } from '@/server/usecases/people/records';

export const metadata: Metadata = { title: 'Outbox' };

export default function OutboxPage() {
  return seated(async (desk) => {
    const mail = await readOutbox(desk);
    return (
      <>
        <h1>Outbox</h1>
        <p className="lead">
          Mail of the studio. A stand-in takes the place of the post office here: it delivers to nobody, and shows what people would have got.
        </p>
        {mail.length === 0 && <p className="soft">Nothing was sent yet. Forms are sent from Cohorts.</p>}
        <div className="stack">
          {mail.map(({ id, address, subject, body, when, state }) => (
            <div key={id} className="sheet">
              <Fold
                plain
                title={
                  <span>
                    <strong>{address}</strong> · {subject}
                  </span>
                }
                aside={
                  <>
                    {when} · <span className={state.is === 'refused' ? 'error' : undefined}>{state.text}</span>
                  </>
                }
              >
                <div style={{ whiteSpace: 'pre-wrap', paddingTop: 10, overflowWrap: 'anywhere' }}>{linked(body)}</div>
              </Fold>
            </div>
          ))}
        </div>
      </>
    );
  });
}

/** The text with its address made a link. */
function linked(body: string) {
  return body.split(/(https?:\/\/\S+)/).map((part, index) =>
    index % 2 === 1 ? (
      <a key={index} href={part}>
        {part}
      </a>
    ) : (
      part
    ),
  );
}
