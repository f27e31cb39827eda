import { GROWS_AFTER_DAYS, GROWTH, measureOf, mostAtFirst, mostGrowth, unitsAbove, type ArcCase, type ArcFile } from './cases';
import { ARC_LIMITS } from './limits';
import { rangesOf } from './parts';
import { shareOf, type Request } from './request';

/** A class or a day that is never. */
export const FAR = 10_000;

/** Everything that stays the same while a course is searched, as tables of numbers: by technique, by class, by both. */
export class Tables {
  readonly T: number;
  readonly S: number;
  readonly most: number;
  readonly ids: readonly string[];
  /** By class: open for the search. */
  readonly open: Uint8Array;
  readonly openAt: readonly number[];
  /** By technique and class: on the first step, and on a higher one. */
  readonly may: Uint8Array;
  /** Techniques that may stand in a draft at all. */
  readonly usable: readonly number[];
  /** By technique: everything that needs it, near or far. */
  readonly above: readonly (readonly number[])[];
  readonly pinned: Uint8Array;
  readonly steps: readonly number[];

  protected readonly width: number;

  protected readonly day: Int32Array;
  protected readonly ms: { readonly unit: Float64Array; readonly lead: Float64Array };
  /** Steps a technique can have, for rows by technique and step. */
  protected readonly stepBase: number;
  protected readonly inARow: number;
  protected readonly pause: number;
  protected readonly growsAfter: Int16Array;
  protected readonly by: Int16Array;
  protected readonly left: (t: number, step: number, units: number) => number;
  protected readonly low: Int16Array;
  protected readonly top: Int16Array;
  protected readonly startTop: Int16Array;
  protected readonly growth: Int16Array;
  protected readonly growthBase: number;
  protected readonly rung: Float64Array;
  protected readonly factor: Float64Array;
  protected readonly side: Uint8Array;
  protected readonly familyLow: Int32Array;
  protected readonly familyHigh: Int32Array;
  protected readonly basic: Uint8Array;
  protected readonly already: Uint8Array;
  protected readonly isGoal: Uint8Array;
  protected readonly needs: readonly (readonly (readonly [need: number, times: number, days: number])[])[];
  protected readonly dependents: readonly (readonly number[])[];
  protected readonly kin: readonly (readonly number[])[];
  protected readonly goalsOf: readonly (readonly number[])[];
  protected readonly goals: readonly { task: number; times: number; dose: number; before: number; last: number; kept: boolean }[];
  protected readonly stepNeeds: readonly (readonly { n: number; d: number }[])[];
  protected readonly hash: Float64Array;
  protected readonly fixedDose: Int16Array;
  protected readonly fixedStep: Uint8Array;
  /** What stands already: units and step of each practice, how many in each class, and what it costs to change it. */
  readonly standDose: Int16Array;
  readonly standStep: Uint8Array;
  protected readonly standSize: Uint8Array;
  protected readonly standCosts: Float64Array;
  protected readonly minutes: Float64Array;
  protected readonly shorter: Uint8Array;
  protected readonly target: Float64Array;
  protected readonly could: Int16Array;
  /** By class: least and most of what stands around, without side work and with it; settling apart. */
  protected readonly around: Float64Array;
  protected readonly pace: 'spread' | 'soon';
  protected readonly from: number;
  protected readonly firstOther: number;
  protected readonly settle: readonly [number, number];

  constructor(file: ArcFile, one: ArcCase, request: Request, kept: readonly boolean[], beginable: ReadonlySet<string>) {
    const { techniques } = file;
    const ids = request.known;
    const [T, S] = [ids.length, one.dates.length];
    this.T = T;
    this.S = S;
    this.ids = ids;
    this.most = one.most;
    const index = new Map(ids.map((id, at) => [id, at]));
    const fixed = (at: number) => one.fixed[at] ?? null;
    this.open = Uint8Array.from({ length: S }, (_, at) => (fixed(at) ? 0 : 1));
    this.openAt = [...this.open.keys()].filter((at) => this.open[at] === 1);
    this.width = Math.max(one.most, ...one.fixed.map((held) => held?.length ?? 0)) + 1;
    this.day = Int32Array.from(request.days);
    const of = (id: string) => techniques[id];
    const numbers = (value: (id: string) => number) => Float64Array.from(ids, value);
    this.steps = ids.map((id) => request.goalOf(id)?.steps?.length ?? 0);
    const most = Math.max(0, ...this.steps) + 1;
    this.stepBase = most;
    const measure = (id: string, step: number) => measureOf(file, request.goalOf(id), id, step);
    const measures = ids.flatMap((id) => Array.from({ length: most }, (_, step) => measure(id, step)));
    this.ms = { unit: Float64Array.from(measures, ({ unit }) => unit), lead: Float64Array.from(measures, ({ lead }) => lead) };
    const growth = file.growth ?? GROWTH;
    this.inARow = growth.inARow;
    this.pause = growth.pause ?? FAR;
    this.growsAfter = Int16Array.from(ids, (id) => Math.max(GROWS_AFTER_DAYS, of(id).dose.every ?? 0));
    this.by = Int16Array.from(ids, (id) => of(id).dose.by ?? 1);
    this.left = (t, step, units) => unitsAbove(measure(ids[t], step - 1), measure(ids[t], step), units, growth);
    this.low = Int16Array.from(ids, (id) => of(id).dose.low);
    this.top = Int16Array.from(ids, (id) => of(id).dose.top);
    this.startTop = Int16Array.from(ids, (id) => mostAtFirst(of(id).dose) - of(id).dose.low);
    this.growthBase = 1 + Math.max(...ids.map((id) => of(id).dose.top));
    this.growth = new Int16Array(T * most * this.growthBase);
    ids.forEach((id, t) => {
      for (let step = 0; step < most; step += 1) {
        const dose = { ...of(id).dose, ...measure(id, step) };
        const row = (t * most + step) * this.growthBase;
        for (let units = 0; units < this.growthBase; units += 1) this.growth[row + units] = mostGrowth(dose, units, growth);
      }
    });
    this.rung = numbers((id) => of(id).rung);
    this.factor = numbers((id) => of(id).settle);
    this.side = Uint8Array.from(ids, (id) => (of(id).side > 0 ? 1 : 0));
    const families = [...new Set(ids.map((id) => of(id).family))];
    const bit = (id: string) => families.indexOf(of(id).family) % 60;
    this.familyLow = Int32Array.from(ids, (id) => (bit(id) < 30 ? 1 << bit(id) : 0));
    this.familyHigh = Int32Array.from(ids, (id) => (bit(id) >= 30 ? 1 << (bit(id) - 30) : 0));
    this.basic = Uint8Array.from(ids, (id) => (request.basic(id) ? 1 : 0));
    this.already = Uint8Array.from(ids, (id) => (request.already.has(id) ? 1 : 0));
    this.isGoal = Uint8Array.from(ids, (id) => (request.goalOf(id) ? 1 : 0));
    const inside = (list: readonly string[]) => list.flatMap((id) => index.get(id) ?? []);
    this.needs = ids.map((id) =>
      request.already.has(id)
        ? []
        : request
            .needsOf(id)
            .filter(([needs]) => !request.already.has(needs))
            .map(([needs, , times, days]) => [index.get(needs)!, times, days] as const),
    );
    this.kin = ids.map((id) => inside(request.aboveInFamily(id)));
    this.dependents = ids.map((_, t) =>
      ids.flatMap((__, other) => (other !== t && (this.needs[other].some(([need]) => need === t) || this.kin[other].includes(t)) ? [other] : [])),
    );
    this.above = ids.map((_, t) => {
      const all = new Set<number>();
      const add = (task: number): void =>
        this.needs.forEach((needs, other) => {
          if (!all.has(other) && needs.some(([need]) => need === task)) {
            all.add(other);
            add(other);
          }
        });
      add(t);
      return [...all];
    });
    this.goals = one.goals.map(({ v, r, dose = 0, by, steps = [] }, at) => ({
      task: index.get(v)!,
      times: r,
      dose,
      before: by === undefined ? S : one.dates.filter((date) => date <= by).length,
      last: steps.length,
      kept: kept[at],
    }));
    this.goalsOf = ids.map((_, t) => this.goals.flatMap(({ task }, goal) => (task === t ? [goal] : [])));
    this.stepNeeds = ids.map((id) => [...(request.goalOf(id)?.steps ?? [])]);
    const random = generator(77);
    this.hash = Float64Array.from({ length: T * most }, () => Math.floor(random() * 2 ** 40));
    this.may = new Uint8Array(T * S * most);
    ids.forEach((id, t) => {
      for (let at = 0; at < S; at += 1)
        for (let step = 0; step <= this.steps[t]; step += 1) this.may[(t * S + at) * most + step] = request.allowed(id, at, step) ? 1 : 0;
    });
    const begun = new Set(one.fixed.flatMap((held) => (held ?? []).map(([id]) => id)));
    this.usable = ids.flatMap((id, t) => (request.already.has(id) || begun.has(id) || beginable.has(id) ? [t] : []));
    this.pinned = new Uint8Array(T * S);
    for (const [at, id] of one.pins) if (!fixed(at)) this.pinned[index.get(id)! * S + at] = 1;
    this.minutes = Float64Array.from(one.minutes);
    this.shorter = Uint8Array.from(one.minutes, (minutes, at) => (at === S - 1 || minutes <= ARC_LIMITS.short * request.usual ? 1 : 0));
    const breath = one.breath ?? file.breath;
    this.target = Float64Array.from(one.minutes, (minutes, at) => Math.round(shareOf(breath, at, S) * minutes));
    this.could = Int16Array.from(one.dates, (_, at) => request.could(at).length);
    const { frame } = file;
    this.around = new Float64Array(S * 4);
    one.minutes.forEach((minutes, at) => {
      for (const side of [false, true]) {
        const place = { minutes, at, classes: S, talk: at < request.firstOther, side, factor: 0 };
        const { arrive, movement, clear, rest, close } = rangesOf(frame, place);
        for (const which of [0, 1] as const)
          this.around[at * 4 + (side ? 2 : 0) + which] = arrive[which] + movement[which] + clear[which] + rest[which] + close[which];
      }
    });
    this.settle = frame.settle;
    this.pace = one.pace ?? file.pace ?? 'spread';
    this.from = this.openAt[0] ?? 0;
    this.firstOther = request.firstOther;
    this.fixedDose = new Int16Array(T * S);
    this.fixedStep = new Uint8Array(T * S);
    this.standDose = new Int16Array(T * S);
    this.standStep = new Uint8Array(T * S);
    this.standSize = Uint8Array.from({ length: S }, (_, at) => one.stands?.[at].held.length ?? 0);
    this.standCosts = Float64Array.from({ length: S }, (_, at) => (fixed(at) || this.standSize[at] === 0 ? 0 : one.stands![at].costs));
    one.stands?.forEach(({ held }, at) =>
      held.forEach(([id, step, units]) => {
        const t = index.get(id);
        if (t === undefined) return;
        this.standDose[t * S + at] = units;
        this.standStep[t * S + at] = step;
      }),
    );
    one.fixed.forEach((held, at) =>
      held?.forEach(([id, step, units]) => {
        this.fixedDose[index.get(id)! * S + at] = units;
        this.fixedStep[index.get(id)! * S + at] = step;
      }),
    );
  }
}

/** The same numbers each time, from 0 up to 1. */
export function generator(seed: number): () => number {
  let state = seed >>> 0 || 1;
  return () => {
    state ^= state << 13;
    state >>>= 0;
    state ^= state >>> 17;
    state ^= state << 5;
    state >>>= 0;
    return state / 2 ** 32;
  };
}
