'use server';

import { reply } from '@/app/edge';
import { previewGuards, saveGuards } from '@/server/usecases/studio/guards';
import { plannedTechniques, previewPace, saveSchools } from '@/server/usecases/studio/schools';
import { putStepsAway } from '@/server/usecases/lobby/firstSteps';
import { addClosure, removeClosure, saveConventions, saveSpeech } from '@/server/usecases/studio/changeStudio';

export async function putStepsAwayAction() {
  return reply((desk) => putStepsAway(desk));
}

export async function saveConventionsAction(input: unknown) {
  return reply((desk) => saveConventions(desk, input));
}

export async function saveSchoolsAction(input: unknown) {
  return reply((desk) => saveSchools(desk, input));
}

export async function plannedTechniquesAction() {
  return reply((desk) => plannedTechniques(desk));
}

export async function previewPaceAction(input: unknown) {
  return reply((desk) => previewPace(desk, input));
}

export async function saveSpeechAction(input: unknown) {
  return reply((desk) => saveSpeech(desk, input));
}

export async function addClosureAction(input: unknown) {
  return reply((desk) => addClosure(desk, input));
}

export async function removeClosureAction(input: unknown) {
  return reply((desk) => removeClosure(desk, input));
}

export async function saveGuardsAction(input: unknown) {
  return reply((desk) => saveGuards(desk, input));
}

export async function previewGuardsAction(input: unknown) {
  return reply((desk) => previewGuards(desk, input));
}
