import { checkSeries, seriesCheckText, type SeriesDay } from '.';
import { SHIPPED_LIBRARY } from '../library';
import { addDays, weekday, type IsoDate } from '../units';
import { first, dates, beginners, draft } from './example';

describe('live days and their classes', () => {
  const { days } = draft({ live: [2, 5] });
  const on = dates(21);
  const liveOn = on.filter((_, index) => days[index].kind === 'live');
  const practisedOn = (date: IsoDate) => days[on.indexOf(date)].blocks.map(({ technique }) => technique);
  const held = new Map(liveOn.map((date) => [date, practisedOn(date)] as const));
  const said = (over: Partial<Parameters<typeof checkSeries>[4] & object> = {}, of = days) =>
    checkSeries(of, on, '06:30', beginners, { classes: held, closed: [], weekdays: [2, 5], today: first, ...over })
      .filter(({ finding }) => finding.code !== 'course')
      .map(({ severity, day, finding }) => `${severity} ${day} ${finding.code}`);
  const dayOf = (date: IsoDate) => on.indexOf(date) + 1;
  const [one, two] = liveOn;

  test('as they were made there is nothing to say', () => {
    expect(said()).toEqual([]);
  });

  test('a class that is not held, or another than the day, is said while it is ahead', () => {
    const without = new Map([...held].filter(([date]) => date !== one));
    expect(said({ classes: without })).toEqual([`mend ${dayOf(one)} no class`]);
    expect(said({ classes: without, today: addDays(one, 1) })).toEqual([]);
    expect(said({ classes: new Map([...held, [two, ['belly', 'natural']]]) })).toEqual([`mend ${dayOf(two)} other class`]);
    // In another order it is the same class.
    expect(said({ classes: new Map([...held].map(([date, ids]) => [date, [...ids].reverse()])) })).toEqual([]);
  });

  test('closed days: a live one is mended, one that would be is known', () => {
    expect(said({ closed: [one] })).toEqual([`mend ${dayOf(one)} closed`]);
    const alone = days.map((day, index) => (on[index] === one ? { ...day, kind: 'own' as const } : day));
    expect(said({ closed: [one] }, alone)).toEqual([`know ${dayOf(one)} alone while closed`]);
    expect(said({}, alone)).toEqual([]);
  });

  test('each finding has its words', () => {
    const words = (finding: Parameters<typeof seriesCheckText>[0]['finding']) =>
      seriesCheckText({ severity: 'mend', day: 3, date: first, technique: null, finding }, SHIPPED_LIBRARY);
    expect(words({ code: 'other class', techniques: ['belly', 'gone'] })).toBe(
      'and its class differ: the plan of the class has Belly breath and something that is no longer in the library',
    );
    expect(words({ code: 'other class', techniques: [] })).toContain('has nothing to practise');
    expect(words({ code: 'no class' })).toContain('no class is held');
    expect(words({ code: 'closed' })).toBe('is live, and the studio is closed');
    expect(words({ code: 'alone while closed' })).toContain('practised alone');
    expect(words({ code: 'another weekday' })).toContain('another weekday');
    expect(words({ code: 'not alone' })).toContain('not for practising alone at home');
    expect(words({ code: 'two new things' })).toContain('one a day is enough');
    expect(words({ code: 'nothing' })).toBe('has nothing to practise');
    const jump = { day: 3, from: 1, to: 2, most: 2, may: 4 };
    expect(words({ code: 'daily growth', jump })).toBe('grows from 1 to 2 min too soon: a minute in three days, so from day 4 on');
    expect(words({ code: 'daily growth', jump: { ...jump, to: 3 } })).toBe('grows from 1 to 3 min: at most a minute more at once, so 2');
  });

  test('a day with nothing in it, two new things, or what is for company, is said', () => {
    const with_ = (day: Partial<SeriesDay>) => [{ ...days[0], ...day }, ...days.slice(1)];
    const codes = (of: readonly SeriesDay[]) => said({}, of).filter((text) => text.includes(' 1 '));
    const block = (technique: string) => ({ ...days[0].blocks[0], id: technique, technique, pattern: SHIPPED_LIBRARY.technique(technique).pattern });
    expect(codes(with_({ blocks: [] }))).toEqual(['mend 1 nothing']);
    expect(codes(with_({ blocks: [block('deepened'), block('hissing')] }))).toEqual(['mend 1 two new things']);
    expect(codes(with_({ blocks: [block('square-4')] }))).toEqual(['stop 1 not alone']);
  });

  test('on another weekday than the others it is known; where none was asked, nothing is', () => {
    expect(said({ weekdays: [2] })).toEqual(liveOn.filter((date) => weekday(date) === 5).map((date) => `know ${dayOf(date)} another weekday`));
    expect(said({ weekdays: [] })).toEqual([]);
  });
});
