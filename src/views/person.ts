import type { IsoDate } from '@/core/units';
import type { Answer, Standing } from '@/core/screening';
import type { RosterRow, RowProblem } from '@/core/exchange';

/** What pages are given about people. */

/** Something about screening that waits for somebody, with the people it is about. */
export interface Need {
  readonly kind: 'form' | 'clinician' | 'override';
  readonly harm: 'stop' | 'mend' | 'know';
  readonly text: string;
  readonly cohort: string;
  readonly cohortName: string;
  readonly people: readonly { readonly id: string; readonly name: string; readonly detail: string; readonly asked?: boolean }[];
}

/** What the studio knows of a person beside their health, and may change. */
export interface AboutPerson {
  readonly name: string;
  readonly email: string;
  readonly cohort: string;
  readonly comfortIn: number | null;
  readonly comfortOut: number | null;
}

/** A person without anything of their health. */
export interface PersonView {
  readonly person: AboutPerson & { readonly id: string; readonly version: number; readonly leftOn: IsoDate | null };
  readonly cohort: { readonly id: string; readonly name: string };
  readonly cohorts: readonly { readonly id: string; readonly name: string }[];
  readonly standing: Standing;
  readonly screenings: readonly { readonly screenedOn: IsoDate; readonly source: 'paper' | 'form' | 'nothing changed'; readonly by: string | null }[];
  readonly link: { readonly sentAt: Date; readonly state: 'answered' | 'run out' | 'waiting' } | null;
  readonly mayReason: boolean;
  readonly today: IsoDate;
}

/** A person as they stand now, for whoever meant to save over them. */
export interface PersonNow extends AboutPerson {
  readonly version: number;
  readonly differs: readonly string[];
}

/** A rule that bears on a person today, in words for the director. */
export interface BearingLine {
  readonly id: string;
  readonly answer: Answer;
  readonly condition: string;
  readonly feature: string;
  readonly reason: string;
  readonly source: 'usual caution' | 'studio policy';
  /** Whether a clinician's answer bears on it. */
  readonly askable: boolean;
  readonly settable: boolean;
}

/** A rule that was set aside, in words for the director. */
export interface AsideLine {
  readonly id: string;
  readonly text: string;
  readonly by: string;
  readonly reason: string | null;
  readonly until: IsoDate;
}

/** Everything of a person's health that the director may read. */
export interface OpenedAnswers {
  readonly screenedOn: IsoDate | null;
  readonly birthDate: IsoDate | null;
  readonly guardianConsent: boolean;
  /** What was sealed cannot be opened: nothing of it is shown, and everything is planned for with care. */
  readonly unreadable: boolean;
  readonly answers: readonly {
    readonly question: string;
    readonly answer: string;
    readonly date: IsoDate | null;
    readonly dateLabel: string | null;
    /** The parts of the question with what was said of each; null is not known. */
    readonly parts: readonly { readonly question: string; readonly said: string | null }[];
  }[];
  readonly rules: readonly BearingLine[];
  readonly aside: readonly AsideLine[];
  readonly clinicians: readonly { readonly rules: readonly string[]; readonly on: IsoDate; readonly until: IsoDate }[];
  readonly overrides: readonly {
    readonly id: string;
    readonly reason: string;
    readonly by: string;
    readonly from: IsoDate;
    readonly until: IsoDate;
    readonly running: boolean;
  }[];
  readonly readAt: string;
}

/** A row that looks like somebody who is here already, or like an earlier row. */
export interface Twin {
  readonly row: number;
  readonly name: string;
  readonly like: string;
  /** The person it would be merged with, and the version they were seen at; null for an earlier row of the file. */
  readonly person: string | null;
  readonly version: number | null;
}

export interface RosterPreview {
  readonly headings: readonly string[];
  readonly rows: readonly RosterRow[];
  readonly problems: readonly RowProblem[];
  readonly twins: readonly Twin[];
  /** Whether it has to be asked if 3/4/2001 is the third of April. */
  readonly askOrder: boolean;
}

/** One line of the record: who did what about whom, when, and why. */
export interface RecordLine {
  readonly when: string;
  readonly who: string;
  readonly whose: string;
  readonly what: string;
}

/** A mail of the outbox. */
export interface MailView {
  readonly id: string;
  readonly address: string;
  readonly subject: string;
  readonly body: string;
  readonly when: string;
  readonly state: { readonly is: 'delivered' | 'waiting' | 'refused'; readonly text: string };
}

/** One planned technique that somebody would do in another way. */
export interface Changed {
  readonly person: string;
  readonly name: string;
  readonly session: string;
  readonly date: IsoDate;
  readonly course: string;
  readonly technique: string;
  readonly before: string;
  readonly after: string;
}
