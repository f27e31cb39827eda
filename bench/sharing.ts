import { handout, planSheet, type PlanFacts } from '../src/core/paper';
import { readCalendar } from '../src/core/exchange/calendar';
import { SHIPPED_LIBRARY } from '../src/core/library';
import { named, type Block, type TechniqueBlock } from '../src/core/plan';
import { smallestChange, whoCan, type Candidate } from '../src/core/staff';
import { addDays, isoDate, millis } from '../src/core/units';
import { handoutPdf, planPdf } from '../src/server/paper/pdf';

const RUNS = 9;
const basis = { library: SHIPPED_LIBRARY, naturalBreath: millis(4000) };
const date = isoDate('2026-11-26');

async function median(work: () => unknown): Promise<number> {
  await work();
  const times: number[] = [];
  for (let run = 0; run < RUNS; run += 1) {
    const start = performance.now();
    await work();
    times.push(performance.now() - start);
  }
  return times.sort((a, b) => a - b)[Math.floor(RUNS / 2)];
}

const ids = SHIPPED_LIBRARY.techniques.map(({ id }) => id);
const block = (id: string, index: number): TechniqueBlock => {
  const { pattern, dose } = SHIPPED_LIBRARY.technique(id);
  return { id: `${id} ${index}`, kind: 'technique', technique: id, pattern, dose, tempo: 1000 };
};

/** Cover, paper and calendars, each as growth with size. */
export async function measureSharing(): Promise<void> {
  console.log('\nSharing, as growth with size');
  const families = SHIPPED_LIBRARY.families.map(({ id }) => id);
  const blocks: Block[] = ids
    .filter((_, index) => index % 9 === 4)
    .slice(0, 5)
    .map(block);
  const known = ids
    .filter((_, index) => index % 3 === 1)
    .slice(0, 20)
    .map(block);
  const staff = (count: number): Candidate[] =>
    Array.from({ length: count }, (_, at) => ({
      id: `s${at}`,
      name: `Teacher ${at}`,
      qualifications: families.filter((_each, index) => (index + at) % 3 !== 0).map((family) => ({ family, since: '2026-01-01' })),
    }));
  for (const count of [30, 60, 120]) {
    const candidates = staff(count);
    const took = await median(() => {
      const { unable } = whoCan(candidates, { blocks, date }, basis);
      let made = 0;
      return unable.map(({ candidate }) => smallestChange({ date, minutes: 90, blocks, known }, candidate, basis, () => String((made += 1))));
    });
    console.log(`cover among ${count} staff, five blocks, twenty known things: ${took.toFixed(1)} ms (aim: under 100 ms for 60)`);
  }
  for (const count of [6, 12, 24]) {
    const facts: PlanFacts = {
      studio: 'A studio',
      course: 'A course',
      number: 3,
      of: 14,
      date,
      start: '18:30',
      minutes: 90,
      version: 2,
      teacher: 'A teacher',
      purpose: 'Today the hold arrives; keep it light',
      note: '',
      fresh: [],
      changes: [],
      blocks: named(ids.slice(0, count).map(block), basis),
      people: Array.from({ length: 12 }, (_, at) => ({
        name: `Person ${at}`,
        told: [{ block: `${ids[at % count]} ${at % count}`, text: `no hold ${at % 4}` }],
      })),
      asOf: 'now',
      stopSigns: ['dizziness'],
      emergency: 'Call.',
    };
    const [plan, home] = [planSheet(facts, basis), handout(facts, addDays(date, 3), basis)];
    const [own, other] = [await median(() => planPdf(plan, 'A4')), await median(() => handoutPdf(home, 'A4'))];
    console.log(`plan of ${count} blocks as PDF: ${own.toFixed(0)} ms; its handout ${other.toFixed(0)} ms (aim: under 500 ms)`);
  }
  for (const count of [100, 400]) {
    const events = Array.from({ length: count }, (_, at) =>
      [
        'BEGIN:VEVENT',
        `UID:${at}`,
        'DTSTAMP:20261101T000000Z',
        `DTSTART:${addDays(date, at).replaceAll('-', '')}T180000Z`,
        'DURATION:PT1H',
        `SUMMARY:${at}`,
        'END:VEVENT',
      ].join('\r\n'),
    );
    const text = `BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:x\r\n${events.join('\r\n')}\r\nEND:VCALENDAR\r\n`;
    const took = await median(() => readCalendar(text, 'Europe/Lisbon', { from: date, until: addDays(date, 500) }));
    console.log(`a calendar of ${count} events looked through: ${took.toFixed(0)} ms`);
  }
}
