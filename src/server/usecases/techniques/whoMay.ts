import { taughtAs } from '@/core/conventions';
import { tallier } from '@/core/instructions';
import { cohortChoice } from '@/forms';
import type { Reach } from '@/views/technique';
import { authorise, may } from '../../auth/permissions';
import { checked } from '../../checked';
import type { Desk } from '../../desk';
import { cohort, cohorts } from '../../repositories/cohorts';
import { members } from '../../repositories/screenings';
import { houseOf } from '../setting';

/** What a cohort can do today, for finding techniques by it. */
export async function whoMay(desk: Desk, input: unknown): Promise<Reach> {
  authorise(desk.who, 'see reasons');
  const { id } = await checked(cohortChoice, input);
  await cohort(desk, id);
  const [people, studio] = await Promise.all([members(desk, id), houseOf(desk, id)]);
  const tally = tallier(people, studio);
  const able = studio.library.techniques.map((technique): [string, number] => {
    const { leaveOut, askFirst } = tally({ technique: technique.id, ...taughtAs(technique, studio.schools), tempo: studio.tempo }, desk.today);
    return [technique.id, people.length - leaveOut - askFirst];
  });
  return { people: people.length, able: Object.fromEntries(able) };
}

/** The cohorts techniques can be found by: the director's; numbers over every technique would let anybody else work out who has what. */
export async function cohortsToFindBy(desk: Desk): Promise<readonly { readonly id: string; readonly name: string }[]> {
  authorise(desk.who, 'see techniques');
  return may(desk.who.role, 'see reasons') ? (await cohorts(desk)).map(({ id, name }) => ({ id, name })) : [];
}
