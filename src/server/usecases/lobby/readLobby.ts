import type { Task } from '@/views/lobby';
import { may } from '../../auth/permissions';
import type { Desk } from '../../desk';
import { needsDoing } from '../people/needsDoing';
import { seriesTasks } from '../series/going';
import { readHeldLogs } from '../teach/heldLogs';
import { courseTasks, planTasks } from './courseTasks';
import { handedTasks, teachingTasks, weekTasks } from './teachingTasks';

/** What needs doing for the signed-in role, in order of harm. */
export async function readLobby(desk: Desk): Promise<Task[]> {
  const { role } = desk.who;
  const tasks = (
    await Promise.all([
      may(role, 'edit courses') ? courseTasks(desk) : [],
      may(role, 'see reasons') ? seriesTasks(desk) : [],
      may(role, 'add people') ? screeningTasks(desk) : [],
      may(role, 'edit plans') ? planTasks(desk) : [],
      may(role, 'edit plans') ? heldTasks(desk) : [],
      may(role, 'teach') ? teachingTasks(desk) : [],
      may(role, 'teach') ? weekTasks(desk) : [],
      may(role, 'teach') ? handedTasks(desk) : [],
    ])
  ).flat();
  const order = ['stop', 'mend', 'know'];
  return tasks.sort((a, b) => order.indexOf(a.harm) - order.indexOf(b.harm));
}

async function screeningTasks(desk: Desk): Promise<Task[]> {
  return (await needsDoing(desk)).map(({ harm, text, people, cohort, kind }) => ({
    harm,
    text: `${text}${people.length === 1 ? ` ${people[0].name}: ${people[0].detail}.` : ''}`,
    href: kind === 'form' ? `/cohorts#to-do` : `/cohorts/${cohort}`,
    doing: kind === 'form' ? 'Ask them' : 'Open the cohort',
  }));
}

/** Logs that could not be taken as they came; one with a stop sign comes first. */
async function heldTasks(desk: Desk): Promise<Task[]> {
  return (await readHeldLogs(desk)).map(({ by, class: where, signs }) => ({
    harm: signs.length > 0 ? 'stop' : 'mend',
    text: `A log of ${where ?? 'a class'} by ${by} could not be taken as it came${signs.length > 0 ? `. It names a stop sign: ${signs.join('; ')}` : ''}.`,
    href: '/plans#held',
    doing: 'Look at it',
  }));
}
