import { ownAddress, refusalReply } from '@/app/edge';
import { freshManager } from '@/server/db/orm';
import { BODY_LIMITS, limitedText } from '@/server/doors';
import { signUp } from '@/server/usecases/series/signUp';

/** Takes a sign-up as a browser sends it, without JavaScript. */
export async function POST(request: Request, { params }: { params: Promise<{ token: string }> }): Promise<Response> {
  const { token } = await params;
  const back = (how: string) =>
    new Response(null, { status: 303, headers: { location: `/sign-up/${encodeURIComponent(token)}?${how}`, 'cache-control': 'no-store' } });
  try {
    const { name, email, birthDate, website } = Object.fromEntries(new URLSearchParams(await limitedText(request, BODY_LIMITS.personal)));
    await signUp(await freshManager(), token, { name, email, birthDate: birthDate || null, website }, await ownAddress(), new Date());
    return back('thanks');
  } catch (error) {
    return back(`why=${encodeURIComponent(refusalReply(error).message)}`);
  }
}
