import { writtenOut } from '@/core/conventions';
import type { Block } from '@/core/plan';
import { partOf } from '@/core/techniques';
import { blocksForm, type BlocksInput } from '@/forms';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import { inOne, type Desk } from '../../desk';
import { SessionRow } from '../../db/rows';
import { invalid, Refusal } from '../../errors';
import { ownWay } from '../../repositories/ownWays';
import { session as sessionById } from '../../repositories/courses';
import { conventions } from '../../repositories/studio';

/** Saves a session's blocks, or refuses when somebody else saved first. */
export async function saveBlocks(desk: Desk, input: unknown): Promise<{ readonly version: number }> {
  authorise(desk.who, 'edit plans');
  const form = await checked(blocksForm, input);
  const blocks = await Promise.all(form.blocks.map((block) => toBlock(desk, block)));
  if (new Set(blocks.map(({ id }) => id)).size < blocks.length) throw invalid({ field: 'blocks', message: 'Two blocks have the same id.' });
  return inOne(desk, async (at) => {
    const { date } = await sessionById(at, form.session);
    if (date < at.today) throw new Refusal('late', 'What was taught stays as it was: this session is past.');
    const version = form.version + 1;
    const changed = await at.em.nativeUpdate(SessionRow, { id: form.session, version: form.version }, { blocks, version });
    if (changed === 0) throw new Refusal('clash');
    return { version };
  });
}

async function toBlock(desk: Desk, block: BlocksInput['blocks'][number]): Promise<Block> {
  if (block.technique && block.pattern && block.dose && block.tempo) {
    const { id, technique, pattern } = block;
    const dose = writtenOut(pattern, block.dose, (await conventions(desk)).schools, technique);
    const plain = { id, kind: 'technique' as const, technique, pattern, dose, tempo: Math.round(block.tempo) };
    if (!block.own) return plain;
    const own = await ownWay(desk, block.own.id, block.own.number);
    if (own?.base !== technique) throw invalid({ field: 'blocks', message: 'This way of doing it is not part of your studio.' });
    return { ...plain, own: { id: own.id, number: own.number, name: own.name } };
  }
  if (block.part && block.minutes) return { id: block.id, kind: partOf(block.part).kind, part: block.part, minutes: block.minutes };
  throw invalid({ field: 'blocks', message: 'A block is a technique or a part.' });
}
