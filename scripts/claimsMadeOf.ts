import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

/** What the check was trained from, as a fingerprint: where it changes, it is trained anew. */
export function claimsMadeOf(): string {
  const folder = join(process.cwd(), 'src/core/claims');
  const files = [
    'concepts.ts',
    'features.ts',
    'train.ts',
    'lexicon.ts',
    'rules.ts',
    ...readdirSync(join(folder, 'lines')).map((name) => join('lines', name)),
  ];
  const hash = createHash('sha256');
  for (const name of files.filter((one) => !one.includes('.test.')).sort()) hash.update(readFileSync(join(folder, name)));
  return hash.digest('hex').slice(0, 16);
}
