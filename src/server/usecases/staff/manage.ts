import { dayText, type IsoDate } from '@/core/units';
import { inviteForm, qualificationsForm, staffRoleForm, staffSeenForm } from '@/forms';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import { holdStudio, onceOnly } from '../../db/write';
import { inOne, type Desk, type Writing } from '../../desk';
import { invalid, Refusal } from '../../errors';
import { ourOrigin } from '../../origin';
import { courses, sessionsBetween } from '../../repositories/courses';
import { endFeedsOf } from '../../repositories/feeds';
import { handedTo } from '../../repositories/hands';
import { addMail } from '../../repositories/mails';
import { dropDevicesOf, dropSignInsOf, isAddressTaken } from '../../repositories/signIns';
import {
  addStaff,
  changeQualifications,
  changeStaff,
  leaverWith,
  removeAway,
  staffMember,
  staffToday,
  type StaffMember,
} from '../../repositories/staff';
import { addStaffLink, endStaffLinks } from '../../repositories/staffLinks';
import type { Staff } from '../../auth/actors';
import { knownFamilies } from '../techniques/known';

/** Invites a colleague: they are on the staff at once, and choose a password by the link that is sent. Whoever left comes back with what they had. */
export async function inviteStaff(desk: Desk, input: unknown): Promise<{ readonly name: string }> {
  authorise(desk.who, 'run the studio');
  const { once, name, email, role, families } = await checked(inviteForm, input);
  await knownFamilies(
    desk,
    'families',
    families.map(({ family }) => family),
  );
  return onceOnly(desk, once, async (at) => {
    const back = await leaverWith(at, email);
    if (!back && (await isAddressTaken(at.em, email)))
      throw invalid({ field: 'email', message: 'Somebody signs in with this address already. Please give another one.' });
    const qualifications = families.map(({ family, since }) => ({ family, since: since ?? at.today }));
    const id = back?.id ?? at.newId();
    if (back) await changeStaff(at, id, back.version, { name, role, qualifications, passwordHash: null, leftAt: null });
    else await addStaff(at, { id, name, email, role, passwordHash: null, qualifications });
    await sendInvitation(at, { id, name, email, role });
    return { name };
  });
}

/** Sends an invitation once more; the link before it stops working. */
export async function inviteAgain(desk: Desk, input: unknown): Promise<void> {
  authorise(desk.who, 'run the studio');
  const { staff } = await checked(staffSeenForm, input);
  await inOne(desk, async (at) => {
    const member = await staffMember(at, staff);
    if (!member.invited) throw new Refusal('late', `${member.name} has chosen a password already.`);
    await sendInvitation(at, member);
  });
}

async function sendInvitation(at: Writing<Staff>, { id, name, email, role }: Pick<StaffMember, 'id' | 'name' | 'email' | 'role'>): Promise<void> {
  const url = `${ourOrigin()}/join/${await addStaffLink(at, 'invitation', id)}`;
  const body = [
    `Hello ${name}`,
    '',
    `${at.who.name} asks you to join ${at.who.studioName} as ${role}. Choose a password here, and you are in:`,
    '',
    url,
    '',
    'The link is yours alone, works once, and runs out in seven days.',
  ].join('\n');
  await addMail(at, { person: null, address: email, subject: `Join ${at.who.studioName}`, body });
}

/** Sends somebody a link to choose another password, because theirs is lost. */
export async function resetFor(desk: Desk, input: unknown): Promise<void> {
  authorise(desk.who, 'run the studio');
  const { staff } = await checked(staffSeenForm, input);
  await inOne(desk, async (at) => sendReset(at, await staffMember(at, staff)));
}

/** Puts a link to choose another password into the outbox. */
export async function sendReset(at: Writing, { id, name, email }: Pick<StaffMember, 'id' | 'name' | 'email'>): Promise<void> {
  const url = `${ourOrigin()}/join/${await addStaffLink(at, 'reset', id)}`;
  const body = [
    `Hello ${name}`,
    '',
    'Choose another password here:',
    '',
    url,
    '',
    'The link is yours alone, works once, and runs out in a day. If nobody asked for it, leave it: your password stays as it is.',
  ].join('\n');
  await addMail(at, { person: null, address: email, subject: `A new password for ${at.who.studioName}`, body });
}

/** Gives somebody another role. At least one director stays. */
export async function changeRole(desk: Desk, input: unknown): Promise<void> {
  authorise(desk.who, 'run the studio');
  const { staff, version, role } = await checked(staffRoleForm, input);
  await inOne(desk, async (at) => {
    await holdStudio(at);
    const member = await staffMember(at, staff);
    if (role !== 'director') await keepADirector(at, member);
    await changeStaff(at, staff, version, { role });
  });
}

/** Sets what somebody is qualified to teach, and since when. */
export async function saveQualifications(desk: Desk, input: unknown): Promise<void> {
  authorise(desk.who, 'run the studio');
  const { staff, version, families } = await checked(qualificationsForm, input);
  await knownFamilies(
    desk,
    'families',
    families.map(({ family }) => family),
  );
  if (new Set(families.map(({ family }) => family)).size < families.length)
    throw invalid({ field: 'families', message: 'A family of techniques is named twice.' });
  await inOne(desk, async (at) => {
    await staffMember(at, staff);
    await changeQualifications(at, staff, version, families);
  });
}

/** A class that is still to come and in somebody's hands. */
export interface InTheirHands {
  readonly session: string;
  readonly course: string;
  readonly date: IsoDate;
  readonly start: string;
  readonly minutes: number;
}

/**
 * Somebody leaves: signed out everywhere at once, their links and calendars end, and their name stays in what they did.
 * @returns the classes that are still to come and were theirs, and now have nobody
 */
export async function leaveStaff(desk: Desk, input: unknown): Promise<{ readonly open: readonly string[] }> {
  authorise(desk.who, 'run the studio');
  const { staff, version } = await checked(staffSeenForm, input);
  return inOne(desk, async (at) => {
    await holdStudio(at);
    const member = await staffMember(at, staff);
    await keepADirector(at, member);
    const open = await classesOf(at, staff);
    await changeStaff(at, staff, version, { leftAt: at.now, passwordHash: null });
    await endStaffLinks(at, staff);
    await endFeedsOf(at, staff);
    await removeAway(at, { staff });
    await dropSignInsOf(at.em, staff, null);
    await dropDevicesOf(at.em, staff);
    return { open: open.map(({ course, date, start }) => `${course}, ${dayText(date)} at ${start}`) };
  });
}

/** How far ahead classes in somebody's hands are looked for, as a day far enough for any course. */
const FAR = '2999-12-31';

/** The classes from today on, in order of time, each with whoever has it in hand. */
export async function classesAhead(desk: Desk): Promise<(InTheirHands & { readonly teacher: string })[]> {
  const [all, ahead] = await Promise.all([courses(desk), sessionsBetween(desk, desk.today, FAR)]);
  const handed = await handedTo(
    desk,
    ahead.map(({ id }) => id),
  );
  return ahead.flatMap(({ id, course: of, date, start, minutes }) => {
    const course = all.find((one) => one.id === of);
    return course ? [{ session: id, course: course.name, date, start, minutes, teacher: handed.get(id) ?? course.teacher }] : [];
  });
}

/** The classes from today on that somebody has in hand. */
export async function classesOf(desk: Desk, staff: string): Promise<InTheirHands[]> {
  return (await classesAhead(desk)).filter(({ teacher }) => teacher === staff);
}

/** Whoever leaves, or is a director no longer, is not the last one who can sign in as one. */
async function keepADirector(at: Writing<Staff>, member: StaffMember): Promise<void> {
  if (member.role !== 'director' || member.invited) return;
  const others = (await staffToday(at)).filter(({ id, role, invited }) => role === 'director' && !invited && id !== member.id);
  if (others.length === 0)
    throw new Refusal('invalid', `${member.name} is the only director. Make somebody else director first, and let them sign in once.`);
}
