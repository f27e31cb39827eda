import type { Library } from '../library';
import { dayText, type IsoDate } from '../units';
import { listed } from '../wording';
import { weekOf } from './dates';
import type { Given, SoFar } from './give';
import { aheadTexts } from './words';

/** What the weeks give of a wish, in sentences: what it comes to, and what is to be known beside it. */
export interface GivenText {
  readonly name: string;
  /** Whether all of it is given. */
  readonly whole: boolean;
  readonly says: string;
  readonly beside: readonly string[];
}

/**
 * What the weeks give of a wish, in sentences.
 * @param first the first day of the course
 * @param counts whether it says how many people do it how, and will be ready: for whoever sees reasons
 * @example givenText(given, library, first, 6, true).says // "not in 6 weeks: they give 4:7 for 5 min by Fri 8 Jan; all of it takes 9"
 */
export function givenText(given: Given, library: Library, first: IsoDate, weeks: number, counts: boolean): GivenText {
  const { goal, date, people, ready, readyWeeks, qualified } = given;
  const name = (id: string) => library.find(id)?.name ?? id;
  const beside: string[] = [];
  if (counts && people.people > 0) {
    const otherwise = people.adapt + people.askFirst + people.leaveOut;
    if (otherwise > 0) beside.push(doing(people));
    if (ready !== null && given.blocked === null) {
      const asked = goal.ready ? Math.ceil((goal.ready / 100) * people.people - EPSILON) : null;
      const most = Math.floor(ready + EPSILON);
      const takes = readyWeeks === null ? '' : `; ${readyWeeks} weeks are the fewest in which enough could be`;
      if (asked !== null && most < asked)
        beside.push(
          `${asked} of ${people.people} are to be ready, and ${date === null || most === 0 ? 'none' : `at most ${most}`} can be expected to${takes}`,
        );
    }
  }
  if (qualified !== 'own')
    beside.push(
      qualified.length === 0 ? 'nobody is qualified for it' : `its teacher is not qualified for it; ${listed(qualified, 'or')} could take it`,
    );
  return { name: name(goal.technique), whole: date !== null, says: saysOf(given, library, first, weeks, counts), beside };
}

const EPSILON = 1e-9;

function saysOf(given: Given, library: Library, first: IsoDate, weeks: number, counts: boolean): string {
  const { date, alone, upTo, blocked, settled, goal } = given;
  const by = (day: IsoDate) => `${dayText(day)}, week ${weekOf(first, day)}`;
  if (date !== null) return `by ${by(date)}, at the earliest`;
  if (alone !== null) return `no place beside the others; by itself by ${by(alone)}`;
  if (!settled && blocked === null) return 'not found in the time there was';
  const far = upTo === null ? null : `${wayText(upTo, goal.technique, library)}, by ${by(upTo.date)}`;
  if (blocked !== null) {
    const [why] = aheadTexts([blocked], library, counts);
    return `${why.slice(why.indexOf(' cannot be placed') + 1).replace(/\.$/, '')}${far === null ? '' : `; ${far}, can`}`;
  }
  const all = given.weeks === null ? 'no number of weeks was found that gives all of it' : `all of it takes ${given.weeks}`;
  return `not in ${weeks === 1 ? 'one week' : `${weeks} weeks`}${far === null ? '' : `: they give ${far}`}; ${all}`;
}

/** A way short of what was asked for: by its counts, and by its name where it is another technique. @example "Longer exhale 4:5 for 4 min" */
function wayText({ technique, pattern, dose }: SoFar, asked: string, library: Library): string {
  const name = library.find(technique)?.name ?? technique;
  if (technique === asked) return `${pattern} for ${dose}`;
  return name.includes(pattern) ? `${name} for ${dose}` : `${name}, ${pattern}, for ${dose}`;
}

/** @example doing({ people: 14, leaveOut: 1, askFirst: 0, adapt: 2 }) // "of 14, one leaves it out and 2 do it adapted" */
function doing({ people, leaveOut, askFirst, adapt }: Given['people']): string {
  const many = (n: number, one: string, more: string) => (n === 0 ? [] : [n === 1 ? `one ${one}` : `${n} ${more}`]);
  return `of ${people}, ${listed([...many(leaveOut, 'leaves it out', 'leave it out'), ...many(askFirst, 'asks first', 'ask first'), ...many(adapt, 'does it adapted', 'do it adapted')])}`;
}
