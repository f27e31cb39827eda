import { chromium, type Page } from '@playwright/test';
import { DEMO_STAFF } from '../demo/staff';
export const address = 'http://127.0.0.1:3795';
export const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] });
export async function signedIn(role: string, width = 1280, height = 800): Promise<Page> {
  const { email, password } = DEMO_STAFF.find((staff) => staff.role === role)!;
  const page = await (await browser.newContext({ viewport: { width, height }, locale: 'en-GB' })).newPage();
  await page.goto(`${address}/sign-in`);
  await page.getByLabel('E-mail').fill(email);
  await page.getByLabel('Password').fill(password);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await page.waitForURL(`${address}/`);
  return page;
}
