import { rungAsked } from '../climb/guards';

/** Alone at home nothing is practised from above this rung: nothing is held long, pumped or forced without a teacher. */
const HOME_RUNG = 2;

interface Way {
  readonly pattern: string;
}

/**
 * Whether a technique may be practised alone at home, by its rung and by what its breath asks for; what is not known may not.
 * @param as how it is done there, where that is otherwise than it is kept
 * @example isForHome({ rung: 1, pattern: '8:8:8:8' }) // false
 */
export const isForHome = (technique: (Way & { readonly rung: number }) | null, as: Way | null = technique): boolean =>
  technique !== null && as !== null && technique.rung <= HOME_RUNG && rungAsked(as.pattern) <= HOME_RUNG;
