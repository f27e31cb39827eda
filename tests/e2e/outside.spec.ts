import { expect, test } from '@playwright/test';
import { CONDITIONS } from '../../src/core/screening';
import { signInAs, type Role } from './story';

const PLACES = ['/', '/techniques', '/ladder', '/cohorts', '/courses', '/courses/new', '/plans', '/teach', '/studio'] as const;
const MAY: Readonly<Record<Role, readonly string[]>> = {
  director: PLACES,
  'lead teacher': ['/', '/techniques', '/ladder', '/cohorts', '/courses', '/plans', '/teach'],
  teacher: ['/', '/techniques', '/ladder', '/cohorts', '/teach'],
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
    expect(rungs.map((rung) => `/${rung.toLowerCase()}`)).toEqual(MAY[role].filter((place) => place !== '/' && place !== '/courses/new'));

    await page.goto('/cohorts');
    await page.getByRole('link', { name: role === 'lead teacher' ? 'Choir and brass' : 'Ferry crew, early shift' }).click();
    await page.waitForURL(/cohorts\/[\da-f-]+/);
    const cell = page.getByRole('link', { name: /^(Fenna T|Birte S)\., Equal 4:4:4/ });
    expect(await cell.count()).toBe(role === 'front desk' ? 0 : 1);
    if (role !== 'front desk') await page.goto((await cell.getAttribute('href'))!);
    const html = await page.content();
    const named = NAMES.filter((name) => html.includes(name));
    expect(named).toEqual(role === 'director' ? ['high blood pressure'] : []);
  });
}

test('nonsense addresses and signed-out requests get an answer in words', async ({ page, request }) => {
  for (const place of PLACES) expect((await request.get(place, { maxRedirects: 0 })).status()).toBe(307);
  const log = await request.post('/api/log', { data: { id: 'x' } });
  expect(log.status()).toBe(401);
  expect(await log.json()).toMatchObject({ code: 'signed-out' });
  const foreign = await request.post('/api/log', { data: {}, headers: { origin: 'https://elsewhere.example' } });
  expect(foreign.status()).toBe(403);
  await signInAs(page, 'director');
  for (const place of ['/courses/nonsense', '/plans/01a20ff7-ff04-720a-9f07-ad3f44805478', '/cohorts/1', '/techniques/none', '/teach/x']) {
    await page.goto(place);
    await expect(page.getByRole('heading', { name: 'Not here' })).toBeVisible();
  }
  await page.goto('/nowhere');
  await expect(page.getByRole('heading', { name: 'Not here' })).toBeVisible();
});
