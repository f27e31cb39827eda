/**
 * A stand-in for the outside post office: it takes every letter, so that the outbox shows what would have gone. Two kinds of
 * address behave as the real world does: `@refused.example` is never taken, `@later.example` only at the third try.
 */
export interface Letter {
  readonly address: string;
  /** How often it was tried before. */
  readonly tries: number;
}

/** @returns null when the letter is taken, else what the post office says @example post({ address: 'a@post.example', tries: 0 }) // null */
export function post({ address, tries }: Letter): string | null {
  if (address.endsWith('@refused.example')) return 'this address takes no mail';
  if (address.endsWith('@later.example') && tries < 2) return 'the post office is busy';
  return null;
}
