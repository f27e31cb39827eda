import type { Metadata } from 'next';
import { ownAddress } from '@/app/edge';
import { freshManager } from '@/server/db/orm';
import { Refusal } from '@/server/errors';
import { openDay } from '@/server/usecases/series/ownDay';
import { OwnDay } from '@/ui/day/OwnDay';
import '@/ui/people/PersonalForm.css';

interface Props {
  readonly params: Promise<{ token: string }>;
  readonly searchParams: Promise<{ easier?: string; said?: string; why?: string }>;
}

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  const { token } = await params;
  return { title: 'Your day', robots: { index: false, follow: false }, manifest: `/day/${encodeURIComponent(token)}/manifest.webmanifest` };
}

/** A person's own day, behind an address that is theirs alone. What they say of it works without JavaScript. */
export default async function DayPage({ params, searchParams }: Props) {
  const [{ token }, { easier, said = null, why }] = await Promise.all([params, searchParams]);
  const opened = await open(token);
  return (
    <main className="personal">
      {'closed' in opened ? (
        <>
          <h1>This page is closed</h1>
          <p className="lead">{opened.closed}</p>
        </>
      ) : (
        <OwnDay
          token={token}
          day={opened}
          easier={easier !== undefined}
          said={said === 'help' || said === 'signs' ? said : said === null ? null : 'heard'}
          why={why ?? null}
        />
      )}
    </main>
  );
}

async function open(token: string) {
  try {
    return await openDay(await freshManager(), token, await ownAddress(), new Date());
  } catch (error) {
    if (error instanceof Refusal) return { closed: error.message };
    throw error;
  }
}
