'use server';

import { ownAddress, refusalReply, reply } from '@/app/edge';
import { freshManager } from '@/server/db/orm';
import { askSeries, draftAgain, lengthenSeries } from '@/server/usecases/series/askSeries';
import { changeDay } from '@/server/usecases/series/changeDay';
import { removeSeries, stopSeries, undoSeries } from '@/server/usecases/series/changeSeries';
import { endPause, pauseSeries } from '@/server/usecases/series/pauseSeries';
import { copySeries, createSeries } from '@/server/usecases/series/createSeries';
import { admit, decline, openSeries, signUp } from '@/server/usecases/series/signUp';
import { giveNewAddress, letIn, undoStepBack, writeToDrifting } from '@/server/usecases/series/takePart';
import { typedIn, type Sent } from '@/ui/forms/posted';

export async function createSeriesAction(input: unknown) {
  return reply((desk) => createSeries(desk, input));
}

export async function copySeriesAction(input: unknown) {
  return reply((desk) => copySeries(desk, input));
}

export async function changeDayAction(input: unknown) {
  return reply((desk) => changeDay(desk, input));
}

export async function draftSeriesAgainAction(input: unknown) {
  return reply((desk) => draftAgain(desk, input));
}

export async function undoSeriesAction(input: unknown) {
  return reply((desk) => undoSeries(desk, input));
}

export async function askSeriesAction(input: unknown) {
  return reply((desk) => askSeries(desk, input));
}

export async function stopSeriesAction(input: unknown) {
  return reply((desk) => stopSeries(desk, input));
}

export async function lengthenSeriesAction(input: unknown) {
  return reply((desk) => lengthenSeries(desk, input));
}

export async function pauseSeriesAction(input: unknown) {
  return reply((desk) => pauseSeries(desk, input));
}

export async function endPauseAction(input: unknown) {
  return reply((desk) => endPause(desk, input));
}

export async function removeSeriesAction(input: unknown) {
  return reply((desk) => removeSeries(desk, input));
}

export async function openSeriesAction(input: unknown) {
  return reply((desk) => openSeries(desk, input));
}

export async function admitAction(input: unknown) {
  return reply((desk) => admit(desk, input));
}

export async function declineAction(input: unknown) {
  return reply((desk) => decline(desk, input));
}

export async function letInAction(input: unknown) {
  return reply((desk) => letIn(desk, input));
}

export async function giveNewAddressAction(input: unknown) {
  return reply((desk) => giveNewAddress(desk, input));
}

export async function undoStepBackAction(input: unknown) {
  return reply((desk) => undoStepBack(desk, input));
}

export async function writeToDriftingAction(input: unknown) {
  return reply((desk) => writeToDrifting(desk, input));
}

/** Signing up by a series' link: a form as any browser sends it. */
export async function signUpAction(_: Sent, data: FormData): Promise<Sent> {
  const { series = '', name, email, birthDate, website } = typedIn(data);
  try {
    await signUp(await freshManager(), series, { name, email, birthDate: birthDate || null, website }, await ownAddress(), new Date());
    return { refused: null, typed: {}, done: true };
  } catch (error) {
    return { refused: refusalReply(error), typed: { name, email, birthDate } };
  }
}
