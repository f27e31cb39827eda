import type { TechniqueBlock } from '../plan';
import type { IsoDate } from '../units';
import { after, BLOCK_RULES, NOTHING_BEFORE, SESSION_RULES, type Before, type Finding } from './constraints';
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
  standing: 'stop',
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
const ORDER: readonly Severity[] = ['stop', 'mend', 'know'];

/**
 * Every finding of a course as it stands, most harmful first, then by date.
 * @example checkCourse(draft.sessions, planning).filter(({ severity }) => severity === 'stop') // []
 */
export function checkCourse(sessions: readonly CourseSession[], planning: Planning): Check[] {
  const ordered = inTimeOrder(sessions);
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
    for (const rule of SESSION_RULES) for (const { finding, block } of rule(session, before, planning)) add(finding, block);
    before = after(before, session);
  }
  return checks.sort((a, b) => ORDER.indexOf(a.severity) - ORDER.indexOf(b.severity) || a.date.localeCompare(b.date));
}

/** Sessions from the first to the last. */
export function inTimeOrder<Of extends Pick<CourseSession, 'date' | 'start'>>(sessions: readonly Of[]): Of[] {
  return [...sessions].sort((a, b) => (a.date + a.start).localeCompare(b.date + b.start));
}
