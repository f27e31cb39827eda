import { ownAddress } from '@/app/edge';
import { FORMATS } from '@/core/exchange';
import { freshManager } from '@/server/db/orm';
import { Refusal } from '@/server/errors';
import { readFeed } from '@/server/usecases/exchange/calendars';

/** The calendar of a secret address: the address is the key. */
export async function GET(_: Request, { params }: { params: Promise<{ token: string }> }): Promise<Response> {
  const { token } = await params;
  try {
    const text = await readFeed(await freshManager(), token.replace(/\.ics$/, ''), await ownAddress(), new Date());
    return new Response(text, { headers: { 'content-type': `${FORMATS.calendar.media}; charset=utf-8`, 'cache-control': 'private, max-age=300' } });
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    return new Response(`${error.message}\n`, {
      status: error.code === 'too-many' ? 429 : 404,
      headers: { 'content-type': 'text/plain; charset=utf-8' },
    });
  }
}
