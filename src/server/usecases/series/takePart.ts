import { datesOf, driftOf, SERIES_LIMITS } from '@/core/series';
import { dateIn, dayText, daysBetween } from '@/core/units';
import { lookAt } from '@/core/claims';
import { letterForm, memberForm, seriesSeenForm, stepForm } from '@/forms';
import type { Staff } from '../../auth/actors';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import { onceOnly } from '../../db/write';
import { inOne, type Desk, type Writing } from '../../desk';
import { invalid, Refusal } from '../../errors';
import { ourOrigin } from '../../origin';
import { addMail } from '../../repositories/mails';
import { person, rosterOf } from '../../repositories/people';
import { undoStepOf } from '../../repositories/checkIns';
import { addLetter, addMembers, changeMember, heldMember, lettersTo, newAddress, ownToken, series } from '../../repositories/series';
import { partsOf, stateOf, type Part } from './going';

/** The address of somebody's own day. */
export const dayUrl = (token: string): string => `${ourOrigin()}/day/${token}`;

/** Lets everybody of the cohort take part who does not yet; they begin today, or with the series. */
export async function letIn(desk: Desk, input: unknown): Promise<{ readonly joined: number }> {
  authorise(desk.who, 'edit courses');
  const { series: id } = await checked(seriesSeenForm, input);
  return inOne(desk, async (at) => {
    const found = await series(at, id);
    const people = (await rosterOf(at, found.cohort)).map(({ id: one }) => one);
    return { joined: await addMembers(at, id, people, at.today > found.firstDate ? at.today : found.firstDate) };
  });
}

/**
 * Another address for somebody's own day: the one there was ends. It is sent, and shown to whoever asked for it. Whoever left takes part
 * again by it, with what they did.
 */
export async function giveNewAddress(desk: Desk, input: unknown): Promise<{ readonly url: string }> {
  authorise(desk.who, 'edit courses');
  const { member: id } = await checked(memberForm, input);
  return inOne(desk, async (at) => {
    const part = await heldMember(at, id);
    if (!part.admitted) throw new Refusal('late', 'They do not take part, so they have no page.');
    const found = await series(at, part.series);
    const { name, email } = await person(at, part.person);
    const url = dayUrl(await newAddress(at, id));
    if (part.leftOn !== null) await changeMember(at, id, { leftOn: null, mails: true });
    const body = [
      `Hello ${name}`,
      '',
      `This is the new address of your own page in ${found.name}. The one before no longer works.`,
      '',
      url,
      '',
      at.who.studioName,
    ];
    if (email) await addMail(at, { person: part.person, address: email, subject: `Your page: ${found.name}`, body: body.join('\n') });
    return { url };
  });
}

/** Takes back the step that followed from a day that was too much. */
export async function undoStepBack(desk: Desk, input: unknown): Promise<void> {
  authorise(desk.who, 'see reasons');
  const { checkIn } = await checked(stepForm, input);
  await inOne(desk, (at) => undoStepOf(at, checkIn));
}

/**
 * Writes to those who are drifting off, in the director's words with a first line for each. Nobody is written to twice within three
 * days, and claims a studio cannot stand behind are not sent.
 * @returns how many were written to
 */
export async function writeToDrifting(desk: Desk, input: unknown): Promise<{ readonly sent: number }> {
  authorise(desk.who, 'edit courses');
  const { once, series: id, members, text } = await checked(letterForm, input);
  const claim = lookAt(text).find(({ level }) => level === 'claim');
  if (claim)
    throw invalid({
      field: 'text',
      message: `“${text.slice(claim.at, claim.at + claim.length)}” is a claim the studio cannot stand behind. Say it otherwise; nothing was sent.`,
    });
  return onceOnly(desk, once, async (at) => {
    const found = await series(at, id);
    if (stateOf(found, at.today) === 'finished') throw new Refusal('late', 'This series is over: nobody drifts off any more.');
    const everybody = await partsOf(at, found, datesOf(found));
    const parts = everybody.filter((part) => members.includes(part.id) && part.leftOn === null && part.held.length === 0);
    const letters = await lettersTo(
      at,
      parts.map((one) => one.id),
    );
    let sent = 0;
    for (const part of parts) {
      const drift = driftOf(part.over, part.checkIns);
      const last = letters.get(part.id);
      if (!drift || (last && daysBetween(dateIn(at.who.zone, last), at.today) < SERIES_LIMITS.writeAgainDays)) continue;
      const first = drift.last ? `your last day with us was ${dayText(drift.last)}.` : 'your page is there whenever you like.';
      if (await write(at, part, found.name, first, text)) sent += 1;
    }
    if (sent === 0)
      throw new Refusal(
        'late',
        'Nobody was written to: they are no longer drifting off, were written to within three days, called for help, or have no address.',
      );
    return { sent };
  });
}

async function write(at: Writing<Staff>, part: Part, subject: string, first: string, text: string): Promise<boolean> {
  const { name, email } = part;
  if (!email) return false;
  const body = [`Hello ${name.split(' ')[0]}, ${first}`, '', text, '', dayUrl(ownToken(at, part)), '', at.who.studioName];
  await addMail(at, { person: part.person, address: email, subject, body: body.join('\n') });
  await addLetter(at, part.id);
  return true;
}
