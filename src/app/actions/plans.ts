'use server';

import { reply } from '@/app/edge';
import { publishPlan } from '@/server/usecases/plans/publishPlan';
import { comparePlan, saveBlocks } from '@/server/usecases/plans/saveBlocks';
import { settleClassLogs, settleHeldLog } from '@/server/usecases/teach/heldLogs';

export async function saveBlocksAction(input: unknown) {
  return reply((desk) => saveBlocks(desk, input));
}

export async function publishPlanAction(input: unknown) {
  return reply((desk) => publishPlan(desk, input));
}

export async function comparePlanAction(input: unknown) {
  return reply((desk) => comparePlan(desk, input));
}

export async function settleHeldLogAction(input: unknown) {
  return reply((desk) => settleHeldLog(desk, input));
}

export async function settleClassLogsAction(input: unknown) {
  return reply((desk) => settleClassLogs(desk, input));
}
