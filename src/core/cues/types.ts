import type { Counting, StudioSchools } from '../conventions';
import type { Block } from '../plan';
import type { OwnCue } from '../techniques';
import type { Segment } from '../timing';
import type { Millis } from '../units';
import type { Loudness, Wording } from './words';

/** One block on the time line of a class. */
export interface LineBlock {
  readonly id: string;
  readonly kind: Block['kind'];
  readonly name: string;
  /** The technique's family, or the part's id: what a studio's own wording is kept by. */
  readonly family: string;
  /** What is done and how much of it: "4:7:8 · 4 rounds". */
  readonly detail: string;
  readonly start: Millis;
  readonly end: Millis;
  readonly sets: number;
  /** The teacher ends it: its minutes are only planned. */
  readonly settled: boolean;
  /** Milliseconds a count. */
  readonly tempo: Millis;
  /** How counts are spoken in it: up, down, or by phase. */
  readonly counting: Counting;
  /** What it says besides its calls, each at its moment. */
  readonly own: readonly OwnCue[];
  /** What is said as its rounds are over. */
  readonly ends: string;
  /** Lines of the block's own. */
  readonly lines: readonly string[];
  /** What each of its stages is called; empty where there are none. */
  readonly stages: readonly string[];
  /** What is said as each of them begins. */
  readonly stageCalls: readonly string[];
  /** Whether it works with sides: both together are called then, too. */
  readonly sided: boolean;
  /** Whether its route never changes, so that it is said once, before it begins. */
  readonly oneRoute: boolean;
  /** The studio's own calls for its family. */
  readonly wording: Wording;
}

/** A whole class as time: blocks, what is done when, and what is said. Plain data, so that a device can keep it. */
export interface ClassLine {
  readonly blocks: readonly LineBlock[];
  readonly segments: readonly Segment[];
  readonly cues: readonly Cue[];
  readonly crowded: readonly Crowded[];
  readonly total: Millis;
}

/** One line to say, from one moment of the class to another. */
export interface Cue {
  readonly at: Millis;
  readonly until: Millis;
  /** Index of its block. */
  readonly block: number;
  readonly say: string;
  readonly kind: 'opening' | 'call' | 'count' | 'round' | 'cue' | 'path' | 'time' | 'stop sign' | 'rest' | 'end';
}

/** A line that could not be said in its time, and what is said instead; an empty one is left out. */
export interface Crowded {
  readonly block: number;
  readonly wanted: string;
  readonly spare: string;
}

export interface SheetOptions {
  readonly loudness: Loudness;
  /** How fast the studio's teachers speak. */
  readonly wordsPerSecond: number;
  readonly wording: Wording;
  /** A word said after every count to stretch it; empty where there is none. */
  readonly spacer: string;
  /** The ways the studio chose where schools differ. */
  readonly schools: StudioSchools;
}

export interface Sheet {
  readonly cues: readonly Cue[];
  readonly crowded: readonly Crowded[];
}
