import { isoDate, longDayText, stampIn } from '@/core/units';
import type { MailView, RecordLine } from '@/views/person';
import { authorise } from '../../auth/permissions';
import type { Desk } from '../../desk';
import { fromTheBox } from '../../post/office';
import { outbox } from '../../repositories/mails';
import { peopleNames } from '../../repositories/people';
import { asidesRecorded, readings } from '../../repositories/screenings';
import { staffNames } from '../../repositories/staff';
import { conventions } from '../../repositories/studio';

/** A record is read newest first, so many lines at a time. */
const PAGE = 200;

/** The record of readings, clinicians' answers and overrides, newest first. Erased people stand in it by their pseudonym. */
export async function readRecord(desk: Desk): Promise<readonly RecordLine[]> {
  authorise(desk.who, 'see reasons');
  const [{ zone }, staffName, people, read, { clinicians, made, ended }] = await Promise.all([
    conventions(desk),
    staffNames(desk),
    peopleNames(desk),
    readings(desk),
    asidesRecorded(desk),
  ]);
  const line = (at: Date, who: string, whose: string, what: string) => ({
    at,
    when: stampIn(zone, at),
    who: staffName(who),
    whose: people.get(whose) ?? 'somebody',
    what,
  });
  const lines = [
    ...read.map(({ at, reader, person, why }) => line(at, reader, person, why)),
    ...clinicians.map(({ enteredAt, enteredBy, person, until }) =>
      line(enteredAt, enteredBy, person, `recorded a clinician’s answer, until ${longDayText(isoDate(until))}`),
    ),
    ...made.map(({ madeAt, madeBy, person, until }) => line(madeAt, madeBy, person, `made an override, until ${longDayText(isoDate(until))}`)),
    ...ended.map(({ endedAt, endedBy, override }) =>
      line(endedAt, endedBy, made.find(({ id }) => id === override)?.person ?? '', 'ended an override'),
    ),
  ];
  return lines
    .sort((a, b) => b.at.getTime() - a.at.getTime())
    .slice(0, PAGE)
    .map(({ when, who, whose, what }) => ({ when, who, whose, what }));
}

/** The mail of the studio, newest first, with what became of each. */
export async function readOutbox(desk: Desk): Promise<MailView[]> {
  authorise(desk.who, 'see reasons');
  const { zone } = await conventions(desk);
  const mails = await outbox(desk);
  const arrived = await Promise.all(mails.map(({ id, deliveredAt }) => (deliveredAt ? fromTheBox(id) : null)));
  return mails.map(({ id, address, subject, body, madeAt, deliveredAt, tries, refused }, index) => ({
    id,
    address,
    subject,
    body: arrived[index] ?? body,
    when: stampIn(zone, madeAt),
    state: deliveredAt
      ? { is: 'delivered', text: `delivered ${stampIn(zone, deliveredAt)}` }
      : refused
        ? { is: 'refused', text: `not taken: ${refused}; tried ${tries === 1 ? 'once' : `${tries} times`}` }
        : { is: 'waiting', text: 'on its way' },
  }));
}
