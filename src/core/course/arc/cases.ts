import type { Alike } from '../../forecast';
import type { Case, CaseFile } from '../drafting';

/** A request for a course worth teaching, as a plain file has it: see docs/arc.md. */

/** How long n units of a technique last: lead + n × unit, in milliseconds. A beginning is at low; nothing goes above top. */
export interface ArcDose extends Measure {
  readonly low: number;
  readonly top: number;
  /** It grows by a multiple of so many units, by one where it is not said; */
  readonly by?: number;
  /** by no more than so many milliseconds at once, */
  readonly most?: number;
  /** and so many days after it last grew, where that is more than the rules ask. */
  readonly every?: number;
}

/** How long n units last: lead + n × unit, in milliseconds. */
export interface Measure {
  readonly unit: number;
  readonly lead: number;
}

/** How fast doses grow: the most at once, by time or by share, whichever is more; and growths in a row before a lighter practice. */
export interface Growth {
  readonly ms: number;
  readonly share: number;
  readonly inARow: number;
  /** After more days than this without practice nothing grows; it is not asked where it is not said. */
  readonly pause?: number;
}

export const GROWTH: Growth = { ms: 60_000, share: 0.2, inARow: 3 };

export interface ArcTechnique extends Omit<CaseFile['techniques'][string], 'ms'> {
  readonly dose: ArcDose;
}

type Range = readonly [least: number, most: number];

/** What stands around the breathing, in minutes: each part from least to most. */
export interface ElasticFrame {
  readonly arrive: Range;
  /** Arriving in the first class of all. */
  readonly first: Range;
  /** Its most is a share of the hour. */
  readonly movement: Range;
  /** From this length on there is movement in every class. */
  readonly movementFrom: number;
  readonly clearNose: number;
  /** After each technique, times its factor. */
  readonly settle: Range;
  /** The ceiling grows from the first to the second, first class to last. */
  readonly rest: Range;
  readonly close: Range;
  /** Closing with talk, while nothing but the basic ones could stand. */
  readonly talk: number;
}

/** Breathing's share of the hour: at first, at its height, in the last class. */
export type Breath = readonly [first: number, height: number, last: number];

/** Whether new things come spread over the weeks or as soon as they can be taught. */
export type Pace = 'spread' | 'soon';

export interface ArcFile {
  readonly frame: ElasticFrame;
  readonly breath: Breath;
  readonly pace?: Pace;
  readonly growth?: Growth;
  readonly techniques: Readonly<Record<string, ArcTechnique>>;
  /** needs, to, classes, days */
  readonly edges: readonly (readonly [string, string, number, number])[];
  readonly instances: readonly ArcCaseOfFile[];
}

/** A practice: technique, step from 0, units. */
export type Held = readonly [technique: string, step: number, units: number];

export interface ArcGoal {
  readonly v: string;
  readonly r: number;
  /** The units it is practised at, at least. */
  readonly dose?: number;
  readonly by?: string;
  /** The share of the people who are to have practised it so often, each with all that it stands on. */
  readonly ready?: number;
  /** The count steps above its first: n classes on the step below, d days since that began; open by class where it matters. */
  readonly steps?: readonly {
    readonly n: number;
    readonly d: number;
    readonly open?: readonly boolean[];
    /** Where its units last otherwise than on the first step. */
    readonly measure?: Measure;
  }[];
}

type AsSoonest = 'id' | 'dates' | 'hours' | 'minutes' | 'already' | 'banned' | 'unqualified' | 'unsettled' | 'open' | 'pins' | 'most';

export interface ArcCase extends Pick<Case, AsSoonest> {
  readonly goals: readonly ArcGoal[];
  /** Past and published classes; null for an open one. */
  readonly fixed: readonly (readonly Held[] | null)[];
  readonly breath?: Breath;
  readonly pace?: Pace;
  /** Who comes, those who come alike together: their chance of coming by class, 1 and 0 where it is known. */
  readonly people?: readonly Alike[];
  /** What stands in open classes already, and what it costs to change each: nothing where a class is empty. */
  readonly stands?: readonly { readonly held: readonly Held[]; readonly costs: number }[];
  readonly best?: {
    readonly dropped: number;
    readonly Q: number;
    readonly J: number;
    readonly bound: number;
    readonly proved: boolean;
    readonly parts: Readonly<Record<'pace' | 'load' | 'spacing' | 'breath' | 'unused' | 'repeat', number>>;
    readonly broken: readonly (readonly [string, number, string | null])[];
  };
  readonly example?: { readonly sessions: readonly (readonly Practice[])[]; readonly purpose: readonly string[] };
}

/** As a file has it: a fixed practice may be a technique alone, on its first step at its lowest dose. */
export interface ArcCaseOfFile extends Omit<ArcCase, 'fixed'> {
  readonly fixed: readonly (readonly (string | Held)[] | null)[];
}

/** A case with its fixed practices written out. */
export const writtenOut = ({ techniques }: Pick<ArcFile, 'techniques'>, one: ArcCaseOfFile): ArcCase => ({
  ...one,
  fixed: one.dates.map(
    (_, at) => one.fixed[at]?.map((held): Held => (typeof held === 'string' ? [held, 0, techniques[held].dose.low] : held)) ?? null,
  ),
});

/** A practice as a draft has it: technique, step from 0, milliseconds. */
export type Practice = readonly [technique: string, step: number, ms: number];

/** The most units that a dose grows by at once: a minute or a fifth. @example mostGrowth({ unit: 16_000, lead: 0, low: 9, top: 36 }, 18) // 3 */
export function mostGrowth(
  { unit, by = 1, most = Infinity }: Pick<ArcDose, 'unit' | 'by' | 'most'>,
  units: number,
  { ms, share }: Growth = GROWTH,
): number {
  const whole = Math.min(Math.max(Math.floor(ms / unit + EPSILON), Math.floor(units * share + EPSILON)), Math.floor(most / unit + EPSILON));
  return whole - (whole % by);
}

const EPSILON = 1e-9;

/** How long the units of a technique last on a step. */
export const measureOf = ({ techniques }: Pick<ArcFile, 'techniques'>, goal: ArcGoal | undefined, id: string, step: number): Measure =>
  (step > 0 ? goal?.steps?.[step - 1]?.measure : undefined) ?? techniques[id].dose;

/** The units that are left where a step is longer: no more time than a growth would make of it. @example unitsAbove(dose, { unit: 20_000, lead: 0 }, 18) // 17 */
export function unitsAbove(below: Measure, above: Measure, units: number, { ms, share }: Growth = GROWTH): number {
  const now = lengthOf(below, units);
  const most = Math.max(now + ms, now * (1 + share));
  let left = units;
  while (left > 1 && lengthOf(above, left) > most + EPSILON) left -= 1;
  return left;
}

/** What is left of a dose in a lighter practice. @example lighterOf(6) // 4 */
export const lighterOf = (units: number): number => Math.floor((units * 3) / 4);

/** The most that somebody who practised before begins at. @example mostAtFirst({ low: 3, top: 10 }) // 6 */
export function mostAtFirst({ low, top, by = 1 }: Pick<ArcDose, 'low' | 'top' | 'by'>): number {
  const above = Math.floor((low + top) / 2) - low;
  return low + above - (above % by);
}

/** How long so many units last, in milliseconds. @example lengthOf({ unit: 19_000, lead: 5_000, low: 4, top: 8 }, 4) // 81_000 */
export const lengthOf = ({ unit, lead }: Pick<ArcDose, 'unit' | 'lead'>, units: number): number => lead + units * unit;

/** Days between two growths. */
export const GROWS_AFTER_DAYS = 7;

/**
 * The request as the search for the soonest course takes it: at the lowest doses, in the shortest frame. A goal's dose is a chain of
 * growths, one a week, with a lighter practice after each three.
 */
export function atLowest(file: ArcFile, one: ArcCase): { readonly file: CaseFile; readonly one: Case } {
  const { frame, techniques } = file;
  // What was taught stands at what it had grown to.
  const lowest = (id: string): number =>
    Math.max(techniques[id].dose.low, ...one.fixed.flatMap((held) => (held ?? []).flatMap(([v, , units]) => (v === id ? [units] : []))));
  const plain: Case = {
    ...one,
    best: undefined,
    fixed: one.fixed.map((held) => held?.map(([id, step]) => [id, one.goals.some(({ v }) => v === id) ? step : 0] as const) ?? null),
    goals: one.goals.map(({ v, r, by, dose, steps = [] }) => ({
      v,
      r,
      by,
      steps: [
        { ms: lengthOf(techniques[v].dose, lowest(v)), fresh: 1, n: 0, d: 0, open: one.open?.[v] },
        ...steps.map(({ n, d, open, measure }) => ({
          ms: lengthOf(measure ?? techniques[v].dose, lowest(v)),
          fresh: 1,
          n,
          d,
          open: open ?? one.open?.[v],
        })),
        ...growths(file, one, v, dose).map(({ units, lighter, never }) => ({
          ms: lengthOf(steps.at(-1)?.measure ?? techniques[v].dose, units),
          fresh: 0,
          n: 1,
          d: lighter ? 0 : Math.max(GROWS_AFTER_DAYS, techniques[v].dose.every ?? 0),
          once: lighter ? 1 : 0,
          open: never ? one.dates.map(() => false) : (steps.at(-1)?.open ?? one.open?.[v]),
        })),
      ],
    })),
  };
  return {
    file: {
      frame: {
        arrive: frame.arrive[0],
        movement: frame.movement[0],
        movementFrom: frame.movementFrom,
        clearNose: frame.clearNose,
        settle: frame.settle[0],
        rest: frame.rest[0],
        close: frame.close[0],
      },
      techniques: Object.fromEntries(Object.entries(techniques).map(([id, { dose, ...rest }]) => [id, { ...rest, ms: lengthOf(dose, lowest(id)) }])),
      edges: file.edges,
      instances: [plain],
    },
    one: plain,
  };
}

interface Grown {
  readonly units: number;
  readonly lighter: boolean;
  readonly never: boolean;
}

/** The doses on the way from what was reached, or from the lowest, to the one that is asked for. */
function growths(file: ArcFile, one: ArcCase, v: string, dose = 0): Grown[] {
  const of = file.techniques[v].dose;
  const had = one.fixed.flatMap((held) => (held ?? []).filter(([id]) => id === v).map(([, , units]) => units));
  // Growths since the last lighter one, of those that were taught.
  let [row, high] = [0, 0];
  for (const units of had) {
    if (high > 0 && units !== high) row = units > high ? row + 1 : 0;
    high = Math.max(high, units);
  }
  const first = had.length > 0 ? Math.max(...had) : one.already.includes(v) ? mostAtFirst(of) : of.low;
  const way: Grown[] = [];
  const { inARow } = file.growth ?? GROWTH;
  for (let units = first; units < dose;) {
    if (row === inARow) {
      way.push({ units: lighterOf(units), lighter: true, never: false });
      row = 0;
    }
    const by = mostGrowth(of, units, file.growth);
    // Where nothing may grow, it is never there.
    units = by > 0 ? Math.min(dose, units + by) : dose;
    way.push({ units, lighter: false, never: by === 0 });
    row += 1;
  }
  return way;
}
