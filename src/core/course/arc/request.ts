import type { ArcCase, ArcFile } from './cases';
import { ARC_LIMITS, BASIC } from './limits';
import { rangesOf, type Ranges } from './parts';

const DAY_MS = 86_400_000;
const dayOf = (date: string) => Math.round(Date.parse(date) / DAY_MS);

/** What the request says of its techniques, worked out once. */
export function requestOf(file: ArcFile, one: ArcCase) {
  const { techniques, edges } = file;
  const needsOf = (id: string) => edges.filter(([, to]) => to === id);
  const belowAll = (ids: Iterable<string>) => {
    const all = new Set<string>();
    const add = (id: string): void => {
      if (all.has(id)) return;
      all.add(id);
      needsOf(id).forEach(([needs]) => add(needs));
    };
    for (const id of ids) add(id);
    return all;
  };
  const already = belowAll(one.already);
  const wanted = belowAll([...one.goals.map(({ v }) => v), ...one.pins.map(([, id]) => id)]);
  const days = one.dates.map(dayOf);
  const held = (at: number) => one.fixed[at] ?? null;
  const goalOf = (id: string) => one.goals.find(({ v }) => v === id);
  const allowed = (id: string, at: number, step = 0): boolean => {
    const technique = techniques[id];
    const open = step > 0 ? (goalOf(id)?.steps?.[step - 1]?.open ?? one.open?.[id]) : one.open?.[id];
    return (
      (one.hours[at] === '*' || technique.hours.includes(one.hours[at])) &&
      !one.banned.includes(id) &&
      !(one.unsettled ?? []).includes(id) &&
      !one.unqualified.includes(technique.family) &&
      (open?.[at] ?? true)
    );
  };
  // The first class each could stand in, were nothing else in its way.
  const heads = new Map<string, number>();
  const S = one.dates.length;
  const head = (id: string): number => {
    const known = heads.get(id);
    if (known !== undefined) return known;
    heads.set(id, S);
    const inFixed = one.fixed.findIndex((placed) => placed?.some(([technique]) => technique === id));
    const may = (at: number) => (held(at) ? held(at)!.some(([technique]) => technique === id) : allowed(id, at));
    let at = 0;
    if (!already.has(id))
      for (const [needs, , times, wait] of needsOf(id)) {
        if (already.has(needs)) continue;
        const first = head(needs);
        const could = days
          .map((_, index) => index)
          .filter((index) => index >= first && (held(index) ? held(index)!.some(([t]) => t === needs) : allowed(needs, index)));
        const begun = could[0];
        const nth = could[times - 1];
        const waited = begun === undefined ? -1 : days.findIndex((day, index) => index > begun && day - days[begun] >= wait);
        at = Math.max(at, nth === undefined ? S : nth + 1, waited < 0 ? S : waited);
      }
    let found = S;
    for (let index = at; index < S && found === S; index += 1) if (may(index)) found = index;
    if (inFixed >= 0) found = Math.min(found, inFixed);
    heads.set(id, found);
    return found;
  };
  const taught = new Set(one.fixed.flatMap((placed) => (placed ?? []).map(([id]) => id)));
  const known = Object.keys(techniques).filter((id) => already.has(id) || wanted.has(id) || taught.has(id));
  const basic = (id: string) => (BASIC as readonly string[]).includes(id);
  const firstOther = Math.min(S, ...known.filter((id) => !basic(id)).map(head));
  const could = (at: number) => known.filter((id) => head(id) <= at && (held(at) ? true : allowed(id, at)));
  const aboveInFamily = (id: string): string[] =>
    Object.keys(techniques).filter((other) => other !== id && techniques[other].family === techniques[id].family && belowAll([other]).has(id));
  // The usual length is the one that most classes have.
  const counts = new Map<number, number>();
  for (const minutes of one.minutes) counts.set(minutes, (counts.get(minutes) ?? 0) + 1);
  const usual = [...counts].sort((a, b) => b[1] - a[1] || a[0] - b[0])[0][0];
  return { needsOf, already, wanted, days, goalOf, allowed, head, known, basic, firstOther, could, aboveInFamily, usual, taught };
}

export type Request = ReturnType<typeof requestOf>;

/** Least to most minutes of what stands around the breathing of a class that holds these. */
export function frameOf(
  { frame, techniques }: ArcFile,
  one: ArcCase,
  { firstOther }: Pick<Request, 'firstOther'>,
  at: number,
  held: readonly string[],
): Ranges {
  return rangesOf(frame, {
    minutes: one.minutes[at],
    at,
    classes: one.dates.length,
    talk: at < firstOther,
    side: held.some((id) => techniques[id].side > 0),
    factor: held.reduce((sum, id) => sum + techniques[id].settle, 0),
  });
}

/** The share of the hour that breathing is to have in a class, counted from 0. */
export function shareOf(breath: readonly number[], at: number, classes: number): number {
  if (at === classes - 1) return breath[2];
  const height = Math.round(ARC_LIMITS.height * (classes - 1));
  return at >= height ? breath[1] : breath[0] + ((breath[1] - breath[0]) * at) / height;
}
