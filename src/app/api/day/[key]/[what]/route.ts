import { ownAddress, refusalReply, secretOf } from '@/app/edge';
import { freshManager } from '@/server/db/orm';
import { Refusal } from '@/server/errors';
import { exportDays, weekNote } from '@/server/usecases/series/ownDay';

const FILES = {
  days: { make: exportDays, type: 'application/json; charset=utf-8', name: 'my-days.json' },
  week: { make: weekNote, type: 'text/plain; charset=utf-8', name: 'my-week.txt' },
} as const;

/** What somebody takes along of their own series: all of it, or a week in a few lines for their teacher. */
export async function GET(_: Request, { params }: { params: Promise<{ key: string; what: string }> }): Promise<Response> {
  const { key, what } = await params;
  try {
    if (what !== 'days' && what !== 'week') throw new Refusal('not-found');
    const { make, type, name } = FILES[what];
    const body = await make(await freshManager(), await secretOf('day', key), await ownAddress(), new Date());
    return new Response(body, {
      headers: { 'content-type': type, 'content-disposition': `attachment; filename="${name}"`, 'cache-control': 'private, no-store' },
    });
  } catch (error) {
    const { message, code } = refusalReply(error);
    return new Response(message, {
      status: code === 'broken' ? 500 : 404,
      headers: { 'content-type': 'text/plain; charset=utf-8', 'cache-control': 'no-store' },
    });
  }
}
