import { adviceFor, bearingsByDate, type House, type Member } from '../instructions';
import type { Planning } from '../course';
import { formatPattern, mustParsePattern, roomPattern } from '../pattern';
import { blockName, readBlock, type NamedBlock, type TechniqueBlock } from '../plan';
import type { Doing } from '../screening';
import type { IsoDate } from '../units';
import { minutesOf } from './days';
import { easierOf } from './edits';

/** What one person practises alone on a date: as it is for them, and what to mind in it. */
export interface OwnPractice {
  readonly blocks: readonly NamedBlock[];
  /** What to mind: "chair or lying", "eyes open". Names no condition and no rule. */
  readonly minding: readonly string[];
  /** Whether it is another practice than the series has. */
  readonly changed: boolean;
}

/**
 * A day's practice as one person does it, screened for its date: what is not for them is changed or gives way to what is, and where
 * nothing is, to the natural breath. Whoever was not screened gets what the rulebook gives them.
 * @example practiceFor(person, day.blocks, date, house).blocks[0].name
 */
export function practiceFor(person: Member, blocks: readonly TechniqueBlock[], date: IsoDate, house: House): OwnPractice {
  const bearing = bearingsByDate(house.rulebook)(person, date);
  const all = blocks.map((block) => {
    const { advice } = adviceFor(person, bearing, block, house);
    const refused = advice.answer === 'leave out' || advice.answer === 'ask first';
    return { block: alone(block, advice.notThese), doing: advice.doing, minding: refused ? advice.posture : advice.words };
  });
  return {
    blocks: joined(all.map(({ block, doing }) => done(block, doing, house))),
    minding: [...new Set(all.flatMap(({ minding }) => minding))],
    changed: all.some(({ block, doing }, at) => doing.kind !== 'as taught' || block !== blocks[at]),
  };
}

/** What is the same, one after the other, is one. */
function joined(blocks: readonly (NamedBlock & TechniqueBlock)[]): NamedBlock[] {
  return blocks.reduce<(NamedBlock & TechniqueBlock)[]>((all, block) => {
    const last = all.at(-1);
    if (last?.technique !== block.technique || last.pattern !== block.pattern) return [...all, block];
    return [...all.slice(0, -1), { ...last, dose: `${minutesOf({ blocks: [last, block] })} min` }];
  }, []);
}

/** Where an option beside the room's way is not theirs, the room's way alone: at home nobody says which to leave. */
function alone(block: TechniqueBlock, notThese: readonly string[]): TechniqueBlock {
  return notThese.length === 0 ? block : { ...block, pattern: formatPattern(roomPattern(mustParsePattern(block.pattern))) };
}

/** A block as it is done by somebody alone: in step with nobody, so only the breath of what keeps in step is left of it. */
function done(block: TechniqueBlock, doing: Doing, { library }: House): NamedBlock & TechniqueBlock {
  const name = blockName(block, library);
  switch (doing.kind) {
    case 'as taught':
      return { ...block, name };
    case 'option':
    case 'adapted':
      return { ...block, pattern: doing.pattern, name };
    case 'in step': {
      const [{ inhale, exhale }] = doing.inStep;
      return { ...block, pattern: `${inhale}:${exhale}`, name: `${inhale}:${exhale}` };
    }
    case 'instead': {
      const technique = library.techniques.find((one) => one.name === doing.name)?.id ?? 'natural';
      return { ...block, technique, pattern: doing.pattern, name: doing.name };
    }
    case 'natural breath':
      return { ...block, technique: 'natural', pattern: 'natural', name: library.technique('natural').name };
  }
}

/**
 * A day's practice in fewer minutes, each part by as much in half minutes; what has no whole round in them gives way to what it grew
 * out of.
 * @example shortened(day.blocks, 2, planning) // the same, two minutes of it
 */
export function shortened(
  blocks: readonly TechniqueBlock[],
  minutes: number,
  planning: Pick<Planning, 'basis' | 'ladder' | 'taught'>,
): readonly TechniqueBlock[] {
  const all = minutesOf({ blocks });
  if (minutes >= all) return blocks;
  const parts = blocks.map((block) => Math.max(0.5, Math.floor((minutes / all) * minutesOf({ blocks: [block] }) * 2) / 2));
  const over = Math.max(0, minutes - parts.reduce((sum, part) => sum + part, 0));
  return blocks.map((block, at) => {
    let shorter = { ...block, dose: `${parts[at] + (at === 0 ? over : 0)} min` };
    while (shorter.technique !== 'natural' && !readBlock(shorter, planning.basis).timing.fits) shorter = easierOf(shorter, planning);
    return shorter;
  });
}
