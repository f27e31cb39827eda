import { mustParsePattern, roomPattern, type Pattern, type Phase } from '../pattern';
import { phasesSpan } from '../timing';
import { millis } from '../units';
import { IN_STEP_LIMITS } from './limits';

/** A short pattern that ends each cycle with the room. */
export interface InStep {
  readonly cycles: number;
  readonly inhale: number;
  readonly exhale: number;
  /** Counts of natural breathing to the end of the group's cycle; never a hold. */
  readonly free: number;
}

export interface Comfort {
  readonly inhale: number | null;
  readonly exhale: number | null;
}

export const NO_COMFORT: Comfort = { inhale: null, exhale: null };

/**
 * The counts of a group's cycle without recovery breaths, whole ones at its tempo. Null when its length is open, or when
 * it isn't a cycle, so that nobody can keep step with it.
 */
function groupCounts(pattern: Pattern, tempo: number): { readonly counts: number; readonly inhale: number } | null {
  const room = roomPattern(pattern);
  if (room.kind !== 'cycle' || room.phases.some(({ length }) => length.unit === 'ease')) return null;
  const counts = (phases: readonly Phase[]) => Math.floor(phasesSpan(phases, millis(tempo)).high / tempo + 1e-9);
  return { counts: counts(room.phases), inhale: counts(room.phases.filter(({ kind }) => kind === 'in')) };
}

/**
 * Every allowed pattern that keeps in step with the room, best first: fewest free counts, inhale nearest the group's,
 * exhale ÷ inhale nearest 1.2, fewest cycles.
 * @param allowed whether screening lets this person breathe in:out at the room's tempo (no stricter than watch)
 * @example keepInStep(mustParsePattern('4:7:8'), 1000, () => true)[0] // 2 × (4:5) + 1 free
 */
export function keepInStep(pattern: Pattern, tempo: number, allowed: (pattern: Pattern) => boolean, comfort: Comfort = NO_COMFORT): InStep[] {
  const group = groupCounts(pattern, tempo);
  if (!group) return [];
  const longestIn = Math.min(IN_STEP_LIMITS.longest, comfort.inhale ?? group.inhale + IN_STEP_LIMITS.inhaleOver);
  const longestOut = Math.min(IN_STEP_LIMITS.longest, comfort.exhale ?? group.inhale + IN_STEP_LIMITS.exhaleOver);
  const found: InStep[] = [];
  for (let inhale: number = IN_STEP_LIMITS.shortestInhale; inhale <= longestIn; inhale += 1) {
    for (let exhale = inhale; exhale <= longestOut && exhale < IN_STEP_LIMITS.exhaleBelow * inhale; exhale += 1) {
      const breath = inhale + exhale;
      const tooQuick = 60_000 / (breath * tempo) > IN_STEP_LIMITS.quickest;
      if (tooQuick || breath > group.counts || !allowed(mustParsePattern(`${inhale}:${exhale}`))) continue;
      for (let cycles = 1; cycles * breath <= group.counts; cycles += 1) {
        const free = group.counts - cycles * breath;
        if (free <= group.counts * IN_STEP_LIMITS.freeShare) found.push({ cycles, inhale, exhale, free });
      }
    }
  }
  return found.sort((a, b) => compare(a, b, group.inhale));
}

function compare(a: InStep, b: InStep, groupInhale: number): number {
  return (
    a.free - b.free ||
    Math.abs(a.inhale - groupInhale) - Math.abs(b.inhale - groupInhale) ||
    // |exhale ÷ inhale − 1.2| compared in whole numbers, so that 5:7 and 3:3 tie as they should.
    Math.abs(5 * a.exhale - 6 * a.inhale) * b.inhale - Math.abs(5 * b.exhale - 6 * b.inhale) * a.inhale ||
    a.cycles - b.cycles
  );
}

/** @example inStepText({ cycles: 2, inhale: 4, exhale: 5, free: 1 }) // "2 × (4:5) + 1 free" */
export function inStepText({ cycles, inhale, exhale, free }: InStep): string {
  const breath = `${inhale}:${exhale}`;
  const breaths = cycles > 1 ? `${cycles} × (${breath})` : breath;
  return free > 0 ? `${breaths} + ${free} free` : breaths;
}
