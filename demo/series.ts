import { v7 as newId } from 'uuid';
import { datesOf } from '../src/core/series';
import { addDays, instantIn, mondayOf, type IsoDate } from '../src/core/units';
import type { EntityManager } from '../src/server/db/orm';
import type { Desk } from '../src/server/desk';
import { membersOf, ownToken, series, type SeriesMember } from '../src/server/repositories/series';
import { peopleNames } from '../src/server/repositories/people';
import { createSeries } from '../src/server/usecases/series/createSeries';
import { checkIn } from '../src/server/usecases/series/ownDay';

/** Somebody's desk at an hour of the studio's day; now, where none is said. */
export type Then = (date?: IsoDate, clock?: string) => Promise<Desk>;

/** A week of even breath, alone at home in the morning. */
export const A_WEEK = {
  length: 7,
  start: '06:30',
  from: 1,
  to: 3,
  gentleEvery: 7,
  live: [],
  liveMinutes: 30,
  missed: 'go on',
  themes: [{ techniques: ['equal-4-4'] }],
} as const;

/** How somebody keeps a series up: what they say of a day, and how many are over by now. */
type Habit = (
  day: number,
  over: number,
) => { readonly did: 'done' | 'something else' | 'not today'; readonly felt?: 'easy' | 'worked' | 'strained'; readonly easier?: boolean } | null;

const steady: Habit = () => ({ did: 'done', felt: 'easy' });
const mostly: Habit = (day) => (day % 6 === 4 ? null : { did: day % 9 === 0 ? 'something else' : 'done', felt: day % 5 === 0 ? 'worked' : 'easy' });
const weekdaysOnly: Habit = (day) => (day % 7 === 6 ? null : { did: 'done', felt: 'worked' });

/** Who keeps it up how; everybody else is steady. */
const HABITS: Readonly<Record<string, Habit>> = {
  'Rosa F.': (day, over) => (day > over - 3 ? null : mostly(day, over)),
  'Ulf K.': (day, over) => (day > over - 2 ? null : { did: 'done', felt: day > over - 4 ? 'strained' : 'worked' }),
  'Ines P.': (day, over) => (day > 8 ? null : steady(day, over)),
  'Theo A.': (day, over) => ({ did: 'done', felt: 'worked', easier: day > over - 3 }),
  'Mabel D.': mostly,
  'Anders L.': weekdaysOnly,
  'Priya N.': (day, over) => (day % 8 === 3 ? { did: 'not today' } : steady(day, over)),
};

/** Three weeks at 06:30, in the third of them: what everybody said so far was said by their own pages, each morning. */
export async function beginnersSeries(em: EntityManager, today: IsoDate, cohort: string, teacher: string, director: Then): Promise<void> {
  const firstDate = addDays(mondayOf(today), -14);
  const planning = await director(addDays(firstDate, -3), '10:00');
  const { id } = await createSeries(planning, {
    once: newId(),
    name: 'Three weeks to an even breath',
    cohort,
    teacher,
    firstDate,
    ...A_WEEK,
    length: 21,
    to: 6,
    live: [3],
    missed: 'step back',
    themes: [{ techniques: ['equal-4-4'] }, { techniques: ['longer-4-5'] }, { techniques: ['both-in-4-4'] }],
  });
  const desk = await director();
  const [found, names, members] = [await series(desk, id), await peopleNames(desk), await membersOf(desk, [id])];
  const dates = datesOf(found);
  const over = dates.filter((date) => date < today).length;
  for (const [index, date] of dates.entries()) {
    if (date > today) continue;
    // Today some have been up already.
    for (const member of date < today ? members : members.filter((_, order) => order % 3 === 0))
      await say(
        em,
        desk,
        member,
        (HABITS[names.get(member.person) ?? ''] ?? steady)(index + 1, over),
        date,
        date < today ? instantIn(desk.who.zone, date, '07:05') : desk.now,
      );
  }
}

async function say(em: EntityManager, desk: Desk, member: SeriesMember, said: ReturnType<Habit>, date: IsoDate, now: Date): Promise<void> {
  if (!said) return;
  await checkIn(em.fork(), ownToken(desk, member), { ...said, date }, 'demo', now);
}
