import { addDays as shifted, differenceInCalendarDays, format, getISODay, parseISO } from 'date-fns';
import fc from 'fast-check';
import { addDays, ageOn, dateIn, daysBetween, isIsoDate, isoDate, mondayOf, weekday } from '.';

const anyDate = fc
  .date({ min: new Date('1930-01-01'), max: new Date('2090-12-31'), noInvalidDate: true })
  .map((date) => isoDate(date.toISOString().slice(0, 10)));

test('days are added, counted and named as a calendar does', () => {
  fc.assert(
    fc.property(anyDate, anyDate, fc.integer({ min: -800, max: 800 }), (date, other, days) => {
      expect(addDays(date, days)).toBe(format(shifted(parseISO(date), days), 'yyyy-MM-dd'));
      expect(daysBetween(date, other)).toBe(differenceInCalendarDays(parseISO(other), parseISO(date)));
      expect(weekday(date)).toBe(getISODay(parseISO(date)));
      expect([weekday(mondayOf(date)), daysBetween(mondayOf(date), date) < 7]).toEqual([1, true]);
    }),
  );
});

test('only real dates are dates, and a day belongs to the studio’s zone', () => {
  expect(['2026-02-29', '2026-13-01', '26-01-01', '2024-02-29'].map(isIsoDate)).toEqual([false, false, false, true]);
  expect(dateIn('Europe/Lisbon', new Date('2026-06-30T23:30:00Z'))).toBe('2026-07-01');
  expect(ageOn(isoDate('2010-12-01'), isoDate('2026-11-30'))).toBe(15);
  expect(ageOn(isoDate('2010-12-01'), isoDate('2026-12-01'))).toBe(16);
});
