import { taughtAs, type StudioSchools } from '@/core/conventions';
import type { CourseSetting, Tally } from '@/core/course';
import { LADDER, wayDown } from '@/core/ladder';
import { readBlock, type Block } from '@/core/plan';
import {
  advise,
  bearings,
  decide,
  featuresOf,
  nearFeature,
  NOTHING_TODAY,
  type Advice,
  type Bearing,
  type Decision,
  type DoorAnswers,
  type Rulebook,
  type Stand,
} from '@/core/screening';
import { techniqueOf } from '@/core/techniques';
import type { IsoDate, Millis } from '@/core/units';
import type { Desk } from '../desk';
import { cohort, members, type Member } from '../repositories/cohorts';
import type { Course } from '../repositories/courses';
import { conventions, staff, type Conventions } from '../repositories/studio';

/** Everything the core asks about a course beside its sessions, gathered once a request. */
export async function settingOf(
  desk: Desk,
  course: Pick<Course, 'cohort' | 'teacher'>,
): Promise<CourseSetting & { readonly members: readonly Member[] }> {
  const [group, people, studio, everyone] = await Promise.all([
    cohort(desk, course.cohort),
    members(desk, course.cohort),
    conventions(desk),
    staff(desk),
  ]);
  const { tempo, naturalBreath, schools } = studio;
  const teacher = everyone.find(({ id }) => id === course.teacher);
  const qualified = new Set(teacher?.qualifications.filter(({ since }) => since <= desk.today).map(({ family }) => family));
  return {
    ladder: LADDER,
    already: new Set(group.already),
    tempo,
    naturalBreath,
    taught: (technique) => taughtAs(techniqueOf(technique), schools),
    qualified,
    members: people,
    tally: tallier(people, studio),
  };
}

/** Counts how a group comes out for a technique on a date; every answer is worked out once. */
export function tallier(
  people: readonly Member[],
  { naturalBreath, rulebook }: Pick<Conventions, 'naturalBreath' | 'rulebook'>,
): CourseSetting['tally'] {
  const bearing = bearingsByDate(rulebook);
  const known = new Map<string, Tally>();
  return (block, date) => {
    const key = `${block.technique} ${block.pattern} ${block.dose} ${block.tempo} ${date}`;
    const cached = known.get(key);
    if (cached) return cached;
    const read = readBlock({ ...block, id: '', kind: 'technique' }, naturalBreath);
    const features = featuresOf(read.pattern, read.dose, read.pace, read.tags);
    const decided = people.map((person) => ({ rules: bearing(person, date), answer: decide(bearing(person, date), features).answer }));
    const count = (answer: string) => decided.filter((one) => one.answer === answer).length;
    const tally: Tally = {
      people: people.length,
      leaveOut: count('leave out'),
      askFirst: count('ask first'),
      adapt: count('adapt'),
      watch: count('watch'),
      near: decided.filter(({ rules }) => rules.some(({ rule }) => nearFeature(features, rule.feature))).length,
    };
    known.set(key, tally);
    return tally;
  };
}

/** The rules that bear on a person on a date, worked out once. */
export function bearingsByDate(rulebook: Rulebook, door: DoorAnswers = NOTHING_TODAY) {
  const known = new Map<string, readonly Bearing[]>();
  return (person: Member, date: IsoDate): readonly Bearing[] => {
    const key = `${person.id} ${date}`;
    const found = known.get(key) ?? bearings(person.screened, date, door, rulebook);
    known.set(key, found);
    return found;
  };
}

/** What a person does in a block, with what stands below it on the ladder as substitutes. */
export function adviceFor(
  person: Member,
  bearing: readonly Bearing[],
  block: Block,
  { naturalBreath, schools }: Pace,
): { advice: Advice; decision: Decision } {
  return advise(
    bearing,
    readBlock(block, naturalBreath),
    block.kind === 'technique' ? standsBelow(block.technique, naturalBreath, schools) : [],
    person.comfort,
  );
}

/** What of the studio's conventions decides what people do instead. */
export type Pace = Pick<Conventions, 'naturalBreath' | 'schools' | 'rulebook'>;

const stands = new Map<string, readonly Stand[]>();

export function standsBelow(technique: string, naturalBreath: Millis, schools: StudioSchools): readonly Stand[] {
  const key = `${technique} ${naturalBreath} ${JSON.stringify(schools)}`;
  const found =
    stands.get(key) ??
    wayDown(LADDER, technique).map((id): Stand => {
      const { pattern, dose } = taughtAs(techniqueOf(id), schools);
      return { name: techniqueOf(id).name, taught: readBlock({ id, kind: 'technique', technique: id, pattern, dose, tempo: 1000 }, naturalBreath) };
    });
  stands.set(key, found);
  return found;
}
