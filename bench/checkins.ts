import { v7 as newId } from 'uuid';
import { A_WEEK } from '../demo/series';
import { dateIn } from '../src/core/units';
import { freshManager } from '../src/server/db/orm';
import { CheckInRow, StaffRow, StudioRow } from '../src/server/db/rows';
import { deskFor, type Desk } from '../src/server/desk';
import { membersOf, ownToken } from '../src/server/repositories/series';
import { addCohort } from '../src/server/usecases/cohorts/addCohort';
import { importRoster } from '../src/server/usecases/people/importRoster';
import { createSeries } from '../src/server/usecases/series/createSeries';

const PEOPLE = 400;
const WITHIN_MS = 60_000;
const ANYWHERE = { filters: false } as const;

/**
 * 400 people check in within a minute at a running demo, over HTTP; then they are counted in its database. It makes a group of 400
 * in that demo, and needs its database and master key in the environment.
 */
export async function measureCheckIns(address: string): Promise<void> {
  const em = await freshManager();
  const staff = await em.findOneOrFail(StaffRow, { role: 'director', leftAt: null }, ANYWHERE);
  const studio = await em.findOneOrFail(StudioRow, { id: staff.studio });
  const who = {
    as: 'staff',
    id: staff.id,
    studio: studio.id,
    studioName: studio.name,
    zone: studio.zone,
    name: staff.name,
    role: staff.role,
  } as const;
  const desk: Desk = await deskFor(who, new Date());
  const { id: cohort } = await addCohort(desk, {
    once: newId(),
    name: `Four hundred ${newId().slice(-4)}`,
    about: '',
    practises: ['belly'],
    seat: 'floor',
  });
  const text = ['name,email,birth date', ...Array.from({ length: PEOPLE }, (_, at) => `Guest ${String(at + 1).padStart(3, '0')},,1980-05-04`)].join(
    '\n',
  );
  await importRoster(desk, { once: newId(), cohort, text, mapping: { name: 'name', email: 'email', birthDate: 'birth date' } });
  const begun = performance.now();
  const { id } = await createSeries(desk, {
    once: newId(),
    name: 'A week for four hundred',
    cohort,
    teacher: who.id,
    firstDate: dateIn(who.zone, new Date()),
    ...A_WEEK,
  });
  console.log(`\nA series of a week for ${PEOPLE} people, drafted and made: ${Math.round(performance.now() - begun)} ms`);
  const members = await membersOf(await deskFor(who, new Date()), [id]);
  const times: number[] = [];
  let refused = 0;
  await Promise.all(
    members.map(async (member, at) => {
      await new Promise((resolve) => setTimeout(resolve, (at * WITHIN_MS) / members.length));
      const from = performance.now();
      const answer = await fetch(`${address}/api/day/${ownToken(desk, member)}`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ did: 'done', felt: 'easy' }),
      });
      if (!answer.ok) refused += 1;
      times.push(performance.now() - from);
    }),
  );
  const rows = await em.fork().find(CheckInRow, { member: members.map(({ id: one }) => one) }, ANYWHERE);
  const there = new Set(rows.map(({ member }) => member));
  times.sort((a, b) => a - b);
  const quantile = (share: number) => times[Math.floor(times.length * share)].toFixed(0);
  console.log(
    `${members.length} people check in within a minute: p50 ${quantile(0.5)} ms, p95 ${quantile(0.95)} ms, at worst ${times.at(-1)!.toFixed(0)} ms (aim: p95 under 300); refused ${refused}, lost ${members.length - there.size}, twice ${rows.length - there.size}`,
  );
}
