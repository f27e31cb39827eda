import { mustParsePattern, plainPatterns } from '../pattern';
import { VARIANTS } from '../techniques';

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
  ['deepened', 'humming'],
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

/** How much practice an edge asks for: into holds, empty holds, pumps and connected breath more than otherwise. */
export const EDGE_NEEDS = { strong: { sessions: 4, days: 10 }, other: { sessions: 2, days: 4 } } as const;

/** What an edge up to a pattern asks for. @example edgeNeeds('4:7:8') // { sessions: 4, days: 10 } */
export function edgeNeeds(pattern: string): Pick<Edge, 'sessions' | 'days'> {
  const strong = plainPatterns(mustParsePattern(pattern)).some(
    (part) =>
      part.kind === 'pumps' ||
      part.kind === 'connected' ||
      (part.kind === 'cycle' && part.phases.some(({ kind }) => kind === 'hold' || kind === 'empty')),
  );
  return EDGE_NEEDS[strong ? 'strong' : 'other'];
}

const patterns = new Map(VARIANTS.map(({ id, pattern }) => [id, pattern]));

/** The shipped ladder. A studio adds edges of its own. */
export const SHIPPED_EDGES: readonly Edge[] = CHAINS.flatMap((chain) =>
  chain.slice(1).map((to, index) => ({ to, needs: chain[index], ...edgeNeeds(patterns.get(to) ?? 'natural') })),
);
