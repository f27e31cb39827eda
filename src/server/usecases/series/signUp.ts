import { datesOf } from '@/core/series';
import { dayText, isoDate } from '@/core/units';
import { memberForm, openSeriesForm, signUpForm } from '@/forms';
import type { Clock, Staff } from '../../auth/actors';
import { authorise } from '../../auth/permissions';
import { foundBy, tryFrom } from '../../auth/signin';
import { checked } from '../../checked';
import { holdStudio } from '../../db/write';
import type { EntityManager } from '../../db/orm';
import { deskFor, inOne, type Desk, type Writing } from '../../desk';
import { Refusal } from '../../errors';
import { ourOrigin } from '../../origin';
import { addMail, wasWrittenTo } from '../../repositories/mails';
import { addPerson, changePerson, everybody, peopleLines, person } from '../../repositories/people';
import { checkInsOf } from '../../repositories/checkIns';
import {
  addMembers,
  changeMember,
  findJoining,
  heldMember,
  membersOf,
  openForJoining,
  ownToken,
  series,
  type KeptSeries,
  type SeriesMember,
} from '../../repositories/series';
import { sendTo } from '../people/links';
import { dayUrl } from './takePart';

/** How many who have not answered their form yet wait at once: of more, whoever has waited longest waits no more. Whoever answered it always does. */
const MOST_UNANSWERED = 100;
/** How long an address is not written to again because somebody signed up with it. */
const LETTER_EVERY_MS = 86_400_000;

/** Opens a series for people who sign up by its link, or closes it. @returns the link while it is open */
export async function openSeries(desk: Desk, input: unknown): Promise<{ readonly url: string | null; readonly version: number }> {
  authorise(desk.who, 'edit courses');
  const { series: id, version, open } = await checked(openSeriesForm, input);
  return inOne(desk, async (at) => {
    const found = await series(at, id);
    if (open && (found.stoppedOn || at.today > datesOf(found).at(-1)!)) throw new Refusal('late', 'This series is over.');
    const now = await openForJoining(at, id, version, open);
    return { url: open ? joinUrl(now.token) : null, version: now.version };
  });
}

export const joinUrl = (token: string): string => `${ourOrigin()}/sign-up/${token}`;

const CLOSED = 'Nobody can sign up by this link now. Ask the studio.';

interface SigningUp {
  readonly studio: string;
  readonly series: string;
  readonly days: number;
  readonly from: string;
  readonly start: string;
}

/** What whoever opens a series' link is told of it. */
export async function openSignUp(em: EntityManager, token: string, address: string, now: Date): Promise<SigningUp> {
  const { desk, found } = await byJoining(em, token, address, now);
  return { studio: desk.who.studioName, series: found.name, days: found.days.length, from: dayText(found.firstDate), start: found.asked.start };
}

async function byJoining(em: EntityManager, token: string, address: string, now: Date) {
  const joining = await foundBy(em, 'sign up', address, now, await findJoining(em, token), new Refusal('late', CLOSED));
  const desk = await deskFor<Clock>(joining.who, now, em);
  const found = await series(desk, joining.series);
  if (desk.today > datesOf(found).at(-1)!) throw new Refusal('late', CLOSED);
  return { desk, found };
}

/**
 * Somebody signs up: they are sent their screening form, and wait for the director's yes before the first practice. Whoever signs up
 * again by the same name and address is not there twice; whoever left, or was answered no, asks anew. Two people may share an address.
 */
export async function signUp(em: EntityManager, token: string, input: unknown, address: string, now: Date): Promise<void> {
  const { desk, found } = await byJoining(em, token, address, now);
  const { name, email, birthDate, website } = await checked(signUpForm, input);
  // A machine filled in what nobody sees: it is thanked, and nothing is kept.
  if (website !== '') return;
  await tryFrom(em, { kind: 'signed up', address, what: '' }, now);
  await inOne(desk, async (at) => {
    await holdStudio(at);
    const people = await everybody(at);
    const same = (a: string, b: string | null | undefined) => a.trim().toLowerCase() === (b ?? '').trim().toLowerCase();
    const known = people.find((one) => one.cohort === found.cohort && same(name, one.name) && same(email, one.email));
    const parts = await membersOf(at, [found.id]);
    const before = known && parts.find((part) => part.person === known.id);
    if (before && before.leftOn === null) return;
    await letGo(at, parts);
    const id = known?.id ?? (await addPerson(at, { cohort: found.cohort, name, email, birthDate, waits: true })).id;
    const joinedOn = at.today > found.firstDate ? at.today : found.firstDate;
    if (before) await changeMember(at, before.id, { admitted: false, leftOn: null });
    else await addMembers(at, found.id, [id], isoDate(joinedOn), false);
    // Whoever signs others up fills nobody's letter box.
    if (!(await wasWrittenTo(at, email, new Date(at.now.getTime() - LETTER_EVERY_MS)))) await sendTo(at, [id]);
  });
}

/** A link that strangers found keeps nobody real waiting: whoever answered no form makes room, the oldest first. */
async function letGo(at: Writing<Clock>, parts: readonly SeriesMember[]): Promise<void> {
  const waiting = parts.filter(({ admitted, leftOn }) => !admitted && leftOn === null);
  if (waiting.length < MOST_UNANSWERED) return;
  const answered = new Set(
    (
      await peopleLines(
        at,
        waiting.map(({ person: of }) => of),
      )
    ).flatMap(({ id, screenedOn }) => (screenedOn ? [id] : [])),
  );
  const unanswered = waiting.filter(({ person: of }) => !answered.has(of));
  for (const { id } of unanswered.slice(0, Math.max(0, unanswered.length - MOST_UNANSWERED + 1))) await changeMember(at, id, { leftOn: at.today });
}

/** The director's yes: they take part from today on, or from the first day, and get their own page. */
export async function admit(desk: Desk, input: unknown): Promise<void> {
  authorise(desk.who, 'edit courses');
  const { member: id } = await checked(memberForm, input);
  await inOne(desk, async (at) => {
    const part = await heldMember(at, id);
    if (part.admitted || part.leftOn !== null) throw new Refusal('late', 'This has been answered already.');
    const [found, to] = [await series(at, part.series), await person(at, part.person)];
    // Whoever took part before keeps their days; mornings are sent again.
    const said = (await checkInsOf(at, [id])).get(id) ?? [];
    const joinedOn = at.today > found.firstDate ? at.today : found.firstDate;
    const from = datesOf(found).find((date) => date >= at.today) ?? at.today;
    // From now on they are of the group.
    if (to.leftOn) await changePerson(at, to.id, to.version, { leftOn: null });
    await changeMember(at, id, { admitted: true, mails: true, toldFrom: from, ...(said.length === 0 ? { joinedOn } : {}) });
    await write(at, found, part, to, `You take part in ${found.name}, from ${dayText(from)} at ${found.asked.start}. This is your own page:`);
  });
}

/** A line to whoever takes part, with their own page. */
async function write(
  at: Writing<Staff>,
  { name }: Pick<KeptSeries, 'name'>,
  part: SeriesMember,
  to: Awaited<ReturnType<typeof person>>,
  line: string,
): Promise<void> {
  const body = [`Hello ${to.name}`, '', line, '', dayUrl(ownToken(at, part)), '', at.who.studioName];
  if (to.email) await addMail(at, { person: to.id, address: to.email, subject: name, body: body.join('\n') });
}

/** A series begins on another day, or at another hour: whoever was written when it does, and has not begun, hears. */
export async function tellBegin(at: Writing<Staff>, found: KeptSeries, now: KeptSeries): Promise<void> {
  const [[was], [is], { start }] = [datesOf(found), datesOf(now), now.asked];
  if (at.today >= was || now.stoppedOn || (is === was && start === found.asked.start)) return;
  for (const part of await membersOf(at, [found.id])) {
    if (part.toldFrom === null || !part.admitted || part.leftOn !== null) continue;
    await changeMember(at, part.id, { toldFrom: is });
    const line = `${now.name} begins on ${dayText(is)} at ${start}, not on ${dayText(part.toldFrom)} at ${found.asked.start}. Your own page is the same:`;
    await write(at, now, part, await person(at, part.person), line);
  }
}

/** The director's no: they take no part, and are nobody's member. */
export async function decline(desk: Desk, input: unknown): Promise<void> {
  authorise(desk.who, 'edit courses');
  const { member: id } = await checked(memberForm, input);
  await inOne(desk, async (at) => {
    const part = await heldMember(at, id);
    if (part.admitted || part.leftOn !== null) throw new Refusal('late', 'This has been answered already.');
    await changeMember(at, id, { leftOn: at.today });
  });
}
