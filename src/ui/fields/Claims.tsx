'use client';

import { useEffect, useState } from 'react';
import type { Look } from '@/core/claims';
import type { Reply } from '../forms/reply';

interface Props {
  readonly text: string;
  /** Takes the text with the neutral line in place of the sentence. */
  readonly onTake: (text: string) => void;
}

/** Milliseconds without typing after which a text is looked at. */
const SETTLED_MS = 500;
/** Shorter than this nothing is claimed. */
const SHORTEST = 6;

/** What of a text a studio may not be able to stand behind, marked where it stands, with why and a neutral line that one key takes. */
export function Claims({ text, onTake }: Props) {
  const looks = useLooks(text);
  if (looks.length === 0) return null;
  return (
    <div role="status" className="small">
      {looks.map((look) => (
        <p key={look.at} className={look.level === 'claim' ? 'error' : 'soft'}>
          <Marked text={text} look={look} /> – {look.level === 'may be' && <strong>Read it again. </strong>}
          {look.why}{' '}
          <button
            type="button"
            className="linklike"
            onClick={() => onTake(text.slice(0, look.at) + look.instead + text.slice(look.at + look.length))}
          >
            Say “{look.instead}”
          </button>
        </p>
      ))}
    </div>
  );
}

/** A sentence with the words that weigh most marked. */
function Marked({ text, look }: { text: string; look: Look }) {
  const ends = look.marks.map(({ at, length }) => at + length);
  return (
    <>
      {look.marks.map(({ at, length }, index) => (
        <span key={at}>
          {text.slice(index === 0 ? look.at : ends[index - 1], at)}
          <mark>{text.slice(at, at + length)}</mark>
        </span>
      ))}
      {text.slice(ends.at(-1) ?? look.at, look.at + look.length)}
    </>
  );
}

/** The server looks, once nobody has typed for a moment; what it said of another text is not shown. */
function useLooks(text: string): readonly Look[] {
  const [said, setSaid] = useState<{ readonly of: string; readonly looks: readonly Look[] }>({ of: '', looks: [] });
  useEffect(() => {
    if (text.trim().length < SHORTEST) return;
    const broken = new AbortController();
    const later = setTimeout(() => {
      // Without a network nothing is said; a letter that is sent is looked at again on the server.
      void looksOf(text, broken.signal).then(
        (looks) => setSaid({ of: text, looks }),
        () => undefined,
      );
    }, SETTLED_MS);
    return () => {
      clearTimeout(later);
      broken.abort();
    };
  }, [text]);
  return said.of === text ? said.looks : [];
}

async function looksOf(text: string, signal: AbortSignal): Promise<readonly Look[]> {
  const headers = { 'content-type': 'application/json' };
  const answer = await fetch('/api/wording', { method: 'POST', headers, body: JSON.stringify({ text }), signal });
  const reply = (await answer.json()) as Reply<readonly Look[]>;
  return reply.ok ? reply.value : [];
}
