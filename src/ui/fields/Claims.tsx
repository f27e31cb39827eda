import { claimsIn } from '@/core/wording';

interface Props {
  readonly text: string;
  /** Takes the text with the neutral line in place of the claim. */
  readonly onTake: (text: string) => void;
}

/** What of a text a studio cannot stand behind, marked where it stands, with why and a neutral line that one key takes. */
export function Claims({ text, onTake }: Props) {
  const claims = claimsIn(text);
  if (claims.length === 0) return null;
  return (
    <div role="status" className="small">
      {claims.map(({ at, length, found, why, instead }) => (
        <p key={at} className="error">
          {text.slice(0, at)}
          <mark>{found}</mark>
          {text.slice(at + length)} – {why}{' '}
          <button type="button" className="linklike" onClick={() => onTake(text.slice(0, at) + instead + text.slice(at + length))}>
            Say “{instead}”
          </button>
        </p>
      ))}
    </div>
  );
}
