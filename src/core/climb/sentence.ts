import { formatPattern, mustParsePattern, parsePattern } from '../pattern';
import { trimNumber } from '../units';
import { GROWTH_LIMITS, GUARDS } from './limits';
import { patternPath, shiftedPattern } from './path';
import { mostAfterAWeek } from './steps';
import { daysOf, readStretch, stepEvery, stretchDays, stepsIn, stretchText, times, type Rhythm, type Stretch } from './stretch';

/** What grows: a pattern (counts, base, layers and pumps along their steps), holds in seconds, rounds, minutes, or the lying rest. */
export const CLIMB_KINDS = ['pattern', 'hold', 'rounds', 'minutes', 'rest'] as const;
export type ClimbKind = (typeof CLIMB_KINDS)[number];

/** A climb as a sentence with blanks, as they are typed; an empty one is solved. */
export interface Sentence {
  readonly kind: ClimbKind;
  readonly from: string;
  readonly to: string;
  readonly step: string;
  readonly every: string;
  readonly over: string;
}

export type Blank = Exclude<keyof Sentence, 'kind'>;
export const BLANKS: readonly Blank[] = ['from', 'to', 'step', 'every', 'over'];

/** What a guard says of a climb: a sentence, and whether it holds. */
export interface Guarded {
  readonly holds: boolean;
  readonly text: string;
}

/** A change of one blank that makes a climb arrive. */
export interface ClimbMend {
  readonly blank: Blank;
  /** What the blank would say. */
  readonly value: string;
  readonly guard: Guarded;
}

export type Climbed =
  | { readonly is: 'unread'; readonly blank: Blank; readonly text: string }
  /** More than one blank is empty: there is nothing to work out yet. */
  | { readonly is: 'open'; readonly empty: readonly Blank[] }
  | { readonly is: 'impossible'; readonly text: string }
  /** All of it fits; what was empty is filled. */
  | {
      readonly is: 'solved';
      readonly sentence: Sentence;
      readonly filled: Blank | null;
      readonly days: number;
      /** The time after which it is there, where that is before its time is over. */
      readonly early: string | null;
      readonly guard: Guarded;
      readonly stairs: readonly string[];
    }
  /** All blanks are filled and do not fit together. */
  | { readonly is: 'short'; readonly sum: string; readonly mends: readonly ClimbMend[]; readonly stairs: readonly string[] };

/** An amount of what grows, in its own unit: minutes, seconds or rounds; null where it does not read. @example readAmount('minutes', '1 min 30 s') // 1.5 */
export function readAmount(kind: ClimbKind, text: string): number | null {
  const plain = text.trim().toLowerCase().replaceAll(',', '.');
  const minutes = /^(?:(\d+(?:\.\d+)?)\s*(?:min|minutes?))?\s*(?:(\d+(?:\.\d+)?)\s*(?:s|sec|seconds?))?$/.exec(plain);
  const bare = /^\d+(?:\.\d+)?$/.test(plain) ? Number(plain) : null;
  if (kind === 'rounds') {
    const rounds = /^(\d+)(?:\s*rounds?)?$/.exec(plain);
    return rounds ? Number(rounds[1]) : null;
  }
  if (bare !== null) return bare;
  if (!minutes || plain === '') return null;
  const seconds = Number(minutes[1] ?? 0) * 60 + Number(minutes[2] ?? 0);
  return kind === 'hold' ? seconds : seconds / 60;
}

/** @example amountText('minutes', 1.6667) // "1 min 40 s" */
function amountText(kind: ClimbKind, amount: number): string {
  if (kind === 'rounds') return Math.round(amount) === 1 ? '1 round' : `${trimNumber(amount)} rounds`;
  if (kind === 'hold') return `${trimNumber(amount)} s`;
  const seconds = Math.round(amount * 60);
  const [min, s] = [Math.floor(seconds / 60), seconds % 60];
  return s === 0 ? `${min} min` : min === 0 ? `${s} s` : `${min} min ${s} s`;
}

/**
 * Works out the one blank that is empty, or says whether all of them fit together.
 * @example solveClimb({ kind: 'minutes', from: '5 min', to: '', step: '1 min', every: 'month', over: '6 months' }, rhythm) // to: "11 min"
 * @example solveClimb({ kind: 'minutes', from: '5 min', to: '15 min', step: '1 min', every: 'month', over: '6 months' }, rhythm).sum // "5 + 6 × 1 = 11, not 15"
 */
export function solveClimb(sentence: Sentence, rhythm: Rhythm): Climbed {
  return inLimits(solvedAlone(sentence, rhythm), sentence, rhythm);
}

function solvedAlone(sentence: Sentence, rhythm: Rhythm): Climbed {
  const empty = BLANKS.filter((blank) => sentence[blank].trim() === '');
  const read = sentence.kind === 'pattern' ? patternOf(sentence) : amountsOf(sentence);
  if ('blank' in read) return { is: 'unread', ...read };
  if (empty.length > 1) return { is: 'open', empty };
  const [every, over] = [stretchOf(sentence, 'every'), stretchOf(sentence, 'over', rhythm.week)];
  if (every === 'unread' || over === 'unread')
    return { is: 'unread', blank: every === 'unread' ? 'every' : 'over', text: 'A time such as 2 weeks, month or 3 classes.' };
  return read.solve(every, over, empty[0] ?? null, { sentence, rhythm });
}

/** What is offered can be taken: it fits, no longer than a course has, and inside the guards where anything is. */
function inLimits(found: Climbed, sentence: Sentence, rhythm: Rhythm): Climbed {
  const tooLong = (over: string) => rhythm.mostWeeks !== undefined && (stretchDays(over, rhythm) ?? 0) > rhythm.mostWeeks * 7;
  if (found.is === 'solved' && found.filled === 'over' && tooLong(found.sentence.over))
    return { is: 'impossible', text: `It takes ${found.sentence.over}, and a course has at most ${rhythm.mostWeeks} weeks.` };
  if (found.is === 'solved' && found.filled && solvedAlone(found.sentence, rhythm).is !== 'solved')
    return { is: 'impossible', text: 'It would lead further than anything here goes.' };
  if (found.is !== 'short') return found;
  const fits = found.mends.filter(
    ({ blank, value }) => !(blank === 'over' && tooLong(value)) && solvedAlone({ ...sentence, [blank]: value }, rhythm).is === 'solved',
  );
  const inside = fits.filter(({ guard }) => guard.holds);
  return { ...found, mends: inside.length > 0 ? inside : fits };
}

function stretchOf(sentence: Sentence, blank: 'every' | 'over', week?: number): Stretch | null | 'unread' {
  if (sentence[blank].trim() === '') return null;
  return readStretch(sentence[blank], week) ?? 'unread';
}

interface Asked {
  readonly sentence: Sentence;
  readonly rhythm: Rhythm;
}
type Solve = (every: Stretch | null, over: Stretch | null, empty: Blank | null, asked: Asked) => Climbed;
interface Unread {
  readonly blank: Blank;
  readonly text: string;
}

function patternOf({ from, to, step }: Sentence): { readonly solve: Solve } | Unread {
  for (const [blank, text] of [
    ['from', from],
    ['to', to],
  ] as const)
    if (text.trim() !== '' && !parsePattern(text).ok) return { blank, text: 'A pattern such as 4:5 or 4:4:4.' };
  const counts = step.trim() === '' ? null : /^(?:one|(\d+))(?:\s*(?:counts?|steps?|layers?))?$/i.exec(step.trim());
  if (step.trim() !== '' && !counts) return { blank: 'step', text: 'How many counts at once, such as one count.' };
  // No course grows by more at once, so that no time that is worked out for it would be true.
  if (counts && Number(counts[1] ?? 1) !== GROWTH_LIMITS.counts) return { blank: 'step', text: 'One count at a time.' };
  const plain = (text: string) => formatPattern(mustParsePattern(text));
  return {
    solve: (every, over, empty, { sentence, rhythm }) => {
      const fill = (blank: Blank, value: string): Climbed => patternSolved({ ...sentence, [blank]: value }, blank, rhythm);
      const steps = every && over ? stepsIn(every, over, rhythm) : 0;
      if (empty === 'from' || empty === 'to') {
        if (steps === 0) return NO_STEP;
        const value = shiftedPattern(plain(empty === 'to' ? from : to), empty === 'to' ? steps : -steps);
        if (value !== null) return fill(empty, value);
        const text =
          empty === 'to'
            ? 'These counts do not grow so far by themselves: say where they should arrive.'
            : 'There is no such pattern so many steps below.';
        return { is: 'impossible', text };
      }
      const path = patternPath(plain(from), plain(to));
      if (!path) return { is: 'impossible', text: `${plain(from)} does not grow into ${plain(to)} step by step.` };
      const needed = path.length - 1;
      if (needed === 0) return { is: 'impossible', text: 'It is there already.' };
      if (empty === 'over') return fill('over', stretchText(times(every!, needed)));
      if (empty === 'every') return everyFilled(over!, needed, rhythm, (value) => fill('every', value));
      if (steps >= needed) return empty === 'step' ? fill('step', ONE_COUNT) : patternSolved(sentence, null, rhythm);
      const whole = { ...sentence, step: ONE_COUNT };
      const mend = (blank: Blank, value: string): ClimbMend => ({ blank, value, guard: patternGuard({ ...whole, [blank]: value }, rhythm) });
      return {
        is: 'short',
        sum: `${plain(from)} and ${steps === 1 ? 'one step' : `${steps} steps`} make ${path[steps]}, not ${plain(to)}`,
        mends: [
          mend('to', path[steps]),
          mend('from', path[needed - steps]),
          mend('over', stretchText(times(every!, needed))),
          mend('every', stretchText(stepEvery(over!, needed))),
        ],
        stairs: path,
      };
    },
  };
}

const ONE_COUNT = 'one count';

/** How often a step comes, where so many fit. */
function everyFilled(over: Stretch, needed: number, rhythm: Rhythm, fill: (value: string) => Climbed): Climbed {
  const every = stepEvery(over, needed);
  return stepsIn(every, over, rhythm) < needed
    ? {
        is: 'impossible',
        text: `It takes ${needed} steps, more than there are ${over.unit === 'class' ? 'classes' : 'days'} in ${stretchText(over)}.`,
      }
    : fill(stretchText(every));
}

function patternSolved(sentence: Sentence, filled: Blank | null, rhythm: Rhythm): Climbed {
  const [from, to] = [sentence.from, sentence.to].map((text) => formatPattern(mustParsePattern(text)));
  const path = patternPath(from, to);
  if (!path) return { is: 'impossible', text: `${from} does not grow into ${to} step by step.` };
  return solvedIn(sentence, filled, path, patternGuard(sentence, rhythm), rhythm);
}

/** A sentence that fits, with how long it takes: less than it has, where it is there before. */
function solvedIn(sentence: Sentence, filled: Blank | null, stairs: readonly string[], guard: Guarded, rhythm: Rhythm): Climbed {
  const every = readStretch(sentence.every)!;
  const over = readStretch(sentence.over, rhythm.week);
  const [takes, days] = [times(every, stairs.length - 1), daysOf(every, rhythm) * (stairs.length - 1)];
  const early = over !== null && days < daysOf(over, rhythm) - 1 ? stretchText(takes) : null;
  return { is: 'solved', sentence, filled, days: Math.round(days), early, guard, stairs };
}

/** Two classes on each step. */
function patternGuard({ every }: Sentence, rhythm: Rhythm): Guarded {
  const { classesOnAStep } = rhythm.guards ?? GUARDS;
  return twoClasses(readStretch(every), rhythm) ?? { holds: true, text: `one count a step, ${classesOnAStep} classes or more on each` };
}

function twoClasses(every: Stretch | null, rhythm: Rhythm): Guarded | null {
  if (!every) return null;
  const classes = (daysOf(every, rhythm) / 7) * rhythm.classesAWeek;
  const { classesOnAStep } = rhythm.guards ?? GUARDS;
  return classes + 1e-9 < classesOnAStep ? { holds: false, text: `fewer than ${classesOnAStep} classes on a step` } : null;
}

function amountsOf(sentence: Sentence): { readonly solve: Solve } | Unread {
  const { kind } = sentence;
  const known: Partial<Record<Blank, number>> = {};
  for (const blank of ['from', 'to', 'step'] as const) {
    if (sentence[blank].trim() === '') continue;
    const amount = readAmount(kind, sentence[blank]);
    if (amount === null || amount > 600) return { blank, text: `Such as ${EXAMPLE[kind]}.` };
    if (blank === 'step' && amount <= 0) return { blank, text: 'A step is more than nothing.' };
    known[blank] = amount;
  }
  const { from, to, step } = known;
  if (from !== undefined && to !== undefined && to <= from) return { blank: 'to', text: 'Where it arrives is more than where it begins.' };
  const say = (amount: number) => amountText(kind, amount);
  return {
    solve: (every, over, empty, { rhythm }) => {
      const fill = (blank: Blank, value: string): Climbed => amountSolved({ ...sentence, [blank]: value }, blank, rhythm);
      const steps = every && over ? stepsIn(every, over, rhythm) : 0;
      if (empty === 'to') return steps === 0 ? NO_STEP : fill('to', say(from! + steps * step!));
      if (empty === 'from') {
        if (steps === 0) return NO_STEP;
        const start = to! - steps * step!;
        return start < 0 || (start === 0 && kind !== 'hold')
          ? { is: 'impossible', text: `${say(steps * step!)} more than it began with is over ${say(to!)}.` }
          : fill('from', say(start));
      }
      if (empty === 'step') return steps === 0 ? NO_STEP : fill('step', say(roundedUp(kind, (to! - from!) / steps)));
      const needed = Math.ceil((to! - from!) / step! - 1e-9);
      if (empty === 'over') return fill('over', stretchText(times(every!, needed)));
      if (empty === 'every') return everyFilled(over!, needed, rhythm, (value) => fill('every', value));
      const arrives = from! + steps * step!;
      if (arrives >= to! - 1e-9) return amountSolved(sentence, null, rhythm);
      const mend = (blank: Blank, value: string): ClimbMend => ({ blank, value, guard: amountGuard({ ...sentence, [blank]: value }, rhythm) });
      const start = to! - steps * step!;
      return {
        is: 'short',
        sum: `${trimNumber(from!)} + ${steps} × ${trimNumber(step!)} = ${trimNumber(arrives)}, not ${trimNumber(to!)}`,
        mends: [
          mend('to', say(arrives)),
          ...(steps > 0 ? [mend('step', say(roundedUp(kind, (to! - from!) / steps)))] : []),
          ...(start > 0 ? [mend('from', say(start))] : []),
          mend('over', stretchText(times(every!, needed))),
          mend('every', stretchText(stepEvery(over!, needed))),
        ],
        stairs: Array.from({ length: steps + 1 }, (_, index) => say(from! + index * step!)),
      };
    },
  };
}

const EXAMPLE: Readonly<Record<ClimbKind, string>> = {
  pattern: '4:5',
  hold: '4 s',
  rounds: '9 rounds',
  minutes: '5 min or 1 min 40 s',
  rest: '10 min',
};
const NO_STEP: Climbed = { is: 'impossible', text: 'No step fits into this time.' };

/** A step that surely arrives: whole rounds, whole seconds. */
function roundedUp(kind: ClimbKind, amount: number): number {
  const unit = kind === 'minutes' || kind === 'rest' ? 60 : 1;
  return Math.ceil(amount * unit - 1e-6) / unit;
}

function amountSolved(sentence: Sentence, filled: Blank | null, rhythm: Rhythm): Climbed {
  const { kind } = sentence;
  const [from, to, step] = (['from', 'to', 'step'] as const).map((blank) => readAmount(kind, sentence[blank])!);
  const steps = Math.ceil((to - from) / step - 1e-9);
  const stairs = Array.from({ length: steps + 1 }, (_, index) => amountText(kind, Math.min(to, from + index * step)));
  return solvedIn(sentence, filled, stairs, amountGuard(sentence, rhythm), rhythm);
}

/** What the guard of an amount says: minutes and rounds by the week, holds and rest by the step. */
function amountGuard(sentence: Sentence, rhythm: Rhythm): Guarded {
  const guards = rhythm.guards ?? GUARDS;
  const { kind } = sentence;
  const every = readStretch(sentence.every);
  const [from, to, step] = (['from', 'to', 'step'] as const).map((blank) => readAmount(kind, sentence[blank]) ?? 0);
  const days = every ? daysOf(every, rhythm) : 7;
  const weeks = Math.min(1 + GROWTH_LIMITS.savedWeeks, Math.max(1, Math.floor((days + 1e-9) / 7)));
  if (kind === 'rest')
    return step > guards.restMinutes
      ? { holds: false, text: `rest grows by at most ${guards.restMinutes} minutes a step` }
      : { holds: true, text: `within ${guards.restMinutes} minutes a step` };
  if (kind === 'hold') {
    const most = Math.max(GROWTH_LIMITS.holdSeconds, from * GROWTH_LIMITS.secondsShare);
    if (step > most + 1e-9) return { holds: false, text: `a hold grows by at most ${trimNumber(most)} s a step from ${trimNumber(from)} s` };
    return (
      twoClasses(every, rhythm) ?? {
        holds: true,
        text: `at most ${trimNumber(most)} s a step, ${guards.classesOnAStep} classes or more on each`,
      }
    );
  }
  const minute = kind === 'rounds' ? (rhythm.roundMs ?? 0) : 60_000;
  if (minute === 0) return { holds: true, text: 'what a round takes decides; it is checked in the course' };
  // The first step is the hardest: later a fifth of what it is by then is more.
  for (let now = from; now < to - 1e-9; now += step) {
    let most = now * minute;
    for (let week = 0; week < weeks; week += 1) most = mostAfterAWeek(most, guards);
    const next = Math.min(to, now + step);
    // Less than a week between two steps shares what a week allows.
    const allowed = days < 7 - 1e-9 ? now * minute + ((most - now * minute) * days) / 7 : most;
    if (next * minute > allowed + 1)
      return { holds: false, text: `${amountText(kind, now)} grows to at most ${trimNumber(allowed / 60_000)} minutes by then` };
  }
  return {
    holds: true,
    text: `within the guard of ${guards.weekMinutes === 1 ? 'a minute' : `${trimNumber(guards.weekMinutes)} minutes`}, or ${Math.round(guards.weekShare * 100)} %, a week`,
  };
}
