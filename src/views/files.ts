import type { CalendarProblem, CalendarSpan, PackageProblem } from '@/core/exchange';

/** What pages are given about files that are looked through before they come in. */

/** A course of another studio. */
export interface PackagePreview {
  readonly problems: readonly PackageProblem[];
  readonly differs: readonly string[];
  readonly course: {
    readonly name: string;
    readonly weeks: number;
    readonly classes: number;
    /** Whether its classes are the days of a series. */
    readonly series: boolean;
    readonly minutes: number;
    readonly goals: readonly string[];
    /** Techniques and ways that are not here yet and come along. */
    readonly brings: readonly string[];
  } | null;
}

/** Days and hours of a calendar. */
export interface CalendarPreview {
  readonly spans: readonly CalendarSpan[];
  readonly problems: readonly CalendarProblem[];
}
