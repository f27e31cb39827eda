import { blockTime, sessionTime, type Basis, type Block, type PartBlock, type TechniqueBlock } from '../plan';
import { plainPatterns } from '../pattern';
import { isSideWork, type Technique } from '../techniques';
import { partsOf, rangesOf, type Parts } from './arc';
import { ARC_FRAME } from './hour';
import { COURSE_LIMITS } from './limits';

/** Where a class stands in its course, as far as its frame hangs on it. */
export interface ClassPlace {
  /** From 0. */
  readonly at: number;
  readonly classes: number;
  /** Nothing but what everybody knows can stand yet: there is time to talk. */
  readonly talk: boolean;
}

/** A class by itself. */
const ALONE: ClassPlace = { at: 0, classes: 1, talk: false };

/**
 * Puts arriving, preparing, settling, rest and closing around a session's techniques, in the order they are taught: activating first, then up
 * the ladder, calming work last before the rest. The parts grow, each within its bounds, until the hour is full.
 */
export function frame(techniques: readonly TechniqueBlock[], minutes: number, place: ClassPlace, newId: () => string, basis: Basis): Block[] {
  const breathing = techniques.reduce((sum, block) => sum + blockTime(block, basis), 0) / MINUTE_MS;
  return around(techniques, partsOf(rangesFor(techniques, minutes, place, basis), minutes - breathing), newId, basis);
}

const isSide = ({ technique }: TechniqueBlock, { library }: Basis) => isSideWork(library.technique(technique));
const shareOf = ({ technique }: TechniqueBlock, { library }: Basis) => settleShare(library.technique(technique));

function rangesFor(techniques: readonly TechniqueBlock[], minutes: number, place: ClassPlace, basis: Basis) {
  const factor = techniques.reduce((sum, block) => sum + shareOf(block, basis), 0);
  return rangesOf(ARC_FRAME, { ...place, minutes, side: techniques.some((block) => isSide(block, basis)), factor });
}

function around(techniques: readonly TechniqueBlock[], parts: Parts, newId: () => string, basis: Basis): Block[] {
  const { library } = basis;
  const part = (id: string, minutes: number): PartBlock[] => (minutes > 0 ? [{ id: newId(), kind: library.part(id).kind, part: id, minutes }] : []);
  const ordered = [...techniques].sort((a, b) => standing(a, basis) - standing(b, basis));
  const firstSide = ordered.findIndex((block) => isSide(block, basis));
  return [
    ...part('arrive', parts.arrive),
    ...part('movement', parts.movement),
    ...ordered.flatMap((block, index) => [
      ...(index === firstSide ? part('clear-nose', parts.clear) : []),
      block,
      ...part('settle', parts.settle * shareOf(block, basis)),
    ]),
    ...part('lying-rest', parts.rest),
    ...part('close', parts.close),
  ];
}

/** What must be there whatever is taught, in milliseconds, and what one technique adds to it. */
export function frameTime(minutes: number, techniques: readonly TechniqueBlock[], basis: Basis): number {
  const least = partsOf(rangesFor(techniques, minutes, ALONE, basis), 0);
  return sessionTime(
    around(techniques, least, () => '', basis),
    basis,
  );
}

/** How much settling follows a technique, as a share of the usual: none after natural breath, five minutes after connected. */
export function settleShare({ read }: Technique): number {
  const plain = plainPatterns(read.pattern);
  if (plain.every(({ kind }) => kind === 'natural')) return 0;
  return plain.some(({ kind }) => kind === 'connected') ? COURSE_LIMITS.connectedSettleMinutes / COURSE_LIMITS.settleMinutes : 1;
}

const MINUTE_MS = 60_000;
const NATURE_ORDER = { activating: 0, even: 1, calming: 2 } as const;

function standing({ technique }: TechniqueBlock, { library }: Basis): number {
  const { nature, rung } = library.technique(technique);
  return NATURE_ORDER[nature] * 10 + rung;
}
