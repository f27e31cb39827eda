import { edgeNeeds } from '../ladder';
import type { OwnEntry } from './library';

/** A technique of a studio's own, for tests: it stands on the longer exhale 4:6. @example tideBreath(id).technique.name // "Tide breath" */
export function tideBreath(id: string): OwnEntry {
  return {
    technique: {
      id,
      family: null,
      name: 'Tide breath',
      aliases: ['ebb and flood'],
      about: 'In like the tide, out like the ebb.',
      pattern: 'in 4, hold 2, out 6',
      dose: '6 rounds',
      rung: 3,
      hours: ['evening'],
      character: 'calming',
      posture: 'seated',
      cues: ['Let it come in'],
      watchFor: [],
      cautions: [],
    },
    edges: [{ to: id, needs: 'longer-4-6', ...edgeNeeds('in 4, hold 2, out 6') }],
  };
}
