import { GUARDS, type Guards } from '@/core/climb';
import { checkCourse } from '@/core/course';
import { guardsForm, type GuardsInput } from '@/forms';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import { inOne, type Desk } from '../../desk';
import { courses, sessionsOf } from '../../repositories/courses';
import { changeStudio } from '../../repositories/studio';
import { settingOf } from '../setting';

/** Sets the studio's guards. What is planned stays, and is checked by them from now on. */
export async function saveGuards(desk: Desk, input: unknown): Promise<void> {
  authorise(desk.who, 'run the studio');
  const { version, ...form } = await checked(guardsForm, input);
  await inOne(desk, (at) => changeStudio(at, version, { guards: guardsOf(form) }));
}

/** What other guards would do to courses with classes still to come: how many things would want mending, before and after. */
export async function previewGuards(desk: Desk, input: unknown): Promise<readonly string[]> {
  authorise(desk.who, 'run the studio');
  const { version: _, ...form } = await checked(guardsForm, input);
  const guards = guardsOf(form);
  const all = await courses(desk);
  const lines = await Promise.all(
    all.map(async (course) => {
      const sessions = await sessionsOf(desk, [course.id]);
      if (!sessions.some(({ date }) => date >= desk.today)) return [];
      const { planning, reached } = await settingOf(desk, course, sessions);
      const wrong = (of: Guards) =>
        checkCourse(reached, { ...planning, guards: of }).filter(({ date, finding }) => date >= desk.today && finding.code === 'guard').length;
      const [was, now] = [wrong(planning.guards), wrong(guards)];
      return was === now ? [] : [`${course.name}: ${things(now)} over a guard, ${was === 0 ? 'none' : was} today`];
    }),
  );
  return lines.flat();
}

const things = (n: number) => (n === 0 ? 'nothing' : n === 1 ? 'one thing' : `${n} things`);

function guardsOf({
  weekMinutes,
  weekPercent,
  restMinutes,
  classesOnAStep,
  growingSteps,
  holdThree,
  holdFour,
  easyPercent,
  strainedPercent,
  finishPercent,
}: Omit<GuardsInput, 'version'>): Guards {
  const [one, two] = GUARDS.holdSeconds;
  return {
    ...GUARDS,
    weekMinutes,
    weekShare: weekPercent / 100,
    restMinutes,
    classesOnAStep,
    growingSteps,
    holdSeconds: [one, two, holdThree, holdFour],
    easyShare: easyPercent / 100,
    strainedBack: strainedPercent / 100,
    finishShare: finishPercent / 100,
  };
}
