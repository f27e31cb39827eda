import { expect } from '@playwright/test';
import { accessible, choose, signInAs, test } from './story';

test('a course is made, drafted, moved by keyboard and by drag, and answers on the plank', async ({ page, context }) => {
  await signInAs(page, 'director', '/courses');
  await accessible(page);
  await page.getByRole('link', { name: 'Make a course' }).click();
  await page.getByLabel('Name of the course').fill('Evenings by the slip');
  await choose(page, 'Cohort', 'Choir and brass');
  await page.getByLabel('Weeks', { exact: true }).fill('0');
  await page.getByRole('button', { name: 'Make the course' }).click();
  await expect(page.getByText('A course of no weeks ends before it starts')).toBeVisible();
  await expect(page.getByLabel('Name of the course')).toHaveValue('Evenings by the slip');
  await page.getByLabel('Weeks', { exact: true }).fill('6');
  await choose(page, 'Technique', '4:7:8');
  const gives = page.getByRole('complementary', { name: 'What these weeks can give' });
  await expect(gives).toContainText(/4:7:8 by .+, at the earliest\./);
  await page.getByLabel('Weeks', { exact: true }).fill('1');
  await expect(gives).toContainText(/4:7:8 not in one week/);
  await page.getByLabel('Weeks', { exact: true }).fill('6');
  await expect(gives).toContainText(/4:7:8 by /);
  await page.getByRole('button', { name: 'Make the course' }).click();
  await expect(page.getByRole('heading', { name: 'Evenings by the slip' })).toBeVisible();
  await page.getByRole('button', { name: 'Draft', exact: true }).click();
  const goal = page.getByRole('button', { name: /^4:7:8, \d+ rounds/ });
  await expect(goal.first()).toBeVisible();
  await expect(page.getByText(/4:7:8 is reached in week \d|will be ready for 4:7:8/).first()).toBeVisible();
  const built = page.getByRole('region', { name: 'How it is built' });
  await expect(built).toContainText('New things come spread over the weeks.');
  await built.getByRole('button', { name: 'What each class is for' }).click();
  await expect(built.getByRole('listitem').filter({ hasText: '4:7:8 begins, 4 rounds' })).toHaveCount(1);

  const stale = await context.newPage();
  await stale.goto(page.url());

  // By keyboard: the first 4:7:8 goes one class earlier until a check answers.
  const checks = page.getByRole('region', { name: 'Checks' });
  for (let step = 0; step < 4 && (await checks.getByText(/the ladder asks for/).count()) === 0; step += 1) {
    await goal.last().focus();
    await page.keyboard.press('Alt+ArrowDown');
    await expect(page.getByText(/4:7:8 moved to/)).toBeVisible();
    await page.waitForTimeout(400);
  }
  await expect(checks.getByText(/the ladder asks for/).first()).toBeVisible();
  await expect(
    page
      .getByRole('row')
      .filter({ has: page.getByTitle(/the ladder asks for/) })
      .first(),
  ).toBeVisible();

  // A page that was opened before the moves changes nothing until it has been looked at.
  await stale.getByRole('button', { name: 'Draft again from here' }).click();
  const meanwhile = stale.getByRole('alert', { name: 'Somebody else changed this meanwhile' });
  await expect(meanwhile).toContainText('4:7:8');
  await accessible(stale);
  await stale.close();

  // By drag: to the latest class that does not practise it.
  await page.setViewportSize({ width: 1280, height: 1700 });
  const rows = page
    .getByRole('row')
    .filter({ has: page.getByRole('button') })
    .filter({ hasNot: page.getByRole('button', { name: /^4:7:8, / }) });
  await page.evaluate(() => scrollTo(0, 0));
  const from = (await goal.last().boundingBox())!;
  const to = (await rows.first().boundingBox())!;
  await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2);
  await page.mouse.down();
  await page.mouse.move(from.x + 20, from.y - 20, { steps: 4 });
  await page.mouse.move(to.x + to.width / 2, to.y + to.height / 2, { steps: 10 });
  await page.mouse.up();
  await expect(checks.getByText(/the ladder asks for/)).toHaveCount(0);
});

test('a course that cannot hold its goals says why, takes a mend, and shows what drafting again would change', async ({ page }) => {
  await signInAs(page, 'director', '/courses/new');
  await page.getByLabel('Name of the course').fill('Short nights');
  await choose(page, 'Cohort', 'Choir and brass');
  await page.getByLabel('Weeks', { exact: true }).fill('3');
  await page.getByLabel('Starts at').fill('19:30');
  await choose(page, 'Technique', '4:7:8');
  await choose(page, 'New things come', 'as soon as they can be taught');
  await page.getByRole('button', { name: 'Make the course' }).click();
  await page.getByRole('button', { name: 'Draft', exact: true }).click();
  await expect(page.getByText(/4:7:8 could not be placed: it clashes with .*the number of classes/)).toBeVisible();
  await expect(page.getByText(/One goal has no place yet/)).toBeVisible();
  const mends = page.getByRole('group', { name: 'What would make every goal possible' });
  await accessible(page);
  await mends.getByRole('button', { name: /^\d+ weeks$/ }).click();
  await expect(page.getByText(/It was drafted again/)).toBeVisible();
  await expect(mends).toHaveCount(0);
  await expect(page.getByRole('button', { name: /^4:7:8, 4 rounds/ }).first()).toBeVisible();
  await expect(page.getByRole('region', { name: 'Who will be ready' })).toContainText('4:7:8');

  // What it is asked for can be changed on top of it: its planned classes stay.
  await page.getByRole('link', { name: 'Change what is asked' }).click();
  await page.getByLabel('Name of the course').fill('Shorter nights');
  await page.getByRole('button', { name: 'Another goal' }).click();
  await page.getByRole('button', { name: 'Leave out goal 2' }).click();
  await page.getByRole('button', { name: 'See what it changes' }).click();
  await expect(page.getByRole('region', { name: 'What it changes' })).toContainText('No class changes.');
  await page.getByRole('button', { name: 'Keep the change' }).click();
  await expect(page.getByRole('heading', { name: 'Shorter nights' })).toBeVisible();

  // As good as it can be: drafting again would change nothing, until something was moved.
  await page.getByRole('button', { name: 'Draft again from here' }).click();
  const draft = page.getByRole('region', { name: 'The draft' });
  await expect(draft).toContainText('each as early as the rules allow: proved');
  await expect(draft).toContainText('Nothing would change');
  await draft.getByRole('button', { name: 'Leave it as it is' }).click();
  // Until the page shows what was done last, a move would go by what is no longer so.
  await expect(page.locator('[aria-busy=true]')).toHaveCount(0);
  await page
    .getByRole('button', { name: /^4:7:8, 4 rounds/ })
    .last()
    .focus();
  await page.keyboard.press('Alt+ArrowDown');
  await expect(page.getByText(/4:7:8 moved to/)).toBeVisible();
  await page.getByRole('button', { name: 'Draft again from here' }).click();
  // What was moved by hand is pinned: a draft goes around it, or says that it cannot stand there.
  await expect(draft).toContainText('4:7:8 pinned to its class');
  await draft.getByRole('button', { name: /^4:7:8 no longer pinned to class \d+$/ }).click();
  await expect(page.getByText(/It was drafted again/)).toBeVisible();
  await expect(page.getByText(/4:7:8 is reached in week \d|will be ready for 4:7:8/).first()).toBeVisible();
});

test('a course bends: pinned, climbed, a class cancelled and taken back, a check accepted, copied and ended', async ({ page }) => {
  test.setTimeout(200_000);
  await signInAs(page, 'director', '/courses/new');
  await page.getByLabel('Name of the course').fill('Eight short weeks');
  await choose(page, 'Cohort', 'Choir and brass');
  await page.getByLabel('Weeks', { exact: true }).fill('8');
  await page.getByLabel('Starts at').fill('20:30');
  await choose(page, 'Technique', 'Longer exhale 4:8');
  await page.getByLabel('Dose to reach').fill('7 min');
  await page.getByRole('button', { name: 'Make the course' }).click();
  await page.getByRole('button', { name: 'Draft', exact: true }).click();
  const goal = page.getByRole('button', { name: /^Longer exhale 4:8, / });
  await expect(goal.first()).toBeVisible();

  // One key pins, and the same one lets go.
  await goal.first().focus();
  await page.keyboard.press('p');
  await expect(page.getByText('Longer exhale 4:8 is pinned here.')).toBeVisible();
  await expect(page.getByRole('button', { name: /^Longer exhale 4:8, .*pinned/ })).toHaveCount(1);

  // A climb is solved: what is left empty is worked out, what does not fit says so.
  await page.getByRole('link', { name: 'Climbs' }).click();
  await expect(page.getByRole('heading', { name: 'Climbs' })).toBeVisible();
  await accessible(page);
  const own = page.getByRole('region', { name: 'Work out a climb' });
  await expect(own).toContainText('5 + 6 × 1 = 11, not 15');
  await own.getByRole('button', { name: 'Take it: Take 10 months' }).click();
  await expect(own.getByLabel('Over')).toHaveValue('10 months');
  await own.getByLabel('To').fill('');
  await expect(own.getByLabel('To')).toHaveAttribute('placeholder', '15 min');
  const climb = page.getByRole('region', { name: 'Longer exhale 4:8' });
  await climb.getByLabel('How often').fill('2 weeks');
  await climb.getByRole('button', { name: 'See what it does to the course' }).click();
  const outcome = page.getByRole('region', { name: /^What it does to the course/ });
  await expect(outcome).toContainText(/Longer exhale 4:8 is reached on .* instead of|has no place any more/);
  await outcome.getByRole('button', { name: 'Leave it' }).click();
  await climb.getByRole('button', { name: 'Figures, class by class' }).click();
  await expect(climb.getByRole('table')).toContainText('4:8');
  await page.getByRole('link', { name: 'The course', exact: true }).click();

  // A class is cancelled, with what every way costs, and taken back.
  const classes = page.getByRole('row').filter({ has: page.getByRole('link') });
  await expect(goal.first()).toBeVisible();
  const before = await classes.count();
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByRole('menuitem', { name: 'Cancel a class' }).click();
  const cancel = page.getByRole('region', { name: 'Cancel a class' });
  await cancel.getByRole('button', { name: 'Take it: Move the rest on' }).click();
  await expect(cancel.getByText('Please say why')).toBeVisible();
  await cancel.getByLabel('Why').fill('the boiler is out');
  await cancel.getByRole('button', { name: 'Take it: Move the rest on' }).click();
  await expect(cancel).toHaveCount(0);
  await expect(page.getByText('cancelled: the boiler is out')).toBeVisible();
  await expect(classes).toHaveCount(before - 1);
  await page.getByRole('button', { name: 'Take back: the cancelled class' }).click();
  await expect(page.getByText('cancelled: the boiler is out')).toHaveCount(0);
  await expect(classes).toHaveCount(before);

  // Something is moved before what it needs; the director knows why, and says so.
  const checks = page.getByRole('region', { name: 'Checks' });
  for (let step = 0; step < 6 && (await checks.getByText(/the ladder asks for|which it needs/).count()) === 0; step += 1) {
    await goal.last().focus();
    await page.keyboard.press('Alt+ArrowDown');
    await page.waitForTimeout(700);
  }
  const check = checks
    .getByRole('listitem')
    .filter({ hasText: /the ladder asks for|which it needs/ })
    .first();
  await check
    .getByRole('button', { name: /^Accept/ })
    .first()
    .click();
  await check.getByLabel('Why it is right here').fill('the choir knows it from last winter');
  await check.getByRole('button', { name: 'Accept with this reason' }).click();
  await expect(checks.getByText(/checks? (was|were) accepted/)).toBeVisible();

  // Once more, for others.
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByRole('menuitem', { name: 'Copy to another cohort' }).click();
  await accessible(page);
  await page.getByLabel('Name of the new course').fill('Eight more');
  await page.getByRole('button', { name: 'Copy it' }).click();
  await expect(page.getByRole('heading', { name: 'Eight more' })).toBeVisible();
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByRole('menuitem', { name: 'Delete the course' }).click();
  await page.getByRole('button', { name: 'Delete it' }).click();
  await page.waitForURL((url) => url.pathname === '/courses');
  await expect(page.getByRole('link', { name: 'Eight more' })).toHaveCount(0);

  await page.getByRole('link', { name: 'Eight short weeks' }).click();
  // Published classes change with the rest where they are to: who reads again is said before, and what is taken back goes back to them.
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByRole('menuitem', { name: 'Publish classes' }).click();
  await page.getByRole('button', { name: 'Publish the next four' }).click();
  await expect(page.getByRole('region', { name: 'Publish classes' })).toContainText('Published:');
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByRole('menuitem', { name: 'Cancel a class' }).click();
  const way = cancel.getByRole('listitem').filter({ hasText: 'Move on, and add a class at the end' });
  await expect(way).toContainText('change');
  await expect(cancel.getByText('out again to')).toHaveCount(0);
  await cancel.getByLabel(/^They change with the rest/).check();
  await expect(way).toContainText('out again to');
  await accessible(page);
  await cancel.getByLabel('Why').fill('the boiler is out again');
  await way.getByRole('button', { name: /^Take it/ }).click();
  await expect(cancel).toHaveCount(0);
  await page.getByRole('button', { name: 'Take back: the cancelled class' }).click();
  await expect(page.getByText('cancelled: the boiler is out again')).toHaveCount(0);
});
