import type { Block } from '@/core/plan';
import { dayText } from '@/core/units';
import { takeBlocksForm, templateForm, templateGoneForm } from '@/forms';
import type { BlockSources } from '@/views/plan';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import { onceOnly } from '../../db/write';
import { inOne, type Desk } from '../../desk';
import { invalid, Refusal } from '../../errors';
import { courses, session as sessionById, sessionsBetween } from '../../repositories/courses';
import { addTemplate, removeTemplate as remove, template, templates } from '../../repositories/templates';
import { addDays } from '@/core/units';

/** How far back and ahead classes are offered to take blocks from, in days. */
const NEAR = 60;

/** Keeps a class to be used again: its blocks with their doses, without people and without what was pinned. */
export async function saveTemplate(desk: Desk, input: unknown): Promise<{ readonly name: string }> {
  authorise(desk.who, 'edit plans');
  const { once, session, name } = await checked(templateForm, input);
  return onceOnly(desk, once, async (at) => {
    const { blocks, minutes } = await sessionById(at, session);
    if (blocks.length === 0) throw new Refusal('invalid', 'There is nothing in this class to keep yet.');
    if ((await templates(at)).some((one) => one.name.toLowerCase() === name.toLowerCase()))
      throw invalid({ field: 'name', message: 'A template has this name already.' });
    await addTemplate(at, name, minutes, blocks.map(loose));
    return { name };
  });
}

export async function removeTemplate(desk: Desk, input: unknown): Promise<void> {
  authorise(desk.who, 'edit plans');
  const { id, version } = await checked(templateGoneForm, input);
  await inOne(desk, (at) => remove(at, id, version));
}

/** Templates, and the classes of the last and next weeks, to take blocks from. */
export async function blockSources(desk: Desk, session: string): Promise<BlockSources> {
  authorise(desk.who, 'edit plans');
  const [kept, all, near] = await Promise.all([
    templates(desk),
    courses(desk),
    sessionsBetween(desk, addDays(desk.today, -NEAR), addDays(desk.today, NEAR)),
  ]);
  return {
    templates: kept.map(({ id, version, name, minutes }) => ({ id, version, name, minutes })),
    classes: near
      .filter(({ id, blocks }) => id !== session && blocks.length > 0)
      .map(({ id, date, course }) => ({ id, name: `${all.find((one) => one.id === course)?.name ?? 'A course'}, ${dayText(date)}` })),
  };
}

/** The blocks of a template or of another class, as new ones. Techniques that are no longer in the library are left out. */
export async function takeBlocks(desk: Desk, input: unknown): Promise<{ readonly blocks: readonly Block[] }> {
  authorise(desk.who, 'edit plans');
  const { from, id } = await checked(takeBlocksForm, input);
  const { blocks } = from === 'template' ? await template(desk, id) : await sessionById(desk, id);
  return { blocks: blocks.map((block) => ({ ...loose(block), id: desk.newId() })) };
}

/** A block that is pinned nowhere. */
function loose(block: Block): Block {
  if (block.kind !== 'technique') return block;
  const { pinned: _, ...free } = block;
  return free;
}
