import type { Planning } from '../course';
import type { TechniqueBlock } from '../plan';
import { minutesOf } from './days';
import { gentlest } from './draft';
import { gentleMinutes } from './minutes';
import type { SeriesDay } from './types';

/** One change of a series' days, by hand. */
export type SeriesEdit =
  /** Two days change places; what is live stays on its date. */
  | { readonly do: 'swap'; readonly day: number; readonly with: number }
  /** A day is taken out and put in at another place: those between come so much earlier, or later. What is live stays on its date. */
  | { readonly do: 'move'; readonly day: number; readonly to: number }
  | { readonly do: 'kind'; readonly day: number; readonly kind: SeriesDay['kind'] }
  /** What the day has, one after the other. */
  | { readonly do: 'practice'; readonly day: number; readonly practices: readonly Practised[] };

/** Something that is practised on a day, and for how many minutes. */
interface Practised {
  readonly technique: string;
  readonly pattern: string;
  readonly minutes: number;
}

/** The days after a change; null where there is no such day. @example edited(days, { do: 'swap', day: 3, with: 4 }, planning, newId) */
export function edited(days: readonly SeriesDay[], edit: SeriesEdit, planning: Planning, newId: () => string): readonly SeriesDay[] | null {
  const at = edit.day - 1;
  if (!days[at]) return null;
  const changed = (index: number, to: SeriesDay) => days.map((day, one) => (one === index ? to : day));
  switch (edit.do) {
    case 'swap': {
      const other = days[edit.with - 1];
      if (!other) return null;
      return onTheirDates(
        days.map((day, index) => (index === at ? other : index === edit.with - 1 ? days[at] : day)),
        days,
      );
    }
    case 'move': {
      if (!days[edit.to - 1]) return null;
      const others = days.filter((_, index) => index !== at);
      return onTheirDates([...others.slice(0, edit.to - 1), days[at], ...others.slice(edit.to - 1)], days);
    }
    case 'kind':
      return changed(
        at,
        edit.kind === 'gentle' && days[at].kind !== 'gentle' ? madeGentle(days, at, planning, newId) : { ...days[at], kind: edit.kind },
      );
    case 'practice': {
      const blocks = edit.practices.map(({ technique, pattern, minutes }, index): TechniqueBlock => ({
        id: days[at].blocks[index]?.id ?? newId(),
        kind: 'technique',
        technique,
        pattern,
        dose: `${minutes} min`,
        tempo: planning.tempo,
      }));
      return changed(at, { ...days[at], blocks });
    }
  }
}

/** Days in another order: gentle ones are so wherever they come to stand, and what was live is live on its date still. */
function onTheirDates(days: readonly SeriesDay[], before: readonly SeriesDay[]): readonly SeriesDay[] {
  return days.map((day, index) => ({ ...day, kind: before[index].kind === 'live' ? 'live' : day.kind === 'live' ? 'own' : day.kind }));
}

/** A gentle day keeps to what is gentlest of what came before, for three quarters of its minutes. */
function madeGentle(days: readonly SeriesDay[], at: number, planning: Planning, newId: () => string): SeriesDay {
  const known = [...planning.already, ...days.slice(0, at).flatMap(({ blocks }) => blocks.map(({ technique }) => technique))];
  const technique = gentlest(
    known.filter((id) => planning.basis.library.find(id) !== null),
    planning,
  );
  const { pattern } = planning.taught(technique);
  const dose = `${gentleMinutes(minutesOf(days[at]))} min`;
  return { kind: 'gentle', blocks: [{ id: newId(), kind: 'technique', technique, pattern, dose, tempo: planning.tempo }] };
}

/** The same practice one rung down: what it grew out of, for the same minutes; the natural breath below everything. */
export function easierOf(block: TechniqueBlock, { basis, ladder, taught }: Pick<Planning, 'basis' | 'ladder' | 'taught'>): TechniqueBlock {
  const rung = (id: string) => basis.library.find(id)?.rung ?? 1;
  const below = ladder
    .filter(({ to, needs }) => to === block.technique && basis.library.find(needs) !== null)
    .map(({ needs }) => needs)
    .sort((a, b) => rung(a) - rung(b))[0];
  const technique = below ?? 'natural';
  return { ...block, technique, pattern: taught(technique).pattern };
}
