'use server';

import { reply } from '@/app/edge';
import { publishMany, publishPlan } from '@/server/usecases/plans/publishPlan';
import { comparePlan, saveBlocks } from '@/server/usecases/plans/saveBlocks';
import { readNotes, sayNote } from '@/server/usecases/plans/notes';
import { blockSources, removeTemplate, saveTemplate, takeBlocks } from '@/server/usecases/plans/templates';
import { coverWithChange, handOver } from '@/server/usecases/teach/cover';
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

export async function publishManyAction(input: unknown) {
  return reply((desk) => publishMany(desk, input));
}

export async function sayNoteAction(input: unknown) {
  return reply((desk) => sayNote(desk, input));
}

export async function readNotesAction(input: unknown) {
  return reply((desk) => readNotes(desk, input));
}

export async function saveTemplateAction(input: unknown) {
  return reply((desk) => saveTemplate(desk, input));
}

export async function removeTemplateAction(input: unknown) {
  return reply((desk) => removeTemplate(desk, input));
}

export async function blockSourcesAction(input: unknown) {
  return reply((desk) => blockSources(desk, input));
}

export async function takeBlocksAction(input: unknown) {
  return reply((desk) => takeBlocks(desk, input));
}

export async function handOverAction(input: unknown) {
  return reply((desk) => handOver(desk, input));
}

export async function coverWithChangeAction(input: unknown) {
  return reply((desk) => coverWithChange(desk, input));
}
