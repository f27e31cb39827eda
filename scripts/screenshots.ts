import { chromium, type Page } from '@playwright/test';
import { DEMO_STAFF } from '../demo/staff';

/** Takes one picture of each main view from the running demo: `bin/start`, then `npm run screenshots`. */
const address = process.env.OAKEN_ADDRESS ?? 'http://127.0.0.1:3700';
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] });

async function signedIn(role: string, width: number, height: number): Promise<Page> {
  const { email, password } = DEMO_STAFF.find((staff) => staff.role === role)!;
  const page = await (await browser.newContext({ viewport: { width, height }, locale: 'en-GB' })).newPage();
  await page.goto(`${address}/sign-in`);
  await page.getByLabel('E-mail').fill(email);
  await page.getByLabel('Password').fill(password);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await page.waitForURL(`${address}/`);
  return page;
}

async function shoot(page: Page, name: string): Promise<void> {
  await page.waitForTimeout(700);
  await page.screenshot({ path: `docs/screenshots/${name}.png` });
}

const director = await signedIn('director', 1280, 800);
const at = (path: string) => director.goto(address + path);
await shoot(director, 'needs-doing');
await at('/techniques');
// Its first pattern stands there already: whoever selects it while the page wakes would write it twice.
await director.waitForTimeout(1500);
await director.getByLabel('Pattern').fill('in 4 left, hold 2, out 6 right, alternating');
await director.getByLabel('Dose').fill('9 rounds of 2');
await shoot(director, 'techniques');
await at('/ladder?pick=4-7-8');
await shoot(director, 'ladder');
await at('/cohorts');
await director.getByRole('link', { name: 'Ferry crew, early shift' }).click();
await director.getByRole('link', { name: /^Fenna T\., Equal 4:4:4/ }).click();
await director.getByRole('heading', { name: 'Why' }).waitFor();
await shoot(director, 'cohort');
await at('/cohorts/rules');
await director
  .getByRole('row', { name: /^heart/ })
  .getByRole('button', { name: 'counted breathing' })
  .click();
await shoot(director, 'rulebook');
await at('/studio/outbox');
await director
  .getByRole('main')
  .getByRole('button', { name: /Before you breathe/ })
  .first()
  .click();
const form = (await director.getByRole('link', { name: /form/ }).first().getAttribute('href'))!;
const own = await (await browser.newContext({ viewport: { width: 390, height: 844 }, javaScriptEnabled: false, locale: 'en-GB' })).newPage();
await own.goto(address + new URL(form).pathname);
await own.getByRole('group', { name: 'Are you pregnant?' }).getByRole('radio', { name: 'yes' }).first().check();
await own.getByRole('group', { name: 'Are you pregnant?' }).scrollIntoViewIfNeeded();
await shoot(own, 'form-phone');
await at('/courses/new');
await director.waitForTimeout(1500);
await director.getByLabel('Name of the course').fill('Longer out');
await director.getByRole('combobox', { name: 'Cohort' }).click();
await director.getByRole('option', { name: 'Desk-bound beginners' }).click();
await director.getByRole('button', { name: 'Another goal' }).click();
const wish = director.getByRole('group', { name: 'Goal 2' }).getByRole('combobox', { name: 'Technique' });
await wish.click();
await director.getByRole('option', { name: '4:7:8', exact: true }).click();
await director
  .getByRole('complementary', { name: 'What these weeks can give' })
  .getByText(/not in 6 weeks/)
  .waitFor();
await shoot(director, 'course-form');
await at('/courses');
await director.getByRole('link', { name: 'Steady on the early boat' }).click();
await director.getByRole('heading', { name: 'Checks' }).waitFor();
await shoot(director, 'course');
await director.getByRole('link', { name: 'Climbs' }).click();
await director.getByRole('region', { name: 'Longer exhale 4:5' }).waitFor();
await director.evaluate(() => document.querySelector('[aria-label="Longer exhale 4:5"]')!.scrollIntoView());
await shoot(director, 'climbs');
await at('/series');
await director.getByRole('link', { name: 'Three weeks to an even breath' }).click();
await director.getByRole('heading', { name: 'Checks' }).waitFor();
await shoot(director, 'series');
await director.getByRole('button', { name: /Who takes part/ }).click();
await director.getByRole('button', { name: 'A new address for Mabel D.' }).click();
const day = (await director.getByRole('link', { name: /Open it here/ }).getAttribute('href'))!;
const phone = await (await browser.newContext({ viewport: { width: 390, height: 844 }, locale: 'en-GB' })).newPage();
await phone.goto(address + new URL(day).pathname);
await shoot(phone, 'day-phone');
await at('/plans');
await director.locator('tr[style] a').first().click();
await director.getByRole('heading', { name: /^Version/ }).waitFor();
await shoot(director, 'plan');
await at('/studio');
await shoot(director, 'studio');
await at('/teach');
await director
  .getByRole('button', { name: /What to do with/ })
  .last()
  .click();
await director.getByRole('menuitem', { name: 'Hand it over' }).click();
await director.getByRole('region', { name: 'Cover' }).waitFor();
await shoot(director, 'week');

for (const [suffix, width, height] of [
  ['phone', 390, 844],
  ['', 1280, 800],
] as const) {
  const teacher = await signedIn('teacher', width, height);
  await teacher.goto(`${address}/teach`);
  if (suffix) await shoot(teacher, 'teach-phone');
  await teacher.getByRole('listitem').filter({ hasText: 'today' }).getByRole('link').first().click();
  await teacher.getByRole('heading', { name: 'The class' }).waitFor();
  const read = teacher.getByRole('button', { name: 'I have read it' });
  if (await read.isVisible()) await read.click();
  await teacher.getByRole('button', { name: 'Open the class' }).click();
  await teacher.getByRole('group', { name: 'Today: Bram O.' }).getByRole('button', { name: 'unwell' }).click();
  if (suffix) await shoot(teacher, 'door-phone');
  await teacher.getByRole('button', { name: 'To the class screen' }).click();
  const screen = teacher.getByRole('dialog', { name: 'Class' });
  await teacher.keyboard.press('Space');
  for (let block = 0; block < 12 && !/round 1 of/.test(await screen.innerText()); block += 1) {
    await teacher.keyboard.press('ArrowRight');
    await teacher.waitForTimeout(400);
  }
  await teacher.waitForTimeout(6200);
  if (!suffix) {
    await shoot(teacher, 'class');
    await teacher.setViewportSize({ width: 900, height: 1200 });
    await teacher.goto(`${teacher.url().split('?')[0].replace('/teach/', '/paper/plans/')}`);
    await shoot(teacher, 'sheet');
    continue;
  }
  await screen.getByRole('button', { name: /End class/ }).click();
  await teacher.getByRole('heading', { name: 'How was it?' }).waitFor();
  await shoot(teacher, 'log-phone');
}
await browser.close();
