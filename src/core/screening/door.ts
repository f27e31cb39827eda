import type { DoorAnswers } from './decide';

const MEALS = ['none', 'within 3 h', 'within 2 h'] as const;

/** A short key for door answers, the same on the server and on a device. @example doorKey(NOTHING_TODAY) // "fine/free/none" */
export function doorKey({ acute, blockedNose, meal }: DoorAnswers): string {
  return [acute ? 'unwell' : 'fine', blockedNose ? 'nose' : 'free', meal].join('/');
}

/** Every combination of door answers, so that a device can look one up without a network. */
export const DOOR_COMBINATIONS: readonly DoorAnswers[] = [false, true].flatMap((acute) =>
  [false, true].flatMap((blockedNose) => MEALS.map((meal) => ({ acute, blockedNose, meal }))),
);
