import { formatDose, mustParseDose } from '../pattern';
import { blockTime, sessionTime, type Basis, type Block } from './block';

/** A lying rest is not cut below this, in minutes; settling not below a minute. */
const LEAST = { rest: 5, settle: 1, arrive: 1, prepare: 1, close: 1 } as const;

/**
 * Shortens what is still ahead of a class so that it ends in time: first the rest down to five minutes and the settling
 * down to one, then techniques down to half their dose from the last one back, then whole techniques left out, last first.
 * Closing is kept. What has begun is never touched, and no round is cut.
 * @param begun index of the block that is running; it and those before it stay
 * @param over how many milliseconds too long the class is
 * @returns the shorter blocks, and what is still over
 * @example shortenTo(blocks, 3, 120_000, basis).over // 0
 */
export function shortenTo(
  blocks: readonly Block[],
  begun: number,
  over: number,
  basis: Basis,
): { readonly blocks: readonly Block[]; readonly over: number } {
  let now = [...blocks];
  const wanted = sessionTime(blocks, basis) - over;
  const stillOver = () => Math.max(0, sessionTime(now, basis) - wanted);
  for (const cut of [trimPart, halveTechnique, leaveOut]) {
    for (let index = now.length - 1; index > begun && stillOver() > 0; index -= 1) now = cut(now, index, stillOver(), basis);
  }
  return { blocks: now, over: stillOver() };
}

type Cut = (blocks: Block[], index: number, over: number, basis: Basis) => Block[];

const trimPart: Cut = (blocks, index, over) => {
  const block = blocks[index];
  if (block.kind !== 'rest' && block.kind !== 'settle') return blocks;
  const minutes = Math.max(Math.min(block.minutes, LEAST[block.kind]), Math.floor((block.minutes - over / 60_000) * 2) / 2);
  return blocks.with(index, { ...block, minutes });
};

const halveTechnique: Cut = (blocks, index, over, basis) => {
  const block = blocks[index];
  if (block.kind !== 'technique') return blocks;
  const dose = mustParseDose(block.dose);
  const full = dose.kind === 'minutes' ? dose.minutes * 2 : dose.rounds;
  const whole = blockTime(block, basis);
  for (let less = full - 1; less >= Math.ceil(full / 2); less -= 1) {
    const shorter = { ...block, dose: formatDose(dose.kind === 'minutes' ? { ...dose, minutes: less / 2 } : { ...dose, rounds: less }) };
    if (whole - blockTime(shorter, basis) >= over || less === Math.ceil(full / 2)) return blocks.with(index, shorter);
  }
  return blocks;
};

/** A technique goes with the settling that follows it. */
const leaveOut: Cut = (blocks, index) => {
  if (blocks[index]?.kind !== 'technique') return blocks;
  return blocks.toSpliced(index, blocks[index + 1]?.kind === 'settle' ? 2 : 1);
};
