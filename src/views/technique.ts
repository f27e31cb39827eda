/** How many of a cohort need neither leave a technique out nor ask first today; numbers alone, by technique. */
export interface Reach {
  readonly people: number;
  readonly able: Readonly<Record<string, number>>;
}
