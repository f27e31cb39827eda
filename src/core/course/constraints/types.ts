import { levelAfter, type GuardFinding } from '../../climb';
import type { Shortfall } from '../../ladder';
import { techniquesIn, type TechniqueBlock } from '../../plan';
import type { IsoDate } from '../../units';
import type { CourseSession, Planning, Tally } from '../types';

export type Finding =
  | { readonly code: 'out of order' | 'too soon'; readonly lacking: Shortfall }
  | { readonly code: 'over time'; readonly planned: number; readonly minutes: number }
  | { readonly code: 'two new things'; readonly names: readonly string[] }
  | { readonly code: 'wrong hour'; readonly hours: readonly string[] }
  | { readonly code: 'guard'; readonly finding: GuardFinding }
  | { readonly code: 'left out by all' | 'adapted' | 'near a limit'; readonly tally: Tally }
  | { readonly code: 'nobody qualified' | 'not settled' | 'empty' }
  | { readonly code: 'other teacher'; readonly names: readonly string[] }
  | { readonly code: 'after a pause'; readonly days: number; readonly missed: number }
  | { readonly code: 'closed'; readonly reason: string }
  | { readonly code: 'same time'; readonly name: string; readonly shares: 'cohort' | 'teacher' }
  /** Nobody has it in hand, or whoever has it is away. */
  | { readonly code: 'nobody'; readonly away: string | null }
  | { readonly code: 'not prepared'; readonly part: 'clear-nose' | 'movement' }
  | { readonly code: 'no round fits' }
  | { readonly code: 'standing' };

/** The level a technique is on, and when it was last practised: after a lighter class it is the level before that. */
export interface Last {
  readonly block: TechniqueBlock;
  readonly date: IsoDate;
}

/** What came before a class: on which dates each technique was practised, and how it was done last. */
export interface Before {
  readonly practised: ReadonlyMap<string, readonly IsoDate[]>;
  readonly last: ReadonlyMap<string, Last>;
  /** Minutes of the lying rest in the class before; null where there was none. */
  readonly rest: number | null;
}

/** The part of a class that a rule about one technique looks at. */
export type Day = Pick<CourseSession, 'date' | 'start'>;

/** A rule about one technique in one class. The checks ask it of what stands there, the drafter of what might. */
export type BlockRule = (block: TechniqueBlock, day: Day, before: Before, planning: Planning) => readonly Finding[];

/** A rule about a class as a whole; a finding may be about one of its blocks. */
export type SessionRule = (
  session: CourseSession,
  before: Before,
  planning: Planning,
) => readonly { readonly finding: Finding; readonly block: TechniqueBlock | null }[];

/** Nothing was practised yet. */
export const NOTHING_BEFORE: Before = { practised: new Map(), last: new Map(), rest: null };

/** What came before the next class, once this one is over. Practising twice in one class counts once. */
export function after(before: Before, { blocks, date }: Pick<CourseSession, 'blocks' | 'date'>): Before {
  const [practised, last] = [new Map(before.practised), new Map(before.last)];
  for (const block of techniquesIn(blocks)) {
    practised.set(block.technique, [...(practised.get(block.technique) ?? []).filter((on) => on !== date), date]);
    last.set(block.technique, { block: levelAfter(last.get(block.technique)?.block, block), date });
  }
  const rests = blocks.flatMap((block) => (block.kind === 'rest' ? [block.minutes] : []));
  return { practised, last, rest: rests.length > 0 ? Math.max(...rests) : before.rest };
}
