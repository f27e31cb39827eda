import { DEFAULT_SCHOOLS, type StudioSchools } from '@/core/conventions';
import type { SheetOptions } from '@/core/cues';
import type { Closure } from '@/core/course';
import { changedRulebook, type RuleChange, type Rulebook } from '@/core/screening';
import { isoDate, millis, type Millis } from '@/core/units';
import { readRow, readRows } from '../db/read';
import { once, type Desk } from '../desk';
import { ClosureRow, RulebookRow, StaffRow, StudioRow, type Qualification, type Role } from '../db/rows';
import { Refusal } from '../errors';

/** The condition that keeps every query inside the signed-in person's studio. */
export function ours(desk: Desk): { readonly studio: string } {
  return { studio: desk.who.studio };
}

export interface Conventions {
  readonly name: string;
  readonly zone: string;
  readonly tempo: Millis;
  readonly naturalBreath: Millis;
  /** How cue sheets speak, in the studio's schools. */
  readonly speech: SheetOptions;
  readonly schools: StudioSchools;
  /** The studio's changes of the shipped rulebook, at their newest version. */
  readonly ruleChanges: readonly RuleChange[];
  readonly rulebook: Rulebook;
  /** Whether forms that are missing or run out are asked for without anybody's doing. */
  readonly asksByItself: boolean;
  readonly version: number;
}

export function conventions(desk: Desk): Promise<Conventions> {
  return once(desk, 'conventions', async () => {
    const [studio, versions] = await Promise.all([readRow(desk, StudioRow, { id: desk.who.studio }), rulebookVersions(desk)]);
    const row = studio!;
    const ruleChanges = versions.at(-1)?.changes ?? [];
    const { name, zone, tempo, naturalBreath, speech, version } = row;
    const schools: StudioSchools = { studio: { ...DEFAULT_SCHOOLS, ...row.schools.studio }, own: row.schools.own ?? {} };
    return {
      name,
      zone,
      tempo: millis(tempo),
      naturalBreath: millis(naturalBreath),
      speech: { ...speech, schools },
      schools,
      ruleChanges,
      rulebook: changedRulebook(ruleChanges),
      asksByItself: Boolean(row.reminders),
      version,
    };
  });
}

/** The conventions of today with the rulebook as it stood at a moment. */
export async function conventionsAsOf(desk: Desk, asOf: Date): Promise<Conventions> {
  const [studio, versions] = await Promise.all([conventions(desk), rulebookVersions(desk)]);
  const ruleChanges = versions.findLast(({ savedAt }) => new Date(savedAt) <= asOf)?.changes ?? [];
  return { ...studio, ruleChanges, rulebook: changedRulebook(ruleChanges) };
}

/** Every version of the studio's changes of the rulebook, oldest first. */
export function rulebookVersions(desk: Desk) {
  return once(desk, 'rulebook', () => readRows(desk, RulebookRow, ours(desk), { orderBy: { number: 'asc' } }));
}

export async function closures(desk: Desk): Promise<(Closure & { readonly id: string })[]> {
  const rows = await readRows(desk, ClosureRow, ours(desk), { orderBy: { from: 'asc' } });
  return rows.map(({ id, from, until, reason }) => ({ id, from: isoDate(from), until: isoDate(until), reason }));
}

export interface StaffMember {
  readonly id: string;
  readonly name: string;
  readonly email: string;
  readonly role: Role;
  readonly qualifications: readonly Qualification[];
  readonly version: number;
}

export function staff(desk: Desk): Promise<StaffMember[]> {
  return once(desk, 'staff', async () => {
    const rows = await readRows(desk, StaffRow, ours(desk), { orderBy: { name: 'asc' } });
    return rows.map(({ id, name, email, role, qualifications, version }) => ({ id, name, email, role, qualifications, version }));
  });
}

/** Staff who may be handed a class. */
export async function teachers(desk: Desk): Promise<StaffMember[]> {
  return (await staff(desk)).filter(({ role }) => role !== 'front desk');
}

/** One of the studio's teachers; refuses anyone else. */
export async function teacher(desk: Desk, id: string): Promise<StaffMember> {
  const found = (await teachers(desk)).find((member) => member.id === id);
  if (!found) throw new Refusal('not-found', 'This teacher is not part of your studio.');
  return found;
}
