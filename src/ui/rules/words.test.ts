import { ASKED, RULEBOOK } from '@/core/screening';
import { ANSWER_COLUMNS, CONDITION_ROWS, conditionName, ruleText } from './words';

test('no two rules of a cell read alike', () => {
  for (const condition of CONDITION_ROWS) {
    for (const answer of ANSWER_COLUMNS) {
      const texts = RULEBOOK.filter((rule) => rule.condition === condition && rule.answer === answer).map(ruleText);
      expect(new Set(texts).size).toBe(texts.length);
      expect(texts.every((text) => text.trim().length > 3)).toBe(true);
    }
  }
});

test('every condition that is asked has a row with a name of its own', () => {
  expect(ASKED.filter(({ id }) => !CONDITION_ROWS.includes(id))).toEqual([]);
  const names = CONDITION_ROWS.map(conditionName);
  expect(new Set(names).size).toBe(names.length);
});
