import { changedRulebook, changeText, isLooser, type RuleChange } from '@/core/screening';
import { stampIn } from '@/core/units';
import { rulebookForm } from '@/forms';
import type { Changed } from '@/views/person';
import type { RulebookNow, RulebookView } from '@/views/rules';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import { inOne, type Desk } from '../../desk';
import { invalid } from '../../errors';
import { cohorts } from '../../repositories/cohorts';
import { members } from '../../repositories/screenings';
import { staffNames } from '../../repositories/staff';
import { addRulebookVersion, conventions, rulebookVersions } from '../../repositories/studio';
import { sessionsAhead } from '../people/ahead';
import { changesOf } from '../people/whatIf';

/** The studio's rulebook: the shipped one with the studio's changes, and every version there was. */
export async function readRulebook(desk: Desk): Promise<RulebookView> {
  authorise(desk.who, 'see reasons');
  const [{ ruleChanges, zone }, versions, nameOf] = await Promise.all([conventions(desk), rulebookVersions(desk), staffNames(desk)]);
  return {
    changes: ruleChanges,
    number: versions.at(-1)?.number ?? 0,
    versions: versions
      .map(({ number, changes, savedBy, savedAt }, index) => ({
        number,
        by: nameOf(savedBy),
        at: stampIn(zone, new Date(savedAt)),
        lines: between(versions[index - 1]?.changes ?? [], changes),
      }))
      .reverse(),
  };
}

/** What one version has that the one before had not, in words. */
function between(before: readonly RuleChange[], after: readonly RuleChange[]): string[] {
  const key = (change: RuleChange) => JSON.stringify(change);
  const [had, has] = [new Set(before.map(key)), new Set(after.map(key))];
  const said = (change: RuleChange) => `${changeText(change)}${isLooser(change) ? `. Looser: ${change.reason}; reviewed by ${change.reviewer}` : ''}`;
  return [
    ...after.filter((change) => !had.has(key(change))).map(said),
    ...before.filter((change) => !has.has(key(change))).map((change) => `taken back: ${changeText(change)}`),
  ];
}

/** Which planned sessions a changed rulebook would change for whom, before it is saved. */
export async function previewRulebook(desk: Desk, input: unknown): Promise<readonly Changed[]> {
  authorise(desk.who, 'see reasons');
  const { changes } = await checkedChanges(input);
  const [studio, sessions, groups] = await Promise.all([conventions(desk), sessionsAhead(desk, null), cohorts(desk)]);
  const then = { ...studio, rulebook: changedRulebook(changes) };
  const changed: Changed[] = [];
  for (const { id, seat } of groups) {
    const own = sessions.filter(({ cohort }) => cohort === id);
    if (own.length === 0) continue;
    const people = await members(desk, id);
    changed.push(
      ...changesOf(
        people.map((person) => ({ was: { person, house: { ...studio, seat } }, then: { person, house: { ...then, seat } } })),
        own,
      ),
    );
  }
  return changed;
}

/** Saves the next version of the studio's changes. Earlier versions stay; decisions follow the newest from now on. */
export async function saveRulebook(desk: Desk, input: unknown): Promise<{ readonly number: number }> {
  authorise(desk.who, 'see reasons');
  const { number, changes } = await checkedChanges(input);
  return inOne(desk, async (at) => ({ number: await addRulebookVersion(at, number, changes) }));
}

/** The newest version, beside what somebody meant to save over it: both versions of a clash. */
export async function compareRulebook(desk: Desk, input: unknown): Promise<RulebookNow> {
  authorise(desk.who, 'see reasons');
  const { changes } = await checkedChanges(input);
  const newest = (await rulebookVersions(desk)).at(-1);
  return { number: newest?.number ?? 0, changes: newest?.changes ?? [], differs: between(changes, newest?.changes ?? []) };
}

async function checkedChanges(input: unknown): Promise<{ number: number; changes: readonly RuleChange[] }> {
  const form = await checked(rulebookForm, input);
  const changes = form.changes as readonly RuleChange[];
  const rules = changes.flatMap((change) => (change.kind === 'change' ? [change.rule] : []));
  if (new Set(rules).size < rules.length) throw invalid({ field: 'changes', message: 'One rule is changed twice: it would contradict itself.' });
  return { number: form.number, changes };
}
