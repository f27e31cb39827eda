import type { Metadata } from 'next';
import { cookies } from 'next/headers';
import { openedLink } from '@/app/edge';
import { flashCookie } from '@/server/links';
import { openDay } from '@/server/usecases/series/ownDay';
import { OwnDay } from '@/ui/day/OwnDay';
import '@/ui/people/PersonalForm.css';

interface Props {
  readonly params: Promise<{ key: string }>;
  readonly searchParams: Promise<{ easier?: string; said?: string; why?: string }>;
}

export const metadata: Metadata = { title: 'Your day', robots: { index: false, follow: false } };

/** A person's own day, behind an address that is theirs alone. What they say of it works without JavaScript. */
export default async function DayPage({ params, searchParams }: Props) {
  const [{ key }, { easier, said = null, why }] = await Promise.all([params, searchParams]);
  const day = await openedLink('day', key, openDay);
  // What an address says is nobody's word: why something was not taken comes with the answer itself.
  const because = why === undefined ? null : ((await cookies()).get(flashCookie(key))?.value ?? null);
  return (
    <main className="personal">
      {/* Asked for with what this browser knows: the page on a phone's first screen begins with the whole link. */}
      <link rel="manifest" href={`/day/${encodeURIComponent(key)}/manifest.webmanifest`} crossOrigin="use-credentials" />
      {'closed' in day ? (
        <>
          <h1>This page is closed</h1>
          <p className="lead">{day.closed}</p>
        </>
      ) : (
        <OwnDay
          link={key}
          day={day}
          easier={easier !== undefined}
          said={said === 'help' || said === 'signs' ? said : said === null ? null : 'heard'}
          why={because}
        />
      )}
    </main>
  );
}
