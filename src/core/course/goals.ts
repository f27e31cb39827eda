import { isAtLeast } from '../climb';
import { techniquesIn, type TechniqueBlock } from '../plan';
import type { CourseSession, Goal } from './types';

/** The number of the class in which a goal was practised often enough as it should be reached; null while it was not. */
export function reachedIn(sessions: readonly CourseSession[], goal: Goal): number | null {
  let had = 0;
  for (const [at, { blocks, date }] of sessions.entries()) {
    if (goal.by && date > goal.by) return null;
    if (techniquesIn(blocks).some((block) => meets(block, goal))) had += 1;
    if (had >= goal.practise) return at + 1;
  }
  return null;
}

/** Whether a practice is what a goal asks for: its way, and at least as much of it. */
export const meets = (block: Pick<TechniqueBlock, 'technique' | 'pattern' | 'dose'>, { technique, pattern, dose }: Goal): boolean =>
  block.technique === technique && block.pattern === pattern && isAtLeast(block.dose, dose);
