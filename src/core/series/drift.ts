import type { IsoDate } from '../units';
import { kept } from './days';
import { SERIES_LIMITS } from './limits';
import type { CheckIn } from './types';

/** Why somebody seems to be drifting off. */
export interface Drift {
  readonly silentDays: number;
  readonly strained: number;
  readonly easier: number;
  /** The last day they said something on; null where they never did. */
  readonly last: IsoDate | null;
}

/**
 * Whether somebody is drifting off: nothing for three days; or, in the last fourteen of their days, strained twice or the easier version
 * three times.
 * @param dates the days they could practise that are over, from the first
 * @returns null where they are not
 */
export function driftOf(dates: readonly IsoDate[], checkIns: readonly CheckIn[]): Drift | null {
  const last =
    checkIns
      .filter(kept)
      .map(({ date }) => date)
      .sort()
      .at(-1) ?? null;
  const silentDays = dates.filter((date) => last === null || date > last).length;
  const lately = checkIns.filter(({ date }) => date >= (dates.at(-SERIES_LIMITS.lookBackDays) ?? ''));
  const strained = lately.filter(({ felt }) => felt === 'strained').length;
  const easier = lately.filter((one) => one.easier).length;
  const { silentDays: silent, strainedTimes, easierTimes } = SERIES_LIMITS;
  if (silentDays < silent && strained < strainedTimes && easier < easierTimes) return null;
  return { silentDays, strained, easier, last };
}

/** Why, in a few words. @example driftText({ silentDays: 4, strained: 0, easier: 0, last: null }) // "nothing for 4 days" */
export function driftText({ silentDays, strained, easier }: Drift): string {
  const { silentDays: silent, strainedTimes, easierTimes } = SERIES_LIMITS;
  return [
    ...(silentDays >= silent ? [`nothing for ${silentDays} days`] : []),
    ...(strained >= strainedTimes ? [`strained ${strained === 2 ? 'twice' : `${strained} times`}`] : []),
    ...(easier >= easierTimes ? [`took the easier version ${easier} times`] : []),
  ].join(', ');
}
