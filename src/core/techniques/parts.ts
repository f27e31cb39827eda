import type { SessionPart } from './types';

/** The session parts that stand around techniques. */
export const PARTS: readonly SessionPart[] = [
  {
    id: 'arrive',
    kind: 'arrive',
    name: 'Arrive and find a seat',
    minutes: 4,
    tags: [],
    cues: ['Hips above knees, or a chair', 'Feet or shins heavy', 'Ask the door questions before you begin'],
  },
  {
    id: 'movement',
    kind: 'prepare',
    name: 'Gentle movement',
    minutes: 5,
    tags: ['twist'],
    cues: ['Side stretch', 'Slow twist, to the easy side first', 'Shoulders round and back'],
  },
  {
    id: 'clear-nose',
    kind: 'prepare',
    name: 'See that both sides are free',
    minutes: 1,
    tags: [],
    cues: ['A breath or two through each side, not counted', 'A blocked side: imagine the sides today'],
  },
  { id: 'settle', kind: 'settle', name: 'Natural breath and observing', minutes: 2, tags: [], cues: ['Hands down', 'Let the breath go its own way'] },
  {
    id: 'lying-rest',
    kind: 'rest',
    name: 'Lying rest',
    minutes: 8,
    tags: ['lying flat', 'eyes closed'],
    cues: ['Head supported, covered and warm', 'Sleep is welcome', 'Roll to one side before sitting up'],
  },
  {
    id: 'close',
    kind: 'close',
    name: 'Close',
    minutes: 3,
    tags: [],
    cues: ['Sit up slowly', 'One thing you noticed', 'Thank you, and what comes next time'],
  },
];
