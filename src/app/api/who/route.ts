import { signedIn } from '@/app/edge';

/** Who is signed in here, for a page that waits for it. */
export async function GET(): Promise<Response> {
  return Response.json({ id: (await signedIn())?.id ?? null }, { headers: { 'cache-control': 'no-store' } });
}
