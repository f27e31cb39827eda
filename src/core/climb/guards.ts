import {
  formatPattern,
  mustParseDose,
  mustParsePattern,
  plainPatterns,
  roomPattern,
  waysOf,
  type CyclePattern,
  type Pattern,
  type Phase,
} from '../pattern';
import { derive, holdsOf, lengthSpan, phaseSpan, timeBlock, type Pace } from '../timing';
import { millis } from '../units';
import { GROWTH_LIMITS, GUARDS, RUNG_LIMITS, type Guards } from './limits';
import { mostAfterAWeek } from './steps';

/** A dose of a technique on a day. */
export interface Done {
  readonly pattern: string;
  readonly dose: string;
  readonly pace: Pace;
}

/** What a guard stopped; lengths in seconds. */
export type GuardFinding =
  | { readonly guard: 'count jump'; readonly by: number }
  | { readonly guard: 'length jump' | 'pumps jump' | 'rest jump'; readonly from: number; readonly to: number; readonly most: number }
  | { readonly guard: 'minutes jump'; readonly from: number; readonly to: number; readonly most: number }
  | {
      readonly guard: 'hold too long' | 'hold share' | 'pace too slow' | 'layer too long' | 'closing hold';
      readonly is: number;
      readonly limit: number;
    };

/** What a technique's own rung does not allow, whatever came before. */
export function rungFindings(done: Done, rung: 1 | 2 | 3 | 4, { holdSeconds, slowestPace }: Guards = GUARDS): GuardFinding[] {
  const pattern = mustParsePattern(done.pattern);
  const facts = derive(pattern, done.pace);
  const room = roomPattern(pattern);
  const around = Math.max(...(['hold', 'empty'] as const).map((kind) => holdsOf(room, kind, done.pace.tempo).around.high)) / 1000;
  const closing =
    around > GROWTH_LIMITS.closingHoldSeconds ? [{ guard: 'closing hold', is: around, limit: GROWTH_LIMITS.closingHoldSeconds } as const] : [];
  if (!facts) return closing;
  const longest = Math.max(facts.holdIn.high, facts.holdOut.high) / 1000;
  const pace = facts.breathsPerMinute?.slow ?? Infinity;
  const limit = { hold: holdSeconds[rung - 1], share: RUNG_LIMITS.holdShare[rung - 1], pace: slowestPace[rung - 1] };
  return [
    ...(longest > limit.hold ? [{ guard: 'hold too long', is: longest, limit: limit.hold } as const] : []),
    ...(facts.holdShare > limit.share ? [{ guard: 'hold share', is: facts.holdShare, limit: limit.share } as const] : []),
    ...(pace < limit.pace ? [{ guard: 'pace too slow', is: pace, limit: limit.pace } as const] : []),
    ...closing,
  ];
}

const RUNGS = [1, 2, 3, 4] as const;
type Rung = (typeof RUNGS)[number];

/** Of a count of a second: what rung something asks for does not hang on how a studio counts. */
const PLAIN_PACE: Pace = { tempo: millis(1000), naturalBreath: millis(4000) };

/**
 * The lowest rung that allows a way of breathing, whatever it is called: by its holds, its pace, its pumps, and that of its strongest option.
 * @example rungAsked('8:8:8:8') // 4
 */
export function rungAsked(pattern: string): Rung {
  return Math.max(...waysOf(mustParsePattern(pattern)).map(({ pattern: way }) => rungOf(way))) as Rung;
}

function rungOf(way: Pattern): Rung {
  const plain = plainPatterns(way);
  if (plain.some(({ kind }) => kind === 'connected')) return 4;
  const pumps = Math.max(0, ...plain.map((one) => (one.kind === 'pumps' ? one.pumps : 0)));
  const done = { pattern: formatPattern(way), dose: '1 round', pace: PLAIN_PACE };
  const allows = (rung: Rung) => rungFindings(done, rung).every(({ guard }) => guard === 'closing hold');
  const held = RUNGS.find(allows) ?? 4;
  return pumps === 0 ? held : (Math.max(held, pumps > GROWTH_LIMITS.pumpSteps[0] ? 4 : 3) as Rung);
}

/**
 * What grew too fast inside a climb, from one practice to the next: counts, lengths, new layers, pumps, and the time all of it takes.
 * @param days between the two; a quiet week saves up one week's growth at most
 */
export function growthFindings(before: Done, after: Done, days: number, guards: Guards = GUARDS): GuardFinding[] {
  const [was, is] = [before, after].map(({ pattern }) => mustParsePattern(pattern));
  return [...breathGrowth(was, is, after.pace), ...pumpGrowth(was, is), ...timeGrowth(before, after, days, guards)];
}

/** The strongest cycle of a pattern: the one that takes longest. */
function strongest(pattern: Pattern, pace: Pace): CyclePattern | null {
  const cycles = plainPatterns(pattern).filter((plain): plain is CyclePattern => plain.kind === 'cycle');
  const time = ({ phases }: CyclePattern) => phases.reduce((sum, phase) => sum + phaseSpan(phase, pace.tempo).high, 0);
  return cycles.reduce<CyclePattern | null>((best, cycle) => (best && time(best) >= time(cycle) ? best : cycle), null);
}

function breathGrowth(before: Pattern, after: Pattern, pace: Pace): GuardFinding[] {
  const [was, is] = [strongest(before, pace), strongest(after, pace)];
  const around = AROUND.flatMap((where) => aroundGrowth(standsAt(before, where), standsAt(after, where), pace));
  if (!was || !is) return around;
  const pairs = paired(was.phases, is.phases);
  const jumps = pairs.flatMap(({ phase, old }) => (old ? growthOf(old, phase, pace) : []));
  const counts = jumps.filter((finding) => finding.guard === 'count jump');
  const inhale = Math.max(0, ...is.phases.filter(({ kind }) => kind === 'in').map((phase) => phaseSpan(phase, pace.tempo).high));
  const layers = pairs
    .filter(({ phase, old }) => !old && (phase.kind === 'hold' || phase.kind === 'empty'))
    .map(({ phase }) => phaseSpan(phase, pace.tempo).high)
    .filter((length) => length > inhale)
    .map((length) => ({ guard: 'layer too long', is: length / 1000, limit: inhale / 1000 }) as const);
  const most = counts.length > 0 ? [{ guard: 'count jump', by: Math.max(...counts.map(({ by }) => by)) } as const] : [];
  return [...around, ...most, ...jumps.filter(({ guard }) => guard !== 'count jump'), ...layers];
}

const AROUND = ['leadIn', 'entry', 'everyRound', 'leadOut'] as const;

function standsAt(pattern: Pattern, where: (typeof AROUND)[number]): readonly Phase[] {
  const room = roomPattern(pattern);
  return room.kind === 'natural' ? [] : room[where];
}

/** What stands around the rounds grows as what is in them; what is new there has its own limit. */
function aroundGrowth(before: readonly Phase[], after: readonly Phase[], pace: Pace): GuardFinding[] {
  return paired(before, after).flatMap(({ phase, old }) => (old ? growthOf(old, phase, pace) : []));
}

/** Each phase of a later pattern with the one it grew from; none where it is new. Whatever comes behind a new layer still finds its own. */
function paired(before: readonly Phase[], after: readonly Phase[]): { readonly phase: Phase; readonly old: Phase | null }[] {
  let next = 0;
  return after.map((phase) => {
    const at = before.findIndex(({ kind }, index) => index >= next && kind === phase.kind);
    // A phase that comes only after the next breath of the earlier pattern is another one's.
    const skipped = at < 0 ? [] : before.slice(next, at);
    if (at < 0 || (phase.kind !== 'in' && phase.kind !== 'out' && skipped.some(({ kind }) => kind === 'in' || kind === 'out')))
      return { phase, old: null };
    next = at + 1;
    return { phase, old: before[at] };
  });
}

type Jump = Extract<GuardFinding, { guard: 'count jump' | 'length jump' | 'pumps jump' | 'rest jump' }>;

/** One count more a step; a quarter more where lengths are in seconds, and a second more for a hold. */
function growthOf(old: Phase, phase: Phase, { tempo }: Pace): Jump[] {
  const total = ({ length, repeat }: Phase) => (lengthSpan(length, tempo).high * repeat) / 1000;
  if (old.length.unit === 'counts' && phase.length.unit === 'counts') {
    const by = phase.length.n * phase.repeat - old.length.n * old.repeat;
    return by > GROWTH_LIMITS.counts * phase.repeat ? [{ guard: 'count jump', by }] : [];
  }
  const [from, to] = [total(old), total(phase)];
  const holds = phase.kind === 'hold' || phase.kind === 'empty';
  const most = Math.max(from * (1 + GROWTH_LIMITS.secondsShare), holds ? from + GROWTH_LIMITS.holdSeconds : 0);
  return to > most + 1e-9 ? [{ guard: 'length jump', from, to, most }] : [];
}

/** Pumps go along their steps. */
function pumpGrowth(before: Pattern, after: Pattern): GuardFinding[] {
  const most = (pattern: Pattern) => Math.max(0, ...plainPatterns(pattern).map((plain) => (plain.kind === 'pumps' ? plain.pumps : 0)));
  const [from, to] = [most(before), most(after)];
  const next = GROWTH_LIMITS.pumpSteps.find((step) => step > from) ?? from;
  return from > 0 && to > next ? [{ guard: 'pumps jump', from, to, most: next }] : [];
}

/** The time it takes, whatever made it longer. */
function timeGrowth(before: Done, after: Done, days: number, guards: Guards): GuardFinding[] {
  const [from, to] = [before, after].map(({ pattern, dose, pace }) => timeBlock(mustParsePattern(pattern), mustParseDose(dose), pace).planned);
  const weeks = Math.min(1 + GROWTH_LIMITS.savedWeeks, Math.max(1, Math.floor(days / 7)));
  let most: number = from;
  for (let week = 0; week < weeks; week += 1) most = mostAfterAWeek(most, guards);
  return to > most ? [{ guard: 'minutes jump', from, to, most }] : [];
}

/** A lying rest grows by a quarter of an hour a step. Minutes in, minutes out. @example restFindings(15, 31)[0].guard // "rest jump" */
export function restFindings(from: number, to: number, { restMinutes }: Guards = GUARDS): GuardFinding[] {
  const most = from + restMinutes;
  return to > most ? [{ guard: 'rest jump', from, to, most }] : [];
}
