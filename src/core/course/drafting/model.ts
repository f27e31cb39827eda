/** The drafting problem in numbers: what the search works on. Techniques are tasks, classes come in order of time, all plain data. */

/** One step of a task's chain: how long it takes with its settling, whether it is a new thing, and what it asks of the step below. */
export interface Step {
  /** Milliseconds in a class, at the high end, with the settling after it. */
  readonly ms: number;
  readonly isNew: boolean;
  /** Classes on the step below, and days since that began. */
  readonly classes: number;
  readonly days: number;
  /** It is practised in one class and no more: the next is on the step after it. */
  readonly once: boolean;
  /** By class: whether it may be taught there at all. A first step may be where the last may not, and the other way round. */
  readonly allowed: readonly boolean[];
}

export interface Need {
  /** Index of the task that is needed. */
  readonly task: number;
  readonly classes: number;
  readonly days: number;
}

export interface Task {
  readonly id: string;
  readonly family: string;
  readonly steps: readonly Step[];
  /** Practised before the course: never new, and needs nothing. */
  readonly already: boolean;
  readonly needs: readonly Need[];
  /** What it stands on by the ladder, whether that was practised before or not: outgrown once it is known itself. */
  readonly over: readonly number[];
  /** Closes a nostril, and so wants its preparation. */
  readonly side: boolean;
  /** The most practices and the longest wait that anything asks of it. */
  readonly mostNeeded: number;
  readonly longestWait: number;
}

export interface ModelClass {
  /** Days since some first day. */
  readonly day: number;
  /** Milliseconds for techniques and their settling. */
  readonly room: number;
  /** What preparing side work takes of it. */
  readonly sideRoom: number;
  /** What stands in a past or published class, task and step; null in an open one. */
  readonly fixed: readonly (readonly [task: number, step: number])[] | null;
  /** Tasks that must stand in it. */
  readonly pins: readonly number[];
}

export interface ModelGoal {
  readonly task: number;
  /** How often it is practised on its last step. */
  readonly times: number;
  /** It counts only in classes before this one. */
  readonly before: number;
}

export interface Model {
  /** In an order in which each comes after all it needs. */
  readonly tasks: readonly Task[];
  readonly classes: readonly ModelClass[];
  readonly goals: readonly ModelGoal[];
  /** Most techniques in a class. */
  readonly most: number;
}

/** A class of a draft: tasks with the step they stand on. */
export type Placed = readonly (readonly [task: number, step: number])[];

/** What a goal that is not reached counts, so that one goal more is always worth more than any number of classes. */
export const NOT_REACHED = 100_000;

/** The value of a draft: goals that are left out first, then the sum of the classes in which the others are reached. */
export interface Value {
  readonly dropped: number;
  readonly sum: number;
}

export function valueOf(cost: number): Value {
  const dropped = Math.floor(cost / NOT_REACHED);
  return { dropped, sum: cost - dropped * NOT_REACHED };
}
