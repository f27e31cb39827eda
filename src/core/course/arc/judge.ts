import {
  GROWS_AFTER_DAYS,
  GROWTH,
  lengthOf,
  lighterOf,
  measureOf,
  mostAtFirst,
  mostGrowth,
  unitsAbove,
  type ArcCase,
  type ArcFile,
  type Practice,
} from './cases';
import { peopleOf, readyIn, tenthsShort } from './ready';
import { ARC_LIMITS, evenly, PRICE, WEIGHT, type Part, type Requirement } from './limits';
import { frameOf, requestOf, shareOf, type Request } from './request';

/**
 * A walk through a course, class by class, that holds every rule, every requirement and the aim against it. It shares nothing with the
 * search: what the search makes is judged here.
 */

export interface Broken {
  readonly requirement: Requirement;
  /** Number of the class. */
  readonly at: number;
  readonly technique: string | null;
  /** How often it is broken there, where that is more than once. */
  readonly times?: number;
}

export interface Judged {
  /** Hard rules that are broken, in words for whoever mends the search; empty for a draft that may be shown. */
  readonly rules: readonly string[];
  readonly dropped: number;
  /** By goal: the number of the class it is reached in. */
  readonly reached: readonly (number | null)[];
  readonly broken: readonly Broken[];
  readonly Q: number;
  readonly J: number;
  readonly parts: Readonly<Record<Part, number>>;
  /** By class: minutes that are used when every part of the frame has all it may have. */
  readonly used: readonly number[];
  /** By goal: how many people will be ready for it; null where nobody asked. */
  readonly ready: readonly (number | null)[];
}

const EPSILON = 1e-9;

interface Sort {
  begun: number;
  times: number[];
  high: number;
  grownDay: number;
  growths: number;
  step: number;
  stepBegun: number;
  onStep: number;
  stands: number;
}

/** Judges a draft. Fixed classes are facts: they count, and break nothing. */
export function judge(file: ArcFile, one: ArcCase, sessions: readonly (readonly Practice[])[], request: Request = requestOf(file, one)): Judged {
  const { techniques } = file;
  const { days, already, wanted, needsOf, goalOf, allowed, basic } = request;
  const S = one.dates.length;
  const last = S - 1;
  const rules: string[] = [];
  const broken: Broken[] = [];
  const breaks = (requirement: Requirement, at: number, technique: string | null = null) => broken.push({ requirement, at: at + 1, technique });
  const state = new Map<string, Sort>();
  const of = (id: string): Sort => {
    let found = state.get(id);
    if (!found) state.set(id, (found = { begun: -1, times: [], high: 0, grownDay: -1, growths: 0, step: 0, stepBegun: -1, onStep: 0, stands: 0 }));
    return found;
  };
  const growth = file.growth ?? GROWTH;
  const measure = (id: string, step: number) => measureOf(file, goalOf(id), id, step);
  const units = (id: string, ms: number, step: number) => (ms - measure(id, step).lead) / measure(id, step).unit;
  const isOpen = (at: number) => !one.fixed[at];
  const news: number[] = [];
  const newsBy: { id: string; at: number }[] = [];
  const reached: (number | null)[] = one.goals.map(() => null);
  const progress = one.goals.map(() => 0);
  const met = one.goals.map(() => new Set<number>());
  const parts: Record<Part, number> = { pace: 0, load: 0, spacing: 0, breath: 0, unused: 0, repeat: 0 };
  const used: number[] = [];
  let [highest, still] = [0, 0];

  for (let at = 0; at < S; at += 1) {
    const open = isOpen(at);
    const held = open ? sessions[at] : one.fixed[at]!.map(([id, step, count]): Practice => [id, step, lengthOf(measure(id, step), count)]);
    const rule = (text: string) => open && rules.push(`class ${at + 1}: ${text}`);
    const ids = held.map(([id]) => id);
    if (new Set(ids).size < ids.length) rule('a technique stands in it twice');
    if (held.length === 0) rule('it is empty');
    if (held.length > one.most) rule('too many techniques');
    let fresh = 0;
    let [grewHere, grewOther, newHere] = [false, false, false];
    const lastBegun = newsBy.filter((one) => one.at < at).at(-1)?.id;
    for (const [id, step, ms] of held) {
      const { dose } = techniques[id];
      const it = of(id);
      const count = units(id, ms, step);
      if (open && !request.known.includes(id)) rule(`${id} is neither known nor wanted`);
      if (!Number.isInteger(count) || count < 1 || count > dose.top) rule(`${id}: ${count} units`);
      if (!allowed(id, at, step)) rule(`${id} may not be taught`);
      const first = it.begun < 0;
      if (!already.has(id))
        for (const [needs, , times, wait] of needsOf(id)) {
          if (already.has(needs)) continue;
          const need = of(needs);
          if (need.times.length < times || need.begun < 0 || days[at] - days[need.begun] < wait) rule(`${id} needs ${needs}`);
        }
      if (first) {
        if (!already.has(id)) {
          if (open && !wanted.has(id)) rule(`${id} is begun, and nothing wanted stands on it`);
          if (count !== dose.low) rule(`${id} begins at ${count}`);
          fresh += 1;
          newHere = true;
          newsBy.push({ id, at });
        } else if (count < dose.low || count > mostAtFirst(dose)) rule(`${id} is taken up at ${count}`);
        if (step !== 0) rule(`${id} begins on step ${step}`);
        it.begun = at;
        it.high = count;
        it.grownDay = days[at];
        it.step = step;
        it.stepBegun = at;
        it.onStep = 1;
        it.stands = 1;
      } else {
        const up = step === it.step + 1;
        const paused = growth.pause !== undefined && days[at] - days[it.times.at(-1)!] > growth.pause;
        if (paused && (up || count > it.high)) rule(`${id} goes on after a pause`);
        if (up) {
          const asked = goalOf(id)?.steps?.[step - 1];
          if (!asked) rule(`${id} has no step ${step}`);
          else if (it.onStep < asked.n || days[at] - days[it.stepBegun] < asked.d) rule(`${id} steps up too soon`);
          fresh += 1;
          newHere = true;
          const left = unitsAbove(measure(id, step - 1), measure(id, step), it.high, growth);
          it.high = Math.min(it.high, open ? left : count);
        } else if (step !== it.step) rule(`${id} goes from step ${it.step} to ${step}`);
        if (count > it.high) {
          if (up) rule(`${id} grows with a count step`);
          if (
            count - it.high > mostGrowth({ ...dose, ...measure(id, step) }, it.high, growth) ||
            ((count - it.high) % (dose.by ?? 1) !== 0 && count !== dose.top)
          )
            rule(`${id} grows by ${count - it.high}`);
          if (days[at] - it.grownDay < Math.max(GROWS_AFTER_DAYS, dose.every ?? 0)) rule(`${id} grows too soon`);
          if (it.growths >= growth.inARow) rule(`${id} grows a fourth time`);
          it.high = count;
          it.grownDay = days[at];
          it.growths += 1;
          it.stands = 1;
          grewHere = true;
          if (!basic(id)) grewOther = true;
        } else if (count < it.high) {
          if (count !== lighterOf(it.high)) rule(`${id} is done at ${count} of ${it.high}`);
          if (!(it.growths >= growth.inARow || at === last || one.minutes[at] <= ARC_LIMITS.short * request.usual))
            rule(`${id} is lighter for no reason`);
          it.growths = 0;
        } else {
          it.stands += 1;
          if (open && it.stands >= ARC_LIMITS.standsInARow && it.high < dose.top) breaks('stand', at, id);
        }
        if (up) {
          it.step = step;
          it.stepBegun = at;
          it.onStep = 1;
        } else it.onStep += 1;
      }
    }
    for (const [id, step, ms] of held) {
      of(id).times.push(at);
      one.goals.forEach((goal, index) => {
        if (goal.v !== id || (goal.by !== undefined && one.dates[at] > goal.by)) return;
        if (step !== (goal.steps?.length ?? 0) || units(id, ms, step) < (goal.dose ?? 0)) return;
        met[index].add(at);
        progress[index] += 1;
        if (progress[index] === goal.r) reached[index] = at + 1;
      });
    }
    if (newHere) news.push(at);
    if (fresh > 1) rule('two new things');
    for (const [where, id] of one.pins) if (where === at && !ids.includes(id)) rule(`${id} is pinned`);

    // Minutes.
    const minutes = one.minutes[at];
    const breathing = held.reduce((sum, [, , ms]) => sum + ms, 0) / 60_000;
    const frame = frameOf(file, one, request, at, ids);
    const around = (which: 0 | 1) =>
      frame.arrive[which] + frame.movement[which] + frame.clear[which] + frame.settle[which] * frame.factor + frame.rest[which] + frame.close[which];
    if (breathing + around(0) > minutes + EPSILON) rule('it takes longer than it has');
    const filled = Math.min(minutes, breathing + around(1));
    used.push(filled);
    const load = held.reduce((sum, [id, , ms]) => sum + (ms / 60_000) * techniques[id].rung, 0);
    if (open) {
      if (filled < ARC_LIMITS.full * minutes - EPSILON) breaks('full', at);
      parts.unused += Math.floor(minutes - filled + EPSILON);
      const target = Math.round(shareOf(one.breath ?? file.breath, at, S) * minutes);
      parts.breath += Math.max(0, Math.floor(Math.abs(breathing - target) - ARC_LIMITS.breathOff * minutes + EPSILON));
      if (highest > 0) parts.load += Math.max(0, Math.floor(load - ARC_LIMITS.jump * highest + EPSILON));
      // A main practice.
      const could = request.could(at);
      const hasMain = newHere || lastBegun === undefined || ids.includes(lastBegun) || grewOther || ids.some((id) => goalOf(id) !== undefined);
      if (!((held.length >= 2 || could.length < 2) && (at < request.firstOther || ids.some((id) => !basic(id))) && hasMain)) breaks('main', at);
      // Not the class before again, and not a stranger to it.
      const before = at === 0 ? null : isOpen(at - 1) ? sessions[at - 1] : one.fixed[at - 1]!;
      if (before) {
        const families = new Set(before.map(([id]) => techniques[id].family));
        if (!ids.some((id) => families.has(techniques[id].family))) breaks('linked', at);
        const key = (placed: readonly (readonly [string, number, number])[]) =>
          placed
            .map(([id, step]) => `${id} ${step}`)
            .sort()
            .join();
        if (key(before) === key(held) && could.length > held.length) breaks('same', at);
      }
      for (const family of new Set(ids.map((id) => techniques[id].family)))
        parts.repeat += 2 * (ids.filter((id) => techniques[id].family === family).length - 1);
      parts.repeat += ids.filter((id) =>
        request.aboveInFamily(id).some((above) => already.has(above) || ((state.get(above)?.begun ?? S) < at && state.get(above)!.begun >= 0)),
      ).length;
    }
    highest = Math.max(highest, load);
    still = newHere || grewHere ? 0 : still + 1;
    if (open && at !== last && still >= ARC_LIMITS.stillInARow) breaks('still', at);
    if (open && at === last) {
      if (fresh > 0) breaks('lastnew', at);
      const gathers = one.goals.filter(
        ({ v }, index) =>
          reached[index] !== null &&
          !ids.includes(v) &&
          allowed(v, at, of(v).step) &&
          !request.aboveInFamily(v).some((above) => goalOf(above) !== undefined && of(above).begun >= 0),
      );
      const gathered = one.goals.filter(({ v }) => ids.includes(v)).length;
      for (const { v } of gathers.slice(0, Math.max(0, Math.min(ARC_LIMITS.gathered, one.most) - gathered))) breaks('gather', at, v);
    }
  }

  const usedIn = (id: string) => new Set([id, ...request.aboveInFamily(id)].flatMap((one) => state.get(one)?.times ?? []));
  one.goals.forEach(({ v }, index) => {
    const from = reached[index];
    if (from === null) return;
    const times = usedIn(v);
    let without = 0;
    for (let at = from; at < S; at += 1) {
      without = times.has(at) ? 0 : without + 1;
      if (without >= ARC_LIMITS.staysWithin && isOpen(at)) {
        breaks('stays', at, v);
        without = 0;
      }
    }
  });
  for (const { id, at } of newsBy) {
    if (!isOpen(at)) continue;
    const again = [...usedIn(id)].filter((time) => time > at);
    const soon = at === last || again.some((time) => time <= at + ARC_LIMITS.backWithin);
    if (!soon || again.length < Math.min(ARC_LIMITS.backTimes, last - at)) breaks('back', at, id);
  }
  const stood = one.dates.map((_, at) => new Set([...state].flatMap(([id, { times }]) => (times.includes(at) ? [id] : []))));
  const ready = readyIn(file, one, request, stood, met);
  one.goals.forEach(({ v, ready: share }, index) => {
    const tenths = ready[index] === null || reached[index] === null ? 0 : tenthsShort(share!, ready[index], peopleOf(one));
    if (tenths > 0) broken.push({ requirement: 'ready', at: S, technique: v, times: tenths });
  });
  // Spacing: what is not outgrown comes back at growing gaps.
  for (const [id, { times }] of state) {
    const outgrown = Math.min(
      S,
      ...request.aboveInFamily(id).map((above) => (already.has(above) ? -1 : (state.get(above)?.begun ?? -1) >= 0 ? state.get(above)!.begun : S)),
    );
    times.forEach((at, index) => {
      if (index === 0 || at > outgrown || !isOpen(at)) return;
      const [least, most] = ARC_LIMITS.gaps[Math.min(index, ARC_LIMITS.gaps.length) - 1];
      const gap = at - times[index - 1];
      parts.spacing += Math.max(0, gap - most, least - gap);
    });
    if (outgrown >= S) {
      const [, most] = ARC_LIMITS.gaps[Math.min(times.length, ARC_LIMITS.gaps.length) - 1];
      parts.spacing += Math.max(0, last - times.at(-1)! - most);
    }
  }
  // Pace: how evenly new things come.
  const from = one.fixed.length > 0 ? one.dates.findIndex((_, at) => isOpen(at)) : 0;
  const inOpen = news.filter(isOpen);
  if ((one.pace ?? file.pace ?? 'spread') === 'soon') parts.pace = reached.reduce<number>((sum, at) => sum + (at ?? 0), 0);
  else if (from >= 0) {
    const marks = [from - 1, ...inOpen, last];
    const squares = marks.slice(1).reduce((sum, at, index) => sum + (at - marks[index]) ** 2, 0);
    parts.pace = squares - evenly(last - from + 1, inOpen.length + 1);
  }
  return {
    rules,
    dropped: reached.filter((at) => at === null).length,
    reached,
    broken,
    Q: broken.reduce((sum, { requirement, times = 1 }) => sum + times * PRICE[requirement], 0),
    J: (Object.keys(parts) as Part[]).reduce((sum, part) => sum + WEIGHT[part] * parts[part], 0),
    parts,
    used,
    ready,
  };
}
