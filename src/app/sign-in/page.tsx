import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { signedIn } from '@/app/edge';
import { freshManager } from '@/server/db/orm';
import { ourPath } from '@/server/doors';
import { isBegun } from '@/server/usecases/studio/beginStudio';
import { SignInForm } from '@/ui/shell/SignInForm';
import { DEMO_STAFF } from '../../../demo/staff';

export const metadata: Metadata = { title: 'Sign in' };

export default async function SignInPage({ searchParams }: { searchParams: Promise<{ next?: string; chosen?: string }> }) {
  if (await signedIn()) redirect('/');
  if (!(await isBegun(await freshManager()))) redirect('/begin');
  const { next, chosen } = await searchParams;
  // Demo sign-ins are shown only when bin/start runs the demo on loopback.
  const demo = process.env.OAKEN_DEMO === '1' ? DEMO_STAFF.map(({ name, role, email, password }) => ({ name, role, email, password })) : [];
  return <SignInForm demo={demo} next={ourPath(next)} chosen={chosen !== undefined} />;
}
