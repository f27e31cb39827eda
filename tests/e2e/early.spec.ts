import { expect, type Page } from '@playwright/test';
import { DEMO_STAFF } from '../../demo/staff';
import { asleep, signInAs, test } from './story';

const { email, password } = DEMO_STAFF.find(({ role }) => role === 'director')!;

/** Every address a page asked for, so that nothing typed stands in one. */
function addresses(page: Page): string[] {
  const all: string[] = [];
  page.on('request', (request) => all.push(decodeURIComponent(request.url())));
  page.on('framenavigated', (frame) => all.push(decodeURIComponent(frame.url())));
  return all;
}

/** Holds every script of a page back until it is let go, as a slow network does. */
async function slow(page: Page): Promise<() => void> {
  let go = () => {};
  const open = new Promise<void>((done) => (go = done));
  await page.route('**/_next/static/**/*.js', async (route) => {
    await open;
    await route.continue();
  });
  return () => go();
}

test('signing in works without JavaScript and before the page is awake; nothing typed stands in an address, and the e-mail stays', async ({
  browser,
}) => {
  expect(browser.isConnected()).toBe(true);
  for (const javaScriptEnabled of [false, true]) {
    const page = await (await asleep.make({ javaScriptEnabled, locale: 'en-GB' })).newPage();
    const seen = addresses(page);
    const wake = await slow(page);
    await page.goto('/sign-in?next=%2Fcohorts', { waitUntil: 'commit' });
    await page.getByLabel('E-mail').fill(email);
    await page.getByLabel('Password').fill('not this one');
    await page.getByRole('button', { name: 'Sign in' }).click({ noWaitAfter: true });
    await expect(page.getByText('This e-mail and password do not belong together.')).toBeVisible();
    await expect(page.getByLabel('E-mail')).toHaveValue(email);
    await expect(page.getByLabel('Password')).toHaveValue('');
    await page.getByLabel('Password').fill(password);
    await page.getByRole('button', { name: 'Sign in' }).click({ noWaitAfter: true });
    await page.waitForURL((url) => url.pathname === '/cohorts', { waitUntil: 'commit' });
    wake();
    expect(seen.filter((one) => one.includes(email) || one.includes(password) || one.includes('not this one'))).toEqual([]);
    await page.context().close();
  }
});

test('whoever cannot sign in, or signs up, is heard without JavaScript, by a POST', async ({ browser, page }) => {
  const lost = await (await asleep.make({ javaScriptEnabled: false, locale: 'en-GB' })).newPage();
  const seen = addresses(lost);
  await lost.goto('/sign-in/lost');
  await lost.getByLabel('E-mail').fill('nobody');
  await lost.getByRole('button', { name: 'Send me a link' }).click();
  await expect(lost.getByText('An e-mail address such as')).toBeVisible();
  await expect(lost.getByLabel('E-mail')).toHaveValue('nobody');
  await lost.getByLabel('E-mail').fill('tamsin@pellwick.example');
  await lost.getByRole('button', { name: 'Send me a link' }).click();
  await expect(lost.getByText('a link is on its way to it')).toBeVisible();
  expect(seen.filter((one) => one.includes('tamsin@'))).toEqual([]);
  // The link is exchanged as it is opened: what stands in the address from then on opens nothing elsewhere.
  await signInAs(page, 'director', '/studio/outbox');
  await expect(async () => {
    await page.reload();
    await page.getByText('tamsin@pellwick.example').first().click();
    await expect(page.getByRole('link', { name: /\/join\// }).first()).toBeVisible({ timeout: 2000 });
  }).toPass();
  const link = (await page
    .getByRole('link', { name: /\/join\// })
    .first()
    .getAttribute('href'))!;
  await lost.goto(new URL(link).pathname);
  await expect(lost.getByRole('heading', { name: /Another password, Tamsin/ })).toBeVisible();
  expect(new URL(lost.url()).pathname).toMatch(/^\/join\/[\da-f]{16}$/);
  await lost.getByLabel('Choose a password').fill('a few words of mine');
  await lost.getByLabel('Once more').fill('a few other words');
  await lost.getByRole('button', { name: 'Set the password' }).click();
  await expect(lost.getByText('This is not the same as above.')).toBeVisible();
  expect(seen.filter((one) => one.includes('a few'))).toEqual([]);
  const elsewhere = await (await browser.newContext()).newPage();
  await elsewhere.goto(new URL(lost.url()).pathname);
  await expect(elsewhere.getByText('This browser does not know this page any more.')).toBeVisible();
});

test('what is typed and pressed before a page is awake is sent once it is, and stands in no address', async ({ page }) => {
  await signInAs(page, 'lead teacher');
  const context = await asleep.make({ locale: 'en-GB' });
  await context.addCookies(await page.context().cookies());
  const early = await context.newPage();
  const seen = addresses(early);
  const wake = await slow(early);
  await early.goto('/me', { waitUntil: 'commit' });
  await early.getByLabel('Your name').fill('Corin Quay-Marsh');
  await early.getByRole('button', { name: 'Save the name' }).click({ noWaitAfter: true });
  await early.waitForTimeout(500);
  expect(new URL(early.url()).search).toBe('');
  wake();
  await expect(early.getByRole('navigation', { name: 'Places' }).getByText('Corin Quay-Marsh')).toBeVisible();
  expect(seen.filter((one) => one.includes('Corin Quay'))).toEqual([]);
  // What was typed and not sent stands there after a reload, and is gone once it was sent.
  await early.getByLabel('Your name').fill('Corin Tide');
  await early.waitForTimeout(800);
  await early.reload();
  await expect(early.getByLabel('Your name')).toHaveValue('Corin Tide');
});

test('a stop sign that calls for help comes first on every page of the director until they answer for it', async ({ page, browser }) => {
  const staff = await (await browser.newContext()).newPage();
  await signInAs(staff, 'teacher', '/teach');
  const session = (await staff.getByRole('link', { name: 'Steady on the early boat' }).first().getAttribute('href'))!.split('/').pop()!;
  const sent = await staff.request.post('/api/sign', {
    data: { id: '01a22c00-0000-7000-8000-0000000000aa', session: session.split('?')[0], sign: 'chest pain', place: '12:04 in, during 4:4' },
  });
  expect(sent.status()).toBe(200);
  for (const place of ['/techniques', '/courses']) {
    await signInAs(page, 'director', place);
    await page.goto(place);
    await expect(page.getByText('Something called for help.')).toBeVisible();
  }
  await page.getByRole('link', { name: 'Ask how they are' }).click();
  await expect(page.getByRole('heading', { name: 'Somebody who was not named: chest pain' })).toBeVisible();
  const own = page.getByRole('listitem').filter({ hasText: 'chest pain' });
  await own.getByRole('button', { name: 'Answered for' }).click();
  await expect(own.getByText('Please give what was done')).toBeVisible();
  await own.getByLabel('What was done').fill('Asked all of them: it passed at once');
  await own.getByRole('button', { name: 'Answered for' }).click();
  await expect(page.getByRole('heading', { name: 'Somebody who was not named: chest pain' })).toHaveCount(0);
  await page.goto('/courses');
  await expect(page.getByText('Something called for help.')).toHaveCount(0);
});
