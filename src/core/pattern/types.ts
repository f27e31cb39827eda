/** What a breath pattern is made of. Lengths stay in the unit they were written in; tempo comes later. */

export type Side = 'both' | 'left' | 'right';
/** Inhale, retention after it, exhale, retention after that, and a natural pause (never a hold). */
export type PhaseKind = 'in' | 'hold' | 'out' | 'empty' | 'pause';
export type Route = 'nose' | 'mouth' | 'either';
/** `released` is an exhale that is let go after an active inhale; `narrowed` is of the nostrils, by the hand, alone or with a throat sound. */
export type Manner = 'throat' | 'strong throat' | 'narrowed' | 'narrowed throat' | 'hiss' | 'hum' | 'sigh' | 'released';
export type Lock = 'chin' | 'throat' | 'pelvic' | 'abdominal';

/** Counts follow the tempo, seconds do not, "ease" is an open range of seconds. */
export type Length =
  | { readonly unit: 'counts'; readonly n: number }
  | { readonly unit: 'seconds'; readonly n: number }
  | { readonly unit: 'ease'; readonly low: number; readonly high: number };

/** The changeover after a phase, in seconds. A free breath in it ends a hold. */
export interface Gap {
  readonly seconds: number;
  readonly free: boolean;
}

export interface Phase {
  readonly kind: PhaseKind;
  readonly length: Length;
  /** How often the phase stands in a row. */
  readonly repeat: number;
  readonly side: Side;
  readonly route: Route | null;
  readonly manner: Manner | null;
  /** Manners that the rounds of a grid take in turn, null for an open breath; null outside a grid. */
  readonly manners: readonly (Manner | null)[] | null;
  /** Stop at nine tenths full. */
  readonly nineTenths: boolean;
  readonly gap: Gap | null;
  /** Lines to say in the phase: a path of waypoints, or what a hold asks for. */
  readonly say: readonly Said[];
}

/** A line said inside a phase. Without a time of their own, lines are spread evenly. */
export interface Said {
  readonly text: string;
  readonly atSeconds: number | null;
}

/** Breaths of recovery after a cycle; a range when "until easy". */
export interface Recovery {
  readonly low: number;
  readonly high: number;
}

interface Around {
  /** Once, before the first round. */
  readonly leadIn: readonly Phase[];
  /** Before the first round of every set. */
  readonly entry: readonly Phase[];
  /** Before every round, the first of a set too. */
  readonly everyRound: readonly Phase[];
  /** Once, after the last round. */
  readonly leadOut: readonly Phase[];
}

export interface CyclePattern extends Around {
  readonly kind: 'cycle';
  readonly phases: readonly Phase[];
  /** Left and right change places every cycle; every set begins again as written. */
  readonly alternating: boolean;
  readonly recovery: Recovery | null;
  readonly locks: readonly Lock[];
}

/** Short forced exhales with a passive inhale; one round is one run of pumps. */
export interface PumpPattern extends Around {
  readonly kind: 'pumps';
  readonly locks: readonly Lock[];
  readonly pumps: number;
  readonly perMinute: number;
}

/** No pause at either end: four short breaths and a long fifth make a round. Seconds for a whole breath. */
export interface ConnectedPattern extends Around {
  readonly kind: 'connected';
  readonly locks: readonly Lock[];
  readonly shortSeconds: number;
  readonly longSeconds: number;
  readonly route: Route;
}

/** The natural or the gently deepened breath, in its own time. */
export interface NaturalPattern {
  readonly kind: 'natural';
  readonly depth: 'natural' | 'deepened';
  /** Locks that are held through the block; with one, the breath counts as counted. */
  readonly locks: readonly Lock[];
}

/** The natural breath, as it stands in pauses, rests and parts of a session. */
export const NATURAL_BREATH: NaturalPattern = { kind: 'natural', depth: 'natural', locks: [] };

/** Ways of breathing that are not put together from others. */
export type PlainPattern = CyclePattern | PumpPattern | ConnectedPattern | NaturalPattern;

/** How long a stage lasts. */
export type Amount =
  | { readonly unit: 'rounds'; readonly n: number; readonly cyclesPerRound: number | null; readonly guided: Guided | null }
  | { readonly unit: 'seconds'; readonly n: number }
  | { readonly unit: 'minutes'; readonly n: number };

export interface Stage {
  readonly pattern: PlainPattern;
  readonly amount: Amount;
}

/** One thing after another in one block: layers, or ascending counts. One pass of all stages is one round. */
export interface StagesPattern extends Around {
  readonly kind: 'stages';
  readonly stages: readonly Stage[];
}

export type WholePattern = PlainPattern | StagesPattern;

/** Complete ways side by side, each in the time of the first. Letting go is always allowed beside them. */
export interface OptionsPattern {
  readonly kind: 'options';
  readonly options: readonly { readonly name: string | null; readonly pattern: WholePattern }[];
}

export type Pattern = WholePattern | OptionsPattern;

/** How much: sets of rounds or of minutes, and the rests. `null` cycles a round means the studio's convention. */
export type Dose = DoseTail &
  (
    | { readonly kind: 'rounds'; readonly sets: number; readonly rounds: number }
    /** Minutes of every set. Until settled, the minutes are what is planned for it and the teacher ends it. */
    | { readonly kind: 'minutes'; readonly sets: number; readonly minutes: number; readonly settled: boolean }
  );

interface DoseTail {
  readonly cyclesPerRound: number | null;
  /** At most one between rounds and one between sets. */
  readonly rests: readonly Rest[];
  readonly guided: Guided | null;
}

/** One round of as many cycles as a round has. */
export const ONE_ROUND: Extract<Dose, { kind: 'rounds' }> = { kind: 'rounds', sets: 1, rounds: 1, cyclesPerRound: null, rests: [], guided: null };

/** Nothing but minutes. @example minutesDose(5).kind // "minutes" */
export function minutesDose(minutes: number): Dose {
  return { kind: 'minutes', sets: 1, minutes, settled: false, cyclesPerRound: null, rests: [], guided: null };
}

/** How many rounds of a set are counted aloud; the others run on people's own count. */
export interface Guided {
  readonly first: number;
  /** Whether the last one is counted again. */
  readonly last: boolean;
}

export interface Rest {
  readonly low: number;
  /** The same as low, where it is no range. */
  readonly high: number;
  readonly unit: 'seconds' | 'breaths';
  readonly every: 'round' | 'set';
  /** Also after the last one. */
  readonly afterLast: boolean;
}

/** Where reading a line stopped making sense, and what was expected there. */
export interface Problem {
  readonly at: number;
  readonly length: number;
  readonly found: string;
  readonly expected: string;
  readonly suggestion: string | null;
}

export type Parsed<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly problems: readonly Problem[] };

/** A plain phase: both nostrils, nothing special. */
export function plainPhase(kind: PhaseKind, length: Length): Phase {
  return { kind, length, repeat: 1, side: 'both', route: null, manner: null, manners: null, nineTenths: false, gap: null, say: [] };
}
