import { createHash, randomBytes } from 'node:crypto';

/** Secrets that stand in addresses and cookies: only their hash is kept, so that nobody can use one who reads the database. */

export function newToken(): string {
  return randomBytes(32).toString('base64url');
}

export function hashOf(token: string): string {
  return createHash('sha256').update(token).digest('hex');
}

/** Whether something could be one of ours at all. */
export function isToken(token: string): boolean {
  return /^[\w-]{43}$/.test(token);
}
