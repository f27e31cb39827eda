import type { ArcFile } from './cases';
import type { Beside, Purpose } from './purpose';

/** A dose in words: minutes where that is its unit, rounds otherwise. @example doseText(file, 'belly', 6) // "6 minutes" */
export function doseText({ techniques }: Pick<ArcFile, 'techniques'>, id: string, units: number): string {
  const what = techniques[id].dose.unit === MINUTE ? 'minute' : 'round';
  return `${units} ${what}${units === 1 ? '' : 's'}`;
}

const MINUTE = 60_000;

/** What techniques and doses are called. */
export interface Words {
  readonly name: (id: string, step?: number) => string;
  readonly dose: (id: string, units: number) => string;
}

/** Techniques as a file calls them, read aloud. */
export const plainWords = (file: Pick<ArcFile, 'techniques'>): Words => ({
  name: (id) => id.replaceAll('-', ' '),
  dose: (id, units) => doseText(file, id, units),
});

/**
 * What a class is for, as a sentence.
 * @example purposeText(purpose, plainWords(file)) // "equal 4 4 4 begins, 3 minutes, on what equal 4 4 gave; equal 4 4 grows to 9 minutes."
 */
export function purposeText({ main, beside }: Purpose, { name, dose }: Words): string {
  const first = (): string => {
    switch (main.what) {
      case 'begins':
        return `${name(main.technique)} begins, ${dose(main.technique, main.units)}${main.on === null ? '' : `, on what ${name(main.on)} gave`}`;
      case 'steps up':
        return `${name(main.technique)} goes a step up, to ${name(main.technique, main.step)}`;
      case 'reached':
        return `${name(main.technique)} is reached`;
      case 'again':
        return `${name(main.technique)} again, so that it stays`;
      case 'grows':
        return `${name(main.technique)} grows to ${dose(main.technique, main.units)}`;
      case 'at ease':
        return `${name(main.technique)}, at ease`;
      case 'together':
        return `Everything comes together: ${main.techniques.map((id) => name(id)).join(', ')}`;
    }
  };
  const also = (one: Beside): string => {
    switch (one.what) {
      case 'grows':
        return `${name(one.technique)} grows to ${dose(one.technique, one.units)}`;
      case 'lighter':
        return `${name(one.technique)} is lighter, ${dose(one.technique, one.units)}`;
      case 'rests':
        return `${name(one.technique)} rests today`;
    }
  };
  return `${first()}${beside ? `; ${also(beside)}` : ''}.`;
}
