import { ownAddress, refusalReply, secretOf } from '@/app/edge';
import { ASKED } from '@/core/screening';
import { FORM_LIMITS } from '@/forms';
import { freshManager } from '@/server/db/orm';
import { BODY_LIMITS, limitedText } from '@/server/doors';
import { Refusal } from '@/server/errors';
import { linkCookie } from '@/server/links';
import { answerLink, openLink, renewByLink } from '@/server/usecases/people/answerLink';

/** Takes a person's form as their browser sends it, without JavaScript. Their link is the key. */
export async function POST(request: Request, { params }: { params: Promise<{ key: string }> }): Promise<Response> {
  const { key } = await params;
  try {
    const [address, em, token] = [await ownAddress(), await freshManager(), await secretOf('form', key)];
    // Whoever has no link is sent away before anything is read.
    await openLink(em, token, address, new Date());
    const typed = fieldsOf(await limitedText(request, BODY_LIMITS.personal));
    const consent = typed.consent === 'on';
    if (typed.renew) await renewByLink(em, token, consent, address, new Date());
    else await answerLink(em, token, { consent, ...readAnswers(typed) }, address, new Date());
    // The link is used up, and so is what opened it here.
    const ended = `${linkCookie('form', key)}=; Path=/; Max-Age=0; HttpOnly; SameSite=Lax`;
    return new Response(null, { status: 303, headers: { location: `/form/thanks${typed.renew ? '?renewed' : ''}`, 'set-cookie': ended } });
  } catch (error) {
    const { code, message, fields } = refusalReply(error);
    return notSent(fields.length > 0 ? fields.map((field) => field.message) : [message], code === 'broken' ? 500 : code === 'too-large' ? 413 : 422);
  }
}

/** The fields of a form as a browser sends it. */
function fieldsOf(text: string): Record<string, string> {
  const fields = new URLSearchParams(text);
  if (fields.size > FORM_LIMITS.lines * 4) throw new Refusal('too-large');
  return Object.fromEntries(fields);
}

/** The form's fields as answers. */
function readAnswers(typed: Readonly<Record<string, string>>) {
  return {
    birthDate: typed.birthDate ?? '',
    guardianConsent: typed.guardianConsent === 'on',
    answers: ASKED.flatMap(({ id, date, parts }) => {
      const answer = typed[id];
      if (!answer) return [];
      const day = date ? (typed[`${id} date`] ?? '') : '';
      return [
        {
          condition: id,
          answer,
          date: day || null,
          parts: parts.flatMap((part) => {
            const said = typed[`${id} ${part.id}`];
            return said ? [{ id: part.id, said }] : [];
          }),
        },
      ];
    }),
  };
}

/** A plain page that says what is missing. The browser's way back keeps what was filled in. */
function notSent(problems: readonly string[], status: number): Response {
  const safe = (text: string) => text.replace(/[&<>"]/g, (sign) => `&#${sign.charCodeAt(0)};`);
  const page = `<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>Not sent yet</title></head>
<body><main><h1>Not sent yet</h1><ul>${problems.map((problem) => `<li>${safe(problem)}</li>`).join('')}</ul>
<p>Go back with your browser: what you filled in is still there.</p></main></body></html>`;
  return new Response(page, { status, headers: { 'content-type': 'text/html; charset=utf-8' } });
}
