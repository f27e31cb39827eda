import { dayOn } from '@/core/series';
import { timeIn } from '@/core/units';
import type { Clock } from '../../auth/actors';
import type { EntityManager } from '../../db/orm';
import { deskFor, inOne } from '../../desk';
import { enqueue } from '../../jobs/queue';
import { addMail } from '../../repositories/mails';
import { peopleStill } from '../../repositories/people';
import { allSeries, markSent, membersOf, studiosWithSeries } from '../../repositories/series';
import { studioClock } from '../../repositories/studio';
import { dayUrl } from './takePart';

/** How long before its hour a day is sent, in minutes. */
const BEFORE_MINUTES = 60;

/** Begins a job for every studio with a series, so that one that fails keeps no other waiting. @returns how many */
export async function sendDaysEverywhere(em: EntityManager, now: Date): Promise<number> {
  const studios = await studiosWithSeries(em);
  for (const studio of studios) {
    const found = await studioClock(em, studio);
    if (found) await inOne(await deskFor(found.who, now, em), (at) => enqueue(at, 'send-days-of', { studio }, { singletonKey: studio }));
  }
  return studios.length;
}

/**
 * Sends everybody of a studio their own page for today, from an hour before the hour of their series on, once a day.
 * @returns how many were sent
 */
export async function sendDays(em: EntityManager, studio: string, now: Date): Promise<number> {
  const found = await studioClock(em, studio);
  if (!found) return 0;
  const desk = await deskFor<Clock>(found.who, now, em);
  const time = minutesOfDay(timeIn(found.who.zone, now));
  let sent = 0;
  for (const one of await allSeries(desk)) {
    const day = dayOn(one, desk.today);
    const from = minutesOfDay(one.asked.start) - BEFORE_MINUTES;
    // An hour before an hour after midnight is the evening before: then it is sent as the day begins.
    if (day === null || one.stoppedOn !== null || time < Math.max(0, from)) continue;
    const members = await membersOf(desk, [one.id]);
    const people = await peopleStill(
      desk,
      members.map(({ person }) => person),
    );
    for (const member of members) {
      const person = people.get(member.person);
      if (
        !person?.email ||
        !member.mails ||
        !member.admitted ||
        member.leftOn !== null ||
        member.joinedOn > desk.today ||
        member.sentOn === desk.today
      )
        continue;
      sent += await inOne(desk, async (at) => {
        const token = await markSent(at, member, at.today);
        if (token === null) return 0;
        const url = dayUrl(token);
        await addMail(at, {
          person: member.person,
          address: person.email!,
          // Whose day it is, their page says: people may be on different ones.
          subject: `Today: ${one.name}`,
          body: [
            `Good morning ${person.name.split(' ')[0]}`,
            '',
            `Your practice for today is here, at ${one.asked.start} or whenever it suits you:`,
            '',
            url,
            '',
            'It is yours alone; please do not pass it on. On the page one tap stops these mails.',
            '',
            at.who.studioName,
          ].join('\n'),
        });
        return 1;
      });
    }
  }
  return sent;
}

const minutesOfDay = (clock: string): number => Number(clock.slice(0, 2)) * 60 + Number(clock.slice(3, 5));
