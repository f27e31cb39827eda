import type { ClassLine } from '@/core/cues';
import type { DayKind, MissedRule } from '@/core/series';
import type { Effort } from '@/core/teach';
import type { IsoDate, Millis } from '@/core/units';

/** What pages are given about challenge series. */

export interface SeriesLine {
  readonly id: string;
  readonly name: string;
  readonly cohort: string;
  readonly state: 'planning' | 'running' | 'finished';
  readonly firstDate: IsoDate;
  readonly lastDate: IsoDate;
  readonly length: number;
  /** The day it is today, where it is running. */
  readonly day: number | null;
  readonly people: number;
}

/** A day of a series as it is drawn. */
export interface SeriesDayView {
  /** Of what stands in it: it goes along when the day changes places. */
  readonly id: string;
  readonly day: number;
  readonly date: IsoDate;
  readonly kind: DayKind;
  readonly practices: readonly { readonly technique: string; readonly name: string; readonly pattern: string; readonly minutes: number }[];
  readonly minutes: number;
  /** Counts of one breath, the most of the day; null where nothing is counted. */
  readonly counts: number | null;
  /** How many did it; null before it has come. */
  readonly did: number | null;
  /** How many could. */
  readonly of: number;
  /** The class it is, where it is live and planned. */
  readonly session: string | null;
  /** How many things are wrong with it. */
  readonly wrong: number;
}

/** Somebody who takes part, as whoever looks may see them. */
export interface TakingPart {
  readonly member: string;
  readonly name: string;
  readonly joinedOn: IsoDate;
  /** Days done of those that were there; null for whoever may not see it. */
  readonly did: number | null;
  readonly of: number;
  /** The day they practise today; null where there is none, or it is not theirs to see. */
  readonly ownDay: number | null;
  readonly felt: Effort | null;
  readonly mails: boolean;
  readonly address: boolean;
  readonly left: boolean;
  /** Whether they can be given an address: the studio knows them still. */
  readonly known: boolean;
  /** What called for help and nobody has answered for. */
  readonly held: readonly string[];
}

export interface Drifting {
  readonly member: string;
  readonly name: string;
  readonly why: string;
  readonly last: string;
  /** Why they are not written to now; null where they can be. */
  readonly not: string | null;
}

/** A day that was too much for somebody, and the step back that follows from it. */
export interface HardDay {
  readonly checkIn: string;
  readonly member: string;
  readonly name: string;
  readonly date: IsoDate;
  readonly what: string;
  readonly undone: boolean;
}

export interface SeriesView {
  readonly id: string;
  readonly version: number;
  readonly name: string;
  readonly cohort: { readonly id: string; readonly name: string };
  readonly teacher: { readonly id: string; readonly name: string };
  readonly firstDate: IsoDate;
  readonly lastDate: IsoDate;
  readonly start: string;
  readonly missed: MissedRule;
  readonly stoppedOn: IsoDate | null;
  /** Pauses that are not over. */
  readonly pauses: readonly { readonly from: IsoDate; readonly until: IsoDate }[];
  readonly today: number | null;
  /** How many of its days have begun: they stay as they are. */
  readonly begun: number;
  readonly state: SeriesLine['state'];
  readonly days: readonly SeriesDayView[];
  /** What each week is about, in names. */
  readonly themes: readonly string[];
  /** What stands against its days, as far as it is theirs to see who looks. */
  readonly checks: readonly { readonly severity: 'stop' | 'mend' | 'know'; readonly day: number; readonly text: string }[];
  /** What was asked for and does not come, each as a sentence with what would mend it, by its place. */
  readonly unreached: readonly {
    readonly technique: string;
    readonly text: string;
    readonly mends: readonly { readonly at: number; readonly text: string }[];
  }[];
  /** The last change, where it can be taken back or, taken back, done again. */
  readonly undo: { readonly what: string; readonly back: boolean } | null;
  readonly people: readonly TakingPart[];
  /** How it goes, for whoever may see it. */
  readonly going: {
    readonly today: number | null;
    readonly finish: { readonly expected: number; readonly low: number; readonly high: number; readonly share: number } | null;
    readonly drifting: readonly Drifting[];
    readonly hard: readonly HardDay[];
    /** Afterwards: who finished, and what to change. */
    readonly after: readonly string[];
  } | null;
  /** People of the cohort who do not take part yet. */
  readonly waiting: number;
  /** Signing up by a link, for the director. */
  readonly joining: {
    /** The link; null while it is closed. */
    readonly url: string | null;
    readonly asking: readonly { readonly member: string; readonly name: string; readonly screened: boolean }[];
  } | null;
  /** What is asked of it, while that can be changed: it is not over. */
  readonly asked: {
    readonly length: number;
    readonly from: number;
    readonly to: number;
    readonly gentleEvery: number;
    readonly live: readonly number[];
    readonly themes: readonly { readonly techniques: readonly string[]; readonly pairs: boolean }[];
  } | null;
  readonly mayEdit: boolean;
  readonly techniques: readonly { readonly id: string; readonly name: string; readonly pattern: string }[];
}

/** A practice as it runs on somebody's own page. */
export interface DayPractice {
  readonly minutes: number;
  /** What is practised, one after the other. */
  readonly parts: readonly { readonly name: string; readonly pattern: string; readonly minutes: number }[];
  readonly tempo: Millis;
  readonly line: ClassLine;
}

/** Somebody's own day. Holds nothing of anybody else, and no condition. */
export interface DayView {
  readonly person: string;
  readonly studio: string;
  readonly series: string;
  readonly date: IsoDate;
  /** The instant at which the date is another one at the studio. */
  readonly ends: string;
  /** The day they practise, from 1; null where there is none today. */
  readonly day: number | null;
  /** Why it is not the day the series has, or why there is none, as a sentence. */
  readonly says: string;
  readonly practice: DayPractice | null;
  readonly easier: DayPractice | null;
  readonly easierFirst: boolean;
  readonly minding: readonly string[];
  /** A live day: when and where to come. */
  readonly live: string | null;
  /** What they said today and yesterday. */
  readonly said: { readonly did: string; readonly felt: Effort | null } | null;
  /** Yesterday, while something can still be said of it and nothing was. */
  readonly yesterday: IsoDate | null;
  readonly ladder: readonly { readonly day: number; readonly week: number; readonly done: 'done' | 'gap' | 'ahead' }[];
  readonly did: number;
  readonly of: number;
  readonly naturalBreath: Millis;
  readonly stopSigns: readonly string[];
  readonly helpSigns: readonly string[];
  readonly emergency: string;
  readonly mails: boolean;
}
