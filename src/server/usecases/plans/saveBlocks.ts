import type { Block } from '@/core/plan';
import { partOf } from '@/core/techniques';
import { blocksForm, type BlocksInput } from '@/forms';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import { inOne, type Desk } from '../../desk';
import { SessionRow } from '../../db/rows';
import { invalid, Refusal } from '../../errors';
import { session as sessionById } from '../../repositories/courses';

/** Saves a session's blocks, or refuses when somebody else saved first. */
export async function saveBlocks(desk: Desk, input: unknown): Promise<{ readonly version: number }> {
  authorise(desk.who, 'edit plans');
  const form = await checked(blocksForm, input);
  const blocks = form.blocks.map(toBlock);
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

function toBlock(block: BlocksInput['blocks'][number]): Block {
  if (block.technique && block.pattern && block.dose && block.tempo) {
    return { id: block.id, kind: 'technique', technique: block.technique, pattern: block.pattern, dose: block.dose, tempo: Math.round(block.tempo) };
  }
  if (block.part && block.minutes) return { id: block.id, kind: partOf(block.part).kind, part: block.part, minutes: block.minutes };
  throw invalid({ field: 'blocks', message: 'A block is a technique or a part.' });
}
