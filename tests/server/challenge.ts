import { v7 as newId } from 'uuid';
import { A_WEEK } from '../../demo/series';
import { addDays } from '../../src/core/units';
import { MailRow, StopSignRow } from '../../src/server/db/rows';
import type { Desk } from '../../src/server/desk';
import { membersOf, ownToken } from '../../src/server/repositories/series';
import { createSeries } from '../../src/server/usecases/series/createSeries';
import { listSeries, readSeries } from '../../src/server/usecases/series/readSeries';
import type { SeriesView } from '../../src/views/series';
import { ANYWHERE, deskOf, NOW, ownerManager, TODAY } from './studio';

/** Challenge series, as the tests of them make and find them. */

/** The desk of the demo's director. */
export const director = (now = NOW) => deskOf('director', now);
/** Every mail there is: a page of the outbox shows the newest alone. */
export const mails = async () => (await ownerManager()).find(MailRow, {}, { ...ANYWHERE, orderBy: { id: 'desc' } });
export const BEGINNERS = 'Three weeks to an even breath';

/** The demo's series, which is in its third week, with whoever takes part and their addresses. */
export async function running(desk?: Desk) {
  const by = desk ?? (await director());
  const [line] = (await listSeries(by)).filter(({ name }) => name === BEGINNERS);
  const members = await membersOf(by, [line.id]);
  const view = await readSeries(by, line.id);
  const of = (name: string) => {
    const { member } = view.people.find((one) => one.name === name)!;
    const part = members.find(({ id }) => id === member)!;
    return { ...part, token: ownToken(by, part) };
  };
  return { id: line.id, version: view.version, view, of };
}

/** What is asked of a series of a week. */
export const input = (teacher: string, cohort: string, over: object = {}) => ({
  once: newId(),
  name: 'A week of even breath',
  cohort,
  teacher,
  firstDate: addDays(TODAY, 20),
  ...A_WEEK,
  ...over,
});

/** What is asked of a series as it stands, or of it with other answers. */
export const askedOf = ({ id, version, name, teacher, firstDate, start, missed, asked }: SeriesView, over: object = {}) => ({
  series: id,
  version,
  name,
  teacher: teacher.id,
  firstDate,
  start,
  missed,
  liveMinutes: 30,
  ...asked,
  ...over,
});

/** A series made by the director for the cohort of the demo's own. */
export async function made(over: object = {}) {
  const desk = await director();
  const { view } = await running(desk);
  const { id } = await createSeries(desk, input(desk.who.id, view.cohort.id, over));
  return { desk, id, view: await readSeries(await director(), id) };
}

/** Somebody answers for what stands of somebody who takes part. */
export async function standing(member: string) {
  const rows = await (await ownerManager()).find(StopSignRow, { member, answeredAt: null }, ANYWHERE);
  return { signs: rows.map(({ id, version }) => ({ id, version })), answer: 'We have spoken, and they go on.' };
}
