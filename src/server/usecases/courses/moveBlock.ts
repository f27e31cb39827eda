import { checkCourse, type Mend } from '@/core/course';
import type { Block, TechniqueBlock } from '@/core/plan';
import { partOf } from '@/core/techniques';
import { mendForm, moveForm } from '@/forms';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import { inOne, type Desk } from '../../desk';
import { SessionRow } from '../../db/rows';
import { Refusal } from '../../errors';
import { claimCourse, course, sessionsOf, type Session } from '../../repositories/courses';
import { settingOf } from '../setting';

/** Moves a technique to another session of its course, with the settling that follows it. What is past stays. */
export async function moveBlock(desk: Desk, input: unknown): Promise<void> {
  authorise(desk.who, 'edit courses');
  const form = await checked(moveForm, input);
  await inOne(desk, async (at) => {
    await course(at, form.course);
    await claimCourse(at, form.course, form.version);
    await apply(at, await sessionsOf(at, [form.course]), { kind: 'move', block: form.block, to: form.to });
  });
}

/** Applies the one-step mend of a check, worked out again here so that nothing else can be asked for. */
export async function mendCheck(desk: Desk, input: unknown): Promise<void> {
  authorise(desk.who, 'edit courses');
  const form = await checked(mendForm, input);
  await inOne(desk, async (at) => {
    const found = await course(at, form.course);
    await claimCourse(at, form.course, form.version);
    const [sessions, setting] = await Promise.all([sessionsOf(at, [form.course]), settingOf(at, found)]);
    const check = checkCourse(sessions, setting).find(
      ({ session, mend }) =>
        session === form.session && mend?.kind === form.kind && (mend.kind === 'add preparation' ? mend.before : mend.block) === form.block,
    );
    if (!check?.mend) throw new Refusal('clash', 'This check is no longer there: something has changed since the page was opened.');
    await apply(at, sessions, check.mend);
  });
}

async function apply(desk: Desk, sessions: readonly Session[], mend: Mend): Promise<void> {
  const anchor = mend.kind === 'add preparation' ? mend.before : mend.block;
  const from = sessions.find(({ blocks }) => blocks.some(({ id }) => id === anchor));
  if (!from) throw new Refusal('not-found', 'This block is no longer in the course.');
  refusePast(desk, from);
  if (mend.kind === 'shorten rest') {
    await save(
      desk,
      from,
      from.blocks.map((block) => (block.id === mend.block && block.kind !== 'technique' ? { ...block, minutes: mend.minutes } : block)),
    );
  } else if (mend.kind === 'add preparation') {
    const preparation: Block = { id: desk.newId(), kind: 'prepare', part: 'clear-nose', minutes: partOf('clear-nose').minutes };
    await save(
      desk,
      from,
      from.blocks.flatMap((block) => (block.id === mend.before ? [preparation, block] : [block])),
    );
  } else {
    await move(
      desk,
      from,
      sessions.find(({ id }) => id === mend.to),
      mend.block,
    );
  }
}

async function move(desk: Desk, from: Session, to: Session | undefined, blockId: string): Promise<void> {
  if (!to) throw new Refusal('not-found', 'This session is not part of the course.');
  refusePast(desk, to);
  if (to.id === from.id) return;
  const index = from.blocks.findIndex(({ id }) => id === blockId);
  const block = from.blocks[index];
  if (block.kind !== 'technique') throw new Refusal('invalid', 'Only a technique moves to another session.');
  if (to.blocks.some((other) => other.kind === 'technique' && other.technique === block.technique)) {
    throw new Refusal('invalid', 'That session practises this technique already.');
  }
  const settling = from.blocks[index + 1]?.kind === 'settle' ? from.blocks[index + 1] : null;
  await save(
    desk,
    from,
    from.blocks.filter((other) => other !== block && other !== settling),
  );
  await save(desk, to, insert(to.blocks, settling ? [block, settling] : [block]));
}

/** New work goes after the last technique and its settling, before the rest. */
function insert(blocks: readonly Block[], added: readonly Block[]): Block[] {
  const last = blocks.findLastIndex((block): block is TechniqueBlock => block.kind === 'technique');
  const rest = blocks.findIndex((block) => block.kind === 'rest' || block.kind === 'close');
  const at = last >= 0 ? last + (blocks[last + 1]?.kind === 'settle' ? 2 : 1) : rest >= 0 ? rest : blocks.length;
  return [...blocks.slice(0, at), ...added, ...blocks.slice(at)];
}

function refusePast(desk: Desk, { date }: Session): void {
  if (date < desk.today) throw new Refusal('late', 'What was taught stays as it was: this session is past.');
}

async function save(desk: Desk, session: Session, blocks: readonly Block[]): Promise<void> {
  const changed = await desk.em.nativeUpdate(SessionRow, { id: session.id, version: session.version }, { blocks, version: session.version + 1 });
  if (changed === 0) throw new Refusal('clash');
}
