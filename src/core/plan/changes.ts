import { mustParsePattern, shortPattern, type CyclePattern, type PhaseKind } from '../pattern';
import { minutesUp, readBlock, sessionTime, type Block, type TechniqueBlock } from './block';

const PHASE_NAMES: Readonly<Record<PhaseKind, string>> = { in: 'in', hold: 'hold in', out: 'out', empty: 'hold out', pause: 'pause' };

/**
 * What a later version of a plan changed, in the words of the work.
 * @example changesBetween(v1, v2) // ["4:7:8: hold in 4 → 6 counts", "Hissing exhale left out", "+2 min"]
 */
export function changesBetween(before: readonly Block[], after: readonly Block[]): string[] {
  const old = new Map(before.map((block) => [block.id, block]));
  const kept = new Set(after.map(({ id }) => id));
  const lines = [
    ...after.flatMap((block) => {
      const was = old.get(block.id);
      return was ? changesOf(was, block) : [`${readBlock(block).name} added`];
    }),
    ...before.filter(({ id }) => !kept.has(id)).map((block) => `${readBlock(block).name} left out`),
  ];
  const order = (blocks: readonly Block[]) =>
    blocks
      .map(({ id }) => id)
      .filter((id) => kept.has(id) && old.has(id))
      .join();
  if (order(before) !== order(after)) lines.push('the order changed');
  const difference = Math.round((sessionTime(after) - sessionTime(before)) / 60_000);
  if (difference !== 0) lines.push(`${difference > 0 ? '+' : '−'}${Math.abs(difference)} min`);
  return lines;
}

function changesOf(was: Block, is: Block): string[] {
  const { name } = readBlock(is);
  if (was.kind !== 'technique' || is.kind !== 'technique') {
    const [from, to] = [readBlock(was).timing.planned, readBlock(is).timing.planned];
    return from === to ? [] : [`${name}: ${minutesUp(from)} → ${minutesUp(to)} min`];
  }
  const changed = [...patternChanges(was, is)];
  if (was.dose !== is.dose) changed.push(`${was.dose} → ${is.dose}`);
  if (was.tempo !== is.tempo) changed.push(`tempo ${was.tempo / 1000} → ${is.tempo / 1000} s a count`);
  return changed.length > 0 ? [`${name}: ${changed.join(', ')}`] : [];
}

function patternChanges(was: TechniqueBlock, is: TechniqueBlock): string[] {
  if (was.pattern === is.pattern) return [];
  const [before, after] = [mustParsePattern(was.pattern), mustParsePattern(is.pattern)];
  const counts = before.kind === 'cycle' && after.kind === 'cycle' ? countChanges(before, after) : [];
  return counts.length > 0 ? counts : [`${shortPattern(before)} → ${shortPattern(after)}`];
}

/** Phase by phase, when both are the same phases with other counts. */
function countChanges(before: CyclePattern, after: CyclePattern): string[] {
  if (before.phases.map(({ kind }) => kind).join() !== after.phases.map(({ kind }) => kind).join()) return [];
  return after.phases.flatMap(({ kind, length }, index) => {
    const old = before.phases[index].length;
    return old.unit === 'counts' && length.unit === 'counts' && old.n !== length.n ? [`${PHASE_NAMES[kind]} ${old.n} → ${length.n} counts`] : [];
  });
}
