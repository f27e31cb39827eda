import { v7 as newId } from 'uuid';
import { askedIn, changedRulebook, CONSENT, screenedUntil } from '@/core/screening';
import { dateIn, isoDate, type IsoDate } from '@/core/units';
import { linkAnswersForm } from '@/forms';
import { limitByAddress, noteAttempt } from '../../auth/signin';
import { vault } from '../../auth/vault';
import { checked } from '../../checked';
import type { EntityManager } from '../../db/orm';
import { LinkRow, PersonRow, RulebookRow, ScreeningRow, StudioRow } from '../../db/rows';
import { Refusal } from '../../errors';
import type { SealedAnswers } from '../../repositories/cohorts';
import { checkedAnswers, keepScreening } from './keepScreening';
import { hashLink } from './links';

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
  const { link, person, studio } = await findLink(em, token, address, now);
  const [last] = await em.find(ScreeningRow, { person: person.id }, { orderBy: { screenedOn: 'desc' }, limit: 1 });
  return {
    person: person.name,
    studio: studio.name,
    today: dateIn(studio.zone, now),
    lastUntil: last ? screenedUntil(isoDate(last.screenedOn)) : null,
    asked: await askedBy(em, link.studio),
  };
}

/** The conditions that a rule of the studio uses. */
async function askedBy(em: EntityManager, studio: string): Promise<readonly string[]> {
  const [version] = await em.find(RulebookRow, { studio }, { orderBy: { number: 'desc' }, limit: 1 });
  return askedIn(changedRulebook(version?.changes ?? []));
}

/** Takes the answers and uses the link up: a form that is sent twice, or from two tabs, is kept once. */
export async function answerLink(em: EntityManager, token: string, input: unknown, address: string, now: Date): Promise<void> {
  const { link, person, studio } = await findLink(em, token, address, now);
  const today = dateIn(studio.zone, now);
  const form = await checked(linkAnswersForm, input);
  const answers = checkedAnswers(form, today, await askedBy(em, link.studio));
  await spendLink(em, link.id, person, now, (at, who) =>
    keepScreening(at, vault(), newId, { ...who, screenedOn: today, source: 'form', consent: CONSENT.version, enteredBy: null, at: now }, answers),
  );
}

/** "Nothing has changed": the last form counts anew from today, without anybody reading it. */
export async function renewByLink(em: EntityManager, token: string, consent: boolean, address: string, now: Date): Promise<void> {
  const { link, person, studio } = await findLink(em, token, address, now);
  const today = dateIn(studio.zone, now);
  if (!consent) throw new Refusal('invalid', 'Please tick that you agree, or leave the form: nothing is kept then.');
  await spendLink(em, link.id, person, now, async (at, who) => {
    const [last] = await at.find(ScreeningRow, { person: person.id }, { orderBy: { screenedOn: 'desc', enteredAt: 'desc' }, limit: 1 });
    if (!last) throw new Refusal('not-found', 'There is no earlier form to renew. Please answer this one.');
    const answers = JSON.parse(vault().open(person.wrappedKey, last.sealed)) as SealedAnswers;
    const kept = { ...who, screenedOn: today, source: 'nothing changed' as const, consent: CONSENT.version, enteredBy: null, at: now };
    await keepScreening(at, vault(), newId, kept, answers);
  });
}

async function findLink(em: EntityManager, token: string, address: string, now: Date) {
  await limitByAddress(em, address, now);
  const link = /^[\w-]{43}$/.test(token) ? await em.findOne(LinkRow, { tokenHash: hashLink(token) }) : null;
  if (!link) await noteAttempt(em, 'a screening link', address, now);
  if (!link || link.usedAt || link.expiresAt <= now) throw new Refusal('late', GONE);
  const person = await em.findOne(PersonRow, { id: link.person, erasedAt: null });
  if (!person) throw new Refusal('late', GONE);
  return { link, person, studio: await em.findOneOrFail(StudioRow, { id: link.studio }) };
}

interface Whose {
  readonly studio: string;
  readonly person: string;
  readonly wrappedKey: string;
}

async function spendLink(
  em: EntityManager,
  id: string,
  { id: person, studio, wrappedKey }: { id: string; studio: string; wrappedKey: string },
  now: Date,
  keep: (at: EntityManager, who: Whose) => Promise<void>,
): Promise<void> {
  await em.transactional(async (at) => {
    const used = await at.nativeUpdate(LinkRow, { id, usedAt: null }, { usedAt: now });
    if (used === 0) throw new Refusal('late', GONE);
    await keep(at as EntityManager, { studio, person, wrappedKey });
  });
}
