import { ARC_LIMITS, evenly, PRICE, WEIGHT } from './limits';
import { GREW, NEW, Rows, UP } from './rows';
import { FAR, type Tables } from './tables';

/** What a broken rule costs on the way, and a point of requirements. */
export const RULE = 200;
export const Q = 12;

/** Numbers kept of a class. */
export const CLASS = 12;
const EPSILON = 1e-9;
/** What every further practice that is otherwise than it stood adds to the cost of a changed class. */
const NEARER = 0.1;

/** A course by class: its minutes, what it is made of, and what goes across classes. */
export abstract class Classes extends Rows {
  readonly members: Uint8Array;
  readonly size: Uint8Array;
  /** By class: rules broken, requirements, aim, load, and what neighbours ask about. */
  protected readonly cls: Float64Array;
  protected readonly trouble: Float64Array;
  protected clsV = 0;
  protected clsQ = 0;
  protected clsJ = 0;
  /** Sums of everything. */
  V = 0;
  Q = 0;
  J = 0;

  constructor(...of: ConstructorParameters<typeof Tables>) {
    super(...of);
    const { S } = this;
    this.members = new Uint8Array(S * this.width);
    this.size = new Uint8Array(S);
    this.cls = new Float64Array(S * CLASS);
    this.trouble = new Float64Array(S);
  }

  protected weighClass(at: number): void {
    const { S, width, members } = this;
    const n = this.size[at];
    let [breathing, factor, load, hash] = [0, 0, 0, 0];
    let [low, high, side, fresh, goal, others, grew, nonBasic, begun, twice, same] = [0, 0, 0, 0, 0, 0, 0, 0, -1, 0, 0];
    for (let i = 0; i < n; i += 1) {
      const t = members[at * width + i];
      const cell = t * S + at;
      const minutes = this.length(t, cell) / 60_000;
      if (this.standDose[cell] === this.dose[cell] && this.standStep[cell] === this.step[cell]) same += 1;
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
        if (this.basic[t] === 0) others = 1;
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
      // A class is changed or is not; the nearer it is to what stood, the nearer the search is to leaving it.
      const costs = this.standCosts[at];
      const other = costs > 0 ? n + this.standSize[at] - 2 * same : 0;
      if (other > 0) j += costs * (1 + NEARER * (other - 1));
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
    cls[base + 9] = fresh > 0 || goal > 0 || others > 0 ? 1 : 0;
    cls[base + 10] = grew;
    cls[base + 11] = (n >= 2 || this.could[at] < 2) && (at < this.firstOther || nonBasic > 0) ? 1 : 0;
  }

  /** What goes across classes. */
  protected whole(): void {
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

  /** Milliseconds of a practice. */
  protected length(t: number, cell: number): number {
    const measure = t * this.stepBase + this.step[cell];
    return this.ms.lead[measure] + this.ms.unit[measure] * this.dose[cell];
  }
}
