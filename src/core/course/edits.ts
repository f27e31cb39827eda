import type { Library } from '../library';
import { techniquesIn, type Block, type TechniqueBlock } from '../plan';
import { settleShare } from './frame';
import { COURSE_LIMITS } from './limits';
import type { IsoDate } from '../units';
import { mended, type Mend } from './mends';
import type { CourseSession } from './types';

/** Why a change by hand cannot be made; worded by {@link refusedText}. */
export type Refused = 'block gone' | 'class gone' | 'past' | 'not a technique' | 'there already';

/** A session with the blocks that a change by hand gives it. */
export interface Edited {
  readonly session: string;
  readonly blocks: readonly Block[];
}

export type Edit = { readonly ok: true; readonly edited: readonly Edited[] } | { readonly ok: false; readonly why: Refused };

interface Asked {
  readonly today: IsoDate;
  readonly library: Library;
  readonly newId: () => string;
}

/**
 * A mend, or a technique moved by hand, as what it makes of the sessions concerned. What is past stays as it was.
 * @example edit(sessions, { kind: 'move', block, to }, asked) // { ok: true, edited: [{ session: from, … }, { session: to, … }] }
 */
export function edit(sessions: readonly CourseSession[], mend: Mend, { today, library, newId }: Asked): Edit {
  const at = sessions.find(({ blocks }) => blocks.some(({ id }) => id === mended(mend)));
  if (!at) return { ok: false, why: 'block gone' };
  if (at.date < today) return { ok: false, why: 'past' };
  switch (mend.kind) {
    case 'move':
      return moved(
        at,
        sessions.find(({ id }) => id === mend.to),
        mend.block,
        today,
      );
    case 'shorten rest':
      return changed(at, (block) => [block.id === mend.block && block.kind !== 'technique' ? { ...block, minutes: mend.minutes } : block]);
    case 'add preparation': {
      const { id: part, kind, minutes } = library.part('clear-nose');
      return changed(at, (block) => (block.id === mend.before ? [{ id: newId(), kind, part, minutes }, block] : [block]));
    }
  }
}

function changed({ id, blocks }: CourseSession, change: (block: Block) => readonly Block[]): Edit {
  return { ok: true, edited: [{ session: id, blocks: blocks.flatMap(change) }] };
}

/** A technique goes with the settling that follows it. */
function moved(from: CourseSession, to: CourseSession | undefined, blockId: string, today: IsoDate): Edit {
  if (!to) return { ok: false, why: 'class gone' };
  if (to.date < today) return { ok: false, why: 'past' };
  if (to.id === from.id) return { ok: true, edited: [] };
  const index = from.blocks.findIndex(({ id }) => id === blockId);
  const block = from.blocks[index];
  if (block.kind !== 'technique') return { ok: false, why: 'not a technique' };
  if (to.blocks.some((other) => other.kind === 'technique' && other.technique === block.technique)) return { ok: false, why: 'there already' };
  const settling = from.blocks[index + 1]?.kind === 'settle' ? from.blocks[index + 1] : null;
  return {
    ok: true,
    edited: [
      { session: from.id, blocks: from.blocks.filter((other) => other !== block && other !== settling) },
      { session: to.id, blocks: inserted(to.blocks, [{ ...block, pinned: true }, ...(settling ? [settling] : [])]) },
    ],
  };
}

/** A technique that is known put into another class once more, as it was done last, with its settling. */
export function withReview(
  sessions: readonly CourseSession[],
  to: string,
  technique: string,
  today: IsoDate,
  library: Library,
  newId: () => string,
): Edit {
  const session = sessions.find(({ id }) => id === to);
  if (!session) return { ok: false, why: 'class gone' };
  if (session.date < today) return { ok: false, why: 'past' };
  if (techniquesIn(session.blocks).some((block) => block.technique === technique)) return { ok: false, why: 'there already' };
  const last = sessions
    .filter(({ date }) => date < session.date)
    .flatMap(({ blocks }) => techniquesIn(blocks))
    .findLast((block) => block.technique === technique);
  if (!last) return { ok: false, why: 'block gone' };
  const share = settleShare(library.technique(technique));
  const settling = { id: newId(), kind: library.part('settle').kind, part: 'settle', minutes: COURSE_LIMITS.settleMinutes * share };
  return {
    ok: true,
    edited: [{ session: to, blocks: inserted(session.blocks, [{ ...last, id: newId(), pinned: true }, ...(share > 0 ? [settling] : [])]) }],
  };
}

/** Pins a technique where it stands, as it is, or lets a draft have it again. */
export function pinned(sessions: readonly CourseSession[], block: string, pin: boolean, today: IsoDate): Edit {
  const at = sessions.find(({ blocks }) => blocks.some(({ id }) => id === block));
  if (!at) return { ok: false, why: 'block gone' };
  if (at.date < today) return { ok: false, why: 'past' };
  return changed(at, (one) => [one.id === block && one.kind === 'technique' ? { ...one, pinned: pin } : one]);
}

/**
 * Blocks saved over others, with everything pinned that was put there or set otherwise by hand.
 * @example byHand(before, after) // what has another dose than it had is pinned now
 */
export function byHand(before: readonly Block[], after: readonly Block[]): Block[] {
  return after.map((block) => {
    if (block.kind !== 'technique') return block;
    const was = before.find((one): one is TechniqueBlock => one.kind === 'technique' && one.id === block.id);
    const same = was && was.technique === block.technique && was.pattern === block.pattern && was.dose === block.dose;
    return same && !was.pinned ? block : { ...block, pinned: true };
  });
}

/** What is done about a climb after a class: it stays a class longer on its step, or goes one step back. */
export type StepAnswer = 'stay' | 'back';

/**
 * A climb kept on its step for a class more, or taken one step back, in the classes that are still open; what comes after moves on
 * by as many classes, and is pinned.
 * @param sessions in order of time
 * @example steppedBack(sessions, 'longer-4-5', 'stay') // 4:5 once more in the next class, 5:6 one class later
 */
export function steppedBack(sessions: readonly CourseSession[], technique: string, answer: StepAnswer): Edit {
  const ways = sessions.flatMap(({ id, fixed, blocks }) =>
    techniquesIn(blocks).flatMap((block) => (block.technique === technique ? [{ id, fixed, block }] : [])),
  );
  const done = ways.filter(({ fixed }) => fixed).map(({ block }) => block);
  const open = ways.filter(({ fixed }) => !fixed);
  const last = done.at(-1);
  if (!last || open.length === 0) return { ok: false, why: 'block gone' };
  const alike = (a: TechniqueBlock, b: TechniqueBlock) => a.pattern === b.pattern && a.dose === b.dose;
  const before = done.findLast((block) => !alike(block, last)) ?? last;
  const onStep = open.findIndex(({ block }) => !alike(block, last));
  const kept = open.map(({ block }) => block);
  const wanted =
    answer === 'back'
      ? [before, ...(onStep === 0 ? [last] : []), ...kept]
      : [...kept.slice(0, Math.max(0, onStep)), last, ...kept.slice(Math.max(0, onStep))];
  const now = new Map(open.map(({ id, block }, index) => [id, { ...block, pattern: wanted[index].pattern, dose: wanted[index].dose, pinned: true }]));
  return {
    ok: true,
    edited: sessions
      .filter(({ id }) => now.has(id))
      .map(({ id, blocks }) => ({
        session: id,
        blocks: blocks.map((block) => (block.kind === 'technique' && block.technique === technique ? now.get(id)! : block)),
      })),
  };
}

/** New work goes after the last technique and its settling, before the rest. */
function inserted(blocks: readonly Block[], added: readonly Block[]): Block[] {
  const last = blocks.findLastIndex((block): block is TechniqueBlock => block.kind === 'technique');
  const rest = blocks.findIndex((block) => block.kind === 'rest' || block.kind === 'close');
  const at = last >= 0 ? last + (blocks[last + 1]?.kind === 'settle' ? 2 : 1) : rest >= 0 ? rest : blocks.length;
  return [...blocks.slice(0, at), ...added, ...blocks.slice(at)];
}

/** Why a change by hand was not made. */
export function refusedText(why: Refused): string {
  switch (why) {
    case 'block gone':
      return 'This block is no longer in the course.';
    case 'class gone':
      return 'This session is not part of the course.';
    case 'past':
      return 'What was taught stays as it was: this session is past.';
    case 'not a technique':
      return 'Only a technique moves to another session.';
    case 'there already':
      return 'That session practises this technique already.';
  }
}
