import { adaptationText } from './adapt';
import { conditionOf, CONDITIONS } from './conditions';
import { featureName, type FeatureTest } from './features';
import { RULEBOOK, rulebookOf, withOpenEyes, type Rulebook } from './rulebook';
import { ANSWERS, type Adaptation, type Answer, type Rule } from './types';

/** A shipped rule that a studio answers in another way, or one of its own. Looser ones need a reason and a reviewer. */
export type RuleChange = {
  readonly reason: string;
  /** Who read it through; needed where it is looser. */
  readonly reviewer: string;
} & (
  | { readonly kind: 'change'; readonly rule: string; readonly answer: Answer; readonly adaptation: Adaptation | null }
  | {
      readonly kind: 'add';
      /** Made when the rule was made; it stays, whatever else is changed or taken back. */
      readonly id: string;
      readonly condition: string;
      readonly feature: FeatureTest;
      readonly answer: Exclude<Answer, 'clear'>;
      readonly adaptation: Adaptation | null;
    }
);

/** What a rule can look at, when a studio adds one. */
export const FEATURE_CHOICES: readonly FeatureTest[] = [
  ...new Map(RULEBOOK.map(({ feature }) => [featureName(feature), feature])).values(),
  { is: 'hold out', overSeconds: 4 } as const,
];

/** The adaptations that answer a feature: what is left no longer has it. */
export function adaptationsFor(feature: FeatureTest): readonly Adaptation[] {
  switch (feature.is) {
    case 'hold in':
      return [{ to: 'no hold in' }, { to: 'cap hold in', seconds: Math.max(1, feature.overSeconds) }];
    case 'hold out':
      return [{ to: 'no hold out' }];
    case 'any hold':
      return [{ to: 'holds optional' }];
    case 'side work':
      return [{ to: 'imagined sides' }];
    case 'mouth':
      return [{ to: 'nose only' }];
    case 'pace below 6':
      return [{ to: 'pace 6 or faster' }];
    case 'tag':
      return TAG_ADAPTATIONS.filter(({ tags }) => feature.of.some((tag) => tags.includes(tag))).map(({ adaptation }) => adaptation);
    default:
      return [];
  }
}

const TAG_ADAPTATIONS: readonly { readonly tags: readonly string[]; readonly adaptation: Adaptation }[] = [
  { tags: ['lying flat'], adaptation: { to: 'not flat' } },
  { tags: ['floor seat'], adaptation: { to: 'chair offered' } },
  { tags: ['standing'], adaptation: { to: 'not standing' } },
  { tags: ['eyes closed'], adaptation: { to: 'eyes open' } },
  { tags: ['twist'], adaptation: { to: 'no twist' } },
  { tags: ['neck circles'], adaptation: { to: 'no neck circles' } },
  { tags: ['forward bend'], adaptation: { to: 'no forward bend' } },
  { tags: ['hand at the nose'], adaptation: { to: 'hand-free' } },
];

/** Whether a change answers more loosely than the shipped rule it stands for. */
export function isLooser(change: RuleChange): boolean {
  if (change.kind === 'add') return false;
  const shipped = RULEBOOK.find(({ id }) => id === change.rule);
  if (!shipped) return false;
  const [before, after] = [shipped.answer, change.answer].map((answer) => ANSWERS.indexOf(answer));
  return after > before || (after === before && loosens(shipped.adaptation, change.adaptation));
}

/** An adaptation of the same answer that asks for less: a higher cap, or a cap instead of none. */
function loosens(before: Adaptation | null, after: Adaptation | null): boolean {
  if (before?.to === 'no hold in') return after?.to !== 'no hold in';
  if (before?.to === 'cap hold in') return after?.to !== 'no hold in' && !(after?.to === 'cap hold in' && after.seconds <= before.seconds);
  return before?.to !== after?.to;
}

/**
 * What is wrong with a change: it contradicts itself, names nothing, or is looser without a reason and a reviewer.
 * @example changeProblem({ kind: 'add', id, condition: 'neck', feature: { is: 'pumps' }, answer: 'adapt', adaptation: null, reason: '', reviewer: '' })
 * // "An adaptation of pumps has to say how…"
 */
export function changeProblem(change: RuleChange): string | null {
  const shipped = change.kind === 'change' ? RULEBOOK.find(({ id }) => id === change.rule) : null;
  if (change.kind === 'change' && !shipped) return 'There is no such rule in the shipped rulebook.';
  if (change.kind === 'add' && !CONDITIONS.some(({ id }) => id === change.condition)) return 'There is no such condition.';
  const feature = change.kind === 'add' ? change.feature : shipped!.feature;
  const name = featureName(feature);
  if (change.answer === 'adapt') {
    const fitting = adaptationsFor(feature);
    if (fitting.length === 0) return `There is no adaptation that leaves ${name} without it: leave it out, ask first, or watch.`;
    const own =
      change.adaptation && (sameAdaptation(change.adaptation, shipped?.adaptation ?? null) || fitting.some(({ to }) => to === change.adaptation!.to));
    if (!own) return `An adaptation of ${name} has to say how: ${fitting.map(adaptationText).join(', or ')}.`;
    if (change.adaptation!.to === 'cap hold in' && !(change.adaptation!.seconds >= 1 && change.adaptation!.seconds <= 60))
      return 'A hold is capped at 1 to 60 seconds.';
  } else if (change.adaptation) return `“${change.answer}” takes no adaptation.`;
  if (isLooser(change) && change.reason.trim().length < 8) return 'Looser than the shipped rulebook: give the reason, in a sentence.';
  if (isLooser(change) && change.reviewer.trim().length < 3) return 'Looser than the shipped rulebook: name who reviewed it.';
  return null;
}

function sameAdaptation(a: Adaptation, b: Adaptation | null): boolean {
  return JSON.stringify(a) === JSON.stringify(b);
}

/** The shipped rulebook with a studio's changes. A rule answered "clear" no longer bears on anybody. */
export function changedRulebook(changes: readonly RuleChange[]): Rulebook {
  if (changes.length === 0) return rulebookOf(RULEBOOK);
  const changed = new Map(changes.flatMap((change) => (change.kind === 'change' ? [[change.rule, change] as const] : [])));
  const kept = RULEBOOK.flatMap((rule): Rule[] => {
    const change = changed.get(rule.id);
    if (!change) return [rule];
    return change.answer === 'clear' ? [] : [withCap({ ...rule, answer: change.answer, adaptation: change.adaptation, ours: true })];
  });
  const added = changes.flatMap((change): Rule[] =>
    change.kind === 'add'
      ? [
          withCap({
            id: change.id,
            condition: change.condition,
            feature: change.feature,
            answer: change.answer,
            adaptation: change.adaptation,
            only: null,
            note: null,
            ours: true,
          }),
        ]
      : [],
  );
  return rulebookOf(withOpenEyes([...kept, ...added]));
}

/** A cap begins where it caps: whatever is longer is over it. */
function withCap(rule: Rule): Rule {
  const { adaptation } = rule;
  return adaptation?.to === 'cap hold in' ? { ...rule, feature: { is: 'hold in', overSeconds: adaptation.seconds } } : rule;
}

/** A change in words. @example changeText(change) // "heart condition, pacemaker or stent, counted breathing: ask first → leave out" */
export function changeText(change: RuleChange): string {
  const shipped = change.kind === 'change' ? RULEBOOK.find(({ id }) => id === change.rule)! : null;
  const condition = change.kind === 'add' ? change.condition : shipped!.condition;
  const feature = featureName(change.kind === 'add' ? change.feature : shipped!.feature);
  const name = condition === 'unscreened' ? 'no valid screening' : conditionOf(condition).name;
  const answer = (of: Answer, adaptation: Adaptation | null) => (adaptation ? adaptationText(adaptation) : of);
  const then = answer(change.answer, change.adaptation);
  return shipped ? `${name}, ${feature}: ${answer(shipped.answer, shipped.adaptation)} → ${then}` : `${name}, ${feature}: ${then} (ours)`;
}
