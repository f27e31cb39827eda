import type { AsideLine } from './person';
import type { Advice, Answer, Opening, Standing, Track } from '@/core/screening';
import type { IsoDate } from '@/core/units';

/** What pages are given about cohorts. */

/** A cohort in the list of cohorts. */
export interface CohortLine {
  readonly id: string;
  readonly name: string;
  readonly about: string;
  readonly people: number;
  /** Screenings that need doing; null for whoever does not look after them. */
  readonly due: { readonly unscreened: number; readonly over: number; readonly ending: number } | null;
}

/** One cell of the table of people × techniques. */
export interface Cell {
  readonly answer: Answer;
  readonly doing: string;
  /** Whether something is set aside in it. */
  readonly aside: boolean;
}

/** A cell that is looked at: what the person does instead, and why. */
export interface CellFocusView {
  readonly person: string;
  readonly name: string;
  readonly technique: string;
  readonly techniqueName: string;
  readonly advice: Advice;
  readonly pattern: string;
  readonly why: {
    readonly findings: readonly {
      readonly ruleId: string;
      readonly answer: Exclude<Answer, 'clear'>;
      readonly condition: string;
      readonly feature: string;
      readonly reason: string;
      readonly source: 'studio policy' | 'usual caution';
    }[];
    readonly aside: readonly AsideLine[];
    readonly next: { readonly date: IsoDate; readonly answer: Answer } | null;
    readonly would: 'clinician' | 'form' | null;
  };
}

/** The table of people × techniques for a date; the director's alone. */
export interface TableView {
  readonly date: IsoDate;
  readonly columns: readonly { readonly id: string; readonly name: string }[];
  readonly rows: readonly { readonly person: string; readonly cells: readonly Cell[] }[];
  readonly focus: CellFocusView | null;
}

/** Somebody of a cohort. */
export interface PersonLine {
  readonly id: string;
  readonly name: string;
  /** Null for whoever does not look after screenings. */
  readonly standing: Standing | null;
  /** Whether their answers cannot be opened; told to the director. */
  readonly unreadable: boolean;
}

/** A class of this cohort that is in the hands of whoever asks. */
export interface OwnClass {
  readonly id: string;
  readonly date: IsoDate;
  readonly start: string;
  readonly course: string;
}

export interface CohortView {
  readonly group: { readonly id: string; readonly name: string; readonly about: string };
  readonly people: readonly PersonLine[];
  readonly courses: readonly { readonly id: string; readonly name: string }[];
  readonly table: TableView | null;
  readonly classes: readonly OwnClass[];
}

/** How a cohort does one technique side by side. */
export interface TracksView {
  readonly technique: { readonly id: string; readonly name: string };
  readonly people: number;
  readonly tracks: readonly Pick<Track, 'pattern' | 'kind' | 'people'>[];
  readonly opening: { readonly open: number } & { readonly [Kind in Exclude<keyof Opening, 'open'>]: readonly string[] };
}
