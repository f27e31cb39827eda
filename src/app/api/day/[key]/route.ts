import { ownAddress, refusalReply, secretOf } from '@/app/edge';
import { freshManager } from '@/server/db/orm';
import { BODY_LIMITS, limitedText } from '@/server/doors';
import { Refusal } from '@/server/errors';
import { flashCookie } from '@/server/links';
import { checkIn, leaveSeries, setMails, type Heard } from '@/server/usecases/series/ownDay';

const NOT_KEPT = { 'cache-control': 'no-store' };

/** Takes what somebody says of their day: as their browser sends a form, or as their page sends it. Their address is the key. */
export async function POST(request: Request, { params }: { params: Promise<{ key: string }> }): Promise<Response> {
  const { key } = await params;
  const asked = request.headers.get('content-type')?.includes('json') ?? false;
  try {
    const [address, em, token] = [await ownAddress(), await freshManager(), await secretOf('day', key)];
    const text = await limitedText(request, BODY_LIMITS.personal);
    const fields = asked ? jsonOf(text) : fieldsOf(text);
    const heard = await done(em, token, fields, address);
    if (asked) return Response.json({ ok: true, value: heard }, { headers: NOT_KEPT });
    return back(key, heard === null ? '' : `said=${heard.help ? 'help' : heard.signs ? 'signs' : 'heard'}`);
  } catch (error) {
    const answer = refusalReply(error);
    if (asked) return Response.json(answer, { status: answer.code === 'broken' ? 500 : answer.code === 'too-many' ? 429 : 422, headers: NOT_KEPT });
    return back(key, 'why', answer.message);
  }
}

/** @returns what was heard of a day; null where it was about something else */
async function done(
  em: Awaited<ReturnType<typeof freshManager>>,
  token: string,
  fields: Readonly<Record<string, unknown>>,
  address: string,
): Promise<Heard | null> {
  const now = new Date();
  switch (fields.do) {
    case 'mails':
      await setMails(em, token, fields.mails === 'yes', address, now);
      return null;
    case 'leave':
      if (fields.sure !== 'on') throw new Refusal('invalid', 'Tick that you want to leave; nothing has changed.');
      await leaveSeries(em, token, address, now);
      return null;
    default:
      return checkIn(em, token, fields, address, now);
  }
}

function jsonOf(text: string): Record<string, unknown> {
  try {
    const value: unknown = JSON.parse(text);
    if (typeof value === 'object' && value !== null && !Array.isArray(value)) return value as Record<string, unknown>;
  } catch {
    // Said below.
  }
  throw new Refusal('invalid', 'This could not be read.');
}

/** The fields of a form as a browser sends it; signs may be several. */
function fieldsOf(text: string): Record<string, unknown> {
  const fields = new URLSearchParams(text);
  if (fields.size > 60) throw new Refusal('too-large');
  const { felt, easier, ...rest } = Object.fromEntries(fields);
  return {
    ...rest,
    did: rest.did ?? 'done',
    felt: felt || null,
    easier: easier === 'on',
    signs: fields.getAll('signs'),
    wrong: rest.wrong === 'yes',
  };
}

function back(key: string, how: string, why?: string): Response {
  const location = `/day/${encodeURIComponent(key)}${how === '' ? '#own' : `?${how}#afterwards`}`;
  const flash = `${flashCookie(key)}=${encodeURIComponent(why ?? '')}; Path=/day; Max-Age=20; HttpOnly; SameSite=Lax`;
  return new Response(null, { status: 303, headers: { location, ...NOT_KEPT, ...(why ? { 'set-cookie': flash } : {}) } });
}
