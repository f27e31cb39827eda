import { schoolsOf } from '../conventions';
import { plainPatterns, roomPattern, shortPattern, type Dose, type Pattern } from '../pattern';
import { readBlock, type Basis, type NamedBlock } from '../plan';
import type { OwnCue, Setup } from '../techniques';
import { segmentsOf, timeBlock, type BlockTiming, type Pace, type Segment } from '../timing';
import { clockText, millis, type Millis } from '../units';
import { endingCue, goesWith, openingCues } from './opening';
import { cueSheet, DEFAULT_SHEET } from './sheet';
import { stageCall } from './stages';
import type { ClassLine, LineBlock, SheetOptions } from './types';

/** What a block is on the line, before it has a place there. */
export interface Described {
  readonly id: string;
  readonly kind: NamedBlock['kind'];
  readonly name: string;
  readonly family: string;
  readonly detail: string;
  readonly own: readonly OwnCue[];
  /** Lines of the block's own, said whatever else is left out. */
  readonly lines: readonly string[];
  /** How it is done; null where nothing is said about it, as on the bench. */
  readonly setup: Setup | null;
  /** The technique it is a way of, for the studio's ways; none for a part of a session. */
  readonly technique: string | null;
  readonly pattern: Pattern;
  readonly dose: Dose;
  readonly pace: Pace;
  /** Worked out here where it is not known already. */
  readonly timing?: BlockTiming;
}

/**
 * Lays a session's blocks out in time, without a hole: what a timed dose leaves over becomes natural breath.
 * @example layOut(blocks, basis).total === sessionTime(blocks, basis) // true
 */
export function layOut(blocks: readonly NamedBlock[], basis: Basis, options: SheetOptions = DEFAULT_SHEET): ClassLine {
  return layOutAll(
    blocks.map((block) => describe(block, basis)),
    options,
  );
}

/** Lays out what has been described: a class, or one way of breathing on the bench. */
export function layOutAll(described: readonly Described[], options: SheetOptions = DEFAULT_SHEET): ClassLine {
  const laid: LineBlock[] = [];
  const segments: Segment[] = [];
  let start = 0;
  described.forEach((block, index) => {
    const { id, kind, name, family, detail, own, lines, setup, technique, pattern, dose, pace, timing = timeBlock(pattern, dose, pace) } = block;
    const end = millis(start + timing.planned);
    segmentsOf(pattern, dose, pace, { start, block: index, timing, onto: segments });
    const done = Math.max(start, segments.at(-1)?.end ?? 0);
    if (done < end) segments.push(freeUntil(end, done, index));
    const schools = schoolsOf(options.schools, technique ?? '');
    const opening = openingCues(pattern, setup, described[index - 1]?.setup ?? null, technique === null ? null : schools);
    const room = roomPattern(pattern);
    laid.push({
      id,
      kind,
      name,
      family,
      detail,
      own: [...opening, ...own.filter((cue) => goesWith(pattern, cue))],
      lines,
      ends: endingCue(pattern),
      stages: room.kind === 'stages' ? room.stages.map((stage) => shortPattern(stage.pattern)) : [],
      stageCalls: room.kind === 'stages' ? room.stages.map((stage, at) => stageCall(at > 0 ? room.stages[at - 1].pattern : null, stage.pattern)) : [],
      sided: plainPatterns(pattern).some((one) => one.kind === 'cycle' && one.phases.some(({ side }) => side !== 'both')),
      oneRoute: plainPatterns(pattern).every(({ kind }) => kind === 'connected'),
      wording: Object.fromEntries(Object.entries(options.wording).filter(([key]) => key.startsWith(`${family}/`))),
      counting: schools.counting,
      start: millis(start),
      end,
      sets: timing.sets,
      settled: dose.kind === 'minutes' && dose.settled,
      tempo: pace.tempo,
    });
    start = end;
  });
  const { cues, crowded } = cueSheet(laid, segments, options);
  return { blocks: laid, segments, cues, crowded, total: millis(start) };
}

function describe(block: NamedBlock, basis: Basis): Described {
  const { id, kind } = block;
  const { name, pattern, dose, pace, setup, timing } = readBlock(block, basis);
  const { lines = [] } = block;
  if (block.kind !== 'technique') {
    const own = basis.library.part(block.part).cues.map((say) => ({ say, when: 'any' as const }));
    const detail = clockText(timing.planned);
    return { id, kind, name, family: block.part, detail, own, lines, setup, technique: null, pattern, dose, pace, timing };
  }
  const { of } = basis.library.technique(block.technique);
  return {
    id,
    kind,
    name,
    family: of.id,
    detail: `${block.pattern} · ${block.dose}`,
    own: of.cues,
    lines,
    setup,
    technique: block.technique,
    pattern,
    dose,
    pace,
    timing,
  };
}

/** Natural breathing to the end of a block. */
function freeUntil(end: Millis, start: number, block: number): Segment {
  return {
    start: millis(start),
    end,
    part: 'natural',
    kind: null,
    counts: null,
    side: 'both',
    manner: null,
    route: null,
    long: false,
    open: false,
    say: NOTHING,
    set: 0,
    round: 0,
    cycle: 0,
    of: 0,
    stage: 0,
    guided: false,
    block,
  };
}

const NOTHING: readonly never[] = [];
