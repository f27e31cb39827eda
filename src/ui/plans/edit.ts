import { schoolsOf, taughtAs, withRounds, type StudioSchools } from '@/core/conventions';
import { apart, formatDose, formatPattern, parseDose, parsePattern, problemText } from '@/core/pattern';
import type { Library } from '@/core/library';
import { minutesUp, readBlock, setupOf, usualSetup, type Block, type OwnWay } from '@/core/plan';
import type { Seat, Setup } from '@/core/techniques';
import { FORM_LIMITS } from '@/forms/limits';
import { millis, trimNumber } from '@/core/units';

/** What parts lines of one's own as they are typed. */
const LINES_APART = ' / ';

function linesOf(typed: string): string[] {
  return typed
    .split('/')
    .map((line) => line.trim())
    .filter((line) => line !== '');
}

/** A block as it is being typed: text that may not read yet. */
export interface Draft {
  readonly id: string;
  readonly technique: string | null;
  readonly own: OwnWay | null;
  readonly part: string | null;
  readonly pattern: string;
  readonly dose: string;
  /** Seconds a count. */
  readonly tempo: string;
  readonly minutes: string;
  readonly setup: Setup;
  /** Lines of one's own, parted by a slash. */
  readonly lines: string;
  /** What the director says of it to whoever teaches it. */
  readonly note: string;
}

/** What the studio says where a block does not. */
export interface Usual {
  readonly tempo: number;
  readonly naturalBreath: number;
  readonly schools: StudioSchools;
  readonly library: Library;
  readonly seat?: Seat;
}

export function draftOf(block: Block, usual: Pick<Usual, 'library' | 'seat'>): Draft {
  const told = { setup: setupOf(block, usual), lines: (block.lines ?? []).join(LINES_APART), note: block.note ?? '' };
  if (block.kind === 'technique')
    return {
      id: block.id,
      technique: block.technique,
      own: block.own ?? null,
      part: null,
      pattern: block.pattern,
      dose: block.dose,
      tempo: trimNumber(block.tempo / 1000),
      minutes: '',
      ...told,
    };
  return {
    id: block.id,
    technique: null,
    own: null,
    part: block.part,
    pattern: '',
    dose: '',
    tempo: '',
    minutes: trimNumber(block.minutes),
    ...told,
  };
}

export function newTechnique(id: string, technique: string, { tempo, schools, library, seat }: Usual): Draft {
  const { pattern, dose } = taughtAs(library.technique(technique), schools);
  const setup = usualSetup({ kind: 'technique', technique }, { library, seat });
  return { id, technique, own: null, part: null, pattern, dose, tempo: trimNumber(tempo / 1000), minutes: '', setup, lines: '', note: '' };
}

/** A studio's own way as a new block, at its newest version. */
export function newOwn(id: string, way: OwnWay & { base: string; pattern: string; dose: string }, usual: Usual): Draft {
  const own = { id: way.id, number: way.number, name: way.name };
  return { ...newTechnique(id, way.base, usual), own, pattern: way.pattern, dose: way.dose };
}

export function newPart(id: string, part: string, { library, seat }: Usual): Draft {
  const { minutes, kind } = library.part(part);
  const setup = usualSetup({ kind, part }, { library, seat });
  return {
    id,
    technique: null,
    own: null,
    part,
    pattern: '',
    dose: '',
    tempo: '',
    minutes: String(minutes),
    setup,
    lines: '',
    note: '',
  };
}

/** What a draft reads as: a block with its time, or what is wrong at which field. */
export type Read =
  | { readonly ok: true; readonly block: Block; readonly time: number; readonly note: string | null }
  | { readonly ok: false; readonly problems: Readonly<Record<string, string>> };

export function readDraft(draft: Draft, usual: Usual): Read {
  const { schools, library } = usual;
  const { blockMinutes, tempo: counts } = FORM_LIMITS;
  const problems: Record<string, string> = {};
  const { setup } = draft;
  const lines = linesOf(draft.lines);
  const longest = lines.find((line) => line.length > FORM_LIMITS.said);
  if (longest) problems.lines = `A line of at most ${FORM_LIMITS.said} characters: it has to be said.`;
  if (lines.length > FORM_LIMITS.ownLines) problems.lines = `At most ${FORM_LIMITS.ownLines} lines in a block.`;
  if (draft.note.length > FORM_LIMITS.note) problems.note = `At most ${FORM_LIMITS.note} characters.`;
  const told = { setup, ...(lines.length > 0 ? { lines } : {}), ...(draft.note ? { note: draft.note } : {}) };
  if (draft.part) {
    const minutes = Number(draft.minutes);
    if (!(minutes >= blockMinutes.least && minutes <= blockMinutes.most)) problems.minutes = `From half a minute to ${blockMinutes.most} minutes.`;
    return Object.keys(problems).length > 0
      ? { ok: false, problems }
      : timed({ id: draft.id, kind: library.part(draft.part).kind, part: draft.part, minutes, ...told }, usual);
  }
  const typed = apart(draft.pattern);
  const [pattern, dose, tempo] = [parsePattern(typed.pattern), parseDose(typed.dose ?? draft.dose), Number(draft.tempo)];
  if (!pattern.ok) problems.pattern = pattern.problems.map(problemText).join(' ');
  if (!dose.ok) problems.dose = dose.problems.map(problemText).join(' ');
  if (!(tempo * 1000 >= counts.least && tempo * 1000 <= counts.most)) problems.tempo = `${counts.least / 1000} to ${counts.most / 1000} s`;
  if (Object.keys(problems).length > 0 || !draft.technique || !pattern.ok || !dose.ok) return { ok: false, problems };
  const counted = withRounds(pattern.value, dose.value, schoolsOf(schools, draft.technique));
  return timed(
    {
      id: draft.id,
      kind: 'technique',
      technique: draft.technique,
      pattern: formatPattern(counted.pattern),
      dose: formatDose(counted.dose),
      tempo: Math.round(tempo * 1000),
      ...(draft.own ? { own: draft.own } : {}),
      ...told,
    },
    usual,
  );
}

function timed(block: Block, { library, naturalBreath }: Usual): Read {
  const { timing } = readBlock(block, { library, naturalBreath: millis(naturalBreath) });
  const note =
    timing.rounds === 0 && !timing.fits
      ? 'not one round fits these minutes'
      : !timing.fits
        ? 'not one round fits one of its stages'
        : timing.leftOver > 0
          ? `${trimNumber(timing.leftOver / 1000)} s left over`
          : null;
  return { ok: true, block, time: timing.planned, note };
}

/** The whole plan's minutes, as far as it reads. */
export function plannedMinutes(reads: readonly Read[]): number {
  return minutesUp(reads.reduce((sum, read) => sum + (read.ok ? read.time : 0), 0));
}

/** A draft as the server takes it. */
export function toInput({ id, technique, own, part, pattern: typed, dose: amount, tempo, minutes, setup, lines, note }: Draft) {
  const { pattern, dose } = apart(typed);
  const told = { setup: { ...setup, moves: [...setup.moves] }, lines: linesOf(lines), note };
  return technique
    ? {
        id,
        technique,
        own: own && { id: own.id, number: own.number },
        part: null,
        pattern,
        dose: dose ?? amount,
        tempo: Math.round(Number(tempo) * 1000),
        minutes: null,
        ...told,
      }
    : { id, technique: null, own: null, part, pattern: null, dose: null, tempo: null, minutes: Number(minutes), ...told };
}
