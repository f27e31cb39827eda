import type { Metadata } from 'next';
import { LostPassword } from '@/ui/staff/LostPassword';
import styles from '@/ui/shell/SignIn.module.css';

export const metadata: Metadata = { title: 'I cannot sign in' };

export default function LostPage() {
  return (
    <main className={styles.page}>
      <section className={styles.sheet}>
        <LostPassword />
      </section>
    </main>
  );
}
