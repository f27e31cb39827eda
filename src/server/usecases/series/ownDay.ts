import { taughtAs } from '@/core/conventions';
import { layOut } from '@/core/cues';
import { writePerson } from '@/core/exchange';
import { readSession, type NamedBlock, type TechniqueBlock } from '@/core/plan';
import { datesOf, dayOn, easierOf, kept, minutesOf, ownDay, practiceFor, shortened, weekOfDay, type OwnDay } from '@/core/series';
import { callsForHelp, TO_EVERYBODY, HELP_SIGNS, STOP_SIGNS } from '@/core/screening';
import { addDays, dayText, instantIn, isoDate, longDayText, type IsoDate } from '@/core/units';
import { listed } from '@/core/wording';
import { checkInForm } from '@/forms';
import type { DayPractice, DayView } from '@/views/series';
import type { ByLink } from '../../auth/actors';
import { foundBy } from '../../auth/signin';
import { checked } from '../../checked';
import type { EntityManager } from '../../db/orm';
import { deskFor, inOne, type Desk, type Writing } from '../../desk';
import { Refusal } from '../../errors';
import { sessionsOf } from '../../repositories/courses';
import { cohortItself } from '../../repositories/cohorts';
import { member as personWith, type OpenedMember } from '../../repositories/screenings';
import { checkInsOf, keepCheckIn, saidOf, type KeptCheckIn } from '../../repositories/checkIns';
import { holdPerson } from '../../repositories/people';
import { changeMember, findDay, series, seriesMember, type KeptSeries, type SeriesMember } from '../../repositories/series';
import { holdSign, signsOf } from '../../repositories/signs';
import { houseOf } from '../setting';
import { noteSign } from '../signs/noteSign';
import type { Conventions } from '../../repositories/studio';

const GONE = 'This page is closed: its address has ended, or you left the series. The studio can give you a new one; what you did is kept.';

/** Where the person of an address is, and what they practise. */
interface Here {
  readonly desk: Desk<ByLink>;
  readonly found: KeptSeries;
  readonly part: SeriesMember;
  readonly person: OpenedMember;
  readonly house: Conventions;
  readonly already: ReadonlySet<string>;
  readonly checkIns: readonly KeptCheckIn[];
  readonly dates: readonly IsoDate[];
}

/** The desk of whoever has an address: theirs alone. */
async function byAddress(em: EntityManager, token: string, address: string, now: Date): Promise<Desk<ByLink>> {
  const day = await foundBy(em, 'day', address, now, await findDay(em, token), new Refusal('late', GONE));
  return deskFor(day.who, now, em);
}

async function hereOf(desk: Desk<ByLink>): Promise<Here> {
  const part = await seriesMember(desk, desk.who.link);
  const found = await series(desk, part.series);
  const [person, house, group, checkIns] = await Promise.all([
    personWith(desk, part.person),
    houseOf(desk, found.cohort),
    cohortItself(desk, found.cohort),
    checkInsOf(desk, [part.id]),
  ]);
  return { desk, found, part, person, house, already: new Set(group.already), checkIns: checkIns.get(part.id) ?? [], dates: datesOf(found) };
}

const ownOn = ({ found, part, house, already, checkIns }: Here, date: IsoDate): OwnDay | null =>
  ownDay({ series: found, ladder: house.library.edges, already, joined: part.joinedOn, checkIns }, date);

/** Somebody's own day. Nothing is written, and nothing of anybody else is read. */
export async function openDay(em: EntityManager, token: string, address: string, now: Date): Promise<DayView> {
  const here = await hereOf(await byAddress(em, token, address, now));
  const { desk, found, part, person, checkIns, dates, house } = here;
  const { today } = desk;
  const own = found.stoppedOn ? null : ownOn(here, today);
  const held = part.held.length > 0;
  const practices = own && !held ? practicesOf(here, own, today) : null;
  const said = checkIns.find(({ date }) => date === today) ?? null;
  const yesterday = addDays(today, -1);
  const open = ownOn(here, yesterday) !== null && notTold(here, yesterday) === null && !checkIns.some(({ date }) => date === yesterday);
  // Days after an early end are nobody's, and no gaps.
  const mine = dates.filter((date) => date >= part.joinedOn && (found.stoppedOn === null || date < found.stoppedOn));
  const wasKept = (date: IsoDate) => checkIns.some((one) => one.date === date && kept(one));
  const over = mine.filter((date) => date < today || (date === today && wasKept(today)));
  return {
    person: person.name.split(' ')[0],
    studio: desk.who.studioName,
    series: found.name,
    date: today,
    ends: instantIn(desk.who.zone, addDays(today, 1), '00:00').toISOString(),
    day: own?.day ?? null,
    says: held ? HELD : saysOf(here, own),
    practice: practices?.practice ?? (held && own ? natural(here, own) : null),
    easier: practices?.easier ?? null,
    easierFirst: own?.easierFirst ?? false,
    minding: practices?.minding ?? [],
    live: own ? await liveText(here) : null,
    said: said && { did: said.did, felt: said.felt },
    yesterday: open ? yesterday : null,
    ladder: mine.map((date) => ({
      day: dates.indexOf(date) + 1,
      week: weekOfDay(dates.indexOf(date) + 1),
      done: wasKept(date) ? 'done' : date < today ? 'gap' : 'ahead',
    })),
    did: over.filter(wasKept).length,
    of: over.length,
    naturalBreath: house.naturalBreath,
    stopSigns: STOP_SIGNS,
    helpSigns: HELP_SIGNS,
    emergency: TO_EVERYBODY,
    mails: part.mails,
  };
}

const HELD = 'You said that something was wrong. Breathe as you like until the studio has spoken with you; nothing is lost meanwhile.';

function saysOf({ found, desk, dates, part }: Here, own: OwnDay | null): string {
  const last = dates.at(-1)!;
  if (found.stoppedOn) return 'The series was ended. Thank you for the days you came to.';
  if (desk.today > last) return 'The series is over. What you did stays on your ladder.';
  if (desk.today < found.firstDate || desk.today < part.joinedOn)
    return `It begins on ${longDayText(part.joinedOn > found.firstDate ? part.joinedOn : found.firstDate)}, at ${found.asked.start}.`;
  if (!own) return 'There is a pause today. Nothing is missed.';
  switch (own.why) {
    case 'missed':
      return 'You go on from where you were. Nothing is doubled up.';
    case 'strained':
      return 'One step back after a day that was much. It is part of the way.';
    case 'not ready yet':
      return 'A few days more with what comes before, so that the next one has ground to stand on.';
    case 'catching up':
      return 'A little shorter than the series today. It grows with you, a minute in three days.';
    case null:
      return '';
  }
}

/** What somebody practises on a day, the easier version beside it, each as it is for them. */
function practicesOf(here: Here, own: OwnDay, date: IsoDate) {
  const { found, person, house } = here;
  const planning = { basis: house, ladder: house.library.edges, taught: (id: string) => taughtAs(house.library.technique(id), house.schools) };
  const blocks = shortened(found.days[own.day - 1].blocks, own.minutes, planning);
  const [taught, lower] = [blocks, blocks.map((block) => easierOf(block, planning))].map((of) => practiceFor(person, of, date, house));
  return {
    practice: practiceOf(taught.blocks, house),
    easier: practiceOf(lower.blocks, house),
    minding: taught.minding,
    blocks: taught.blocks,
    lower: lower.blocks,
  };
}

function natural(here: Here, own: OwnDay): DayPractice {
  const { house } = here;
  const block: TechniqueBlock = {
    id: 'natural',
    kind: 'technique',
    technique: 'natural',
    pattern: 'natural',
    dose: `${own.minutes} min`,
    tempo: house.tempo,
  };
  return practiceOf([{ ...block, name: house.library.technique('natural').name }], house);
}

function practiceOf(blocks: readonly NamedBlock[], house: Conventions): DayPractice {
  const techniques = blocks.filter((block): block is NamedBlock & TechniqueBlock => block.kind === 'technique');
  return {
    parts: techniques.map((block) => ({ name: block.name ?? '', pattern: block.pattern, minutes: minutesOf({ blocks: [block] }) })),
    minutes: minutesOf({ blocks: techniques }),
    tempo: readSession(blocks, house)[0].pace.tempo,
    line: layOut(blocks, house, house.speech),
  };
}

async function liveText({ desk, found }: Here): Promise<string | null> {
  if (!found.liveCourse) return null;
  const today = (await sessionsOf(desk, [found.liveCourse])).find(({ date }) => date === desk.today);
  return today ? `Today is a live day: ${today.start} at the studio, ${today.minutes} minutes. If you cannot come, practise here.` : null;
}

/** What becomes of what somebody said: what to do at once, where something called for help. */
export interface Heard {
  readonly help: boolean;
  readonly signs: boolean;
}

/**
 * Takes what somebody says of a day: today, or yesterday until today ends. Sent again it changes what was said; it is never there
 * twice. A sign that calls for help stands until the director has answered for it, and no later tap unsays it. Everything that
 * decides is read while the person is held.
 */
export async function checkIn(em: EntityManager, token: string, input: unknown, address: string, now: Date): Promise<Heard> {
  const desk = await byAddress(em, token, address, now);
  const form = await checked(checkInForm, input);
  return inOne(desk, async (at) => {
    await holdPerson(at, at.who.person);
    const here = await hereOf(at);
    const date = form.date ? isoDate(form.date) : at.today;
    const own = ownOn(here, date);
    const refused = notTold(here, date);
    const calls = callsForHelp(form.signs);
    if (refused || !own) {
      if (!calls) throw refused ?? new Refusal('not-found', 'The series has no day then, or you were not part of it yet.');
      // It comes too late for a ladder, not for somebody to ask how they are.
      await standFor(at, here, date, form, [], 'It came too late to stand in the series.');
      return { help: true, signs: true };
    }
    const { blocks, lower } = practicesOf(here, own, date);
    const techniques = (form.easier ? lower : blocks).flatMap((block) => (block.kind === 'technique' ? [block.technique] : []));
    const { part, person } = here;
    const said = {
      member: part.id,
      person: person.id,
      date,
      day: own.day,
      did: form.did,
      felt: form.felt ?? null,
      easier: form.easier,
      techniques: form.did === 'done' ? techniques : [],
      signs: [...new Set(form.signs)],
    };
    const { all, fresh } = await keepCheckIn(at, said, form.wrong);
    await standFor(at, here, date, form, fresh, 'What they marked stands in the series.');
    // Until the director has spoken with them, another tap does not take away what to do.
    return { help: calls || (part.held.length > 0 && callsForHelp(all)), signs: all.length > 0 };
  });
}

/** What somebody marked stands until it is answered for: what calls for help anew, unless it stands already or is only sent again. */
async function standFor(
  at: Writing<ByLink>,
  { part, person, found }: Here,
  date: IsoDate,
  { signs, tap }: { readonly signs: readonly string[]; readonly tap?: string | null },
  fresh: readonly string[],
  more: string,
): Promise<void> {
  if (tap && (await holdSign(at, tap))) return;
  const before = await signsOf(at, { person: person.id, member: part.id, date });
  const stands = before.filter(({ answered }) => !answered).flatMap((one) => one.signs);
  const marked = callsForHelp(signs) ? signs : fresh;
  const news = marked.filter((sign) => !stands.includes(sign));
  if (news.length === 0) return;
  const sign = { id: tap ?? at.newId(), person: person.id, session: null, member: part.id, date, signs: news, place: '' };
  await noteSign(at, sign, person.name, `in the series “${found.name}”`, [
    'They were told to call the emergency services, and have nothing but the natural breath until you say how it goes on.',
    more,
  ]);
}

/** Why nothing is taken of a day; null where it is. */
function notTold({ found: { stoppedOn }, part: { leftOn }, desk: { today } }: Here, date: IsoDate): Refusal | null {
  if (leftOn) return new Refusal('late', GONE);
  if (date > today) return new Refusal('invalid', `${dayText(date)} has not come yet at the studio.`);
  if (stoppedOn && date >= stoppedOn) return new Refusal('late', 'The series was ended before this day.');
  if (date < addDays(today, -1)) return new Refusal('late', 'A day can be told of until the end of the next one. A gap is only a gap.');
  return null;
}

/** Stops the morning's mail, or has it sent again. One tap, by the address alone. */
export async function setMails(em: EntityManager, token: string, mails: boolean, address: string, now: Date): Promise<void> {
  const desk = await byAddress(em, token, address, now);
  await inOne(desk, (at) => changeMember(at, at.who.link, { mails }));
}

/** Leaves a series: its address ends, and what was done stays without it. */
export async function leaveSeries(em: EntityManager, token: string, address: string, now: Date): Promise<void> {
  const desk = await byAddress(em, token, address, now);
  await inOne(desk, (at) => changeMember(at, at.who.link, { leftOn: at.today, mails: false }));
}

/** What somebody said of their days, as a file of their own. */
export async function exportDays(em: EntityManager, token: string, address: string, now: Date): Promise<string> {
  const { desk, found, checkIns, part } = await hereOf(await byAddress(em, token, address, now));
  return writePerson({
    studio: desk.who.studioName,
    series: found.name,
    joinedOn: part.joinedOn,
    days: checkIns.map(saidOf),
  });
}

/** A week in a few lines, to take to a teacher. @example // "Mon 23 Nov: done, easy" */
export async function weekNote(em: EntityManager, token: string, address: string, now: Date): Promise<string> {
  const here = await hereOf(await byAddress(em, token, address, now));
  const { desk, found, checkIns, dates } = here;
  const week = dates.filter((date) => date > addDays(desk.today, -7) && date <= desk.today);
  const line = (date: IsoDate) => {
    const said = checkIns.find((one) => one.date === date);
    if (!said) return `${dayText(date)}: –`;
    return `${dayText(date)}: ${listed([said.did, ...(said.felt ? [said.felt] : []), ...(said.easier ? ['the easier version'] : [])])}`;
  };
  return [`${found.name}, day ${dayOn(found, desk.today) ?? '–'}`, ...week.map(line)].join('\n');
}
