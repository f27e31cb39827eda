import { writtenOut } from '@/core/conventions';
import { writeWays } from '@/core/exchange';
import { archiveWayForm, ownWayForm, waysFileForm } from '@/forms';
import { readApart } from '../../apart';
import { authorise, may } from '../../auth/permissions';
import { checked } from '../../checked';
import { holdStudio, onceOnly } from '../../db/write';
import { inOne, type Desk } from '../../desk';
import { invalid, knownId, Refusal } from '../../errors';
import { ownTechniques } from '../../repositories/library';
import { addWay, addWayVersion, archiveWay, ways } from '../../repositories/ways';
import { staffNames } from '../../repositories/staff';
import { conventions } from '../../repositories/studio';
import { knownTechniques } from './known';

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
  const [{ tempo, naturalBreath, speech, ruleChanges, library }, nameOf] = await Promise.all([conventions(desk), staffNames(desk)]);
  return {
    ...way,
    technique: library.technique(way.base),
    versions: way.versions.map(({ savedBy, ...one }) => ({ ...one, savedBy: nameOf(savedBy) })),
    tempo,
    naturalBreath,
    speech,
    /** What a studio changed of the rulebook is the director's to read. */
    ruleChanges: may(desk.who.role, 'see reasons') ? ruleChanges : null,
    mayEdit: may(desk.who.role, 'edit techniques'),
  };
}

/** Saves a new own way, or the next version of one. Courses keep the version they were planned with. */
export async function saveOwnWay(desk: Desk, input: unknown): Promise<{ readonly id: string; readonly number: number }> {
  authorise(desk.who, 'edit techniques');
  const form = await checked(ownWayForm, input);
  return onceOnly(desk, form.once, async (at) => {
    await holdStudio(at);
    const all = await ways(at);
    const { schools, library } = await conventions(at);
    knownTechniques(library, [{ field: 'base', technique: form.base }]);
    const found = form.id === null ? null : all.find(({ id }) => id === form.id);
    if (found === undefined) throw new Refusal('not-found', 'This way is not here, or not part of your studio.');
    if (all.some(({ name, id }) => name.toLowerCase() === form.name.toLowerCase() && id !== found?.id))
      throw invalid({ field: 'name', message: 'Another way of yours has this name.' });
    const { name } = form;
    const { pattern, dose } = writtenOut(form.pattern, form.dose, schools, form.base);
    const newest = found?.versions.at(-1);
    if (newest?.pattern === pattern && newest.dose === dose && found?.name === name)
      throw new Refusal('invalid', 'Nothing has changed since the newest version.');
    if (found) return { id: found.id, number: await addWayVersion(at, found, form.version, name, { pattern, dose }) };
    const id = at.newId();
    await addWay(at, id, form.base, name, { pattern, dose });
    return { id, number: 1 };
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
  return readFile(desk, text);
}

async function readFile(desk: Desk, text: string) {
  const taken = (await ways(desk)).map(({ name }) => name);
  return readApart('ways', text, taken, await ownTechniques(desk));
}

/** Brings in a file of own ways: all of it, or nothing when one row is in the way. */
export async function importOwnWays(desk: Desk, input: unknown): Promise<{ readonly added: number }> {
  authorise(desk.who, 'edit techniques');
  const { once, text } = await checked(waysFileForm, input);
  const { ways: rows, problems } = await readFile(desk, text);
  return onceOnly(desk, once, async (at) => {
    await holdStudio(at);
    if (problems.length > 0) throw new Refusal('invalid', problems.map(({ row, message }) => `${row > 0 ? `Row ${row}: ` : ''}${message}`).join(' '));
    const taken = new Set((await ways(at)).map(({ name }) => name.toLowerCase()));
    // Somebody may have added one of the same name since the file was read.
    if (rows.some(({ name }) => taken.has(name.toLowerCase()))) throw new Refusal('clash');
    const { schools } = await conventions(at);
    for (const { name, base, pattern, dose } of rows) await addWay(at, at.newId(), base, name, writtenOut(pattern, dose, schools, base));
    return { added: rows.length };
  });
}

/** Takes an own way out of use; nothing that was planned with it changes, and saving it again brings it back. */
export async function archiveOwnWay(desk: Desk, input: unknown): Promise<void> {
  authorise(desk.who, 'edit techniques');
  const { id, version } = await checked(archiveWayForm, input);
  await inOne(desk, (at) => archiveWay(at, id, version));
}
