import { authorise } from '../../auth/permissions';
import type { Desk } from '../../desk';
import { closures, conventions, staff } from '../../repositories/studio';

/** Conventions, closures, and staff with what each is qualified to teach. */
export async function readStudio(desk: Desk) {
  authorise(desk.who, 'run the studio');
  const [studio, closed, everyone] = await Promise.all([conventions(desk), closures(desk), staff(desk)]);
  return { studio, closed, staff: everyone, today: desk.today };
}
