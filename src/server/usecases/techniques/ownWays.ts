import { writtenOut } from '@/core/conventions';
import { techniqueOf } from '@/core/techniques';
import { readWays, writeWays } from '@/core/exchange';
import { archiveWayForm, ownWayForm, waysFileForm } from '@/forms';
import { authorise, may } from '../../auth/permissions';
import { checked } from '../../checked';
import { OwnWayRow, OwnWayVersionRow } from '../../db/rows';
import { inOne, type Desk } from '../../desk';
import { invalid, knownId, Refusal } from '../../errors';
import { ways } from '../../repositories/ownWays';
import { conventions, ours, staff } from '../../repositories/studio';

/** The studio's own ways that are in use, each at its newest version. */
export async function listOwnWays(desk: Desk) {
  authorise(desk.who, 'see techniques');
  return (await ways(desk))
    .filter(({ archived }) => !archived)
    .map(({ id, base, name, versions }) => ({
      id,
      base,
      name,
      number: versions.length,
      pattern: versions.at(-1)!.pattern,
      dose: versions.at(-1)!.dose,
    }));
}

/** One own way with every version it had. */
export async function readOwnWay(desk: Desk, id: string) {
  authorise(desk.who, 'see techniques');
  const way = (await ways(desk)).find((one) => one.id === knownId(id));
  if (!way) throw new Refusal('not-found', 'This way is not here, or not part of your studio.');
  const [{ tempo, naturalBreath, speech, ruleChanges }, everyone] = await Promise.all([conventions(desk), staff(desk)]);
  return {
    ...way,
    technique: techniqueOf(way.base),
    versions: way.versions.map(({ savedBy, ...one }) => ({ ...one, savedBy: everyone.find((member) => member.id === savedBy)?.name ?? '' })),
    tempo,
    naturalBreath,
    speech,
    ruleChanges,
    mayEdit: may(desk.who.role, 'edit techniques'),
  };
}

/** Saves a new own way, or the next version of one. Courses keep the version they were planned with. */
export async function saveOwnWay(desk: Desk, input: unknown): Promise<{ readonly id: string; readonly number: number }> {
  authorise(desk.who, 'edit techniques');
  const form = await checked(ownWayForm, input);
  return inOne(desk, async (at) => {
    const all = await ways(at);
    const found = form.id === null ? null : all.find(({ id }) => id === form.id);
    if (found === undefined) throw new Refusal('not-found', 'This way is not here, or not part of your studio.');
    if (all.some(({ name, id }) => name.toLowerCase() === form.name.toLowerCase() && id !== found?.id))
      throw invalid({ field: 'name', message: 'Another way of yours has this name.' });
    const { pattern, name } = form;
    const dose = writtenOut(pattern, form.dose, (await conventions(at)).schools, form.base);
    const id = found?.id ?? at.newId();
    const newest = found?.versions.at(-1);
    if (newest?.pattern === pattern && newest.dose === dose && found?.name === name)
      throw new Refusal('invalid', 'Nothing has changed since the newest version.');
    if (found) {
      const changed = await at.em.nativeUpdate(
        OwnWayRow,
        { id, version: form.version, ...ours(at) },
        { name, archived: false, version: form.version + 1 },
      );
      if (changed === 0) throw new Refusal('clash');
    } else await at.em.insert(OwnWayRow, { id, ...ours(at), base: form.base, name, archived: false, version: 1 });
    const number = (newest?.number ?? 0) + 1;
    await at.em.insert(OwnWayVersionRow, { id: at.newId(), ...ours(at), way: id, number, pattern, dose, savedBy: at.who.id, savedAt: at.now });
    return { id, number };
  });
}

/** The studio's own ways as a file for another studio. */
export async function exportOwnWays(desk: Desk): Promise<string> {
  authorise(desk.who, 'edit techniques');
  return writeWays(await listOwnWays(desk));
}

/** What a file of own ways would bring in, and every row that is in the way. Nothing is saved. */
export async function previewOwnWays(desk: Desk, input: unknown) {
  authorise(desk.who, 'edit techniques');
  const { text } = await checked(waysFileForm, input);
  return readWays(
    text,
    (await ways(desk)).map(({ name }) => name),
  );
}

/** Brings in a file of own ways: all of it, or nothing when one row is in the way. */
export async function importOwnWays(desk: Desk, input: unknown): Promise<{ readonly added: number }> {
  authorise(desk.who, 'edit techniques');
  return inOne(desk, async (at) => {
    const { ways: rows, problems } = await previewOwnWays(at, input);
    if (problems.length > 0) throw new Refusal('invalid', problems.map(({ row, message }) => `${row > 0 ? `Row ${row}: ` : ''}${message}`).join(' '));
    const { schools } = await conventions(at);
    for (const { name, base, pattern, dose: asked } of rows) {
      const id = at.newId();
      const dose = writtenOut(pattern, asked, schools, base);
      await at.em.insert(OwnWayRow, { id, ...ours(at), base, name, archived: false, version: 1 });
      await at.em.insert(OwnWayVersionRow, { id: at.newId(), ...ours(at), way: id, number: 1, pattern, dose, savedBy: at.who.id, savedAt: at.now });
    }
    return { added: rows.length };
  });
}

/** Takes an own way out of use; nothing that was planned with it changes, and saving it again brings it back. */
export async function archiveOwnWay(desk: Desk, input: unknown): Promise<void> {
  authorise(desk.who, 'edit techniques');
  const { id, version } = await checked(archiveWayForm, input);
  if (!(await ways(desk)).some((way) => way.id === id)) throw new Refusal('not-found');
  const changed = await desk.em.nativeUpdate(OwnWayRow, { id, version, ...ours(desk) }, { archived: true, version: version + 1 });
  if (changed === 0) throw new Refusal('clash');
}
