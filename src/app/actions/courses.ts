'use server';

import { reply } from '@/app/edge';
import { changeCourse, compareRequest } from '@/server/usecases/courses/changeCourse';
import { createCourse } from '@/server/usecases/courses/createCourse';
import { draftingProblem, keepDrafted } from '@/server/usecases/courses/draftCourse';
import { mendCourse } from '@/server/usecases/courses/mendCourse';
import { addReview, mendCheck, moveBlock } from '@/server/usecases/courses/moveBlock';

export async function createCourseAction(input: unknown) {
  return reply((desk) => createCourse(desk, input));
}

export async function changeCourseAction(input: unknown) {
  return reply((desk) => changeCourse(desk, input));
}

export async function compareRequestAction(input: unknown) {
  return reply((desk) => compareRequest(desk, input));
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
