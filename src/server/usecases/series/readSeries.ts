import { breathCounts, mustParsePattern } from '@/core/pattern';
import { blockName, techniquesIn } from '@/core/plan';
import { checkSeries, datesOf, dayOn, kept, minutesOf, ownDay, seriesCheckText, weekOfDay } from '@/core/series';
import type { IsoDate } from '@/core/units';
import { listed } from '@/core/wording';
import type { SeriesLine, SeriesView, TakingPart } from '@/views/series';
import { authorise, may } from '../../auth/permissions';
import type { Desk } from '../../desk';
import { untilChanged } from '../../untilChanged';
import { Refusal } from '../../errors';
import { cohortItself } from '../../repositories/cohorts';
import { sessionsOf } from '../../repositories/courses';
import { peopleLines, rosterOf } from '../../repositories/people';
import { allSeries, joinToken, membersOf, series, type KeptSeries, type SeriesMember } from '../../repositories/series';
import { staffNames } from '../../repositories/staff';
import { finishOf, goingOf, partsOf, shownName, stateOf, type Part } from './going';
import { OF_PEOPLE } from '../courses/readCourse';
import { closedDates } from './liveDays';
import { seriesSetting } from './setting';
import { joinUrl } from './signUp';
import { lastStepOf } from './steps';
import { mendsText, unreachedText } from './words';

/** Whether somebody sees a series at all, who takes part in it, and how it goes for each. */
function sees({ who }: Desk, of: KeptSeries) {
  const [director, lead] = [may(who.role, 'see reasons'), of.teacher === who.id && may(who.role, 'teach')];
  const desk = may(who.role, 'add people');
  return { it: director || lead || desk || may(who.role, 'see courses'), people: director || lead || desk, felt: director || lead, all: director };
}

/** Every series that whoever asks may see, newest first. */
export async function listSeries(desk: Desk): Promise<SeriesLine[]> {
  authorise(desk.who, 'see series');
  return untilChanged(desk, `series for ${desk.who.id}`, 'everything', (at) => seriesNow(at));
}

async function seriesNow(desk: Desk): Promise<SeriesLine[]> {
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

/** A series as whoever asks may see it. */
export async function readSeries(desk: Desk, id: string): Promise<SeriesView> {
  authorise(desk.who, 'see series');
  const found = await series(desk, id);
  const see = sees(desk, found);
  if (!see.it) throw new Refusal('not-found', 'This series is not here, or not one you lead.');
  const dates = datesOf(found);
  const [setting, group, nameOf, everybody, classes, everyMember, parts, closed, finish] = await Promise.all([
    seriesSetting(desk, found.cohort),
    cohortItself(desk, found.cohort),
    staffNames(desk),
    see.all ? rosterOf(desk, found.cohort) : [],
    found.liveCourse ? sessionsOf(desk, [found.liveCourse]) : [],
    membersOf(desk, [id]),
    partsOf(desk, found, dates),
    closedDates(desk, dates),
    see.felt ? finishOf(desk, id) : null,
  ]);
  const { planning, house } = setting;
  const live = {
    classes: new Map(classes.map(({ date, blocks }) => [date, techniquesIn(blocks).map(({ technique }) => technique)] as const)),
    closed,
    weekdays: found.asked.live,
    today: desk.today,
  };
  const checks = checkSeries(found.days, dates, found.asked.start, planning, found.stoppedOn ? null : live).filter(
    ({ finding }) => see.all || (see.felt && !(finding.code === 'course' && OF_PEOPLE.includes(finding.finding.code))),
  );
  const state = stateOf(found, desk.today);
  const [going, joining] = await Promise.all([
    finish && goingOf(desk, found, parts, dates, see.all, finish, (day) => newOn(found, day, house.library)),
    see.all ? joiningOf(desk, found, everyMember) : null,
  ]);
  const practised = new Set(found.days.flatMap(({ blocks }) => blocks.map(({ technique }) => technique)));
  return {
    id,
    version: found.version,
    name: found.name,
    cohort: { id: group.id, name: group.name },
    teacher: { id: found.teacher, name: nameOf(found.teacher) },
    firstDate: found.firstDate,
    lastDate: dates.at(-1)!,
    start: found.asked.start,
    missed: found.missed,
    stoppedOn: found.stoppedOn,
    pauses: found.pauses.filter(({ until }) => until >= desk.today),
    today: dayOn(found, desk.today),
    begun: dates.filter((date) => date <= desk.today).length,
    state,
    days: found.days.map((day, index) => {
      const could = parts.filter((part) => part.joinedOn <= dates[index] && (part.leftOn === null || part.leftOn > dates[index]));
      const did = could.filter(({ checkIns }) => checkIns.some((one) => one.date === dates[index] && kept(one))).length;
      return {
        id: day.blocks[0]?.id ?? String(index),
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
        counts: Math.max(0, ...day.blocks.map(({ pattern }) => breathCounts(mustParsePattern(pattern)) ?? 0)) || null,
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
    // Why something does not come may be who takes part; what was put in by hand comes.
    unreached: (see.all ? found.unreached : [])
      .filter(({ technique }) => !practised.has(technique))
      .map((one) => ({
        technique: one.technique,
        text: unreachedText(one, house.library),
        mends: state === 'finished' ? [] : one.mends.map((mends, at) => ({ at, text: mendsText(mends, house.library) })),
      })),
    undo: see.all ? undoOf(found, desk.today) : null,
    people: see.people ? parts.map((part) => takingPart(desk, part, found, setting, see)) : [],
    going,
    waiting: see.all ? everybody.filter(({ id: person }) => !everyMember.some((part) => part.person === person)).length : 0,
    joining,
    asked: see.all && state !== 'finished' ? askedOf(found) : null,
    mayEdit: see.all,
    techniques: see.all
      ? house.library.techniques.map(({ id: technique, name }) => ({ id: technique, name, pattern: planning.taught(technique).pattern }))
      : [],
  };
}

function askedOf({ asked: { length, from, to, gentleEvery, live, themes, pairings } }: KeptSeries): SeriesView['asked'] {
  const weeks = Array.from({ length: weekOfDay(length) }, (_, week) => ({ techniques: themes[week] ?? [], pairs: pairings.includes(week + 1) }));
  return { length, from, to, gentleEvery, live, themes: weeks };
}

function undoOf(found: KeptSeries, today: IsoDate): SeriesView['undo'] {
  const { step, stays } = lastStepOf(found, today);
  return step && !stays ? { what: step.what, back: step.back } : null;
}

/** Who signed up and waits: whoever has answered their form first. */
async function joiningOf(desk: Desk, { id, open }: KeptSeries, members: readonly SeriesMember[]): Promise<SeriesView['joining']> {
  const asking = members.filter(({ admitted, leftOn }) => !admitted && leftOn === null);
  const lines = new Map(
    (
      await peopleLines(
        desk,
        asking.map(({ person }) => person),
      )
    ).map((one) => [one.id, one]),
  );
  const shown = asking.flatMap(({ id: member, person }) => {
    const who = lines.get(person);
    return who ? [{ member, name: who.name, screened: who.screenedOn !== null }] : [];
  });
  return { url: open ? joinUrl(joinToken(desk, id)) : null, asking: shown.sort((a, b) => Number(b.screened) - Number(a.screened)) };
}

type Library = Awaited<ReturnType<typeof seriesSetting>>['house']['library'];

/** What is new on a day; null where nothing is. */
function newOn({ days }: KeptSeries, day: number, library: Library): string | null {
  const before = new Set(days.slice(0, day - 1).flatMap(({ blocks }) => blocks.map(({ technique }) => technique)));
  const fresh = days[day - 1]?.blocks.find(({ technique }) => !before.has(technique));
  return fresh ? blockName(fresh, library) : null;
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
    // A day of one's own that is behind tells of a sign that is not theirs to see.
    see.all && part.leftOn === null
      ? ownDay({ series: of, ladder: planning.ladder, already, joined: part.joinedOn, checkIns: part.checkIns }, desk.today)
      : null;
  return {
    member: part.id,
    name: shownName(part.name, see.all || !see.felt),
    joinedOn: part.joinedOn,
    did: see.felt ? part.checkIns.filter(kept).length : null,
    of: new Set([...part.over, ...part.checkIns.filter(kept).map(({ date }) => date)]).size,
    ownDay: own?.day ?? null,
    felt: see.felt ? (part.checkIns.at(-1)?.felt ?? null) : null,
    mails: part.mails,
    address: part.email !== null,
    left: part.leftOn !== null,
    known: part.known,
    held: see.all ? part.held : [],
  };
}
