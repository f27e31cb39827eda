import type { OwnEntry } from '@/core/library';
import { authorise } from '../../auth/permissions';
import type { Desk } from '../../desk';
import { untilChanged } from '../../untilChanged';
import { ownTechniques } from '../../repositories/library';

/** The studio's own techniques, with which every page reads its plans. */
export function readOwnTechniques(desk: Desk): Promise<readonly OwnEntry[]> {
  authorise(desk.who, 'see techniques');
  return untilChanged(desk, 'own techniques', ['studio'], ownTechniques);
}
