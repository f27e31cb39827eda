import type { Block } from '@/core/plan';
import { dayText, daysBetween } from '@/core/units';
import { blockSourcesForm, takeBlocksForm, templateForm, templateGoneForm } from '@/forms';
import type { BlockSources } from '@/views/plan';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import { onceOnly } from '../../db/write';
import { inOne, type Desk } from '../../desk';
import { invalid, Refusal } from '../../errors';
import { courses, session as sessionById } from '../../repositories/courses';
import { allHours, filledOnes, type Hours } from '../../repositories/hours';
import { addTemplate, removeTemplate as remove, template, templates } from '../../repositories/templates';

/** How many classes are offered at once to take blocks from; others are found by the name of their course. */
const AT_ONCE = 120;
/** Further than any two classes of a studio, in days. */
const FAR_DAYS = 100_000;

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

/**
 * What blocks can be taken from: templates, and classes by the name of their course. With no name asked for, those of this course and of
 * its cohort, and of others the nearest.
 */
export async function blockSources(desk: Desk, input: unknown): Promise<BlockSources> {
  authorise(desk.who, 'edit plans');
  const { session, name } = await checked(blockSourcesForm, input);
  const here = await sessionById(desk, session);
  const [kept, all, hours] = await Promise.all([templates(desk), courses(desk), allHours(desk)]);
  const wanted = name.trim().toLowerCase();
  const courseOf = new Map(all.filter((one) => one.name.toLowerCase().includes(wanted)).map((one) => [one.id, one]));
  const cohort = all.find(({ id }) => id === here.course)?.cohort;
  const near = ({ course, date }: Hours) =>
    (course === here.course ? 0 : courseOf.get(course)!.cohort === cohort ? 1 : 2) * FAR_DAYS + Math.abs(daysBetween(here.date, date));
  const nearest = hours
    .filter(({ id, course }) => id !== session && courseOf.has(course))
    .map((one) => ({ one, far: near(one) }))
    .sort((a, b) => a.far - b.far)
    .slice(0, AT_ONCE);
  const filled = await filledOnes(
    desk,
    nearest.map(({ one }) => one.id),
  );
  return {
    templates: kept.map(({ id, version, name: called, minutes }) => ({ id, version, name: called, minutes })),
    classes: nearest.flatMap(({ one: { id, course, date } }) =>
      filled.has(id) ? [{ id, name: `${courseOf.get(course)!.name}, ${dayText(date)}` }] : [],
    ),
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
