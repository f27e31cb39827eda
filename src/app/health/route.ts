import { NextResponse } from 'next/server';
import { freshManager } from '@/server/db/orm';

/** Whether the database answers. */
export async function GET(): Promise<NextResponse> {
  try {
    await (await freshManager()).execute('select 1');
    return NextResponse.json({ database: 'answers' });
  } catch {
    return NextResponse.json({ database: 'does not answer' }, { status: 503 });
  }
}
