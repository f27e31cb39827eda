import type { SessionPart } from './types';

/** The session parts that stand around techniques. */
export const PARTS: readonly SessionPart[] = [
  {
    id: 'arrive',
    kind: 'arrive',
    name: 'Arrive and find a seat',
    minutes: 4,
    cues: ['Hips above knees, or a chair', 'Feet or shins heavy'],
  },
  {
    id: 'movement',
    kind: 'prepare',
    name: 'Gentle movement',
    minutes: 5,
    setup: { moves: ['twist'] },
    cues: ['Side stretch', 'Slow twist, to the easy side first', 'Shoulders round and back'],
  },
  {
    id: 'clear-nose',
    kind: 'prepare',
    name: 'See that both sides are free',
    minutes: 1,
    setup: { moves: ['hand at the nose'] },
    cues: ['A breath or two through each side, not counted', 'A blocked side: imagine the sides today'],
  },
  {
    id: 'settle',
    kind: 'settle',
    name: 'Natural breath and observing',
    minutes: 2,
    setup: { by: 'clock' },
    cues: ['Hands down', 'Let the breath go its own way'],
  },
  {
    id: 'rub-hands',
    kind: 'settle',
    name: 'Rub the hands warm',
    minutes: 1,
    setup: { moves: ['rubbing hands'] },
    cues: ['Palm against palm until they are warm', 'Shoulders stay low'],
  },
  {
    id: 'palming',
    kind: 'settle',
    name: 'Palm the eyes',
    minutes: 2,
    setup: { eyes: 'closed', moves: ['palming'] },
    cues: ['Hollow palms over closed eyes', 'No pressing: the eyes are not touched'],
  },
  {
    id: 'lying-rest',
    kind: 'rest',
    name: 'Lying rest',
    minutes: 8,
    setup: { seat: 'lying', eyes: 'closed', by: 'clock' },
    cues: ['Head supported, covered and warm', 'Sleep is welcome', 'Roll to one side before sitting up'],
  },
  {
    id: 'close',
    kind: 'close',
    name: 'Close',
    minutes: 3,
    cues: ['Sit up slowly', 'One thing you noticed', 'Thank you, and what comes next time'],
  },
];
