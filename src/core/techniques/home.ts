/** Alone at home nothing is practised from above this rung: nothing is held long, pumped or forced without a teacher. */
const HOME_RUNG = 2;

/** Whether a technique may be practised alone at home; what is not known may not. @example isForHome({ rung: 3 }) // false */
export const isForHome = (technique: { readonly rung: number } | null): boolean => technique !== null && technique.rung <= HOME_RUNG;
