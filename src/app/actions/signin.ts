'use server';

import { cookies } from 'next/headers';
import { redirect } from 'next/navigation';
import { COOKIE, cookieOptions, DEVICE_COOKIE, ownAddress, refusalReply } from '@/app/edge';
import { signInForm } from '@/forms';
import { SESSION_LIMITS, signIn, signOut } from '@/server/auth/signin';
import { checked } from '@/server/checked';
import { freshManager } from '@/server/db/orm';
import { ourPath } from '@/server/doors';
import { beginStudio } from '@/server/usecases/studio/beginStudio';
import { typedIn, type Sent } from '@/ui/forms/posted';

/** Signs in from a form as any browser sends it, with JavaScript or without. */
export async function signInAction(_: Sent, data: FormData): Promise<Sent> {
  const typed = typedIn(data);
  try {
    await sitDown(await checked(signInForm, typed));
  } catch (error) {
    return { refused: refusalReply(error), typed: { email: typed.email } };
  }
  redirect(ourPath(typed.next));
}

/** Opens a session for this browser. */
async function sitDown({ email, password }: { readonly email: string; readonly password: string }): Promise<void> {
  const jar = await cookies();
  const from = { email, password, address: await ownAddress(), device: jar.get(DEVICE_COOKIE)?.value ?? null };
  const { token, device } = await signIn(await freshManager(), from, new Date());
  jar.set(COOKIE, token, cookieOptions());
  jar.set(DEVICE_COOKIE, device, { ...cookieOptions(), maxAge: SESSION_LIMITS.device / 1000 });
}

/** Begins a studio of one's own from the first page, and signs its director in. */
export async function beginAction(_: Sent, data: FormData): Promise<Sent> {
  const { password, again, ...typed } = typedIn(data);
  try {
    await sitDown(await beginStudio(await freshManager(), { ...typed, password, again }, await ownAddress(), new Date()));
  } catch (error) {
    return { refused: refusalReply(error), typed };
  }
  redirect('/');
}

export async function signOutAction(): Promise<void> {
  const jar = await cookies();
  const token = jar.get(COOKIE)?.value;
  if (token) await signOut(await freshManager(), token);
  jar.delete(COOKIE);
  redirect('/sign-in');
}
