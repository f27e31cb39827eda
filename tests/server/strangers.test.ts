import { v7 as newId } from 'uuid';
import { APART_LIMITS, readApart } from '../../src/server/apart';
import { importCalendar, previewCalendar } from '../../src/server/usecases/exchange/calendars';
import { previewCourse } from '../../src/server/usecases/exchange/coursePackage';
import { previewRoster } from '../../src/server/usecases/people/importRoster';
import { previewOwnWays } from '../../src/server/usecases/techniques/ownWays';
import { answerOf, closeDatabase, demo, deskOf, openBoth } from './studio';

/** Files that strangers made: whatever stands in them, the application goes on answering, and they have their answer in words. */

const director = () => deskOf('director');
const calendar = (rule: string, begins = '20261201T180000Z') =>
  `BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:x\r\nBEGIN:VEVENT\r\nUID:1@x\r\nDTSTAMP:20261101T000000Z\r\nSUMMARY:Odd\r\nDTSTART:${begins}\r\nDURATION:PT1H\r\nRRULE:${rule}\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n`;

beforeAll(openBoth, 120_000);
afterAll(closeDatabase);

/** How long the longest moment was in which nothing else could be answered, while something runs. */
async function stillness<T>(work: () => Promise<T>): Promise<{ readonly answer: T; readonly ms: number }> {
  let [last, longest] = [performance.now(), 0];
  const tick = setInterval(() => {
    const now = performance.now();
    [longest, last] = [Math.max(longest, now - last), now];
  }, 5);
  const answer = await work();
  clearInterval(tick);
  return { answer, ms: longest };
}

test.each([
  'FREQ=DAILY;BYMONTH=2;BYMONTHDAY=30',
  'FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=30',
  'FREQ=MONTHLY;BYMONTHDAY=31;BYMONTH=2,4,6',
  'FREQ=SECONDLY;BYMONTH=2;BYMONTHDAY=30',
  'FREQ=WEEKLY;BYDAY=MO;BYMONTH=2;BYMONTHDAY=30',
])(
  'a calendar that never comes round (%s) is ended, and the application answers meanwhile',
  async (rule) => {
    const input = { once: newId(), text: calendar(rule), as: 'busy' };
    const desk = await director();
    const begun = Date.now();
    const { answer, ms } = await stillness(() => Promise.all([answerOf(previewCalendar(desk, input)), answerOf(importCalendar(desk, input))]));
    expect(answer.every((one) => ['invalid', 'allowed'].includes(one))).toBe(true);
    expect(Date.now() - begun).toBeLessThan(2 * APART_LIMITS.ms + 4000);
    // One small file once took 48 seconds in which nothing else was answered.
    expect(ms).toBeLessThan(1000);
  },
  30_000,
);

test('deep, wide and wrong files of every kind have their answer in words', async () => {
  const { ferry } = await demo(await director());
  const texts: readonly string[] = [
    '['.repeat(900_000),
    `{"format":"x","a":${'['.repeat(200_000)}${']'.repeat(200_000)}}`,
    `{"format":"oaken-ladder course","version":1,"classes":[${'{},'.repeat(300_000)}{}]}`,
    `{"ways":[${'{"name":"x","base":"equal-4-4","pattern":"4:4","dose":"1 min"},'.repeat(12_000)}{}]}`,
    `\u0089PNG\r\n${'\u0000\uFFFD'.repeat(50_000)}`,
    `name,email\n${'x'.repeat(900_000)}`,
    `${','.repeat(400_000)}\n`,
    '"'.repeat(900_001),
    'BEGIN:VCALENDAR\r\n'.repeat(50_000),
    '',
  ];
  const desk = await director();
  for (const text of texts)
    for (const work of [
      () => previewCalendar(desk, { once: newId(), text, as: 'closures' }),
      () => previewCourse(desk, { text }),
      () => previewOwnWays(desk, { once: newId(), text }),
      () => previewRoster(desk, { once: newId(), cohort: ferry, text, mapping: { name: 'name' } }),
    ]) {
      const { answer, ms } = await stillness(() => answerOf(work()));
      expect(['invalid', 'allowed']).toContain(answer);
      expect(ms).toBeLessThan(1500);
    }
}, 120_000);

test('more files at once than are read wait their turn; far too many are told to come back', async () => {
  const reading = Array.from({ length: APART_LIMITS.atOnce + APART_LIMITS.waiting + 1 }, () =>
    answerOf(readApart('calendar', 'hello', 'UTC', { from: '2026-11-26' as never, until: '2026-12-26' as never })),
  );
  const answers = await Promise.all(reading);
  expect(answers.filter((answer) => answer === 'too-many')).toHaveLength(1);
  expect(answers.at(-1)).toBe('too-many');
}, 60_000);
