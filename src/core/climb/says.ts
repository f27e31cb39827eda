import { callsForHelp } from '../screening';
import type { Attendance, ClassLog } from '../teach';
import { GUARDS, READY_LIMITS, type Guards } from './limits';

/** What a class says of the climbs in it. */
export interface ClassSays {
  readonly answer: 'advance' | 'stay' | 'back';
  readonly came: number;
  readonly people: number;
  readonly easy: number;
  readonly strained: number;
  /** Stop signs, of everybody together. */
  readonly signs: number;
  /** Why, as a code; worded by {@link saysText}. */
  readonly because: 'enough' | 'strained' | 'help' | 'signs' | 'one sign' | 'few came' | 'not easy';
}

/**
 * Whether a climb goes on, stays or steps back, from who came, how it went and stop signs: by readiness, not by the calendar alone.
 * @param people how many the cohort has
 * @returns null when nobody came and nothing was seen, which says nothing
 * @example whatItSays(log, 11)?.answer // "advance" when 9 of 11 came, 8 easy, no stop sign
 */
export function whatItSays(
  { attendance, unnamed }: Pick<ClassLog, 'attendance' | 'unnamed'>,
  people: number,
  { easyShare, strainedBack }: Guards = GUARDS,
): ClassSays | null {
  const here = attendance.filter(({ came }) => came);
  if (here.length === 0 && unnamed.length === 0) return null;
  const count = (effort: Attendance['effort']) => here.filter((one) => one.effort === effort).length;
  const [easy, strained] = [count('easy'), count('strained')];
  // A sign of somebody nobody can name is a sign.
  const signs = here.reduce((sum, { stopSigns }) => sum + stopSigns.length, unnamed.length);
  const facts = { came: here.length, people, easy, strained, signs };
  if (callsForHelp([...unnamed, ...here.flatMap(({ stopSigns }) => stopSigns)])) return { ...facts, answer: 'back', because: 'help' };
  if (signs >= READY_LIMITS.signsBack) return { ...facts, answer: 'back', because: 'signs' };
  if (strained > 0 && strained >= here.length * strainedBack) return { ...facts, answer: 'back', because: 'strained' };
  if (signs > 0) return { ...facts, answer: 'stay', because: 'one sign' };
  if (here.length < people * READY_LIMITS.cameShare) return { ...facts, answer: 'stay', because: 'few came' };
  if (easy < here.length * easyShare) return { ...facts, answer: 'stay', because: 'not easy' };
  return { ...facts, answer: 'advance', because: 'enough' };
}

const percent = (share: number) => `${Math.round(share * 100)} %`;

/** What a class says, with its figures and its rule. @example saysText(says) // "9 of 11 came, 8 easy, none strained, no stop sign. Enough to go on." */
export function saysText({ came, people, easy, strained, signs, because }: ClassSays, { easyShare, strainedBack }: Guards = GUARDS): string {
  const facts = `${came} of ${people} came, ${easy} easy, ${strained === 0 ? 'none' : strained} strained, ${signs === 0 ? 'no stop sign' : signs === 1 ? 'one stop sign' : `${signs} stop signs`}.`;
  switch (because) {
    case 'enough':
      return `${facts} Enough to go on.`;
    case 'strained':
      return `${facts} ${percent(strainedBack)} strained or more goes back a step.`;
    case 'help':
      return `${facts} A sign that called for help goes back a step.`;
    case 'signs':
      return `${facts} ${READY_LIMITS.signsBack} stop signs go back a step.`;
    case 'one sign':
      return `${facts} A stop sign stays on the step.`;
    case 'few came':
      return `${facts} Fewer than half came, so it stays on the step.`;
    case 'not easy':
      return `${facts} Fewer than ${percent(easyShare)} found it easy, so it stays on the step.`;
  }
}
