'use server';

import { reply } from '@/app/edge';
import { answerSigns } from '@/server/usecases/signs/answerSigns';

export async function answerSignsAction(input: unknown) {
  return reply((desk) => answerSigns(desk, input));
}
