import { GUARDS } from '../climb';
import { libraryOf } from '../library';
import { isQualified } from '../staff';
import { tallyKey, type CourseProblem, type Planning } from './types';

/**
 * What the rules ask of a problem.
 * @throws when a tally or a technique is asked for that the problem does not bring along
 */
export function planningOf({
  own,
  naturalBreath,
  seat,
  already,
  tempo,
  taught,
  further,
  tallies,
  staff,
  settled = false,
  guards = GUARDS,
}: CourseProblem): Planning {
  const library = libraryOf(own);
  const brought = <T>(found: T | undefined, what: string): T => {
    if (found === undefined) throw new Error(`This problem does not bring along ${what}`);
    return found;
  };
  return {
    basis: { library, naturalBreath, seat },
    ladder: library.edges,
    already: new Set(already),
    tempo,
    further,
    taught: (technique) => brought(taught[technique], `how ${technique} is taught`),
    tally: (block, date) => brought(tallies[tallyKey(block, date)], `who may do ${tallyKey(block, date)}`),
    settled,
    guards,
    qualified: (family, date) => {
      const able = staff.filter(({ qualifications }) => isQualified(qualifications, family, date));
      return able[0] === staff[0] && able.length > 0 ? 'own' : able.map(({ name }) => name);
    },
  };
}
