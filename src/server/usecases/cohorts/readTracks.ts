import { taughtAs } from '@/core/conventions';
import { readBlock } from '@/core/plan';
import { openingFor, tracksFor } from '@/core/screening';
import { findTechnique } from '@/core/techniques';
import type { IsoDate } from '@/core/units';
import { authorise, may } from '../../auth/permissions';
import type { Desk } from '../../desk';
import { Refusal } from '../../errors';
import { cohort, members } from '../../repositories/cohorts';
import { conventions } from '../../repositories/studio';
import { standsBelow } from '../setting';

/** How a cohort does one technique: the fewest ways side by side, and, for the director, what a missing answer would open. */
export async function readTracks(desk: Desk, cohortId: string, technique: string, date: IsoDate) {
  authorise(desk.who, 'see instructions');
  await cohort(desk, cohortId);
  const found = findTechnique(technique);
  if (!found) throw new Refusal('not-found', 'There is no technique of this name in the library.');
  const [people, studio] = await Promise.all([members(desk, cohortId), conventions(desk)]);
  const { tempo, naturalBreath, schools, rulebook } = studio;
  const taught = readBlock({ id: technique, kind: 'technique', technique, ...taughtAs(found, schools), tempo }, naturalBreath);
  const nameOf = new Map(people.map(({ id, name }) => [id, name]));
  const names = (ids: readonly string[]) => ids.map((id) => nameOf.get(id)!);
  const tracks = tracksFor(people, taught, standsBelow(technique, naturalBreath, schools), date, rulebook);
  const opening = may(desk.who.role, 'see reasons') ? openingFor(people, taught, date, rulebook) : null;
  return {
    technique: { id: found.id, name: found.name },
    people: people.length,
    tracks: tracks.map(({ pattern, kind, people: on }) => ({ pattern, kind, people: names(on) })),
    opening: opening && {
      open: opening.open.length,
      clinician: names(opening.clinician),
      form: names(opening.form),
      closed: names(opening.closed),
    },
  };
}
