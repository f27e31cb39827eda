import type { Block } from '@/core/plan';
import type { Actor, Staff } from '../auth/actors';
import { readRows } from '../db/read';
import { PlanTemplateRow } from '../db/rows';
import { add, claim } from '../db/write';
import type { Desk, Writing } from '../desk';
import { knownId, Refusal } from '../errors';

/** Classes kept to be used again, by name. */
export async function templates(desk: Desk<Actor>) {
  return readRows(desk, PlanTemplateRow, { removedAt: null }, { orderBy: { name: 'asc' } });
}

export async function template(desk: Desk<Actor>, id: string) {
  const found = (await templates(desk)).find((one) => one.id === knownId(id));
  if (!found) throw new Refusal('not-found', 'This template is no longer here.');
  return found;
}

export async function addTemplate(at: Writing<Staff>, name: string, minutes: number, blocks: readonly Block[]): Promise<void> {
  await add(at, PlanTemplateRow, { id: at.newId(), name, minutes, blocks, madeBy: at.who.id, removedAt: null });
}

export async function removeTemplate(at: Writing<Staff>, id: string, seen: number): Promise<void> {
  await claim(at, PlanTemplateRow, id, seen, { removedAt: at.now });
}
