'use server';

import { cookies, headers } from 'next/headers';
import { redirect } from 'next/navigation';
import { COOKIE, refusalReply } from '@/app/edge';
import { signInForm } from '@/forms';
import { signIn, signOut } from '@/server/auth/signin';
import { checked } from '@/server/checked';
import { freshManager } from '@/server/db/orm';
import type { Reply } from '@/ui/forms/reply';

export async function signInAction(input: unknown): Promise<Reply<null>> {
  try {
    const { email, password } = await checked(signInForm, input);
    const from = await headers();
    const address = from.get('x-forwarded-for')?.split(',')[0].trim() ?? 'local';
    const token = await signIn(await freshManager(), { email, password, address }, new Date());
    const secure = from.get('x-forwarded-proto') === 'https';
    (await cookies()).set(COOKIE, token, { httpOnly: true, sameSite: 'lax', secure, path: '/' });
    return { ok: true, value: null };
  } catch (error) {
    return refusalReply(error);
  }
}

export async function signOutAction(): Promise<void> {
  const jar = await cookies();
  const token = jar.get(COOKIE)?.value;
  if (token) await signOut(await freshManager(), token);
  jar.delete(COOKIE);
  redirect('/sign-in');
}
