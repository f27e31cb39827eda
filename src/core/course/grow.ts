import { nextCounts, nextVolume } from '../climb';
import type { TechniqueBlock } from '../plan';
import { millis, type Millis } from '../units';
import type { Goal, Planning } from './types';

/** A technique as it is first taught. */
export function newTechniqueBlock(technique: string, { taught, tempo }: Pick<Planning, 'taught' | 'tempo'>, id: string): TechniqueBlock {
  return { id, kind: 'technique', technique, ...taught(technique), tempo };
}

interface Room {
  /** Whether counts may step today: nothing else is new, and two sessions were spent on the step. */
  readonly mayStep: boolean;
  /** Whether a week has gone by since it last grew. */
  readonly aWeekOn: boolean;
  readonly naturalBreath: Millis;
}

/** One step of a block towards its goal, counts before volume, or the block as it was. */
export function growth(block: TechniqueBlock, goal: Goal, { mayStep, aWeekOn, naturalBreath }: Room): TechniqueBlock {
  const pattern = mayStep ? nextCounts(block.pattern, goal.pattern) : null;
  if (pattern) return { ...block, pattern };
  const dose = aWeekOn ? nextVolume(block.pattern, block.dose, goal.dose, { tempo: millis(block.tempo), naturalBreath }) : null;
  return dose ? { ...block, dose } : block;
}

/** Whether a technique stands at its goal's counts and dose. */
export function doseIsReached(at: { readonly pattern: string; readonly dose: string }, goal: Goal): boolean {
  return at.pattern === goal.pattern && at.dose === goal.dose;
}
