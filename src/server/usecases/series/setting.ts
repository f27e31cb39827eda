import { taughtAs } from '@/core/conventions';
import type { Planning } from '@/core/course';
import { tallier } from '@/core/instructions';

import type { Actor } from '../../auth/actors';
import type { Desk } from '../../desk';
import { cohortItself } from '../../repositories/cohorts';
import { members, type OpenedMember } from '../../repositories/screenings';
import type { Conventions } from '../../repositories/studio';
import { houseOf } from '../setting';

/** A series' group, as the core asks about it. */
interface SeriesSetting {
  readonly planning: Planning;
  readonly house: Conventions;
  readonly people: readonly OpenedMember[];
  readonly already: ReadonlySet<string>;
}

/** What the rules ask about a series, for the group that takes part. Answers are opened here, and only numbers go on. */
export async function seriesSetting(desk: Desk<Actor>, cohortId: string): Promise<SeriesSetting> {
  const [group, people, house] = await Promise.all([cohortItself(desk, cohortId), members(desk, cohortId), houseOf(desk, cohortId)]);
  const { library, naturalBreath, seat, schools, tempo, guards } = house;
  const tally = tallier(people, house);
  const known = new Map<string, ReturnType<typeof tally>>();
  const planning: Planning = {
    basis: { library, naturalBreath, seat },
    ladder: library.edges,
    already: new Set(group.already),
    tempo,
    taught: (id) => taughtAs(library.technique(id), schools),
    tally: (asked, date) => {
      const key = [asked.technique, asked.pattern, asked.dose, date].join('|');
      const found = known.get(key) ?? tally(asked, date);
      known.set(key, found);
      return found;
    },
    // A series is for everybody who takes part: nobody has said of them that they are settled.
    settled: false,
    guards,
    comers: [],
    missedBetween: () => 0,
    qualified: () => 'own',
  };
  return { planning, house, people, already: new Set(group.already) };
}
