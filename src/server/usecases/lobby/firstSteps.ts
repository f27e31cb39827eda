import type { FirstStep } from '@/views/lobby';
import { authorise, may } from '../../auth/permissions';
import { inOne, type Desk } from '../../desk';
import { cohorts } from '../../repositories/cohorts';
import { courses, sessionsOf } from '../../repositories/courses';
import { anyPerson } from '../../repositories/people';
import { anyPlan } from '../../repositories/plans';
import { staff } from '../../repositories/staff';
import { changeStudio, conventions } from '../../repositories/studio';
import { untilChanged } from '../../untilChanged';
import { idsOf } from '../courses/listCourses';

/** The first steps of a studio, by what is there already; null once a plan was published, or where they were put away. */
export async function firstSteps(desk: Desk): Promise<readonly FirstStep[] | null> {
  if (!may(desk.who.role, 'run the studio')) return null;
  return untilChanged(desk, 'first steps', 'everything', stepsNow);
}

async function stepsNow(desk: Desk): Promise<readonly FirstStep[] | null> {
  const [published, person, house, groups, all, everyone] = await Promise.all([
    anyPlan(desk),
    anyPerson(desk),
    conventions(desk),
    cohorts(desk),
    courses(desk),
    staff(desk),
  ]);
  if (published || house.stepsAway) return null;
  const newest = all[0];
  const drafted = newest !== undefined && (await sessionsOf(desk, idsOf(all))).some(({ blocks }) => blocks.length > 0);
  const course = newest ? `/courses/${newest.id}` : '/courses/new';
  return [
    {
      title: 'How things are done here',
      text: 'Pace, schools and guards are shipped as they are usual. Look at them, and change what you do otherwise.',
      href: '/studio',
      doing: 'Ways of teaching',
      done: house.version > 1,
    },
    {
      title: 'Who may teach what',
      text: 'Nobody is qualified for anything until you say so, yourself among them. Invite whoever teaches with you.',
      href: '/studio/staff',
      doing: 'Staff',
      done: everyone.some(({ qualifications }) => qualifications.length > 0),
    },
    {
      title: 'The first people',
      text: 'People are taught in cohorts. Make one and add its people, one by one or from a list; a form by mail asks each what matters.',
      href: groups[0] ? `/cohorts/${groups[0].id}` : '/cohorts',
      doing: groups[0] ? groups[0].name : 'Cohorts',
      done: person,
    },
    {
      title: 'The first course',
      text: 'Say when it meets and where it should arrive. What its weeks can give stands beside it as you type.',
      href: course,
      doing: newest ? newest.name : groups[0] ? 'Make a course' : null,
      done: newest !== undefined,
    },
    {
      title: 'Its draft',
      text: 'Press Draft: the goals are laid out from the ground up, for the people you have. Move what you would teach otherwise.',
      href: course,
      doing: newest ? 'Draft it' : null,
      done: drafted,
    },
    {
      title: 'The first plan goes out',
      text: 'Publish the first class: its teacher gets the plan, with what to say and who does what otherwise.',
      href: `${course}?publish`,
      doing: drafted ? 'Publish' : null,
      done: false,
    },
  ];
}

/** Puts the first steps away: whoever knows the way needs no leading. */
export async function putStepsAway(desk: Desk): Promise<void> {
  authorise(desk.who, 'run the studio');
  const { version } = await conventions(desk);
  await inOne(desk, (at) => changeStudio(at, version, { stepsAway: true }));
}
