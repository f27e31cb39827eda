import { SERIES_LIMITS, seriesMendText, type NotReached, type SeriesMend } from '@/core/series';
import type { Library } from '@/core/library';
import { capital, listed } from '@/core/wording';

/** What was asked for and does not come, as a sentence. */
export function unreachedText({ technique, why, comes = 0 }: NotReached, { find }: Library): string {
  const name = find(technique)?.name ?? 'Something that is no longer in the library';
  switch (why) {
    case 'left out by all':
      return `${name} does not come: everybody who takes part leaves it out, or something it stands on.`;
    case 'hour':
      return `${name} does not come: it, or something it stands on, is not for this hour of the day.`;
    case 'not alone':
      return `${name} does not come: it, or something it stands on, is not practised alone at home.`;
    case 'not settled':
      return `${name} does not come: it is for a settled group, with a teacher there.`;
    case 'no free day':
      return `${name}, which they practise already, found no free day in its week.`;
    case 'minutes':
      return `${name} does not come: a whole round of it, or of something it stands on, is longer than the longest day.`;
    case 'days':
      return `${name} ${howOften(comes)}: what it stands on needs more days than there are.`;
    case 'no place':
      return `${name} ${howOften(comes)}: it has no day beside the rest of what is asked.`;
  }
}

/** What comes is practised on two days at least. @example howOften(1) // "comes on one day of 2" */
const howOften = (days: number): string =>
  days === 0 ? 'does not come' : `comes on ${days === 1 ? 'one day' : `${days} days`} of ${SERIES_LIMITS.practise}`;

/** What the button of a mend says. @example // "21 days" */
export const mendsText = (mends: readonly SeriesMend[], library: Library): string =>
  capital(listed(mends.map((mend) => seriesMendText(mend, library))));
