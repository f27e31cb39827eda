'use server';

import { headers } from 'next/headers';
import { refusalReply } from '@/app/edge';
import { ASKED } from '@/core/screening';
import { freshManager } from '@/server/db/orm';
import { answerLink, renewByLink } from '@/server/usecases/people/answerLink';

/** Where a person's form stands after it was sent. What was typed comes back with every problem. */
export type FormState =
  | { readonly done: false; readonly problems: Readonly<Record<string, string>>; readonly typed: Readonly<Record<string, string>> }
  | { readonly done: true; readonly renewed: boolean };

/** Takes a person's form, with or without JavaScript in their browser. */
export async function personalFormAction(token: string, _before: FormState, data: FormData): Promise<FormState> {
  const typed = Object.fromEntries([...data].filter((pair): pair is [string, string] => typeof pair[1] === 'string' && !pair[0].startsWith('$')));
  const address = (await headers()).get('x-forwarded-for')?.split(',')[0].trim() ?? 'local';
  const consent = typed.consent === 'on';
  try {
    const em = await freshManager();
    if (typed.renew) await renewByLink(em, token, consent, address, new Date());
    else await answerLink(em, token, { consent, ...readAnswers(typed) }, address, new Date());
    return { done: true, renewed: Boolean(typed.renew) };
  } catch (error) {
    const { message, fields } = refusalReply(error);
    const problems = fields.length > 0 ? Object.fromEntries(fields.map(({ field, message: said }) => [field, said])) : { form: message };
    return { done: false, problems, typed };
  }
}

/** The form's fields as answers: "no" is no answer at all. */
function readAnswers(typed: Readonly<Record<string, string>>) {
  return {
    birthDate: typed.birthDate ?? '',
    guardianConsent: typed.guardianConsent === 'on',
    answers: ASKED.flatMap(({ id, date, states }) => {
      const answer = typed[id];
      if (!answer || answer === 'no') return [];
      const day = date ? (typed[`${id} date`] ?? '') : '';
      return [
        { condition: id, answer, date: day || null, states: states.filter((state) => typed[`${id} ${state.id}`] === 'on').map((state) => state.id) },
      ];
    }),
  };
}
