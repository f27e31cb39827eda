'use server';

import { cookies } from 'next/headers';
import { redirect } from 'next/navigation';
import { COOKIE, ownAddress, refusalReply, reply, secretOf } from '@/app/edge';
import { freshManager } from '@/server/db/orm';
import { makeFeed } from '@/server/usecases/exchange/calendars';
import { askForReset, choosePassword } from '@/server/usecases/staff/join';
import { changeRole, inviteAgain, inviteStaff, leaveStaff, resetFor, saveQualifications } from '@/server/usecases/staff/manage';
import { removeOwnAway, saveAway, saveOwnName, saveOwnPassword, signOutElsewhere } from '@/server/usecases/staff/ownAccount';
import { typedIn, type Sent } from '@/ui/forms/posted';

export async function inviteStaffAction(input: unknown) {
  return reply((desk) => inviteStaff(desk, input));
}

export async function inviteAgainAction(input: unknown) {
  return reply((desk) => inviteAgain(desk, input));
}

export async function resetForAction(input: unknown) {
  return reply((desk) => resetFor(desk, input));
}

export async function changeRoleAction(input: unknown) {
  return reply((desk) => changeRole(desk, input));
}

export async function saveQualificationsAction(input: unknown) {
  return reply((desk) => saveQualifications(desk, input));
}

export async function leaveStaffAction(input: unknown) {
  return reply((desk) => leaveStaff(desk, input));
}

export async function saveOwnNameAction(input: unknown) {
  return reply((desk) => saveOwnName(desk, input));
}

export async function saveOwnPasswordAction(input: unknown) {
  return reply(async (desk) => saveOwnPassword(desk, await ownToken(), await ownAddress(), input));
}

export async function signOutElsewhereAction() {
  return reply(async (desk) => signOutElsewhere(desk, await ownToken()));
}

export async function saveAwayAction(input: unknown) {
  return reply((desk) => saveAway(desk, input));
}

export async function removeAwayAction(input: unknown) {
  return reply((desk) => removeOwnAway(desk, input));
}

export async function makeFeedAction(input: unknown) {
  return reply((desk) => makeFeed(desk, input));
}

async function ownToken(): Promise<string | null> {
  return (await cookies()).get(COOKIE)?.value ?? null;
}

/** For whoever is not signed in: their link is the key. */
export async function choosePasswordAction(_: Sent, data: FormData): Promise<Sent> {
  const { link, ...typed } = typedIn(data);
  try {
    await choosePassword(await freshManager(), await secretOf('join', link ?? ''), typed, await ownAddress(), new Date());
  } catch (error) {
    return { refused: refusalReply(error), typed: {} };
  }
  redirect('/sign-in?chosen');
}

export async function askForResetAction(_: Sent, data: FormData): Promise<Sent> {
  const typed = typedIn(data);
  try {
    await askForReset(await freshManager(), typed, await ownAddress(), new Date());
    return { refused: null, typed: {}, done: true };
  } catch (error) {
    return { refused: refusalReply(error), typed: { email: typed.email } };
  }
}
