'use server';

import { reply } from '@/app/edge';
import { createCourse } from '@/server/usecases/courses/createCourse';
import { draftCourse } from '@/server/usecases/courses/draftCourse';
import { mendCheck, moveBlock } from '@/server/usecases/courses/moveBlock';

export async function createCourseAction(input: unknown) {
  return reply((desk) => createCourse(desk, input));
}

export async function draftCourseAction(input: unknown) {
  return reply((desk) => draftCourse(desk, input));
}

export async function moveBlockAction(input: unknown) {
  return reply((desk) => moveBlock(desk, input));
}

export async function mendCheckAction(input: unknown) {
  return reply((desk) => mendCheck(desk, input));
}
