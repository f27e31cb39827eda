import type { Length, Pattern, Phase } from './types';

/**
 * The one canonical way to write a pattern; reading it back gives the same pattern.
 * @example formatPattern(value) // "4:7:8"
 */
export function formatPattern(pattern: Pattern): string {
  if (pattern.kind === 'natural') return pattern.depth;
  const sections = [
    pattern.leadIn.length > 0 ? `first ${phaseList(pattern.leadIn)}` : '',
    pattern.entry.length > 0 ? `each set ${phaseList(pattern.entry)}` : '',
    mainText(pattern),
    pattern.leadOut.length > 0 ? `last ${phaseList(pattern.leadOut)}` : '',
  ];
  return sections.filter(Boolean).join('; ');
}

function mainText(pattern: Exclude<Pattern, { kind: 'natural' }>): string {
  if (pattern.kind === 'pumps') return `${pattern.pumps} pumps at ${pattern.perMinute}`;
  if (pattern.kind === 'connected') return `connected ${pattern.shortSeconds} s, long ${pattern.longSeconds} s ${pattern.route}`;
  const parts = [ratioText(pattern.phases) ?? phaseList(pattern.phases)];
  if (pattern.alternating) parts.push('alternating');
  if (pattern.recovery) parts.push(`recover ${rangeText(pattern.recovery.low, pattern.recovery.high)}`);
  for (const lock of pattern.locks) parts.push(`lock ${lock}`);
  return parts.join(', ');
}

/** "4:4:6" when the phases are nothing but in, hold, out and empty in counts; otherwise null. */
function ratioText(phases: readonly Phase[]): string | null {
  const kinds = phases.map((phase) => phase.kind).join(' ');
  if (!['in out', 'in hold out', 'in hold out empty'].includes(kinds)) return null;
  if (!phases.every(isPlain)) return null;
  return phases.map((phase) => lengthText(phase.length)).join(':');
}

function isPlain(phase: Phase): boolean {
  return (
    phase.length.unit === 'counts' && phase.repeat === 1 && phase.side === 'both' && !phase.route && !phase.manner && !phase.nineTenths && !phase.gap
  );
}

function phaseList(phases: readonly Phase[]): string {
  return phases.map(phaseText).join(', ');
}

function phaseText(phase: Phase): string {
  const words = [
    phase.repeat > 1 ? `${phase.repeat} x` : '',
    phase.kind,
    lengthText(phase.length),
    phase.side === 'both' ? '' : phase.side,
    phase.route ?? '',
    phase.manner ?? '',
    phase.nineTenths ? 'nine tenths' : '',
    phase.gap ? `gap ${phase.gap.seconds} s${phase.gap.free ? ' free' : ''}` : '',
  ];
  return words.filter(Boolean).join(' ');
}

/** @example lengthText({ unit: 'ease', low: 3, high: 8 }) // "3-8 s" */
export function lengthText(length: Length): string {
  if (length.unit === 'counts') return String(length.n);
  return length.unit === 'seconds' ? `${length.n} s` : `${length.low}-${length.high} s`;
}

function rangeText(low: number, high: number): string {
  return low === high ? String(low) : `${low}-${high}`;
}

/**
 * A few characters for a chip: the ratio of a cycle, whatever its sides and manner.
 * @example shortPattern(value) // "4:2:6"
 */
export function shortPattern(pattern: Pattern): string {
  if (pattern.kind === 'natural') return pattern.depth;
  if (pattern.kind === 'pumps') return `${pattern.pumps} pumps`;
  if (pattern.kind === 'connected') return 'connected';
  return pattern.phases
    .filter((phase) => phase.kind !== 'pause')
    .map((phase) => lengthText(phase.length).replace(' ', ''))
    .join(':');
}
