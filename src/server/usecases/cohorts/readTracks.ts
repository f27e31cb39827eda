import { taughtAs } from '@/core/conventions';
import { standsBelow } from '@/core/instructions';
import { readBlock } from '@/core/plan';
import { openingFor, tracksFor } from '@/core/screening';
import type { IsoDate } from '@/core/units';
import type { TracksView } from '@/views/cohort';
import { authorise } from '../../auth/permissions';
import type { Desk } from '../../desk';
import { Refusal } from '../../errors';
import { cohort } from '../../repositories/cohorts';
import { members } from '../../repositories/screenings';
import { houseOf } from '../setting';

/** How a cohort does one technique: the fewest ways side by side, and what a missing answer would open. For the director. */
export async function readTracks(desk: Desk, cohortId: string, technique: string, date: IsoDate): Promise<TracksView> {
  authorise(desk.who, 'see reasons');
  await cohort(desk, cohortId);
  const [people, studio] = await Promise.all([members(desk, cohortId), houseOf(desk, cohortId)]);
  const found = studio.library.find(technique);
  if (!found) throw new Refusal('not-found', 'There is no technique of this name in the library.');
  const { tempo, schools, rulebook } = studio;
  const taught = readBlock({ id: technique, kind: 'technique', technique, ...taughtAs(found, schools), tempo }, studio);
  const nameOf = new Map(people.map(({ id, name }) => [id, name]));
  const names = (ids: readonly string[]) => ids.map((id) => nameOf.get(id)!);
  const tracks = tracksFor(people, taught, standsBelow(technique, studio), date, rulebook);
  const opening = openingFor(people, taught, date, rulebook);
  return {
    technique: { id: found.id, name: found.name },
    people: people.length,
    tracks: tracks.map(({ pattern, kind, people: on }) => ({ pattern, kind, people: names(on) })),
    opening: { open: opening.open.length, clinician: names(opening.clinician), form: names(opening.form), closed: names(opening.closed) },
  };
}
