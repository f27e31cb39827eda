import { listed } from '../wording';
import { weekOfDay } from './days';
import { neededDays } from './finish';

/** One person's series: by day of the series, whether they did it and whether it was too much; null where it was not theirs. */
export interface Went {
  readonly did: readonly (boolean | null)[];
  readonly strained: readonly boolean[];
}

/** Days in a row without anything after which somebody is lost to a series. */
const LOST_DAYS = 3;
/** From this share of those who did a day on, it was too much. */
const HARD_SHARE = 0.2;

/** The share of people who did each day, of those whose day it was. @example keptUp([{ did: [true, false], strained: [false, false] }]) // [1, 0] */
export function keptUp(all: readonly Went[]): number[] {
  const length = Math.max(0, ...all.map(({ did }) => did.length));
  return Array.from({ length }, (_, day) => {
    const theirs = all.filter(({ did }) => did[day] !== null);
    return theirs.length === 0 ? 0 : theirs.filter(({ did }) => did[day]).length / theirs.length;
  });
}

/**
 * How a series went, and what to change next time, in sentences.
 * @param share of their days after which somebody has finished
 * @param nameOf what is new on a day, from 1; null where nothing is
 */
export function afterwards(all: readonly Went[], length: number, share: number, nameOf: (day: number) => string | null): string[] {
  if (all.length === 0) return ['Nobody took part.'];
  const theirs = ({ did }: Went) => did.filter((one) => one !== null).length;
  const finished = all.filter((one) => theirs(one) > 0 && one.did.filter(Boolean).length >= neededDays(theirs(one), share)).length;
  const whole = all.every((one) => theirs(one) === length);
  const shares = keptUp(all);
  const weeks = [...new Set(shares.map((_, index) => weekOfDay(index + 1)))].map((week) => {
    const own = shares.filter((_, index) => weekOfDay(index + 1) === week);
    return { week, share: own.reduce((sum, one) => sum + one, 0) / own.length };
  });
  const best = weeks.reduce((a, b) => (b.share > a.share ? b : a));
  const worst = weeks.reduce((a, b) => (b.share < a.share ? b : a));
  const percent = (share: number) => `${Math.round(share * 100)} %`;
  // Whoever did a day and then nothing for three was lost after it.
  const lostAfter = shares.map(
    (_, day) =>
      all.filter(({ did }) => did[day] && day + LOST_DAYS < length && did.slice(day + 1, day + 1 + LOST_DAYS).every((one) => one === false)).length,
  );
  const most = Math.max(...lostAfter);
  const lostDay = lostAfter.indexOf(most) + 1;
  const hard = shares.flatMap((_, day) => {
    const did = all.filter((one) => one.did[day]).length;
    const strained = all.filter((one) => one.strained[day]).length;
    return did > 0 && strained / did >= HARD_SHARE ? [day + 1] : [];
  });
  const next = nameOf(lostDay + 1);
  return [
    `${finished} of ${all.length} finished: at least ${whole ? `${neededDays(length, share)} of ${length} days` : `${percent(share)} of the days that were theirs`}.`,
    best.week === worst.week
      ? `${percent(best.share)} of the days were kept up.`
      : `Week ${best.week} was kept up best (${percent(best.share)}), week ${worst.week} least (${percent(worst.share)}).`,
    ...(most > 0
      ? [`Day ${lostDay} was the last for three days or more for ${most === 1 ? 'one person' : `${most} people`}, more than any other.`]
      : []),
    ...(most > 0 && next ? [`Next time: day ${lostDay + 1} brings ${next} in. A gentle day before it, or a live one, may keep them.`] : []),
    ...(hard.length > 0
      ? [
          `Next time: begin ${hard.length === 1 ? 'day' : 'days'} ${listed(hard.map(String))} shorter or a rung lower: ${percent(HARD_SHARE)} or more were strained.`,
        ]
      : []),
  ];
}
