import { askedIn, CONSENT, screenedUntil } from '@/core/screening';
import { isoDate, type IsoDate } from '@/core/units';
import { linkAnswersForm } from '@/forms';
import type { ByLink } from '../../auth/actors';
import { foundBy } from '../../auth/signin';
import { checked } from '../../checked';
import type { EntityManager } from '../../db/orm';
import { deskFor, inOne, type Desk, type Writing } from '../../desk';
import { Refusal } from '../../errors';
import { findLink, spendLink } from '../../repositories/links';
import { person } from '../../repositories/people';
import { addScreening, openScreening, screeningsOf } from '../../repositories/screenings';
import { conventions } from '../../repositories/studio';
import { checkedAnswers } from './checkedAnswers';

/** What a person sees who opens their link: never an answer that was given before. */
export interface OpenForm {
  readonly person: string;
  readonly studio: string;
  readonly today: IsoDate;
  /** Until when the last form counts, when there is one that may be renewed. */
  readonly lastUntil: IsoDate | null;
  /** The conditions a rule of this studio uses; nothing else is asked. */
  readonly asked: readonly string[];
}

const GONE = 'This link has been used, or has run out. Ask the studio for a new one; nothing you sent before is lost.';

/** Opens a link without using it up. */
export async function openLink(em: EntityManager, token: string, address: string, now: Date): Promise<OpenForm> {
  const { desk, name } = await byLink(em, token, address, now);
  const [last] = await screeningsOf(desk, desk.who.person);
  return {
    person: name,
    studio: desk.who.studioName,
    today: desk.today,
    lastUntil: last ? screenedUntil(isoDate(last.screenedOn)) : null,
    asked: await askedOf(desk),
  };
}

/** Takes the answers and uses the link up: a form that is sent twice, or from two tabs, is kept once. */
export async function answerLink(em: EntityManager, token: string, input: unknown, address: string, now: Date): Promise<void> {
  const { desk } = await byLink(em, token, address, now);
  const form = await checked(linkAnswersForm, input);
  const answers = checkedAnswers(form, desk.today, await askedOf(desk));
  await spending(desk, (at) => addScreening(at, { person: at.who.person, screenedOn: at.today, source: 'form', consent: CONSENT.version }, answers));
}

/** "Nothing has changed": the last form counts anew from today, without anybody reading it. */
export async function renewByLink(em: EntityManager, token: string, consent: boolean, address: string, now: Date): Promise<void> {
  const { desk } = await byLink(em, token, address, now);
  if (!consent) throw new Refusal('invalid', 'Please tick that you agree, or leave the form: nothing is kept then.');
  await spending(desk, async (at) => {
    const [last] = await screeningsOf(at, at.who.person);
    if (!last) throw new Refusal('not-found', 'There is no earlier form to renew. Please answer this one.');
    const answers = openScreening(at, await person(at, at.who.person), last);
    await addScreening(at, { person: at.who.person, screenedOn: at.today, source: 'nothing changed', consent: CONSENT.version }, answers);
  });
}

/** The desk of whoever holds a link: theirs alone. */
async function byLink(em: EntityManager, token: string, address: string, now: Date): Promise<{ readonly desk: Desk<ByLink>; readonly name: string }> {
  const found = await foundBy(em, 'form', address, now, await findLink(em, 'screening', token, now), new Refusal('late', GONE));
  const { link, studio } = found;
  const who: ByLink = {
    as: 'link',
    purpose: 'screening',
    link,
    person: found.person.id,
    studio: studio.id,
    studioName: studio.name,
    zone: studio.zone,
  };
  return { desk: await deskFor(who, now, em), name: found.person.name };
}

/** The conditions that a rule of the studio uses. */
async function askedOf(desk: Desk<ByLink>): Promise<readonly string[]> {
  return askedIn((await conventions(desk)).rulebook);
}

async function spending(desk: Desk<ByLink>, keep: (at: Writing<ByLink>) => Promise<void>): Promise<void> {
  await inOne(desk, async (at) => {
    if (!(await spendLink(at, at.who.link))) throw new Refusal('late', GONE);
    await keep(at);
  });
}
