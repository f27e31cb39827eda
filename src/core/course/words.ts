import { listed } from '../wording';
import { CLIMB_LIMITS, type GuardFinding } from '../climb';
import { minutesUp } from '../plan';
import { NEAR_A_LIMIT } from '../screening';
import type { Library } from '../library';
import { dayText, trimNumber, type IsoDate } from '../units';
import type { Check } from './checks';
import type { Mend } from './mends';
import { mendOfText, requestText } from './drafting';
import type { Blocked, MendCode, UpTo, Unplaced } from './unplaced';
import { BREATH_SHARES } from './hour';
import type { Arc } from './types';

/** Codes made into sentences, here and nowhere else. */

const times = (n: number) => (n === 1 ? 'once' : n === 2 ? 'twice' : `${n} times`);
const peopleText = (n: number) => (n === 1 ? 'one person' : `${n} people`);

/** When new things come, as a sentence goes on after "New things come". @example paceText('soon') // "as soon as they can be taught" */
export const paceText = (pace: Arc['pace']): string => (pace === 'soon' ? 'as soon as they can be taught' : 'spread over the weeks');

/** How much of the hour is breathing, as a sentence goes on after "Breath fills". @example breathText('usual') // "up to 45 % of the hour" */
export const breathText = (breath: Arc['breath']): string => `up to ${Math.round(BREATH_SHARES[breath][1] * 100)} % of the hour`;

/** What a check says, after the technique's name and the day. */
export function checkText({ finding, date }: Pick<Check, 'finding' | 'date'>, { find }: Library): string {
  const name = (id: string) => find(id)?.name ?? 'something that is no longer in the library';
  switch (finding.code) {
    case 'out of order': {
      const { needs, had, sessions } = finding.lacking;
      return had === 0
        ? `comes before ${name(needs)}, which it needs ${times(sessions)}`
        : `comes after ${name(needs)} was practised ${times(had)}; the ladder asks for ${sessions}`;
    }
    case 'too soon':
      return `comes too soon after ${name(finding.lacking.needs)}: the ladder asks for ${finding.lacking.days} days, so not before ${finding.lacking.openFrom ? dayText(finding.lacking.openFrom) : dayText(date)}`;
    case 'over time':
      return `takes ${minutesUp(finding.planned)} minutes of ${finding.minutes}`;
    case 'two new things':
      return `brings ${finding.names.length} new things at once: ${listed(finding.names)}`;
    case 'wrong hour':
      return `is for the ${listed(finding.hours)}`;
    case 'guard':
      return guardText(finding.finding);
    case 'left out by all':
      return finding.tally.people === 1
        ? 'must be left out by the one person in the cohort'
        : `must be left out by all ${finding.tally.people} in the cohort`;
    case 'adapted': {
      const { leaveOut, askFirst, adapt } = finding.tally;
      const parts = [
        ...(leaveOut > 0 ? [`${peopleText(leaveOut)} ${leaveOut === 1 ? 'leaves' : 'leave'} it out`] : []),
        ...(askFirst > 0 ? [`${peopleText(askFirst)} must ask first`] : []),
        ...(adapt > 0 ? [`${peopleText(adapt)} ${adapt === 1 ? 'does' : 'do'} it adapted`] : []),
      ];
      return `${listed(parts)}; each has something to do instead`;
    }
    case 'near a limit':
      return `stands within ${NEAR_A_LIMIT * 100} % of a limit for ${peopleText(finding.tally.near)}; spoken counts drift, so keep the tempo by the clock`;
    case 'nobody qualified':
      return 'has nobody on the staff who is qualified for it that day';
    case 'other teacher':
      return `is not among what this course’s teacher is qualified for; ${listed(finding.names, 'or')} could take the class`;
    case 'not settled':
      return 'is for a settled group; say so of the course, or leave it out';
    case 'after a pause':
      return finding.days > CLIMB_LIMITS.pauseDays
        ? `grows after ${finding.days} days without practice; after more than ${CLIMB_LIMITS.pauseDays} a climb goes one step back`
        : `grows after ${finding.missed} classes in a row fell out; after ${CLIMB_LIMITS.missedBack} a climb goes one step back`;
    case 'closed':
      return `falls into closed days: ${finding.reason}`;
    case 'same time':
      return finding.shares === 'cohort'
        ? `stands at the same time as ${finding.name}, for the same cohort`
        : `stands at the same time as ${finding.name}, with the same teacher`;
    case 'nobody':
      return finding.away === null ? 'has no teacher: whoever had it no longer teaches here' : `has no teacher: ${finding.away} is away`;
    case 'empty':
      return 'has nothing to practise yet';
    case 'not prepared':
      return finding.part === 'movement'
        ? 'needs gentle movement in the same class and before it'
        : 'needs a look at whether both sides are free, in the same class and before it';
    case 'standing':
      return 'is taught standing; nobody stands for holds, pumps or connected breath';
    case 'no round fits':
      return 'has no complete round in its minutes, or in those of a stage';
  }
}

function guardText(finding: GuardFinding): string {
  switch (finding.guard) {
    case 'count jump':
      return `grows by ${finding.by} counts in one step; one at a time is the guard`;
    case 'minutes jump':
      return `grows from ${minutesUp(finding.from)} to ${minutesUp(finding.to)} minutes; at most ${trimNumber(finding.most / 60_000)} by now`;
    case 'length jump':
      return `grows from ${trimNumber(finding.from)} to ${trimNumber(finding.to)} s in one step; at most ${trimNumber(finding.most)} s`;
    case 'pumps jump':
      return `goes from ${finding.from} pumps to ${finding.to}; the next step is ${finding.most}`;
    case 'rest jump':
      return `rests ${trimNumber(finding.to)} minutes after ${trimNumber(finding.from)} last time; at most ${trimNumber(finding.most)}`;
    case 'layer too long':
      return `brings in a hold of ${trimNumber(finding.is)} s; a new hold is at most the inhale long, ${trimNumber(finding.limit)} s`;
    case 'closing hold':
      return `ends with a hold of ${trimNumber(finding.is)} s; outside the rounds at most ${finding.limit} s`;
    case 'hold too long':
      return `holds ${trimNumber(finding.is)} s; its rung allows ${finding.limit} s`;
    case 'hold share':
      return `is held ${Math.round(finding.is * 100)} % of the time; its rung allows ${Math.round(finding.limit * 100)} %`;
    case 'pace too slow':
      return `is ${trimNumber(finding.is)} breaths a minute; its rung goes no slower than ${finding.limit}`;
  }
}

/** What a mend's button says. */
export function mendText(mend: Mend, dateOf: (sessionId: string) => IsoDate | null): string {
  switch (mend.kind) {
    case 'move': {
      const date = dateOf(mend.to);
      return date ? `Move it to ${dayText(date)}` : 'Move it later';
    }
    case 'shorten rest':
      return `Rest ${mend.minutes} minutes instead`;
    case 'add preparation':
      return mend.part === 'movement' ? 'Add gentle movement before it' : 'Add the look at both sides before it';
  }
}

/** Why goals were not placed, a sentence each; those with the same reason together. @param counts whether it says how many people may: for whoever sees reasons */
export function unplacedTexts(all: readonly Unplaced[], library: Library, counts = true): string[] {
  return notPlaced(all, library, counts, 'could not be placed');
}

/** Why goals cannot be placed, before anything is drafted. @example aheadTexts(blockedAhead(sessions, goals, planning), library) // ["27 pumps cannot be placed: it is for the morning, …"] */
export function aheadTexts(all: readonly Unplaced[], library: Library, counts = true): string[] {
  return notPlaced(all, library, counts, 'cannot be placed');
}

/** Changes that give every goal its place, as their buttons say them. */
export interface WayOut {
  readonly text: string;
  readonly mends: readonly MendCode[];
  /** It is no change but a question: whether they practise something already. */
  readonly asks: boolean;
}

/** What would give every goal its place, the gentlest first. */
export function waysOut(all: readonly Unplaced[], library: Library): WayOut[] {
  return (all[0]?.mends ?? []).map((mends) => {
    const asks = mends.every(({ code }) => code === 'practise');
    return { mends, asks, text: asks ? listed(mends.map(({ technique }) => library.find(technique ?? '')?.name ?? '')) : mendsText(mends, library) };
  });
}

/** Changes of a request as a button says them. @example mendsText([{ code: 'weeks', number: 12, technique: null, hour: null }], library) // "12 weeks" */
export const mendsText = (mends: readonly MendCode[], { find }: Library): string =>
  listed(mends.map((mend) => mendOfText(mend, (id) => find(id)?.name ?? id)));

function notPlaced(all: readonly Unplaced[], { find }: Library, counts: boolean, how: string): string[] {
  const name = (id: string) => find(id)?.name ?? 'Something that is no longer in the library';
  const byReason = new Map<string, string[]>();
  for (const { goal, blocked } of all) {
    const why = blocked.why === 'not drafted' ? '' : blockedText(blocked, goal.technique, name, counts);
    byReason.set(why, [...(byReason.get(why) ?? []), name(goal.technique)]);
  }
  return [...byReason].map(([why, names]) => {
    const one = names.length === 1;
    if (why === '') return `${listed(names)} ${one ? 'has' : 'have'} no class yet: draft again to give ${one ? 'it' : 'each'} one.`;
    return `${listed(names)} ${how}: ${one ? '' : 'of each, '}${why}.`;
  });
}

/** How far a climb goes for somebody, where nobody may go to its end. */
const upToText = ({ pattern, dose, may, people }: UpTo, counts: boolean): string =>
  `everyone in the cohort must leave its last step out; ${counts ? `${may === 1 ? 'one' : may} of ${people} may go up to` : 'it goes no further than'} ${pattern} for ${dose}`;

function blockedText(blocked: Exclude<Blocked, { why: 'not drafted' }>, goal: string, name: (id: string) => string, counts: boolean): string {
  const it = blocked.technique === goal ? 'it' : `${name(blocked.technique)}, which it stands on,`;
  switch (blocked.why) {
    case 'hour':
      return `${it} is for the ${listed(blocked.hours)}, and no class of this course starts then`;
    case 'earlier draft':
      return 'draft again to see why';
    case 'not found':
      return 'no place was found in the time there was, and that there is none is not proved';
    case 'left out by all':
      if (blocked.upTo) return upToText(blocked.upTo, counts);
      return `everyone in the cohort must leave ${blocked.technique === goal ? 'it' : name(blocked.technique)} out`;
    case 'guards':
      return `no step further than ${blocked.upTo.pattern} for ${blocked.upTo.dose} is inside the guards`;
    case 'not settled':
      return `${it} is for a settled group, and this course does not say that it is one`;
    case 'nobody qualified':
      return `nobody on the staff is qualified for ${blocked.technique === goal ? 'it' : name(blocked.technique)} on any of its days`;
    case 'no room':
      return `with arriving, rest and closing ${it} takes ${blocked.minutes} minutes, more than a class has`;
    case 'sessions':
      return `${it} needs ${name(blocked.needs)} in ${blocked.sessions} sessions over at least ${blocked.days} days first, and the course leaves room for ${blocked.had}`;
    case 'new things':
      return `one new thing a class leaves no class free for it in the ${blocked.sessions} there are`;
    case 'practice':
      return `it comes in, but only for ${blocked.had} of the ${blocked.wanted} classes asked for`;
    case 'behind pins':
      return `nothing is drafted while ${listed(blocked.with.map((request) => requestText(request, name)))} cannot be kept; without that it has its place`;
    case 'clash': {
      // Drafts from before named the goal itself as well.
      const clashes = [blocked.with, ...(blocked.then ?? [])]
        .map((clash) => clash.filter(({ code, technique }) => !(code === 'goal' && technique === goal)).map((request) => requestText(request, name)))
        .filter((clash) => clash.length > 0);
      return clashes.length > 0
        ? `it clashes with ${clashes.map((clash) => listed(clash)).join('; that settled, with ')}`
        : 'no course like this has room for it';
    }
  }
}

/** A share of the people under which it is said before anything good, where none is asked for. */
const MANY_READY = 0.8;

/** How many will be ready for something, as far as it is said whether that is few. */
interface Ready {
  readonly name: string;
  /** Whether it is a goal. */
  readonly goal: boolean;
  readonly people: number;
  readonly expected: number;
  /** The percent that are asked for. */
  readonly share: number | null;
}

/**
 * For which goals fewer will be ready than are asked for, or than many; null where that is none.
 * @example fewReadyText([{ name: '4:7:8', goal: true, people: 14, expected: 5.2, share: null }]) // "About 5 of 14 will be ready for 4:7:8."
 */
export function fewReadyText(ready: readonly Ready[]): string | null {
  const few = ready.filter(
    ({ goal, people, expected, share }) => goal && people > 0 && expected / people < (share === null ? MANY_READY : share / 100) - 1e-9,
  );
  if (few.length === 0) return null;
  const worst = few.reduce((least, one) => (one.expected / one.people < least.expected / least.people ? one : least));
  const others = few.filter((one) => one !== worst).map(({ name }) => name);
  return `About ${Math.round(worst.expected)} of ${worst.people} will be ready for ${worst.name}${others.length > 0 ? `, and not enough for ${listed(others)}` : ''}.`;
}
