import { techniquesIn, type TechniqueBlock } from '../plan';
import type { IsoDate } from '../units';
import { after, BLOCK_RULES, notEmpty, NOTHING_BEFORE, SESSION_RULES, type Before, type Finding } from './constraints';
import { mendFor, type Mend } from './mends';
import type { CourseSession, Planning } from './types';

/** How much harm: stop before anyone breathes, mend before it is taught, or know. */
export type Severity = 'stop' | 'mend' | 'know';

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
  closed: 'stop',
  standing: 'stop',
  'not settled': 'stop',
  'left out by all': 'stop',
  'out of order': 'stop',
  'too soon': 'stop',
  guard: 'mend',
  'nobody qualified': 'mend',
  'over time': 'mend',
  'no round fits': 'mend',
  'same time': 'mend',
  nobody: 'mend',
  'two new things': 'mend',
  'not prepared': 'mend',
  'wrong hour': 'mend',
  empty: 'mend',
  'other teacher': 'know',
  'after a pause': 'know',
  adapted: 'know',
  'near a limit': 'know',
};
const ORDER: readonly Severity[] = ['stop', 'mend', 'know'];

/**
 * Every finding of a course as it stands, most harmful first, then by date.
 * @example checkCourse(draft.sessions, planning).filter(({ severity }) => severity === 'stop') // []
 */
export function checkCourse(sessions: readonly CourseSession[], planning: Planning): Check[] {
  const ordered = inTimeOrder(sessions);
  const isPlanned = ordered.some(({ blocks }) => techniquesIn(blocks).length > 0);
  const checks: Check[] = [];
  let before: Before = NOTHING_BEFORE;
  for (const session of ordered) {
    const add = (finding: Finding, block: TechniqueBlock | null) =>
      checks.push({
        severity: HARM[finding.code],
        session: session.id,
        date: session.date,
        block: block?.id ?? null,
        technique: block?.technique ?? null,
        finding,
        mend: mendFor(finding, session, block, ordered, planning),
      });
    for (const block of session.blocks) {
      if (block.kind === 'technique')
        for (const rule of BLOCK_RULES) for (const finding of rule(block, session, before, planning)) add(finding, block);
    }
    for (const rule of SESSION_RULES.filter((one) => isPlanned || one !== notEmpty))
      for (const { finding, block } of rule(session, before, planning)) add(finding, block);
    before = after(before, session);
  }
  return byHarm(checks);
}

/** Checks with the most harmful first, then by date. */
export function byHarm(checks: readonly Check[]): Check[] {
  return [...checks].sort((a, b) => ORDER.indexOf(a.severity) - ORDER.indexOf(b.severity) || a.date.localeCompare(b.date));
}

/** A finding about a class as a whole, that nothing mends in one step. */
export function finding(session: CourseSession, of: Finding): Check {
  return { severity: HARM[of.code], session: session.id, date: session.date, block: null, technique: null, finding: of, mend: null };
}

/** What is the director's to judge: it can be accepted with a reason, and is silent from then on. Everything else stands. */
const JUDGED: readonly Finding['code'][] = [
  'out of order',
  'too soon',
  'guard',
  'over time',
  'two new things',
  'same time',
  'not prepared',
  'wrong hour',
  'empty',
];

/** Whether a check may be accepted with a reason. @example mayAccept({ code: 'wrong hour', hours: ['morning'] }) // true */
export function mayAccept({ code }: Pick<Finding, 'code'>): boolean {
  return JUDGED.includes(code);
}

/** What a director may publish over, with a reason. */
const WITH_A_REASON: readonly Finding['code'][] = ['out of order', 'too soon', 'guard', 'wrong hour'];

/** How a check stands to publishing the class it is about. @example publishes({ severity: 'stop', finding: { code: 'too soon', lacking } }) // "with a reason" */
export function publishes({ severity, finding: { code } }: Pick<Check, 'severity' | 'finding'>): 'freely' | 'with a reason' | 'not at all' {
  if (WITH_A_REASON.includes(code)) return 'with a reason';
  return severity === 'stop' ? 'not at all' : 'freely';
}

/** By what an accepted check is known again: what it is about and what it says. Whatever changes that brings it back. */
export function checkKey({ session, technique, finding: of }: Pick<Check, 'session' | 'technique' | 'finding'>, text: string): string {
  return [session, technique ?? '', of.code, text].join('|');
}

/** Sessions from the first to the last. */
export function inTimeOrder<Of extends Pick<CourseSession, 'date' | 'start'>>(sessions: readonly Of[]): Of[] {
  return [...sessions].sort((a, b) => (a.date + a.start).localeCompare(b.date + b.start));
}
