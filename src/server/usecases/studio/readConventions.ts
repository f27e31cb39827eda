import { authorise } from '../../auth/permissions';
import type { Desk } from '../../desk';
import { conventions, type Conventions } from '../../repositories/studio';

/** The studio's default tempo and natural breath, which every technique is shown with. */
export function readConventions(desk: Desk): Promise<Conventions> {
  authorise(desk.who, 'see techniques');
  return conventions(desk);
}
