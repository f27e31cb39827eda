import { changeLine, type PlanChange } from '@/core/plan';

/** Changes of a plan in words; versions from before changes were kept as codes have sentences already. */
export function changeLines(changes: readonly (PlanChange | string)[]): string[] {
  return changes.map((change) => (typeof change === 'string' ? change : changeLine(change)));
}
