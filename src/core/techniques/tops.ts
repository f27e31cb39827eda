import { formatDose } from '../pattern';
import type { Technique } from './technique';
import { VARIANTS } from './variants';

/**
 * How far a practice grows in a course, in minutes or in rounds as it is taught: what is usual for somebody who practises it regularly.
 * Where nothing stands here, it is not grown.
 */
const TOPS: Readonly<Record<string, number>> = {
  natural: 10,
  belly: 10,
  deepened: 10,
  'equal-4-4': 12,
  'longer-3-4': 10,
  'longer-4-5': 12,
  'longer-5-6': 12,
  'longer-6-7': 15,
  'longer-4-6': 12,
  'longer-4-7': 12,
  'longer-4-8': 15,
  'equal-4-4-4': 8,
  'square-4': 10,
  'square-6': 10,
  'square-8': 10,
  '4-7-8': 8,
  'throat-sound': 10,
  hissing: 8,
  humming: 12,
  'five-finger': 15,
  'both-in-4-4': 22,
  'alternate-4-4': 36,
  'alternate-4-6': 30,
  'alternate-4-8': 25,
  'alternate-pause': 30,
  'alternate-hold-1': 25,
  'alternate-hold-2': 25,
  'alternate-hold-3': 25,
  'alternate-hold-4': 25,
  'left-in': 45,
  'left-only': 21,
  'right-in': 45,
  'right-in-hold-2': 30,
  'right-in-hold-3': 30,
  'right-in-hold-4': 30,
  'right-in-hold-5': 30,
  'right-in-hold-6': 30,
  'right-in-hold-7': 30,
  'right-in-hold-8': 30,
  'right-only': 21,
  'comfort-holds': 12,
  'throat-empty': 6,
};

/** The most minutes of a technique of a studio's own that says nothing else. */
const OWN_MINUTES = 10;

const SHIPPED = new Set(VARIANTS.map(({ id }) => id));

/** How far a technique grows, as a dose in its own measure. @example topOf(library.technique('belly')) // "10 min" */
export function topOf({ id, read: { dose } }: Pick<Technique, 'id' | 'read'>): string {
  if (dose.kind === 'rounds') return formatDose({ ...dose, rounds: Math.max(dose.rounds, TOPS[id] ?? 0) });
  return formatDose({ ...dose, minutes: Math.max(dose.minutes, TOPS[id] ?? (SHIPPED.has(id) ? 0 : OWN_MINUTES)) });
}
