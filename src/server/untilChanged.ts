import type { Actor } from './auth/actors';
import type { Desk } from './desk';
import { revisions, type Revisions } from './repositories/changes';

/**
 * What was worked out from rows is kept until one of them changes, by a key of what it was worked out from: every table leaves a line
 * about what changed (the migration `changes`), so nobody who writes has to remember who reads. What somebody answered is never kept,
 * only what follows from it for a class, a cohort or a page.
 */
interface Kept {
  readonly key: string;
  readonly worked: Promise<unknown>;
}

/** How many things are kept; those that were asked for longest ago go first. */
export const KEPT_LIMIT = 20_000;

const shared = globalThis as typeof globalThis & { oakenKept?: Map<string, Kept> };

/** By what it is, in the order in which it was asked for last; one for the whole process. */
const all: Map<string, Kept> = (shared.oakenKept ??= new Map());

/** What is kept now; for tests. */
export const keptNow = (): Map<string, Kept> => all;

/** What something is worked out from: notions by their ids, or everything a studio has. */
export type From = readonly string[] | 'everything';

/**
 * What follows from rows as they stand, worked out anew only where one of them changed.
 * @param what which of its kind it is, for whom it is where that makes a difference
 * @param from what its rows are about: ids of cohorts, courses and series, and the topics of the migration `changes`
 * @param work reads at the desk it is given, which knows nothing from before, and nothing that leaves no lines
 * @example untilChanged(desk, `tasks ${course.id} ${desk.who.role}`, [course.id, course.cohort, 'studio'], (at) => tasksOf(at, course))
 */
export async function untilChanged<Who extends Actor, T>(desk: Desk<Who>, what: string, from: From, work: (at: Desk<Who>) => Promise<T>): Promise<T> {
  if ('writing' in desk) return work(desk);
  const at = await since(desk);
  const name = `${desk.who.studio} ${what}`;
  const key = keyOf(desk.today, at.revisions, from);
  const known = all.get(name);
  all.delete(name);
  if (known?.key === key) {
    all.set(name, known);
    return known.worked as Promise<T>;
  }
  const worked = work(at.desk as Desk<Who>);
  all.set(name, { key, worked });
  // What failed is worked out again by whoever asks next.
  worked.catch(() => all.get(name)?.worked === worked && all.delete(name));
  if (all.size > KEPT_LIMIT) all.delete(all.keys().next().value!);
  return worked;
}

function keyOf(today: string, { each, whole }: Revisions, from: From): string {
  return [today, ...(from === 'everything' ? [whole] : from.map((about) => each.get(about) ?? ''))].join();
}

/** A desk whose rows are read after it was known what had changed: what is kept may be newer than its key, never older. */
interface Since {
  readonly revisions: Revisions;
  readonly desk: Desk<Actor>;
}

function since(desk: Desk<Actor>): Promise<Since> {
  const known = desk.known.get('since') as Promise<Since> | undefined;
  if (known) return known;
  const made = revisions(desk).then((found): Since => {
    const fresh: Desk<Actor> = { ...desk, known: new Map(), keeping: true };
    const own = { revisions: found, desk: fresh };
    fresh.known.set('since', Promise.resolve(own));
    return own;
  });
  desk.known.set('since', made);
  return made;
}
