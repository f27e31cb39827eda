import { taughtAs, type StudioSchools } from '../conventions';
import { wayDown } from '../ladder';
import { readBlock, type Basis, type NamedBlock, type ReadBlock } from '../plan';
import {
  advise,
  bearings,
  NOTHING_TODAY,
  waysSeen,
  type Advice,
  type Bearing,
  type BlockDecision,
  type Comfort,
  type DoorAnswers,
  type Rulebook,
  type ScreenedPerson,
  type Seen,
  type Stand,
} from '../screening';
import type { IsoDate } from '../units';

/** Somebody of a cohort with what is known of them. Never leaves the server whole. */
export interface Member {
  readonly id: string;
  readonly name: string;
  readonly comfort: Comfort;
  readonly screened: ScreenedPerson;
}

/** What of a studio's conventions decides what people do instead. */
export interface House extends Basis {
  readonly schools: StudioSchools;
  readonly rulebook: Rulebook;
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

/** What screening sees in a block of a session, each of its ways for itself. */
export function seenIn({ pattern, dose, pace, tags }: ReadBlock): readonly Seen[] {
  return waysSeen(pattern, dose, pace, tags);
}

/**
 * What a person does in a block, with what stands below it on the ladder as substitutes.
 * @param read the block as it stands in its session; by itself where it is missing
 */
export function adviceFor(
  person: Pick<Member, 'comfort'>,
  bearing: readonly Bearing[],
  block: NamedBlock,
  house: House,
  read: ReadBlock = readBlock(block, house),
): { readonly advice: Advice; readonly decision: BlockDecision } {
  return advise(bearing, read, block.kind === 'technique' ? standsBelow(block.technique, house) : [], person.comfort);
}

const stands = new WeakMap<object, Map<string, readonly Stand[]>>();

/** What stands below a technique on the ladder, as the studio teaches it, nearest first. */
export function standsBelow(technique: string, { library, naturalBreath, schools, seat }: Omit<House, 'rulebook'>): readonly Stand[] {
  const ofLibrary = stands.get(library) ?? new Map<string, readonly Stand[]>();
  stands.set(library, ofLibrary);
  const key = `${technique} ${naturalBreath} ${seat ?? ''} ${JSON.stringify(schools)}`;
  const found =
    ofLibrary.get(key) ??
    wayDown(library.edges, technique).map((id): Stand => {
      const { pattern, dose } = taughtAs(library.technique(id), schools);
      const block = { id, kind: 'technique', technique: id, pattern, dose, tempo: 1000 } as const;
      return { name: library.technique(id).name, taught: readBlock(block, { library, naturalBreath, seat }) };
    });
  ofLibrary.set(key, found);
  return found;
}
