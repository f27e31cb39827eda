import { roomPattern, type Manner, type Pattern, type Phase, type PlainPattern, type WholePattern } from '../pattern';
import type { Tag } from '../techniques';
import type { Pace } from '../timing';
import type { Adaptation } from './types';

/** What is left of a way of breathing after a person's adaptations; null when there is no such pattern. */
export interface Changed {
  readonly pattern: Pattern | null;
  readonly tags: readonly Tag[];
}

/**
 * Applies adaptations one after another to a pattern and to how it is done.
 * @example applyAdaptations(mustParsePattern('4:7:8'), [], [{ to: 'no hold in' }], pace) // 4:8
 */
export function applyAdaptations(pattern: Pattern, tags: readonly Tag[], adaptations: readonly Adaptation[], pace: Pace): Changed {
  return adaptations.reduce<Changed>(
    (changed, adaptation) => ({
      pattern: changed.pattern && changePattern(changed.pattern, adaptation, pace),
      tags: changed.tags.filter((tag) => !removedTags(adaptation).includes(tag)),
    }),
    { pattern, tags },
  );
}

function changePattern(pattern: Pattern, adaptation: Adaptation, pace: Pace): Pattern | null {
  switch (adaptation.to) {
    case 'no hold in':
      return dropPhases(pattern, 'hold');
    case 'no hold out':
      return dropPhases(pattern, 'empty');
    case 'cap hold in':
      return capHolds(pattern, adaptation.seconds, pace);
    case 'imagined sides':
    case 'hand-free':
      return onBothSides(pattern);
    case 'nose only':
      return throughTheNose(pattern);
    case 'pace 6 or faster':
    case 'holds optional':
      return null;
    default:
      return pattern;
  }
}

const TAGS_REMOVED: Partial<Record<Adaptation['to'], readonly Tag[]>> = {
  'imagined sides': ['hand at the nose'],
  'hand-free': ['hand at the nose'],
  'not flat': ['lying flat'],
  'chair or lying': ['floor seat', 'standing'],
  'chair offered': ['floor seat'],
  'not standing': ['standing'],
  'eyes open': ['eyes closed'],
  'no twist': ['twist'],
  'no neck circles': ['neck circles'],
  'no forward bend': ['forward bend'],
};

function removedTags(adaptation: Adaptation): readonly Tag[] {
  return TAGS_REMOVED[adaptation.to] ?? [];
}

/** Whether an adaptation is about seat, eyes or movement: it leaves the breath as it is. */
export function isPosture({ to }: Adaptation): boolean {
  return to in TAGS_REMOVED && to !== 'imagined sides' && to !== 'hand-free';
}

/**
 * Changes every phase of what the room does, around the rounds and in every stage; pumps and connected breath have no
 * phases of their own. A person's adapted pattern is one way: the other options fall away.
 */
function mapPhases(pattern: Pattern, change: (phases: readonly Phase[]) => readonly Phase[]): WholePattern {
  const room = roomPattern(pattern);
  const inside = (plain: PlainPattern): PlainPattern => (plain.kind === 'cycle' ? { ...plain, phases: change(plain.phases) } : plain);
  if (room.kind === 'natural') return room;
  const around = { leadIn: change(room.leadIn), entry: change(room.entry), everyRound: change(room.everyRound), leadOut: change(room.leadOut) };
  if (room.kind !== 'stages') return { ...inside(room), ...around } as WholePattern;
  return { ...room, ...around, stages: room.stages.map((stage) => ({ ...stage, pattern: inside(stage.pattern) })) };
}

function dropPhases(pattern: Pattern, kind: 'hold' | 'empty'): Pattern {
  return mapPhases(pattern, (phases) => phases.filter((phase) => phase.kind !== kind));
}

/** Shortens holds to a limit, whole counts staying whole; consecutive holds are one hold, so only the first stays. */
function capHolds(pattern: Pattern, seconds: number, pace: Pace): Pattern | null {
  return mapPhases(pattern, (phases) =>
    phases.flatMap((phase, index): Phase[] => {
      if (phase.kind !== 'hold') return [phase];
      if (phases[index - 1]?.kind === 'hold') return [];
      const { length } = phase;
      if (length.unit === 'seconds') return [{ ...phase, repeat: 1, length: { unit: 'seconds', n: Math.min(length.n, seconds) } }];
      if (length.unit === 'ease')
        return [{ ...phase, repeat: 1, length: { unit: 'ease', low: Math.min(length.low, seconds), high: Math.min(length.high, seconds) } }];
      const counts = Math.min(length.n, Math.floor((seconds * 1000) / pace.tempo));
      return counts > 0 ? [{ ...phase, repeat: 1, length: { unit: 'counts', n: counts } }] : [];
    }),
  );
}

/** Both nostrils, sides only imagined: nothing is closed or narrowed and no hand is needed. */
function onBothSides(pattern: Pattern): Pattern {
  const changed = mapPhases(pattern, (phases) => phases.map((phase) => ({ ...phase, side: 'both' as const, ...otherManners(phase, opened) })));
  const still = (plain: PlainPattern): PlainPattern => (plain.kind === 'cycle' ? { ...plain, alternating: false } : plain);
  if (changed.kind === 'stages') return { ...changed, stages: changed.stages.map((stage) => ({ ...stage, pattern: still(stage.pattern) })) };
  return still(changed);
}

const opened = (manner: Manner | null): Manner | null => (manner === 'narrowed' ? null : manner === 'narrowed throat' ? 'throat' : manner);
const softened = (manner: Manner | null): Manner | null => (manner === 'sigh' || manner === 'hiss' ? null : manner);

/** Manners changed; ways of a grid that become the same are one way. */
function otherManners({ manner, manners }: Phase, change: (manner: Manner | null) => Manner | null): Pick<Phase, 'manner' | 'manners'> {
  const ways = [...new Set(manners?.map(change))];
  return { manner: change(manner), manners: ways.length > 1 ? ways : null };
}

/** Nothing through the mouth; a sigh or a hiss is breathed softly through the nose instead. */
function throughTheNose(pattern: Pattern): Pattern {
  const changed = mapPhases(pattern, (phases) =>
    phases.map((phase) => ({
      ...phase,
      route: phase.route === null ? null : ('nose' as const),
      ...otherManners(phase, softened),
    })),
  );
  const nosed = (plain: PlainPattern): PlainPattern => (plain.kind === 'connected' ? { ...plain, route: 'nose' } : plain);
  if (changed.kind === 'stages') return { ...changed, stages: changed.stages.map((stage) => ({ ...stage, pattern: nosed(stage.pattern) })) };
  return nosed(changed);
}

/** An adaptation as an instruction to a teacher: what to do, never why. */
export function adaptationText(adaptation: Adaptation): string {
  switch (adaptation.to) {
    case 'cap hold in':
      return `holds of at most ${adaptation.seconds} s`;
    case 'no hold in':
      return 'no hold after the inhale';
    case 'no hold out':
      return 'no empty hold';
    case 'holds optional':
      return 'every hold is optional';
    case 'not flat':
      return 'not flat on the back: on one side, or propped up';
    case 'imagined sides':
      return 'sides imagined, no hand';
    case 'hand-free':
      return 'no hand at the face';
    case 'pace 6 or faster':
      return '6 breaths a minute or more';
    default:
      return adaptation.to;
  }
}
