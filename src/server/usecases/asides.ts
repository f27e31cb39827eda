import { readBlock, type Block } from '@/core/plan';
import { featureName, featuresOf, hasFeature, setAside } from '@/core/screening';
import { longDayText, type IsoDate, type Millis } from '@/core/units';
import type { Member } from '../repositories/cohorts';
import type { Conventions } from '../repositories/studio';

/** A rule that does not act in some blocks because somebody set it aside; for the director, wherever it acts. */
export interface ActingAside {
  readonly person: string;
  readonly name: string;
  readonly text: string;
}

/** Clinicians' answers and overrides that act on some blocks on a date. */
export function asidesIn(
  people: readonly Member[],
  blocks: readonly Block[],
  date: IsoDate,
  { rulebook, naturalBreath }: Pick<Conventions, 'rulebook'> & { readonly naturalBreath: Millis },
): ActingAside[] {
  const features = blocks.map((block) => {
    const { pattern, dose, pace, tags } = readBlock(block, naturalBreath);
    return featuresOf(pattern, dose, pace, tags);
  });
  return people.flatMap((person) =>
    setAside(person.screened, date, rulebook)
      .filter(({ rule }) => features.some((of) => hasFeature(of, rule.feature)))
      .map(({ rule, by, until }) => ({
        person: person.id,
        name: person.name,
        text: `“${rule.answer}” for ${featureName(rule.feature)} set aside by ${by} until ${longDayText(until)}`,
      })),
  );
}
