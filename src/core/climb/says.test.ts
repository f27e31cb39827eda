import { saysText, whatItSays } from '.';
import type { Attendance } from '../teach';

const person = (index: number, over: Partial<Attendance> = {}): Attendance => ({
  person: `p${index}`,
  came: true,
  effort: 'easy',
  stopSigns: [],
  ...over,
});
const room = (efforts: Partial<Record<Attendance['effort'], number>>, absent = 0, signs = 0): Attendance[] => {
  const came = Object.entries(efforts).flatMap(([effort, n]) => Array.from({ length: n }, () => effort as Attendance['effort']));
  return [
    ...came.map((effort, index) => person(index, { effort, stopSigns: index < signs ? ['dizziness'] : [] })),
    ...Array.from({ length: absent }, (_, index) => person(100 + index, { came: false })),
  ];
};

const says = (attendance: readonly Attendance[], people: number, unnamed: readonly string[] = []) => whatItSays({ attendance, unnamed }, people);

test.each([
  ['nine of eleven came, eight easy', room({ easy: 8, worked: 1 }, 2), 11, 'advance', 'enough'],
  ['exactly four in five easy', room({ easy: 4, worked: 1 }), 10, 'advance', 'enough'],
  ['just under four in five easy', room({ easy: 7, worked: 2 }), 9, 'stay', 'not easy'],
  ['exactly half came', room({ easy: 5 }, 5), 10, 'advance', 'enough'],
  ['fewer than half came', room({ easy: 4 }, 5), 9, 'stay', 'few came'],
  ['one stop sign', room({ easy: 9 }, 0, 1), 9, 'stay', 'one sign'],
  ['two stop signs', room({ easy: 9 }, 0, 2), 9, 'back', 'signs'],
  ['one that called for help', [...room({ easy: 9 }), person(50, { stopSigns: ['fainting'] })], 10, 'back', 'help'],
  ['three in ten strained', room({ easy: 7, strained: 3 }), 10, 'back', 'strained'],
  ['fewer than three in ten strained', room({ easy: 8, strained: 2 }), 10, 'advance', 'enough'],
] as const)('%s', (_, attendance, people, answer, because) => {
  expect(says(attendance, people)).toMatchObject({ answer, because });
});

test('a sign of somebody nobody can name is a sign', () => {
  expect(says(room({ easy: 9 }), 9, ['dizziness'])).toMatchObject({ answer: 'stay', because: 'one sign', signs: 1 });
  expect(says(room({ easy: 9 }, 0, 1), 9, ['wheeze'])).toMatchObject({ answer: 'back', because: 'signs' });
  expect(says(room({ easy: 9 }), 9, ['chest pain'])).toMatchObject({ answer: 'back', because: 'help' });
});

test('a class nobody came to says nothing', () => {
  expect(says(room({}, 4), 4)).toBeNull();
  expect(says(room({}, 4), 4, ['dizziness'])).toMatchObject({ answer: 'stay', because: 'one sign' });
});

test.each([
  [[...room({ easy: 9 }), person(50, { stopSigns: ['chest pain'] })], 'one stop sign. A sign that called for help goes back a step.'],
  [room({ easy: 9 }, 0, 1), 'one stop sign. A stop sign stays on the step.'],
  [room({ easy: 9 }, 0, 2), '2 stop signs. 2 stop signs go back a step.'],
  [room({ easy: 3 }, 6), 'Fewer than half came, so it stays on the step.'],
  [room({ easy: 5, worked: 4 }), 'Fewer than 80 % found it easy, so it stays on the step.'],
] as const)('each answer in words: %#', (attendance, text) => {
  expect(saysText(says(attendance, 9)!)).toContain(text);
});

test('what it says stands with its figures and its rule', () => {
  expect(saysText(says(room({ easy: 8, worked: 1 }, 2), 11)!)).toBe('9 of 11 came, 8 easy, none strained, no stop sign. Enough to go on.');
  expect(saysText(says(room({ easy: 5, strained: 3 }, 3), 11)!)).toBe(
    '8 of 11 came, 5 easy, 3 strained, no stop sign. 30 % strained or more goes back a step.',
  );
});
