import { libraryOf, ownProblems, ownProblemText, SHIPPED_LIBRARY, type Library, type OwnEntry } from '@/core/library';
import type { Actor } from '../auth/actors';
import { readRows } from '../db/read';
import { OwnTechniqueRow } from '../db/rows';
import { add, claim, holdStudio } from '../db/write';
import { once, type Desk, type Writing } from '../desk';
import { Refusal } from '../errors';

/** The studio's own techniques, out of use ones too: what was planned with them is read as long as it stands. */
export function ownTechniques(desk: Desk<Actor>): Promise<OwnEntry[]> {
  return once(desk, 'own techniques', async () => {
    const rows = await readRows(desk, OwnTechniqueRow, {}, { orderBy: { id: 'asc' } });
    return rows.map(({ technique, edges }) => ({ technique, edges }));
  });
}

/** Everything the studio can teach: what is shipped and what is its own. */
export function library(desk: Desk<Actor>): Promise<Library> {
  return once(desk, 'library', async () => {
    const own = await ownTechniques(desk);
    return own.length === 0 ? SHIPPED_LIBRARY : libraryOf(own);
  });
}

/** Adds a technique of the studio's own, or refuses in words what is wrong with it. */
export async function addOwnTechnique(at: Writing, entry: OwnEntry): Promise<void> {
  await fits(at, entry);
  await add(at, OwnTechniqueRow, { id: entry.technique.id, ...entry, archived: false });
}

/** Changes a technique of the studio's own, at the version it was seen at. */
export async function changeOwnTechnique(at: Writing, seen: number, entry: OwnEntry, archived: boolean): Promise<number> {
  await fits(at, entry);
  return claim(at, OwnTechniqueRow, entry.technique.id, seen, { ...entry, archived });
}

async function fits(at: Writing, entry: OwnEntry): Promise<void> {
  await holdStudio(at);
  const all = await library(at);
  const problems = ownProblems(entry, all);
  if (problems.length > 0) throw new Refusal('invalid', problems.map((problem) => ownProblemText(problem, all)).join(' '));
}
