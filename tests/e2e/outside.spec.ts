import { request as httpRequest } from 'node:http';
import { expect, type Page } from '@playwright/test';
import { CONDITIONS } from '../../src/core/screening';
import { signInAs, test, type Role } from './story';

const PLACES = [
  '/',
  '/techniques',
  '/ladder',
  '/cohorts',
  '/cohorts/rules',
  '/courses',
  '/courses/new',
  '/courses/single',
  '/courses/bring',
  '/series',
  '/series/new',
  '/plans',
  '/teach',
  '/studio',
  '/studio/staff',
  '/studio/record',
  '/studio/outbox',
] as const;
const MAY: Readonly<Record<Role, readonly string[]>> = {
  director: PLACES,
  'lead teacher': ['/', '/techniques', '/ladder', '/cohorts', '/courses', '/series', '/plans', '/teach'],
  teacher: ['/', '/techniques', '/ladder', '/cohorts', '/series', '/teach'],
  'front desk': ['/', '/techniques', '/ladder', '/cohorts', '/series'],
};
const NAMES = CONDITIONS.filter(({ question }) => question && question.length > 0).map(({ name }) => name);

for (const role of Object.keys(MAY) as Role[]) {
  test(`${role}: every place opens or is refused in words, and no condition is named to whom it may not`, async ({ page }) => {
    await signInAs(page, role);
    for (const place of PLACES) {
      // What the server answers, before any script of a page runs.
      const response = await page.request.get(place);
      expect(response.status()).toBeLessThan(500);
      const refused = (await response.text()).includes('Your role does not allow this.');
      expect([place, !refused]).toEqual([place, MAY[role].includes(place)]);
      expect(response.headers()['content-security-policy']).toContain("script-src 'self' 'nonce-");
    }
    const rungs = await page.getByRole('navigation', { name: 'Places' }).getByRole('listitem').allInnerTexts();
    expect(rungs.map((rung) => `/${rung.toLowerCase()}`)).toEqual(MAY[role].filter((place) => /^\/\w+$/.test(place)));

    await page.goto('/cohorts');
    await page.getByRole('link', { name: role === 'lead teacher' ? 'Choir and brass' : 'Ferry crew, early shift' }).click();
    await page.waitForURL(/cohorts\/[\da-f-]+/);
    const cell = page.getByRole('link', { name: /^(Fenna T|Birte S)\., Equal 4:4:4/ });
    expect(await cell.count()).toBe(role === 'director' ? 1 : 0);
    if (role === 'director') await page.goto((await cell.getAttribute('href'))!);
    const html = [await page.content()];
    for (const place of [
      ...(await hrefs(page, /^\/cohorts\/people\//)).slice(0, 3),
      ...(await hrefs(page, /tracks=/)).slice(0, 2),
      '/',
      '/cohorts',
    ]) {
      html.push(await (await page.request.get(place)).text());
    }
    const named = NAMES.filter((name) => html.some((text) => text.includes(name)));
    expect(named).toEqual(role === 'director' ? ['high blood pressure'] : []);
  });
}

async function hrefs(page: Page, like: RegExp): Promise<string[]> {
  const all = await page.locator('main a[href]').evaluateAll((links) => links.map((link) => link.getAttribute('href')!));
  return [...new Set(all.filter((href) => like.test(href)))];
}

/** Sends so many bytes to a form's address. @returns the status that came back, however many of them were taken */
function pour(bytes: number, chunked: boolean): Promise<number | undefined> {
  return new Promise((answer, failed) => {
    const headers = {
      'content-type': 'application/x-www-form-urlencoded',
      ...(chunked ? { 'transfer-encoding': 'chunked' } : { 'content-length': bytes }),
    };
    const sending = httpRequest(
      new URL('/api/form/nonsense', process.env.OAKEN_ADDRESS ?? 'http://127.0.0.1:3700'),
      { method: 'POST', headers },
      (got) => {
        answer(got.statusCode);
        sending.destroy();
      },
    );
    sending.on('error', (error) => ('code' in error && (error.code === 'EPIPE' || error.code === 'ECONNRESET') ? undefined : failed(error)));
    const piece = Buffer.from('a=1&'.repeat(25_000));
    for (let sent = 0; sent < bytes; sent += piece.length) sending.write(piece);
    sending.end();
  });
}

test('nonsense addresses and signed-out requests get an answer in words', async ({ page, request }) => {
  for (const place of PLACES) expect((await request.get(place, { maxRedirects: 0 })).status()).toBe(307);
  const log = await request.post('/api/log', { data: { id: 'x' } });
  expect(log.status()).toBe(401);
  expect(await log.json()).toMatchObject({ code: 'signed-out' });
  expect((await request.post('/api/wording', { data: { text: 'a line' } })).status()).toBe(401);
  expect((await request.post('/api/wording', { data: { text: 'x'.repeat(70_000) } })).status()).toBe(413);
  const foreign = await request.post('/api/log', { data: {}, headers: { origin: 'https://elsewhere.example' } });
  expect(foreign.status()).toBe(403);
  const form = await request.post('/api/form/nonsense', { form: { consent: 'on' } });
  expect([form.status(), await form.text()]).toEqual([422, expect.stringContaining('Ask the studio for a new one')]);
  expect((await request.post('/api/form/nonsense', { data: 'x'.repeat(70_000) })).status()).toBe(413);
  for (const origin of ['null', 'garbage', 'https://127.0.0.1'])
    expect([origin, (await request.post('/api/log', { data: {}, headers: { origin } })).status()]).toEqual([origin, 403]);
  expect((await request.delete('/api/log')).status()).toBe(405);
  expect((await request.post('/techniques', { data: 'x' })).status()).toBe(405);
  // Nine million bytes of nothing, by anybody, are answered before they are read; so are bytes that don't say how many they are.
  for (const chunked of [false, true]) expect([411, 413]).toContain(await pour(9_000_000, chunked));
  const headers = (await request.get('/sign-in')).headers();
  expect(headers['strict-transport-security']).toContain('max-age=');
  expect(headers['permissions-policy']).toContain('camera=()');
  await page.goto('/form/nonsense');
  await expect(page.getByRole('heading', { name: 'This form is closed' })).toBeVisible();
  await page.goto('/join/nonsense');
  await expect(page.getByRole('heading', { name: 'This link is closed' })).toBeVisible();
  expect((await request.get('/calendar/nonsense')).status()).toBe(404);
  expect((await request.get('/api/export/calendar/mine')).status()).toBe(401);
  await signInAs(page, 'director');
  for (const place of [
    '/courses/nonsense',
    '/plans/01a20ff7-ff04-720a-9f07-ad3f44805478',
    '/cohorts/1',
    '/cohorts/people/x',
    '/techniques/none',
    '/teach/x',
    '/paper/plans/x',
  ]) {
    await page.goto(place);
    await expect(page.getByRole('heading', { name: 'Not here' })).toBeVisible();
  }
  await page.goto('/nowhere');
  await expect(page.getByRole('heading', { name: 'Not here' })).toBeVisible();
});
