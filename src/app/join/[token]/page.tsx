import type { Metadata } from 'next';
import Link from 'next/link';
import { ownAddress } from '@/app/edge';
import { freshManager } from '@/server/db/orm';
import { Refusal } from '@/server/errors';
import { openJoining } from '@/server/usecases/staff/join';
import { ChoosePassword } from '@/ui/staff/ChoosePassword';
import styles from '@/ui/shell/SignIn.module.css';

export const metadata: Metadata = { title: 'Choose a password', robots: { index: false, follow: false } };

/** Behind a link of one's own: choosing a password. Opening it does not use it up. */
export default async function JoinPage({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  const opened = await open(token);
  return (
    <main className={styles.page}>
      <section className={styles.sheet}>
        {'closed' in opened ? (
          <>
            <h1>This link is closed</h1>
            <p>{opened.closed}</p>
            <p>
              <Link href="/sign-in">Sign in</Link>
            </p>
          </>
        ) : (
          <ChoosePassword token={token} joining={opened} />
        )}
      </section>
    </main>
  );
}

async function open(token: string) {
  try {
    return await openJoining(await freshManager(), token, await ownAddress(), new Date());
  } catch (error) {
    if (error instanceof Refusal) return { closed: error.message };
    throw error;
  }
}
