import { measureOf, type ArcCase, type ArcFile, type Practice } from './cases';
import { ARC_LIMITS } from './limits';
import type { Request } from './request';

/** What a class is for: its main, how it stands to the course, and what else there is to say of it. */
export type Main =
  | { readonly what: 'begins'; readonly technique: string; readonly units: number; readonly on: string | null }
  | { readonly what: 'steps up'; readonly technique: string; readonly step: number }
  | { readonly what: 'reached' | 'again' | 'at ease'; readonly technique: string }
  | { readonly what: 'grows'; readonly technique: string; readonly units: number }
  | { readonly what: 'together'; readonly techniques: readonly string[] };

export type Beside =
  { readonly what: 'grows' | 'lighter'; readonly technique: string; readonly units: number } | { readonly what: 'rests'; readonly technique: string };

export interface Purpose {
  readonly main: Main;
  readonly beside: Beside | null;
  /** The technique that the class is about. */
  readonly technique: string;
}

/** Classes that are looked back on for what is often practised. */
const LATELY = 4;

/** What each class is for, from what stands in it alone; null for a class that holds nothing. */
export function purposesOf(file: ArcFile, one: ArcCase, request: Request, sessions: readonly (readonly Practice[])[]): (Purpose | null)[] {
  const { techniques } = file;
  const { needsOf, already, goalOf, basic } = request;
  const high = new Map<string, number>();
  const step = new Map<string, number>();
  const progress = one.goals.map(() => 0);
  const reached = one.goals.map(() => false);
  let begunLast: string | null = null;
  const unitsOf = (id: string, onStep: number, ms: number) => {
    const { unit, lead } = measureOf(file, goalOf(id), id, onStep);
    return Math.round((ms - lead) / unit);
  };
  const last = sessions.length - 1;
  return sessions.map((held, at): Purpose | null => {
    if (held.length === 0) return null;
    const ids = held.map(([id]) => id);
    const grown: { id: string; units: number; by: number }[] = [];
    let begins: Main | null = null;
    let lighter: Beside | null = null;
    const before = begunLast;
    for (const [id, on, ms] of held) {
      const units = unitsOf(id, on, ms);
      const had = high.get(id);
      if (had === undefined) {
        if (!already.has(id)) {
          begins = { what: 'begins', technique: id, units, on: gaveWay(id) };
          begunLast = id;
        }
      } else if (on > step.get(id)!) begins = { what: 'steps up', technique: id, step: on };
      else if (units > had) grown.push({ id, units, by: ((units - had) * techniques[id].dose.unit * techniques[id].rung) / 60_000 });
      else if (units < had) lighter ??= { what: 'lighter', technique: id, units };
      high.set(id, Math.max(had ?? 0, units));
      step.set(id, on);
    }
    grown.sort((a, b) => b.by - a.by);
    let reachedHere: string | null = null;
    one.goals.forEach(({ v, r, dose = 0, steps = [], by }, goal) => {
      const placed = held.find(([id]) => id === v);
      if (
        !placed ||
        reached[goal] ||
        placed[1] !== steps.length ||
        unitsOf(v, placed[1], placed[2]) < dose ||
        (by !== undefined && one.dates[at] > by)
      )
        return;
      progress[goal] += 1;
      if (progress[goal] < r) return;
      reached[goal] = true;
      reachedHere ??= v;
    });
    const goals = ids.filter((id) => goalOf(id) !== undefined);
    const highest = [...(goals.length > 0 ? goals : ids)].sort(
      (a, b) => techniques[b].rung - techniques[a].rung || Number(basic(a)) - Number(basic(b)),
    )[0];
    const main: Main =
      at === last && goals.length > 0
        ? { what: 'together', techniques: goals.slice(0, ARC_LIMITS.gathered) }
        : (begins ??
          (reachedHere !== null
            ? { what: 'reached', technique: reachedHere }
            : before !== null && ids.includes(before)
              ? { what: 'again', technique: before }
              : grown.length > 0
                ? { what: 'grows', technique: grown[0].id, units: grown[0].units }
                : { what: 'at ease', technique: highest }));
    const technique = main.what === 'together' ? main.techniques[0] : main.technique;
    const about = main.what === 'together' ? main.techniques : [technique];
    const other = grown.find(({ id }) => !about.includes(id));
    const lately = sessions.slice(Math.max(0, at - LATELY), at).flatMap((placed) => placed.map(([id]) => id));
    const often = [...new Set(lately)]
      .map((id) => ({ id, times: lately.filter((one) => one === id).length }))
      .filter(({ id, times }) => times > 1 && !ids.includes(id) && !basic(id) && !request.aboveInFamily(id).some((above) => high.has(above)))
      .sort((a, b) => b.times - a.times)[0];
    const beside: Beside | null = other
      ? { what: 'grows', technique: other.id, units: other.units }
      : (lighter ?? (often ? { what: 'rests', technique: often.id } : null));
    return { main, beside, technique };
  });

  /** What a new thing stands on: its own family first. */
  function gaveWay(id: string): string | null {
    const needs = needsOf(id).map(([need]) => need);
    return needs.find((need) => techniques[need].family === techniques[id].family) ?? needs.at(-1) ?? null;
  }
}

/** The family that most classes of each week are about; and whether the week before was about the same. */
export function themesOf(
  file: Pick<ArcFile, 'techniques'>,
  purposes: readonly (Purpose | null)[],
  weeks: readonly number[],
): Map<number, { readonly technique: string; readonly continued: boolean }> {
  const themes = new Map<number, { technique: string; continued: boolean }>();
  let before = '';
  for (const week of [...new Set(weeks)]) {
    const mains = purposes.flatMap((purpose, at) => (purpose && weeks[at] === week ? [purpose] : []));
    // Of two that are as many, what begins.
    const about = [...mains]
      .sort((one, other) => Number(other.main.what === 'begins') - Number(one.main.what === 'begins'))
      .map(({ technique }) => technique);
    if (about.length === 0) continue;
    const family = (id: string) => file.techniques[id].family;
    const times = (id: string) => about.filter((other) => family(other) === family(id)).length;
    const technique = about.reduce((best, id) => (times(id) > times(best) ? id : best));
    themes.set(week, { technique, continued: family(technique) === before });
    before = family(technique);
  }
  return themes;
}
