'use server';

import { reply } from '@/app/edge';
import { publishPlan } from '@/server/usecases/plans/publishPlan';
import { saveBlocks } from '@/server/usecases/plans/saveBlocks';

export async function saveBlocksAction(input: unknown) {
  return reply((desk) => saveBlocks(desk, input));
}

export async function publishPlanAction(input: unknown) {
  return reply((desk) => publishPlan(desk, input));
}
