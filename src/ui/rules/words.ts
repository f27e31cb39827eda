import { adaptationText, conditionOf, featureName, RULEBOOK, type Rule } from '@/core/screening';

/** The columns of the rulebook, strictest first. */
export const ANSWER_COLUMNS = ['leave out', 'ask first', 'adapt', 'watch'] as const;

/** The conditions of the rulebook, in its order. */
export const CONDITION_ROWS: readonly string[] = [...new Set(RULEBOOK.map(({ condition }) => condition))];

export function conditionName(condition: string): string {
  return condition === 'unscreened' ? 'no valid screening, or a question left open' : conditionOf(condition).name;
}

/** A rule as it stands in its cell: the change for an adaptation, else the feature; with the state it holds in. */
export function ruleText({ feature, adaptation, only, note }: Rule): string {
  const text = adaptation ? adaptationText(adaptation) : featureName(feature);
  return `${text}${only ? ` (${only})` : ''}${note ? `, ${note}` : ''}`;
}
