import { dateIn, dayText, isoDate, longDayText, timeIn } from '@/core/units';
import { authorise } from '../../auth/permissions';
import type { Desk } from '../../desk';
import { readRows } from '../../db/read';
import { ClinicianRow, MailRow, OverrideEndRow, OverrideRow, PersonRow, ReadingRow } from '../../db/rows';
import { conventions, ours, staff } from '../../repositories/studio';

/** One line of the record: who did what about whom, when, and why. */
export interface RecordLine {
  readonly at: Date;
  readonly when: string;
  readonly who: string;
  readonly whose: string;
  readonly what: string;
}

/** A record is read newest first, so many lines at a time. */
const PAGE = 200;

/** The record of readings, clinicians' answers and overrides, newest first. Erased people stand in it by their pseudonym. */
export async function readRecord(desk: Desk): Promise<readonly RecordLine[]> {
  authorise(desk.who, 'see reasons');
  const [{ zone }, everyone, people, readings, clinicians, made, ended] = await Promise.all([
    conventions(desk),
    staff(desk),
    readRows(desk, PersonRow, ours(desk), { fields: ['id', 'name'] }),
    desk.em.find(ReadingRow, ours(desk), { orderBy: { at: 'desc' }, limit: PAGE }),
    readRows(desk, ClinicianRow, ours(desk)),
    readRows(desk, OverrideRow, ours(desk)),
    readRows(desk, OverrideEndRow, ours(desk)),
  ]);
  const name = new Map([...people, ...everyone].map((one) => [one.id, one.name]));
  const line = (at: Date, who: string, whose: string, what: string): RecordLine => ({
    at,
    when: `${dayText(dateIn(zone, at))}, ${timeIn(zone, at)}`,
    who: name.get(who) ?? 'somebody who left',
    whose: name.get(whose) ?? 'somebody',
    what,
  });
  const lines = [
    ...readings.map(({ at, reader, person, why }) => line(at, reader, person, why)),
    ...clinicians.map(({ enteredAt, enteredBy, person, until }) =>
      line(enteredAt, enteredBy, person, `recorded a clinician’s answer, until ${longDayText(isoDate(until))}`),
    ),
    ...made.map(({ madeAt, madeBy, person, until }) => line(madeAt, madeBy, person, `made an override, until ${longDayText(isoDate(until))}`)),
    ...ended.map(({ endedAt, endedBy, override }) =>
      line(endedAt, endedBy, made.find(({ id }) => id === override)?.person ?? '', 'ended an override'),
    ),
  ];
  return lines.sort((a, b) => b.at.getTime() - a.at.getTime()).slice(0, PAGE);
}

/** The mail that would have gone, newest first. */
export async function readOutbox(desk: Desk) {
  authorise(desk.who, 'see reasons');
  const { zone } = await conventions(desk);
  const mail = await desk.em.find(MailRow, ours(desk), { orderBy: { madeAt: 'desc' }, limit: 100 });
  return mail.map(({ id, address, subject, body, madeAt }) => ({
    id,
    address,
    subject,
    body,
    when: `${dayText(dateIn(zone, madeAt))}, ${timeIn(zone, madeAt)}`,
  }));
}
