import { expect, type Page } from '@playwright/test';
import { accessible, choose, fitsTheWidth, signInAs, test } from './story';

/** The row of a class in the week, by what its menu is called. */
const row = (page: Page, menu: string) =>
  page
    .getByRole('listitem')
    .filter({ has: page.getByRole('button', { name: menu }) })
    .last();

test('a colleague is invited and joins, takes a class, falls ill, and is covered in two taps', async ({ page, browser }) => {
  await signInAs(page, 'director', '/studio/staff');
  await page.getByLabel('Name').fill('Perran Sayle');
  await page.getByLabel('E-mail').fill('perran@pellwick.example');
  await page.getByRole('button', { name: 'All of them' }).click();
  await page.getByRole('button', { name: 'Send the invitation' }).click();
  await expect(page.getByText('invited, has not signed in yet')).toBeVisible();
  await accessible(page);
  await page.goto('/studio/outbox');
  await page.getByText('perran@pellwick.example').click();
  const link = (await page.getByRole('link', { name: /\/join\// }).getAttribute('href'))!;

  const phone = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();
  await phone.goto(link);
  await phone.getByLabel('Choose a password').fill('short');
  await phone.getByRole('button', { name: 'Join' }).click();
  await expect(phone.getByText(/At least 10 characters/)).toBeVisible();
  await phone.getByLabel('Choose a password').fill('a few plain words');
  await phone.getByLabel('Once more').fill('a few plain words');
  await accessible(phone);
  await fitsTheWidth(phone);
  await phone.getByRole('button', { name: 'Join' }).click();
  await expect(phone.getByText('Your password is set. Sign in with it.')).toBeVisible();
  await phone.getByLabel('E-mail').fill('perran@pellwick.example');
  await phone.getByLabel('Password').fill('a few plain words');
  await phone.getByRole('button', { name: 'Sign in' }).click();
  await expect(phone.getByRole('heading', { name: 'Good day, Perran' })).toBeVisible();
  await phone.goto(link);
  await expect(phone.getByRole('heading', { name: 'This link is closed' })).toBeVisible();

  // The next week: a class is published from its row, then handed to the newcomer.
  await page.goto('/teach');
  await page.getByRole('link', { name: 'after ›' }).click();
  await expect(page.getByRole('heading', { name: /The week of/ })).toBeVisible();
  const menu = (await page
    .getByRole('button', { name: /What to do with Steady on the early boat/ })
    .first()
    .getAttribute('aria-label'))!;
  const boat = row(page, menu);
  await boat.getByRole('button', { name: menu }).click();
  await page.getByRole('menuitem', { name: 'Publish it' }).click();
  await expect(boat).toContainText('not read');
  await boat.getByRole('button', { name: menu }).click();
  await page.getByRole('menuitem', { name: 'Hand it over' }).click();
  await page.getByRole('button', { name: 'Hand it to Perran' }).click();
  await expect(boat).toContainText('Perran Sayle');
  const date = /\d+ \w{3}$/.exec(menu)![0];

  await phone.goto('/');
  await phone.getByRole('link', { name: 'Read the plan' }).click();
  await phone.getByLabel('Say something about this class').fill('Happy to. Is the heating on?');
  await phone.getByRole('button', { name: 'Say it' }).click();
  await expect(phone.getByText('Happy to. Is the heating on?')).toBeVisible();
  await fitsTheWidth(phone);

  // Perran is ill: the class has nobody, and somebody else has it two taps later.
  await phone.goto('/me');
  await phone.getByLabel('First day away', { exact: true }).fill(date);
  await phone.getByLabel('Last day away', { exact: true }).fill(date);
  await phone.getByRole('button', { name: 'I am away then' }).click();
  await expect(phone.getByText(/falls into it and needs cover/)).toBeVisible();
  await accessible(phone);
  await fitsTheWidth(phone);
  await page.goto('/');
  await expect(page.getByText(/A note about Steady on the early boat/)).toBeVisible();
  await page.getByRole('listitem').filter({ hasText: 'has nobody: Perran Sayle is away' }).getByRole('link', { name: 'Find cover' }).click();
  await expect(page.getByRole('region', { name: 'Cover' })).toContainText('Perran Sayle is away');
  await page.getByRole('button', { name: 'Hand it to Tamsin' }).click();
  await expect(boat).toContainText('Tamsin Brae');
  await phone.goto('/');
  await expect(phone.getByText(/Tamsin Brae takes Steady on the early boat/)).toBeVisible();
});

test('a plan speaks with the director’s voice, on paper too; a course leaves as a file and comes back in', async ({ page }) => {
  await signInAs(page, 'director', '/courses');
  await page.getByRole('link', { name: 'Long phrases' }).click();
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByRole('menuitem', { name: 'Publish classes' }).click();
  await page.getByRole('button', { name: 'Publish the next four' }).click();
  await expect(page.getByRole('region', { name: 'Publish classes' }).getByRole('status')).toContainText('Published:');
  await page.goto('/plans');
  await page.getByRole('row').filter({ hasText: 'Long phrases' }).filter({ hasText: 'not yet read' }).first().getByRole('link').click();
  await page.getByLabel('What today is for').fill('Today the exhale grows; keep it soft');
  await expect(page.getByText(/^Saved|Saved \d/)).toBeVisible();
  await page
    .getByRole('button', { name: /^Say or note something in/ })
    .first()
    .click();
  await page
    .getByLabel(/^Note to the teacher about/)
    .first()
    .fill('blankets are in the loft');
  await expect(page.getByText(/not published: .*for today: “Today the exhale grows; keep it soft”/)).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.getByRole('button', { name: 'Redo' }).click();
  // What was typed this very moment is saved first, and published with the rest.
  await page.getByLabel('What today is for').fill('Today the exhale grows; keep it quiet');
  await page.getByRole('button', { name: 'Publish version 2' }).click();
  await expect(page.getByRole('heading', { name: 'Version 2' })).toBeVisible();
  await expect(page.getByRole('alert', { name: 'Somebody else saved this meanwhile' })).toHaveCount(0);
  await page.getByRole('link', { name: 'On paper' }).click();
  await expect(page.getByText('Today the exhale grows; keep it quiet')).toBeVisible();
  await expect(page.getByText(/Since version 1: .*blankets are in the loft/)).toBeVisible();
  await accessible(page);
  const pdf = await page.request.get((await page.getByRole('link', { name: 'PDF, A4' }).getAttribute('href'))!);
  expect([pdf.headers()['content-type'], (await pdf.body()).subarray(0, 5).toString()]).toEqual(['application/pdf', '%PDF-']);

  await page.goto('/courses');
  const course = (await page.getByRole('link', { name: 'Long phrases' }).getAttribute('href'))!.split('/').at(-1)!;
  const file = await page.request.get(`/api/export/course/${course}`);
  await page.goto('/courses/bring');
  const take = async (text: string) =>
    page.setInputFiles('input[type=file]', { name: 'long-phrases.json', mimeType: 'application/json', buffer: Buffer.from(text) });
  await take((await file.text()).slice(0, -30));
  await expect(page.getByText('This file is not JSON, or was cut off.')).toBeVisible();
  await take(await file.text());
  const brings = page.getByRole('region', { name: 'What it brings' });
  await expect(brings).toContainText('classes of 75 minutes');
  await choose(brings, 'For', 'Ferry crew, early shift');
  await accessible(page);
  await page.getByRole('button', { name: 'Bring it in' }).click();
  await expect(page.getByRole('heading', { name: 'Long phrases' })).toBeVisible();
  await expect(page.getByText('Ferry crew, early shift')).toBeVisible();
});
