import type { Metadata } from 'next';
import { seated } from '@/app/edge';
import { readOutbox } from '@/server/usecases/people/records';

export const metadata: Metadata = { title: 'Outbox' };

export default function OutboxPage() {
  return seated(async (desk) => {
    const mail = await readOutbox(desk);
    return (
      <>
        <h1>Outbox</h1>
        <p className="lead">Mail that would have gone. This copy sends nothing; it shows what people would have got.</p>
        {mail.length === 0 && <p className="soft">Nothing was sent yet. Forms are sent from Cohorts.</p>}
        <div className="stack">
          {mail.map(({ id, address, subject, body, when }) => (
            <details key={id} className="sheet">
              <summary>
                <strong>{address}</strong> · {subject} <span className="soft small">{when}</span>
              </summary>
              <div style={{ whiteSpace: 'pre-wrap', paddingTop: 10, overflowWrap: 'anywhere' }}>{linked(body)}</div>
            </details>
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
