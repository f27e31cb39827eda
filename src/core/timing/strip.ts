import { ONE_ROUND, roomPattern, type Pattern, type PhaseKind, type Side, type StagesPattern } from '../pattern';
import { segmentsOf, type Segment } from './segments';
import type { Pace } from './spans';

/** One rung of a strip: a stretch of time at one fullness. */
export interface StripRung {
  readonly from: number;
  readonly to: number;
  /** 0 empty to 1 full. */
  readonly level: number;
}

export interface StripPiece {
  readonly kind: PhaseKind | 'pumps' | 'natural' | 'gap' | 'recover';
  readonly from: number;
  readonly to: number;
  readonly side: Side;
  readonly open: boolean;
  readonly label: string;
  readonly rungs: readonly StripRung[];
}

/**
 * A pattern laid out for drawing, one cycle or two when sides alternate: time runs across, fullness up, every count is a rung.
 * @returns pieces in milliseconds and the whole length
 */
export function stripOf(pattern: Pattern, pace: Pace): { readonly pieces: readonly StripPiece[]; readonly length: number; readonly sided: boolean } {
  const room = roomPattern(pattern);
  if (room.kind === 'natural') return natural(pace);
  const cycles = room.kind === 'cycle' && room.alternating ? 2 : 1;
  const bare = { ...(room.kind === 'stages' ? oneOfEach(room) : room), leadIn: [], entry: [], everyRound: [], leadOut: [] };
  const segments = segmentsOf(bare, { ...ONE_ROUND, cyclesPerRound: cycles }, pace);
  // Who begins with an exhale or a hold before it begins full.
  const begins = segments.find(({ kind }) => kind === 'in' || kind === 'out' || kind === 'empty');
  let level = begins?.kind === 'out' ? 1 : 0;
  const inhales = segments.filter(({ kind }) => kind === 'in').length;
  const pieces = segments.map((segment, index): StripPiece => {
    const from = level;
    level = levelAfter(segment, level, segments, index, inhales / cycles);
    return { ...pieceOf(segment), rungs: rungsOf(segment, from, level) };
  });
  return { pieces, length: segments.at(-1)?.end ?? 1, sided: segments.some(({ side }) => side !== 'both') };
}

/** One round of every stage, so that a strip shows how they grow. */
function oneOfEach(room: StagesPattern): StagesPattern {
  return { ...room, stages: room.stages.map((stage) => ({ ...stage, amount: { unit: 'rounds', n: 1, cyclesPerRound: 1, guided: null } })) };
}

/** Two inhales in a row each fill half; an exhale empties what it shares with its neighbours. */
function levelAfter({ kind }: Segment, level: number, segments: readonly Segment[], index: number, inhales: number): number {
  if (kind === 'in') {
    const more = ahead(segments, index, 'in');
    return more > 0 ? level + (1 - level) / (more + 1) : inhales > 0 ? 1 : level;
  }
  if (kind === 'out') {
    const more = ahead(segments, index, 'out');
    return more > 0 ? (level * more) / (more + 1) : 0;
  }
  return level;
}

/** How many of the same kind follow before the breath turns. */
function ahead(segments: readonly Segment[], index: number, kind: 'in' | 'out'): number {
  let count = 0;
  for (const segment of segments.slice(index + 1)) {
    if (segment.kind === (kind === 'in' ? 'out' : 'in')) break;
    if (segment.kind === kind) count += 1;
  }
  return count;
}

function rungsOf({ kind, counts, start, end, part }: Segment, from: number, to: number): StripRung[] {
  if (part === 'changeover' || part === 'recover') return [];
  const steps = counts ?? Math.max(1, Math.round((end - start) / 1000));
  const width = (end - start) / steps;
  return Array.from({ length: kind === 'pumps' ? Math.min(steps, 40) : steps }, (_, step) => {
    const share = kind === 'out' ? step / steps : (step + 1) / steps;
    if (kind === 'pumps')
      return {
        from: start + ((end - start) * step) / Math.min(steps, 40),
        to: start + ((end - start) * (step + 0.55)) / Math.min(steps, 40),
        level: 0.5,
      };
    return { from: start + width * step, to: start + width * (step + 1), level: kind === 'in' || kind === 'out' ? from + (to - from) * share : to };
  });
}

function pieceOf({ kind, part, start, end, side, open, counts }: Segment): Omit<StripPiece, 'rungs'> {
  const shown = kind ?? (part === 'recover' ? 'recover' : 'gap');
  const seconds = Math.round((end - start) / 100) / 10;
  const label = part === 'recover' ? 'free' : part === 'changeover' ? '' : counts ? String(counts) : open ? `to ${seconds} s` : `${seconds} s`;
  return { kind: shown, from: start, to: end, side, open, label };
}

function natural(pace: Pace) {
  const length = pace.naturalBreath * 2;
  const rungs = Array.from({ length: 24 }, (_, step): StripRung => {
    const through = step / 24;
    return { from: length * through, to: length * (through + 1 / 24), level: 0.12 + 0.3 * (1 - Math.cos(through * 4 * Math.PI)) * 0.5 };
  });
  return {
    pieces: [{ kind: 'natural' as const, from: 0, to: length, side: 'both' as const, open: false, label: '', rungs }],
    length,
    sided: false,
  };
}
