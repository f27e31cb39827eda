/** What people agree to when they answer; every wording keeps its number, and a screening says which one it was given under. */
export interface Consent {
  readonly version: string;
  readonly text: string;
}

export const CONSENTS: readonly Consent[] = [
  {
    version: '1',
    text: 'I answer of my own will. The studio may use my answers to plan what I do in its breathing classes, for six months from today. I know that this clears me of nothing, that I can let go of anything at any time, and that I should ask my doctor where I am unsure.',
  },
];

/** The wording that is asked now. */
export const CONSENT: Consent = CONSENTS[CONSENTS.length - 1];
