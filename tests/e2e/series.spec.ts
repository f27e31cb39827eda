import { expect, type Browser, type Page } from '@playwright/test';
import { accessible, choose, fitsTheWidth, signInAs, test } from './story';

const BEGINNERS = 'Three weeks to an even breath';

/** Somebody's own address, as the director has it sent anew. */
async function addressOf(page: Page, name: string): Promise<string> {
  await page.getByRole('button', { name: `A new address for ${name}` }).click();
  const row = page.getByRole('row').filter({ hasText: name });
  return (await row.getByRole('link', { name: /Open it here/ }).getAttribute('href'))!;
}

const phone = async (browser: Browser, more: object = {}) => (await browser.newContext({ viewport: { width: 390, height: 844 }, ...more })).newPage();

test('a series is designed in one go: asked, mended where it cannot be, drafted, and changed by hand', async ({ page }) => {
  await signInAs(page, 'director', '/series/new');
  await page.getByLabel('Name of the series').fill('A fortnight at the window');
  await page.getByLabel('Minutes at last').fill('12');
  await expect(page.getByText(/from 1 that is 7 minutes after 21 days, not 12/)).toBeVisible();
  await page.getByRole('button', { name: 'Arrive at 7' }).click();
  await expect(page.getByText(/A minute more every three days/)).toBeHidden();
  await accessible(page);
  await page.getByRole('button', { name: 'Draft the days' }).click();
  await expect(page.getByRole('heading', { name: 'A fortnight at the window' })).toBeVisible();
  await expect(page.getByText('Nothing is out of order.')).toBeVisible();
  await accessible(page);

  // By keyboard a day changes places with the one above it; the guards answer at once, and back it is in order again.
  const first = page.getByRole('button', { name: /day 1 ·/ });
  const was = await first.textContent();
  await first.focus();
  await page.keyboard.press('Alt+ArrowUp');
  await expect(page.getByRole('heading', { name: /^Day 2,/ })).toBeVisible();
  await page.getByLabel('Minutes', { exact: true }).fill('5');
  await page.getByRole('button', { name: 'Change the day' }).click();
  await expect(page.getByText(/grows from 1 to 5 min/)).toBeVisible();
  await page.getByRole('button', { name: 'Draft the days again' }).click();
  await expect(page.getByText('Nothing is out of order.')).toBeVisible();
  await expect(first).toHaveText(was!);

  // Taken back, what was changed by hand is there again; done again, the draft is.
  await page.getByRole('button', { name: 'Take back: the draft' }).click();
  await expect(page.getByText(/grows from 1 to 5 min/)).toBeVisible();
  await page.getByRole('button', { name: 'Do again: the draft' }).click();
  await expect(page.getByText('Nothing is out of order.')).toBeVisible();

  // Let go on the rung between two days, a day goes in between.
  const told = (day: number) => page.getByRole('button', { name: new RegExp(`day ${day} ·`) });
  const last = await told(20).locator('strong').textContent();
  await told(20).hover();
  await page.mouse.down();
  const rung = (await told(17).locator('xpath=..').boundingBox())!;
  await page.mouse.move(rung.x + rung.width / 2, rung.y + rung.height - 20, { steps: 6 });
  await page.mouse.move(rung.x + rung.width / 2, rung.y + rung.height - 1, { steps: 6 });
  await page.mouse.up();
  await expect(page.getByRole('button', { name: 'Take back: day 20 moved to day 17' })).toBeVisible();
  await expect(told(17).locator('strong')).toHaveText(last!);

  // Made live, a day is a class of a course; made one alone again, that course holds none, and says so.
  await told(5).click();
  await choose(page, 'It is', 'live, with a teacher');
  await expect(page.getByRole('link', { name: 'The plan of this live day' })).toBeVisible();
  await choose(page, 'It is', 'alone at home');
  await expect(page.getByRole('link', { name: 'The plan of this live day' })).toBeHidden();
  await page.goto('/courses');
  await page.getByRole('link', { name: 'A fortnight at the window, live' }).click();
  await expect(page.getByText('No class of it is held.')).toBeVisible();
  await page.getByRole('link', { name: 'A fortnight at the window', exact: true }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'A fortnight at the window', exact: true })).toBeVisible();

  // Until it begins all of it can be asked anew; what was chosen for a week comes back with the week.
  await page.getByRole('link', { name: 'Change what is asked' }).click();
  await expect(page.getByRole('heading', { name: 'What is asked of A fortnight at the window', exact: true })).toBeVisible();
  await accessible(page);
  await choose(page, 'Days', '7 days');
  await expect(page.getByText('Week 3')).toBeHidden();
  await choose(page, 'Days', '14 days');
  await expect(page.getByRole('button', { name: /Longer exhale 4:5/ })).toBeVisible();
  await page.getByLabel('Minutes at last').fill('4');
  await page.getByRole('button', { name: 'Change it' }).click();
  await expect(page.getByText(/^14 days,/)).toBeVisible();
  await page.getByRole('button', { name: 'Take back: what was asked' }).click();
  await expect(page.getByText(/^21 days,/)).toBeVisible();
});

test('what does not come has buttons for what would do, also of a series that has begun; what is ahead is asked anew', async ({ page }) => {
  await signInAs(page, 'director', '/series/new');
  await page.getByLabel('Name of the series').fill('A week to four and six');
  await page.getByLabel('First day', { exact: true }).fill('today');
  await choose(page, 'Days', '7 days');
  await page.getByLabel('Minutes at last').fill('3');
  await choose(page, 'For', 'Desk-bound beginners');
  await page.getByRole('combobox', { name: /week 1/ }).fill('Longer exhale 4:6');
  await page.getByRole('option', { name: 'Longer exhale 4:6' }).click();
  await page.getByRole('button', { name: 'Draft the days' }).click();
  await expect(page.getByText(/^Longer exhale 4:6 does not come/)).toBeVisible();
  const first = page.getByRole('button', { name: /day 1 ·/ });
  const was = await first.textContent();
  await page.getByRole('button', { name: /^\d+ days$/ }).click();
  await expect(page.getByText(/does not come/)).toBeHidden();
  await expect(page.getByText('Nothing is out of order.')).toBeVisible();
  await expect(page.getByRole('button', { name: /^Longer exhale 4:6 ?day/ }).first()).toBeVisible();

  // What has begun stays; a pause leaves live days on their weekdays.
  await page.getByRole('link', { name: 'Change what is asked' }).click();
  await expect(page.getByText(/Day 1 has begun: the days up to it stay as they are/)).toBeVisible();
  await expect(page.getByLabel('First day', { exact: true })).toBeHidden();
  await page.getByLabel('Minutes at last').fill('19');
  await expect(page.getByText(/as it stands that is \d+ minutes after \d+ days, not 19/)).toBeVisible();
  await page.getByRole('button', { name: /^Arrive at/ }).click();
  await page.getByLabel('Sun', { exact: true }).check();
  await accessible(page);
  await page.getByRole('button', { name: 'Change it' }).click();
  await expect(page.getByRole('button', { name: 'Draft the days from day 2 again' })).toBeVisible();
  await expect(page.getByText('Nothing is out of order.')).toBeVisible();
  await expect(page.getByRole('button', { name: / · live / }).first()).toBeVisible();
  await expect(first).toHaveText(was!);
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByRole('menuitem', { name: 'Pause it' }).click();
  await expect(page.getByLabel(/^Live days stay on their weekdays/)).toBeChecked();
  await page.getByLabel('First day of the pause', { exact: true }).fill('in 2 days');
  await page.getByLabel('Last day of the pause', { exact: true }).fill('in 3 days');
  await page.getByRole('button', { name: 'Pause it' }).click();
  await expect(page.getByText(/on another weekday than the other live days/)).toBeHidden();
  await page.getByRole('button', { name: 'Take back: the pause' }).click();
  await page.getByRole('button', { name: 'Do again: the pause' }).click();
  await page.getByRole('button', { name: 'End the pause' }).click();
  await expect(page.getByText(/^A pause: /)).toBeHidden();
});

test('phones answer: one without a script, one without a network, one that says something felt wrong; who drifts is written to', async ({
  page,
  browser,
}) => {
  await signInAs(page, 'director', '/series');
  await page.getByRole('link', { name: BEGINNERS }).click();
  await page.getByRole('button', { name: /Who takes part/ }).click();
  await accessible(page);

  const plain = await phone(browser, { javaScriptEnabled: false });
  await plain.goto(await addressOf(page, 'Sunniva H.'));
  await expect(plain.getByRole('heading', { name: /^Day \d+, Sunniva/ })).toBeVisible();
  await plain.getByRole('button', { name: 'worked', exact: true }).click();
  await expect(plain.getByText('Thank you. It is on your ladder.')).toBeVisible();

  // Opened once, it needs no network: the practice runs, and what is said arrives once.
  const off = await phone(browser);
  await off.goto(await addressOf(page, 'Lotte V.'));
  await accessible(off);
  await fitsTheWidth(off);
  await off.waitForFunction(() => navigator.serviceWorker.controller !== null);
  await expect.poll(() => off.evaluate(async () => (await (await caches.open('oaken-day')).match(location.pathname)) !== undefined)).toBe(true);
  await off.context().setOffline(true);
  await off.reload();
  await off.getByRole('button', { name: /^Begin/ }).click();
  await expect(off.getByRole('dialog', { name: 'Practice' })).toContainText('left');
  await off.getByRole('button', { name: 'End' }).click();
  await off.getByRole('button', { name: 'easy', exact: true }).click();
  await off.getByRole('button', { name: 'easy', exact: true }).click();
  await expect(off.getByText('Kept on this phone; it is sent as soon as there is a network.')).toBeVisible();
  await off.context().setOffline(false);
  await expect(off.getByText('Thank you. It is on your ladder.')).toBeVisible();

  // What calls for help says what to do at once, network or not; what is tapped after it does not unsay it.
  const hurt = await phone(browser);
  await hurt.goto(await addressOf(page, 'Elke R.'));
  await hurt.context().setOffline(true);
  await hurt.getByRole('link', { name: 'Something felt wrong', exact: true }).click();
  const wrong = hurt.getByRole('form', { name: 'Something felt wrong', exact: true });
  await wrong.getByLabel('chest pain').check();
  await wrong.getByRole('button', { name: 'Say it' }).click();
  await expect(wrong).toBeHidden();
  const help = hurt.getByRole('alert').filter({ hasText: 'call the emergency services' });
  await expect(help).toContainText('as soon as this phone reaches it');
  await hurt.getByRole('button', { name: 'easy', exact: true }).click();
  await expect(help).toBeVisible();
  await hurt.context().setOffline(false);
  await expect(help).toContainText('The studio has been told');
  await page.goto('/');
  // It comes first, on every page, and stands until somebody answered for it.
  await expect(page.getByText('Something called for help.')).toBeVisible();
  await page.getByRole('listitem').filter({ hasText: 'Elke R.' }).filter({ hasText: 'chest pain' }).getByRole('link').click();
  await accessible(page);
  const sign = page.getByRole('listitem').filter({ has: page.getByRole('heading', { name: 'Elke R.: chest pain' }) });
  await sign.getByRole('link', { name: BEGINNERS }).click();
  await expect(page.getByText('Elke R. marked a sign that calls for help.')).toBeVisible();
  await hurt.reload();
  await expect(hurt.getByText(/Breathe as you like until the studio has spoken with you/)).toBeVisible();
  await page.getByRole('button', { name: 'We have spoken, Elke goes on' }).click();
  await expect(page.getByText('Elke R. marked a sign that calls for help.')).toBeHidden();

  // Who drifts off gets a word, once in three days.
  await page.getByLabel('To each, after a first line of their own').fill('This cures asthma.');
  await page.getByRole('button', { name: /^Write to all/ }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'is a claim the studio cannot stand behind' })).toBeVisible();
  await page.getByLabel('To each, after a first line of their own').fill('We kept your place. Today is short.');
  await page.getByRole('button', { name: /^Write to all/ }).click();
  await expect(page.getByText('written to today').first()).toBeVisible();
  await page.goto('/studio/outbox');
  await page.getByText('rosa@post.example').first().click();
  await expect(page.getByText(/Hello Rosa, your last day with us was/)).toBeVisible();
  const back = await phone(browser);
  await back.goto(
    (await page
      .getByRole('link', { name: /\/day\// })
      .first()
      .getAttribute('href'))!,
  );
  await back.getByRole('button', { name: 'easy', exact: true }).click();
  await expect(back.getByText('Thank you. It is on your ladder.')).toBeVisible();
  const yesterday = back.getByRole('group', { name: 'Yesterday' });
  await accessible(back);
  await fitsTheWidth(back);
  await yesterday.getByRole('button', { name: 'Not that day' }).click();
  await expect(yesterday).toBeHidden();
  await page.goto('/series');
  await page.getByRole('link', { name: BEGINNERS }).click();
  await expect(page.getByText(/([5-9]|1[0-2]) of 12 did it/)).toBeVisible();

  // Left by mistake, somebody takes part again by another address, with what they did.
  await plain.getByLabel('I want to leave this series').check();
  await plain.getByRole('button', { name: 'Leave' }).click();
  await expect(plain.getByRole('heading', { name: 'This page is closed' })).toBeVisible();
  await page.reload();
  await page.getByRole('button', { name: /Who takes part/ }).click();
  await page.getByRole('button', { name: 'Let Sunniva H. take part again' }).click();
  await plain.goto(
    (await page
      .getByRole('row', { name: /Sunniva H\./ })
      .getByRole('link', { name: /Open it here/ })
      .getAttribute('href'))!,
  );
  await expect(plain.getByText('You said: done, worked.')).toBeVisible();
});
