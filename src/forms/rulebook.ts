import { array, mixed, number, object } from 'yup';
import { ANSWERS, changeProblem, FEATURE_CHOICES, type RuleChange } from '@/core/screening';
import { FORM_LIMITS } from './limits';
import { ID, NUL } from './rules';

/** One change of the rulebook, as plain data; whether it makes sense is for the core to say. */
function ruleChange() {
  return mixed<RuleChange>()
    .required()
    .test('change', 'This is no change of a rule.', (value, context) => {
      const problem = readRuleChange(value);
      return problem === null || context.createError({ message: problem });
    });
}

export const rulebookForm = object({
  number: number().required().integer().min(0),
  changes: array()
    .of(ruleChange())
    .max(FORM_LIMITS.ruleChanges)
    .test('ids', 'Two rules of your own have the same id.', (changes) => {
      const own = (changes ?? []).flatMap((change) => (change?.kind === 'add' ? [change.id] : []));
      return new Set(own).size === own.length;
    })
    .required(),
});

/** What is wrong with something that should be a change of a rule. */
function readRuleChange(value: unknown): string | null {
  if (typeof value !== 'object' || value === null || !('kind' in value)) return 'This is no change of a rule.';
  const change = value as RuleChange;
  if (change.kind !== 'add' && change.kind !== 'change') return 'This is no change of a rule.';
  if (
    typeof change.reason !== 'string' ||
    typeof change.reviewer !== 'string' ||
    change.reason.length > FORM_LIMITS.reason ||
    change.reviewer.length > FORM_LIMITS.courseName ||
    NUL.test(change.reason + change.reviewer)
  )
    return 'A reason of at most 300 and a reviewer of at most 80 characters.';
  if (!(ANSWERS as readonly string[]).includes(change.answer)) return 'There is no such answer.';
  if (change.kind === 'add' && (typeof change.id !== 'string' || !ID.test(change.id))) return 'A rule of your own needs an id of its own.';
  if (change.kind === 'add' && !FEATURE_CHOICES.some((feature) => JSON.stringify(feature) === JSON.stringify(change.feature)))
    return 'There is no such feature.';
  return changeProblem(change);
}
