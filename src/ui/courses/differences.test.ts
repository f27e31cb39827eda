import { isoDate } from '@/core/units';
import type { CourseView } from '@/views/course';
import { differences } from './differences';

const session = (id: string, date: string, techniques: readonly string[], more: object = {}) => ({
  id,
  date: isoDate(date),
  fixed: false,
  techniques: techniques.map((name) => ({ id: name, name, dose: '4 min' })),
  ...more,
});
const course = (...sessions: object[]) => ({ sessions }) as unknown as Pick<CourseView, 'sessions'>;

test('what somebody else did meanwhile is told in words', () => {
  const seen = course(session('a', '2026-12-01', ['Belly', 'Equal']), session('b', '2026-12-04', ['Throat']));
  const now = course(
    session('a', '2026-12-01', ['Belly'], { fixed: true, techniques: [{ id: 'Belly', name: 'Belly', dose: '5 min' }] }),
    session('b', '2026-12-04', ['Equal', 'Hissing']),
  );
  expect(differences(seen, now)).toEqual([
    'Belly on Tue 1 Dec: 4 min → 5 min',
    'Equal moved from Tue 1 Dec to Fri 4 Dec',
    'Hissing came in on Fri 4 Dec',
    'Throat left out on Fri 4 Dec',
    'Tue 1 Dec was published',
  ]);
  expect(differences(seen, seen)).toEqual([]);
});
