import { sync } from 'node-ical';
import { readCalendar, writeCalendar, type CalendarClass } from './calendar';
import { fileName } from './formats';
import { dateIn, instantIn, isoDate, timeIn } from '../units';

const zone = 'Europe/Lisbon';
const now = new Date('2026-11-26T09:00:00Z');
const window = { from: isoDate('2026-11-26'), until: isoDate('2027-11-26') };
const one = (over: Partial<CalendarClass> = {}): CalendarClass => ({
  id: 'c1',
  sequence: 3,
  date: isoDate('2027-07-01'),
  start: '06:00',
  minutes: 60,
  title: 'Steady, on the boat; early',
  about: 'Equal 4:4\nLonger exhale — a line that is long enough to be folded over more than one line of the file, as the format asks for.',
  cancelled: null,
  ...over,
});
const calendar = (...events: string[]) => `BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:x\r\n${events.join('\r\n')}\r\nEND:VCALENDAR\r\n`;
const event = (...lines: string[]) =>
  ['BEGIN:VEVENT', `UID:${lines.join('').length}@x`, 'DTSTAMP:20261101T000000Z', ...lines, 'END:VEVENT'].join('\r\n');

test('classes and closed days are read back by an independent reader', () => {
  const text = writeCalendar(
    { name: 'Tamsin', zone, now },
    [one(), one({ id: 'c2', cancelled: 'storm', date: isoDate('2026-12-01') })],
    [{ id: 'k', from: isoDate('2026-12-24'), until: isoDate('2026-12-26'), reason: 'holidays' }],
  );
  expect(text.split('\r\n').every((line) => Buffer.byteLength(line) <= 75)).toBe(true);
  const read = Object.values(sync.parseICS(text)).filter((each) => each?.type === 'VEVENT') as unknown as Record<string, unknown>[];
  const by = (uid: string) => read.find((each) => each.uid === `${uid}@oaken-ladder`)!;
  expect([by('c1').summary, by('c1').description]).toEqual([one().title, one().about]);
  expect([(by('c1').start as Date).toISOString(), (by('c1').end as Date).toISOString()]).toEqual([
    '2027-07-01T05:00:00.000Z',
    '2027-07-01T06:00:00.000Z',
  ]);
  expect([by('c1').status, String(by('c1').sequence), by('c2').status]).toEqual(['CONFIRMED', '3', 'CANCELLED']);
  expect([by('k').datetype, (by('k').start as Date).getDate(), (by('k').end as Date).getDate()]).toEqual(['date', 24, 27]);
});

test('wall clocks of a zone become instants on both sides of a change of clocks', () => {
  const at = (date: string, clock: string) => instantIn(zone, isoDate(date), clock).toISOString();
  expect([at('2027-03-27', '06:00'), at('2027-03-28', '06:00')]).toEqual(['2027-03-27T06:00:00.000Z', '2027-03-28T05:00:00.000Z']);
  expect([at('2026-10-24', '06:00'), at('2026-10-25', '06:00')]).toEqual(['2026-10-24T05:00:00.000Z', '2026-10-25T06:00:00.000Z']);
  expect([at('2026-10-25', '00:30'), at('2026-10-25', '01:30')]).toEqual(['2026-10-24T23:30:00.000Z', '2026-10-25T00:30:00.000Z']);
  expect(() => instantIn('Nowhere/Else', isoDate('2026-11-26'), '06:00')).toThrow(RangeError);
  for (const other of ['America/New_York', 'Asia/Kolkata', 'Pacific/Auckland', 'UTC'])
    for (const date of ['2027-01-15', '2027-06-15', '2027-03-14', '2027-04-04', '2026-11-01'].map(isoDate))
      for (const clock of ['00:00', '06:45', '18:30', '23:59']) {
        const instant = instantIn(other, date, clock);
        expect([other, dateIn(other, instant), timeIn(other, instant)]).toEqual([other, date, clock]);
      }
});

test('busy times come in by the studio’s clock, whatever zone they were written in', () => {
  const { spans, problems } = readCalendar(
    calendar(
      event('SUMMARY:Dentist', 'DTSTART:20261201T173000Z', 'DTEND:20261201T183000Z'),
      event('SUMMARY:Train', 'DTSTART;TZID=America/New_York:20261202T120000', 'DTEND;TZID=America/New_York:20261202T130000'),
      event('SUMMARY:Choir', 'DTSTART:20261203T200000', 'DURATION:PT2H'),
      event('SUMMARY:Away', 'DTSTART;VALUE=DATE:20261224', 'DTEND;VALUE=DATE:20261227'),
      event('SUMMARY:Night boat', 'DTSTART:20261210T220000Z', 'DTEND:20261211T060000Z'),
      event('SUMMARY:Not held', 'STATUS:CANCELLED', 'DTSTART:20261205T100000Z', 'DTEND:20261205T110000Z'),
      event('SUMMARY:Long ago', 'DTSTART:20201205T100000Z', 'DTEND:20201205T110000Z'),
    ),
    zone,
    window,
  );
  expect(problems).toEqual([]);
  expect(spans.map(({ title, from, until, fromTime, untilTime }) => [title, from, until, fromTime, untilTime])).toEqual([
    ['Dentist', '2026-12-01', '2026-12-01', '17:30', '18:30'],
    ['Train', '2026-12-02', '2026-12-02', '17:00', '18:00'],
    ['Choir', '2026-12-03', '2026-12-03', '20:00', '22:00'],
    ['Night boat', '2026-12-10', '2026-12-10', '22:00', '23:59'],
    ['Night boat', '2026-12-11', '2026-12-11', '00:00', '06:00'],
    ['Away', '2026-12-24', '2026-12-26', null, null],
  ]);
});

test('what repeats is written out as far as the days asked for, and never without end', () => {
  const weekly = event('SUMMARY:Every Tuesday', 'DTSTART:20261124T180000Z', 'DTEND:20261124T190000Z', 'RRULE:FREQ=WEEKLY', 'EXDATE:20261208T180000Z');
  const near = { from: isoDate('2026-11-26'), until: isoDate('2026-12-20') };
  expect(readCalendar(calendar(weekly), zone, near).spans.map(({ from }) => from)).toEqual(['2026-12-01', '2026-12-15']);
  const old = (every: string) => event('SUMMARY:Old', 'DTSTART:19900101T180000Z', 'DTEND:19900101T190000Z', `RRULE:FREQ=${every}`);
  expect(readCalendar(calendar(old('DAILY')), zone, near).spans).toHaveLength(25);
  expect(readCalendar(calendar(old('MINUTELY')), zone, near).problems[0].message).toMatch(/repeats more than 20000 times/);
});

test('many events that repeat without end are looked at so often together, and no oftener', () => {
  const near = { from: isoDate('2026-11-26'), until: isoDate('2026-12-20') };
  // Each has come round some 13 000 times before the days asked for.
  const daily = (n: number) =>
    calendar(
      ...Array.from({ length: n }, (_, at) => event(`SUMMARY:${at}`, 'DTSTART:19900101T180000Z', 'DTEND:19900101T190000Z', 'RRULE:FREQ=DAILY')),
    );
  expect(readCalendar(daily(2), zone, near)).toMatchObject({ problems: [], spans: { length: 50 } });
  const over = readCalendar(daily(3), zone, near);
  expect([over.spans, over.problems.at(-1)?.message]).toEqual([[], expect.stringMatching(/Too much in this calendar repeats/)]);
});

test('a title is one line of what can be read', () => {
  const titles = (summary: string) =>
    readCalendar(calendar(event(`SUMMARY:${summary}`, 'DTSTART:20261201T173000Z', 'DTEND:20261201T183000Z')), zone, window).spans.map(
      ({ title }) => title,
    );
  expect([titles('Dentist\\nat\u0007 noon'), titles('\u202e'), titles('x'.repeat(201))]).toEqual([
    ['Dentist at noon'],
    ['without a title'],
    ['x'.repeat(200)],
  ]);
});

test('what cannot be read has its own plain answer, and nothing comes in', () => {
  const problem = (text: string) =>
    readCalendar(text, zone, window)
      .problems.map(({ message }) => message)
      .join(' ');
  expect(problem('hello')).toMatch(/no calendar/);
  expect(problem('BEGIN:VCALENDAR\r\nVERSION:2.0\r\nbroken line\r\nEND:VCALENDAR')).toMatch(/does not read/);
  expect(problem(calendar(event('SUMMARY:X', 'DTSTART;TZID=Mars/Base:20261201T100000', 'DTEND;TZID=Mars/Base:20261201T110000')))).toMatch(
    /time zone “Mars\/Base”/,
  );
  expect(problem(calendar(event('SUMMARY:X')))).toMatch(/when it begins/);
  const good = event('SUMMARY:Good', 'DTSTART:20261201T173000Z', 'DTEND:20261201T183000Z');
  expect(readCalendar(calendar(good, event('SUMMARY:X', 'DTSTART:20261202T173000Z', 'DTEND:20261202T163000Z')), zone, window).spans).toEqual([]);
  expect(problem('x'.repeat(1_900_001))).toMatch(/too large/);
  const many = (n: number) =>
    calendar(...Array.from({ length: n }, (_, at) => event(`SUMMARY:${at}`, 'DTSTART:20261201T173000Z', 'DTEND:20261201T183000Z')));
  expect([problem(many(500)), readCalendar(many(500), zone, window).spans.length]).toEqual(['', 500]);
  expect(problem(many(502))).toMatch(/More than 500/);
});

test('a file is named by what it is about', () => {
  expect([fileName('calendar', 'Long phrases, élan!'), fileName('lesson plan', '···')]).toEqual(['long-phrases-elan.ics', 'file.pdf']);
});
