import { BREATHS, PACES, USUAL_ARC, type Arc } from '../course';
import { findCircle, type Edge } from '../ladder';
import type { Library, OwnEntry } from '../library';
import { formatDose, formatPattern, parseDose, parsePattern, problemText } from '../pattern';
import { DAY_KINDS, MISSED_RULES, SERIES_LIMITS, type DayKind, type MissedRule } from '../series';
import { EYES, KEPT_BY, MOVES, SEATS, type Setup } from '../techniques';
import { isEdge, isOwnEntry, isRaw, type Raw } from './ownEntry';
import type { TravellingWay } from './ways';

/** A block as it travels: without ids, people or pins. */
export type TravellingBlock = {
  readonly setup?: Setup;
  readonly lines?: readonly string[];
  readonly note?: string;
} & (
  | {
      readonly technique: string;
      readonly pattern: string;
      readonly dose: string;
      /** Milliseconds a count. */
      readonly tempo: number;
      /** The name of the way of the studio's own it was taken from. */
      readonly way?: string;
    }
  | { readonly part: string; readonly minutes: number }
);

export interface TravellingGoal {
  readonly technique: string;
  readonly pattern: string;
  readonly dose: string;
  readonly practise: number;
  readonly everyDays?: number;
  readonly stepMinutes?: number;
  readonly ready?: number;
}

/** What makes of a course's classes the days of a series. */
export interface TravellingSeries {
  /** Minutes of the first day and at last. */
  readonly from: number;
  readonly to: number;
  readonly gentleEvery: number;
  /** Weekdays of live days. */
  readonly live: readonly number[];
  readonly missed: MissedRule;
  /** What each week is about, and which weeks pair. */
  readonly themes: readonly (readonly string[])[];
  readonly pairings: readonly number[];
  /** What each day is, in order. */
  readonly kinds: readonly DayKind[];
}

/** A whole course as another studio can teach it: everything but people and dates. */
export interface CoursePackage {
  readonly name: string;
  readonly weeks: number;
  readonly weekdays: readonly number[];
  readonly start: string;
  readonly minutes: number;
  readonly settled: boolean;
  /** How it is built; as usual in a file that does not say. */
  readonly arc: Arc;
  /** What the cohort practised before it. */
  readonly already: readonly string[];
  /** What it climbs to, and how fast. */
  readonly goals: readonly TravellingGoal[];
  /** The edges of the ladder between what is practised in it. */
  readonly ladder: readonly Edge[];
  /** Techniques and ways of the studio's own that are practised in it. */
  readonly techniques: readonly OwnEntry[];
  readonly ways: readonly TravellingWay[];
  /** Where it is a series: then its classes are days. */
  readonly series?: TravellingSeries;
  /** Its classes in order. */
  readonly classes: readonly { readonly purpose: string; readonly note: string; readonly blocks: readonly TravellingBlock[] }[];
}

export interface PackageProblem {
  /** Which class, from 1; null for the file as a whole. */
  readonly class: number | null;
  readonly message: string;
}

export const PACKAGE_FORMAT = 'oaken-ladder/course';
const VERSION = 1;

export const PACKAGE_LIMITS = { characters: 1_500_000, classes: 182, blocks: 40, goals: 12, text: 600, own: 60, edges: 1000 } as const;

/** A course as a file: documented JSON, see docs/course.schema.json. The same course is always the same file. */
export function writePackage({ series, classes, ...course }: CoursePackage): string {
  return `${JSON.stringify({ format: PACKAGE_FORMAT, version: VERSION, ...course, ...(series ? { series } : {}), classes }, null, 2)}\n`;
}

/** How a course is built, as far as a file says it. */
const arcOf = ({ pace, breath }: Raw): Arc => ({
  pace: PACES.find((one) => one === pace) ?? USUAL_ARC.pace,
  breath: BREATHS.find((one) => one === breath) ?? USUAL_ARC.breath,
});

const list = (value: unknown): readonly unknown[] => (Array.isArray(value) ? (value as readonly unknown[]) : []);
const text = (value: unknown, most: number): string => (typeof value === 'string' ? value.trim().slice(0, most + 1) : '');

/** Reads one thing after another and gathers what is wrong, so that all of it is named at once. */
class Reading {
  readonly problems: PackageProblem[] = [];
  constructor(
    private readonly library: Library,
    private readonly own: readonly string[],
  ) {}

  say(message: string, at: number | null = null): void {
    this.problems.push({ class: at, message });
  }

  words(value: unknown, what: string, most: number, at: number | null = null): string {
    const read = text(value, most);
    if (value !== undefined && typeof value !== 'string') this.say(`${what} is no text.`, at);
    if (read.length > most) this.say(`${what} has more than ${most} characters.`, at);
    return read.replaceAll('\u0000', '');
  }

  number(value: unknown, what: string, least: number, most: number, at: number | null = null): number {
    if (typeof value === 'number' && value >= least && value <= most) return value;
    this.say(`${what} should be from ${least} to ${most}.`, at);
    return least;
  }

  technique(value: unknown, at: number | null = null): string {
    const id = text(value, 60);
    if (!this.library.find(id) && !this.own.includes(id)) this.say(`There is no technique “${id}” here, and the file does not bring it along.`, at);
    return id;
  }

  pattern(value: unknown, at: number | null = null): string {
    const read = parsePattern(text(value, 2000));
    if (read.ok) return formatPattern(read.value);
    this.say(`A pattern does not read: ${read.problems.map(problemText).join(' ')}`, at);
    return 'natural';
  }

  dose(value: unknown, at: number | null = null): string {
    const read = parseDose(text(value, 200));
    if (read.ok) return formatDose(read.value);
    this.say(`A dose does not read: ${read.problems.map(problemText).join(' ')}`, at);
    return '1 min';
  }

  setup(value: unknown, at: number): Setup | undefined {
    if (value === undefined) return undefined;
    const one = <T extends string>(of: readonly T[], key: string): T | null =>
      isRaw(value) ? (of.find((each) => each === value[key]) ?? null) : null;
    const [seat, eyes, by] = [one(SEATS, 'seat'), one(EYES, 'eyes'), one(KEPT_BY, 'by')];
    const moves = isRaw(value) ? list(value.moves) : [];
    const known = MOVES.filter((move) => moves.includes(move));
    if (!seat || !eyes || !by || known.length < moves.length) {
      this.say('How a block is done does not read.', at);
      return undefined;
    }
    return { seat, eyes, by, moves: known };
  }
}

/**
 * Reads the file of a course. Patterns and doses come back in canonical text; everything that is wrong is named, and then nothing of it
 * is to be brought in. What the two ladders ask differently is said, and is no reason not to.
 */
export function readPackage(
  file: string,
  library: Library,
): { readonly course: CoursePackage | null; readonly problems: readonly PackageProblem[]; readonly differs: readonly string[] } {
  const whole = (message: string) => ({ course: null, problems: [{ class: null, message }], differs: [] });
  if (file.length > PACKAGE_LIMITS.characters) return whole('This file is too large: a million and a half characters at most.');
  if (/\\u0000/i.test(file)) return whole('A character that cannot be kept is in this file.');
  let raw: unknown;
  try {
    raw = JSON.parse(file);
  } catch {
    return whole('This file is not JSON, or was cut off. Choose one that was taken along from here or from another studio.');
  }
  if (!isRaw(raw) || raw.format !== PACKAGE_FORMAT) return whole(`This is no course: its format should say “${PACKAGE_FORMAT}”.`);
  if (raw.version !== VERSION)
    return whole(
      `This course was written by a newer or another version (${JSON.stringify(raw.version)?.slice(0, 20)}); only version ${VERSION} can be read here.`,
    );
  const techniques = list(raw.techniques).filter(isOwnEntry);
  const reading = new Reading(
    library,
    techniques.map(({ technique }) => technique.id),
  );
  if (techniques.length < list(raw.techniques).length) reading.say('A technique of their own does not read.');
  const ladder = list(raw.ladder).filter(isEdge);
  if (ladder.length < list(raw.ladder).length) reading.say('An edge of their ladder does not read.');
  const edges = [...ladder, ...techniques.flatMap((entry) => entry.edges)];
  if (edges.length > PACKAGE_LIMITS.edges) return whole(`Their ladder has more than ${PACKAGE_LIMITS.edges} edges.`);
  const self = edges.find(({ needs, to }) => needs === to);
  const circle = self ? [self.to, self.to] : findCircle(edges);
  if (circle) reading.say(`Their ladder goes in a circle: ${circle.join(' needs ')}.`);
  for (const [what, value, most] of [
    ['classes', raw.classes, PACKAGE_LIMITS.classes],
    ['goals', raw.goals, PACKAGE_LIMITS.goals],
    ['ways', raw.ways, PACKAGE_LIMITS.own],
    ['techniques of their own', raw.techniques, PACKAGE_LIMITS.own],
  ] as const)
    if (list(value).length > most) reading.say(`There are more than ${most} ${what}.`);
  if (list(raw.classes).length === 0) reading.say('There is no class in it.');
  if (reading.problems.length > 0) return { course: null, problems: reading.problems, differs: [] };
  const ways = list(raw.ways).map((way): TravellingWay => {
    const of = isRaw(way) ? way : {};
    return {
      name: reading.words(of.name, 'The name of a way', 60),
      base: reading.technique(of.base),
      pattern: reading.pattern(of.pattern),
      dose: reading.dose(of.dose),
    };
  });
  const weekdays = weekdaysOf(raw.weekdays);
  if (weekdays.length === 0) reading.say('It does not say on which weekdays it is held.');
  const start = text(raw.start, 5);
  if (!/^([01]\d|2[0-3]):[0-5]\d$/.test(start)) reading.say('It does not say at what hour it is held.');
  const name = reading.words(raw.name, 'Its name', 80);
  if (name === '') reading.say('It has no name.');
  const course: CoursePackage = {
    name,
    weeks: reading.number(raw.weeks, 'Its weeks', 1, 52),
    weekdays,
    start,
    minutes: reading.number(raw.minutes, 'Its minutes', 15, 180),
    settled: raw.settled === true,
    arc: arcOf(isRaw(raw.arc) ? raw.arc : {}),
    already: list(raw.already).map((id) => reading.technique(id)),
    goals: list(raw.goals).map((goal) => goalOf(isRaw(goal) ? goal : {}, reading)),
    ladder,
    techniques,
    ways,
    ...(raw.series === undefined ? {} : { series: seriesOf(raw.series, list(raw.classes).length, reading) }),
    classes: list(raw.classes).map((one, index) => classOf(isRaw(one) ? one : {}, index + 1, reading, ways, library)),
  };
  return { course: reading.problems.length > 0 ? null : course, problems: reading.problems, differs: ladderDiffers(ladder, library) };
}

const weekdaysOf = (value: unknown): number[] =>
  [...new Set(list(value).filter((day): day is number => Number.isInteger(day) && Number(day) >= 1 && Number(day) <= 7))].sort();

function seriesOf(value: unknown, days: number, reading: Reading): TravellingSeries {
  const raw = isRaw(value) ? value : {};
  const { fewestMinutes, mostMinutes, lengths } = SERIES_LIMITS;
  const missed = MISSED_RULES.find((rule) => rule === raw.missed);
  if (!missed) reading.say('It does not say what follows from a missed day.');
  const said = list(raw.kinds).map((kind) => DAY_KINDS.find((one) => one === kind));
  if (said.length !== days || said.includes(undefined)) reading.say('It does not say of every day what it is.');
  if (days > Math.max(...lengths)) reading.say(`A series has at most ${Math.max(...lengths)} days.`);
  const weeks = Math.ceil(days / 7);
  const themes = list(raw.themes).slice(0, weeks);
  return {
    from: reading.number(raw.from, 'Minutes of the first day', fewestMinutes, mostMinutes),
    to: reading.number(raw.to, 'Minutes at last', fewestMinutes, mostMinutes),
    gentleEvery: reading.number(raw.gentleEvery, 'Days between gentle ones', 0, 14),
    live: weekdaysOf(raw.live),
    missed: missed ?? 'go on',
    themes: themes.map((theme) => list(theme).map((id) => reading.technique(id))),
    pairings: list(raw.pairings).filter((week): week is number => Number.isInteger(week) && Number(week) >= 1 && Number(week) <= weeks),
    kinds: said.map((kind) => kind ?? 'own'),
  };
}

function goalOf(raw: Raw, reading: Reading): TravellingGoal {
  const { everyDays, stepMinutes, ready } = raw;
  return {
    technique: reading.technique(raw.technique),
    pattern: reading.pattern(raw.pattern),
    dose: reading.dose(raw.dose),
    practise: reading.number(raw.practise, 'How often a goal is practised', 1, 20),
    ...(typeof everyDays === 'number' ? { everyDays: reading.number(everyDays, 'Days between steps', 1, 60) } : {}),
    ...(typeof stepMinutes === 'number' ? { stepMinutes: reading.number(stepMinutes, 'Minutes of a step', 0.25, 30) } : {}),
    ...(typeof ready === 'number' ? { ready: reading.number(ready, 'Percent who are to be ready', 1, 100) } : {}),
  };
}

function classOf(raw: Raw, at: number, reading: Reading, ways: readonly TravellingWay[], library: Library): CoursePackage['classes'][number] {
  const blocks = list(raw.blocks);
  if (blocks.length > PACKAGE_LIMITS.blocks) reading.say(`More than ${PACKAGE_LIMITS.blocks} blocks.`, at);
  return {
    purpose: reading.words(raw.purpose, 'What it is for', 200, at),
    note: reading.words(raw.note, 'Its note', PACKAGE_LIMITS.text, at),
    blocks: blocks.slice(0, PACKAGE_LIMITS.blocks).map((block) => blockOf(isRaw(block) ? block : {}, at, reading, ways, library)),
  };
}

function blockOf(raw: Raw, at: number, reading: Reading, ways: readonly TravellingWay[], library: Library): TravellingBlock {
  const setup = reading.setup(raw.setup, at);
  const lines = list(raw.lines).map((line) => reading.words(line, 'A line', 80, at));
  if (lines.length > 6) reading.say('More than 6 lines in a block.', at);
  const note = reading.words(raw.note, 'The note of a block', 300, at);
  const told = { ...(setup ? { setup } : {}), ...(lines.length > 0 ? { lines } : {}), ...(note ? { note } : {}) };
  if (typeof raw.part === 'string') {
    if (!library.findPart(raw.part)) reading.say(`There is no part “${raw.part.slice(0, 60)}” here.`, at);
    return { part: raw.part, minutes: reading.number(raw.minutes, 'Minutes of a part', 0.5, 90, at), ...told };
  }
  const way = raw.way === undefined ? null : reading.words(raw.way, 'The name of a way', 60, at);
  if (way !== null && !ways.some(({ name }) => name === way)) reading.say(`The way “${way}” is not in the file.`, at);
  return {
    technique: reading.technique(raw.technique, at),
    pattern: reading.pattern(raw.pattern, at),
    dose: reading.dose(raw.dose, at),
    tempo: reading.number(raw.tempo, 'Milliseconds a count', 400, 3000, at),
    ...(way === null ? {} : { way }),
    ...told,
  };
}

/** What their ladder asks otherwise than ours, for what is practised in the course. */
function ladderDiffers(theirs: readonly Edge[], { edges, find }: Library): string[] {
  const name = (id: string) => find(id)?.name ?? id;
  return theirs.flatMap(({ needs, to, sessions, days }) => {
    const ours = edges.find((edge) => edge.needs === needs && edge.to === to);
    if (ours?.sessions === sessions && ours.days === days) return [];
    if (!ours) return find(to) && find(needs) ? [`They ask for ${name(needs)} before ${name(to)}; here nothing does.`] : [];
    return [`${name(to)} asks for ${sessions} classes and ${days} days of ${name(needs)} there, ${ours.sessions} and ${ours.days} here.`];
  });
}
