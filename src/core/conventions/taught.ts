import {
  formatDose,
  formatPattern,
  gridRounds,
  mustParseDose,
  mustParsePattern,
  plainPatterns,
  plainPhase,
  roomPattern,
  type CyclePattern,
  type Dose,
  type Pattern,
  type Phase,
  type PlainPattern,
  type Rest,
  type WholePattern,
} from '../pattern';
import type { Technique } from '../techniques';
import { QUESTIONS, schoolsOf, wayText, type Counting, type Question, type Schools, type StudioSchools } from './questions';

/** A technique as this studio teaches it: canonical notation. */
export interface TaughtAs {
  readonly pattern: string;
  readonly dose: string;
}

/**
 * A shipped technique in the ways a studio chose.
 * @example taughtAs(library.technique('alternate-4-4'), { studio: { ...DEFAULT_SCHOOLS, 'alternate side': 'right-right' }, own: {} }).pattern
 * // "in 4 right, out 4 left, alternating"
 */
export function taughtAs(technique: Technique, studio: StudioSchools): TaughtAs {
  const schools = schoolsOf(studio, technique.id);
  const asked = QUESTIONS.filter(({ families }) => families?.includes(technique.family));
  const change = (of: Question['id']) => asked.some(({ id, ways }) => id === of && schools[of] !== ways[0]);
  let { pattern, dose }: { pattern: Pattern; dose: Dose } = technique.read;
  if (change('alternate side')) pattern = schools['alternate side'] === 'right-right' ? mirrored(pattern) : withEntry(pattern);
  if (change('first exhale')) pattern = mirrored(pattern);
  if (change('round')) dose = { ...dose, cyclesPerRound: breathsInRound(schools) };
  if (change('connected route') && pattern.kind === 'connected') pattern = { ...pattern, route: schools['connected route'] };
  if (change('connected breaks')) dose = { ...dose, rests: [breakOf(Number.parseInt(schools['connected breaks'], 10))] };
  return { pattern: formatPattern(pattern), dose: formatDose(dose) };
}

const breakOf = (seconds: number): Rest => ({ low: seconds, high: seconds, unit: 'seconds', every: 'round', afterLast: false });

function breathsInRound(schools: Schools): number {
  return schools.round === 'one-breath' ? 1 : 2;
}

const crossed = (phase: Phase): Phase => (phase.side === 'both' ? phase : { ...phase, side: phase.side === 'left' ? 'right' : 'left' });

function mirrored(pattern: Pattern): Pattern {
  return pattern.kind === 'cycle' ? { ...pattern, phases: pattern.phases.map(crossed) } : pattern;
}

/** One breath in and out through both before each set, as long as the first of its cycle. */
function withEntry(pattern: Pattern): Pattern {
  if (pattern.kind !== 'cycle' || pattern.entry.length > 0) return pattern;
  const breath = pattern.phases.filter(({ kind }) => kind === 'in' || kind === 'out').map(({ kind, length }) => plainPhase(kind, length));
  return { ...pattern, entry: breath };
}

/**
 * Notation with what a round is written out, so that what is planned stays as it is when the studio counts rounds another way:
 * two breaths where sides alternate, three in a grid, in a stage as in a block of its own.
 * @example writtenOut('in 4 left, out 6 right, alternating', '9 rounds', NO_CHANGES, 'alternate-4-6').dose // "9 rounds of 2"
 */
export function writtenOut(pattern: string, dose: string, studio: StudioSchools, technique: string): TaughtAs {
  const written = withRounds(mustParsePattern(pattern), mustParseDose(dose), schoolsOf(studio, technique));
  return { pattern: formatPattern(written.pattern), dose: formatDose(written.dose) };
}

/** A pattern and a dose whose rounds are as many cycles as the school says, where nobody said. */
export function withRounds(pattern: Pattern, dose: Dose, schools: Schools): { readonly pattern: Pattern; readonly dose: Dose } {
  const room = roomPattern(pattern);
  const cycles = room.kind === 'cycle' ? usualRound(room, schools) : 1;
  const counted = dose.cyclesPerRound === null && cycles > 1 ? { ...dose, cyclesPerRound: cycles } : dose;
  if (pattern.kind === 'options')
    return {
      pattern: { ...pattern, options: pattern.options.map((one) => ({ ...one, pattern: stagesWritten(one.pattern, schools) })) },
      dose: counted,
    };
  return { pattern: stagesWritten(pattern, schools), dose: counted };
}

function stagesWritten(pattern: WholePattern, schools: Schools): WholePattern {
  if (pattern.kind !== 'stages') return pattern;
  const stages = pattern.stages.map((stage) => {
    const cycles = usualRound(stage.pattern, schools);
    const { amount } = stage;
    return amount.unit === 'rounds' && amount.cyclesPerRound === null && cycles > 1
      ? { ...stage, amount: { ...amount, cyclesPerRound: cycles } }
      : stage;
  });
  return { ...pattern, stages };
}

function usualRound(pattern: PlainPattern, schools: Schools): number {
  if (pattern.kind !== 'cycle') return 1;
  if (gridRounds(pattern) > 1) return 3;
  return pattern.alternating ? breathsInRound(schools) : 1;
}

/** What the chosen ways ask to be said as a technique begins, its own cues aside. */
export function schoolCues(pattern: Pattern, schools: Schools): string[] {
  const cycles = plainPatterns(pattern).filter((plain): plain is CyclePattern => plain.kind === 'cycle');
  const phases = cycles.flatMap((cycle) => cycle.phases);
  const holds = cycles.some(({ phases: all }) => all.some(({ kind }, index) => kind === 'hold' && index > 0 && !all[index - 1].nineTenths));
  return [
    ...(phases.some(({ side }) => side !== 'both') ? [handCue(schools)] : []),
    ...(holds && schools.fullness === 'nine-tenths' ? ['Nine tenths full before the hold'] : []),
  ];
}

function handCue(schools: Schools): string {
  const position = schools['hand position'];
  if (position === 'imagined') return 'Sides imagined, hands resting';
  if (position === 'index-finger') {
    const [first, then] = schools.hand === 'left' ? ['left', 'right'] : ['right', 'left'];
    return `${schools.hand === 'left' ? 'Left' : 'Right'} hand, the index finger alone: it closes ${first}, then crosses to ${then}`;
  }
  const [thumb, ring] = schools.hand === 'left' ? ['left', 'right'] : ['right', 'left'];
  const how = position === 'teachers-choice' ? '' : `, ${wayText('hand position', position)}`;
  return `${schools.hand === 'left' ? 'Left' : 'Right'} hand${how}: thumb closes ${thumb}, ring finger ${ring}`;
}

/** Whether the number spoken in a phase goes up. */
export function countsUp(kind: Phase['kind'] | 'pumps', counting: Counting): boolean {
  if (kind === 'pumps') return true;
  const rising = kind === 'in' || (counting === 'up-with-holds' && (kind === 'hold' || kind === 'empty'));
  return counting === 'up' || (rising && counting !== 'down');
}

/** The questions that bear on a technique. */
export function questionsFor(technique: Technique): readonly Question[] {
  const phases = plainPatterns(technique.read.pattern).flatMap((plain) => (plain.kind === 'cycle' ? plain.phases : []));
  return QUESTIONS.filter(({ id, families }) => {
    if (families) return families.includes(technique.family);
    return id === 'fullness' ? phases.some(({ kind }) => kind === 'hold') : phases.some(({ length }) => length.unit === 'counts');
  });
}
