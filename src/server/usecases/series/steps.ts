import { isDeepStrictEqual } from 'node:util';
import { datesOf } from '@/core/series';
import type { IsoDate } from '@/core/units';
import type { KeptSeries, SeriesStep } from '../../repositories/series';

/** The last change of a series, and why it is not taken back where it is not: days that are over stay as they were. */
export function lastStepOf(found: KeptSeries, today: IsoDate): { readonly step: SeriesStep | null; readonly stays: string | null } {
  const step = found.lastStep;
  if (!step) return { step, stays: null };
  const over = (of: Pick<KeptSeries, 'firstDate' | 'days' | 'pauses'>) =>
    datesOf(of).flatMap((date, index) => (date < today ? [[date, of.days[index]]] : []));
  const same = isDeepStrictEqual(over(found), over({ ...found, ...step.was }));
  return { step, stays: same ? null : 'Days that it would change are over: what people practised stays as it was.' };
}
