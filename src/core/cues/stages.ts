import { shortPattern, type CyclePattern, type PlainPattern } from '../pattern';

/**
 * What is said as a stage begins: what is new in it.
 * @param before the stage before it; null for the first
 * @example stageCall(mustParsePattern('4:4'), mustParsePattern('4:4:4')) // "Now with a hold"
 */
export function stageCall(before: PlainPattern | null, now: PlainPattern): string {
  switch (now.kind) {
    case 'natural':
      return now.depth === 'deepened' ? 'Deepen the breath a little' : 'Natural breath now';
    case 'pumps':
      return 'Now the pumps';
    case 'connected':
      return 'Now connected, without a pause';
    case 'cycle':
      return before?.kind === 'cycle' ? changed(before, now) : 'Now counted';
  }
}

function changed(before: CyclePattern, now: CyclePattern): string {
  const has = ({ phases }: CyclePattern, kind: 'hold' | 'empty') => phases.some((phase) => phase.kind === kind);
  const [hold, empty] = (['hold', 'empty'] as const).map((kind) => Number(has(now, kind)) - Number(has(before, kind)));
  if (hold > 0) return empty > 0 ? 'Now with both holds' : 'Now with a hold';
  if (empty > 0) return 'Now stay empty, too';
  if (hold < 0 || empty < 0) return has(now, 'hold') || has(now, 'empty') ? 'Now with one hold' : 'Now without the hold';
  const more = moreCounts(before, now);
  if (more === 1) return 'One count more';
  if (more === -1) return 'One count less';
  if (now.phases.some(({ length }) => length.unit === 'ease')) return 'Now as long as it is easy';
  const short = shortPattern(now);
  return /^[\d:]+$/.test(short) ? `Next, ${short}` : 'Now a new length';
}

/** By how much each phase that changes has more counts, where it is the same for all of them. */
function moreCounts(before: CyclePattern, now: CyclePattern): number | null {
  if (before.phases.length !== now.phases.length) return null;
  const by = now.phases.map(({ kind, length }, at) => {
    const was = before.phases[at];
    return kind === was.kind && length.unit === 'counts' && was.length.unit === 'counts' ? length.n - was.length.n : NaN;
  });
  const changes = new Set(by.filter((more) => more !== 0));
  return changes.size === 1 ? [...changes][0] : null;
}
