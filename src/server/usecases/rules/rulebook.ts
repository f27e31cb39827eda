import { changedRulebook, changeText, isLooser, type RuleChange } from '@/core/screening';
import { timeIn, dateIn, dayText } from '@/core/units';
import { rulebookForm } from '@/forms';
import { authorise, may } from '../../auth/permissions';
import { checked } from '../../checked';
import { inOne, type Desk } from '../../desk';
import { RulebookRow } from '../../db/rows';
import { invalid, Refusal } from '../../errors';
import { cohorts, members } from '../../repositories/cohorts';
import { conventions, ours, rulebookVersions, staff } from '../../repositories/studio';
import { changesOf, sessionsAhead, type Changed } from '../people/whatIf';

/** The studio's rulebook: the shipped one with the studio's changes, and every version there was. */
export async function readRulebook(desk: Desk) {
  authorise(desk.who, 'see instructions');
  const [{ ruleChanges, zone }, versions, everyone] = await Promise.all([conventions(desk), rulebookVersions(desk), staff(desk)]);
  return {
    changes: ruleChanges,
    number: versions.at(-1)?.number ?? 0,
    mayChange: may(desk.who.role, 'see reasons'),
    versions: versions
      .map(({ number, changes, savedBy, savedAt }, index) => ({
        number,
        by: everyone.find(({ id }) => id === savedBy)?.name ?? 'somebody who left',
        at: `${dayText(dateIn(zone, savedAt))}, ${timeIn(zone, savedAt)}`,
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
  for (const { id } of groups) {
    const own = sessions.filter(({ cohort }) => cohort === id);
    if (own.length === 0) continue;
    const people = await members(desk, id);
    changed.push(
      ...changesOf(
        people.map((person) => ({ was: { person, pace: studio }, then: { person, pace: then } })),
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
  return inOne(desk, async (at) => {
    const newest = (await rulebookVersions(at)).at(-1)?.number ?? 0;
    if (newest !== number) throw new Refusal('clash');
    await at.em.insert(RulebookRow, { id: at.newId(), ...ours(at), number: number + 1, changes, savedBy: at.who.id, savedAt: at.now });
    return { number: number + 1 };
  });
}

async function checkedChanges(input: unknown): Promise<{ number: number; changes: readonly RuleChange[] }> {
  const form = await checked(rulebookForm, input);
  const changes = form.changes as readonly RuleChange[];
  const rules = changes.flatMap((change) => (change.kind === 'change' ? [change.rule] : []));
  if (new Set(rules).size < rules.length) throw invalid({ field: 'changes', message: 'One rule is changed twice: it would contradict itself.' });
  return { number: form.number, changes };
}
