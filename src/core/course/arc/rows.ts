import { lighterOf } from './cases';
import { ARC_LIMITS, PRICE, WEIGHT } from './limits';
import { FAR, Tables } from './tables';

/** How a practice is done: the dose follows from it, and so can break no rule. What is not possible where it stands is done as it stands. */
export const STANDS = 1;
export const GROWS = 2;
export const GROWS_BY_ONE = 3;
export const LIGHTER = 4;
export const STEPS_UP = 5;
export const FIXED = 6;

/** What a practice is besides: new, a step up, longer than ever. */
export const NEW = 1;
export const UP = 2;
export const GREW = 4;

/** Numbers kept of a technique. */
export const ROW = 4;

/** A course by technique: doses and steps of each practice, and what its practices cost by themselves. */
export abstract class Rows extends Tables {
  /** Practices of each technique in order of time, and how each is done. */
  readonly list: Uint8Array;
  readonly n: Uint8Array;
  readonly how: Uint8Array;
  /** Units above the lowest that what was practised before is taken up at. */
  readonly start: Uint8Array;
  readonly dose: Int16Array;
  readonly step: Uint8Array;
  protected readonly flag: Uint8Array;
  /** The class each is practised in first, and the one each goal is reached in. */
  protected readonly begin: Int16Array;
  readonly reached: Int16Array;
  /** By technique: rules broken, requirements, aim, goals that are not reached. */
  protected readonly rowScalars: Float64Array;
  protected rowV = 0;
  protected rowQ = 0;
  protected rowJ = 0;
  /** Goals that fit and are not reached. */
  missing = 0;
  private readonly marks: Uint8Array;

  constructor(...of: ConstructorParameters<typeof Tables>) {
    super(...of);
    const { T, S } = this;
    this.list = new Uint8Array(T * S);
    this.n = new Uint8Array(T);
    this.how = new Uint8Array(T * S);
    this.start = new Uint8Array(T);
    this.dose = new Int16Array(T * S);
    this.step = new Uint8Array(T * S);
    this.flag = new Uint8Array(T * S);
    this.begin = new Int16Array(T).fill(FAR);
    this.reached = new Int16Array(this.goals.length).fill(FAR);
    this.rowScalars = new Float64Array(T * ROW);
    this.marks = new Uint8Array(S);
  }

  /** Notes that a class has to be weighed again. */
  protected abstract touchClass(at: number): void;

  /** The doses and steps of a technique, from its first practice on. */
  protected decode(t: number): void {
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
      let units: number;
      let flags = 0;
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
          // A longer step may have begun with fewer units.
          high = Math.min(high, units);
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

  protected readonly progress = new Uint8Array(64);

  /** What a technique's own practices cost: needs, returns, spacing, what is outgrown. */
  protected weigh(t: number): void {
    const { S, list, day, open } = this;
    const base = t * S;
    const n = this.n[t];
    let [v, q, j, g] = [0, 0, 0, 0];
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
            if (this.goals[goal].kept) g += 1;
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
    } else for (const goal of this.goalsOf[t]) if (this.goals[goal].kept) g += 1;
    const row = t * ROW;
    this.rowV += v - this.rowScalars[row];
    this.rowQ += q - this.rowScalars[row + 1];
    this.rowJ += j - this.rowScalars[row + 2];
    this.missing += g - this.rowScalars[row + 3];
    this.rowScalars[row] = v;
    this.rowScalars[row + 1] = q;
    this.rowScalars[row + 2] = j;
    this.rowScalars[row + 3] = g;
  }
}
