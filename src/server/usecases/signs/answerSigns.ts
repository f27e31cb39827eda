import { dayText } from '@/core/units';
import { answerSignsForm } from '@/forms';
import type { SignView } from '@/views/signs';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import { inOne, type Desk } from '../../desk';
import { courseHeads } from '../../repositories/courses';
import { hoursOf } from '../../repositories/hours';
import { membersById, seriesNames } from '../../repositories/series';
import { answerSign, helpStands, standingSigns, type StandingSign } from '../../repositories/signs';
import { staffNames } from '../../repositories/staff';
import { stampIn } from '@/core/units';

/** Somebody who may see reasons answers for signs, as they saw them: what was marked since stands. */
export async function answerSigns(desk: Desk, input: unknown): Promise<void> {
  authorise(desk.who, 'see reasons');
  const { signs, answer } = await checked(answerSignsForm, input);
  await inOne(desk, async (at) => {
    for (const { id, version } of [...signs].sort((a, b) => a.id.localeCompare(b.id))) await answerSign(at, id, version ?? null, answer);
  });
}

/** How many signs that call for help stand: on every page of whoever answers. */
export async function helpThatStands(desk: Desk): Promise<number> {
  authorise(desk.who, 'see reasons');
  return (await helpStands(desk)).length;
}

/** Every sign that nobody has answered for, those that call for help first. */
export async function readSigns(desk: Desk): Promise<SignView[]> {
  authorise(desk.who, 'see reasons');
  const standing = await standingSigns(desk);
  if (standing.length === 0) return [];
  const [whereOf, nameOf] = [await places(desk, standing), await staffNames(desk)];
  return standing.map((sign) => ({
    id: sign.id,
    version: sign.version,
    help: sign.help,
    name: sign.name,
    signs: sign.signs,
    ...whereOf(sign),
    place: sign.place,
    date: sign.date,
    when: stampIn(desk.who.zone, sign.at),
    saidBy: sign.saidBy && nameOf(sign.saidBy),
  }));
}

/** Where each sign was, and the page of it. */
async function places(desk: Desk, standing: readonly StandingSign[]) {
  const [sessions, members, courses, series] = await Promise.all([
    hoursOf(
      desk,
      standing.flatMap(({ session }) => session ?? []),
    ),
    membersById(
      desk,
      standing.flatMap(({ member }) => member ?? []),
    ),
    courseHeads(desk),
    seriesNames(desk),
  ]);
  const heldBy = new Map(sessions.map((one) => [one.id, one]));
  const seriesOf = new Map(members.map((one) => [one.id, one.series]));
  return ({ session, member, date }: StandingSign): Pick<SignView, 'where' | 'href'> => {
    const held = session && heldBy.get(session);
    if (held) return { where: `${courses.get(held.course)?.name ?? 'a class'} on ${dayText(held.date)} ${held.start}`, href: `/plans/${held.id}` };
    const of = (member && seriesOf.get(member)) ?? '';
    const name = series.get(of);
    return name ? { where: `${name}, ${dayText(date)}`, href: `/series/${of}` } : { where: `a class or a day of ${dayText(date)}`, href: null };
  };
}
