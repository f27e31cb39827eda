import type { Metadata } from 'next';
import Link from 'next/link';
import { openedLink } from '@/app/edge';
import { openJoining } from '@/server/usecases/staff/join';
import { ChoosePassword } from '@/ui/staff/ChoosePassword';
import styles from '@/ui/shell/SignIn.module.css';

export const metadata: Metadata = { title: 'Choose a password', robots: { index: false, follow: false } };

/** Behind a link of one's own: choosing a password. Opening it does not use it up. */
export default async function JoinPage({ params }: { params: Promise<{ key: string }> }) {
  const { key } = await params;
  const joining = await openedLink('join', key, openJoining);
  return (
    <main className={styles.page}>
      <section className={styles.sheet}>
        {'closed' in joining ? (
          <>
            <h1>This link is closed</h1>
            <p>{joining.closed}</p>
            <p>
              <Link href="/sign-in">Sign in</Link>
            </p>
          </>
        ) : (
          <ChoosePassword link={key} joining={joining} />
        )}
      </section>
    </main>
  );
}
