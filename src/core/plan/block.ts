import { mustParseDose, mustParsePattern, shortPattern, type Dose, type Pattern } from '../pattern';
import { partOf, techniqueOf, type SessionPart, type Tag } from '../techniques';
import { timeBlock, type BlockTiming, type Pace } from '../timing';
import { clockText, millis, type Millis } from '../units';

/** A technique as it is taught in one session: canonical notation, milliseconds a count. */
export interface TechniqueBlock {
  readonly id: string;
  readonly kind: 'technique';
  readonly technique: string;
  readonly pattern: string;
  readonly dose: string;
  readonly tempo: number;
  /** The studio's own way it was taken from; missing for a shipped variant. */
  readonly own?: OwnWay;
}

/** A version of a studio's own way of doing a technique; the version never changes. */
export interface OwnWay {
  readonly id: string;
  readonly number: number;
  readonly name: string;
}

/** Arriving, preparing, settling, resting or closing, by the minute. */
export interface PartBlock {
  readonly id: string;
  readonly kind: SessionPart['kind'];
  readonly part: string;
  readonly minutes: number;
}

export type Block = TechniqueBlock | PartBlock;

/** A natural breath's length is the studio's; 4 s by default. */
export const DEFAULT_NATURAL_BREATH = millis(4000);

/** A block with its notation read and its time worked out. */
export interface ReadBlock {
  readonly name: string;
  readonly pattern: Pattern;
  readonly dose: Dose;
  readonly pace: Pace;
  readonly tags: readonly Tag[];
  readonly timing: BlockTiming;
}

const NATURAL: Pattern = { kind: 'natural', depth: 'natural' };

/** What a technique block is called: the studio's own name for it, or the library's. */
export function techniqueName({ technique, own }: Pick<TechniqueBlock, 'technique' | 'own'>): string {
  return own?.name ?? techniqueOf(technique).name;
}

/** Reads a block of either kind; a session part is natural breathing for its minutes. */
export function readBlock(block: Block, naturalBreath: Millis = DEFAULT_NATURAL_BREATH): ReadBlock {
  if (block.kind === 'technique') {
    const { of } = techniqueOf(block.technique);
    const name = techniqueName(block);
    const [pattern, dose] = [mustParsePattern(block.pattern), mustParseDose(block.dose)];
    const pace = { tempo: millis(block.tempo), naturalBreath };
    return { name, pattern, dose, pace, tags: of.tags, timing: timeBlock(pattern, dose, pace) };
  }
  const { name, tags } = partOf(block.part);
  const dose: Dose = { kind: 'minutes', minutes: block.minutes, cyclesPerRound: null, rest: null, guided: null };
  const pace = { tempo: millis(1000), naturalBreath };
  return { name, pattern: NATURAL, dose, pace, tags, timing: timeBlock(NATURAL, dose, pace) };
}

/** What a block takes in the session, in milliseconds. */
export function blockTime(block: Block, naturalBreath?: Millis): Millis {
  return readBlock(block, naturalBreath).timing.planned;
}

/** What a session's blocks take together. @example sessionTime(blocks) / 60000 // 48.2 */
export function sessionTime(blocks: readonly Block[], naturalBreath?: Millis): Millis {
  return millis(blocks.reduce((sum, block) => sum + blockTime(block, naturalBreath), 0));
}

/** Whole minutes a person would plan for, rounded up. */
export function minutesUp(time: number): number {
  return Math.ceil(time / 60_000 - 1e-9);
}

/** The few characters of a chip: counts, or minutes where nothing is counted. */
export function chipText(block: TechniqueBlock): string {
  const pattern = mustParsePattern(block.pattern);
  return pattern.kind === 'natural' ? clockText(blockTime(block)) : shortPattern(pattern);
}
