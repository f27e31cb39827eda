import { formatPattern, mustParsePattern, shortPattern, type Pattern } from '../pattern';
import { readSession, setupOf, techniquesIn, type Basis, type NamedBlock } from '../plan';
import { isForHome, setupsText, type OwnCue } from '../techniques';
import { stripOf, type Pace } from '../timing';
import { dayText, trimNumber, type IsoDate } from '../units';

/** What a lesson plan on paper is made from. */
export interface PlanFacts {
  readonly studio: string;
  readonly course: string;
  /** Class `number` of `of`; 0 where it stands alone. */
  readonly number: number;
  readonly of: number;
  readonly date: IsoDate;
  /** Wall clock "05:45". */
  readonly start: string;
  readonly minutes: number;
  /** The published version; null for what is not published. */
  readonly version: number | null;
  readonly teacher: string;
  readonly purpose: string;
  readonly note: string;
  /** What the class before did not have. */
  readonly fresh: readonly string[];
  /** What the version before did not have. */
  readonly changes: readonly string[];
  readonly blocks: readonly NamedBlock[];
  /** Who does what instead, block by block; null for whoever is not given names. */
  readonly people: readonly { readonly name: string; readonly told: readonly { readonly block: string; readonly text: string }[] }[] | null;
  /** When the instructions were worked out. */
  readonly asOf: string;
  readonly stopSigns: readonly string[];
  readonly emergency: string;
}

/** One block on paper, at its time by the wall clock. */
export interface SheetRow {
  readonly clock: string;
  readonly name: string;
  /** A technique, or a part around it. */
  readonly technique: boolean;
  /** "2½ min". */
  readonly minutes: string;
  readonly details: readonly string[];
  /** Counts in few characters; null where nothing is counted. */
  readonly written: string | null;
  readonly strip: ReturnType<typeof stripOf> | null;
}

/** A lesson plan as a document: what is drawn, printed, and written as Markdown is this and nothing else. */
export interface PlanSheet {
  readonly studio: string;
  readonly place: string;
  readonly when: string;
  readonly length: string;
  readonly whose: string;
  readonly purpose: string;
  readonly note: string;
  readonly fresh: string;
  readonly changed: string;
  readonly usually: string;
  readonly rows: readonly SheetRow[];
  /** Null where no names are given. */
  readonly people: readonly { readonly names: string; readonly text: string }[] | null;
  readonly asOf: string;
  readonly stopSigns: string;
  readonly emergency: string;
}

/** A lesson plan for paper: clock times, doses, what is said, who does what instead, and when to let go. */
export function planSheet(facts: PlanFacts, basis: Basis): PlanSheet {
  const { blocks, date, start, minutes, version, number, of } = facts;
  const read = readSession(blocks, basis);
  const { most, otherwise } = setupsText(blocks.map((block) => setupOf(block, basis)));
  let passed = 0;
  const rows = blocks.map((block, index): SheetRow => {
    const { name, pattern, pace, timing } = read[index];
    const clock = clockAfter(start, passed);
    passed += timing.planned;
    const technique = block.kind === 'technique';
    return {
      clock,
      name,
      technique,
      minutes: minutesText(timing.planned),
      details: [
        ...(technique ? [block.dose] : []),
        ...(otherwise[index] ? [otherwise[index]] : []),
        ...(block.lines ?? []).map((line) => `“${line}”`),
        ...(block.note ? [`Note: ${block.note}`] : []),
      ],
      ...(technique ? drawn(pattern, pace) : { written: null, strip: null }),
    };
  });
  return {
    studio: facts.studio,
    place: `${facts.course}${number > 0 && of > 1 ? ` · class ${number} of ${of}` : ''}`,
    when: `${dayText(date)}, ${start}`,
    length: `${Math.ceil(passed / 60_000 - 1e-9)} of ${minutes} min`,
    whose: version === null ? `not published, for ${facts.teacher}` : `version ${version} for ${facts.teacher}`,
    purpose: facts.purpose,
    note: facts.note,
    fresh: facts.fresh.join('; '),
    changed: version !== null && version > 1 ? `Since version ${version - 1}: ${facts.changes.join('; ') || 'nothing'}.` : '',
    usually: most,
    rows,
    people: facts.people && peopleLines(facts),
    asOf: facts.asOf,
    stopSigns: facts.stopSigns.join(', '),
    emergency: facts.emergency,
  };
}

/** A pattern as it is drawn, and written beside it: with its sides where it has any. */
function drawn(pattern: Pattern, pace: Pace): { readonly written: string; readonly strip: ReturnType<typeof stripOf> } {
  const strip = stripOf(pattern, pace);
  return { written: strip.sided ? formatPattern(pattern) : shortPattern(pattern), strip };
}

/** Who does the same otherwise stands together: "Fenna, Hedy: no hold (Equal 4:4:4)". */
function peopleLines({ people, blocks }: PlanFacts): { readonly names: string; readonly text: string }[] {
  const nameOf = (id: string) => blocks.find((block) => block.id === id)?.name ?? '';
  const lines = new Map<string, string[]>();
  for (const { name, told } of people ?? []) {
    const byText = new Map<string, string[]>();
    for (const { block, text } of told) byText.set(text, [...(byText.get(text) ?? []), nameOf(block)]);
    for (const [text, where] of byText) {
      const line = `${text} (${[...new Set(where)].join(', ')})`;
      lines.set(line, [...(lines.get(line) ?? []), name]);
    }
  }
  return [...lines].map(([text, names]) => ({ names: names.join(', '), text }));
}

/** @example clockAfter('05:45', 630_000) // "05:55" */
function clockAfter(start: string, ms: number): string {
  const at = Number(start.slice(0, 2)) * 60 + Number(start.slice(3)) + Math.floor(ms / 60_000);
  return `${String(Math.floor(at / 60) % 24).padStart(2, '0')}:${String(at % 60).padStart(2, '0')}`;
}

/** Minutes as they stand on paper, to the half. @example minutesText(150_000) // "2½ min" */
function minutesText(ms: number): string {
  const halves = Math.max(1, Math.round(ms / 30_000));
  return `${halves === 1 ? '' : Math.floor(halves / 2)}${halves % 2 === 1 ? '½' : ''} min`;
}

/** A lesson plan as Markdown. What is typed is never markup. */
export function sheetMarkdown(sheet: PlanSheet): string {
  const { studio, place, when, length, whose, purpose, note, fresh, changed, usually, rows, people, asOf, stopSigns, emergency } = sheet;
  const lines = [
    `# ${plain(when)}`,
    '',
    `${plain(studio)} · ${plain(place)} · ${length} · ${plain(whose)}`,
    ...(purpose ? ['', `**${plain(purpose)}**`] : []),
    ...(note ? ['', plain(note)] : []),
    ...(fresh ? ['', `New today: ${plain(fresh)}.`] : []),
    ...(changed ? ['', plain(changed)] : []),
    '',
    `Where nothing else is said: ${usually}.`,
    '',
    '| when | what | how | long |',
    '|---|---|---|---|',
    ...rows.map(
      (row) =>
        `| ${row.clock} | ${row.technique ? `**${plain(row.name)}**` : plain(row.name)} | ${plain([row.written, ...row.details].filter(Boolean).join(' · '))} | ${row.minutes} |`,
    ),
    ...(people
      ? [
          '',
          `## In the room, as of ${asOf}`,
          '',
          ...(people.length === 0
            ? ['Everyone does everything as taught.']
            : people.map(({ names, text }) => `- **${plain(names)}**: ${plain(text)}`)),
        ]
      : []),
    '',
    '## Let go at once',
    '',
    `${plain(stopSigns)}. ${plain(emergency)}`,
    '',
    PAPER_FOOT,
  ];
  return `${lines.join('\n')}\n`;
}

/** What stands at the foot of every plan on paper. */
export const PAPER_FOOT = 'Planning help, no medical advice. Instructions without reasons; destroy after class.';

/** Typed text as Markdown that says it and nothing more. @example plain('*a* | b') // "\\*a\\* \\| b" */
export function plain(text: string): string {
  const entities: Readonly<Record<string, string>> = { '&': '&amp;', '<': '&lt;', '>': '&gt;' };
  return text
    .replace(/[&<>]/g, (sign) => entities[sign])
    .replace(/[\\`*_{}[\]#|~]/g, (sign) => `\\${sign}`)
    .replace(/\s+/g, ' ');
}

/** What people of the cohort practise at home until the next class, from what a class did. */
export interface Handout {
  readonly studio: string;
  readonly course: string;
  readonly when: string;
  readonly until: string;
  readonly practices: readonly {
    readonly name: string;
    readonly how: string;
    readonly dose: string;
    readonly written: string;
    readonly strip: ReturnType<typeof stripOf>;
  }[];
  readonly stopSigns: string;
  readonly emergency: string;
}

/** At home at most so many minutes of one thing, and so many things. */
const HOME_MINUTES = 5;
const HOME_THINGS = 3;

/**
 * A handout of what a class practised that may be practised alone: no names, nobody's instructions, nothing above the second rung.
 * @param next the next class; null after the last
 */
export function handout(
  facts: Pick<PlanFacts, 'studio' | 'course' | 'date' | 'blocks' | 'stopSigns' | 'emergency'>,
  next: IsoDate | null,
  basis: Basis,
): Handout {
  const read = readSession(facts.blocks, basis);
  const home = techniquesIn(facts.blocks).filter((block) => isForHome(basis.library.technique(block.technique), block));
  return {
    studio: facts.studio,
    course: facts.course,
    when: `After the class on ${dayText(facts.date)}`,
    until: next ? `until the next class on ${dayText(next)}` : 'for as long as you like it',
    practices: home.slice(-HOME_THINGS).map((block) => {
      const { pattern, pace, timing } = read[facts.blocks.indexOf(block)];
      const known = basis.library.technique(block.technique);
      const minutes = Math.min(HOME_MINUTES, Math.max(1, Math.round(timing.planned / 60_000)));
      return {
        name: block.name ?? known.name,
        how: howText(mustParsePattern(block.pattern).kind === 'natural' ? [] : known.of.cues),
        dose: `${trimNumber(minutes)} ${minutes === 1 ? 'minute' : 'minutes'}, once a day, at your own pace`,
        ...drawn(pattern, pace),
      };
    }),
    stopSigns: facts.stopSigns.join(', '),
    emergency: facts.emergency,
  };
}

const howText = (cues: readonly OwnCue[]) =>
  cues
    .slice(0, 3)
    .map(({ say }) => say)
    .join('. ');

/** What holds for whoever practises at home. */
export const HOME_LINES = [
  'If something was changed for you in class, do it as you did it there, or breathe naturally.',
  'Seated or lying, never in water, at the wheel, or after a meal that still sits. Letting go is always allowed.',
] as const;
