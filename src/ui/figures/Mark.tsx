import type { Answer } from '@/core/screening';

/** Decisions as joinery: each differs in shape, has its word beside it, and stands out from what is behind it. */
export function Mark({ answer, word = answer, size = 30 }: { answer: Answer; word?: string; size?: number }) {
  return (
    <svg width={size} height={size * 0.6} viewBox="0 0 30 18" role="img" aria-label={word} style={{ flex: 'none' }}>
      {SHAPES[answer]}
    </svg>
  );
}

const SHAPES: Record<Answer, React.ReactNode> = {
  // A gap cut through the wood.
  'leave out': (
    <>
      <path d="M1 3h9l-2 12H1zM20 3h9v12H18z" fill="var(--clay)" />
      <path d="M11.5 0 L18.5 18" stroke="var(--clay)" strokeWidth="2.4" />
    </>
  ),
  // A knot.
  'ask first': (
    <>
      <rect x="1" y="3" width="28" height="12" fill="var(--pale-oak)" stroke="var(--ochre)" />
      <ellipse cx="15" cy="9" rx="9" ry="5" fill="none" stroke="var(--ochre)" strokeWidth="2.2" />
      <ellipse cx="15" cy="9" rx="3.4" ry="1.9" fill="var(--ochre)" />
    </>
  ),
  // A splice of two woods.
  adapt: (
    <>
      <path d="M1 3h17l-6 12H1z" fill="var(--oak)" />
      <path d="M20.5 3H29v12H14.5z" fill="var(--lichen)" />
    </>
  ),
  // A peg.
  watch: (
    <>
      <rect x="1" y="3" width="28" height="12" fill="var(--pale-oak)" stroke="var(--oak)" />
      <circle cx="15" cy="9" r="4" fill="var(--dark-oak)" />
    </>
  ),
  // Plain wood.
  clear: <rect x="1.75" y="3.75" width="26.5" height="10.5" fill="none" stroke="var(--oak)" strokeWidth="1.5" />,
};

/** The name a mark's shape has in {@link MarkShapes}. */
export function markId(answer: Answer): string {
  return `mark-${answer.replace(' ', '-')}`;
}

/** Every mark once, for tables that draw thousands of them by name. */
export function MarkShapes() {
  return (
    <svg width="0" height="0" aria-hidden="true" style={{ position: 'absolute' }}>
      <defs>
        {Object.entries(SHAPES).map(([answer, shape]) => (
          <symbol key={answer} id={markId(answer as Answer)} viewBox="0 0 30 18">
            {shape}
          </symbol>
        ))}
      </defs>
    </svg>
  );
}

export const ANSWER_WORD: Record<Answer, string> = { 'leave out': 'out', 'ask first': 'ask', adapt: 'adapt', watch: 'watch', clear: 'clear' };

/** What each mark means, for the foot of a table. */
export function MarkKey() {
  const meaning: [Answer, string][] = [
    ['clear', 'as taught'],
    ['watch', 'as taught, with an eye on them'],
    ['adapt', 'this technique, changed'],
    ['ask first', 'left out until a clinician says yes'],
    ['leave out', 'not offered as taught'],
  ];
  return (
    <ul className="plain small" aria-label="What the marks mean">
      {meaning.map(([answer, text]) => (
        <li key={answer} className="row" style={{ gap: 8, padding: '2px 0', flexWrap: 'nowrap', alignItems: 'baseline' }}>
          <Mark answer={answer} />
          <span>
            <strong>{answer}</strong> <span className="soft">{text}</span>
          </span>
        </li>
      ))}
    </ul>
  );
}
