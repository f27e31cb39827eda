import { mustParsePattern, roomPattern, type Pattern, type Phase } from '../pattern';
import { breathsOf, lengthSpan, phasesSpan } from '../timing';
import { millis } from '../units';
import { IN_STEP_LIMITS } from './limits';

/** Short breaths that fit one breath of the room. */
export interface StepBreath {
  readonly cycles: number;
  readonly inhale: number;
  readonly exhale: number;
  /** Counts of natural breathing to the end of the room's breath; never a hold. */
  readonly free: number;
}

/** A pattern that ends each cycle with the room: one entry for each breath of the room's cycle, in their order. */
export type InStep = readonly StepBreath[];

export interface Comfort {
  readonly inhale: number | null;
  readonly exhale: number | null;
}

export const NO_COMFORT: Comfort = { inhale: null, exhale: null };

/** A breath of the room in whole counts at its tempo, without recovery breaths. */
interface RoomBreath {
  readonly counts: number;
  /** The longest inhale that is made in one go: no two are added up, and a changeover is no inhale. */
  readonly inhale: number;
}

/** The breaths of a room's cycle; null when one cannot keep step with it: a length is open, it is no cycle, or it begins inside a breath. */
function roomBreaths(pattern: Pattern, tempo: number): readonly RoomBreath[] | null {
  const room = roomPattern(pattern);
  if (room.kind !== 'cycle' || room.phases.some(({ length }) => length.unit === 'ease')) return null;
  const whole = (ms: number) => Math.floor(ms / tempo + 1e-9);
  const counts = (phases: readonly Phase[]) => whole(phasesSpan(phases, millis(tempo)).high);
  const inhale = (phases: readonly Phase[]) =>
    Math.max(0, ...phases.map(({ kind, length }) => (kind === 'in' ? whole(lengthSpan(length, millis(tempo)).high) : 0)));
  const breaths = breathsOf(room.phases);
  if (breaths.length > 1 && room.phases.find(({ kind }) => kind === 'in' || kind === 'out')?.kind === 'out') return null;
  return breaths.map((phases) => ({ counts: counts(phases), inhale: inhale(phases) }));
}

/**
 * Every allowed pattern that keeps in step with the room, best first: fewest free counts, inhale nearest the room's, exhale ÷ inhale
 * nearest 1.2, fewest cycles. A cycle of several breaths is matched breath by breath, each at its best; where one of them has
 * nothing that fits, nothing does.
 * @param allowed whether screening lets this person breathe in:out at the room's tempo (no stricter than watch)
 * @example keepInStep(mustParsePattern('4:7:8'), 1000, () => true)[0] // 2 × (4:5) + 1 free
 */
export function keepInStep(pattern: Pattern, tempo: number, allowed: (pattern: Pattern) => boolean, comfort: Comfort = NO_COMFORT): InStep[] {
  const breaths = roomBreaths(pattern, tempo)?.map((breath) => stepsIn(breath, tempo, allowed, comfort));
  if (!breaths || breaths.some((steps) => steps.length === 0)) return [];
  return breaths.length === 1 ? breaths[0].map((step) => [step]) : [breaths.map(([best]) => best)];
}

function stepsIn(room: RoomBreath, tempo: number, allowed: (pattern: Pattern) => boolean, comfort: Comfort): StepBreath[] {
  // Nobody breathes in longer than what they are comfortable with, nor than what is practised here and one count more.
  const longestIn = Math.min(IN_STEP_LIMITS.longest, room.inhale + IN_STEP_LIMITS.inhaleOver, comfort.inhale ?? Infinity);
  const longestOut = Math.min(IN_STEP_LIMITS.longest, comfort.exhale ?? room.inhale + IN_STEP_LIMITS.exhaleOver);
  const found: StepBreath[] = [];
  for (let inhale: number = IN_STEP_LIMITS.shortestInhale; inhale <= longestIn; inhale += 1) {
    for (let exhale = inhale; exhale <= longestOut && exhale < IN_STEP_LIMITS.exhaleBelow * inhale; exhale += 1) {
      const breath = inhale + exhale;
      const tooQuick = 60_000 / (breath * tempo) > IN_STEP_LIMITS.quickest;
      if (tooQuick || breath > room.counts || !allowed(mustParsePattern(`${inhale}:${exhale}`))) continue;
      for (let cycles = 1; cycles * breath <= room.counts; cycles += 1) {
        const free = room.counts - cycles * breath;
        if (free <= room.counts * IN_STEP_LIMITS.freeShare) found.push({ cycles, inhale, exhale, free });
      }
    }
  }
  return found.sort((a, b) => compare(a, b, room.inhale));
}

function compare(a: StepBreath, b: StepBreath, roomInhale: number): number {
  return (
    a.free - b.free ||
    Math.abs(a.inhale - roomInhale) - Math.abs(b.inhale - roomInhale) ||
    // |exhale ÷ inhale − 1.2| compared in whole numbers, so that 5:7 and 3:3 tie as they should.
    Math.abs(5 * a.exhale - 6 * a.inhale) * b.inhale - Math.abs(5 * b.exhale - 6 * b.inhale) * a.inhale ||
    a.cycles - b.cycles
  );
}

/** @example inStepText([{ cycles: 2, inhale: 4, exhale: 5, free: 1 }]) // "2 × (4:5) + 1 free" */
export function inStepText(step: InStep): string {
  return step.map(breathText).join(', then ');
}

function breathText({ cycles, inhale, exhale, free }: StepBreath): string {
  const breath = `${inhale}:${exhale}`;
  const breaths = cycles > 1 ? `${cycles} × (${breath})` : breath;
  return free > 0 ? `${breaths} + ${free} free` : breaths;
}
