import { GROWS, GROWS_BY_ONE, LIGHTER, STANDS, STEPS_UP } from './rows';
import type { Course } from './state';

/** A move makes a change to try; false where it found none to make. */
export function movesOf(course: Course, random: () => number): () => boolean {
  const { S, openAt, usable, pinned, most } = course;
  const upTo = (n: number) => Math.floor(random() * n);
  const anyOpen = () => openAt[upTo(openAt.length)];
  const troubled = () => {
    let found = anyOpen();
    for (let i = 0; i < 3; i += 1) {
      const other = anyOpen();
      if (course.troubleAt(other) > course.troubleAt(found)) found = other;
    }
    return found;
  };
  const anyUsed = () => {
    for (let i = 0; i < 8; i += 1) {
      const t = usable[upTo(usable.length)];
      if (course.n[t] > 0) return t;
    }
    return -1;
  };
  const troubledTask = () => {
    let found = usable[upTo(usable.length)];
    for (let i = 0; i < 3; i += 1) {
      const other = usable[upTo(usable.length)];
      if (course.troubleOf(other) > course.troubleOf(found)) found = other;
    }
    return found;
  };
  const kindFor = (t: number): number => {
    const r = random();
    if (course.steps[t] > 0 && r < 0.15) return STEPS_UP;
    return r < 0.45 ? GROWS : r < 0.6 ? GROWS_BY_ONE : r < 0.7 ? LIGHTER : STANDS;
  };
  const isPinned = (t: number, at: number) => pinned[t * S + at] === 1;
  const where = () => (random() < 0.4 ? troubled() : anyOpen());
  const add = (at: number): boolean => {
    if (course.size[at] >= most) return false;
    for (let i = 0; i < 6; i += 1) {
      const t = usable[upTo(usable.length)];
      if (course.has(t, at) || !course.allowedAt(t, at)) continue;
      course.put(t, at, kindFor(t));
      return true;
    }
    return false;
  };
  const memberOf = (at: number): number => {
    if (course.size[at] === 0) return -1;
    const t = course.member(at, upTo(course.size[at]));
    return isPinned(t, at) ? -1 : t;
  };
  const toggle = (): boolean => {
    const at = where();
    if (course.size[at] > 1 && random() < 0.45) {
      const t = memberOf(at);
      if (t < 0) return false;
      course.take(t, at);
      return true;
    }
    return add(at);
  };
  const toggleTask = (): boolean => {
    const t = random() < 0.5 ? troubledTask() : usable[upTo(usable.length)];
    const at = anyOpen();
    if (course.has(t, at)) {
      if (isPinned(t, at) || course.size[at] === 1) return false;
      course.take(t, at);
      return true;
    }
    if (!course.allowedAt(t, at)) return false;
    if (course.size[at] >= most) {
      const other = memberOf(at);
      if (other < 0) return false;
      course.take(other, at);
    }
    course.put(t, at, kindFor(t));
    return true;
  };
  const shiftOne = (): boolean => {
    const at = where();
    const t = memberOf(at);
    if (t < 0 || course.size[at] === 1) return false;
    const to = random() < 0.7 ? at + (random() < 0.5 ? 1 : -1) * (1 + upTo(2)) : anyOpen();
    if (to < 0 || to >= S || course.open[to] === 0 || course.has(t, to) || !course.allowedAt(t, to)) return false;
    const kind = course.how[t * S + at];
    if (course.size[to] >= most) {
      // In place of another, which comes here.
      const other = memberOf(to);
      if (other < 0 || course.has(other, at) || !course.allowedAt(other, at)) return false;
      const its = course.how[other * S + to];
      course.take(other, to);
      course.take(t, at);
      course.put(other, at, its);
    } else course.take(t, at);
    course.put(t, to, kind);
    return true;
  };
  const replace = (): boolean => {
    const at = where();
    const t = memberOf(at);
    if (t < 0) return false;
    for (let i = 0; i < 6; i += 1) {
      const other = usable[upTo(usable.length)];
      if (course.has(other, at) || !course.allowedAt(other, at)) continue;
      course.take(t, at);
      course.put(other, at, kindFor(other));
      return true;
    }
    return false;
  };
  const kind = (): boolean => {
    const at = where();
    if (course.size[at] === 0) return false;
    const t = course.member(at, upTo(course.size[at]));
    const now = kindFor(t);
    if (now === course.how[t * S + at]) return false;
    course.does(t, at, now);
    return true;
  };
  const kindLater = (): boolean => {
    // A growth goes to another practice of the same technique.
    const t = anyUsed();
    if (t < 0 || course.n[t] < 2) return false;
    const [a, b] = [course.list[t * S + upTo(course.n[t])], course.list[t * S + upTo(course.n[t])]];
    const [x, y] = [course.how[t * S + a], course.how[t * S + b]];
    if (a === b || x === y || course.open[a] === 0 || course.open[b] === 0) return false;
    course.does(t, a, y);
    course.does(t, b, x);
    return true;
  };
  const begin = (): boolean => {
    const t = anyUsed();
    if (t < 0) return false;
    const by = course.startBy(t);
    const most = course.startMost(t);
    if (most <= 0) return false;
    const now = random() < 0.5 ? by * upTo(most / by + 1) : Math.max(0, Math.min(most, course.start[t] + (random() < 0.5 ? by : -by)));
    if (now === course.start[t]) return false;
    course.begins(t, now);
    return true;
  };
  const shiftAll = (): boolean => {
    const t = anyUsed();
    if (t < 0) return false;
    const by = (random() < 0.5 ? 1 : -1) * (1 + upTo(2));
    const from = course.firstOf(t);
    const together = random() < 0.7 ? [t, ...course.above[t]] : [t];
    let moved = false;
    for (const task of together) {
      const n = course.n[task];
      const rows: [number, number][] = [];
      for (let i = 0; i < n; i += 1) {
        const at = course.list[task * S + i];
        if (at >= from && course.open[at] === 1 && !isPinned(task, at)) rows.push([at, course.how[task * S + at]]);
      }
      for (const [at] of rows) course.take(task, at);
      for (const [at, how] of rows) {
        const to = at + by;
        if (to < 0 || to >= S || course.open[to] === 0 || course.has(task, to) || !course.allowedAt(task, to) || course.size[to] >= most) continue;
        course.put(task, to, how);
        moved = true;
      }
    }
    return moved;
  };
  const swap = (): boolean => {
    const a = where();
    const b = random() < 0.7 ? a + (random() < 0.5 ? 1 : -1) : anyOpen();
    if (a === b || b < 0 || b >= S || course.open[b] === 0) return false;
    const of = (at: number): [number, number][] =>
      Array.from({ length: course.size[at] }, (_, i) => course.member(at, i)).map((t) => [t, course.how[t * S + at]]);
    const [here, there] = [of(a), of(b)];
    const goes = (list: [number, number][], from: number, to: number, others: [number, number][]) =>
      list.filter(([t]) => !isPinned(t, from) && course.allowedAt(t, to) && !others.some(([o]) => o === t));
    const [out, back] = [goes(here, a, b, there), goes(there, b, a, here)];
    if (out.length + back.length === 0 || here.length - out.length + back.length > most || there.length - back.length + out.length > most)
      return false;
    for (const [t] of out) course.take(t, a);
    for (const [t] of back) course.take(t, b);
    for (const [t, how] of out) course.put(t, b, how);
    for (const [t, how] of back) course.put(t, a, how);
    return true;
  };
  /** Like for like: what is two moves by itself, done at once. */
  const trade = (): boolean => {
    const a = where();
    const b = anyOpen();
    if (a === b) return false;
    const [t, u] = [memberOf(a), memberOf(b)];
    if (t < 0 || u < 0 || t === u || course.has(t, b) || course.has(u, a) || !course.allowedAt(t, b) || !course.allowedAt(u, a)) return false;
    const [x, y] = [course.how[t * S + a], course.how[u * S + b]];
    course.take(t, a);
    course.take(u, b);
    course.put(t, b, x);
    course.put(u, a, y);
    return true;
  };
  const table: readonly (readonly [number, () => boolean])[] = [
    [0.14, toggle],
    [0.1, toggleTask],
    [0.22, shiftOne],
    [0.12, replace],
    [0.14, kind],
    [0.06, kindLater],
    [0.06, begin],
    [0.05, shiftAll],
    [0.05, swap],
    [0.06, trade],
  ];
  const total = table.reduce((sum, [share]) => sum + share, 0);
  return () => {
    let r = random() * total;
    for (const [share, move] of table) {
      r -= share;
      if (r < 0) return move();
    }
    return false;
  };
}
