import { readBlock, type Basis } from '../plan';
import { waysSeen } from '../screening';
import type { Asked } from './types';

/** What screening sees in a way of doing a technique, as text: ways that are the same here come out the same for everybody. */
export function seenIn(basis: Basis): (asked: Asked) => string {
  const known = new Map<string, string>();
  return ({ technique, pattern, dose, tempo }) => {
    const key = [technique, pattern, dose, tempo].join('|');
    let seen = known.get(key);
    if (seen === undefined) {
      const read = readBlock({ id: '', kind: 'technique', technique, pattern, dose, tempo }, basis);
      seen = JSON.stringify(waysSeen(read.pattern, read.dose, read.pace, read.tags));
      known.set(key, seen);
    }
    return seen;
  };
}
