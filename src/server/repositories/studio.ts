import { GUARDS, type Guards } from '@/core/climb';
import { DEFAULT_SCHOOLS, type StudioSchools } from '@/core/conventions';
import { DEFAULT_SHEET, type SheetOptions } from '@/core/cues';
import type { Closure } from '@/core/course';
import type { House } from '@/core/instructions';
import { changedRulebook, type RuleChange } from '@/core/screening';
import { isoDate, millis, type Millis } from '@/core/units';
import type { Actor, Clock, Staff } from '../auth/actors';
import type { EntityManager } from '../db/orm';
import { readRow, readRows } from '../db/read';
import { add, claim, remove } from '../db/write';
import { once, onceOutside, type Desk, type Writing } from '../desk';
import { untilChanged } from '../untilChanged';
import { ClosureRow, RulebookRow, StudioRow } from '../db/rows';
import { knownId, Refusal } from '../errors';
import { library } from './library';

export interface Conventions extends House {
  readonly name: string;
  readonly zone: string;
  readonly tempo: Millis;
  /** How cue sheets speak, in the studio's schools. */
  readonly speech: SheetOptions;
  /** The studio's changes of the shipped rulebook, at their newest version. */
  readonly ruleChanges: readonly RuleChange[];
  /** Whether forms that are missing or run out are asked for without anybody's doing. */
  readonly asksByItself: boolean;
  /** Whether the first steps were put away. */
  readonly stepsAway: boolean;
  /** How fast things grow here, and when a climb goes on. */
  readonly guards: Guards;
  readonly version: number;
}

export function conventions(desk: Desk<Actor>): Promise<Conventions> {
  return once(desk, 'conventions', () => untilChanged(desk, 'conventions', ['studio'], conventionsNow));
}

async function conventionsNow(desk: Desk<Actor>): Promise<Conventions> {
  const [studio, versions, all] = await Promise.all([readRow(desk, StudioRow, { id: desk.who.studio }), rulebookVersions(desk), library(desk)]);
  const row = studio!;
  const ruleChanges = versions.at(-1)?.changes ?? [];
  const { name, zone, tempo, naturalBreath, speech, version, asksByItself, stepsAway } = row;
  const schools: StudioSchools = { studio: { ...DEFAULT_SCHOOLS, ...row.schools.studio }, own: row.schools.own ?? {} };
  return {
    name,
    zone,
    tempo: millis(tempo),
    naturalBreath: millis(naturalBreath),
    library: all,
    speech: { ...DEFAULT_SHEET, ...speech, schools },
    schools,
    ruleChanges,
    rulebook: changedRulebook(ruleChanges),
    asksByItself,
    stepsAway,
    guards: { ...GUARDS, ...row.guards },
    version,
  };
}

/** The conventions of today with the rulebook as it stood at a moment. */
export async function conventionsAsOf(desk: Desk, asOf: Date): Promise<Conventions> {
  const [studio, versions] = await Promise.all([conventions(desk), rulebookVersions(desk)]);
  const ruleChanges = versions.findLast(({ savedAt }) => new Date(savedAt) <= asOf)?.changes ?? [];
  return { ...studio, ruleChanges, rulebook: changedRulebook(ruleChanges) };
}

/** What a studio decides about itself. */
export interface StudioChange {
  readonly tempo?: number;
  readonly naturalBreath?: number;
  readonly speech?: Omit<SheetOptions, 'schools'>;
  readonly schools?: StudioSchools;
  readonly asksByItself?: boolean;
  readonly stepsAway?: boolean;
  readonly guards?: Guards;
}

/** Changes what a studio decided, at the version it was seen at. */
export async function changeStudio(at: Writing<Staff>, seen: number, to: StudioChange): Promise<void> {
  await claim(at, StudioRow, at.who.studio, seen, to);
}

export async function addStudio(
  at: Writing,
  studio: { readonly name: string; readonly zone: string; readonly speech: Omit<SheetOptions, 'schools'> },
): Promise<void> {
  await at.em.insert(StudioRow, {
    id: at.who.studio,
    ...studio,
    tempo: 1000,
    naturalBreath: 4000,
    schools: {},
    guards: {},
    asksByItself: false,
    stepsAway: false,
    version: 1,
  });
}

/** Every version of the studio's changes of the rulebook, oldest first. */
export function rulebookVersions(desk: Desk<Actor>) {
  return once(desk, 'rulebook', () => readRows(desk, RulebookRow, {}, { orderBy: { number: 'asc' } }));
}

/** Saves the version after the one that was seen; another one of the same number is a clash. */
export async function addRulebookVersion(at: Writing<Staff>, seen: number, changes: readonly RuleChange[]): Promise<number> {
  const newest = (await rulebookVersions(at)).at(-1)?.number ?? 0;
  if (newest !== seen) throw new Refusal('clash');
  await add(at, RulebookRow, { id: at.newId(), number: seen + 1, changes, savedBy: at.who.id, savedAt: at.now });
  return seen + 1;
}

export type StudioClosure = Closure & { readonly id: string };

export async function closures(desk: Desk<Actor>): Promise<StudioClosure[]> {
  const rows = await onceOutside(desk, 'closures', () => readRows(desk, ClosureRow, {}, { orderBy: { from: 'asc' } }));
  return rows.map(({ id, from, until, reason }) => ({ id, from: isoDate(from), until: isoDate(until), reason }));
}

export async function addClosure(
  at: Writing,
  ...all: readonly { readonly from: string; readonly until: string; readonly reason: string }[]
): Promise<void> {
  if (all.length > 0) await add(at, ClosureRow, ...all.map((closure) => ({ id: at.newId(), ...closure })));
}

export async function removeClosure(at: Writing, id: string): Promise<void> {
  if ((await remove(at, ClosureRow, { id: knownId(id) })) === 0) throw new Refusal('not-found', 'These days are open already.');
}

/** The clock of a studio, and whether it asks for forms by itself; null when there is no such studio. */
export async function studioClock(em: EntityManager, id: string): Promise<{ readonly who: Clock; readonly asksByItself: boolean } | null> {
  const row = await em.findOne(StudioRow, { id });
  return row && { who: { as: 'clock', studio: row.id, studioName: row.name, zone: row.zone }, asksByItself: row.asksByItself };
}

/** The studios that want their forms asked for, each as its clock. */
export async function studiosThatAsk(em: EntityManager): Promise<Clock[]> {
  const rows = await em.find(StudioRow, { asksByItself: true });
  return rows.map(({ id, name, zone }) => ({ as: 'clock', studio: id, studioName: name, zone }));
}

/** Every studio, as its clock. */
export async function studioClocks(em: EntityManager): Promise<Clock[]> {
  const rows = await em.find(StudioRow, {}, { filters: false });
  return rows.map(({ id, name, zone }) => ({ as: 'clock', studio: id, studioName: name, zone }));
}

/** Whether there is any studio yet. */
export async function anyStudio(em: EntityManager): Promise<boolean> {
  return (await em.count(StudioRow)) > 0;
}
