import { defineConfig } from '@playwright/test';

/** Drives the real interface in Debian's Chromium, against the server that bin/test has started. */
export default defineConfig({
  testDir: 'tests/e2e',
  workers: 1,
  fullyParallel: false,
  retries: 0,
  timeout: 150_000,
  // On machines that do other things beside: a draft is as many looks there as anywhere, and takes longer.
  expect: { timeout: 25_000 },
  reporter: [['list'], ['json', { outputFile: process.env.OAKEN_REPORT ?? 'test-results/e2e.json' }]],
  use: {
    baseURL: process.env.OAKEN_ADDRESS ?? 'http://127.0.0.1:3700',
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    // Nothing is measured or pressed while it moves.
    contextOptions: { reducedMotion: 'reduce' },
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        '--no-first-run',
        '--autoplay-policy=no-user-gesture-required',
      ],
    },
  },
});
