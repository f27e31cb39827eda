'use server';

import { reply } from '@/app/edge';
import { exportRoster } from '@/server/usecases/cohorts/exportRoster';
import { changePerson, comparePerson, enterForm, leaveCohort } from '@/server/usecases/people/aboutPerson';
import { erasePerson, exportPerson } from '@/server/usecases/people/erasePerson';
import { askByItself, sendReminders } from '@/server/usecases/people/sendReminders';
import { formHere, sendForms } from '@/server/usecases/people/links';
import { openAnswers } from '@/server/usecases/people/readPerson';
import { endOverride, makeOverride, recordClinician } from '@/server/usecases/people/setAsideRules';
import { whatIfAside, whatIfForm } from '@/server/usecases/people/whatIf';
import { compareRulebook, previewRulebook, saveRulebook } from '@/server/usecases/rules/rulebook';

export async function changePersonAction(input: unknown) {
  return reply((desk) => changePerson(desk, input));
}

export async function leaveCohortAction(input: unknown) {
  return reply((desk) => leaveCohort(desk, input));
}

export async function enterFormAction(input: unknown) {
  return reply((desk) => enterForm(desk, input));
}

export async function sendFormsAction(input: unknown) {
  return reply((desk) => sendForms(desk, input));
}

export async function sendRemindersAction() {
  return reply((desk) => sendReminders(desk));
}

export async function askByItselfAction(input: unknown) {
  return reply((desk) => askByItself(desk, input));
}

export async function formHereAction(input: unknown) {
  return reply((desk) => formHere(desk, input));
}

export async function openAnswersAction(input: unknown) {
  return reply((desk) => openAnswers(desk, input));
}

export async function recordClinicianAction(input: unknown) {
  return reply((desk) => recordClinician(desk, input));
}

export async function makeOverrideAction(input: unknown) {
  return reply((desk) => makeOverride(desk, input));
}

export async function endOverrideAction(input: unknown) {
  return reply((desk) => endOverride(desk, input));
}

export async function whatIfAsideAction(input: unknown) {
  return reply((desk) => whatIfAside(desk, input));
}

export async function whatIfFormAction(input: unknown) {
  return reply((desk) => whatIfForm(desk, input));
}

export async function erasePersonAction(input: unknown) {
  return reply((desk) => erasePerson(desk, input));
}

export async function exportPersonAction(input: unknown) {
  return reply((desk) => exportPerson(desk, input));
}

export async function exportRosterAction(input: unknown) {
  return reply((desk) => exportRoster(desk, input));
}

export async function previewRulebookAction(input: unknown) {
  return reply((desk) => previewRulebook(desk, input));
}

export async function saveRulebookAction(input: unknown) {
  return reply((desk) => saveRulebook(desk, input));
}

export async function comparePersonAction(input: unknown) {
  return reply((desk) => comparePerson(desk, input));
}

export async function compareRulebookAction(input: unknown) {
  return reply((desk) => compareRulebook(desk, input));
}
