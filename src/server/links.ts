import { createHash } from 'node:crypto';
import { isToken } from './repositories/tokens';

/**
 * A secret in a link is exchanged for a cookie as soon as the link is opened: what stands in the address from then on opens nothing by
 * itself, so that neither the address line, nor a log, nor the next page learns it. Each link has a cookie of its own.
 */
export const LINKS = {
  /** Seconds each is kept: as long as somebody may need to choose a password, to fill in a form, or take part in a series. */
  join: 3600,
  form: 86_400,
  day: 400 * 86_400,
} as const;

export type LinkKind = keyof typeof LINKS;

/** Whether something is a secret itself, not the key to one. */
export const isSecret = isToken;

/** What stands in the address for a secret. @example keyOf(token) // "a3f09c1be2d44870" */
export const keyOf = (token: string): string => createHash('sha256').update(token).digest('hex').slice(0, 16);

export const linkCookie = (kind: LinkKind, key: string): string => `oaken-${kind}-${key}`;

/** The secret that a path of ours carries, with where it leads without it; null for any other path. */
export function carried(path: string): { readonly kind: LinkKind; readonly token: string; readonly to: string; readonly cookie: string } | null {
  const [, kind, token, ...more] = path.split('/');
  if (!(kind === 'join' || kind === 'form' || kind === 'day') || more.length > 0 || !isToken(token ?? '')) return null;
  const key = keyOf(token);
  return { kind, token, to: `/${kind}/${key}`, cookie: linkCookie(kind, key) };
}

/** Where why something was not taken waits for the next page. */
export const flashCookie = (key: string): string => `oaken-why-${key}`;
