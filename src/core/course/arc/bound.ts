import { GROWS_AFTER_DAYS, lengthOf, measureOf, mostAtFirst, mostGrowth, type ArcCase, type ArcFile } from './cases';
import { ARC_LIMITS, evenly, PRICE, WEIGHT } from './limits';
import { mostReady, peopleOf, tenthsShort } from './ready';
import { frameOf, shareOf, type Request } from './request';

/**
 * What no course can do better than, whatever is begun when: requirements that must break, and the aim of the rest. Each new thing comes no
 * sooner than it could were nothing else in its way, one a class; and a class holds no more than the longest doses that are possible by then.
 */
export function leastOf(
  file: ArcFile,
  one: ArcCase,
  request: Request,
  kept: readonly boolean[],
  beginable: ReadonlySet<string>,
): { readonly Q: number; readonly J: number } {
  const { techniques } = file;
  const { days, already, head } = request;
  const S = one.dates.length;
  const open = [...one.dates.keys()].filter((at) => !one.fixed[at]);
  if (open.length === 0) return { Q: 0, J: 0 };
  let [q, j] = [0, 0];
  const usable = request.known.filter((id) => already.has(id) || beginable.has(id) || request.taught.has(id));
  for (const at of open) {
    const longest = usable
      .filter((id) => head(id) <= at)
      .map((id) => ({ id, minutes: lengthAtMost(id, mostBy(id, at)) / 60_000 }))
      .sort((a, b) => b.minutes + 4 * techniques[b.id].settle - (a.minutes + 4 * techniques[a.id].settle));
    const minutes = one.minutes[at];
    const held = longest.slice(0, one.most);
    const breathing = [...longest]
      .map((each) => each.minutes)
      .sort((a, b) => b - a)
      .slice(0, one.most)
      .reduce((sum, each) => sum + each, 0);
    const sides = longest.find(({ id }) => techniques[id].side > 0);
    const frame = frameOf(file, one, request, at, sides ? [sides.id] : []);
    const most =
      held.reduce((sum, { id, minutes: each }) => sum + each + frame.settle[1] * techniques[id].settle, 0) +
      frame.arrive[1] +
      frame.movement[1] +
      frame.clear[1] +
      frame.rest[1] +
      frame.close[1];
    if (most < ARC_LIMITS.full * minutes - EPSILON) q += PRICE.full;
    j += WEIGHT.unused * Math.max(0, Math.floor(minutes - most + EPSILON));
    const target = Math.round(shareOf(one.breath ?? file.breath, at, S) * minutes);
    j += WEIGHT.breath * Math.max(0, Math.floor(target - breathing - ARC_LIMITS.breathOff * minutes + EPSILON));
  }
  one.goals.forEach(({ ready }, goal) => {
    if (ready !== undefined && kept[goal] && peopleOf(one) > 0)
      q += PRICE.ready * tenthsShort(ready, mostReady(file, one, request, goal), peopleOf(one));
  });
  if ((one.pace ?? file.pace ?? 'spread') === 'spread') j += WEIGHT.pace * leastPace(one, request, kept, beginable);
  return { Q: q, J: j };

  /** On whichever step is longest. */
  function lengthAtMost(id: string, units: number): number {
    const goal = request.goalOf(id);
    return Math.max(...Array.from({ length: (goal?.steps?.length ?? 0) + 1 }, (_, step) => lengthOf(measureOf(file, goal, id, step), units)));
  }

  /** The most units that a technique can have come to by a class. */
  function mostBy(id: string, at: number): number {
    const { dose } = techniques[id];
    const from = head(id);
    let [units, grown] = [
      Math.max(
        already.has(id) ? mostAtFirst(dose) : dose.low,
        ...one.fixed.slice(0, at).flatMap((held) => (held ?? []).flatMap(([v, , n]) => (v === id ? [n] : []))),
      ),
      days[from],
    ];
    for (let index = from + 1; index <= at; index += 1)
      if (days[index] - grown >= GROWS_AFTER_DAYS && units < dose.top && !one.fixed[index]) {
        units = Math.min(dose.top, units + mostGrowth(dose, units, file.growth));
        grown = days[index];
      }
    return units;
  }
}

/**
 * The least unevenness of new things, one a class: the i-th no sooner than the i-th smallest class that any could stand in, and no later than
 * the i-th smallest that any must have begun by. Everything that the goals stand on has to be begun.
 */
function leastPace(
  one: ArcCase,
  { head, already, goalOf, taught, needsOf, allowed, days }: Request,
  kept: readonly boolean[],
  beginable: ReadonlySet<string>,
): number {
  const S = one.dates.length;
  const first = one.dates.findIndex((_, at) => !one.fixed[at]);
  const fresh = [...beginable].filter((id) => !already.has(id) && !taught.has(id));
  const stepsOf = (id: string) => goalOf(id)?.steps ?? [];
  const tails = new Map<string, number>();
  const endOf = (id: string, before: number, times: number, days_ = 0, day = Infinity): number => {
    let left = times;
    for (let at = before - 1; at >= 0; at -= 1) {
      if (!one.fixed[at] && allowed(id, at)) left -= 1;
      if (left <= 0 && day - days[at] >= days_) return at;
    }
    return -1;
  };
  const tail = (id: string): number => {
    const known = tails.get(id);
    if (known !== undefined) return known;
    let latest = S - 1;
    one.goals.forEach(({ v, r, by }, goal) => {
      if (v !== id || !kept[goal]) return;
      // On a higher step it is practised before, too; what that asks in classes is left out.
      const before = by === undefined ? S : one.dates.filter((date) => date <= by).length;
      latest = Math.min(latest, endOf(id, before, r));
    });
    for (const other of fresh)
      for (const [needs, , times, wait] of needsOf(other))
        if (needs === id) latest = Math.min(latest, endOf(id, tail(other), times, wait, days[tail(other)]));
    tails.set(id, latest);
    return latest;
  };
  const windows = fresh.flatMap((id) => [[head(id), tail(id)], ...stepsOf(id).map((_, index) => [head(id) + index + 1, S - 1])]);
  const sorted = (which: 0 | 1) => windows.map((window) => window[which]).sort((a, b) => a - b);
  const [heads, ends] = [sorted(0), sorted(1)];
  // What stands in past classes may be on its way already: then it is not known how much is new.
  const must = taught.size === 0 ? windows.length : 0;
  const within = (last: number): number => {
    let least = Infinity;
    let cost = new Map<number, number>([[first - 1, 0]]);
    for (let i = 0; i <= windows.length; i += 1) {
      if (i >= must) for (const [at, sum] of cost) least = Math.min(least, sum + (S - 1 - at) ** 2 - evenly(S - first, i + 1));
      if (i === windows.length) break;
      const next = new Map<number, number>();
      for (let at = Math.max(first, heads[i]); at <= (must > 0 ? Math.min(last, ends[i]) : last); at += 1) {
        if (one.fixed[at]) continue;
        for (const [before, sum] of cost) if (before < at) next.set(at, Math.min(next.get(at) ?? Infinity, sum + (at - before) ** 2));
      }
      cost = next;
    }
    return least;
  };
  // Nothing new in the last class, unless it cannot be otherwise.
  const [least, late] = [within(S - 2), within(S - 1)];
  return Math.max(0, Number.isFinite(least) ? least : Number.isFinite(late) ? late : 0);
}

const EPSILON = 1e-9;
