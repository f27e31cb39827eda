/** A step of a studio that begins: what it is for, where it is done, and whether it is. */
export interface FirstStep {
  readonly title: string;
  readonly text: string;
  readonly href: string;
  /** Null where something else comes first. */
  readonly doing: string | null;
  readonly done: boolean;
}

/** One sentence of what needs doing, and where. */
export interface Task {
  readonly harm: 'stop' | 'mend' | 'know';
  readonly text: string;
  readonly href: string;
  /** Null where it is done elsewhere. */
  readonly doing: string | null;
}
