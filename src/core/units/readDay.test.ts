import fc from 'fast-check';
import { addDays, dayText, isoDate, longDayText, readDay, readTime, weekday } from '.';

const today = isoDate('2026-11-25'); // a Wednesday

test.each([
  ['2026-12-01', '2026-12-01'],
  ['30/11', '2026-11-30'],
  ['30.11.', '2026-11-30'],
  ['30.11', '2026-11-30'],
  ['1/3', '2027-03-01'],
  ['1/6', '2026-06-01'],
  ['1 mar', '2027-03-01'],
  ['Mon 30 Nov', '2026-11-30'],
  ['Mon, 30 November 2026', '2026-11-30'],
  ['3/4/84', '1984-04-03'],
  ['3/4/36', '2036-04-03'],
  ['3/4/37', '1937-04-03'],
  ['today', '2026-11-25'],
  ['tomorrow', '2026-11-26'],
  ['yesterday', '2026-11-24'],
  ['wed', '2026-11-25'],
  ['tue', '2026-12-01'],
  ['next mon', '2026-11-30'],
  ['next wed', '2026-12-02'],
  ['Friday', '2026-11-27'],
  ['in 3 weeks', '2026-12-16'],
  ['in 1 day', '2026-11-26'],
  ['31/2', null],
  ['soon', null],
  ['', null],
])('%s', (text, day) => {
  expect(readDay(text, today)).toBe(day);
});

test('a day that is written is read as itself', () => {
  fc.assert(
    fc.property(fc.integer({ min: -180, max: 180 }), (days) => {
      const day = addDays(today, days);
      expect([readDay(dayText(day), today), readDay(longDayText(day), today)]).toEqual([day, day]);
    }),
  );
});

test('a weekday is the next one, and next is always in the week after this one', () => {
  for (const [index, name] of ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'].entries()) {
    const [one, next] = [readDay(name, today)!, readDay(`next ${name}`, today)!];
    expect([weekday(one), weekday(next)]).toEqual([index + 1, index + 1]);
    expect(one >= today && one < addDays(today, 7)).toBe(true);
    expect(next >= isoDate('2026-11-30') && next <= isoDate('2026-12-06')).toBe(true);
  }
});

test.each([
  ['18:30', '18:30'],
  ['1830', '18:30'],
  ['18.30', '18:30'],
  ['6.30pm', '18:30'],
  ['6 pm', '18:00'],
  ['12am', '00:00'],
  ['12 pm', '12:00'],
  ['7', '07:00'],
  ['24:00', null],
  ['18:60', null],
  ['13pm', null],
  ['noon', null],
])('%s o’clock', (text, time) => {
  expect(readTime(text)).toBe(time);
});
