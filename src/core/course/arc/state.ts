import { GROWS_AFTER_DAYS, GROWTH, lighterOf, measureOf, mostAtFirst, mostGrowth, unitsAbove, type ArcCase, type ArcFile, type Practice } from './cases';
import { rangesOf } from './parts';
import { ARC_LIMITS, evenly, PRICE, shareOf, WEIGHT, type Request } from './judge';

/** How a practice is done: the dose follows from it, and so can break no rule. What is not possible where it stands is done as it stands. */
export const STANDS = 1;
export const GROWS = 2;
export const GROWS_BY_ONE = 3;
export const LIGHTER = 4;
export const STEPS_UP = 5;
const FIXED = 6;

const NEW = 1;
const UP = 2;
const GREW = 4;

/** What a broken rule costs on the way, and a point of requirements. */
const RULE = 200;
const Q = 12;

const FAR = 10_000;

/**
 * A course while it is searched: which techniques stand in which class and how, with everything that follows from it. A move changes a few
 * practices; only what depends on them is worked out again, and taken back where the move is not.
 */
export class Course {
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

  /** Practices of each technique in order of time, and how each is done. */
  readonly list: Uint8Array;
  readonly n: Uint8Array;
  readonly how: Uint8Array;
  /** Units above the lowest that what was practised before is taken up at. */
  readonly start: Uint8Array;
  readonly members: Uint8Array;
  readonly size: Uint8Array;
  private readonly width: number;

  readonly dose: Int16Array;
  readonly step: Uint8Array;
  private readonly flag: Uint8Array;
  private readonly begin: Int16Array;
  readonly reached: Int16Array;
  private readonly rowScalars: Float64Array; // per technique: V, Q, J
  private readonly cls: Float64Array; // per class, see CLASS
  private readonly trouble: Float64Array;

  /** Sums of everything. */
  V = 0;
  Q = 0;
  J = 0;
  private rowV = 0;
  private rowQ = 0;
  private rowJ = 0;
  private clsV = 0;
  private clsQ = 0;
  private clsJ = 0;

  private readonly day: Int32Array;
  private readonly ms: { readonly unit: Float64Array; readonly lead: Float64Array };
  /** Steps a technique can have, for rows by technique and step. */
  private readonly stepBase: number;
  private readonly inARow: number;
  private readonly pause: number;
  private readonly growsAfter: Int16Array;
  private readonly by: Int16Array;
  private readonly left: (t: number, step: number, units: number) => number;
  private readonly low: Int16Array;
  private readonly top: Int16Array;
  private readonly startTop: Int16Array;
  private readonly growth: Int16Array;
  private readonly growthBase: number;
  private readonly rung: Float64Array;
  private readonly factor: Float64Array;
  private readonly side: Uint8Array;
  private readonly familyLow: Int32Array;
  private readonly familyHigh: Int32Array;
  private readonly basic: Uint8Array;
  private readonly already: Uint8Array;
  private readonly isGoal: Uint8Array;
  private readonly needs: readonly (readonly (readonly [need: number, times: number, days: number])[])[];
  private readonly dependents: readonly (readonly number[])[];
  private readonly kin: readonly (readonly number[])[];
  private readonly goalsOf: readonly (readonly number[])[];
  private readonly goals: readonly { task: number; times: number; dose: number; before: number; last: number; kept: boolean }[];
  private readonly stepNeeds: readonly (readonly { n: number; d: number }[])[];
  private readonly hash: Float64Array;
  private readonly fixedDose: Int16Array;
  private readonly fixedStep: Uint8Array;
  private readonly minutes: Float64Array;
  private readonly shorter: Uint8Array;
  private readonly target: Float64Array;
  private readonly could: Int16Array;
  /** By class: least and most of what stands around, without side work and with it; settling apart. */
  private readonly around: Float64Array;
  private readonly pace: 'spread' | 'soon';
  private readonly from: number;
  private readonly firstOther: number;
  private readonly settle: readonly [number, number];
  private readonly marks: Uint8Array;

  constructor(
    file: ArcFile,
    readonly one: ArcCase,
    request: Request,
    kept: readonly boolean[],
    beginable: ReadonlySet<string>,
  ) {
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
    this.list = new Uint8Array(T * S);
    this.n = new Uint8Array(T);
    this.how = new Uint8Array(T * S);
    this.start = new Uint8Array(T);
    this.members = new Uint8Array(S * this.width);
    this.size = new Uint8Array(S);
    this.dose = new Int16Array(T * S);
    this.step = new Uint8Array(T * S);
    this.flag = new Uint8Array(T * S);
    this.begin = new Int16Array(T).fill(FAR);
    this.reached = new Int16Array(one.goals.length).fill(FAR);
    this.rowScalars = new Float64Array(T * 3);
    this.cls = new Float64Array(S * CLASS);
    this.trouble = new Float64Array(S);
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
    this.marks = new Uint8Array(S);
    this.fixedDose = new Int16Array(T * S);
    this.fixedStep = new Uint8Array(T * S);

    // What is kept of rows and classes while a move is tried.
    this.rowSaved = new Int32Array(T);
    this.classSaved = new Int32Array(S);
    this.saved = {
      list: new Uint8Array(T * S),
      n: new Uint8Array(T),
      how: new Uint8Array(T * S),
      start: new Uint8Array(T),
      dose: new Int16Array(T * S),
      step: new Uint8Array(T * S),
      flag: new Uint8Array(T * S),
      begin: new Int16Array(T),
      reached: new Int16Array(one.goals.length),
      row: new Float64Array(T * 3),
      cls: new Float64Array(S * CLASS),
      members: new Uint8Array(S * this.width),
      size: new Uint8Array(S),
    };
    this.rows = new Int32Array(T);
    this.classes = new Int32Array(S);
    this.rowState = new Uint8Array(T);
    this.classDirty = new Uint8Array(S);

    one.fixed.forEach((held, at) =>
      held?.forEach(([id, step, units]) => {
        const t = index.get(id)!;
        this.fixedDose[t * S + at] = units;
        this.fixedStep[t * S + at] = step;
        this.put(t, at, FIXED);
      }),
    );
    this.settleAll();
  }

  private readonly rowSaved: Int32Array;
  private readonly classSaved: Int32Array;
  private readonly saved;
  private stamp = 1;
  private readonly rows: Int32Array;
  private rowsN = 0;
  private readonly classes: Int32Array;
  private classesN = 0;
  private readonly rowState: Uint8Array;
  private readonly classDirty: Uint8Array;
  private before = { V: 0, Q: 0, J: 0, rowV: 0, rowQ: 0, rowJ: 0, clsV: 0, clsQ: 0, clsJ: 0 };

  /** Everything worked out from nothing. */
  settleAll(): void {
    for (let t = 0; t < this.T; t += 1) this.touch(t, true);
    for (let at = 0; at < this.S; at += 1) this.touchClass(at);
    this.work();
    this.commit();
  }

  /** What a point of requirements counts on the way. */
  price: number = Q;

  get cost(): number {
    return RULE * this.V + this.price * this.Q + this.J;
  }

  has(t: number, at: number): boolean {
    return this.how[t * this.S + at] !== 0;
  }

  allowedAt(t: number, at: number): boolean {
    return this.may[(t * this.S + at) * this.stepBase] === 1;
  }

  /** What is wrong about a class, roughly: where a move is worth most. */
  troubleAt(at: number): number {
    return this.trouble[at] + this.cls[at * CLASS] * RULE + this.cls[at * CLASS + 1] * Q + this.cls[at * CLASS + 2];
  }

  troubleOf(t: number): number {
    return this.rowScalars[t * 3] * RULE + this.rowScalars[t * 3 + 1] * Q + this.rowScalars[t * 3 + 2];
  }

  member(at: number, index: number): number {
    return this.members[at * this.width + index];
  }

  firstOf(t: number): number {
    return this.begin[t];
  }

  /** By how much what it is taken up at can differ. */
  startBy(t: number): number {
    return this.by[t];
  }

  startMost(t: number): number {
    return this.already[t] === 1 && this.n[t] > 0 ? this.startTop[t] : 0;
  }

  /** Milliseconds of a practice. */
  private length(t: number, cell: number): number {
    const measure = t * this.stepBase + this.step[cell];
    return this.ms.lead[measure] + this.ms.unit[measure] * this.dose[cell];
  }

  // --- Changing ---

  put(t: number, at: number, how: number): void {
    const { S, list, n } = this;
    this.touch(t, true);
    this.touchClass(at);
    this.how[t * S + at] = how;
    let index = n[t];
    const base = t * S;
    while (index > 0 && list[base + index - 1] > at) {
      list[base + index] = list[base + index - 1];
      index -= 1;
    }
    list[base + index] = at;
    n[t] += 1;
    this.members[at * this.width + this.size[at]] = t;
    this.size[at] += 1;
  }

  take(t: number, at: number): void {
    const { S, list, n } = this;
    this.touch(t, true);
    this.touchClass(at);
    const base = t * S;
    this.how[base + at] = 0;
    this.flag[base + at] = 0;
    this.dose[base + at] = 0;
    let index = 0;
    while (list[base + index] !== at) index += 1;
    n[t] -= 1;
    for (; index < n[t]; index += 1) list[base + index] = list[base + index + 1];
    const row = at * this.width;
    index = 0;
    while (this.members[row + index] !== t) index += 1;
    this.size[at] -= 1;
    this.members[row + index] = this.members[row + this.size[at]];
  }

  does(t: number, at: number, how: number): void {
    this.touch(t, false);
    this.how[t * this.S + at] = how;
  }

  begins(t: number, start: number): void {
    this.touch(t, false);
    this.start[t] = start;
  }

  /** Notes what a move is about to change, so that it can be taken back. */
  private touch(t: number, presence: boolean): void {
    if (this.rowSaved[t] !== this.stamp) {
      this.saveRow(t);
      this.rows[this.rowsN++] = t;
      this.rowState[t] = 1;
    }
    if (presence) this.rowState[t] = 3;
    else if (this.rowState[t] < 2) this.rowState[t] = 2;
  }

  private saveRow(t: number): void {
    const { S, saved } = this;
    this.rowSaved[t] = this.stamp;
    const base = t * S;
    for (let i = 0; i < this.n[t]; i += 1) {
      const at = this.list[base + i];
      saved.list[base + i] = at;
      saved.how[base + i] = this.how[base + at];
      saved.dose[base + i] = this.dose[base + at];
      saved.step[base + i] = this.step[base + at];
      saved.flag[base + i] = this.flag[base + at];
    }
    saved.n[t] = this.n[t];
    saved.start[t] = this.start[t];
    saved.begin[t] = this.begin[t];
    saved.row[t * 3] = this.rowScalars[t * 3];
    saved.row[t * 3 + 1] = this.rowScalars[t * 3 + 1];
    saved.row[t * 3 + 2] = this.rowScalars[t * 3 + 2];
    for (const goal of this.goalsOf[t]) saved.reached[goal] = this.reached[goal];
  }

  private touchClass(at: number): void {
    if (this.classSaved[at] !== this.stamp) {
      this.classSaved[at] = this.stamp;
      const { saved, width } = this;
      for (let i = at * CLASS; i < at * CLASS + CLASS; i += 1) saved.cls[i] = this.cls[i];
      for (let i = at * width; i < at * width + width; i += 1) saved.members[i] = this.members[i];
      saved.size[at] = this.size[at];
      this.classes[this.classesN++] = at;
    }
    this.classDirty[at] = 1;
  }

  /** Works out what follows from what was changed. */
  work(): void {
    const changed = this.rowsN;
    for (let i = 0; i < changed; i += 1) this.decode(this.rows[i]);
    for (let i = 0; i < changed; i += 1) {
      const t = this.rows[i];
      if (this.rowState[t] !== 3) continue;
      for (const other of this.dependents[t])
        if (this.n[other] > 0 && this.rowSaved[other] !== this.stamp) {
          this.saveRow(other);
          this.rows[this.rowsN++] = other;
          this.rowState[other] = 1;
        }
    }
    for (let i = 0; i < this.rowsN; i += 1) this.weigh(this.rows[i]);
    for (let i = 0; i < this.classesN; i += 1) if (this.classDirty[this.classes[i]] === 1) this.weighClass(this.classes[i]);
    this.whole();
  }

  commit(): void {
    this.clear();
    const { before } = this;
    before.V = this.V;
    before.Q = this.Q;
    before.J = this.J;
    before.rowV = this.rowV;
    before.rowQ = this.rowQ;
    before.rowJ = this.rowJ;
    before.clsV = this.clsV;
    before.clsQ = this.clsQ;
    before.clsJ = this.clsJ;
  }

  undo(): void {
    const { S, saved, width } = this;
    for (let i = 0; i < this.rowsN; i += 1) {
      const t = this.rows[i];
      const base = t * S;
      for (let k = 0; k < this.n[t]; k += 1) this.how[base + this.list[base + k]] = 0;
      for (let k = 0; k < saved.n[t]; k += 1) {
        const at = saved.list[base + k];
        this.list[base + k] = at;
        this.how[base + at] = saved.how[base + k];
        this.dose[base + at] = saved.dose[base + k];
        this.step[base + at] = saved.step[base + k];
        this.flag[base + at] = saved.flag[base + k];
      }
      this.n[t] = saved.n[t];
      this.start[t] = saved.start[t];
      this.begin[t] = saved.begin[t];
      this.rowScalars[t * 3] = saved.row[t * 3];
      this.rowScalars[t * 3 + 1] = saved.row[t * 3 + 1];
      this.rowScalars[t * 3 + 2] = saved.row[t * 3 + 2];
      for (const goal of this.goalsOf[t]) this.reached[goal] = saved.reached[goal];
    }
    for (let i = 0; i < this.classesN; i += 1) {
      const at = this.classes[i];
      for (let k = at * CLASS; k < at * CLASS + CLASS; k += 1) this.cls[k] = saved.cls[k];
      for (let k = at * width; k < at * width + width; k += 1) this.members[k] = saved.members[k];
      this.size[at] = saved.size[at];
    }
    const { before } = this;
    this.V = before.V;
    this.Q = before.Q;
    this.J = before.J;
    this.rowV = before.rowV;
    this.rowQ = before.rowQ;
    this.rowJ = before.rowJ;
    this.clsV = before.clsV;
    this.clsQ = before.clsQ;
    this.clsJ = before.clsJ;
    this.clear();
  }

  private clear(): void {
    for (let i = 0; i < this.rowsN; i += 1) this.rowState[this.rows[i]] = 0;
    for (let i = 0; i < this.classesN; i += 1) this.classDirty[this.classes[i]] = 0;
    this.rowsN = 0;
    this.classesN = 0;
    this.stamp += 1;
  }

  /** The doses and steps of a technique, from its first practice on. */
  private decode(t: number): void {
    const { S, list, how, day } = this;
    const base = t * S;
    const [n, top] = [this.n[t], this.top[t]];
    let [high, grownDay, growths, step, stepDay, onStep] = [0, 0, 0, 0, 0, 0];
    this.begin[t] = n > 0 ? list[base] : FAR;
    for (const goal of this.goalsOf[t]) this.reached[goal] = FAR;
    const goals = this.goalsOf[t];
    for (const goal of goals) this.progress[goal] = 0;
    for (let i = 0; i < n; i += 1) {
      const at = list[base + i];
      const kind = i > 0 && how[base + at] !== FIXED && day[at] - day[list[base + i - 1]] > this.pause ? STANDS : how[base + at];
      let [units, flags] = [0, 0];
      if (i === 0) {
        units = kind === FIXED ? this.fixedDose[base + at] : this.low[t] + (this.already[t] === 1 ? this.start[t] : 0);
        step = kind === FIXED ? this.fixedStep[base + at] : 0;
        flags = this.already[t] === 1 ? 0 : NEW;
        high = units;
        grownDay = day[at];
        stepDay = day[at];
        onStep = 1;
      } else if (kind === FIXED) {
        units = this.fixedDose[base + at];
        if (this.fixedStep[base + at] > step) {
          step = this.fixedStep[base + at];
          stepDay = day[at];
          onStep = 1;
          flags |= UP;
        } else onStep += 1;
        if (units > high) {
          high = units;
          grownDay = day[at];
          growths += 1;
          flags |= GREW;
        } else if (units < high) growths = 0;
      } else {
        units = high;
        onStep += 1;
        if (kind === STEPS_UP) {
          const asked = this.stepNeeds[t][step];
          if (asked !== undefined && onStep - 1 >= asked.n && day[at] - stepDay >= asked.d) {
            step += 1;
            stepDay = day[at];
            onStep = 1;
            flags |= UP;
            units = this.left(t, step, high);
            high = units;
          }
        } else if (kind === LIGHTER) {
          if (high > 1 && (growths >= this.inARow || this.shorter[at] === 1)) {
            units = lighterOf(high);
            growths = 0;
          }
        } else if (kind !== STANDS && growths < this.inARow && high < top && day[at] - grownDay >= this.growsAfter[t]) {
          const upTo = this.growth[(t * this.stepBase + step) * this.growthBase + high];
          const by = kind === GROWS ? upTo : this.by[t];
          if (by > 0 && by <= upTo) {
            high = Math.min(top, high + by);
            units = high;
            grownDay = day[at];
            growths += 1;
            flags |= GREW;
          }
        }
      }
      if (this.dose[base + at] !== units || this.flag[base + at] !== flags || this.step[base + at] !== step) {
        this.touchClass(at);
        this.dose[base + at] = units;
        this.flag[base + at] = flags;
        this.step[base + at] = step;
      }
      for (const goal of goals) {
        const asked = this.goals[goal];
        if (step === asked.last && units >= asked.dose && at < asked.before && this.reached[goal] === FAR) {
          this.progress[goal] += 1;
          if (this.progress[goal] >= asked.times) this.reached[goal] = at;
        }
      }
    }
  }

  private readonly progress = new Uint8Array(64);

  /** What a technique's own practices cost: needs, returns, spacing, what is outgrown. */
  private weigh(t: number): void {
    const { S, list, day, open } = this;
    const base = t * S;
    const n = this.n[t];
    let [v, q, j] = [0, 0, 0];
    if (n > 0) {
      const kin = this.kin[t];
      let outgrown = FAR;
      let someKin = false;
      for (const above of kin) {
        if (this.already[above] === 1) outgrown = -1;
        else if (this.begin[above] < outgrown) outgrown = this.begin[above];
        if (this.n[above] > 0) someKin = true;
      }
      const needs = this.needs[t];
      if (needs.length > 0) {
        let i = 0;
        while (i < n && open[list[base + i]] === 0) i += 1;
        if (i < n)
          for (const [need, times, wait] of needs) {
            const from = need * S;
            // Every practice before this need is met breaks it.
            for (let k = i; k < n; k += 1) {
              const at = list[base + k];
              const met = this.n[need] >= times && list[from + times - 1] < at && day[at] - day[list[from]] >= wait;
              if (met) break;
              v += 1;
            }
          }
      }
      // Allowed, standing too long, spacing.
      let [stands, high] = [0, 0];
      for (let i = 0; i < n; i += 1) {
        const at = list[base + i];
        const isOpen = open[at] === 1;
        const units = this.dose[base + at];
        if (isOpen && this.may[(base + at) * this.stepBase + this.step[base + at]] === 0) v += 1;
        if (i === 0 || units > high) {
          high = units;
          stands = 1;
        } else if (units === high || (this.flag[base + at] & UP) !== 0) {
          high = units;
          stands += 1;
          if (isOpen && stands >= ARC_LIMITS.standsInARow && high < this.top[t]) q += PRICE.stand;
        }
        if (isOpen && at > outgrown) j += WEIGHT.repeat;
        if (isOpen && i > 0 && at <= outgrown) {
          const gap = at - list[base + i - 1];
          const most = i === 1 ? 2 : i === 2 ? 3 : 5;
          const least = i <= 2 ? 1 : 2;
          if (gap > most) j += gap - most;
          else if (gap < least) j += least - gap;
        }
      }
      if (outgrown === FAR) {
        const over = S - 1 - list[base + n - 1] - (n === 1 ? 2 : n === 2 ? 3 : 5);
        if (over > 0) j += over;
      }
      const first = list[base];
      const begun = this.already[t] === 0 && open[first] === 1;
      const goals = this.goalsOf[t];
      if (begun || goals.length > 0) {
        const { marks } = this;
        marks.fill(0);
        for (let i = 0; i < n; i += 1) marks[list[base + i]] = 1;
        if (someKin) for (const above of kin) for (let i = 0; i < this.n[above]; i += 1) marks[list[above * S + i]] = 1;
        if (begun) {
          let [times, soon] = [0, first === S - 1];
          for (let at = first + 1; at < S; at += 1)
            if (marks[at] === 1) {
              times += 1;
              if (at <= first + ARC_LIMITS.backWithin) soon = true;
            }
          if (!soon || times < Math.min(ARC_LIMITS.backTimes, S - 1 - first)) q += PRICE.back;
        }
        for (const goal of goals) {
          if (this.reached[goal] === FAR) {
            if (this.goals[goal].kept) v += 1;
            continue;
          }
          let without = 0;
          for (let at = this.reached[goal] + 1; at < S; at += 1) {
            without = marks[at] === 1 ? 0 : without + 1;
            if (without >= ARC_LIMITS.staysWithin && open[at] === 1) {
              q += PRICE.stays;
              without = 0;
            }
          }
        }
      }
    } else for (const goal of this.goalsOf[t]) if (this.goals[goal].kept) v += 1;
    this.rowV += v - this.rowScalars[t * 3];
    this.rowQ += q - this.rowScalars[t * 3 + 1];
    this.rowJ += j - this.rowScalars[t * 3 + 2];
    this.rowScalars[t * 3] = v;
    this.rowScalars[t * 3 + 1] = q;
    this.rowScalars[t * 3 + 2] = j;
  }

  private weighClass(at: number): void {
    const { S, width, members } = this;
    const n = this.size[at];
    let [breathing, factor, load, hash] = [0, 0, 0, 0];
    let [low, high, side, fresh, goal, other, grew, nonBasic, begun, twice] = [0, 0, 0, 0, 0, 0, 0, 0, -1, 0];
    for (let i = 0; i < n; i += 1) {
      const t = members[at * width + i];
      const cell = t * S + at;
      const minutes = this.length(t, cell) / 60_000;
      breathing += minutes;
      load += minutes * this.rung[t];
      factor += this.factor[t];
      hash += this.hash[t * this.stepBase + this.step[cell]];
      if ((low & this.familyLow[t]) !== 0 || (high & this.familyHigh[t]) !== 0) twice += 1;
      low |= this.familyLow[t];
      high |= this.familyHigh[t];
      side |= this.side[t];
      const flags = this.flag[cell];
      if ((flags & (NEW | UP)) !== 0) fresh += 1;
      if ((flags & NEW) !== 0) begun = t;
      if ((flags & GREW) !== 0) {
        grew = 1;
        if (this.basic[t] === 0) other = 1;
      }
      if (this.basic[t] === 0) nonBasic += 1;
      if (this.isGoal[t] === 1) goal = 1;
    }
    let [v, q, j] = [0, 0, 0];
    if (this.open[at] === 1) {
      const minutes = this.minutes[at];
      const least = breathing + this.around[at * 4 + side * 2] + this.settle[0] * factor;
      const most = breathing + this.around[at * 4 + side * 2 + 1] + this.settle[1] * factor;
      if (n === 0) v += 1;
      if (fresh > 1) v += fresh - 1;
      if (least > minutes + EPSILON) v += 1 + (least - minutes) / 20;
      const used = Math.min(minutes, most);
      if (used < ARC_LIMITS.full * minutes - EPSILON) q += PRICE.full;
      j += WEIGHT.unused * Math.floor(minutes - used + EPSILON);
      const off = Math.floor(Math.abs(breathing - this.target[at]) - ARC_LIMITS.breathOff * minutes + EPSILON);
      if (off > 0) j += WEIGHT.breath * off;
      j += 2 * WEIGHT.repeat * twice;
    }
    const base = at * CLASS;
    const { cls } = this;
    this.clsV += v - cls[base];
    this.clsQ += q - cls[base + 1];
    this.clsJ += j - cls[base + 2];
    cls[base] = v;
    cls[base + 1] = q;
    cls[base + 2] = j;
    cls[base + 3] = load;
    cls[base + 4] = hash;
    cls[base + 5] = low;
    cls[base + 6] = high;
    cls[base + 7] = fresh;
    cls[base + 8] = begun;
    // A main practice of its own; or, where nothing else is, the thing begun last.
    cls[base + 9] = fresh > 0 || goal > 0 || other > 0 ? 1 : 0;
    cls[base + 10] = grew;
    cls[base + 11] = (n >= 2 || this.could[at] < 2) && (at < this.firstOther || nonBasic > 0) ? 1 : 0;
  }

  /** What goes across classes. */
  private whole(): void {
    const { S, cls, open, size, trouble } = this;
    let [q, j] = [0, 0];
    let [highest, still, lastBegun, squares, marks] = [0, 0, -1, 0, 0];
    let mark = this.from - 1;
    for (let at = 0; at < S; at += 1) {
      const base = at * CLASS;
      let here = 0;
      const load = cls[base + 3];
      const fresh = cls[base + 7];
      if (open[at] === 1) {
        let wrong = 0;
        if (highest > 0) {
          const jump = Math.floor(load - ARC_LIMITS.jump * highest + EPSILON);
          if (jump > 0) {
            j += WEIGHT.load * jump;
            here += WEIGHT.load * jump;
          }
        }
        if (cls[base + 11] === 0 || !(cls[base + 9] === 1 || lastBegun < 0 || this.how[lastBegun * S + at] !== 0)) wrong += PRICE.main;
        if (at > 0) {
          const earlier = base - CLASS;
          if ((cls[base + 5] & cls[earlier + 5]) === 0 && (cls[base + 6] & cls[earlier + 6]) === 0) wrong += PRICE.linked;
          if (cls[base + 4] === cls[earlier + 4] && this.could[at] > size[at]) wrong += PRICE.same;
        }
        if (fresh > 0) {
          squares += (at - mark) * (at - mark);
          mark = at;
          marks += 1;
        }
        still = fresh > 0 || cls[base + 10] === 1 ? 0 : still + 1;
        if (at === S - 1) {
          if (fresh > 0) wrong += PRICE.lastnew;
        } else if (still >= ARC_LIMITS.stillInARow) wrong += PRICE.still;
        q += wrong;
        here += Q * wrong;
      } else still = fresh > 0 || cls[base + 10] === 1 ? 0 : still + 1;
      if (load > highest) highest = load;
      if (cls[base + 8] >= 0) lastBegun = cls[base + 8];
      trouble[at] = here;
    }
    if (open[S - 1] === 1) {
      let [missing, gathered] = [0, 0];
      for (let goal = 0; goal < this.goals.length; goal += 1) {
        const t = this.goals[goal].task;
        if (this.how[t * S + S - 1] !== 0) {
          gathered += 1;
          continue;
        }
        if (this.reached[goal] === FAR) continue;
        const step = this.step[t * S + this.list[t * S + this.n[t] - 1]];
        if (this.may[(t * S + S - 1) * this.stepBase + step] === 0) continue;
        if (this.kin[t].some((above) => this.isGoal[above] === 1 && this.begin[above] !== FAR)) continue;
        missing += 1;
      }
      missing = Math.min(missing, Math.max(0, Math.min(ARC_LIMITS.gathered, this.most) - gathered));
      q += PRICE.gather * missing;
      trouble[S - 1] += Q * missing;
    }
    if (this.pace === 'soon') {
      for (let goal = 0; goal < this.goals.length; goal += 1) j += this.reached[goal] === FAR ? 0 : WEIGHT.pace * (this.reached[goal] + 1);
    } else {
      squares += (S - 1 - mark) * (S - 1 - mark);
      j += WEIGHT.pace * (squares - evenly(S - this.from, marks + 1));
    }
    this.V = this.rowV + this.clsV;
    this.Q = this.rowQ + this.clsQ + q;
    this.J = this.rowJ + this.clsJ + j;
  }

  /** The course as it stands. */
  sessions(): Practice[][] {
    return Array.from({ length: this.S }, (_, at) =>
      Array.from({ length: this.size[at] }, (__, index): Practice => {
        const t = this.member(at, index);
        const cell = t * this.S + at;
        return [this.ids[t], this.step[cell], this.length(t, cell)];
      }),
    );
  }

  /** A copy of what a move can change. */
  copy(): { readonly how: Uint8Array; readonly start: Uint8Array } {
    return { how: this.how.slice(), start: this.start.slice() };
  }

  /** Goes to a copy. */
  become({ how, start }: { readonly how: Uint8Array; readonly start: Uint8Array }): void {
    const { T, S } = this;
    const cells = (change: (was: number, next: number, t: number, at: number) => void): void => {
      for (let t = 0; t < T; t += 1)
        for (const at of this.openAt) if (this.how[t * S + at] !== how[t * S + at]) change(this.how[t * S + at], how[t * S + at], t, at);
    };
    // Out first: a class holds no more than it may, on the way as well.
    cells((_, next, t, at) => next === 0 && this.take(t, at));
    cells((was, next, t, at) => (was === 0 ? this.put(t, at, next) : this.does(t, at, next)));
    for (let t = 0; t < T; t += 1) if (this.start[t] !== start[t]) this.begins(t, start[t]);
    this.work();
    this.commit();
  }
}

/** Numbers kept of a class. */
const CLASS = 12;
const EPSILON = 1e-9;

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
