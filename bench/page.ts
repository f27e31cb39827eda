import { chromium, type Page } from '@playwright/test';
import { DEMO_STAFF } from '../demo/staff';

/** Does something in a running demo, signed in as its director, on a page of the usual size. */
export async function asDirector(address: string, next: string, work: (page: Page) => Promise<void>): Promise<void> {
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] });
  try {
    const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
    const { email, password } = DEMO_STAFF[0];
    await page.goto(`${address}/sign-in?next=${next}`);
    await page.getByLabel('E-mail').fill(email);
    await page.getByLabel('Password').fill(password);
    await page.getByRole('button', { name: 'Sign in' }).click();
    await page.waitForURL(`${address}${next}`);
    await work(page);
  } finally {
    await browser.close();
  }
}
