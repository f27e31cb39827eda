/** What a phone needs to put a person's own page beside its other programs. It says nothing of whose it is. */
export async function GET(_: Request, { params }: { params: Promise<{ token: string }> }): Promise<Response> {
  const { token } = await params;
  const start = `/day/${encodeURIComponent(token)}`;
  return Response.json(
    {
      name: 'Your day',
      short_name: 'Your day',
      start_url: start,
      scope: start,
      display: 'standalone',
      background_color: '#F5F1E7',
      theme_color: '#8A6238',
      icons: [{ src: '/icon.svg', sizes: 'any', type: 'image/svg+xml' }],
    },
    { headers: { 'content-type': 'application/manifest+json', 'cache-control': 'private, no-store' } },
  );
}
