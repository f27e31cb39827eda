import { mustParseDose, mustParsePattern } from '../pattern';
import { derive, timeBlock, type Pace } from '../timing';
import { mostAfterAWeek } from './steps';

/** The limits of each rung, 1 to 4. The tool's defaults; a studio sets its own. */
export const RUNG_LIMITS = {
  holdSeconds: [0, 0, 10, 30],
  holdShare: [0, 0, 0.55, 0.6],
  slowestPace: [6.5, 3.5, 2, 0],
} as const;

/** A dose of a technique on a day. */
export interface Done {
  readonly pattern: string;
  readonly dose: string;
  readonly pace: Pace;
}

export type GuardFinding =
  | { readonly guard: 'count jump'; readonly by: number }
  | { readonly guard: 'minutes jump'; readonly from: number; readonly to: number; readonly most: number }
  | { readonly guard: 'hold too long' | 'hold share' | 'pace too slow'; readonly is: number; readonly limit: number };

/** What a technique's own rung does not allow, whatever came before. */
export function rungFindings(done: Done, rung: 1 | 2 | 3 | 4): GuardFinding[] {
  const facts = derive(mustParsePattern(done.pattern), done.pace);
  if (!facts) return [];
  const longest = Math.max(facts.holdIn.high, facts.holdOut.high) / 1000;
  const pace = facts.breathsPerMinute?.slow ?? Infinity;
  const limit = { hold: RUNG_LIMITS.holdSeconds[rung - 1], share: RUNG_LIMITS.holdShare[rung - 1], pace: RUNG_LIMITS.slowestPace[rung - 1] };
  return [
    ...(longest > limit.hold ? [{ guard: 'hold too long', is: longest, limit: limit.hold } as const] : []),
    ...(facts.holdShare > limit.share ? [{ guard: 'hold share', is: facts.holdShare, limit: limit.share } as const] : []),
    ...(pace < limit.pace ? [{ guard: 'pace too slow', is: pace, limit: limit.pace } as const] : []),
  ];
}

/**
 * What grew too fast inside a climb, from one practice to the next.
 * @param days between the two; the week's growth is allowed for every week begun
 */
export function growthFindings(before: Done, after: Done, days: number): GuardFinding[] {
  const by = countGrowth(before.pattern, after.pattern);
  const [from, to] = [before, after].map(({ pattern, dose, pace }) => timeBlock(mustParsePattern(pattern), mustParseDose(dose), pace).planned);
  const weeks = Math.max(1, Math.floor(days / 7));
  let most: number = from;
  for (let week = 0; week < weeks; week += 1) most = mostAfterAWeek(most);
  // Slower counts make the same rounds longer; that is the counts' growth, not the volume's.
  const volume = before.pattern === after.pattern && to > most;
  return [...(by > 1 ? [{ guard: 'count jump', by } as const] : []), ...(volume ? [{ guard: 'minutes jump', from, to, most } as const] : [])];
}

function countGrowth(before: string, after: string): number {
  const [was, is] = [mustParsePattern(before), mustParsePattern(after)];
  if (was.kind !== 'cycle' || is.kind !== 'cycle') return 0;
  return Math.max(
    0,
    ...is.phases.map(({ kind, length }, index) => {
      const old = was.phases[index];
      return old?.kind === kind && old.length.unit === 'counts' && length.unit === 'counts' ? length.n - old.length.n : 0;
    }),
  );
}
