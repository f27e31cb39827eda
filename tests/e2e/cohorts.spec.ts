import { expect } from '@playwright/test';
import { accessible, choose, fitsTheWidth, signInAs, test } from './story';

const ROSTER = 'Full name,Mail,Born\nIris V.,iris@post.example,14/5/1986\nJoss H.,joss@post.example,2 Mar 1979\n';

test('a roster comes in, forms are sent and answered on a phone, and what needs doing follows', async ({ page, browser }) => {
  await signInAs(page, 'front desk', '/cohorts');
  await expect(page.getByRole('heading', { name: 'What needs doing' })).toBeVisible();
  await accessible(page);
  await page.getByRole('link', { name: 'Steady breath over sixty' }).click();
  await page.getByRole('link', { name: 'Bring in a roster' }).click();
  const choose = (text: string) => page.getByLabel('The file').setInputFiles({ name: 'roster.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  await choose(`${ROSTER}=2+3,odd@post.example,31/31/1999\n`);
  await expect(page.getByText('looks like a formula')).toBeVisible();
  await expect(page.getByText('“31/31/1999” is no date')).toBeVisible();
  await choose(ROSTER);
  await page.getByRole('button', { name: 'Bring in 2 people' }).click();
  await expect(page.getByText('2 added.')).toBeVisible();
  await expect(page.getByRole('row', { name: /Iris V\. not yet/ })).toBeVisible();

  await page.getByRole('link', { name: 'Iris V.' }).click();
  await page.getByRole('button', { name: 'Fill it in on this device' }).click();
  const form = (await page.getByRole('link', { name: /the form for Iris V/ }).getAttribute('href'))!;
  await page.getByRole('button', { name: 'Send the form to iris@post.example' }).click();
  await expect(page.getByText('is in the outbox')).toBeVisible();

  // The first link stopped when the second was made; the second is in the outbox, which the director reads.
  const desk = await (await browser.newContext({ locale: 'en-GB' })).newPage();
  await signInAs(desk, 'director', '/studio/outbox');
  await accessible(desk);
  await desk.goto('/cohorts');
  const byItself = desk.getByRole('checkbox', { name: /^Send these forms without me/ });
  for (const on of [true, false]) {
    await byItself.setChecked(on);
    await expect(desk.getByText(on ? 'asked for by day, by themselves' : 'only when somebody does')).toBeVisible();
    await desk.reload();
    await expect(byItself).toBeChecked({ checked: on });
  }
  await desk.goto('/studio/outbox');
  await desk.getByText('iris@post.example').click();
  const link = (await desk
    .getByRole('link', { name: /\/form\// })
    .first()
    .getAttribute('href'))!;
  expect(link).not.toBe(form);

  const phone = await browser.newContext({ viewport: { width: 390, height: 844 }, javaScriptEnabled: false, locale: 'en-GB' });
  const own = await phone.newPage();
  await own.goto(form);
  await expect(own.getByRole('heading', { name: 'This form is closed' })).toBeVisible();
  await own.goto(new URL(link).pathname);
  await expect(own.getByRole('heading', { name: 'Hello Iris V.' })).toBeVisible();
  await own.getByLabel('Your birth date').fill('1986-05-14');
  for (const question of await own.getByRole('group').all()) await question.getByRole('radio', { name: 'no', exact: true }).first().check();
  const pressure = own.getByRole('group', { name: 'Do you have high blood pressure?' });
  await pressure.getByRole('radio', { name: 'yes' }).first().check();
  const controlled = pressure.getByRole('group', { name: 'Is it measured and controlled?' }).getByRole('radio', { name: 'yes' });
  await controlled.check();
  const send = own.getByRole('button', { name: 'Send my answers' });
  await send.click({ noWaitAfter: true });
  // Without the tick the browser itself stays here and keeps all of it.
  await expect(controlled).toBeChecked();
  await own.locator('#agree').check();
  await send.click();
  await expect(own.getByRole('heading', { name: 'Thank you' })).toBeVisible();
  await own.goto(new URL(link).pathname);
  await expect(own.getByText('has been used')).toBeVisible();
  await phone.close();

  // With JavaScript only to measure it: the open form is accessible and fits the phone.
  await page.getByRole('button', { name: 'Fill it in on this device' }).click();
  const newest = page.getByRole('link', { name: /the form for Iris V/ });
  await expect(newest).not.toHaveAttribute('href', form);
  const again = (await newest.getAttribute('href'))!;
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(again);
  await accessible(page);
  await fitsTheWidth(page);
  await page.getByRole('form', { name: 'Nothing has changed' }).getByRole('checkbox').check();
  await page.getByRole('button', { name: 'Nothing has changed' }).click();
  await expect(page.getByText('counts for another six months')).toBeVisible();
  await page.goto('/safety');
  await fitsTheWidth(page);

  await desk.goto('/cohorts');
  const needs = desk.getByRole('listitem').filter({ hasText: 'Steady breath over sixty' }).first();
  await expect(needs).toContainText('Joss H. never screened');
  await expect(needs).not.toContainText('Iris V.');
  await desk.close();
});

test('a clinician’s answer and an override: looked at first, acting in the course, in the record', async ({ page }) => {
  await signInAs(page, 'director', '/cohorts');
  await page.getByRole('link', { name: 'Ferry crew, early shift' }).click();
  await page.getByRole('link', { name: /^Fenna T\., Equal 4:4:4: ask first/ }).click();
  await expect(page.getByText('A clinician’s yes would open it.')).toBeVisible();
  await page.getByRole('link', { name: 'Clinician’s answer, or an override' }).click();
  await page.getByRole('button', { name: 'Open', exact: true }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'reason' })).toBeVisible();
  await page.getByLabel('Why you open them').fill('a letter from her doctor');
  await page.getByRole('button', { name: 'Open', exact: true }).click();
  const answers = page.getByTestId('answers');
  await expect(answers).toContainText('Do you have high blood pressure? yes');
  await answers.getByRole('checkbox', { name: /^ask first: .*fewer than 6 breaths/ }).check();
  await answers.getByRole('button', { name: 'What would change' }).click();
  await expect(answers).toContainText(/planned techniques? changes?/);
  await answers.getByLabel('What was said, or your reason').fill('slow breathing is fine');
  await answers.getByRole('button', { name: 'A clinician said yes' }).click();
  await expect(page.getByText('The clinician’s answer is recorded.')).toBeVisible();
  await answers.getByRole('checkbox', { name: /^adapt: .*a hold after the inhale/ }).check();
  await answers.getByLabel('Your reason').fill('short holds agreed for two weeks');
  await answers.getByRole('button', { name: 'Set aside in my name' }).click();
  await expect(page.getByText('Set aside, in your name.')).toBeVisible();

  await page.goto('/cohorts');
  await page.getByRole('link', { name: 'Ferry crew, early shift' }).click();
  await page.getByRole('link', { name: /^Fenna T\., Equal 4:4:4: clear, something set aside/ }).click();
  await expect(page.getByTestId('focus')).toContainText('short holds agreed for two weeks');
  await page.goto('/plans');
  await page.locator('tr[style] a').first().click();
  await expect(page.getByText(/set aside by Linnet Harrow until/).first()).toBeVisible();
  await page.goto('/studio/record');
  await expect(page.getByRole('row', { name: /Fenna T\. read the answers: a letter from her doctor/ }).first()).toBeVisible();
  await accessible(page);
});

test('how a group does one technique together, and what one answer would change', async ({ page }) => {
  await signInAs(page, 'director', '/cohorts');
  await page.getByRole('link', { name: 'Ferry crew, early shift' }).click();
  await page.getByRole('link', { name: 'Equal 4:4:4', exact: true }).click();
  await expect(page.getByTestId('tracks')).toContainText('ways side by side serve everybody');
  await choose(page, 'People', 'no valid screening');
  await expect(page.getByRole('rowheader', { name: 'Hedy W.' })).toBeVisible();
  await expect(page.getByRole('rowheader', { name: 'Asta R.' })).toHaveCount(0);
  await page.getByRole('link', { name: 'All techniques' }).click();
  await expect(page.getByRole('link', { name: 'Natural breath', exact: true })).toBeVisible();
});

test('the rulebook is made stricter freely, looser with a reason and a reviewer, and kept in versions', async ({ page, context }) => {
  await signInAs(page, 'director', '/cohorts/rules');
  const stale = await context.newPage();
  await stale.goto('/cohorts/rules');
  await accessible(page);
  await page
    .getByRole('row', { name: /^insulin-treated diabetes/ })
    .getByRole('button', { name: 'counted breathing' })
    .click();
  const change = page.getByRole('button', { name: 'Change the rule' });
  await choose(page, 'Answer', 'clear');
  await expect(change).toBeDisabled();
  await page.getByLabel('Reason').fill('every teacher keeps sugar at hand');
  await page.getByLabel('Reviewed by').fill('Dr. A. Quill');
  await change.click();
  await page.getByRole('button', { name: 'What would change' }).click();
  await expect(page.getByText(/planned techniques? changes? for one person/)).toBeVisible();
  await page.getByRole('button', { name: 'Save the rulebook' }).click();
  await expect(page.getByText('Saved as version 1.')).toBeVisible();
  // A page that was opened before shows both, and takes theirs.
  await stale
    .getByRole('row', { name: /^insulin-treated diabetes/ })
    .getByRole('button', { name: 'pumps' })
    .first()
    .click();
  await choose(stale, 'Answer', 'leave out');
  await stale.getByRole('button', { name: 'Change the rule' }).click();
  await stale.getByRole('button', { name: 'What would change' }).click();
  await stale.getByRole('button', { name: 'Save the rulebook' }).click();
  await expect(stale.getByRole('alert', { name: 'Somebody else saved this meanwhile' })).toBeVisible();
  await accessible(stale);
  await stale.getByRole('button', { name: 'Take theirs' }).click();
  await expect(stale.getByRole('button', { name: /^Take back/ })).toHaveCount(1);
  await stale.close();
  await page.getByText('v1', { exact: false }).first().click();
  await expect(page.getByText(/reviewed by Dr\. A\. Quill/).first()).toBeVisible();
  await page.getByRole('button', { name: /^Take back/ }).click();
  await page.getByRole('button', { name: 'What would change' }).click();
  await page.getByRole('button', { name: 'Save the rulebook' }).click();
  await expect(page.getByText('Saved as version 2.')).toBeVisible();
});

test('a person is asked after, changed from two tabs, leaves, and is erased for good', async ({ page, context }) => {
  await signInAs(page, 'director', '/cohorts');
  await page.getByRole('link', { name: 'Steady breath over sixty' }).click();
  await page.getByRole('link', { name: 'Cosmo R.', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Cosmo R.', exact: true })).toBeVisible();
  const stale = await context.newPage();
  await stale.goto(page.url());
  await page.getByLabel('Longest easy inhale, counts').fill('99');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('At most 30 counts.')).toBeVisible();
  await page.getByLabel('Longest easy inhale, counts').fill('3');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Saved.')).toBeVisible();
  await stale.getByLabel('Longest easy exhale, counts').fill('6');
  await stale.getByRole('button', { name: 'Save', exact: true }).click();
  const clash = stale.getByRole('alert', { name: 'Somebody else saved this meanwhile' });
  await expect(clash).toContainText('longest easy inhale: theirs 3, yours empty');
  await stale.getByLabel('Longest easy inhale, counts').fill('3');
  await clash.getByRole('button', { name: 'Keep mine' }).click();
  await expect(stale.getByText('Saved.')).toBeVisible();
  await stale.close();
  await page.reload();
  await expect(page.getByLabel('Longest easy exhale, counts')).toHaveValue('6');
  await page.getByRole('button', { name: 'Leave the cohort' }).click();
  await expect(page.getByText(/left on/)).toBeVisible();
  await page.getByText('All that is held of them, and erasing').click();
  await page.getByLabel('Type “Cosmo R.” to be sure').fill('Cosmo R.');
  await page.getByRole('button', { name: 'Erase Cosmo R.' }).click();
  await expect(page.getByText(/The record knows Somebody/)).toBeVisible();
  await expect(page.getByRole('rowheader', { name: 'Cosmo R.' })).toHaveCount(0);
});
