'use server';

import { reply } from '@/app/edge';
import { acceptCheck } from '@/server/usecases/courses/acceptCheck';
import { changeCourse, compareRequest, tryCourse } from '@/server/usecases/courses/changeCourse';
import { copyCourse } from '@/server/usecases/courses/copyCourse';
import { createCourse, createSingle } from '@/server/usecases/courses/createCourse';
import { draftingProblem, keepDrafted } from '@/server/usecases/courses/draftCourse';
import {
  cancelClass,
  endCourse,
  leaveClosedDays,
  removeCourse,
  reopenDay,
  tryCancelling,
  tryLeavingClosedDays,
  tryReopening,
} from '@/server/usecases/courses/lifeHappens';
import { mendCourse } from '@/server/usecases/courses/mendCourse';
import { addReview, answerStep, mendCheck, moveBlock, pinBlock } from '@/server/usecases/courses/moveBlock';
import { undoStep } from '@/server/usecases/courses/steps';
import { weeksGive } from '@/server/usecases/courses/weeksGive';

export async function createCourseAction(input: unknown) {
  return reply((desk) => createCourse(desk, input));
}

export async function changeCourseAction(input: unknown) {
  return reply((desk) => changeCourse(desk, input));
}

export async function compareRequestAction(input: unknown) {
  return reply((desk) => compareRequest(desk, input));
}

export async function weeksGiveAction(input: unknown) {
  return reply((desk) => weeksGive(desk, input));
}

export async function draftingProblemAction(input: unknown) {
  return reply((desk) => draftingProblem(desk, input));
}

export async function keepDraftedAction(input: unknown) {
  return reply((desk) => keepDrafted(desk, input));
}

export async function mendCourseAction(input: unknown) {
  return reply((desk) => mendCourse(desk, input));
}

export async function addReviewAction(input: unknown) {
  return reply((desk) => addReview(desk, input));
}

export async function moveBlockAction(input: unknown) {
  return reply((desk) => moveBlock(desk, input));
}

export async function mendCheckAction(input: unknown) {
  return reply((desk) => mendCheck(desk, input));
}

export async function tryCourseAction(input: unknown) {
  return reply((desk) => tryCourse(desk, input));
}

export async function cancelClassAction(input: unknown) {
  return reply((desk) => cancelClass(desk, input));
}

export async function tryCancellingAction(input: unknown) {
  return reply((desk) => tryCancelling(desk, input));
}

export async function leaveClosedDaysAction(input: unknown) {
  return reply((desk) => leaveClosedDays(desk, input));
}

export async function tryLeavingClosedDaysAction(input: unknown) {
  return reply((desk) => tryLeavingClosedDays(desk, input));
}

export async function reopenDayAction(input: unknown) {
  return reply((desk) => reopenDay(desk, input));
}

export async function tryReopeningAction(input: unknown) {
  return reply((desk) => tryReopening(desk, input));
}

export async function endCourseAction(input: unknown) {
  return reply((desk) => endCourse(desk, input));
}

export async function removeCourseAction(input: unknown) {
  return reply((desk) => removeCourse(desk, input));
}

export async function copyCourseAction(input: unknown) {
  return reply((desk) => copyCourse(desk, input));
}

export async function pinBlockAction(input: unknown) {
  return reply((desk) => pinBlock(desk, input));
}

export async function answerStepAction(input: unknown) {
  return reply((desk) => answerStep(desk, input));
}

export async function undoStepAction(input: unknown) {
  return reply((desk) => undoStep(desk, input));
}

export async function acceptCheckAction(input: unknown) {
  return reply((desk) => acceptCheck(desk, input));
}

export async function createSingleAction(input: unknown) {
  return reply((desk) => createSingle(desk, input));
}
