import { blockName, blockTime, sessionTime, techniquesIn, type Basis, type Block, type TechniqueBlock } from '../plan';
import type { IsoDate } from '../units';
import { isQualified, lacking, type Qualification } from './qualified';

/** Somebody who could take a class. */
export interface Candidate {
  readonly id: string;
  readonly name: string;
  readonly qualifications: readonly Qualification[];
}

/** A class that needs cover, and what could stand in it instead. */
export interface Covered {
  readonly date: IsoDate;
  readonly minutes: number;
  readonly blocks: readonly Block[];
  /** What the cohort knows, each as it practised it last. */
  readonly known: readonly TechniqueBlock[];
}

/** A change that makes somebody able to teach a class. */
export interface CoverChange {
  readonly teacher: string;
  readonly blocks: readonly Block[];
  /** Milliseconds of the plan that are something else then. */
  readonly changed: number;
  readonly replaced: readonly { readonly from: string; readonly to: string; readonly minutes: number }[];
}

/**
 * The smallest change of a class that makes somebody able to teach it: exactly the blocks they are not qualified for give way, each
 * to something the cohort knows and they may teach, one thing once, so that the class keeps its length as nearly as can be and fits
 * its hour; natural breath stands where nothing does. Worked out over every choice.
 * @returns null when nothing has to change, or nothing of the class would be left of what is practised
 * @example smallestChange(covered, brid, basis, newId)?.replaced // [{ from: '27 pumps', to: 'Longer exhale 4:6', minutes: 9 }]
 */
export function smallestChange(
  { date, minutes, blocks, known }: Covered,
  { id, qualifications }: Candidate,
  basis: Basis,
  newId: () => string,
): CoverChange | null {
  const { library } = basis;
  const may = ({ technique }: TechniqueBlock) => isQualified(qualifications, library.technique(technique).family, date);
  const out = techniquesIn(blocks).filter((block) => !may(block));
  if (out.length === 0) return null;
  const stays = new Set(
    techniquesIn(blocks)
      .filter(may)
      .map(({ technique }) => technique),
  );
  const choices = known.filter((block) => may(block) && !stays.has(block.technique));
  const room = minutes * 60_000 - sessionTime(blocks, basis);
  const times = new Map([...out, ...choices].map((block) => [block, blockTime(block, basis)]));
  let best: { readonly natural: number; readonly apart: number; readonly chosen: readonly (TechniqueBlock | null)[] } | null = null;
  const walk = (chosen: readonly (TechniqueBlock | null)[], natural: number, apart: number, by: number): void => {
    if (best && (natural > best.natural || (natural === best.natural && apart >= best.apart))) return;
    if (chosen.length === out.length) {
      if (by <= Math.max(0, room)) best = { natural, apart, chosen };
      return;
    }
    const own = times.get(out[chosen.length])!;
    const free = choices.filter((choice) => !chosen.includes(choice));
    for (const choice of free.sort((a, b) => Math.abs(times.get(a)! - own) - Math.abs(times.get(b)! - own))) {
      const more = times.get(choice)! - own;
      walk([...chosen, choice], natural, apart + Math.abs(more), by + more);
    }
    walk([...chosen, null], natural + 1, apart, by);
  };
  walk([], 0, 0, 0);
  const { chosen } = best!;
  if (chosen.every((one) => one === null) && stays.size === 0) return null;
  const replacement = new Map(out.map((block, index) => [block.id, instead(newId(), chosen[index], times.get(block)!)]));
  return {
    teacher: id,
    blocks: blocks.map((block) => replacement.get(block.id) ?? block),
    changed: out.reduce((sum, block) => sum + times.get(block)!, 0),
    replaced: out.map((block) => {
      const now = replacement.get(block.id)!;
      return { from: blockName(block, library), to: blockName(now, library), minutes: Math.round(blockTime(now, basis) / 6000) / 10 };
    }),
  };
}

/** What stands where a block stood: a block of its own, so that a plan says what was left out and what was added. */
function instead(id: string, choice: TechniqueBlock | null, time: number): Block {
  if (choice) return { id, kind: 'technique', technique: choice.technique, pattern: choice.pattern, dose: choice.dose, tempo: choice.tempo };
  return { id, kind: 'settle', part: 'settle', minutes: Math.max(0.5, Math.round(time / 30_000) / 2) };
}

/** Those who can take a class as it is, and those it would have to change for. */
export function whoCan<C extends Candidate>(candidates: readonly C[], { blocks, date }: Pick<Covered, 'blocks' | 'date'>, { library }: Basis) {
  const each = candidates.map((candidate) => ({ candidate, lacks: lacking(blocks, candidate.qualifications, date, library) }));
  return {
    able: each.filter(({ lacks }) => lacks.length === 0).map(({ candidate }) => candidate),
    unable: each.filter(({ lacks }) => lacks.length > 0),
  };
}
