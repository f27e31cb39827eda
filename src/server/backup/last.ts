import { readFile } from 'node:fs/promises';
import { join } from 'node:path';

/** What is known of the backups of a studio of one's own: when the last one was made, and whether one failed since. */
export interface LastBackup {
  readonly made: string | null;
  readonly failed: string | null;
}

/** The file in its folder in which `bin/backup` says so. */
export const LAST_BACKUP = 'backup.json';

/** Null where it is not a studio of one's own that keeps its folder here: the demo is backed up by nobody. */
export async function lastBackup(): Promise<LastBackup | null> {
  const { OAKEN_HOME: home, OAKEN_OWN: own } = process.env;
  if (!home || own !== '1') return null;
  try {
    const { made = null, failed = null } = JSON.parse(await readFile(join(home, LAST_BACKUP), 'utf8')) as Partial<LastBackup>;
    return { made, failed };
  } catch {
    return { made: null, failed: null };
  }
}
