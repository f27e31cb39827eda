import { formatPattern, minutesDose, roomPattern, waysOf, type Dose, type Pattern } from '../pattern';
import type { Tag } from '../techniques';
import { countedPatterns, cycleSpan, timeBlock, type Pace } from '../timing';
import { adaptationText, applyAdaptations, isPosture } from './adapt';
import { decideBlock, type Bearing, type BlockDecision } from './decide';
import { waysSeen } from './features';
import { inStepText, keepInStep, NO_COMFORT, type Comfort, type InStep } from './instep';
import { RISE_SLOWLY } from './signs';
import type { Adaptation, Answer, Decision } from './types';

/** A way of breathing as it is taught to a room. */
export interface Taught {
  readonly pattern: Pattern;
  readonly dose: Dose;
  readonly pace: Pace;
  readonly tags: readonly Tag[];
}

/** Something easier that may stand in for it: a lower rung, or an option of the same block. */
export interface Stand {
  readonly name: string;
  readonly taught: Taught;
}

/** What one person does while the room does the technique. Holds no condition: safe for every teacher. */
export type Doing =
  | { readonly kind: 'as taught' }
  | { readonly kind: 'option'; readonly name: string; readonly pattern: string }
  | { readonly kind: 'adapted'; readonly pattern: string }
  | { readonly kind: 'in step'; readonly inStep: InStep; readonly next: readonly InStep[] }
  | { readonly kind: 'instead'; readonly name: string; readonly pattern: string }
  | { readonly kind: 'natural breath' };

export interface Advice {
  readonly answer: Answer;
  readonly doing: Doing;
  /** Instructions in words: "no hold after the inhale", "eyes open". */
  readonly words: readonly string[];
  /** Those of them about seat, eyes and movement, which hold whatever is breathed instead. */
  readonly posture: readonly string[];
  /** Those, and the way the air goes: what is still to be said where it is said what to breathe. */
  readonly staying: readonly string[];
  /** Nothing is to be minded but what is said to everybody. */
  readonly asEverybody: boolean;
  /** Options of the block that are not for this person. */
  readonly notThese: readonly string[];
}

/**
 * Decides a block for a person and finds what they do, so that nobody is left with nothing: the first of its ways they may do;
 * else the adapted pattern when it keeps the room's time, else one in step, else an easier technique, else the natural breath.
 * Everything offered has been screened again and came out as watch or clear.
 */
export function advise(
  bearing: readonly Bearing[],
  taught: Taught,
  easier: readonly Stand[] = [],
  comfort: Comfort = NO_COMFORT,
): { advice: Advice; decision: BlockDecision } {
  const decision = decideBlock(bearing, waysSeen(taught.pattern, taught.dose, taught.pace, taught.tags));
  const adaptations = uniqueAdaptations(decision.own);
  const words = [...adaptations.map(adaptationText), ...notesOf(decision.own)];
  const doing = chosenWay(taught, decision) ?? whatToDo(bearing, taught, adaptations, easier, comfort);
  const posture = adaptations.filter(isPosture).map(adaptationText);
  const staying = adaptations.filter((one) => isPosture(one) || one.to === 'nose only').map(adaptationText);
  const asEverybody =
    decision.answer === 'watch' && decision.own.findings.every(({ note }) => note === RISE_SLOWLY) && decision.notThese.length === 0;
  return { decision, advice: { answer: decision.answer, doing, words, posture, staying, asEverybody, notThese: decision.notThese } };
}

/** The way of the block that a person does; null where none of them fits. */
function chosenWay({ pattern }: Taught, { way }: BlockDecision): Doing | null {
  if (way === null) return null;
  if (way === 0) return { kind: 'as taught' };
  const { name, pattern: option } = waysOf(pattern)[way];
  return { kind: 'option', name, pattern: formatPattern(option) };
}

function uniqueAdaptations(decision: Decision): Adaptation[] {
  const found = decision.findings.flatMap(({ adaptation }) => (adaptation ? [adaptation] : []));
  const covered = (one: Adaptation, other: Adaptation) =>
    (one.to === 'cap hold in' && (other.to === 'no hold in' || (other.to === 'cap hold in' && other.seconds < one.seconds))) ||
    (one.to === 'hand-free' && other.to === 'imagined sides');
  const tightest = found.filter((one) => !found.some((other) => covered(one, other)));
  return [...new Map(tightest.map((adaptation) => [adaptation.to, adaptation])).values()];
}

function notesOf(decision: Decision): string[] {
  return [...new Set(decision.findings.flatMap(({ note }) => (note ? [note] : [])))];
}

function whatToDo(
  bearing: readonly Bearing[],
  taught: Taught,
  adaptations: readonly Adaptation[],
  easier: readonly Stand[],
  comfort: Comfort,
): Doing {
  if (leftWithNoBreath(bearing, adaptations)) return { kind: 'natural breath' };
  const { adapted, inStep } = kept(bearing, taught, adaptations, comfort);
  if (adapted) return adapted;
  const [best, ...next] = inStep();
  if (best) return { kind: 'in step', inStep: best, next: next.slice(0, 2) };
  const stand = standsFor(bearing, taught, adaptations, easier)[0];
  return stand ? { kind: 'instead', name: stand.name, pattern: formatPattern(stand.taught.pattern) } : { kind: 'natural breath' };
}

/** Nose only, with a blocked nose, leaves no way to breathe but the natural breath by any route. */
function leftWithNoBreath(bearing: readonly Bearing[], adaptations: readonly Adaptation[]): boolean {
  return adaptations.some(({ to }) => to === 'nose only') && bearing.some(({ rule }) => rule.condition === 'nose');
}

const AT_THE_NOSE: readonly Tag[] = ['hand at the nose', 'blowing the nose'];

/**
 * What of the easier ones somebody may do while the room does its own, each looked at as it would be done there: at the room's pace, for
 * as long, and in the posture that person has in it beside what it asks for itself.
 */
function standsFor(bearing: readonly Bearing[], room: Taught, adaptations: readonly Adaptation[], easier: readonly Stand[]): readonly Stand[] {
  const { tags } = applyAdaptations(roomPattern(room.pattern), room.tags, adaptations, room.pace);
  const posture = tags.filter((tag) => !AT_THE_NOSE.includes(tag));
  const asLong = minutesDose(timeBlock(room.pattern, room.dose, room.pace).planned / 60_000);
  return easier
    .map(({ name, taught: { pattern, dose, tags: own } }): Stand => {
      const there = { ...asLong, cyclesPerRound: dose.cyclesPerRound };
      return { name, taught: { pattern, dose: there, pace: room.pace, tags: [...new Set([...posture, ...own])] } };
    })
    .filter(({ taught }) => permitted(bearing, taught));
}

/** What keeps the room's time: the adapted pattern when it may be done and ends each round with the room, else those in step. */
function kept(bearing: readonly Bearing[], taught: Taught, adaptations: readonly Adaptation[], comfort: Comfort) {
  const room = roomPattern(taught.pattern);
  const changed = applyAdaptations(room, taught.tags, adaptations, taught.pace);
  const passes = (pattern: Pattern, tags: readonly Tag[]) => permitted(bearing, { pattern, dose: taught.dose, pace: taught.pace, tags });
  const whole =
    changed.pattern && passes(changed.pattern, changed.tags) && sameLength(taught, changed.pattern) ? formatPattern(changed.pattern) : null;
  const adapted: Doing | null = whole === null ? null : whole === formatPattern(room) ? { kind: 'as taught' } : { kind: 'adapted', pattern: whole };
  const free = changed.tags.filter((tag) => tag !== 'hand at the nose');
  return { adapted, inStep: () => keepInStep(taught.pattern, taught.pace.tempo, (pattern) => passes(pattern, free), comfort) };
}

/** One way a person may go while the room does a technique, best first. */
export interface Offer {
  readonly kind: 'as taught' | 'in step' | 'instead';
  readonly pattern: string;
}

/**
 * Every way a person may go, best first: as taught, adapted in the room's time, in step, or an easier technique. Empty when
 * only the natural breath is left.
 */
export function offersFor(bearing: readonly Bearing[], taught: Taught, easier: readonly Stand[], comfort: Comfort): readonly Offer[] {
  const decision = decideBlock(bearing, waysSeen(taught.pattern, taught.dose, taught.pace, taught.tags));
  const room: Offer = { kind: 'as taught', pattern: formatPattern(roomPattern(taught.pattern)) };
  if (decision.way === 0) return [room];
  const adaptations = uniqueAdaptations(decision.own);
  const stands = standsFor(bearing, taught, adaptations, easier).map(({ taught: other }) => formatPattern(other.pattern));
  const options = waysOf(taught.pattern)
    .slice(1)
    .filter((way) => permitted(bearing, { ...taught, pattern: way.pattern }))
    .map((way) => formatPattern(way.pattern));
  const instead = [...options, ...stands].map((pattern) => ({ kind: 'instead' as const, pattern }));
  if (decision.way !== null) return instead;
  if (leftWithNoBreath(bearing, adaptations)) return [];
  const { adapted, inStep } = kept(bearing, taught, adaptations, comfort);
  if (adapted?.kind === 'as taught') return [room];
  return [
    ...(adapted?.kind === 'adapted' ? [{ kind: 'in step' as const, pattern: adapted.pattern }] : []),
    ...inStep().map((way) => ({ kind: 'in step' as const, pattern: inStepText(way) })),
    ...instead,
  ];
}

function permitted(bearing: readonly Bearing[], { pattern, dose, pace, tags }: Taught): boolean {
  return decideBlock(bearing, waysSeen(pattern, dose, pace, tags)).way === 0;
}

/** Whether a changed pattern still ends each cycle and each round with the room: a stage that ends with the clock hides cycles that do not. */
function sameLength({ pattern, dose, pace }: Taught, changed: Pattern): boolean {
  const cycles = (of: Pattern) => countedPatterns(of).map((plain) => cycleSpan(plain, pace).high);
  const [room, own] = [cycles(roomPattern(pattern)), cycles(changed)];
  if (room.length !== own.length || room.some((cycle, index) => cycle !== own[index])) return false;
  return timeBlock(pattern, dose, pace).round.high === timeBlock(changed, dose, pace).round.high;
}

/** What a person does, in a few words for a cell or a list. */
export function doingText(doing: Doing): string {
  switch (doing.kind) {
    case 'as taught':
      return 'as taught';
    case 'option':
      return `“${doing.name}”`;
    case 'adapted':
      return doing.pattern;
    case 'in step':
      return inStepText(doing.inStep);
    case 'instead':
      return doing.name.toLowerCase();
    case 'natural breath':
      return 'natural breath';
  }
}
