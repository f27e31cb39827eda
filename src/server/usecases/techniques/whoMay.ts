import { taughtAs } from '@/core/conventions';
import { TECHNIQUES } from '@/core/techniques';
import { cohortChoice } from '@/forms';
import { authorise, may } from '../../auth/permissions';
import { checked } from '../../checked';
import type { Desk } from '../../desk';
import { cohort, cohorts, members } from '../../repositories/cohorts';
import { conventions } from '../../repositories/studio';
import { tallier } from '../setting';

/** How many of a cohort need neither leave a technique out nor ask first today; numbers alone, by technique. */
export interface Reach {
  readonly people: number;
  readonly able: Readonly<Record<string, number>>;
}

/** What a cohort can do today, for finding techniques by it. */
export async function whoMay(desk: Desk, input: unknown): Promise<Reach> {
  authorise(desk.who, 'see instructions');
  const { id } = await checked(cohortChoice, input);
  await cohort(desk, id);
  const [people, studio] = await Promise.all([members(desk, id), conventions(desk)]);
  const tally = tallier(people, studio);
  const able = TECHNIQUES.map((technique): [string, number] => {
    const { leaveOut, askFirst } = tally({ technique: technique.id, ...taughtAs(technique, studio.schools), tempo: studio.tempo }, desk.today);
    return [technique.id, people.length - leaveOut - askFirst];
  });
  return { people: people.length, able: Object.fromEntries(able) };
}

/** The cohorts techniques can be found by: those the signed-in person gets instructions for. */
export async function cohortsToFindBy(desk: Desk): Promise<readonly { readonly id: string; readonly name: string }[]> {
  authorise(desk.who, 'see techniques');
  return may(desk.who.role, 'see instructions') ? (await cohorts(desk)).map(({ id, name }) => ({ id, name })) : [];
}
