import { NextResponse, type NextRequest } from 'next/server';
import { reply } from '@/app/edge';
import { logClass } from '@/server/usecases/teach/logClass';

const STATUS: Readonly<Record<string, number>> = { 'signed-out': 401, 'not-allowed': 403, 'not-found': 404, clash: 409, broken: 500 };

/** Takes a class log as JSON, so that a device can send it whenever the network is back. */
export async function POST(request: NextRequest): Promise<NextResponse> {
  const origin = request.headers.get('origin');
  if (origin && new URL(origin).host !== request.headers.get('host'))
    return NextResponse.json({ code: 'not-allowed', message: 'Logs come from our own pages only.' }, { status: 403 });
  const input: unknown = await request.json().catch(() => null);
  const answer = await reply((desk) => logClass(desk, input));
  return answer.ok
    ? NextResponse.json(answer.value)
    : NextResponse.json({ code: answer.code, message: answer.message }, { status: STATUS[answer.code] ?? 422 });
}
