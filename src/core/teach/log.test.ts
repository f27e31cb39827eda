import fc from 'fast-check';
import { EFFORTS, logText, REACHED, reachedBy, takenTogether, type ClassLog } from '.';

const log = (id: string, hour: number, attendance: ClassLog['attendance'], more: Partial<ClassLog> = {}): ClassLog => ({
  id,
  at: new Date(Date.UTC(2026, 10, 24, hour)),
  taughtBy: 'tamsin',
  reached: 'all of it',
  note: '',
  unnamed: [],
  blocks: [],
  firstBreath: null,
  mood: null,
  change: '',
  corrects: null,
  attendance,
  ...more,
});
const easy = (person: string, came = true) => ({ person, came, effort: 'easy' as const, stopSigns: [] });

test('a second log hides no stop sign of the first', () => {
  const first = log('a', 7, [{ ...easy('asta'), effort: 'strained', stopSigns: ['dizziness'] }, easy('bram')]);
  const second = log('b', 9, [easy('asta', false), easy('bram')]);
  const together = takenTogether([second, first], null)!;
  expect(together).toMatchObject({ id: 'b', logs: 2, unsettled: true });
  expect(together.attendance[0]).toEqual({ person: 'asta', came: true, effort: 'strained', stopSigns: ['dizziness'] });
  expect(logText(together)).toBe('2 of 2 came, 1 strained, 1 with a stop sign');
  expect(takenTogether([first, second], 'a')).toMatchObject({ id: 'a', unsettled: false });
});

test('a sign of somebody nobody can name stands, whichever log is gone by', () => {
  const first = log('a', 7, [easy('asta')], { unnamed: ['chest pain'] });
  const second = log('b', 9, [easy('asta')]);
  for (const settled of [null, 'a', 'b']) expect(takenTogether([first, second], settled)!.unnamed).toEqual(['chest pain']);
  expect(takenTogether([first, second], null)!.unsettled).toBe(true);
  expect(logText(first)).toBe('1 of 1 came, a stop sign of somebody who was not named');
});

test('logs that say the same need nobody to settle them; no log is none', () => {
  expect(takenTogether([log('a', 7, [easy('asta')]), log('b', 9, [easy('asta')])], null)).toMatchObject({ logs: 2, unsettled: false });
  expect(takenTogether([], null)).toBeNull();
});

test('whatever is settled, every stop sign of every log counts, and order does not matter', () => {
  const someone = fc.record({
    person: fc.constantFrom('asta', 'bram', 'cleo'),
    came: fc.boolean(),
    effort: fc.constantFrom(...EFFORTS),
    stopSigns: fc.subarray(['dizziness', 'wheeze']),
  });
  const logs = fc.array(
    fc.tuple(fc.uniqueArray(someone, { selector: ({ person }) => person }), fc.constantFrom(...REACHED), fc.integer({ min: 0, max: 23 })),
    { minLength: 1, maxLength: 4 },
  );
  fc.assert(
    fc.property(logs, fc.nat(3), (made, pick) => {
      const all = made.map(([attendance, reached, hour], index) => log(`l${index}`, hour, attendance, { reached }));
      const together = takenTogether(all, `l${pick}`)!;
      for (const { attendance } of all)
        for (const { person, stopSigns } of attendance) {
          const one = together.attendance.find((each) => each.person === person)!;
          expect(one.stopSigns).toEqual(expect.arrayContaining([...stopSigns]));
          if (stopSigns.length > 0) expect(one.came).toBe(true);
        }
      expect(takenTogether([...all].reverse(), `l${pick}`)).toEqual(together);
    }),
  );
});

test('what a teacher put right no longer counts, and both are there to be seen', () => {
  const first = log('a', 7, [{ ...easy('asta'), stopSigns: ['dizziness'] }, easy('bram')]);
  const right = log('b', 8, [easy('asta'), easy('bram', false)], { corrects: 'a' });
  const both = takenTogether([first, right], null)!;
  expect([both.id, both.logs, both.unsettled, both.attendance.flatMap(({ stopSigns }) => stopSigns)]).toEqual(['b', 1, false, []]);
  expect(takenTogether([first, { ...right, corrects: null }], null)!.unsettled).toBe(true);
});

test('how far a class went follows from its techniques', () => {
  const part = (n: number) => Array.from({ length: n }, (_, at) => ({ block: String(at), done: 'part' as const }));
  expect([0, 1, 2, 3].map((n) => reachedBy(4, part(n)))).toEqual(['all of it', 'most of it', 'most of it', 'less']);
});
