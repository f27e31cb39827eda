import { growthFindings, rungFindings, type GuardFinding } from '../climb';
import { isSideWork, shortfalls, type Shortfall } from '../ladder';
import { readBlock, sessionTime, type Block, type TechniqueBlock } from '../plan';
import { techniqueOf } from '../techniques';
import { daysBetween, millis, type IsoDate } from '../units';
import { hourOf, type CourseSession, type CourseSetting, type Tally } from './types';

/** How much harm: stop before anyone breathes, mend before it is taught, or know. */
export type Severity = 'stop' | 'mend' | 'know';

export type Finding =
  | { readonly code: 'out of order' | 'too soon'; readonly lacking: Shortfall }
  | { readonly code: 'over time'; readonly planned: number; readonly minutes: number }
  | { readonly code: 'two new things'; readonly names: readonly string[] }
  | { readonly code: 'wrong hour'; readonly hours: readonly string[] }
  | { readonly code: 'guard'; readonly finding: GuardFinding }
  | { readonly code: 'left out by all' | 'adapted' | 'near a limit'; readonly tally: Tally }
  | { readonly code: 'nobody qualified' }
  | { readonly code: 'not prepared' }
  | { readonly code: 'no round fits' };

/** A one-step way to mend a check. */
export type Mend =
  | { readonly kind: 'move'; readonly block: string; readonly to: string }
  | { readonly kind: 'shorten rest'; readonly block: string; readonly minutes: number }
  | { readonly kind: 'add preparation'; readonly before: string };

export interface Check {
  readonly severity: Severity;
  readonly session: string;
  readonly date: IsoDate;
  readonly block: string | null;
  readonly technique: string | null;
  readonly finding: Finding;
  readonly mend: Mend | null;
}

const HARM: Readonly<Record<Finding['code'], Severity>> = {
  'left out by all': 'stop',
  'out of order': 'stop',
  'too soon': 'stop',
  guard: 'mend',
  'nobody qualified': 'mend',
  'over time': 'mend',
  'no round fits': 'mend',
  'two new things': 'mend',
  'not prepared': 'mend',
  'wrong hour': 'mend',
  adapted: 'know',
  'near a limit': 'know',
};

interface Last {
  readonly block: TechniqueBlock;
  readonly date: IsoDate;
}

/**
 * Every finding of a course as it stands, most harmful first, then by date.
 * @example checkCourse(draft.sessions, setting).filter(({ severity }) => severity === 'stop') // []
 */
export function checkCourse(sessions: readonly CourseSession[], setting: CourseSetting): Check[] {
  const checks: Check[] = [];
  const practised = new Map<string, IsoDate[]>();
  const last = new Map<string, Last>();
  const ordered = [...sessions].sort((a, b) => (a.date + a.start).localeCompare(b.date + b.start));
  for (const session of ordered) {
    const add = (finding: Finding, block: TechniqueBlock | null = null, mend: Mend | null = null) =>
      checks.push({
        severity: HARM[finding.code],
        session: session.id,
        date: session.date,
        block: block?.id ?? null,
        technique: block?.technique ?? null,
        finding,
        mend,
      });
    const techniques = session.blocks.filter((block) => block.kind === 'technique');
    for (const block of techniques) {
      for (const lacking of shortfalls(setting.ladder, block.technique, session.date, practised, setting.already)) {
        add({ code: lacking.kind === 'too soon' ? 'too soon' : 'out of order', lacking }, block, moveLater(ordered, session, block, setting));
      }
      for (const finding of blockFindings(block, session, setting, last.get(block.technique))) add(finding, block);
    }
    for (const { finding, block, mend } of preparationFindings(session.blocks)) add(finding, block, mend);
    const news = newThings(techniques, practised, last, setting);
    if (news.length > 1) add({ code: 'two new things', names: news });
    const planned = sessionTime(session.blocks, setting.naturalBreath);
    if (planned > session.minutes * 60_000) add({ code: 'over time', planned, minutes: session.minutes }, null, shorterRest(session, planned));
    for (const block of techniques) {
      practised.set(block.technique, [...(practised.get(block.technique) ?? []).filter((date) => date !== session.date), session.date]);
      last.set(block.technique, { block, date: session.date });
    }
  }
  const order: readonly Severity[] = ['stop', 'mend', 'know'];
  return checks.sort((a, b) => order.indexOf(a.severity) - order.indexOf(b.severity));
}

function blockFindings(block: TechniqueBlock, session: CourseSession, setting: CourseSetting, last: Last | undefined): Finding[] {
  const technique = techniqueOf(block.technique);
  const pace = { tempo: millis(block.tempo), naturalBreath: setting.naturalBreath };
  const done = (of: TechniqueBlock) => ({ pattern: of.pattern, dose: of.dose, pace: { ...pace, tempo: millis(of.tempo) } });
  const guards = [
    ...rungFindings(done(block), technique.rung),
    ...(last ? growthFindings(done(last.block), done(block), daysBetween(last.date, session.date)) : []),
  ];
  const tally = setting.tally(block, session.date);
  const unable = tally.leaveOut + tally.askFirst;
  return [
    ...guards.map((finding): Finding => ({ code: 'guard', finding })),
    ...(technique.taughtAt.includes(hourOf(session.start)) ? [] : [{ code: 'wrong hour', hours: technique.taughtAt } as const]),
    ...(tally.people > 0 && unable === tally.people ? [{ code: 'left out by all', tally } as const] : []),
    ...(unable + tally.adapt > 0 && unable < tally.people ? [{ code: 'adapted', tally } as const] : []),
    ...(tally.near > 0 && unable < tally.people ? [{ code: 'near a limit', tally } as const] : []),
    ...(setting.qualified.has(technique.family) ? [] : [{ code: 'nobody qualified' } as const]),
    ...(readBlock(block, setting.naturalBreath).timing.fits ? [] : [{ code: 'no round fits' } as const]),
  ];
}

/** Side work wants a clear nose, checked in the same session and before it. */
function preparationFindings(blocks: readonly Block[]) {
  const first = blocks.findIndex((block) => block.kind === 'technique' && isSideWork(block.technique));
  const cleared = blocks.findIndex((block) => block.kind !== 'technique' && block.part === 'clear-nose');
  const block = blocks[first];
  if (first < 0 || block.kind !== 'technique' || (cleared >= 0 && cleared < first)) return [];
  return [{ finding: { code: 'not prepared' } as const, block, mend: { kind: 'add preparation', before: block.id } as const }];
}

/** A technique introduced, or a step of its counts; volume is not new. */
function newThings(
  techniques: readonly TechniqueBlock[],
  practised: ReadonlyMap<string, readonly IsoDate[]>,
  last: ReadonlyMap<string, Last>,
  setting: CourseSetting,
): string[] {
  return techniques
    .filter(({ technique, pattern }) => {
      const before = last.get(technique);
      if (before) return before.block.pattern !== pattern;
      return !practised.has(technique) && !setting.already.has(technique);
    })
    .map(({ technique }) => techniqueOf(technique).name);
}

/** The first later session in which the block's needs would be met, if there is one. */
function moveLater(ordered: readonly CourseSession[], from: CourseSession, block: TechniqueBlock, setting: CourseSetting): Mend | null {
  for (const session of ordered.filter(({ date, fixed }) => date > from.date && !fixed)) {
    const practised = practisedBefore(ordered, session.date);
    if (shortfalls(setting.ladder, block.technique, session.date, practised, setting.already).length === 0)
      return { kind: 'move', block: block.id, to: session.id };
  }
  return null;
}

/** On which dates each technique is practised before a date. */
export function practisedBefore(sessions: readonly CourseSession[], date: IsoDate): Map<string, IsoDate[]> {
  const practised = new Map<string, IsoDate[]>();
  for (const session of sessions.filter((each) => each.date < date)) {
    for (const block of session.blocks) {
      if (block.kind === 'technique') practised.set(block.technique, [...(practised.get(block.technique) ?? []), session.date]);
    }
  }
  return practised;
}

/** A shorter lying rest, when at least five minutes of it remain. */
function shorterRest(session: CourseSession, planned: number): Mend | null {
  const over = Math.ceil((planned - session.minutes * 60_000) / 60_000);
  const rest = session.blocks.find((block) => block.kind === 'rest' && block.minutes - over >= 5);
  return rest?.kind === 'rest' ? { kind: 'shorten rest', block: rest.id, minutes: rest.minutes - over } : null;
}
