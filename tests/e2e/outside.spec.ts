import { expect, test, type Page } from '@playwright/test';
import { CONDITIONS } from '../../src/core/screening';
import { signInAs, type Role } from './story';

const PLACES = [
  '/',
  '/techniques',
  '/ladder',
  '/cohorts',
  '/cohorts/rules',
  '/courses',
  '/courses/new',
  '/plans',
  '/teach',
  '/studio',
  '/studio/record',
  '/studio/outbox',
] as const;
const MAY: Readonly<Record<Role, readonly string[]>> = {
  director: PLACES,
  'lead teacher': ['/', '/techniques', '/ladder', '/cohorts', '/cohorts/rules', '/courses', '/plans', '/teach'],
  teacher: ['/', '/techniques', '/ladder', '/cohorts', '/cohorts/rules', '/teach'],
  'front desk': ['/', '/techniques', '/ladder', '/cohorts'],
};
const NAMES = CONDITIONS.filter(({ question }) => question && question.length > 0).map(({ name }) => name);

for (const role of Object.keys(MAY) as Role[]) {
  test(`${role}: every place opens or is refused in words, and no condition is named to whom it may not`, async ({ page }) => {
    await signInAs(page, role);
    for (const place of PLACES) {
      const response = await page.goto(place);
      expect(response?.status()).toBeLessThan(500);
      const refused = (await page.getByText('Your role does not allow this.').count()) > 0;
      expect([place, !refused]).toEqual([place, MAY[role].includes(place)]);
      expect(response?.headers()['content-security-policy']).toContain("script-src 'self' 'nonce-");
    }
    const rungs = await page.getByRole('navigation', { name: 'Places' }).getByRole('listitem').allInnerTexts();
    expect(rungs.map((rung) => `/${rung.toLowerCase()}`)).toEqual(MAY[role].filter((place) => /^\/\w+$/.test(place)));

    await page.goto('/cohorts');
    await page.getByRole('link', { name: role === 'lead teacher' ? 'Choir and brass' : 'Ferry crew, early shift' }).click();
    await page.waitForURL(/cohorts\/[\da-f-]+/);
    const cell = page.getByRole('link', { name: /^(Fenna T|Birte S)\., Equal 4:4:4/ });
    expect(await cell.count()).toBe(role === 'front desk' ? 0 : 1);
    if (role !== 'front desk') await page.goto((await cell.getAttribute('href'))!);
    const html = [await page.content()];
    for (const place of [
      ...(await hrefs(page, /^\/cohorts\/people\//)).slice(0, 3),
      ...(await hrefs(page, /tracks=/)).slice(0, 2),
      '/',
      '/cohorts',
    ]) {
      await page.goto(place);
      html.push(await page.content());
    }
    const named = NAMES.filter((name) => html.some((text) => text.includes(name)));
    expect(named).toEqual(role === 'director' ? ['high blood pressure'] : []);
  });
}

async function hrefs(page: Page, like: RegExp): Promise<string[]> {
  const all = await page.locator('main a[href]').evaluateAll((links) => links.map((link) => link.getAttribute('href')!));
  return [...new Set(all.filter((href) => like.test(href)))];
}

test('nonsense addresses and signed-out requests get an answer in words', async ({ page, request }) => {
  for (const place of PLACES) expect((await request.get(place, { maxRedirects: 0 })).status()).toBe(307);
  const log = await request.post('/api/log', { data: { id: 'x' } });
  expect(log.status()).toBe(401);
  expect(await log.json()).toMatchObject({ code: 'signed-out' });
  const foreign = await request.post('/api/log', { data: {}, headers: { origin: 'https://elsewhere.example' } });
  expect(foreign.status()).toBe(403);
  const form = await request.post('/api/form/nonsense', { form: { consent: 'on' } });
  expect([form.status(), await form.text()]).toEqual([422, expect.stringContaining('Ask the studio for a new one')]);
  expect((await request.post('/api/form/nonsense', { data: 'x'.repeat(70_000) })).status()).toBe(413);
  await page.goto('/form/nonsense');
  await expect(page.getByRole('heading', { name: 'This form is closed' })).toBeVisible();
  await signInAs(page, 'director');
  for (const place of [
    '/courses/nonsense',
    '/plans/01a20ff7-ff04-720a-9f07-ad3f44805478',
    '/cohorts/1',
    '/cohorts/people/x',
    '/techniques/none',
    '/teach/x',
  ]) {
    await page.goto(place);
    await expect(page.getByRole('heading', { name: 'Not here' })).toBeVisible();
  }
  await page.goto('/nowhere');
  await expect(page.getByRole('heading', { name: 'Not here' })).toBeVisible();
});
