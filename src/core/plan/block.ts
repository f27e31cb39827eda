import { mustParseDose, mustParsePattern, shortPattern, type Dose, type Pattern } from '../pattern';
import type { Library } from '../library';
import type { SessionPart, Tag } from '../techniques';
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

/** A block as it was published: whatever the library says later, it keeps the name it went out with. */
export type NamedBlock = Block & { readonly name?: string };

/** What blocks are read with: the studio's library, and how long a natural breath is there. */
export interface Basis {
  readonly library: Library;
  readonly naturalBreath: Millis;
}

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

/** What a block is called: the name it was published with, the studio's own name for it, or the library's. */
export function blockName(block: NamedBlock, library: Library): string {
  if (block.name !== undefined) return block.name;
  return block.kind === 'technique' ? (block.own?.name ?? library.technique(block.technique).name) : library.part(block.part).name;
}

/** Blocks with their names written into them, to be published. */
export function named(blocks: readonly Block[], library: Library): NamedBlock[] {
  return blocks.map((block) => ({ ...block, name: blockName(block, library) }));
}

/** Reads a block of either kind; a session part is natural breathing for its minutes. */
export function readBlock(block: NamedBlock, { library, naturalBreath }: Basis): ReadBlock {
  const name = blockName(block, library);
  if (block.kind === 'technique') {
    const [pattern, dose] = [mustParsePattern(block.pattern), mustParseDose(block.dose)];
    const pace = { tempo: millis(block.tempo), naturalBreath };
    return { name, pattern, dose, pace, tags: library.technique(block.technique).of.tags, timing: timeBlock(pattern, dose, pace) };
  }
  const dose: Dose = { kind: 'minutes', minutes: block.minutes, cyclesPerRound: null, rest: null, guided: null };
  const pace = { tempo: millis(1000), naturalBreath };
  return { name, pattern: NATURAL, dose, pace, tags: library.part(block.part).tags, timing: timeBlock(NATURAL, dose, pace) };
}

/** What a block takes in the session, in milliseconds. */
export function blockTime(block: Block, basis: Basis): Millis {
  return readBlock(block, basis).timing.planned;
}

/** What a session's blocks take together. @example sessionTime(blocks, basis) / 60000 // 48.2 */
export function sessionTime(blocks: readonly Block[], basis: Basis): Millis {
  return millis(blocks.reduce((sum, block) => sum + blockTime(block, basis), 0));
}

/** The techniques of a session's blocks. */
export function techniquesIn(blocks: readonly NamedBlock[]): (TechniqueBlock & { readonly name?: string })[] {
  return blocks.filter((block) => block.kind === 'technique');
}

/** Whole minutes a person would plan for, rounded up. */
export function minutesUp(time: number): number {
  return Math.ceil(time / 60_000 - 1e-9);
}

/** The few characters of a chip: counts, or minutes where nothing is counted. */
export function chipText(block: TechniqueBlock, basis: Basis): string {
  const pattern = mustParsePattern(block.pattern);
  return pattern.kind === 'natural' ? clockText(blockTime(block, basis)) : shortPattern(pattern);
}
