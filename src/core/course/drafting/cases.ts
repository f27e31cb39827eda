import type { Model, Task } from './model';

/** A drafting problem as a plain file has it: see docs/drafting.md. */
export interface CaseFile {
  readonly frame: Readonly<Record<'arrive' | 'movement' | 'movementFrom' | 'clearNose' | 'settle' | 'rest' | 'close', number>>;
  readonly techniques: Readonly<
    Record<
      string,
      {
        readonly ms: number;
        readonly settle: number;
        readonly hours: string;
        readonly nature: 'activating' | 'even' | 'calming';
        readonly side: number;
        readonly rung: number;
        readonly family: string;
      }
    >
  >;
  /** needs, to, classes, days */
  readonly edges: readonly (readonly [string, string, number, number])[];
  readonly instances: readonly Case[];
}

export interface Case {
  readonly id: string;
  readonly dates: readonly string[];
  /** m, d or e by class. */
  readonly hours: string;
  readonly minutes: readonly number[];
  readonly already: readonly string[];
  /** Techniques nobody may do. */
  readonly banned: readonly string[];
  /** Families nobody is qualified to teach. */
  readonly unqualified: readonly string[];
  /** Techniques that wait for the director to say that the group is settled. */
  readonly unsettled?: readonly string[];
  readonly goals: readonly {
    readonly v: string;
    readonly r: number;
    /** The last day it may be reached on; any where it is not said. */
    readonly by?: string;
    /** Its climb, expanded: n classes on the step below, d days since that began; open by class, false where nobody may do that step. */
    readonly steps?: readonly {
      readonly ms: number;
      readonly fresh: number;
      readonly n: number;
      readonly d: number;
      readonly at?: string;
      readonly open?: readonly boolean[];
      /** For one class and no more. */
      readonly once?: number;
      /** What it is, for whoever reads of it. */
      readonly way?: { readonly pattern: string; readonly dose: string };
    }[];
  }[];
  /** What stands in past and published classes, with the step it was done on where that is not the first; null for an open one. */
  readonly fixed: readonly (readonly (string | readonly [technique: string, step: number])[] | null)[];
  /** By technique and class: false where nobody of the cohort may do it. */
  readonly open?: Readonly<Record<string, readonly boolean[]>>;
  readonly pins: readonly (readonly [number, string])[];
  readonly most: number;
  /** The weeks it has from a first day, and the days that classes could fall on after them; by its weekdays where it is not said. */
  readonly further?: { readonly firstDate: string; readonly weeks: number; readonly dates: readonly string[] };
  readonly best?: { readonly status: string; readonly dropped: number; readonly sum: number };
}

const stepped = (held: string | readonly [string, number]): readonly [string, number] => (typeof held === 'string' ? [held, 0] : held);

const DAY_MS = 86_400_000;
const MINUTE_MS = 60_000;

/** A case as the search takes it: what its goals and pins stand on, in an order from the ground up. */
export function modelOf(file: CaseFile, one: Case): Model {
  const { frame, techniques } = file;
  const needsOf = new Map<string, (readonly [string, number, number])[]>();
  for (const [needs, to, classes, days] of file.edges) needsOf.set(to, [...(needsOf.get(to) ?? []), [needs, classes, days]]);
  const already = new Set<string>();
  const close = (id: string): void => {
    if (already.has(id)) return;
    already.add(id);
    for (const [needs] of needsOf.get(id) ?? []) close(needs);
  };
  one.already.forEach(close);
  const ids: string[] = [];
  const seen = new Set<string>();
  const want = (id: string): void => {
    if (seen.has(id)) return;
    seen.add(id);
    if (!already.has(id)) for (const [needs] of needsOf.get(id) ?? []) want(needs);
    ids.push(id);
  };
  for (const { v } of one.goals) want(v);
  for (const [, id] of one.pins) want(id);
  // What is known already can fill a class.
  for (const id of already) if (techniques[id]) want(id);
  // What was taught in a fixed class is known from then on.
  for (const held of one.fixed) for (const [id] of (held ?? []).map(stepped)) if (techniques[id]) want(id);
  const index = new Map(ids.map((id, at) => [id, at]));
  const barred = new Set([...one.banned, ...(one.unsettled ?? [])]);
  const untaught = new Set(one.unqualified);
  const bare = ids.map((id): Omit<Task, 'mostNeeded' | 'longestWait'> => {
    const { ms, settle, hours, side, family } = techniques[id];
    const known = already.has(id);
    const chain = one.goals.find(({ v }) => v === id)?.steps;
    const allowed = (open: readonly boolean[] | undefined) =>
      [...one.hours].map((hour, at) => (hour === '*' || hours.includes(hour)) && !barred.has(id) && !untaught.has(family) && (open?.[at] ?? true));
    return {
      id,
      family,
      already: known,
      side: side > 0,
      steps: (chain ?? [{ ms, fresh: 0, n: 0, d: 0, once: 0, open: undefined }]).map((step) => ({
        ms: step.ms + settle * frame.settle * MINUTE_MS,
        isNew: step.fresh > 0,
        classes: step.n,
        days: step.d,
        once: (step.once ?? 0) > 0,
        allowed: allowed(step.open ?? one.open?.[id]),
      })),
      over: (needsOf.get(id) ?? []).flatMap(([needs]) => index.get(needs) ?? []),
      needs: known ? [] : (needsOf.get(id) ?? []).map(([needs, classes, days]) => ({ task: index.get(needs)!, classes, days })),
    };
  });
  const asked = (task: number) => bare.flatMap(({ needs }) => needs.filter((need) => need.task === task));
  const tasks = bare.map((task, at) => ({
    ...task,
    mostNeeded: Math.max(0, ...asked(at).map(({ classes }) => classes)),
    longestWait: Math.max(0, ...asked(at).map(({ days }) => days)),
  }));
  // What was climbed for a goal that is not asked for any more stands on the one step there is.
  const stepIn = (task: number, step: number) => Math.min(step, tasks[task].steps.length - 1);
  const classes = one.dates.map((date, at) => {
    const minutes = one.minutes[at];
    const moved = minutes >= frame.movementFrom;
    const around = frame.arrive + frame.rest + frame.close + (moved ? frame.movement : 0);
    return {
      day: Math.round(Date.parse(date) / DAY_MS),
      room: (minutes - around) * MINUTE_MS,
      sideRoom: (frame.clearNose + (moved ? 0 : frame.movement)) * MINUTE_MS,
      fixed:
        one.fixed[at]?.map(stepped).flatMap(([id, step]) => (index.has(id) ? [[index.get(id)!, stepIn(index.get(id)!, step)] as const] : [])) ?? null,
      pins: one.pins.filter(([where]) => where === at).map(([, id]) => index.get(id)!),
    };
  });
  return {
    tasks,
    classes,
    goals: one.goals.map(({ v, r, by }) => ({
      task: index.get(v)!,
      times: r,
      before: by === undefined ? one.dates.length : one.dates.filter((date) => date <= by).length,
    })),
    most: one.most,
  };
}
