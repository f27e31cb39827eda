/** A course worth teaching: drafting over all weeks, its judge, and what each class is for. */
import { leastOf } from './bound';
import { lengthOf, measureOf, writtenOut, type ArcCase, type ArcCaseOfFile, type ArcFile, type Practice } from './cases';
import { judge, type Judged } from './judge';
import { frameOf, requestOf } from './request';
import { partsOf, type Parts } from './parts';
import { keptOf, look, skeleton, type Found } from './search';

export { judge, type Broken, type Judged } from './judge';
export { requestOf } from './request';
export { mostReadyFor } from './ready';
export {
  lengthOf,
  writtenOut,
  type ArcCase,
  type ArcCaseOfFile,
  type ArcFile,
  type ArcGoal,
  type ArcDose,
  type Breath,
  type ElasticFrame,
  type Held,
  type Measure,
  type Practice,
} from './cases';
export { plainWords, purposeText } from './words';
export { purposesOf, themesOf } from './purpose';
export { partsOf, rangesOf, type Parts } from './parts';
export type { Pace } from './cases';
export { STANDS_COST } from './limits';

/** A course as it was drafted, with what is known of how good it is. */
export interface ArcDraft {
  /** Proved: no course leaves out fewer goals, breaks less or has a smaller aim. Impossible: the pins alone clash. */
  readonly status: 'proved' | 'bound' | 'impossible';
  readonly sessions: readonly (readonly Practice[])[];
  readonly parts: readonly (Parts | null)[];
  readonly judged: Judged;
  /** No course has a smaller aim, or breaks less. */
  readonly least: { readonly Q: number; readonly J: number; readonly dropped: number };
  /** By goal: the class it is reached in as soon as it can be taught. */
  readonly soonest: readonly (number | null)[];
}

export interface ArcAsking {
  /** Looks at a course with one change; the same number gives the same course. */
  readonly looks?: number;
  /** Whether the first search, which says what goals fit, has had enough. */
  readonly enough?: () => boolean;
  readonly onBetter?: (better: ArcDraft) => void;
}

/** Looks at a course of usual length; at longer ones fewer, each takes longer; and at short ones, where there is less to look at. @example looksFor(20) // 300_000 */
export const looksFor = (classes: number): number => Math.round(LOOKS * Math.min(1, LONG / Math.max(1, classes), Math.max(1, classes) / SHORT));

const LOOKS = 300_000;
const [SHORT, LONG] = [16, 30] as const;
/** The first search ends after so many questions: it counts, and so ends at the same place each time. */
const questionsFor = (classes: number): number => Math.round(150_000 * Math.min(1, (24 / Math.max(1, classes)) ** 2));

/** Says that it is enough after so many questions. */
function counted(most: number): () => boolean {
  let asked = 0;
  return () => (asked += 1) > most;
}

/**
 * Drafts a course worth teaching: fewest goals left out, then the least weight of broken requirements, then the least aim.
 *
 * @example draftArc(file, file.instances[0]).judged.reached // [12, 17, 14]
 */
export function draftArc(file: ArcFile, given: ArcCaseOfFile, { looks, enough, onBetter }: ArcAsking = {}): ArcDraft {
  const one: ArcCase = writtenOut(file, given);
  const request = requestOf(file, one);
  const from = skeleton(file, one, enough ?? counted(questionsFor(one.dates.length)));
  const { kept, beginable } = keptOf(file, one, from.solved);
  const least = { ...leastOf(file, one, request, kept, beginable), dropped: from.solved.least };
  const drafted = (sessions: ArcDraft['sessions'], isFound: boolean): ArcDraft => {
    const judged = judge(file, one, sessions, request);
    const proved = judged.dropped <= least.dropped && judged.Q <= least.Q && judged.J <= least.J;
    return {
      status: !isFound ? 'impossible' : proved ? 'proved' : 'bound',
      sessions,
      parts: sessions.map((held, at) => (one.fixed[at] || !isFound ? null : partsIn(at, held))),
      judged,
      least,
      soonest: from.solved.reached,
    };
  };
  const partsIn = (at: number, held: readonly Practice[]) =>
    partsOf(
      frameOf(
        file,
        one,
        request,
        at,
        held.map(([id]) => id),
      ),
      one.minutes[at] - held.reduce((sum, [, , ms]) => sum + ms, 0) / MINUTE_MS,
    );
  const better = onBetter && (({ sessions }: Found) => onBetter(drafted(sessions, true)));
  const asked = { looks: looks ?? looksFor(one.dates.length), least, onBetter: better };
  const found = from.solved.status === 'impossible' ? null : look(file, one, request, from, asked);
  const asItIs = () =>
    one.dates.map((_, at) =>
      (one.fixed[at] ?? []).map(([id, step, units]): Practice => [id, step, lengthOf(measureOf(file, request.goalOf(id), id, step), units)]),
    );
  return drafted(found?.sessions ?? asItIs(), found !== null);
}

const MINUTE_MS = 60_000;
