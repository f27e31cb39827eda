import { lighterDose, shorterHold } from '../climb';
import type { Library } from '../library';
import { techniquesIn, type Block, type TechniqueBlock } from '../plan';
import { settleShare } from './frame';
import { COURSE_LIMITS } from './limits';
import type { IsoDate } from '../units';
import { mended, type Mend } from './mends';
import type { CourseSession } from './types';

/** Why a change by hand cannot be made; worded by {@link refusedText}. */
export type Refused = 'no step' | 'block gone' | 'class gone' | 'past' | 'not a technique' | 'there already';

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
      const { id: part, kind, minutes } = library.part(mend.part);
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

/** What is done about a climb by hand: a class longer on its step, one step back, on a class sooner, a lighter next class, or holds a count shorter. */
export const STEP_ANSWERS = ['stay', 'back', 'hurry', 'lighter', 'shorter'] as const;
export type StepAnswer = (typeof STEP_ANSWERS)[number];

/**
 * A climb changed by hand in the classes that are still open: a class longer on its step, one step back, on to the next step a class
 * sooner, or lighter in the next class. What comes after moves by as many classes; what is changed is pinned.
 * @param sessions in order of time
 * @example stepped(sessions, 'longer-4-5', 'stay') // 4:5 once more in the next class, 5:6 one class later
 */
export function stepped(sessions: readonly CourseSession[], technique: string, answer: StepAnswer): Edit {
  const ways = sessions.flatMap(({ id, fixed, blocks }) =>
    techniquesIn(blocks).flatMap((block) => (block.technique === technique ? [{ id, fixed, block }] : [])),
  );
  const done = ways.filter(({ fixed }) => fixed).map(({ block }) => block);
  const open = ways.filter(({ fixed }) => !fixed);
  const kept = open.map(({ block }) => block);
  if (kept.length === 0) return { ok: false, why: 'block gone' };
  const wanted = steppedWays(done, kept, answer);
  if (!wanted) return { ok: false, why: 'no step' };
  const now = new Map(open.map(({ id, block }, index) => [id, { block, way: wanted[index] }]));
  return {
    ok: true,
    edited: sessions.flatMap(({ id, blocks }) => {
      const change = now.get(id);
      if (!change || alike(change.block, change.way)) return [];
      const { pattern, dose } = change.way;
      return [{ session: id, blocks: blocks.map((block) => (block === change.block ? { ...change.block, pattern, dose, pinned: true } : block)) }];
    }),
  };
}

type Way = Pick<TechniqueBlock, 'pattern' | 'dose'>;
const alike = (a: Way, b: Way) => a.pattern === b.pattern && a.dose === b.dose;

/** How the open classes of a climb do it then, the first first; null where there is no such step. */
function steppedWays(done: readonly Way[], open: readonly Way[], answer: StepAnswer): readonly Way[] | null {
  const last = done.at(-1) ?? open[0];
  const onStep = open.findIndex((way) => !alike(way, last));
  switch (answer) {
    case 'stay':
      return onStep < 0 ? null : [...open.slice(0, onStep), last, ...open.slice(onStep)];
    case 'back': {
      const before = done.findLast((way) => !alike(way, last));
      return before ? [before, ...(onStep === 0 ? [last] : []), ...open] : null;
    }
    case 'hurry':
      // The last class on the step gives way to the step after it.
      return onStep <= (done.length > 0 ? 0 : 1) ? null : [...open.slice(0, onStep - 1), ...open.slice(onStep), open[open.length - 1]];
    case 'shorter': {
      // What is as it was, or longer, is held no longer than that from now on.
      const pattern = shorterHold(last.pattern);
      return pattern === null ? null : open.map((way) => (alike(way, last) ? { ...way, pattern } : way));
    }
    case 'lighter':
      return [{ ...open[0], dose: lighterDose(open[0]) }, ...open.slice(1)];
  }
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
    case 'no step':
      return 'There is no such step in the classes that are still open.';
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
