import { authorise } from '../../auth/permissions';
import type { Desk } from '../../desk';
import { plannedTechniques } from './schools';
import { staffToday } from '../../repositories/staff';
import { closures, conventions } from '../../repositories/studio';

/** Conventions, closures, and how many are on the staff. */
export async function readStudio(desk: Desk) {
  authorise(desk.who, 'run the studio');
  const [studio, closed, everyone, planned] = await Promise.all([conventions(desk), closures(desk), staffToday(desk), plannedTechniques(desk)]);
  return { studio, closed, staff: everyone.length, planned, today: desk.today };
}
