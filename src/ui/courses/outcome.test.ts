import { isoDate } from '@/core/units';
import { againLines, goalLines, orderLine } from './outcome';

const [tue, thu, sat] = ['2026-12-08', '2026-12-10', '2026-12-12'].map(isoDate);
const one = (date: typeof tue, read = false, held = false, teacher = 'Corin Vale') => ({ date, teacher, read, held });

test('who reads again is said once a teacher, with what they had read; what is held back is told apart', () => {
  expect(againLines({ again: [one(tue, true)] })).toEqual(['Tue 8 Dec goes out again to Corin Vale, who had read it.']);
  expect(againLines({ again: [one(tue, true), one(thu), one(sat, false, false, 'Tamsin Brae')] })).toEqual([
    'Tue 8 Dec and Thu 10 Dec go out again to Corin Vale, who had read 1 of them.',
    'Sat 12 Dec goes out again to Tamsin Brae.',
  ]);
  expect(againLines({ again: [one(tue, true), one(thu, true)] })).toEqual([
    'Tue 8 Dec and Thu 10 Dec go out again to Corin Vale, who had read them.',
  ]);
  expect(againLines({ again: [one(tue, true, true)] })).toEqual([
    'Tue 8 Dec changes, and a check stands against giving it out again: its teacher keeps what was read.',
  ]);
  expect(againLines({ again: [] })).toEqual([]);
});

test('goals that stay where they are, and as much out of order as before, are not told', () => {
  const goal = (was: typeof tue | null, now: typeof tue | null, asked = true) => ({ name: '4:7:8', was, now, asked });
  const lines = (...goals: ReturnType<typeof goal>[]) => goalLines({ goals });
  expect(lines(goal(tue, tue), goal(tue, thu), goal(tue, null), goal(null, thu), goal(tue, null, false))).toEqual([
    '4:7:8 is reached on Thu 10 Dec instead of Tue 8 Dec.',
    '4:7:8 has no place any more.',
    '4:7:8 is reached on Thu 10 Dec.',
    '4:7:8 is no longer asked for.',
  ]);
  expect([orderLine({ wrong: { was: 2, now: 2 } }), orderLine({ wrong: { was: 2, now: 0 } }), orderLine({ wrong: { was: 0, now: 1 } })]).toEqual([
    null,
    'Nothing would be out of order any more.',
    'One thing would want mending.',
  ]);
});
