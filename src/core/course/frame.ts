import { isSideWork } from '../ladder';
import { sessionTime, type Block, type PartBlock, type TechniqueBlock } from '../plan';
import { partOf, techniqueOf } from '../techniques';
import type { Millis } from '../units';

/** Minutes of the shortest lying rest a draft plans, and how the rest grows over the weeks. */
const REST_BY_WEEK = [5, 5, 10, 10, 15] as const;
const SETTLE_MINUTES = 2;
/** Below this a class has no time for movement. */
const MOVEMENT_FROM = 45;

/**
 * Puts arriving, preparing, settling, rest and closing around a session's techniques, in the order they are taught:
 * activating first, then up the ladder, calming work last before the rest.
 */
export function frame(techniques: readonly TechniqueBlock[], minutes: number, week: number, newId: () => string, naturalBreath: Millis): Block[] {
  const part = (id: string, length = partOf(id).minutes): PartBlock => ({ id: newId(), kind: partOf(id).kind, part: id, minutes: length });
  const ordered = [...techniques].sort((a, b) => standing(a) - standing(b));
  const sides = ordered.some(({ technique }) => isSideWork(technique));
  const body: Block[] = [part('arrive'), ...(minutes >= MOVEMENT_FROM || sides ? [part('movement')] : [])];
  let cleared = false;
  for (const block of ordered) {
    if (isSideWork(block.technique) && !cleared) {
      body.push(part('clear-nose'));
      cleared = true;
    }
    body.push(block);
    if (techniqueOf(block.technique).read.pattern.kind !== 'natural') body.push(part('settle', SETTLE_MINUTES));
  }
  const closing = [part('lying-rest', REST_BY_WEEK[0]), part('close')];
  const room = minutes - sessionTime([...body, ...closing], naturalBreath) / 60_000;
  const wanted = REST_BY_WEEK[Math.min(week, REST_BY_WEEK.length) - 1] - REST_BY_WEEK[0];
  const rest = REST_BY_WEEK[0] + Math.max(0, Math.min(wanted, Math.floor(room)));
  return [...body, part('lying-rest', rest), closing[1]];
}

/** What must be there whatever is taught, in milliseconds, and what one technique adds to it. */
export function frameTime(minutes: number, techniques: readonly TechniqueBlock[], naturalBreath: Millis): number {
  let count = 0;
  return sessionTime(
    frame(techniques, minutes, 1, () => String((count += 1)), naturalBreath),
    naturalBreath,
  );
}

const NATURE_ORDER = { activating: 0, even: 1, calming: 2 } as const;

function standing({ technique }: TechniqueBlock): number {
  const { nature, rung } = techniqueOf(technique);
  return NATURE_ORDER[nature] * 10 + rung;
}
