import { minutesDose, mustParseDose, mustParsePattern, NATURAL_BREATH, shortPattern, waysOf, type Dose, type Pattern } from '../pattern';
import type { Library } from '../library';
import { SCREENING_LIMITS } from '../screening';
import { tagsOf, USUAL_SETUP, type Seat, type SessionPart, type Setup, type Tag } from '../techniques';
import { timeBlock, type BlockTiming, type Pace } from '../timing';
import { clockText, millis, type Millis } from '../units';

/** What any block may say beside what is breathed in it. */
interface Told {
  /** How it is done, where it is not as is usual for its technique or part. */
  readonly setup?: Setup;
  /** Lines of one's own, said in it. */
  readonly lines?: readonly string[];
  /** What the director has to say about it to whoever teaches it; nobody hears it in the room. */
  readonly note?: string;
}

/** A technique as it is taught in one session: canonical notation, milliseconds a count. */
export interface TechniqueBlock extends Told {
  readonly id: string;
  readonly kind: 'technique';
  readonly technique: string;
  readonly pattern: string;
  readonly dose: string;
  readonly tempo: number;
  /** The studio's own way it was taken from; missing for a shipped variant. */
  readonly own?: OwnWay;
  /** A draft leaves it where and as it is: put there by hand. */
  readonly pinned?: boolean;
}

/** A version of a studio's own way of doing a technique; the version never changes. */
export interface OwnWay {
  readonly id: string;
  readonly number: number;
  readonly name: string;
}

/** Arriving, preparing, settling, resting or closing, by the minute. */
export interface PartBlock extends Told {
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
  /** Where the group sits when a technique or part would have it on the floor; the floor where it is not said. */
  readonly seat?: Seat;
}

/** A block with its notation read and its time worked out. */
export interface ReadBlock {
  readonly name: string;
  readonly pattern: Pattern;
  readonly dose: Dose;
  readonly pace: Pace;
  readonly setup: Setup;
  readonly tags: readonly Tag[];
  readonly timing: BlockTiming;
}

/** What a block is called: the name it was published with, the studio's own name for it, or the library's. */
export function blockName(block: NamedBlock, library: Library): string {
  if (block.name !== undefined) return block.name;
  return block.kind === 'technique' ? (block.own?.name ?? library.technique(block.technique).name) : library.part(block.part).name;
}

/** How a block is done: as it says itself, else as its technique or part is usually done. */
export function setupOf(block: Block, basis: Pick<Basis, 'library' | 'seat'>): Setup {
  return block.setup ?? usualSetup(block, basis);
}

/** How a technique or a part is usually done by a group. */
export function usualSetup(
  block: { readonly kind: Block['kind']; readonly technique?: string; readonly part?: string },
  { library, seat = 'floor' }: Pick<Basis, 'library' | 'seat'>,
): Setup {
  const usual = block.technique ? library.technique(block.technique).setup : { ...USUAL_SETUP, ...library.part(block.part ?? '').setup };
  return usual.seat === 'floor' ? { ...usual, seat } : usual;
}

/** Blocks with their names and how they are done written into them, to be published. */
export function named(blocks: readonly Block[], basis: Pick<Basis, 'library' | 'seat'>): NamedBlock[] {
  return blocks.map((block) => ({ ...block, name: blockName(block, basis.library), setup: setupOf(block, basis) }));
}

/** Reads a block of either kind; a session part is natural breathing for its minutes. */
export function readBlock(block: NamedBlock, { library, naturalBreath, seat }: Basis): ReadBlock {
  const [name, setup] = [blockName(block, library), setupOf(block, { library, seat })];
  const tags = tagsOf(setup);
  if (block.kind === 'technique') {
    const [pattern, dose] = [mustParsePattern(block.pattern), mustParseDose(block.dose)];
    const pace = { tempo: millis(block.tempo), naturalBreath };
    return { name, pattern, dose, pace, setup, tags, timing: timeBlock(pattern, dose, pace) };
  }
  const dose = minutesDose(block.minutes);
  const pace = { tempo: millis(1000), naturalBreath };
  return { name, pattern: NATURAL_BREATH, dose, pace, setup, tags, timing: timeBlock(NATURAL_BREATH, dose, pace) };
}

/** Movement is no stillness, and neither is arriving or closing. */
const STILL_KINDS: readonly Block['kind'][] = ['technique', 'settle', 'rest'];

/**
 * Reads a session's blocks. Stillness adds up over natural breath, settling and rest in a row: where it comes to the limit, each
 * of them is a part of it.
 */
export function readSession(blocks: readonly NamedBlock[], basis: Basis): readonly ReadBlock[] {
  const read = blocks.map((block) => readBlock(block, basis));
  const isStill = (index: number) => {
    const { pattern, setup } = read[index];
    const ways = waysOf(pattern).some((way) => way.pattern.kind === 'natural');
    return STILL_KINDS.includes(blocks[index].kind) && ways && setup.moves.every((move) => move === 'palming' || move === 'rubbing hands');
  };
  const runOf = blocks.map((_, index) => index).map((index) => (isStill(index) ? index : -1));
  for (let index = 1; index < blocks.length; index += 1) if (runOf[index] >= 0 && runOf[index - 1] >= 0) runOf[index] = runOf[index - 1];
  const length = (run: number) => read.reduce((sum, { timing }, index) => (runOf[index] === run ? sum + timing.planned : sum), 0);
  return read.map((one, index) =>
    runOf[index] >= 0 && !one.tags.includes('still 15 min') && length(runOf[index]) >= SCREENING_LIMITS.stillMinutes * 60_000
      ? { ...one, tags: [...one.tags, 'still 15 min'] }
      : one,
  );
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
