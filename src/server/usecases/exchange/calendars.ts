import { writeCalendar, type CalendarClass } from '@/core/exchange/calendar';
import type { CalendarPreview } from '@/views/files';
import { blockName, techniquesIn } from '@/core/plan';
import { addDays } from '@/core/units';
import { calendarFileForm, feedForm } from '@/forms';
import { readApart } from '../../apart';
import { authorise, may } from '../../auth/permissions';
import { foundBy } from '../../auth/signin';
import { checked } from '../../checked';
import { onceOnly } from '../../db/write';
import type { EntityManager } from '../../db/orm';
import { deskFor, inOne, type Desk } from '../../desk';
import { Refusal } from '../../errors';
import { ourOrigin } from '../../origin';
import { allSessionsOf, courses } from '../../repositories/courses';
import { progressOf } from '../../repositories/plans';
import { addFeed, findFeed } from '../../repositories/feeds';
import { addAway, aways, staffNames } from '../../repositories/staff';
import { addClosure, closures, conventions } from '../../repositories/studio';

/** Whose calendar is meant: the classes of one course, one's own, or everybody's. */
export type WhoseCalendar = { readonly of: 'course'; readonly course: string } | { readonly of: 'mine' | 'studio' };

/** How far back classes stay in a calendar, in days. */
const BACK = 60;

/** Classes as iCalendar, with the studio's closed days. */
export async function exportCalendar(desk: Desk, whose: WhoseCalendar): Promise<{ readonly name: string; readonly text: string }> {
  authorise(desk.who, whose.of === 'mine' ? 'teach' : whose.of === 'course' ? 'see courses' : 'hand over');
  const [all, { zone, name: studio, library }, closed, nameOf] = await Promise.all([
    courses(desk),
    conventions(desk),
    closures(desk),
    staffNames(desk),
  ]);
  const wanted = whose.of === 'course' ? all.filter(({ id }) => id === whose.course) : all;
  if (whose.of === 'course' && wanted.length === 0) throw new Refusal('not-found', 'This course is not here, or not part of your studio.');
  const sessions = (
    await allSessionsOf(
      desk,
      wanted.map(({ id }) => id),
    )
  ).filter(({ date, cancelled }) => date >= addDays(desk.today, -BACK) && cancelled?.reason !== null);
  const progress = await progressOf(
    desk,
    sessions.map(({ id }) => id),
  );
  const classes = sessions.flatMap((session): CalendarClass[] => {
    const found = wanted.find(({ id }) => id === session.course)!;
    const holder = progress.get(session.id)?.handedTo ?? found.teacher;
    if (whose.of === 'mine' && holder !== desk.who.id) return [];
    const what = [...new Set(techniquesIn(session.blocks).map((block) => blockName(block, library)))].join(', ');
    return [
      {
        id: session.id,
        sequence: session.version,
        date: session.date,
        start: session.start,
        minutes: session.minutes,
        title: found.name,
        about: [session.purpose, what, whose.of === 'mine' ? '' : `With ${nameOf(holder)}.`].filter(Boolean).join('\n'),
        cancelled: session.cancelled ? (session.cancelled.reason ?? '') : null,
      },
    ];
  });
  const name = whose.of === 'course' ? wanted[0].name : whose.of === 'mine' ? `${desk.who.name}, ${studio}` : studio;
  return { name, text: writeCalendar({ name, zone, now: desk.now }, classes, closed) };
}

/** Makes an address under which a calendar is read; the one there was ends. It is shown once. */
export async function makeFeed(desk: Desk, input: unknown): Promise<{ readonly url: string }> {
  authorise(desk.who, 'teach');
  const { whole } = await checked(feedForm, input);
  if (whole) authorise(desk.who, 'hand over');
  return inOne(desk, async (at) => ({ url: `${ourOrigin()}/calendar/${await addFeed(at, whole)}` }));
}

/** The calendar of a secret address, as whoever made it may see it now. */
export async function readFeed(em: EntityManager, token: string, address: string, now: Date): Promise<string> {
  const feed = await findFeed(em.fork(), token);
  const allowed = feed && may(feed.who.role, feed.whole ? 'hand over' : 'teach') ? feed : null;
  const found = await foundBy(em, 'calendar', address, now, allowed, new Refusal('not-found', 'This calendar address is no longer there.'));
  return (await exportCalendar(await deskFor(found.who, now, em), { of: found.whole ? 'studio' : 'mine' })).text;
}

/** How far ahead times of a calendar are brought in, in days. */
const AHEAD = 400;

/** What a calendar's file would bring in: whole days as closed days, or all its times as somebody's being away. Nothing is kept. */
export async function previewCalendar(desk: Desk, input: unknown): Promise<CalendarPreview> {
  const { text, as } = await checked(calendarFileForm, input);
  authorise(desk.who, as === 'closures' ? 'run the studio' : 'teach');
  return fresh(desk, as, await readFile(desk, text));
}

const readFile = ({ who, today }: Desk, text: string) => readApart('calendar', text, who.zone, { from: today, until: addDays(today, AHEAD) });

/** What of a calendar is not here yet. */
async function fresh(desk: Desk, as: 'closures' | 'busy', { spans, problems }: CalendarPreview): Promise<CalendarPreview> {
  const [closed, away] = await Promise.all([closures(desk), aways(desk)]);
  const here = new Set(
    as === 'closures'
      ? closed.map(({ from, until }) => `${from} ${until}`)
      : away.filter(({ staff }) => staff === desk.who.id).map(({ from, until, fromTime, untilTime }) => `${from} ${until} ${fromTime} ${untilTime}`),
  );
  // What is here already is not brought in twice.
  const news = spans.filter(({ from, until, fromTime, untilTime }) =>
    as === 'closures' ? fromTime === null && !here.has(`${from} ${until}`) : !here.has(`${from} ${until} ${fromTime} ${untilTime}`),
  );
  return { spans: news, problems };
}

/** Brings a calendar's days or times in: all of them, or nothing. */
export async function importCalendar(desk: Desk, input: unknown): Promise<{ readonly added: number }> {
  const { once, as, text } = await checked(calendarFileForm, input);
  authorise(desk.who, as === 'closures' ? 'run the studio' : 'teach');
  const file = await readFile(desk, text);
  return onceOnly(desk, once, async (at) => {
    const { spans, problems } = await fresh(at, as, file);
    if (problems.length > 0) throw new Refusal('invalid', problems.map(({ event, message }) => (event ? `${event}: ${message}` : message)).join(' '));
    if (as === 'closures') await addClosure(at, ...spans.map(({ from, until, title }) => ({ from, until, reason: title.slice(0, 60) || 'closed' })));
    else await addAway(at, ...spans.map(({ from, until, fromTime, untilTime }) => ({ staff: at.who.id, from, until, fromTime, untilTime })));
    return { added: spans.length };
  });
}
