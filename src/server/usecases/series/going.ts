import { afterwards, datesOf, driftOf, driftText, kept, neededDays, SERIES_LIMITS, willFinish, type Whole } from '@/core/series';
import { addDays, dateIn, dayText, daysBetween, type IsoDate } from '@/core/units';
import { listed } from '@/core/wording';
import type { Task } from '@/views/lobby';
import type { Drifting, HardDay, SeriesLine, SeriesView } from '@/views/series';
import type { Desk } from '../../desk';
import { peopleStill } from '../../repositories/people';
import { conventions } from '../../repositories/studio';
import { checkInsOf, openSigns, type KeptCheckIn } from '../../repositories/checkIns';
import { allSeries, lettersTo, membersOf, series, seriesNames, type KeptSeries, type SeriesMember } from '../../repositories/series';
import { untilChanged } from '../../untilChanged';

/** How a series goes: who takes part and keeps it up, who is drifting off, how many will finish. */

export function stateOf(of: KeptSeries, today: IsoDate): SeriesLine['state'] {
  const last = datesOf(of).at(-1)!;
  return of.stoppedOn || today > last ? 'finished' : today < of.firstDate ? 'planning' : 'running';
}

/** Somebody who takes part, with what they said. */
export interface Part extends SeriesMember {
  readonly name: string;
  readonly email: string | null;
  /** Whether the studio knows them still. */
  readonly known: boolean;
  readonly checkIns: readonly KeptCheckIn[];
  /** Days they could practise that are over. */
  readonly over: readonly IsoDate[];
}

/** Everybody who takes or took part, by name. */
export async function partsOf(desk: Desk, { id, stoppedOn }: KeptSeries, dates: readonly IsoDate[]): Promise<Part[]> {
  // Whoever signed up and waits for the director's yes takes no part yet.
  const members = (await membersOf(desk, [id])).filter(({ admitted }) => admitted);
  const [checkIns, people] = await Promise.all([
    checkInsOf(
      desk,
      members.map((one) => one.id),
    ),
    peopleStill(
      desk,
      members.map((one) => one.person),
    ),
  ]);
  return members
    .map((member): Part => {
      const person = people.get(member.person);
      return {
        ...member,
        // Whoever has left the studio, or was erased, no longer takes part and has no name here.
        leftOn: person ? member.leftOn : (member.leftOn ?? desk.today),
        name: person?.name ?? 'somebody who left',
        email: person?.email ?? null,
        known: person !== undefined,
        checkIns: checkIns.get(member.id) ?? [],
        over: theirDays(member, dates).filter((date) => date < desk.today && (stoppedOn === null || date < stoppedOn)),
      };
    })
    .sort((a, b) => a.name.localeCompare(b.name));
}

/** Those of the dates of a series that are somebody's own: from when they joined until they left. */
const theirDays = ({ joinedOn, leftOn }: Pick<SeriesMember, 'joinedOn' | 'leftOn'>, dates: readonly IsoDate[]): IsoDate[] =>
  dates.filter((date) => date >= joinedOn && (leftOn === null || date < leftOn));

/** Teachers know people of a series by their first names. */
export const shownName = (name: string, whole: boolean) => (whole ? name : name.split(' ')[0]);

/** What waits for the director in the series that run: who signed up, and who is drifting off. */
export async function seriesTasks(desk: Desk): Promise<Task[]> {
  const all = await allSeries(desk);
  const tasks = await Promise.all(
    all.map(async (one): Promise<Task[]> => {
      const here = (await partsOf(desk, one, datesOf(one))).filter(({ leftOn }) => leftOn === null);
      const goesOn = stateOf(one, desk.today) !== 'finished';
      const asking = (await membersOf(desk, [one.id])).filter(({ admitted, leftOn }) => !admitted && leftOn === null).length;
      const drifting = here.filter((part) => driftOf(part.over, part.checkIns) !== null).length;
      const open = { href: `/series/${one.id}`, doing: 'Open the series' };
      return [
        ...(goesOn && asking > 0
          ? [
              {
                harm: 'mend',
                text:
                  asking === 1
                    ? `One person signed up for ${one.name} and waits for your yes.`
                    : `${asking} people signed up for ${one.name} and wait for your yes.`,
                ...open,
              } as const,
            ]
          : []),
        ...(goesOn && drifting > 0
          ? [{ harm: 'know', text: `${drifting === 1 ? 'One person is' : `${drifting} people are`} drifting off in ${one.name}.`, ...open } as const]
          : []),
      ];
    }),
  );
  return tasks.flat();
}

/** How it goes, in figures and names. @param all whether whole names and signs are theirs to see */
export async function goingOf(
  desk: Desk,
  of: KeptSeries,
  parts: readonly Part[],
  dates: readonly IsoDate[],
  all: boolean,
  finish: Finish,
  fresh: (day: number) => string | null,
): Promise<SeriesView['going']> {
  const here = parts.filter(({ leftOn }) => leftOn === null);
  const ids = here.map(({ id }) => id);
  const [{ guards }, letters, hard] = await Promise.all([conventions(desk), lettersTo(desk, ids), hardDays(desk, here, all)]);
  const share = guards.finishShare;
  const begun = desk.today >= of.firstDate;
  const over = of.stoppedOn !== null || desk.today > dates.at(-1)!;
  return {
    today: dates.includes(desk.today) ? here.filter((part) => saidOn(part, desk.today)).length : null,
    finish: begun && !over && here.length > 0 ? { ...finish, share } : null,
    drifting: over ? [] : here.flatMap((part) => driftingOf(desk, part, letters.get(part.id) ?? null, all)),
    hard,
    after: over
      ? afterwards(
          parts.map((part) => ({
            did: dates.map((date) => (part.over.includes(date) ? saidOn(part, date) : null)),
            strained: dates.map((date) => part.checkIns.some((one) => one.date === date && one.felt === 'strained')),
          })),
          dates.length,
          share,
          fresh,
        )
      : [],
  };
}

const saidOn = (part: Part, date: IsoDate): boolean => part.checkIns.some((one) => one.date === date && kept(one));

type Finish = ReturnType<typeof willFinish>;

/** How many will finish, worked out again when something changed. */
export function finishOf(desk: Desk, id: string): Promise<Finish> {
  return untilChanged(desk, `who finishes series ${id}`, 'everything', async (at) => {
    const of = await series(at, id);
    const dates = datesOf(of);
    const [{ guards }, parts, past] = await Promise.all([conventions(at), partsOf(at, of, dates), pastOf(at, id)]);
    return willFinish(
      // Whoever left goes on counting, as one who does no more: nothing looks better because somebody went.
      parts.map((part) => ({
        past: [...part.over, ...(saidOn(part, at.today) ? [at.today] : [])].map((date) => ({ date, did: saidOn(part, date) })),
        ahead:
          part.leftOn === null
            ? dates.filter((date) => date >= part.joinedOn && (date > at.today || (date === at.today && !saidOn(part, date)))).length
            : 0,
        needed: neededDays(dates.filter((date) => date >= part.joinedOn).length, guards.finishShare),
      })),
      past,
    );
  });
}

/** Everybody of the studio's other series that are over, day by day; of each series kept until something of it changes. */
async function pastOf(desk: Desk, own: string): Promise<Whole[]> {
  const others = [...(await seriesNames(desk)).keys()].filter((id) => id !== own);
  return (await Promise.all(others.map((id) => untilChanged(desk, `series ${id} once it is over`, [id], (at) => wholeOf(at, id))))).flat();
}

async function wholeOf(desk: Desk, id: string): Promise<Whole[]> {
  const of = await series(desk, id);
  const dates = datesOf(of);
  if (dates.at(-1)! >= desk.today || of.stoppedOn !== null) return [];
  const members = await membersOf(desk, [id]);
  const checkIns = await checkInsOf(
    desk,
    members.map((member) => member.id),
  );
  return members.flatMap((member) => {
    // To the end of it, also where they left before: what was not done after that was not done.
    const theirs = dates.filter((date) => date >= member.joinedOn);
    if (!member.admitted || theirs.length === 0) return [];
    const did = new Set((checkIns.get(member.id) ?? []).filter(kept).map(({ date }) => date));
    return [{ first: theirs[0], days: theirs.map((date) => did.has(date)) }];
  });
}

function driftingOf(desk: Desk, part: Part, written: Date | null, all: boolean): Drifting[] {
  const drift = driftOf(part.over, part.checkIns);
  if (!drift) return [];
  const days = written ? daysBetween(dateIn(desk.who.zone, written), desk.today) : null;
  return [
    {
      member: part.id,
      name: shownName(part.name, all),
      why: driftText(drift),
      last: drift.last ? `last on ${dayText(drift.last)}` : 'has not begun',
      // Who is written to is the director's to know, and why somebody is not.
      not: !all
        ? null
        : part.held.length > 0
          ? 'called for help: ask how they are'
          : part.email === null
            ? 'no e-mail address is known'
            : days !== null && days < SERIES_LIMITS.writeAgainDays
              ? `written to ${days === 0 ? 'today' : days === 1 ? 'yesterday' : `${days} days ago`}`
              : null,
    },
  ];
}

/** Days that were too much, for whom, and the step back that follows; what was wrong is the director's alone to read. */
async function hardDays(desk: Desk, parts: readonly Part[], all: boolean): Promise<HardDay[]> {
  const since = addDays(desk.today, -SHOWN_DAYS);
  const hard = parts.flatMap((part) =>
    part.checkIns
      .filter((one) => one.date >= since && (one.felt === 'strained' || (all && one.signs)))
      .map((one) => ({ ...one, person: part.person, name: shownName(part.name, all) })),
  );
  const signs = all ? await openSigns(desk, hard) : new Map<string, readonly string[]>();
  return hard
    .map(({ id, member, name, date, felt, undone }) => ({
      checkIn: id,
      member,
      name,
      date,
      what: listed([...(felt === 'strained' ? ['strained'] : []), ...(signs.get(id) ?? [])]) || 'something felt wrong',
      undone,
    }))
    .sort((a, b) => b.date.localeCompare(a.date));
}

/** How far back days that were too much are shown. */
const SHOWN_DAYS = 7;
