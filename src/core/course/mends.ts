import { shortfalls } from '../ladder';
import type { TechniqueBlock } from '../plan';
import { after, NOTHING_BEFORE, type Finding } from './constraints';
import { COURSE_LIMITS } from './limits';
import type { CourseSession, Planning } from './types';

/** A one-step way to mend a check. */
export type Mend =
  | { readonly kind: 'move'; readonly block: string; readonly to: string }
  | { readonly kind: 'shorten rest'; readonly block: string; readonly minutes: number }
  | { readonly kind: 'add preparation'; readonly before: string; readonly part: 'clear-nose' | 'movement' };

/** The block a mend is about. */
export function mended(mend: Mend): string {
  return mend.kind === 'add preparation' ? mend.before : mend.block;
}

/** The one step that mends a finding, or null where there is none. */
export function mendFor(
  finding: Finding,
  session: CourseSession,
  block: TechniqueBlock | null,
  ordered: readonly CourseSession[],
  planning: Planning,
): Mend | null {
  switch (finding.code) {
    case 'out of order':
    case 'too soon':
      return block && moveLater(ordered, session, block, planning);
    case 'not prepared':
      return block && { kind: 'add preparation', before: block.id, part: finding.part };
    case 'over time':
      return shorterRest(session, finding.planned);
    default:
      return null;
  }
}

/** The first later session in which the block's needs would be met, if there is one. */
function moveLater(ordered: readonly CourseSession[], from: CourseSession, block: TechniqueBlock, { ladder, already }: Planning): Mend | null {
  let before = NOTHING_BEFORE;
  for (const session of ordered) {
    const open = session.date > from.date && !session.fixed;
    if (open && shortfalls(ladder, block.technique, session.date, before.practised, already).length === 0)
      return { kind: 'move', block: block.id, to: session.id };
    before = after(before, session);
  }
  return null;
}

/** A shorter lying rest, when enough of it remains. */
function shorterRest(session: CourseSession, planned: number): Mend | null {
  const over = Math.ceil((planned - session.minutes * 60_000) / 60_000);
  const rest = session.blocks.find((block) => block.kind === 'rest' && block.minutes - over >= COURSE_LIMITS.shortestRest);
  return rest?.kind === 'rest' ? { kind: 'shorten rest', block: rest.id, minutes: rest.minutes - over } : null;
}
