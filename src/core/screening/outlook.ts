import { adaptationText } from './adapt';
import { conditionOf } from './conditions';
import { hasFeature, type Features } from './features';
import { SHIPPED, type Rulebook } from './rulebook';
import { ANSWERS, RULE_STATES, type Answer } from './types';

/** What the rulebook would say of a technique, for whom, before anyone is looked at. */
export interface OutlookLine {
  readonly answer: Exclude<Answer, 'clear'>;
  /** The adaptation in words; null for the other answers. */
  readonly change: string | null;
  readonly conditions: readonly string[];
}

/** Summarises every rule that a technique's features meet: strictest first, conditions gathered. */
export function outlook(features: Features, rulebook: Rulebook = SHIPPED): OutlookLine[] {
  const lines = new Map<string, OutlookLine & { conditions: string[] }>();
  for (const rule of rulebook.rules) {
    if (!hasFeature(features, rule.feature)) continue;
    const name = rule.condition === 'unscreened' ? 'no valid screening' : conditionOf(rule.condition).name;
    const change = rule.adaptation && adaptationText(rule.adaptation);
    const key = `${rule.answer} ${change ?? ''}`;
    const line = lines.get(key) ?? { answer: rule.answer, change, conditions: [] };
    const text = rule.only ? `${name} (${RULE_STATES[rule.only]})` : name;
    if (!line.conditions.includes(text)) line.conditions.push(text);
    lines.set(key, line);
  }
  return [...lines.values()].sort((a, b) => ANSWERS.indexOf(a.answer) - ANSWERS.indexOf(b.answer));
}
