import { writtenOut } from '@/core/conventions';
import { changeLine, changesBetween, named, usualSetup, voiceChanges, type Block, type Voice } from '@/core/plan';
import { blocksForm, type BlocksInput } from '@/forms';
import type { House } from '@/core/instructions';
import { setupText } from '@/core/techniques';
import type { PlanNow } from '@/views/plan';
import { byHand } from '@/core/course';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import { inOne, type Desk } from '../../desk';
import { invalid, Refusal } from '../../errors';
import { changeClass, course, session as sessionById } from '../../repositories/courses';
import { ownWay } from '../../repositories/ways';
import { recorded } from '../courses/steps';
import { houseOf } from '../setting';

/** Saves a session's blocks, or refuses when somebody else saved first. */
export async function saveBlocks(desk: Desk, input: unknown): Promise<{ readonly version: number }> {
  authorise(desk.who, 'edit plans');
  const form = await checked(blocksForm, input);
  const blocks = await toBlocks(desk, form);
  return inOne(desk, async (at) => {
    const { date, course: of, blocks: before, cancelled } = await sessionById(at, form.session);
    if (date < at.today) throw new Refusal('late', 'What was taught stays as it was: this session is past.');
    if (cancelled) throw new Refusal('late', 'This class is cancelled.');
    return recorded(at, of, 'the change of a plan', async (now) => ({
      version: await changeClass(now, form.session, form.version, { blocks: byHand(before, blocks), ...voiceOf(form) }),
    }));
  });
}

/** The session as it stands, beside what somebody meant to save over it: both versions of a clash. */
export async function comparePlan(desk: Desk, input: unknown): Promise<PlanNow> {
  authorise(desk.who, 'edit plans');
  const form = await checked(blocksForm, input);
  const [yours, theirs, basis] = [await toBlocks(desk, form), await sessionById(desk, form.session), await houseOfSession(desk, form.session)];
  const { purpose, note } = theirs;
  const differs = [...voiceChanges({ purpose, note, ...voiceOf(form) }, theirs), ...changesBetween(yours, theirs.blocks, basis)].map(changeLine);
  return { version: theirs.version, blocks: named(theirs.blocks, basis), purpose, note, differs };
}

/** What is said of the class as a whole, where it was sent. */
function voiceOf({ purpose, note }: BlocksInput): Partial<Voice> {
  return { ...(purpose === null ? {} : { purpose: purpose.trim() }), ...(note === null ? {} : { note: note.trim() }) };
}

async function houseOfSession(desk: Desk, id: string) {
  return houseOf(desk, (await course(desk, (await sessionById(desk, id)).course)).cohort);
}

async function toBlocks(desk: Desk, form: BlocksInput): Promise<Block[]> {
  const blocks = await Promise.all(form.blocks.map((block, index) => toBlock(desk, form.session, block, index)));
  if (new Set(blocks.map(({ id }) => id)).size < blocks.length) throw invalid({ field: 'blocks', message: 'Two blocks have the same id.' });
  return blocks;
}

/** How a block is done and what is said in it, kept where it is not as usual. */
function toldIn({ setup, lines = [], note, technique, part }: BlocksInput['blocks'][number], house: House): Pick<Block, 'setup' | 'lines' | 'note'> {
  const known = technique ? house.library.find(technique) : house.library.findPart(part ?? '');
  const usual = known && usualSetup(technique ? { kind: 'technique', technique } : { kind: 'rest', part: part ?? '' }, house);
  const same = setup === null || setup === undefined || (usual && setupText(setup) === setupText(usual));
  return { ...(same ? {} : { setup }), ...(lines.length > 0 ? { lines } : {}), ...(note ? { note } : {}) };
}

async function toBlock(desk: Desk, session: string, block: BlocksInput['blocks'][number], index: number): Promise<Block> {
  const house = await houseOfSession(desk, session);
  const { schools, library } = house;
  const told = toldIn(block, house);
  if (block.technique && block.pattern && block.dose && block.tempo) {
    const { id, technique } = block;
    if (!library.find(technique)) throw invalid({ field: `blocks[${index}].technique`, message: 'No such technique.' });
    const written = writtenOut(block.pattern, block.dose, schools, technique);
    const plain = { id, kind: 'technique' as const, technique, ...written, tempo: Math.round(block.tempo), ...told };
    if (!block.own) return plain;
    const own = await ownWay(desk, block.own.id, block.own.number);
    if (own?.base !== technique) throw invalid({ field: 'blocks', message: 'This way of doing it is not part of your studio.' });
    return { ...plain, own: { id: own.id, number: own.number, name: own.name } };
  }
  const part = block.part ? library.findPart(block.part) : null;
  if (!part || !block.minutes) throw invalid({ field: `blocks[${index}]`, message: 'A block is a technique or a part.' });
  return { id: block.id, kind: part.kind, part: part.id, minutes: block.minutes, ...told };
}
