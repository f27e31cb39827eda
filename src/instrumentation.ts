/** What runs beside the requests, begun once when the server starts; without the right key it does not start at all. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return;
  const { begin } = await import('./server/begin');
  await begin();
}
