'use server';

import { cookies } from 'next/headers';
import { redirect } from 'next/navigation';
import { COOKIE, cookieOptions, DEVICE_COOKIE, ownAddress, refusalReply } from '@/app/edge';
import { signInForm } from '@/forms';
import { SESSION_LIMITS, signIn, signOut } from '@/server/auth/signin';
import { checked } from '@/server/checked';
import { freshManager } from '@/server/db/orm';
import type { Reply } from '@/ui/forms/reply';

export async function signInAction(input: unknown): Promise<Reply<null>> {
  try {
    const { email, password } = await checked(signInForm, input);
    const jar = await cookies();
    const from = { email, password, address: await ownAddress(), device: jar.get(DEVICE_COOKIE)?.value ?? null };
    const { token, device } = await signIn(await freshManager(), from, new Date());
    jar.set(COOKIE, token, cookieOptions());
    jar.set(DEVICE_COOKIE, device, { ...cookieOptions(), maxAge: SESSION_LIMITS.device / 1000 });
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
