import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { ZONES } from '@/forms';
import { freshManager } from '@/server/db/orm';
import { isBegun } from '@/server/usecases/studio/beginStudio';
import { BeginForm } from '@/ui/shell/BeginForm';

export const metadata: Metadata = { title: 'Begin', robots: { index: false, follow: false } };

/** The first page of all, where there is no studio yet. */
export default async function BeginPage() {
  if (await isBegun(await freshManager())) redirect('/sign-in');
  return <BeginForm zone={Intl.DateTimeFormat().resolvedOptions().timeZone} zones={ZONES} />;
}
