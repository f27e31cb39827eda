import { lookAt, type Look } from '@/core/claims';
import { wordingForm } from '@/forms';
import { authorise } from '../../auth/permissions';
import { checked } from '../../checked';
import type { Desk } from '../../desk';

/** Looks for what a studio may not be able to stand behind, while somebody types. Nothing of it is kept. */
export async function lookAtWording(desk: Desk, input: unknown): Promise<readonly Look[]> {
  authorise(desk.who, 'have an account');
  const { text } = await checked(wordingForm, input);
  return lookAt(text);
}
