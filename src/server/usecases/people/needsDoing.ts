import { bearingsByDate, seenIn } from '@/core/instructions';
import { blockName, readBlock, techniquesIn } from '@/core/plan';
import { clinicianMayAnswer, decideBlock, SCREENING_LIMITS, screenedUntil, type Bearing, type Seen } from '@/core/screening';
import { dateIn, dayText, daysBetween, type IsoDate } from '@/core/units';
import type { Need } from '@/views/person';
import type { Actor } from '../../auth/actors';
import { authorise, may } from '../../auth/permissions';
import type { Desk } from '../../desk';
import { untilChanged } from '../../untilChanged';
import { cohorts, type Cohort } from '../../repositories/cohorts';
import { courses, type Course } from '../../repositories/courses';
import { waitingLinks } from '../../repositories/links';
import { roster } from '../../repositories/people';
import { members, overridesOf } from '../../repositories/screenings';
import { houseOf } from '../setting';
import { sessionsAhead } from './ahead';

/**
 * What needs doing about screening: forms that are missing or run out before a session, answers that wait for a clinician,
 * overrides that end. Front desk sees forms alone; who waits for a clinician is for the director.
 */
export async function needsDoing(desk: Desk<Actor>): Promise<readonly Need[]> {
  authorise(desk.who, 'add people');
  const { who } = desk;
  return untilChanged(desk, `needs for ${who.as === 'staff' ? who.role : who.as}`, 'everything', needsNow);
}

async function needsNow(desk: Desk<Actor>): Promise<readonly Need[]> {
  const [groups, people, sessions, waiting] = await Promise.all([
    cohorts(desk),
    roster(desk),
    sessionsAhead(desk, null),
    waitingLinks(desk, 'screening'),
  ]);
  const askedOn = new Map(waiting.map(({ person, madeAt }) => [person, dateIn(desk.who.zone, madeAt)]));
  const forms = groups.flatMap(({ id, name }): Need[] => {
    const own = sessions.filter((session) => session.cohort === id);
    const due = people
      .filter((person) => person.cohort === id)
      .flatMap((person) => {
        const until = person.screenedOn && screenedUntil(person.screenedOn);
        const detail = formDetail(until, desk.today, own);
        if (!detail) return [];
        const asked = askedOn.get(person.id);
        const missing = until === null || until < desk.today;
        return [
          { id: person.id, name: person.name, detail: asked ? `${detail}; asked ${dayText(asked)}` : detail, asked: asked !== undefined, missing },
        ];
      });
    if (due.length === 0) return [];
    const missing = due.filter((one) => one.missing).length;
    const text =
      missing === due.length
        ? `${countText(missing)} in ${name} ${missing === 1 ? 'has' : 'have'} no valid screening.`
        : missing === 0
          ? `${countText(due.length)} in ${name} should renew their screening.`
          : `${countText(due.length)} in ${name} should be asked: ${missing} with no valid screening.`;
    return [
      {
        kind: 'form',
        harm: missing > 0 && own.length > 0 ? 'mend' : 'know',
        text,
        cohort: id,
        cohortName: name,
        people: due.map(({ id: person, name: called, detail, asked }) => ({ id: person, name: called, detail, asked })),
      },
    ];
  });
  return desk.who.as === 'staff' && may(desk.who.role, 'see reasons') ? [...forms, ...(await directorNeeds(desk, groups))] : forms;
}

type Ahead = Awaited<ReturnType<typeof sessionsAhead>>;

/** Why a form is due, or null when it is not. */
function formDetail(until: IsoDate | null, today: IsoDate, sessions: Ahead): string | null {
  const next = sessions.find(({ date }) => until === null || date > until);
  if (until === null) return next ? `never screened; next class ${dayText(next.date)}` : 'never screened';
  if (until < today) return next ? `ran out ${dayText(until)}; next class ${dayText(next.date)}` : `ran out ${dayText(until)}`;
  if (daysBetween(today, until) > SCREENING_LIMITS.endingDays) return null;
  return next ? `runs out ${dayText(until)}, before the class on ${dayText(next.date)}` : `runs out ${dayText(until)}`;
}

async function directorNeeds(desk: Desk<Actor>, groups: readonly Group[]): Promise<Need[]> {
  const all = await courses(desk);
  return (await Promise.all(groups.map((group) => cohortNeeds(desk, group, all)))).flat();
}

/** What the people of one cohort need that the director alone does. */
export function cohortNeeds(desk: Desk<Actor>, group: Group, all: readonly Pick<Course, 'id' | 'cohort'>[]): Promise<readonly Need[]> {
  const own = all.filter(({ cohort }) => cohort === group.id).map(({ id }) => id);
  return untilChanged(desk, `needs of ${group.id}`, [group.id, 'studio', ...own], (at) => needsOf(at, group));
}

type Group = Pick<Cohort, 'id' | 'name'>;

async function needsOf(desk: Desk<Actor>, { id, name }: Group): Promise<Need[]> {
  const needs: Need[] = [];
  const [studio, everyone, own] = await Promise.all([houseOf(desk, id), members(desk, id), sessionsAhead(desk, id)]);
  const known = new Map<string, readonly Seen[]>();
  const planned = own.flatMap(({ date, blocks }) =>
    techniquesIn(blocks).map((block) => {
      const how = `${block.technique} ${block.pattern} ${block.dose} ${block.tempo} ${JSON.stringify(block.setup ?? null)}`;
      const ways = known.get(how) ?? seenIn(readBlock(block, studio));
      known.set(how, ways);
      return { date, technique: blockName(block, studio.library), ways };
    }),
  );
  const bearing = bearingsByDate(studio.rulebook);
  const asksFirst = askingFirst();
  const waiting = everyone.flatMap((person) => {
    const techniques = planned.flatMap(({ date, technique, ways }) => (asksFirst(bearing(person, date), ways) ? [technique] : []));
    return techniques.length > 0 ? [{ id: person.id, name: person.name, detail: [...new Set(techniques)].slice(0, 4).join(', ') }] : [];
  });
  if (waiting.length > 0)
    needs.push({
      kind: 'clinician',
      harm: 'know',
      text: `${countText(waiting.length)} in ${name} ${waiting.length === 1 ? 'waits' : 'wait'} for a clinician’s answer.`,
      cohort: id,
      cohortName: name,
      people: waiting,
    });
  const ending = (
    await overridesOf(
      desk,
      everyone.map((person) => person.id),
    )
  ).filter(({ until, ended }) => ended === null && until >= desk.today && daysBetween(desk.today, until) <= SCREENING_LIMITS.overrideEndingDays);
  if (ending.length > 0)
    needs.push({
      kind: 'override',
      harm: 'know',
      text: `${ending.length === 1 ? 'An override' : `${ending.length} overrides`} in ${name} ${ending.length === 1 ? 'ends' : 'end'} within two weeks.`,
      cohort: id,
      cohortName: name,
      people: ending.map(({ person, until }) => ({
        id: person,
        name: everyone.find((one) => one.id === person)!.name,
        detail: `until ${dayText(until)}`,
      })),
    });
  return needs;
}

/** Whether a clinician's answer is what somebody waits for; the same rules and the same technique are looked at once. */
function askingFirst() {
  const known = new Map<string, Map<readonly Seen[], boolean>>();
  return (bearing: readonly Bearing[], ways: readonly Seen[]): boolean => {
    const key = bearing.map(({ rule }) => rule.id).join();
    const byWays = known.get(key) ?? new Map<readonly Seen[], boolean>();
    known.set(key, byWays);
    let asks = byWays.get(ways);
    if (asks === undefined) {
      const clinical = new Set(bearing.filter(({ rule }) => clinicianMayAnswer(rule)).map(({ rule }) => rule.id));
      const { answer, findings } = decideBlock(bearing, ways);
      asks = answer === 'ask first' && findings.some(({ ruleId }) => clinical.has(ruleId));
      byWays.set(ways, asks);
    }
    return asks;
  };
}

const countText = (n: number) => (n === 1 ? 'One person' : `${n} people`);
