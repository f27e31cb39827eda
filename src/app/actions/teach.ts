'use server';

import { reply } from '@/app/edge';
import { acknowledgePlan } from '@/server/usecases/teach/acknowledgePlan';

export async function acknowledgePlanAction(input: unknown) {
  return reply((desk) => acknowledgePlan(desk, input));
}
