import type { Practice } from './cases';
import { CLASS, Classes, Q, RULE } from './classes';
import { FIXED, ROW } from './rows';
import type { Tables } from './tables';

/**
 * A course while it is searched: which techniques stand in which class and how, with everything that follows from it. A move changes a few
 * practices; only what depends on them is worked out again, and taken back where the move is not.
 */
export class Course extends Classes {
  // What is kept of rows and classes while a move is tried.
  private readonly rowSaved: Int32Array;
  private readonly classSaved: Int32Array;
  private readonly saved: ReturnType<typeof roomToSave>;
  private stamp = 1;
  private readonly rows: Int32Array;
  private rowsN = 0;
  private readonly classes: Int32Array;
  private classesN = 0;
  private readonly rowState: Uint8Array;
  private readonly classDirty: Uint8Array;
  private before = { V: 0, Q: 0, J: 0, rowV: 0, rowQ: 0, rowJ: 0, clsV: 0, clsQ: 0, clsJ: 0, missing: 0 };

  constructor(...of: ConstructorParameters<typeof Tables>) {
    super(...of);
    const { T, S } = this;
    this.rowSaved = new Int32Array(T);
    this.classSaved = new Int32Array(S);
    this.saved = roomToSave(T, S, this.width, this.goals.length);
    this.rows = new Int32Array(T);
    this.classes = new Int32Array(S);
    this.rowState = new Uint8Array(T);
    this.classDirty = new Uint8Array(S);
    for (let t = 0; t < T; t += 1) for (let at = 0; at < S; at += 1) if (this.fixedDose[t * S + at] > 0) this.put(t, at, FIXED);
    this.settleAll();
  }

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
    return RULE * (this.V + this.missing) + this.price * this.Q + this.J;
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
    return (this.rowScalars[t * ROW] + this.rowScalars[t * ROW + 3]) * RULE + this.rowScalars[t * ROW + 1] * Q + this.rowScalars[t * ROW + 2];
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

  /** Whether the move that is tried changes anything of a technique. */
  touched(t: number): boolean {
    return this.rowSaved[t] === this.stamp;
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
    for (let i = t * ROW; i < t * ROW + ROW; i += 1) saved.row[i] = this.rowScalars[i];
    for (const goal of this.goalsOf[t]) saved.reached[goal] = this.reached[goal];
  }

  protected touchClass(at: number): void {
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
    before.missing = this.missing;
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
      for (let k = t * ROW; k < t * ROW + ROW; k += 1) this.rowScalars[k] = saved.row[k];
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
    this.missing = before.missing;
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

function roomToSave(T: number, S: number, width: number, goals: number) {
  return {
    list: new Uint8Array(T * S),
    n: new Uint8Array(T),
    how: new Uint8Array(T * S),
    start: new Uint8Array(T),
    dose: new Int16Array(T * S),
    step: new Uint8Array(T * S),
    flag: new Uint8Array(T * S),
    begin: new Int16Array(T),
    reached: new Int16Array(goals),
    row: new Float64Array(T * ROW),
    cls: new Float64Array(S * CLASS),
    members: new Uint8Array(S * width),
    size: new Uint8Array(S),
  };
}
