import type { RuleChange } from '@/core/screening';

/** What pages are given about the rulebook. */
export interface RulebookView {
  readonly changes: readonly RuleChange[];
  readonly number: number;
  readonly versions: readonly { readonly number: number; readonly by: string; readonly at: string; readonly lines: readonly string[] }[];
}

/** The rulebook as it stands now, for whoever meant to save over it. */
export interface RulebookNow {
  readonly number: number;
  readonly changes: readonly RuleChange[];
  readonly differs: readonly string[];
}
