import { verify } from '@node-rs/argon2';
import { covers } from '@/core/staff';
import { dayText, isoDate, stampIn } from '@/core/units';
import { awayForm, awayGoneForm, ownNameForm, ownPasswordForm } from '@/forms';
import type { AccountView } from '@/views/staff';
import { authorise, may } from '../../auth/permissions';
import { guessed, hashPassword, sleep } from '../../auth/signin';
import { checked } from '../../checked';
import { onceOnly } from '../../db/write';
import { inOne, type Desk } from '../../desk';
import { invalid, Refusal } from '../../errors';
import { feedsOf } from '../../repositories/feeds';
import { dropSignInsOf, isSignIn, signInsOf } from '../../repositories/signIns';
import { addAway, aways, changeStaff, passwordOf, removeAway, staffMember } from '../../repositories/staff';
import { classesOf } from './manage';

/** Somebody's own page: their name, where they are signed in, and when they are away. */
export async function readAccount(desk: Desk, token: string | null): Promise<AccountView> {
  authorise(desk.who, 'have an account');
  const [me, signIns, away, feeds] = await Promise.all([
    staffMember(desk, desk.who.id),
    signInsOf(desk.em.fork(), desk.who.id),
    aways(desk),
    feedsOf(desk, desk.who.id),
  ]);
  return {
    name: me.name,
    email: me.email,
    role: me.role,
    version: me.version,
    qualifications: me.qualifications,
    today: desk.today,
    signIns: signIns.map((one) => ({
      since: stampIn(desk.who.zone, one.since),
      seen: stampIn(desk.who.zone, one.seenAt),
      here: token !== null && isSignIn(one, token),
    })),
    aways: away.filter(({ staff }) => staff === desk.who.id),
    teaches: may(desk.who.role, 'teach'),
    mayFeedWhole: may(desk.who.role, 'hand over'),
    feeds,
  };
}

export async function saveOwnName(desk: Desk, input: unknown): Promise<void> {
  authorise(desk.who, 'have an account');
  const { version, name } = await checked(ownNameForm, input);
  await inOne(desk, (at) => changeStaff(at, at.who.id, version, { name }));
}

/** Another password, for whoever knows the one there is; everywhere else they are signed out. */
export async function saveOwnPassword(desk: Desk, token: string | null, address: string, input: unknown): Promise<void> {
  authorise(desk.who, 'have an account');
  const { version, current, password } = await checked(ownPasswordForm, input);
  const kept = await passwordOf(desk, desk.who.id);
  const attempt = { kind: 'own password', address, what: desk.who.id } as const;
  const right = await guessed(desk.em, attempt, desk.now, false, sleep, async () => kept !== null && (await verify(kept, current)));
  if (!right) throw invalid({ field: 'current', message: 'This is not your password.' });
  const passwordHash = await hashPassword(password);
  await inOne(desk, async (at) => {
    await changeStaff(at, at.who.id, version, { passwordHash });
    await dropSignInsOf(at.em, at.who.id, token);
  });
}

/** Ends every session but this one. @returns how many were ended */
export async function signOutElsewhere(desk: Desk, token: string | null): Promise<{ readonly ended: number }> {
  authorise(desk.who, 'have an account');
  return inOne(desk, async (at) => ({ ended: await dropSignInsOf(at.em, at.who.id, token) }));
}

/** Somebody says when they are away, or the director says it for them. @returns the classes in their hands that it falls into */
export async function saveAway(desk: Desk, input: unknown): Promise<{ readonly inside: readonly string[] }> {
  authorise(desk.who, 'teach');
  const { once, staff, from, until, fromTime, untilTime } = await checked(awayForm, input);
  const of = staff ?? desk.who.id;
  if (of !== desk.who.id) authorise(desk.who, 'hand over');
  if (until < desk.today) throw invalid({ field: 'until', message: 'These days are over.' });
  return onceOnly(desk, once, async (at) => {
    const { id } = await staffMember(at, of);
    const away = { staff: id, from: isoDate(from), until: isoDate(until), fromTime: fromTime ?? null, untilTime: untilTime ?? null };
    await addAway(at, away);
    const open = await classesOf(at, id);
    const held = open.filter((hours) => covers(away, hours));
    return { inside: held.map(({ course, date, start }) => `${course}, ${dayText(date)} at ${start}`) };
  });
}

/** Takes back that somebody is away: oneself, or anybody by whoever may hand classes over. */
export async function removeOwnAway(desk: Desk, input: unknown): Promise<void> {
  authorise(desk.who, 'teach');
  const { id } = await checked(awayGoneForm, input);
  await inOne(desk, async (at) => {
    const found = (await aways(at)).find((one) => one.id === id);
    if (!found) throw new Refusal('not-found', 'This is no longer there.');
    if (found.staff !== at.who.id) authorise(at.who, 'hand over');
    await removeAway(at, { id });
  });
}
