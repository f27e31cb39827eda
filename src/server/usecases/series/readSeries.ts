import { blockName } from '@/core/plan';
import {
  afterwards,
  checkSeries,
  datesOf,
  dayOn,
  driftOf,
  driftText,
  minutesOf,
  neededDays,
  ownDay,
  priorFrom,
  seriesCheckText,
  SERIES_LIMITS,
  weekOfDay,
  willFinish,
} from '@/core/series';
import { addDays, dayText, daysBetween, isoDate, type IsoDate } from '@/core/units';
import { listed } from '@/core/wording';
import type { Drifting, HardDay, SeriesLine, SeriesView, TakingPart } from '@/views/series';
import { authorise, may } from '../../auth/permissions';
import type { Desk } from '../../desk';
import { Refusal } from '../../errors';
import { cohortItself } from '../../repositories/cohorts';
import { sessionsOf } from '../../repositories/courses';
import { roster } from '../../repositories/people';
import {
  allSeries,
  checkInsOf,
  lettersTo,
  membersOf,
  openSigns,
  series,
  type KeptCheckIn,
  type KeptSeries,
  type SeriesMember,
} from '../../repositories/series';
import { staffNames } from '../../repositories/staff';
import { seriesSetting } from './setting';
import { unreachedText } from './words';

/** Whether somebody sees a series at all, who takes part in it, and how it goes for each. */
function sees({ who }: Desk, of: KeptSeries) {
  const [director, lead] = [may(who.role, 'see reasons'), of.teacher === who.id && may(who.role, 'teach')];
  const desk = may(who.role, 'add people');
  return { it: director || lead || desk || may(who.role, 'see courses'), people: director || lead || desk, felt: director || lead, all: director };
}

function stateOf(of: KeptSeries, today: IsoDate): SeriesLine['state'] {
  const last = datesOf(of).at(-1)!;
  return of.stoppedOn || today > last ? 'finished' : today < of.firstDate ? 'planning' : 'running';
}

/** Every series that whoever asks may see, newest first. */
export async function listSeries(desk: Desk): Promise<SeriesLine[]> {
  authorise(desk.who, 'see series');
  const all = (await allSeries(desk)).filter((one) => sees(desk, one).it);
  const [members, people] = await Promise.all([
    membersOf(
      desk,
      all.map(({ id }) => id),
    ),
    Promise.all(all.map(({ cohort }) => cohortItself(desk, cohort))),
  ]);
  return all.map((one, index) => ({
    id: one.id,
    name: one.name,
    cohort: people[index].name,
    state: stateOf(one, desk.today),
    firstDate: one.firstDate,
    lastDate: datesOf(one).at(-1)!,
    length: one.days.length,
    day: dayOn(one, desk.today),
    people: members.filter(({ series: of, leftOn }) => of === one.id && leftOn === null).length,
  }));
}

/** Somebody who takes part, with what they said. */
interface Part extends SeriesMember {
  readonly name: string;
  readonly email: string | null;
  readonly checkIns: readonly KeptCheckIn[];
  /** Days they could practise that are over. */
  readonly over: readonly IsoDate[];
}

const kept = ({ did }: KeptCheckIn) => did !== 'not today';

/** A series as whoever asks may see it. */
export async function readSeries(desk: Desk, id: string): Promise<SeriesView> {
  authorise(desk.who, 'see series');
  const found = await series(desk, id);
  const see = sees(desk, found);
  if (!see.it) throw new Refusal('not-found', 'This series is not here, or not one you lead.');
  const [setting, group, nameOf, everybody, classes] = await Promise.all([
    seriesSetting(desk, found.cohort),
    cohortItself(desk, found.cohort),
    staffNames(desk),
    roster(desk),
    found.liveCourse ? sessionsOf(desk, [found.liveCourse]) : [],
  ]);
  const { planning, house } = setting;
  const dates = datesOf(found);
  const parts = await partsOf(desk, found, dates, everybody);
  const here = parts.filter(({ leftOn }) => leftOn === null);
  const checks = checkSeries(found.days, dates, found.asked.start, planning);
  const state = stateOf(found, desk.today);
  return {
    id,
    version: found.version,
    name: found.name,
    cohort: { id: group.id, name: group.name },
    teacher: nameOf(found.teacher),
    firstDate: found.firstDate,
    lastDate: dates.at(-1)!,
    start: found.asked.start,
    missed: found.missed,
    stoppedOn: found.stoppedOn,
    today: dayOn(found, desk.today),
    state,
    days: found.days.map((day, index) => {
      const could = parts.filter((part) => part.joinedOn <= dates[index] && (part.leftOn === null || part.leftOn > dates[index]));
      const did = could.filter(({ checkIns }) => checkIns.some((one) => one.date === dates[index] && kept(one))).length;
      return {
        day: index + 1,
        date: dates[index],
        kind: day.kind,
        practices: day.blocks.map((block) => ({
          technique: block.technique,
          name: blockName(block, house.library),
          pattern: block.pattern,
          minutes: minutesOf({ blocks: [block] }),
        })),
        minutes: minutesOf(day),
        did: dates[index] <= desk.today ? did : null,
        of: could.length,
        session: classes.find(({ date }) => date === dates[index])?.id ?? null,
        wrong: checks.filter(({ day: on, severity }) => on === index + 1 && severity !== 'know').length,
      };
    }),
    themes: Array.from({ length: weekOfDay(found.days.length) }, (_, week) =>
      listed((found.asked.themes[week] ?? []).map((technique) => house.library.find(technique)?.name.toLowerCase() ?? technique)),
    ),
    checks: checks.map((check) => ({
      severity: check.severity,
      day: check.day,
      text: `${check.technique ? (house.library.find(check.technique)?.name ?? check.technique) : 'This day'} ${seriesCheckText(check, house.library)}.`,
    })),
    unreached: found.unreached.map((one) => ({ text: unreachedText(one, house.library), mends: one.mends })),
    people: see.people ? parts.map((part) => takingPart(desk, part, found, setting, see)) : [],
    going: see.felt ? await goingOf(desk, found, parts, dates, see.all, (day) => newOn(found, day, house.library)) : null,
    waiting: see.all
      ? everybody.filter(({ id: person, cohort }) => cohort === found.cohort && !here.some((part) => part.person === person)).length
      : 0,
    mayEdit: see.all,
    techniques: see.all
      ? house.library.techniques.map(({ id: technique, name }) => ({ id: technique, name, pattern: planning.taught(technique).pattern }))
      : [],
  };
}

type Library = Awaited<ReturnType<typeof seriesSetting>>['house']['library'];

/** What is new on a day; null where nothing is. */
function newOn({ days }: KeptSeries, day: number, library: Library): string | null {
  const before = new Set(days.slice(0, day - 1).flatMap(({ blocks }) => blocks.map(({ technique }) => technique)));
  const fresh = days[day - 1]?.blocks.find(({ technique }) => !before.has(technique));
  return fresh ? blockName(fresh, library) : null;
}

async function partsOf(desk: Desk, { id }: KeptSeries, dates: readonly IsoDate[], everybody: Awaited<ReturnType<typeof roster>>): Promise<Part[]> {
  const members = await membersOf(desk, [id]);
  const checkIns = await checkInsOf(
    desk,
    members.map((one) => one.id),
  );
  const people = new Map(everybody.map((one) => [one.id, one]));
  return members
    .map((member): Part => {
      const person = people.get(member.person);
      return {
        ...member,
        // Whoever has left the studio, or was erased, no longer takes part and has no name here.
        leftOn: person ? member.leftOn : (member.leftOn ?? desk.today),
        name: person?.name ?? 'somebody who left',
        email: person?.email ?? null,
        checkIns: checkIns.get(member.id) ?? [],
        over: dates.filter((date) => date >= member.joinedOn && date < desk.today && (member.leftOn === null || date < member.leftOn)),
      };
    })
    .sort((a, b) => a.name.localeCompare(b.name));
}

function takingPart(
  desk: Desk,
  part: Part,
  of: KeptSeries,
  setting: Awaited<ReturnType<typeof seriesSetting>>,
  see: ReturnType<typeof sees>,
): TakingPart {
  const { already, planning } = setting;
  const own =
    see.felt && part.leftOn === null
      ? ownDay({ series: of, ladder: planning.ladder, already, joined: part.joinedOn, checkIns: part.checkIns }, desk.today)
      : null;
  return {
    member: part.id,
    name: shownName(part.name, see.all || !see.felt),
    joinedOn: part.joinedOn,
    did: see.felt ? part.checkIns.filter(kept).length : null,
    of: part.over.length,
    ownDay: own?.day ?? null,
    felt: see.felt ? (part.checkIns.at(-1)?.felt ?? null) : null,
    mails: part.mails,
    address: part.email !== null,
    left: part.leftOn !== null,
    held: see.all && part.held,
  };
}

/** Teachers know people of a series by their first names. */
const shownName = (name: string, whole: boolean) => (whole ? name : name.split(' ')[0]);

async function goingOf(
  desk: Desk,
  of: KeptSeries,
  parts: readonly Part[],
  dates: readonly IsoDate[],
  all: boolean,
  fresh: (day: number) => string | null,
): Promise<SeriesView['going']> {
  const here = parts.filter(({ leftOn }) => leftOn === null);
  const needed = neededDays(dates.length);
  const begun = desk.today >= of.firstDate;
  const letters = await lettersTo(
    desk,
    here.map(({ id }) => id),
  );
  const said = (part: Part, date: IsoDate) => part.checkIns.some((one) => one.date === date && kept(one));
  const over = of.stoppedOn !== null || desk.today > dates.at(-1)!;
  const finish = willFinish(
    here.map((part) => ({
      past: [...part.over, ...(said(part, desk.today) ? [desk.today] : [])].map((date) => ({ date, did: said(part, date) })),
      ahead: dates.filter((date) => date > desk.today || (date === desk.today && !said(part, date))).length,
    })),
    needed,
    desk.today,
    await priorOf(desk, of),
  );
  return {
    today: dates.includes(desk.today) ? here.filter((part) => said(part, desk.today)).length : null,
    finish: begun && !over && here.length > 0 ? { ...finish, needed } : null,
    drifting: over ? [] : here.flatMap((part) => driftingOf(desk, part, letters.get(part.id) ?? null, all)),
    hard: await hardDays(desk, here, all),
    after: over
      ? afterwards(
          parts.map((part) => ({
            did: dates.map((date) => said(part, date)),
            strained: dates.map((date) => part.checkIns.some((one) => one.date === date && one.felt === 'strained')),
          })),
          dates.length,
          fresh,
        )
      : [],
  };
}

/** What the studio's own series that are over say of anybody. */
async function priorOf(desk: Desk, of: KeptSeries) {
  const past = (await allSeries(desk)).filter((one) => one.id !== of.id && datesOf(one).at(-1)! < desk.today && one.stoppedOn === null);
  const members = await membersOf(
    desk,
    past.map(({ id }) => id),
  );
  const checkIns = await checkInsOf(
    desk,
    members.map(({ id }) => id),
  );
  const length = new Map(past.map((one) => [one.id, one.days.length]));
  return priorFrom(members.map(({ id, series: in_ }) => Math.min(1, (checkIns.get(id) ?? []).filter(kept).length / length.get(in_)!)));
}

function driftingOf(desk: Desk, part: Part, written: Date | null, all: boolean): Drifting[] {
  const drift = driftOf(part.over, part.checkIns);
  if (!drift) return [];
  const days = written ? daysBetween(isoDate(written.toISOString().slice(0, 10)), desk.today) : null;
  return [
    {
      member: part.id,
      name: shownName(part.name, all),
      why: driftText(drift),
      last: drift.last ? `last on ${dayText(drift.last)}` : 'has not begun',
      not:
        part.email === null
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
