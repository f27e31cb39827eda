/** What runs beside the requests, begun once when the server starts. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return;
  const { startReminding } = await import('./server/jobs/reminding');
  startReminding();
}
