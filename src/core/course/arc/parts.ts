import type { ArcCase, ArcFile, Practice } from './cases';
import { frameOf, type Request } from './judge';

/** Whole minutes of what stands around the breathing; settling is that after a technique of factor 1. */
export interface Parts {
  readonly arrive: number;
  readonly movement: number;
  readonly clear: number;
  readonly settle: number;
  readonly rest: number;
  readonly close: number;
}

/** Fills the hour of a class: each part gets its least, and what is left goes where most is lacking; rest before the others. */
export function partsOf(file: ArcFile, one: ArcCase, request: Request, at: number, held: readonly Practice[]): Parts {
  const frame = frameOf(
    file,
    one,
    request,
    at,
    held.map(([id]) => id),
  );
  const names = ['rest', 'settle', 'movement', 'arrive', 'close'] as const;
  const parts = { arrive: frame.arrive[0], movement: frame.movement[0], clear: frame.clear[0], settle: frame.settle[0], rest: frame.rest[0], close: frame.close[0] };
  const price = (name: (typeof names)[number]) => (name === 'settle' ? frame.factor : 1);
  let left =
    one.minutes[at] -
    held.reduce((sum, [, , ms]) => sum + ms, 0) / 60_000 -
    (parts.arrive + parts.movement + parts.clear + parts.settle * frame.factor + parts.rest + parts.close);
  for (;;) {
    const open = names.filter((name) => parts[name] < frame[name][1] && (price(name) <= left + 1e-9 || price(name) === 0));
    if (open.length === 0) return parts;
    const filled = (name: (typeof names)[number]) => (parts[name] - frame[name][0]) / (frame[name][1] - frame[name][0]);
    const next = open.reduce((best, name) => (filled(name) < filled(best) - 1e-9 ? name : best));
    parts[next] += 1;
    left -= price(next);
  }
}
