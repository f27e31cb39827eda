import { secretOf } from '@/app/edge';

/** What a phone needs to put a person's own page beside its other programs. It says nothing of whose it is, and begins with their link. */
export async function GET(_: Request, { params }: { params: Promise<{ key: string }> }): Promise<Response> {
  const { key } = await params;
  return Response.json(
    {
      name: 'Your day',
      short_name: 'Your day',
      id: `/day/${encodeURIComponent(key)}`,
      start_url: `/day/${encodeURIComponent((await secretOf('day', key)) || key)}`,
      scope: '/day/',
      display: 'standalone',
      background_color: '#F5F1E7',
      theme_color: '#8A6238',
      icons: [{ src: '/icon.svg', sizes: 'any', type: 'image/svg+xml' }],
    },
    { headers: { 'content-type': 'application/manifest+json', 'cache-control': 'private, no-store' } },
  );
}
