/** Where this application is reached, as it was set; never what a request says of itself. */
export function ourOrigin(): string {
  const origin = process.env.OAKEN_ORIGIN;
  if (!origin) throw new Error('OAKEN_ORIGIN is not set; start the application with bin/start');
  return new URL(origin).origin;
}

/** Whether it is reached over https: then cookies are for https alone. */
export function overHttps(): boolean {
  return ourOrigin().startsWith('https:');
}
