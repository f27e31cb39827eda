import type { Caution, Family, Hour, Posture } from './types';
import type { Setup } from './tags';

/**
 * A technique of a studio's own that is no way of a shipped one: everything screening, cues and the ladder ask of a technique.
 * Notation is canonical text.
 */
export interface OwnTechnique {
  /** Never a wording: an id made when it was made. */
  readonly id: string;
  /** A shipped family it belongs to, or null for a family of its own. */
  readonly family: string | null;
  readonly name: string;
  readonly aliases: readonly string[];
  readonly about: string;
  readonly pattern: string;
  readonly dose: string;
  readonly rung: 1 | 2 | 3 | 4;
  readonly hours: readonly Hour[];
  readonly character: Family['character'];
  readonly posture: Posture;
  readonly setup?: Partial<Setup>;
  readonly cues: readonly string[];
  readonly watchFor: readonly string[];
  readonly cautions: readonly Caution[];
}

/** The family that a technique of a studio's own makes when it belongs to no shipped one. */
export function ownFamily(own: OwnTechnique): Family {
  return {
    id: own.id,
    name: own.name,
    aliases: own.aliases,
    about: own.about,
    rung: own.rung,
    hours: own.hours,
    character: own.character,
    posture: own.posture,
    cues: own.cues.map((say) => ({ say, when: 'any' as const })),
    watchFor: own.watchFor,
    cautions: own.cautions,
    setup: own.setup,
    doses: own.dose,
    schools: [],
  };
}
