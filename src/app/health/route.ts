import { health } from '@/server/health';

/** Whether each part is well, within two seconds; 503 where one is not. */
export async function GET(): Promise<Response> {
  const parts = await health();
  const well = Object.values(parts).every((said) => said === 'well');
  return Response.json(parts, { status: well ? 200 : 503, headers: { 'cache-control': 'no-store' } });
}
