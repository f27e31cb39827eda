import type { Setup } from './tags';

/** A way of breathing with its names, and everything its variants share. */
export interface Family {
  readonly id: string;
  readonly name: string;
  readonly aliases: readonly string[];
  /** One or two plain sentences. */
  readonly about: string;
  readonly rung: 1 | 2 | 3 | 4;
  readonly hours: readonly Hour[];
  readonly character: (typeof CHARACTERS)[number];
  readonly posture: Posture;
  readonly cues: readonly OwnCue[];
  readonly watchFor: readonly string[];
  readonly cautions: readonly Caution[];
  /** How it is done, where it is not as usual. */
  readonly setup?: Partial<Setup>;
  /** How much is usual, from a first class on. */
  readonly doses: string;
  /** Where practitioners do it differently; the first way is the default here. */
  readonly schools: readonly School[];
}

/** When a cue is said: before the first round, in one of its phases, in a free breath, or in any silence. */
export type CueMoment = 'opening' | 'any' | 'in' | 'hold' | 'out' | 'empty' | 'pumps' | 'recover';

/** A line of a technique's own. */
export interface OwnCue {
  readonly say: string;
  readonly when: CueMoment;
}

/** A question that schools answer each in its way. */
export interface School {
  readonly question: string;
  /** The first is what the shipped variants do. */
  readonly ways: readonly string[];
}

/** A caution never stands without its reason. */
export interface Caution {
  readonly caution: string;
  readonly reason: string;
}

export const HOURS = ['morning', 'day', 'evening'] as const;
export type Hour = (typeof HOURS)[number];
export const POSTURES = ['seated', 'lying', 'seated or lying'] as const;
export type Posture = (typeof POSTURES)[number];
export const CHARACTERS = ['calming', 'even', 'activating'] as const;

/** A studio's or tradition's way of doing a technique; notation is canonical text. */
export interface Variant {
  readonly id: string;
  readonly family: string;
  readonly name: string;
  readonly pattern: string;
  readonly dose: string;
  readonly rung: 1 | 2 | 3 | 4;
  readonly aliases?: readonly string[];
  readonly hours?: readonly Hour[];
  readonly character?: Family['character'];
}

/** A piece of a session that is not a technique. */
export interface SessionPart {
  readonly id: string;
  readonly kind: 'arrive' | 'prepare' | 'rest' | 'settle' | 'close';
  readonly name: string;
  readonly minutes: number;
  readonly cues: readonly string[];
  /** How it is done, where it is not as usual. */
  readonly setup?: Partial<Setup>;
}
