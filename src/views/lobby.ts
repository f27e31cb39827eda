/** One sentence of what needs doing, and where. */
export interface Task {
  readonly harm: 'stop' | 'mend' | 'know';
  readonly text: string;
  readonly href: string;
  readonly doing: string;
}
