export const ROLES = ['director', 'lead teacher', 'teacher', 'front desk'] as const;
export type Role = (typeof ROLES)[number];

/** Whether somebody of a role may be handed a class. @example mayTeach('front desk') // false */
export function mayTeach(role: Role): boolean {
  return role !== 'front desk';
}
