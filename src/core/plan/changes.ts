import { mustParsePattern, shortPattern, type CyclePattern, type PhaseKind } from '../pattern';
import { trimNumber } from '../units';
import { setupWord } from '../techniques';
import { minutesUp, readBlock, sessionTime, setupOf, type Basis, type NamedBlock, type TechniqueBlock } from './block';

/** One thing that a later version of a plan has otherwise, as a code; worded by {@link changeLine}. */
export type PlanChange =
  | { readonly code: 'added' | 'left out'; readonly name: string }
  | { readonly code: 'minutes'; readonly name: string; readonly from: number; readonly to: number }
  | { readonly code: 'technique'; readonly name: string; readonly facts: readonly BlockFact[] }
  | { readonly code: 'order' }
  /** What the class is for, or what its teacher should know; empty where it was taken back. */
  | { readonly code: 'purpose' | 'note'; readonly text: string }
  /** The whole plan, in milliseconds: longer when positive. */
  | { readonly code: 'length'; readonly by: number };

export type BlockFact =
  | { readonly code: 'counts'; readonly phase: PhaseKind; readonly from: number; readonly to: number }
  | { readonly code: 'pattern' | 'dose' | 'done'; readonly from: string; readonly to: string }
  | { readonly code: 'lines'; readonly lines: readonly string[] }
  | { readonly code: 'note'; readonly text: string }
  /** Milliseconds a count. */
  | { readonly code: 'tempo'; readonly from: number; readonly to: number };

/**
 * What a later version of a plan changed.
 * @example changesBetween(v1, v2, basis).map(changeLine) // ["4:7:8: hold in 4 → 6 counts", "Hissing exhale left out", "+2 min"]
 */
export function changesBetween(before: readonly NamedBlock[], after: readonly NamedBlock[], basis: Basis): PlanChange[] {
  const old = new Map(before.map((block) => [block.id, block]));
  const kept = new Set(after.map(({ id }) => id));
  const by = sessionTime(after, basis) - sessionTime(before, basis);
  const order = (blocks: readonly NamedBlock[]) =>
    blocks
      .map(({ id }) => id)
      .filter((id) => kept.has(id) && old.has(id))
      .join();
  return [
    ...after.flatMap((block): PlanChange[] => {
      const was = old.get(block.id);
      return was ? changesOf(was, block, basis) : [{ code: 'added', name: readBlock(block, basis).name }];
    }),
    ...before.filter(({ id }) => !kept.has(id)).map((block): PlanChange => ({ code: 'left out', name: readBlock(block, basis).name })),
    ...(order(before) === order(after) ? [] : [{ code: 'order' } as const]),
    ...(by === 0 ? [] : [{ code: 'length', by } as const]),
  ];
}

function changesOf(was: NamedBlock, is: NamedBlock, basis: Basis): PlanChange[] {
  const { name } = readBlock(is, basis);
  if (was.kind !== 'technique' || is.kind !== 'technique') {
    const [from, to] = [was, is].map((block) => readBlock(block, basis).timing.planned);
    const facts = toldFacts(was, is, basis);
    return [
      ...(from === to ? [] : [{ code: 'minutes', name, from, to } as const]),
      ...(facts.length > 0 ? [{ code: 'technique', name, facts } as const] : []),
    ];
  }
  const facts: BlockFact[] = [
    ...patternFacts(was, is),
    ...(was.dose === is.dose ? [] : [{ code: 'dose', from: was.dose, to: is.dose } as const]),
    ...(was.tempo === is.tempo ? [] : [{ code: 'tempo', from: was.tempo, to: is.tempo } as const]),
    ...toldFacts(was, is, basis),
  ];
  return facts.length > 0 ? [{ code: 'technique', name, facts }] : [];
}

/** How it is done, and what is said in it. */
function toldFacts(was: NamedBlock, is: NamedBlock, basis: Basis): BlockFact[] {
  const [before, after] = [was, is].map((block) => setupOf(block, basis));
  const done = (['seat', 'eyes', 'by'] as const).flatMap((key): BlockFact[] => {
    const [from, to] = [before, after].map((setup) => setupWord(setup, key));
    return from === to ? [] : [{ code: 'done', from, to }];
  });
  const [from, to] = [before, after].map(({ moves }) => moves.join(', ') || 'no movement');
  const [said, says] = [was.lines ?? [], is.lines ?? []];
  return [
    ...done,
    ...(from === to ? [] : [{ code: 'done', from, to } as const]),
    ...(said.join('/') === says.join('/') ? [] : [{ code: 'lines', lines: says } as const]),
    ...((was.note ?? '') === (is.note ?? '') ? [] : [{ code: 'note', text: is.note ?? '' } as const]),
  ];
}

function patternFacts(was: TechniqueBlock, is: TechniqueBlock): BlockFact[] {
  if (was.pattern === is.pattern) return [];
  const [before, after] = [mustParsePattern(was.pattern), mustParsePattern(is.pattern)];
  const counts = before.kind === 'cycle' && after.kind === 'cycle' ? countFacts(before, after) : [];
  return counts.length > 0 ? counts : [{ code: 'pattern', from: shortPattern(before), to: shortPattern(after) }];
}

/** Phase by phase, when both are the same phases with other counts. */
function countFacts(before: CyclePattern, after: CyclePattern): BlockFact[] {
  if (before.phases.map(({ kind }) => kind).join() !== after.phases.map(({ kind }) => kind).join()) return [];
  return after.phases.flatMap(({ kind, length }, index): BlockFact[] => {
    const old = before.phases[index].length;
    return old.unit === 'counts' && length.unit === 'counts' && old.n !== length.n
      ? [{ code: 'counts', phase: kind, from: old.n, to: length.n }]
      : [];
  });
}

const PHASE_NAMES: Readonly<Record<PhaseKind, string>> = { in: 'in', hold: 'hold in', out: 'out', empty: 'hold out', pause: 'pause' };

/** What a director says of a class as a whole. */
export interface Voice {
  readonly purpose: string;
  readonly note: string;
}

/** What a later version of a plan says otherwise of the class as a whole. */
export function voiceChanges(before: Voice, after: Voice): PlanChange[] {
  return (['purpose', 'note'] as const).flatMap((code) => (before[code] === after[code] ? [] : [{ code, text: after[code] }]));
}

/** What would go out again of what was said: a purpose that nobody says by hand stays the one it went out with. */
export const saidAgain = <Said extends Voice>(now: Said, before: Voice): Said => (now.purpose === '' ? { ...now, purpose: before.purpose } : now);

/** A change in the words of the work. @example changeLine({ code: 'length', by: 288_000 }) // "+4.8 min" */
export function changeLine(change: PlanChange): string {
  switch (change.code) {
    case 'added':
      return `${change.name} added`;
    case 'left out':
      return `${change.name} left out`;
    case 'minutes':
      return `${change.name}: ${minutesUp(change.from)} → ${minutesUp(change.to)} min`;
    case 'technique':
      return `${change.name}: ${change.facts.map(factText).join(', ')}`;
    case 'purpose':
      return change.text === '' ? 'no purpose is given any more' : `for today: “${change.text}”`;
    case 'note':
      return change.text === '' ? 'no note any more' : `a note: “${change.text}”`;
    case 'order':
      return 'the order changed';
    case 'length':
      return `${change.by > 0 ? '+' : '−'}${lengthText(Math.abs(change.by))}`;
  }
}

function factText(fact: BlockFact): string {
  switch (fact.code) {
    case 'counts':
      return `${PHASE_NAMES[fact.phase]} ${fact.from} → ${fact.to} counts`;
    case 'lines':
      return fact.lines.length > 0 ? `said: ${fact.lines.map((line) => `“${line}”`).join(', ')}` : 'no line of our own';
    case 'note':
      return fact.text === '' ? 'no note any more' : `a note: “${fact.text}”`;
    case 'tempo':
      return `tempo ${trimNumber(fact.from / 1000)} → ${trimNumber(fact.to / 1000)} s a count`;
    default:
      return `${fact.from} → ${fact.to}`;
  }
}

/** Minutes to a tenth, seconds below one. @example lengthText(12_000) // "12 s" */
function lengthText(ms: number): string {
  return ms < 60_000 ? `${trimNumber(Math.round(ms / 100) / 10)} s` : `${trimNumber(Math.round(ms / 6000) / 10)} min`;
}
