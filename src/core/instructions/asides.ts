import { readSession, type Basis, type NamedBlock } from '../plan';
import { featureName, hasFeature, setAside, type Rulebook } from '../screening';
import { longDayText, type IsoDate } from '../units';
import { seenIn, type Member } from './advice';

/** A rule that does not act in some blocks because somebody set it aside; for the director, wherever it acts. */
export interface ActingAside {
  readonly person: string;
  readonly name: string;
  readonly text: string;
}

/** Clinicians' answers and overrides that act on some blocks on a date. */
export function asidesIn(
  people: readonly Member[],
  blocks: readonly NamedBlock[],
  date: IsoDate,
  house: Basis & { readonly rulebook: Rulebook },
): ActingAside[] {
  const ways = readSession(blocks, house).flatMap(seenIn);
  return people.flatMap((person) =>
    setAside(person.screened, date, house.rulebook)
      .filter(({ rule }) => ways.some(({ features }) => hasFeature(features, rule.feature)))
      .map(({ rule, by, until }) => ({
        person: person.id,
        name: person.name,
        text: `“${rule.answer}” for ${featureName(rule.feature)} set aside by ${by} until ${longDayText(until)}`,
      })),
  );
}
