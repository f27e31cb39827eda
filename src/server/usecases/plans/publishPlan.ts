import { checkCourse, checkKey, checkText } from '@/core/course';
import { changesBetween, named } from '@/core/plan';
import { lacking } from '@/core/staff';
import { publishForm } from '@/forms';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import { onceOnly } from '../../db/write';
import type { Desk } from '../../desk';
import { invalid, Refusal } from '../../errors';
import { addPlan, course, progressOf, session as sessionById, sessionsOf } from '../../repositories/courses';
import { teacher } from '../../repositories/studio';
import { settingOf } from '../setting';

/**
 * Freezes a session's blocks as the next version and hands it to a teacher. A session that breaks a prerequisite, or that
 * everyone must leave out, is not published; nor is a plan handed to somebody not qualified for it. Nothing new to say makes no
 * new version.
 */
export async function publishPlan(desk: Desk, input: unknown): Promise<{ readonly number: number; readonly version: number }> {
  authorise(desk.who, 'edit plans');
  const { once, ...form } = await checked(publishForm, input);
  return onceOnly(desk, once, async (at) => {
    const session = await sessionById(at, form.session);
    if (session.version !== form.version) throw new Refusal('clash');
    if (session.date < at.today) throw new Refusal('late', 'This session is past.');
    if (session.cancelled) throw new Refusal('late', 'This class is cancelled.');
    if (session.blocks.length === 0) throw new Refusal('invalid', 'There is nothing in this session to publish yet.');
    const found = await course(at, session.course);
    const sessions = await sessionsOf(at, [found.id]);
    const { planning } = await settingOf(at, found, sessions);
    const { basis } = planning;
    const accepted = new Set(found.accepted.map(({ key }) => key));
    const stops = checkCourse(sessions, planning).filter(
      (check) => check.session === session.id && check.severity === 'stop' && !accepted.has(checkKey(check, checkText(check, basis.library))),
    );
    if (stops.length > 0)
      throw new Refusal(
        'invalid',
        stops
          .map((check) => `${check.technique ? basis.library.technique(check.technique).name : 'This session'} ${checkText(check, basis.library)}.`)
          .join(' '),
      );
    const to = await teacher(at, form.teacher);
    const lacks = lacking(session.blocks, to.qualifications, session.date, basis.library);
    if (lacks.length > 0) throw invalid({ field: 'teacher', message: `${to.name} is not qualified for ${lacks.join(', ')}.` });
    const before = (await progressOf(at, [session.id])).get(session.id)?.plan ?? null;
    const changes = before ? changesBetween(before.blocks, session.blocks, basis) : [];
    if (before && changes.length === 0 && before.teacher === to.id) return { number: before.number, version: session.version };
    return addPlan(at, session, { blocks: named(session.blocks, basis), changes, teacher: to.id });
  });
}
