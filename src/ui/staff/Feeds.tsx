'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import { makeFeedAction } from '@/app/actions/staff';
import type { AccountView } from '@/views/staff';
import { Refusal } from '../forms/fields';
import { useAction } from '../forms/useAction';

/** One's classes in a calendar of one's own: as a file, or under an address that keeps itself up to date. */
export function Feeds({ account: { feeds, mayFeedWhole } }: { account: Pick<AccountView, 'feeds' | 'mayFeedWhole'> }) {
  const [made, setMade] = useState<{ readonly whole: boolean; readonly url: string } | null>(null);
  const { run, refusal, busy, refresh } = useAction();
  const make = async (whole: boolean) => {
    const reply = await run(() => makeFeedAction({ whole }));
    if (reply?.ok) setMade({ whole, url: reply.value.url });
    refresh();
  };
  return (
    <section className="sheet stack">
      <h2>In your calendar</h2>
      {(mayFeedWhole ? [false, true] : [false]).map((whole) => (
        <div key={String(whole)} className="stack">
          <p>
            <strong>{whole ? 'All classes of the studio' : 'Your classes'}</strong>{' '}
            <a href={`/api/export/calendar/${whole ? 'studio' : 'mine'}`} download>
              as a file
            </a>
            , or under an address that your calendar asks every hour.{' '}
            {feeds.some((feed) => feed.whole === whole) && <span className="soft">There is one; making another ends it.</span>}
          </p>
          {made?.whole === whole && (
            <p className="note" role="status">
              <code style={{ overflowWrap: 'anywhere' }}>{made.url}</code>
              <br />
              <span className="small">It is shown once. Whoever has it can read these classes: keep it to yourself.</span>
            </p>
          )}
          <div>
            <Button size="small" disabled={busy} onClick={() => void make(whole)}>
              {feeds.some((feed) => feed.whole === whole) ? 'Make another address' : 'Make an address'}
            </Button>
          </div>
        </div>
      ))}
      <Refusal message={refusal} />
    </section>
  );
}
