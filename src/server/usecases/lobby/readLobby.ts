import type { Task } from '@/views/lobby';
import { may } from '../../auth/permissions';
import type { Desk } from '../../desk';
import { lastBackup } from '../../backup/last';
import { anyPerson } from '../../repositories/people';
import { untilChanged } from '../../untilChanged';
import { needsDoing } from '../people/needsDoing';
import { seriesTasks } from '../series/going';
import { readSigns } from '../signs/answerSigns';
import { readHeldLogs } from '../teach/heldLogs';
import { courseTasks, planTasks } from './courseTasks';
import { handedTasks, teachingTasks, weekTasks } from './teachingTasks';

/** What needs doing for the signed-in role, in order of harm. */
export async function readLobby(desk: Desk): Promise<Task[]> {
  const { role } = desk.who;
  // What somebody said of a stop sign is opened each time.
  const [signs, others, backup] = await Promise.all([
    may(role, 'see reasons') ? signTasks(desk) : [],
    otherTasks(desk),
    may(role, 'run the studio') ? backupTasks(desk) : [],
  ]);
  const order = ['stop', 'mend', 'know'];
  return [...signs, ...others, ...backup].sort((a, b) => order.indexOf(a.harm) - order.indexOf(b.harm));
}

/** A backup is not old before so many days. */
const BACKUP_DAYS = 8;

/** Whether a studio of one's own is backed up: said once it has anybody to lose. */
async function backupTasks(desk: Desk): Promise<Task[]> {
  const last = await lastBackup();
  if (!last) return [];
  const say = (text: string): Task[] => [{ harm: 'mend', text, href: '/', doing: null }];
  const how = 'Whoever keeps the machine makes one with bin/backup.';
  if (last.failed !== null && (last.made === null || last.failed > last.made))
    return say(`The last backup did not succeed, or did not read back. ${how}`);
  if (last.made !== null) {
    const days = Math.floor((desk.now.getTime() - Date.parse(last.made)) / DAY_MS);
    return days < BACKUP_DAYS ? [] : say(`The last backup is ${days} days old. ${how}`);
  }
  return (await anyPerson(desk)) ? say(`Nothing here was ever backed up. ${how}`) : [];
}

const DAY_MS = 86_400_000;

/** All but what somebody said of a sign. */
export function otherTasks(desk: Desk): Promise<readonly Task[]> {
  return untilChanged(desk, `tasks of ${desk.who.id}`, 'everything', tasksNow);
}

async function tasksNow(desk: Desk): Promise<Task[]> {
  const { role } = desk.who;
  const tasks = await Promise.all([
    may(role, 'edit courses') ? courseTasks(desk) : [],
    may(role, 'see reasons') ? seriesTasks(desk) : [],
    may(role, 'add people') ? screeningTasks(desk) : [],
    may(role, 'edit plans') ? planTasks(desk) : [],
    may(role, 'edit plans') ? heldTasks(desk) : [],
    may(role, 'teach') ? teachingTasks(desk) : [],
    may(role, 'teach') ? weekTasks(desk) : [],
    may(role, 'teach') ? handedTasks(desk) : [],
  ]);
  return tasks.flat();
}

/** Stop signs nobody has answered for, those that call for help first. */
async function signTasks(desk: Desk): Promise<Task[]> {
  return (await readSigns(desk)).map(({ id, help, name, signs, where }) => ({
    harm: help ? 'stop' : 'mend',
    text: `${name ?? 'Somebody who was not named'}, ${where}: ${signs.join(', ') || (help ? 'something called for help' : 'a stop sign was marked, not said which')}. ${help ? 'Ask how they are.' : 'Ask, and say what was done.'}`,
    href: `/signs?sign=${id}#${id}`,
    doing: 'Answer for it',
  }));
}

async function screeningTasks(desk: Desk): Promise<Task[]> {
  return (await needsDoing(desk)).map(({ harm, text, people, cohort, kind }) => ({
    harm,
    text: `${text}${people.length === 1 ? ` ${people[0].name}: ${people[0].detail}.` : ''}`,
    href: kind === 'form' ? `/cohorts#to-do` : `/cohorts/${cohort}`,
    doing: kind === 'form' ? 'Ask them' : 'Open the cohort',
  }));
}

/** Logs that could not be taken as they came; what felt wrong in them stands by itself. */
async function heldTasks(desk: Desk): Promise<Task[]> {
  return (await readHeldLogs(desk)).map(({ by, class: where }) => ({
    harm: 'mend',
    text: `A log of ${where ?? 'a class'} by ${by} could not be taken as it came.`,
    href: '/plans#held',
    doing: 'Look at it',
  }));
}
