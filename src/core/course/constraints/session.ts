import { restFindings } from '../../climb';
import { readBlock, sessionTime, setupOf, techniquesIn, type TechniqueBlock } from '../../plan';
import { waysSeen } from '../../screening';
import { isSideWork } from '../../techniques';
import { COURSE_LIMITS } from '../limits';
import { isNew } from './block';
import type { SessionRule } from './types';

/** What comes before side work in the same class: a look at whether both sides are free, and gentle movement. */
const PREPARES = ['movement', 'clear-nose'] as const;

/** Side work is prepared in the same class and before it. */
export const prepared: SessionRule = ({ blocks }, _, { basis }) => {
  const side = (block: TechniqueBlock) => isSideWork(basis.library.technique(block.technique));
  const first = blocks.findIndex((block) => block.kind === 'technique' && side(block));
  const block = blocks[first];
  if (block?.kind !== 'technique') return [];
  const before = new Set(blocks.slice(0, first).flatMap((one) => (one.kind === 'technique' ? [] : [one.part])));
  return PREPARES.filter((part) => !before.has(part)).map((part) => ({ finding: { code: 'not prepared', part }, block }));
};

/** At most one new thing a class. */
export const oneNewThing: SessionRule = ({ blocks }, before, planning) => {
  const news = techniquesIn(blocks).filter((block) => isNew(block, before, planning));
  if (news.length <= COURSE_LIMITS.newThings) return [];
  const names = news.map(({ technique }) => planning.basis.library.technique(technique).name);
  return [{ finding: { code: 'two new things', names }, block: null }];
};

/** The lying rest grows by small steps. */
export const restInside: SessionRule = ({ blocks }, { rest }, { guards }) => {
  const longest = Math.max(0, ...blocks.map((block) => (block.kind === 'rest' ? block.minutes : 0)));
  return rest === null ? [] : restFindings(rest, longest, guards).map((finding) => ({ finding: { code: 'guard', finding }, block: null }));
};

/** No class of a course that is planned has nothing to practise. */
export const notEmpty: SessionRule = ({ blocks, fixed }) =>
  fixed || techniquesIn(blocks).length > 0 ? [] : [{ finding: { code: 'empty' }, block: null }];

/** Nobody stands for holds, pumps or connected breath. */
export const neverStanding: SessionRule = ({ blocks }, _, { basis }) =>
  techniquesIn(blocks).flatMap((block) => {
    if (setupOf(block, basis).seat !== 'standing') return [];
    const { pattern, dose, pace, tags } = readBlock(block, basis);
    const strong = waysSeen(pattern, dose, pace, tags).some(
      ({ features }) => features.pumps || features.connected || features.holdInSeconds + features.holdOutSeconds > 0,
    );
    return strong ? [{ finding: { code: 'standing' }, block }] : [];
  });

/** Everything fits the minutes, with arriving, rests and closing. */
export const inTime: SessionRule = ({ blocks, minutes }, _, { basis }) => {
  const planned = sessionTime(blocks, basis);
  return planned > minutes * 60_000 ? [{ finding: { code: 'over time', planned, minutes }, block: null }] : [];
};
