import { checkCourse, checkText } from '@/core/course';
import { changesBetween } from '@/core/plan';
import { techniqueOf } from '@/core/techniques';
import { publishForm } from '@/forms';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import { inOne, type Desk } from '../../desk';
import { PlanRow } from '../../db/rows';
import { invalid, Refusal } from '../../errors';
import { course, progressOf, session as sessionById, sessionsOf } from '../../repositories/courses';
import { ours, teacher } from '../../repositories/studio';
import { settingOf } from '../setting';
import { lacking } from './readPlan';

/**
 * Freezes a session's blocks as the next version and hands it to a teacher. A session that breaks a prerequisite, or that
 * everyone must leave out, is not published; nor is a plan handed to somebody not qualified for it.
 */
export async function publishPlan(desk: Desk, input: unknown): Promise<{ readonly number: number }> {
  authorise(desk.who, 'edit plans');
  const form = await checked(publishForm, input);
  return inOne(desk, async (at) => {
    const session = await sessionById(at, form.session);
    if (session.version !== form.version) throw new Refusal('clash');
    if (session.date < at.today) throw new Refusal('late', 'This session is past.');
    if (session.blocks.length === 0) throw new Refusal('invalid', 'There is nothing in this session to publish yet.');
    const found = await course(at, session.course);
    const setting = await settingOf(at, found);
    const stops = checkCourse(await sessionsOf(at, [found.id]), setting).filter((check) => check.session === session.id && check.severity === 'stop');
    if (stops.length > 0)
      throw new Refusal(
        'invalid',
        stops.map((check) => `${check.technique ? techniqueOf(check.technique).name : 'This session'} ${checkText(check)}.`).join(' '),
      );
    const to = await teacher(at, form.teacher);
    const lacks = lacking(
      session.blocks,
      to.qualifications.filter(({ since }) => since <= session.date).map(({ family }) => family),
    );
    if (lacks.length > 0) throw invalid({ field: 'teacher', message: `${to.name} is not qualified for ${lacks.join(', ')}.` });
    const before = (await progressOf(at, [session.id])).get(session.id)?.plan ?? null;
    const number = (before?.number ?? 0) + 1;
    const changes = before ? changesBetween(before.blocks, session.blocks) : [];
    await at.em.insert(PlanRow, {
      id: at.newId(),
      ...ours(at),
      session: session.id,
      number,
      blocks: session.blocks,
      changes,
      teacher: to.id,
      publishedBy: at.who.id,
      publishedAt: at.now,
    });
    return { number };
  });
}
