import { staffId, type Actor } from '../auth/actors';
import type { EntityManager } from '../db/orm';
import { readRows } from '../db/read';
import { LinkRow, PersonRow, StudioRow } from '../db/rows';
import { add, change } from '../db/write';
import type { Desk, Writing } from '../desk';
import { holdPerson } from './people';
import { hashOf, isToken, newToken } from './tokens';

/** How long a link may be used, by what it is for. */
export const LINK_DAYS = { screening: 14 } as const;

/** Links that are made for one thing, and end. A person's own day has an address that stays; see `series.ts`. */
type Passing = keyof typeof LINK_DAYS;

/** Makes a link for a person; an older unused one for the same purpose stops working. @returns its token, which is never kept */
export async function addLink(at: Writing, purpose: Passing, of: string): Promise<string> {
  const token = newToken();
  await holdPerson(at, of);
  await change(at, LinkRow, { person: of, purpose, usedAt: null }, { expiresAt: at.now });
  const expiresAt = new Date(at.now.getTime() + LINK_DAYS[purpose] * 86_400_000);
  await add(at, LinkRow, {
    id: at.newId(),
    purpose,
    person: of,
    tokenHash: hashOf(token),
    madeBy: staffId(at.who),
    madeAt: at.now,
    expiresAt,
    usedAt: null,
  });
  return token;
}

/** Uses a link up. @returns whether it was still there to be used */
export async function spendLink(at: Writing, id: string): Promise<boolean> {
  return (await change(at, LinkRow, { id, usedAt: null, expiresAt: { $gt: at.now } }, { usedAt: at.now })) > 0;
}

/** Links that were sent, still work, and are not used. */
export function waitingLinks(desk: Desk<Actor>, purpose: Passing) {
  return readRows(desk, LinkRow, { purpose, usedAt: null, expiresAt: { $gt: desk.now } }, { orderBy: { madeAt: 'asc' } });
}

/** A person's links, newest first. */
export function linksOf(desk: Desk<Actor>, of: string) {
  return readRows(desk, LinkRow, { person: of }, { orderBy: { madeAt: 'desc' } });
}

/** Whose link a token is, in whatever studio; null when it is unknown, used, run out, or its person erased. */
export async function findLink(em: EntityManager, purpose: Passing, token: string, now: Date) {
  if (!isToken(token)) return null;
  const anywhere = { filters: false } as const;
  const link = await em.findOne(LinkRow, { tokenHash: hashOf(token), purpose, usedAt: null, expiresAt: { $gt: now } }, anywhere);
  const person = link && (await em.findOne(PersonRow, { id: link.person, erasedAt: null }, anywhere));
  if (!person) return null;
  const studio = await em.findOneOrFail(StudioRow, { id: link.studio });
  return { link: link.id, person: { id: person.id, name: person.name }, studio: { id: studio.id, name: studio.name, zone: studio.zone } };
}
