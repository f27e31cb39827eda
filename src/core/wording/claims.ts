/** A claim a studio cannot stand behind, where it stands in a text, why, and a line to say instead. */
export interface Claim {
  readonly at: number;
  readonly length: number;
  readonly found: string;
  readonly why: string;
  readonly instead: string;
}

interface Rule {
  readonly pattern: RegExp;
  readonly why: string;
  readonly instead: string;
}

const SETTLING = 'many people find it settling';
const ILLNESS =
  'asthma|cancer|depression|diabetes|hypertension|insomnia|anxiety|covid|migraines?|ptsd|adhd|heart disease|high blood pressure|infections?|illness(?:es)?|diseases?';

/** Usual claims. Words of tradition, such as channels, energy, sun and moon, are not among them, nor is "ask your doctor first". */
const RULES: readonly Rule[] = [
  {
    pattern: new RegExp(`\\b(?:cures?|treats?|prevents?|heals?|reverses?|fights?|beats?)\\b(?:\\s+\\w+){0,3}?\\s+(?:${ILLNESS})\\b`, 'gi'),
    why: 'It promises something about an illness, which only a clinician may.',
    instead: SETTLING,
  },
  {
    pattern:
      /\b(?:replaces?|reduces?|instead of|no need for|come off|get off)\b(?:\s+\w+){0,3}?\s+(?:medicines?|medications?|drugs?|pills?|inhalers?|insulin)\b/gi,
    why: 'It speaks about medicine, which only the one who prescribed it may change.',
    instead: 'keep taking what was prescribed, and ask your doctor first',
  },
  {
    pattern:
      /\b(?:lowers?|reduces?|regulates?|normali[sz]es?)\b(?:\s+\w+){0,2}?\s+(?:blood pressure|blood sugar|cholesterol|cortisol|inflammation)\b/gi,
    why: 'It promises an effect in the body that nobody here can measure.',
    instead: SETTLING,
  },
  {
    pattern: /\bsafe for (?:everyone|everybody|all)\b/gi,
    why: 'Nothing is safe for everybody.',
    instead: 'with an easier way beside it for whoever wants it',
  },
  { pattern: /\bburns? (?:\w+ )?(?:fat|calories)\b/gi, why: 'It promises an effect on weight.', instead: 'lively and warming for many people' },
  {
    pattern: /\bdetox\w*\b|\b(?:flush|clear|release|remov)\w* (?:\w+ )?toxins\b/gi,
    why: 'The body is not cleaned by a way of breathing.',
    instead: 'refreshing for many people',
  },
  {
    pattern: /\b(?:super-?)?oxygenat\w*\b/gi,
    why: 'Strong breathing does not bring more oxygen to the brain.',
    instead: 'many people feel awake after it',
  },
  {
    pattern: /\bbalanc\w*\b[^.]{0,30}\b(?:hemispheres?|brain halves|halves of the brain)\b/gi,
    why: 'It claims something about the brain that is not known.',
    instead: 'taught in several traditions as balancing',
  },
  {
    pattern: /\bheals?\b(?:\s+\w+){0,3}?\s+(?:organs?|lungs?|liver|kidneys?|sexual function|trauma)\b/gi,
    why: 'It promises healing.',
    instead: SETTLING,
  },
  {
    pattern: /\b(?:scientifically |clinically )?proven\b/gi,
    why: 'One study, or many, prove nothing for the person who reads this.',
    instead: 'often taught for this',
  },
  {
    pattern: /\bi never (?:fall|get|am|was) (?:ill|sick)\b/gi,
    why: 'A teacher’s own health is no promise.',
    instead: 'I like to practise it myself',
  },
];

/**
 * Marks claims a studio cannot stand behind, where they stand, in the order of the text.
 * @example claimsIn('This cures asthma.')[0].found // "cures asthma"
 */
export function claimsIn(text: string): Claim[] {
  const claims = RULES.flatMap(({ pattern, why, instead }) =>
    [...text.matchAll(pattern)].map((match): Claim => ({ at: match.index, length: match[0].length, found: match[0], why, instead })),
  );
  return claims.sort((a, b) => a.at - b.at);
}
