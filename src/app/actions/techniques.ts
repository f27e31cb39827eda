'use server';

import { reply } from '@/app/edge';
import { archiveOwnWay, exportOwnWays, saveOwnWay } from '@/server/usecases/techniques/ownWays';
import { whoMay } from '@/server/usecases/techniques/whoMay';

export async function saveOwnWayAction(input: unknown) {
  return reply((desk) => saveOwnWay(desk, input));
}

export async function exportOwnWaysAction() {
  return reply((desk) => exportOwnWays(desk));
}

export async function whoMayAction(input: unknown) {
  return reply((desk) => whoMay(desk, input));
}

export async function archiveOwnWayAction(input: unknown) {
  return reply((desk) => archiveOwnWay(desk, input));
}
