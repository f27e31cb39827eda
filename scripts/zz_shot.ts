import { chromium } from '@playwright/test';
import { DEMO_STAFF } from '../demo/staff';
const [who, path, out, size = '1280x800', full = ''] = process.argv.slice(2);
const [width, height] = size.split('x').map(Number);
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox','--disable-gpu'] });
const page = await browser.newPage({ viewport: { width, height } });
const base = 'http://127.0.0.1:3795';
if (who !== 'none') {
  const s = DEMO_STAFF.find((x) => x.name.startsWith(who))!;
  await page.goto(base + '/sign-in');
  await page.getByLabel('E-mail').fill(s.email);
  await page.getByLabel('Password').fill(s.password);
  await page.getByRole('button', { name: 'Sign in', exact: true }).click();
  await page.waitForURL(base + '/');
}
await page.goto(base + path);
await page.waitForLoadState('networkidle');
const js = process.env.DO;
if (js) await (new Function('page', `return (async()=>{${js}})()`))(page);
await page.waitForTimeout(300);
await page.screenshot({ path: out, fullPage: full === 'full' });
await browser.close();
