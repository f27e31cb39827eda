import { TECHNIQUES } from '@/core/techniques';
import { authorise, may } from '../../auth/permissions';
import type { Desk } from '../../desk';
import { cohorts, members } from '../../repositories/cohorts';
import { conventions } from '../../repositories/studio';
import { tallier } from '../setting';

/** How many of a cohort may do each technique today as taught or with a change of their own; numbers alone. */
export interface CohortReach {
  readonly id: string;
  readonly name: string;
  readonly people: number;
  /** By technique: how many need not leave it out or ask first. */
  readonly able: Readonly<Record<string, number>>;
}

/** What the cohorts that the signed-in person may see can do, for finding techniques by it. */
export async function whoMay(desk: Desk): Promise<readonly CohortReach[]> {
  authorise(desk.who, 'see techniques');
  if (!may(desk.who.role, 'see instructions')) return [];
  const [groups, { tempo, naturalBreath }] = await Promise.all([cohorts(desk), conventions(desk)]);
  return Promise.all(
    groups.map(async ({ id, name }) => {
      const people = await members(desk, id);
      const tally = tallier(people, naturalBreath);
      const able = TECHNIQUES.map(({ id: technique, pattern, dose }): [string, number] => {
        const { leaveOut, askFirst } = tally({ technique, pattern, dose, tempo }, desk.today);
        return [technique, people.length - leaveOut - askFirst];
      });
      return { id, name, people: people.length, able: Object.fromEntries(able) };
    }),
  );
}
