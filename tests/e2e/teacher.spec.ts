import { expect } from '@playwright/test';
import { accessible, fitsTheWidth, signInAs, test } from './story';

/** Whether all of something is on the screen and nothing lies over it. */
function isWhole(element: Element): boolean {
  const { left, right, top, bottom } = element.getBoundingClientRect();
  return [left + 3, (left + right) / 2, right - 3].every((x) =>
    [top + 3, (top + bottom) / 2, bottom - 3].every((y) => {
      const there = document.elementFromPoint(x, y);
      return there !== null && (element.contains(there) || there === element);
    }),
  );
}

test('a teacher on a phone reads, opens, teaches without a network, logs, and the director sees it', async ({ page, context, browser }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await signInAs(page, 'teacher', '/teach');
  await expect(page.getByText('You teach Steady on the early boat today at 05:45.')).toBeVisible();
  await accessible(page);
  await fitsTheWidth(page);
  await page.getByRole('listitem').filter({ hasText: 'today' }).getByRole('link', { name: 'Steady on the early boat' }).click();
  await expect(page.getByRole('heading', { name: 'Stop signs' })).toBeAttached();
  await accessible(page);
  await fitsTheWidth(page);
  await page.getByRole('button', { name: 'I have read it' }).click();
  await page.getByRole('button', { name: 'Open the class' }).click();

  await expect(page.getByRole('heading', { name: 'At the door' })).toBeVisible();
  const bram = page.getByRole('listitem').filter({ has: page.getByRole('group', { name: 'Today: Bram O.' }) });
  await expect(bram.getByText(/not this/)).toHaveCount(0);
  await bram.getByRole('button', { name: 'unwell' }).click();
  await expect(bram.getByText(/not this/).first()).toBeVisible();
  await page.getByRole('group', { name: 'Today: Asta R.' }).getByRole('button', { name: 'not here' }).click();
  await accessible(page);
  await fitsTheWidth(page);
  // What the open page and the device need is kept now.
  await expect.poll(() => page.evaluate(async () => (await (await caches.open('oaken-parts')).keys()).length)).toBeGreaterThan(3);
  await page.evaluate(async () => void (await navigator.serviceWorker.ready));

  await context.setOffline(true);
  await page.getByRole('button', { name: 'To the class screen' }).click();
  const screen = page.getByRole('dialog', { name: 'Class' });
  await expect(screen).toContainText('Arrive and find a seat');
  await accessible(page);
  await page.keyboard.press('Space');
  await expect(screen.getByRole('button', { name: /Pause/ })).toBeVisible();
  for (let block = 0; block < 12 && !/round 1 of/.test(await screen.innerText()); block += 1) {
    await screen.getByRole('button', { name: 'Next block' }).click();
    await page.waitForTimeout(400);
  }
  await expect(screen).toContainText(/round 1 of/);
  await expect(screen).toContainText(/(In|Out)/);
  await page.keyboard.press('s');
  // It stops the class, says what to do and whom to call, and takes who and what in two taps.
  const stop = page.getByRole('dialog', { name: 'Stop sign' });
  await expect(stop).toContainText('Let go, breathe as you like');
  await expect(stop).toContainText('call the emergency services');
  await accessible(page);
  await stop.getByRole('button', { name: 'chest pain' }).click();
  await expect(stop).toContainText('Call the emergency services now');
  await stop.getByRole('button', { name: 'chest pain' }).click();
  await stop.getByRole('button', { name: 'a slip of the finger' }).click();
  await stop.getByRole('button', { name: /Back to the class/i }).click();
  await page.keyboard.press('s');
  await stop.getByRole('group', { name: 'Who' }).getByRole('button', { name: 'Juno B.' }).click();
  await stop.getByRole('button', { name: 'dizziness' }).click();
  await stop.getByRole('button', { name: 'Back to the class' }).click();
  await expect(screen).toContainText('2 stop signs marked');
  await expect(screen.getByRole('button', { name: /Go on/ })).toBeVisible();
  // Whoever comes late is asked at once.
  await page.keyboard.press('h');
  const late = page.getByRole('dialog', { name: 'They are here' });
  await late.getByRole('group', { name: 'Today: Asta R.' }).getByRole('button', { name: 'not here' }).click();
  await late.getByRole('group', { name: 'Today: Asta R.' }).getByRole('button', { name: 'not here' }).click();
  await late.getByRole('button', { name: 'Back to the class' }).click();
  // Nothing of help is cut off, whatever the screen, with who differs open too.
  await page.keyboard.press('w');
  await expect(screen).toContainText('Bram O.:');
  for (const [width, height] of [
    [390, 844],
    [844, 390],
    [640, 400],
  ]) {
    await page.setViewportSize({ width, height });
    for (const help of [screen.getByText(/call the emergency services/), screen.getByRole('button', { name: /Stop sign/ })])
      await expect.poll(() => help.evaluate(isWhole), { message: `${width} × ${height}` }).toBe(true);
  }
  await page.setViewportSize({ width: 390, height: 844 });

  // A reload without a network goes on where it was.
  await page.reload();
  await expect(screen).toContainText(/round 1 of/);
  await expect(screen).toContainText('2 stop signs marked');
  await screen.getByRole('button', { name: /End class/ }).click();

  await expect(page.getByRole('heading', { name: 'How was it?' })).toBeVisible();
  await expect(page.getByText('10 of 11 came')).toBeVisible();
  await page.getByRole('group', { name: 'Juno B.' }).getByRole('button', { name: 'strained' }).click();
  await page.getByRole('button', { name: 'dizziness' }).click();
  await page.getByRole('group', { name: 'Who: dizziness' }).getByRole('button', { name: 'Juno B.' }).click();
  await page.getByLabel('A note to the director').fill('Swell outside; kept it short.');
  await accessible(page);
  await fitsTheWidth(page);
  await page.getByRole('button', { name: 'Send the log' }).click();
  await expect(page.getByRole('heading', { name: 'Kept on this device' })).toBeVisible();
  await context.setOffline(false);
  await expect(page.getByText('A class log that waited on this device has arrived.')).toBeVisible({ timeout: 40_000 });

  const director = await (await browser.newContext()).newPage();
  await signInAs(director, 'director', '/plans');
  await director.getByRole('row').filter({ hasText: '10 of 11 came' }).filter({ hasText: 'stop sign' }).last().getByRole('link').first().click();
  await expect(director.getByText(/Read and acknowledged/)).toBeVisible();
  const log = director.getByRole('region', { name: 'Class log' });
  await expect(log).toContainText('Logged by Tamsin Brae');
  await expect(log).toContainText('Missed by Asta R.');
  await expect(log).toContainText('Juno B.: strained, dizziness');
  await expect(log).toContainText('Swell outside; kept it short.');
  await accessible(director);
});

test('a class is rehearsed before its day, four times as fast, and nothing of it is left on the day', async ({ page }) => {
  await signInAs(page, 'director', '/plans');
  const ahead = page.getByRole('row').filter({ hasText: 'Over sixty, seated' }).filter({ hasText: 'v1' }).filter({ hasNotText: 'came' }).first();
  const plan = await ahead.getByRole('link').first().getAttribute('href');
  await page.goto(plan!.replace('/plans/', '/teach/'));
  // Other stories may have made something stricter since it was read.
  const [read, rehearse] = ['I have read it', 'Rehearse it'].map((name) => page.getByRole('button', { name }));
  await expect(read.or(rehearse)).toBeVisible();
  if (await read.isVisible()) await read.click();
  await rehearse.click();
  const screen = page.getByRole('dialog', { name: 'Class' });
  await screen.getByRole('button', { name: /^Begin/ }).click();
  await screen.getByRole('button', { name: /^More/ }).click();
  await screen.getByRole('button', { name: /4 × as fast/ }).click();
  await expect(screen).toContainText('3:4', { timeout: 8000 });
  await expect(screen.getByRole('button', { name: /At true speed/ })).toBeVisible();
  await accessible(page);
  // The day of the class comes: it begins at its beginning.
  await page.clock.setSystemTime(new Date(Date.now() + 86_400_000));
  await page.reload();
  await expect(page.getByRole('button', { name: 'Open the class' })).toBeVisible();
  await expect(screen).toHaveCount(0);
});
