import { sessionTime, type Basis, type Block, type PartBlock, type TechniqueBlock } from '../plan';
import { plainPatterns } from '../pattern';
import { isSideWork, type Technique } from '../techniques';
import { COURSE_LIMITS } from './limits';

const { restByWeek, settleMinutes, movementFrom } = COURSE_LIMITS;

/**
 * Puts arriving, preparing, settling, rest and closing around a session's techniques, in the order they are taught:
 * activating first, then up the ladder, calming work last before the rest.
 */
export function frame(techniques: readonly TechniqueBlock[], minutes: number, week: number, newId: () => string, basis: Basis): Block[] {
  const { library } = basis;
  const part = (id: string, length = library.part(id).minutes): PartBlock => ({
    id: newId(),
    kind: library.part(id).kind,
    part: id,
    minutes: length,
  });
  const side = ({ technique }: TechniqueBlock) => isSideWork(library.technique(technique));
  const ordered = [...techniques].sort((a, b) => standing(a, basis) - standing(b, basis));
  const sides = ordered.some(side);
  const body: Block[] = [part('arrive'), ...(minutes >= movementFrom || sides ? [part('movement')] : [])];
  let cleared = false;
  for (const block of ordered) {
    if (side(block) && !cleared) {
      body.push(part('clear-nose'));
      cleared = true;
    }
    body.push(block);
    const share = settleShare(library.technique(block.technique));
    if (share > 0) body.push(part('settle', settleMinutes * share));
  }
  const closing = [part('lying-rest', restByWeek[0]), part('close')];
  const room = minutes - sessionTime([...body, ...closing], basis) / 60_000;
  const wanted = restByWeek[Math.min(week, restByWeek.length) - 1] - restByWeek[0];
  const rest = restByWeek[0] + Math.max(0, Math.min(wanted, Math.floor(room)));
  return [...body, part('lying-rest', rest), closing[1]];
}

/** What must be there whatever is taught, in milliseconds, and what one technique adds to it. */
export function frameTime(minutes: number, techniques: readonly TechniqueBlock[], basis: Basis): number {
  let count = 0;
  return sessionTime(
    frame(techniques, minutes, 1, () => String((count += 1)), basis),
    basis,
  );
}

/** How much settling follows a technique, as a share of the usual: none after natural breath, five minutes after connected. */
export function settleShare({ read }: Technique): number {
  const plain = plainPatterns(read.pattern);
  if (plain.every(({ kind }) => kind === 'natural')) return 0;
  return plain.some(({ kind }) => kind === 'connected') ? COURSE_LIMITS.connectedSettleMinutes / settleMinutes : 1;
}

const NATURE_ORDER = { activating: 0, even: 1, calming: 2 } as const;

function standing({ technique }: TechniqueBlock, { library }: Basis): number {
  const { nature, rung } = library.technique(technique);
  return NATURE_ORDER[nature] * 10 + rung;
}
