import { authorise } from '../../auth/permissions';
import type { Desk } from '../../desk';
import { staffToday } from '../../repositories/staff';
import { closures, conventions } from '../../repositories/studio';

/** Conventions, closures, and how many are on the staff. */
export async function readStudio(desk: Desk) {
  authorise(desk.who, 'run the studio');
  const [studio, closed, everyone] = await Promise.all([conventions(desk), closures(desk), staffToday(desk)]);
  return { studio, closed, staff: everyone.length, today: desk.today };
}
