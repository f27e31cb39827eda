import { plainPatterns, waysOf, type Dose, type Lock, type Pattern, type Phase, type WholePattern } from '../pattern';
import type { Tag } from '../techniques';
import { countedPatterns, derive, holdsOf, stageSpan, timeBlock, type Pace } from '../timing';
import { SCREENING_LIMITS } from './limits';

/** What screening sees in a technique. Seconds look at the long end of every range. */
export interface Features {
  /** Anything but the natural and the gently deepened breath. */
  readonly counted: boolean;
  readonly holdInSeconds: number;
  readonly holdOutSeconds: number;
  readonly pumps: boolean;
  readonly connected: boolean;
  readonly locks: readonly Lock[];
  /** Right-in or right-only: activating. */
  readonly rightSide: boolean;
  readonly leftSide: boolean;
  /** A nostril is closed. */
  readonly sideWork: boolean;
  /** Exhale ÷ inhale; null without both. */
  readonly exhaleToInhale: number | null;
  /** The slowest breaths a minute; null when none are counted. */
  readonly pace: number | null;
  readonly mouth: boolean;
  readonly resistedExhale: boolean;
  readonly tags: readonly Tag[];
}

/** A way of breathing that a block offers, as screening sees it. */
export interface Seen {
  readonly name: string;
  readonly features: Features;
}

/** Every way of a block as screening sees it, the room's first; each is screened for itself. */
export function waysSeen(pattern: Pattern, dose: Dose, pace: Pace, tags: readonly Tag[] = []): readonly Seen[] {
  return waysOf(pattern).map(({ name, pattern: way }) => ({ name, features: featuresOf(way, dose, pace, tags) }));
}

/**
 * Derives the features of one way of breathing and its dose at a pace; seat, eyes and movements come in as tags. Lead-in, entry
 * and closing breaths are part of the practice and are looked at like the cycle; pace and ratio are the cycle's alone.
 * @example featuresOf(mustParsePattern('4:7:8'), mustParseDose('4 rounds'), pace).holdInSeconds // 7
 */
export function featuresOf(room: WholePattern, dose: Dose, pace: Pace, tags: readonly Tag[] = []): Features {
  const plain = plainPatterns(room);
  const own = countedPatterns(room);
  const around = room.kind === 'natural' ? [] : [...room.leadIn, ...room.entry, ...room.everyRound, ...room.leadOut];
  const locks = [...new Set(plain.flatMap((part) => part.locks))];
  const cycles = own.filter((part) => part.kind === 'cycle');
  const phases = [...around, ...cycles.flatMap((part) => part.phases)];
  const derived = derive(room, pace);
  const timing = timeBlock(room, dose, pace);
  const oneSided = [...around, ...asWritten(room, pace, timing.rounds * timing.cyclesPerRound)];
  const sideWork = phases.some(({ side }) => side !== 'both');
  const isStill = own.length === 0 && around.length === 0 && !tags.some((tag) => MOVING.includes(tag));
  const hold = (kind: 'hold' | 'empty') => holdsOf(room, kind, pace.tempo).anywhere.high / 1000;
  return {
    counted: own.length > 0 || around.length > 0 || locks.length > 0,
    holdInSeconds: hold('hold'),
    holdOutSeconds: hold('empty'),
    pumps: own.some(({ kind }) => kind === 'pumps'),
    connected: own.some(({ kind }) => kind === 'connected'),
    locks,
    rightSide: inhalesThrough(oneSided, 'right'),
    leftSide: inhalesThrough(oneSided, 'left'),
    sideWork,
    exhaleToInhale: derived?.exhaleToInhale ?? null,
    pace: derived?.breathsPerMinute?.slow ?? null,
    mouth: phases.some(usesMouth) || own.some((part) => part.kind === 'connected' && part.route !== 'nose'),
    resistedExhale: tags.includes('blowing the nose') || phases.some((phase) => phase.kind === 'out' && resists(phase)),
    tags: [
      ...new Set<Tag>([
        ...tags,
        ...(sideWork || phases.some(narrows) ? (['hand at the nose'] as const) : []),
        ...(isStill && timing.planned >= SCREENING_LIMITS.stillMinutes * 60_000 ? (['still 15 min'] as const) : []),
      ]),
    ],
  };
}

/** Movement is no stillness. */
const MOVING: readonly Tag[] = ['twist', 'neck circles', 'forward bend'];

/**
 * The phases whose sides stay as they are written: sides that alternate change with every cycle, and begin again with every set and
 * every stage, so that one of a single cycle never changes them.
 * @param cycles how many cycles follow each other in a set
 */
function asWritten(room: WholePattern, pace: Pace, cycles: number): readonly Phase[] {
  const phasesOf = (plain: WholePattern, played: number) => (plain.kind === 'cycle' && (!plain.alternating || played < 2) ? plain.phases : []);
  if (room.kind !== 'stages') return phasesOf(room, cycles);
  return room.stages.flatMap((stage) => {
    const { rounds, cycles: each } = stageSpan(stage, pace);
    return phasesOf(stage.pattern, rounds * each);
  });
}

function inhalesThrough(phases: readonly Phase[], side: 'left' | 'right'): boolean {
  return phases.some((phase) => phase.kind === 'in' && phase.side === side);
}

const mannersOf = ({ manner, manners }: Phase) => [manner, ...(manners ?? [])];

function usesMouth(phase: Phase): boolean {
  return phase.route === 'mouth' || phase.route === 'either' || mannersOf(phase).some((manner) => manner === 'hiss' || manner === 'sigh');
}

/** Nostrils are narrowed by a hand. */
function narrows(phase: Phase): boolean {
  return mannersOf(phase).some((manner) => manner === 'narrowed' || manner === 'narrowed throat');
}

/** Hissing, humming, a strong throat and narrowed nostrils make the breath push; the soft throat sound does not. */
function resists(phase: Phase): boolean {
  return narrows(phase) || mannersOf(phase).some((manner) => manner === 'hiss' || manner === 'hum' || manner === 'strong throat');
}

/** Half a per mille: a pace worked out from rounded phases is not "below" its limit by a rounding. */
const NEARLY = 1.0005;

/** A test of one feature, as rules name it. */
export type FeatureTest =
  | { readonly is: 'counted' | 'pumps' | 'connected' | 'right-side' | 'left-side' | 'side work' | 'mouth' | 'resisted exhale' | 'any hold' }
  | { readonly is: 'hold in' | 'hold out'; readonly overSeconds: number }
  | { readonly is: 'lock'; readonly of: readonly Lock[] }
  | { readonly is: 'exhale at least twice the inhale' | 'pace below 6' }
  | { readonly is: 'tag'; readonly of: readonly Tag[] };

/** Whether a technique has the feature a rule asks about. */
export function hasFeature(features: Features, test: FeatureTest): boolean {
  switch (test.is) {
    case 'counted':
      return features.counted;
    case 'pumps':
      return features.pumps;
    case 'connected':
      return features.connected;
    case 'right-side':
      return features.rightSide;
    case 'left-side':
      return features.leftSide;
    case 'side work':
      return features.sideWork;
    case 'mouth':
      return features.mouth;
    case 'resisted exhale':
      return features.resistedExhale;
    case 'any hold':
      return features.holdInSeconds > 0 || features.holdOutSeconds > 0;
    case 'hold in':
      return features.holdInSeconds > test.overSeconds;
    case 'hold out':
      return features.holdOutSeconds > test.overSeconds;
    case 'lock':
      return features.locks.some((lock) => test.of.includes(lock));
    case 'exhale at least twice the inhale':
      return features.exhaleToInhale !== null && features.exhaleToInhale >= SCREENING_LIMITS.longExhale;
    case 'pace below 6':
      return features.pace !== null && features.pace * NEARLY < SCREENING_LIMITS.slowPace;
    case 'tag':
      return features.tags.some((tag) => test.of.includes(tag));
  }
}

/**
 * Whether a technique stands just on the free side of a limit, so that counts spoken as much slower as they drift would cross it.
 * @example nearFeature(featuresOf(mustParsePattern('in 4, hold 7 s, out 4'), dose, pace), { is: 'hold in', overSeconds: 8 }) // true
 */
export function nearFeature(features: Features, test: FeatureTest): boolean {
  if (hasFeature(features, test)) return false;
  const near = (seconds: number, limit: number) => limit > 0 && seconds * (1 + SCREENING_LIMITS.drift) > limit;
  switch (test.is) {
    case 'hold in':
      return near(features.holdInSeconds, test.overSeconds);
    case 'hold out':
      return near(features.holdOutSeconds, test.overSeconds);
    case 'pace below 6':
      return features.pace !== null && features.pace < SCREENING_LIMITS.slowPace * (1 + SCREENING_LIMITS.drift);
    default:
      return false;
  }
}

/** How a feature is named to people. @example featureName({ is: 'hold in', overSeconds: 4 }) // "a hold of more than 4 s" */
export function featureName(test: FeatureTest): string {
  switch (test.is) {
    case 'counted':
      return 'counted breathing';
    case 'any hold':
      return 'a hold';
    case 'hold in':
      return test.overSeconds > 0 ? `a hold of more than ${test.overSeconds} s` : 'a hold after the inhale';
    case 'hold out':
      return test.overSeconds > 0 ? `an empty hold of more than ${test.overSeconds} s` : 'an empty hold';
    case 'connected':
      return 'connected breath';
    case 'right-side':
      return 'right-side breath';
    case 'left-side':
      return 'left-side breath';
    case 'lock':
      return test.of.length === 4 ? 'a held lock' : `a held ${test.of.join(' or ')} lock`;
    case 'exhale at least twice the inhale':
      return 'an exhale twice the inhale or longer';
    case 'pace below 6':
      return 'fewer than 6 breaths a minute';
    case 'tag':
      return test.of.join(', ');
    default:
      return test.is;
  }
}
