import type { Technique } from '../techniques';
import { mustParseDose, mustParsePattern } from '../pattern';
import { timeBlock, type Pace } from '../timing';
import type { Millis } from '../units';
import { schoolsOf, wayText, type StudioSchools } from './questions';
import { questionsFor, schoolCues, taughtAs, type TaughtAs } from './taught';

/** What another choice of ways would change of one technique. */
export interface SchoolChange {
  readonly technique: string;
  readonly name: string;
  readonly before: TaughtAs & { readonly time: Millis };
  readonly after: TaughtAs & { readonly time: Millis };
  /** What would be said in another way: "Left hand: …", "counts spoken down throughout". */
  readonly said: readonly string[];
}

/** Every technique that another choice of ways would change, before it is saved. Planned sessions keep what they have. */
export function schoolChanges(techniques: readonly Technique[], now: StudioSchools, then: StudioSchools, pace: Pace): SchoolChange[] {
  return techniques.flatMap((technique): SchoolChange[] => {
    const [before, after] = [now, then].map((schools) => timed(taughtAs(technique, schools), pace));
    const said = saidAnew(technique, now, then);
    const same = before.pattern === after.pattern && before.dose === after.dose && said.length === 0;
    return same ? [] : [{ technique: technique.id, name: technique.name, before, after, said }];
  });
}

function timed(taught: TaughtAs, pace: Pace) {
  return { ...taught, time: timeBlock(mustParsePattern(taught.pattern), mustParseDose(taught.dose), pace).planned };
}

function saidAnew(technique: Technique, now: StudioSchools, then: StudioSchools): string[] {
  const [was, is] = [now, then].map((schools) => schoolsOf(schools, technique.id));
  const [before, after] = [was, is].map((schools) => schoolCues(technique.read.pattern, schools));
  const counting = questionsFor(technique).some(({ id }) => id === 'counting') && was.counting !== is.counting;
  return [
    ...after.filter((line) => !before.includes(line)).map((line) => `“${line}”`),
    ...before.filter((line) => !after.includes(line) && after.length < before.length).map((line) => `no longer “${line}”`),
    ...(counting ? [`counts spoken ${wayText('counting', is.counting)}`] : []),
  ];
}
