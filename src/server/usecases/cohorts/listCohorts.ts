import { standingOf, type Standing } from '@/core/screening';
import type { CohortLine } from '@/views/cohort';
import { authorise, may } from '../../auth/permissions';
import type { Desk } from '../../desk';
import { untilChanged } from '../../untilChanged';
import { cohorts } from '../../repositories/cohorts';
import { roster } from '../../repositories/people';

/** The cohorts the signed-in person may see; how many screenings need doing, for whoever looks after them. */
export async function listCohorts(desk: Desk): Promise<CohortLine[]> {
  authorise(desk.who, 'see cohorts');
  return untilChanged(desk, `cohorts for ${desk.who.id}`, 'everything', (at) => cohortsNow(at));
}

async function cohortsNow(desk: Desk): Promise<CohortLine[]> {
  const [groups, people] = await Promise.all([cohorts(desk), roster(desk)]);
  return groups.map(({ id, name, about }) => {
    const own = people.filter((person) => person.cohort === id);
    const count = (state: Standing['state']) => own.filter(({ screenedOn }) => standingOf(screenedOn, desk.today).state === state).length;
    const due = may(desk.who.role, 'add people') ? { unscreened: count('none'), over: count('over'), ending: count('ending') } : null;
    return { id, name, about, people: own.length, due };
  });
}
