import { dayText, type IsoDate } from '../units';

/** A class as it is compared with what it was. */
export interface ClassFacts {
  readonly id: string;
  readonly date: IsoDate;
  readonly start: string;
  readonly minutes: number;
  readonly techniques: readonly { readonly technique: string; readonly name: string; readonly pattern: string; readonly dose: string }[];
}

/** What a class has otherwise, in words. */
export interface ClassChange {
  readonly session: string;
  readonly date: IsoDate;
  readonly lines: readonly string[];
}

/**
 * What is different class by class: classes that come in, fall out, move, start otherwise, and what they practise. Classes that stay
 * as they are are left out; the others come in order of their day.
 * @example classChanges(before, after)[0].lines // ["moves here from Tue 1 Dec", "Longer exhale 4:5: 4 min → 5 min"]
 */
export function classChanges(before: readonly ClassFacts[], after: readonly ClassFacts[]): ClassChange[] {
  const was = new Map(before.map((one) => [one.id, one]));
  const is = new Set(after.map(({ id }) => id));
  const changes = [
    ...after.flatMap((now): ClassChange[] => {
      const old = was.get(now.id);
      const lines = old
        ? [...whenLines(old, now), ...techniqueLines(old, now)]
        : [`a class more: ${now.techniques.map(({ name }) => name).join(', ') || 'still empty'}`];
      return lines.length > 0 ? [{ session: now.id, date: now.date, lines }] : [];
    }),
    ...before.filter(({ id }) => !is.has(id)).map(({ id, date }): ClassChange => ({ session: id, date, lines: ['falls out'] })),
  ];
  return changes.sort((a, b) => a.date.localeCompare(b.date));
}

/** What a class brings that the one before it did not have. @example newSince(last, this) // ["Equal 4:4:4", "Longer exhale 4:5: 4 min → 5 min"] */
export function newSince(before: Pick<ClassFacts, 'techniques'>, after: Pick<ClassFacts, 'techniques'>): string[] {
  const had = new Set(before.techniques.map(({ technique }) => technique));
  const kept = after.techniques.filter(({ technique }) => had.has(technique));
  return [
    ...after.techniques.filter((one) => !kept.includes(one)).map(({ name }) => name),
    ...techniqueLines(
      { techniques: kept.map(({ technique }) => before.techniques.find((one) => one.technique === technique)!) },
      { techniques: kept },
    ),
  ];
}

function whenLines(was: ClassFacts, is: ClassFacts): string[] {
  return [
    ...(was.date === is.date ? [] : [`moves here from ${dayText(was.date)}`]),
    ...(was.start === is.start ? [] : [`at ${is.start} instead of ${was.start}`]),
    ...(was.minutes === is.minutes ? [] : [`${is.minutes} minutes instead of ${was.minutes}`]),
  ];
}

function techniqueLines(was: Pick<ClassFacts, 'techniques'>, is: Pick<ClassFacts, 'techniques'>): string[] {
  return [
    ...is.techniques.flatMap(({ technique, name, pattern, dose }) => {
      const old = was.techniques.find((one) => one.technique === technique);
      if (!old) return [`${name} comes in`];
      const parts = [...(old.pattern === pattern ? [] : [`${old.pattern} → ${pattern}`]), ...(old.dose === dose ? [] : [`${old.dose} → ${dose}`])];
      return parts.length > 0 ? [`${name}: ${parts.join(', ')}`] : [];
    }),
    ...was.techniques.filter(({ technique }) => !is.techniques.some((one) => one.technique === technique)).map(({ name }) => `${name} leaves`),
  ];
}
