import { timingSafeEqual } from 'node:crypto';
import { readFile, rm } from 'node:fs/promises';

/** The code that whoever set this machine up was shown: it opens the first page of a studio of one's own, once. */

/** Where it is kept; null where nobody is to begin a studio here. */
const codeFile = (): string | null => process.env.OAKEN_FIRST_CODE_FILE ?? null;

/** Letters and figures alone, as somebody types them. @example plain('bq7k-3mxp-w2ht') // "BQ7K3MXPW2HT" */
const plain = (code: string): string => code.toUpperCase().replace(/[^A-Z0-9]/g, '');

/** Whether a code is the one that was shown. */
export async function isFirstCode(typed: string): Promise<boolean> {
  const file = codeFile();
  const code = file && plain(await readFile(file, 'utf8').catch(() => ''));
  if (!code) return false;
  const [own, other] = [Buffer.from(code), Buffer.from(plain(typed))];
  return own.length === other.length && timingSafeEqual(own, other);
}

/** It has been used. */
export async function dropFirstCode(): Promise<void> {
  const file = codeFile();
  if (file) await rm(file, { force: true });
}
