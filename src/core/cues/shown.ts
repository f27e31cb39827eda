import { countsUp } from '../conventions';
import { clockText, millis, type Millis } from '../units';
import type { Segment } from '../timing';
import { momentAt, type Moment } from './player';
import type { ClassLine, Cue } from './types';
import { howText, ownCall, phaseText } from './words';

/** What a screen shows at a position: all that is said at that moment, and what stays. */
export interface Shown extends Moment {
  /** The line to say, from shortly before it is due until the next one replaces it. */
  readonly line: string | null;
  /** The line after it, and how long until it is due. */
  readonly then: { readonly say: string; readonly in: Millis } | null;
  /** What is done, in the studio's own words where it has some. */
  readonly word: string;
  /** How it is done: the route, the manner, the hand, for as long as it is easy, on whose count. */
  readonly how: readonly string[];
  /** Which way is counted; null where nothing is. */
  readonly counting: 'up' | 'down' | null;
  /** Where the block stands: its round, its set, its stage, the breath of the round. */
  readonly place: readonly string[];
}

/** Lines that stand by themselves; calls, counts and rounds are what the screen is made of. */
const LINES = new Set<Cue['kind']>(['opening', 'cue', 'path', 'stop sign', 'end']);
/** How long before it is due a line is shown, in milliseconds. */
const SHOWN_BEFORE = 2000;

/**
 * Reads the line at a position as a screen shows it; null for a class without blocks.
 * @example shownAt(line, 61_000)?.word // "Out, right"
 */
export function shownAt(line: ClassLine, position: number): Shown | null {
  const moment = momentAt(line, position);
  if (!moment) return null;
  const { block, segment, count } = moment;
  const own = ownCall(block.wording, block.family, segment);
  const lines = linesOf(line);
  // Before it is due the one before it is said to its end.
  const due = lines.findLastIndex(({ at }, index) => at <= position || (at - SHOWN_BEFORE <= position && (lines[index - 1]?.until ?? 0) <= position));
  const now = lines[due];
  const next = lines[due + 1];
  // What was said of a block that is over is over, too; how the next one begins is not.
  const stays = now && (now.block === segment.block || now.kind === 'opening' || now.kind === 'end' || now.at > position);
  return {
    ...moment,
    line: stays ? now.say : null,
    then: next ? { say: next.say, in: millis(next.at - position) } : null,
    word: own ?? wordOf(moment),
    // The phase's own name is what is called where the studio's words take too long.
    how: [
      ...(own === null ? [] : [phaseText(segment, block.sided).toLowerCase()]),
      ...howText(segment, moment.hand),
      ...(isOwnCount(segment) ? ['on your own count'] : []),
    ],
    counting: count === null || !segment.kind ? null : countsUp(segment.kind, block.counting) ? 'up' : 'down',
    place: placeOf(line, moment),
  };
}

const kept = new WeakMap<ClassLine, readonly Cue[]>();

/** The lines of a class, worked out once: a screen asks at every frame. */
function linesOf(line: ClassLine): readonly Cue[] {
  const found = kept.get(line) ?? line.cues.filter(({ kind }) => LINES.has(kind));
  kept.set(line, found);
  return found;
}

const isOwnCount = ({ part, guided, kind }: Segment): boolean => part === 'round' && !guided && kind !== null;

function wordOf({ block, segment }: Moment): string {
  if (segment.kind === null && segment.part === 'natural' && block.kind !== 'technique') return block.name;
  return phaseText(segment, block.sided);
}

function placeOf({ segments }: ClassLine, { block, segment, index }: Moment): string[] {
  const { round, of, set, stage, part, cycle } = segment;
  if (part === 'lead-out') return ['to close'];
  const begins = stage > 0 && round <= 1 ? [block.stageCalls[stage - 1]] : [];
  if (round === 0 || of === 0) return begins;
  const isLastStage = stage === 0 || stage === block.stages.length;
  let end = index;
  while (isSameRound(segments[end + 1], segment)) end += 1;
  const cycles = segments[end].cycle;
  return [
    `round ${round} of ${of}`,
    ...(round === of && of > 1 ? [isLastStage ? 'last round' : 'once more like this'] : []),
    ...(cycles > 1 && cycle > 0 ? [`breath ${cycle} of ${cycles}`] : []),
    ...(block.sets > 1 && set > 0 ? [`set ${set} of ${block.sets}`] : []),
    ...(stage > 0 ? [block.stages[stage - 1]] : []),
    ...begins,
  ];
}

const isSameRound = (one: Segment | undefined, other: Segment): boolean =>
  one !== undefined && one.block === other.block && one.set === other.set && one.stage === other.stage && one.round === other.round;

/** How long is left, as the screen says it. @example leftText({ leftInBlock: millis(158_000) }) // "2 min 38 s left here" */
export const leftText = ({ leftInBlock }: Pick<Moment, 'leftInBlock'>): string => `${clockText(leftInBlock)} left here`;
