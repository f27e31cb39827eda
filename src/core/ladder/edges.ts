import { plainPatterns } from '../pattern';
import { TECHNIQUES, techniqueOf } from '../techniques';

/** "To be taught `to`, `needs` must have been practised in so many sessions, and so many days ago at first." */
export interface Edge {
  readonly to: string;
  readonly needs: string;
  readonly sessions: number;
  readonly days: number;
}

/** Chains of the default ladder: each technique needs the one before it. */
const CHAINS: readonly (readonly string[])[] = [
  ['natural', 'belly', 'deepened', 'equal-4-4', 'longer-3-4', 'longer-4-5', 'longer-5-6', 'longer-6-7'],
  ['longer-4-5', 'longer-4-6', 'longer-4-7', 'longer-4-8'],
  ['equal-4-4', 'equal-4-4-4', 'square-4', 'square-6', 'square-8'],
  ['equal-4-4-4', 'square-layers'],
  ['longer-6-7', 'longer-ascending'],
  ['equal-4-4-4', '4-7-8'],
  ['longer-4-6', '4-7-8'],
  ['deepened', 'throat-sound'],
  ['deepened', 'hissing'],
  ['deepened', 'five-finger'],
  ['equal-4-4', 'both-in-4-4', 'alternate-4-4', 'alternate-4-6', 'alternate-4-8'],
  ['alternate-4-4', 'alternate-pause', 'alternate-hold-1', 'alternate-hold-2', 'alternate-hold-3', 'alternate-hold-4'],
  ['equal-4-4-4', 'alternate-hold-1'],
  ['alternate-4-4', 'left-in'],
  ['alternate-4-4', 'left-only'],
  ['alternate-4-4', 'right-only'],
  [
    'alternate-4-4',
    'right-in',
    'right-in-hold-2',
    'right-in-hold-3',
    'right-in-hold-4',
    'right-in-hold-5',
    'right-in-hold-6',
    'right-in-hold-7',
    'right-in-hold-8',
  ],
  ['equal-4-4-4', 'right-in-hold-2'],
  ['longer-4-6', 'pumps-27', 'pumps-54', 'pumps-108'],
  ['belly', 'pumps-27'],
  ['throat-sound', 'comfort-holds', 'throat-empty', 'throat-grid'],
  ['square-4', 'comfort-holds'],
  ['belly', 'connected'],
  ['longer-4-6', 'connected'],
  ['square-8', 'long-square-10', 'long-square-25'],
  ['comfort-holds', 'long-square-10'],
];

/** Into holds, empty holds, pumps and connected breath: four sessions and ten days; otherwise two and four. */
function edge(needs: string, to: string): Edge {
  const strong = plainPatterns(techniqueOf(to).read.pattern).some(
    (part) =>
      part.kind === 'pumps' ||
      part.kind === 'connected' ||
      (part.kind === 'cycle' && part.phases.some(({ kind }) => kind === 'hold' || kind === 'empty')),
  );
  return { to, needs, sessions: strong ? 4 : 2, days: strong ? 10 : 4 };
}

/** The default ladder. A studio edits it. */
export const LADDER: readonly Edge[] = CHAINS.flatMap((chain) => chain.slice(1).map((to, index) => edge(chain[index], to)));

/** Whether a technique closes a nostril, and so wants its preparation. */
export function isSideWork(techniqueId: string): boolean {
  return plainPatterns(techniqueOf(techniqueId).read.pattern).some(
    (part) => part.kind === 'cycle' && part.phases.some(({ side }) => side !== 'both'),
  );
}

/** Techniques on no edge at all would float; there are none. */
export const UNCONNECTED = TECHNIQUES.filter(({ id }) => !LADDER.some(({ to, needs }) => to === id || needs === id)).map(({ id }) => id);
