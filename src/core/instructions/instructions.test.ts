import fc from 'fast-check';
import { asidesIn, instructionsFor, instructionText, stricterBetween, tallier, toldTo, type House, type Member } from '.';
import { DEFAULT_SCHOOLS } from '../conventions';
import { SHIPPED_LIBRARY } from '../library';
import type { NamedBlock } from '../plan';
import { ASKED, changedRulebook, CONDITIONS, NOT_SCREENED, type ConditionAnswer, type ScreenedPerson, conditionOf, TO_EVERYBODY } from '../screening';
import { addDays, isoDate, millis } from '../units';

const { technique } = SHIPPED_LIBRARY;
const day = isoDate('2026-11-24');
const house: House = {
  library: SHIPPED_LIBRARY,
  naturalBreath: millis(4000),
  schools: { studio: DEFAULT_SCHOOLS, own: {} },
  rulebook: changedRulebook([]),
};
const block = (of: string): NamedBlock => {
  const { name, pattern, dose } = technique(of);
  return { id: of, kind: 'technique', technique: of, pattern, dose, tempo: 1000, name };
};
const yes = (condition: string, ...parts: string[]): ConditionAnswer => ({
  condition,
  answer: 'yes',
  date: null,
  parts: Object.fromEntries(conditionOf(condition).parts.map(({ id }) => [id, parts.includes(id) ? 'yes' : 'no'])),
});
const screened = (answers: readonly ConditionAnswer[], over: Partial<ScreenedPerson> = {}): ScreenedPerson => ({
  ...NOT_SCREENED,
  screenedOn: addDays(day, -10),
  birthDate: isoDate('1985-05-05'),
  answers,
  ...over,
});
const person = (name: string, of: ScreenedPerson): Member => ({ id: name, name, comfort: { inhale: null, exhale: null }, screened: of });
const well = person('Asta R.', screened([]));
const pressed = person('Fenna T.', screened([yes('high blood pressure', 'controlled')]));
const wheezy = person('Kester N.', screened([yes('lungs')]));
const blocks = [block('equal-4-4-4'), block('pumps-27'), block('alternate-4-4')];
const lines = (people: readonly Member[], of: readonly NamedBlock[] = blocks) => instructionsFor(people, of, day, house);

test('whoever does all of it as taught has no instruction, and everybody is there', () => {
  const all = lines([well, pressed]);
  expect([...all.keys()]).toEqual(['Asta R.', 'Fenna T.']);
  expect(all.get('Asta R.')).toEqual([]);
  expect(all.get('Fenna T.')!.map((one) => one.block)).toEqual(['equal-4-4-4', 'pumps-27', 'alternate-4-4']);
});

test('the director reads whether it waits for a clinician; a teacher reads the same for both', () => {
  const [, pumps, side] = lines([pressed]).get('Fenna T.')!;
  expect([pumps.answer, side.answer]).toEqual(['leave out', 'ask first']);
  expect(instructionText(pumps.advice)).toMatch(/^leave out; /);
  expect(instructionText(side.advice)).toMatch(/^leave out until a clinician says yes; /);
  for (const one of [pumps, side])
    expect(toldTo([one])[0]).toMatchObject({ mark: 'not this', text: expect.stringMatching(/^not this; (.+ instead|breathe .+)$/) });
});

test('an inhaler at hand is said to everybody, and of nobody', () => {
  expect(TO_EVERYBODY).toContain('Whoever has an inhaler keeps it at hand.');
  expect(JSON.stringify(toldTo(lines([wheezy]).get('Kester N.')!))).not.toMatch(/inhaler/);
});

test('rising slowly is said to everybody, and to the director of whom', () => {
  const faint = person('Cleo D.', screened([yes('low blood pressure')]));
  const lying: NamedBlock = { ...block('belly'), setup: { seat: 'lying', eyes: 'as you like', by: 'clock', moves: [] } };
  const [line] = lines([faint], [lying]).get('Cleo D.')!;
  expect(instructionText(line.advice)).toMatch(/rise slowly/);
  expect(toldTo([line])).toEqual([]);
  expect(TO_EVERYBODY).toContain('Everybody rises slowly from lying down.');
});

test('where a teacher hears what somebody breathes, what it is not is not said beside it', () => {
  const square = block('square-4');
  const [line] = lines([wheezy], [square]).get('Kester N.')!;
  expect(instructionText(line.advice)).toMatch(/hold/);
  expect(toldTo([line])[0].text).toMatch(/instead|breathe/);
  expect(toldTo([line])[0].text).not.toMatch(/hold/);
});

test('for teachers no condition, no reason and none of the director’s answers is in the words, whatever somebody has', () => {
  const secret = [...CONDITIONS.flatMap(({ name, reason }) => [name, reason]), 'ask first', 'leave out', 'clinician', 'screen'];
  const everything = SHIPPED_LIBRARY.techniques.map(({ id }) => block(id));
  fc.assert(
    fc.property(
      fc.subarray(
        ASKED.map(({ id }) => id),
        { maxLength: 3 },
      ),
      fc.boolean(),
      (conditions, known) => {
        const who = person('x', known ? screened(conditions.map((id) => yes(id))) : { ...NOT_SCREENED, answers: conditions.map((id) => yes(id)) });
        const told = JSON.stringify(toldTo(lines([who], everything).get('x') ?? []));
        expect(secret.filter((words) => told.includes(words))).toEqual([]);
        expect(told).not.toContain('"text":""');
      },
    ),
    { numRuns: 60 },
  );
});

test('people who are alike are worked out once, and come out as they would alone', () => {
  const people = ['a', 'b', 'c'].map((id) => person(id, pressed.screened));
  const known: NonNullable<Parameters<typeof instructionsFor>[5]> = new Map();
  const together = instructionsFor([...people, wheezy], blocks, day, house, undefined, known);
  expect(known.size).toBe(2 * blocks.length);
  for (const one of [...people, wheezy]) expect(together.get(one.id)).toEqual(lines([one]).get(one.id));
});

test('the day at the door changes that day’s instructions alone', () => {
  const unwell = { acute: true, blockedNose: false, meal: 'none' } as const;
  const told = (door?: typeof unwell) =>
    instructionsFor([well], blocks, day, house, door)
      .get('Asta R.')!
      .map((one) => one.answer);
  expect([told(), told(unwell)]).toEqual([[], ['leave out', 'leave out', 'leave out']]);
});

describe('stricter since it was read', () => {
  const stricter = (then: Member, now: Member, rulebook = house.rulebook) =>
    stricterBetween({ people: [then], house }, { people: [now], house: { ...house, rulebook } }, blocks, day).map(({ name, block: of }) => [
      name,
      of,
    ]);

  test('a new condition is, one that is gone is not', () => {
    const now = { ...well, screened: pressed.screened };
    expect(stricter(well, now)).toEqual([
      ['Asta R.', 'Equal 4:4:4'],
      ['Asta R.', '27 pumps'],
      ['Asta R.', 'Alternate nostril 4:4'],
    ]);
    expect(stricter(now, well)).toEqual([]);
    expect(stricter(now, now)).toEqual([]);
  });

  test('an override that ended is, though nobody’s answers changed', () => {
    const aside = { id: 'o', rules: ['high-blood-pressure.side-work'], reason: '', by: '', from: addDays(day, -5), until: addDays(day, 5) };
    const before = { ...pressed, screened: { ...pressed.screened, overrides: [aside] } };
    expect(stricter(before, pressed)).toEqual([['Fenna T.', 'Alternate nostril 4:4']]);
    expect(asidesIn([before], blocks, day, house)).toEqual([
      expect.objectContaining({ name: 'Fenna T.', text: expect.stringContaining('ask first') }),
    ]);
    expect(asidesIn([before], [block('longer-4-6')], day, house)).toEqual([]);
  });

  test('from waiting for a clinician to left out reads the same, and is not asked again', () => {
    const rulebook = changedRulebook([
      { kind: 'change', rule: 'high-blood-pressure.side-work', answer: 'leave out', adaptation: null, reason: 'stricter here', reviewer: '' },
    ]);
    expect(stricter(pressed, pressed, rulebook)).toEqual([]);
  });

  test('whoever joined since is new to the teacher', () => {
    expect(stricterBetween({ people: [], house }, { people: [pressed, well], house }, [block('pumps-27')], day).map(({ name }) => name)).toEqual([
      'Fenna T.',
    ]);
  });
});

test('a tally counts everybody once, in numbers alone', () => {
  const tally = tallier([well, pressed, wheezy, person('Hedy W.', NOT_SCREENED)], house);
  const of = (id: string) => tally(block(id) as never, day);
  expect(of('pumps-27')).toMatchObject({ people: 4, leaveOut: 3, askFirst: 0, adapt: 0, watch: 0 });
  const { people, leaveOut, askFirst, adapt, watch } = of('equal-4-4-4');
  expect(people).toBe(4);
  expect(leaveOut + askFirst + adapt + watch).toBe(3);
});
