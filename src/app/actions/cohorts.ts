'use server';

import { reply } from '@/app/edge';
import { addCohort } from '@/server/usecases/cohorts/addCohort';
import { addPerson } from '@/server/usecases/cohorts/addPerson';

export async function addCohortAction(input: unknown) {
  return reply((desk) => addCohort(desk, input));
}

export async function addPersonAction(input: unknown) {
  return reply((desk) => addPerson(desk, input));
}
