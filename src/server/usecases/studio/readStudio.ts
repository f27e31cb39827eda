import { authorise } from '../../auth/permissions';
import type { Desk } from '../../desk';
import { plannedTechniques } from './schools';
import { closures, conventions, staff } from '../../repositories/studio';

/** Conventions, closures, and staff with what each is qualified to teach. */
export async function readStudio(desk: Desk) {
  authorise(desk.who, 'run the studio');
  const [studio, closed, everyone, planned] = await Promise.all([conventions(desk), closures(desk), staff(desk), plannedTechniques(desk)]);
  return { studio, closed, staff: everyone, planned, today: desk.today };
}
