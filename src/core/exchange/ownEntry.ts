import type { Edge } from '../ladder';
import type { OwnEntry } from '../library';
import { CHARACTERS, EYES, HOURS, KEPT_BY, MOVES, POSTURES, SEATS } from '../techniques';

/** What comes in from another studio's file, looked at before anything is made of it. */

export type Raw = Readonly<Record<string, unknown>>;
export const isRaw = (value: unknown): value is Raw => typeof value === 'object' && value !== null && !Array.isArray(value);

export function isEdge(value: unknown): value is Edge {
  return (
    isRaw(value) &&
    typeof value.needs === 'string' &&
    typeof value.to === 'string' &&
    Number.isInteger(value.sessions) &&
    Number.isInteger(value.days)
  );
}

const isText = (value: unknown, most: number): value is string => typeof value === 'string' && value.length <= most;
const areTexts = (value: unknown, most = 300): value is string[] =>
  Array.isArray(value) && value.length <= 40 && value.every((one) => isText(one, most));
const isOf = (all: readonly unknown[], value: unknown) => all.includes(value);

/** Everything a technique of their own must say before the library looks at it: what is kept is never read again with doubt. */
export function isOwnEntry(value: unknown): value is OwnEntry {
  if (!isRaw(value) || !isRaw(value.technique) || !Array.isArray(value.edges) || !value.edges.every(isEdge)) return false;
  const { id, family, name, aliases, about, pattern, dose, rung, hours, character, posture, setup, cues, watchFor, cautions } = value.technique;
  const { seat, eyes, by, moves } = isRaw(setup) ? setup : {};
  return (
    isText(id, 60) &&
    /^[a-z\d-]+$/.test(id) &&
    (family === null || isText(family, 60)) &&
    isText(name, 60) &&
    name.trim() !== '' &&
    areTexts(aliases) &&
    isText(about, 600) &&
    isText(pattern, 2000) &&
    isText(dose, 200) &&
    isOf([1, 2, 3, 4], rung) &&
    Array.isArray(hours) &&
    hours.length > 0 &&
    hours.every((hour) => isOf(HOURS, hour)) &&
    isOf(CHARACTERS, character) &&
    isOf(POSTURES, posture) &&
    (setup === undefined ||
      (isRaw(setup) &&
        (seat === undefined || isOf(SEATS, seat)) &&
        (eyes === undefined || isOf(EYES, eyes)) &&
        (by === undefined || isOf(KEPT_BY, by)) &&
        (moves === undefined || (Array.isArray(moves) && moves.every((move) => isOf(MOVES, move)))))) &&
    areTexts(cues) &&
    areTexts(watchFor) &&
    Array.isArray(cautions) &&
    cautions.every((one) => isRaw(one) && isText(one.caution, 200) && isText(one.reason, 300))
  );
}
