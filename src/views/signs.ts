import type { IsoDate } from '@/core/units';

/** A stop sign that nobody has answered for. */
export interface SignView {
  readonly id: string;
  readonly version: number;
  readonly help: boolean;
  /** Whose it was; null where nobody can name them. */
  readonly name: string | null;
  /** Empty where nobody said which, or where it can no longer be read. */
  readonly signs: readonly string[];
  readonly where: string;
  readonly href: string | null;
  /** Where in a class it was. */
  readonly place: string;
  readonly date: IsoDate;
  readonly when: string;
  readonly saidBy: string | null;
}
