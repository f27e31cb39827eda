import { expect } from '@playwright/test';
import { accessible, choose, signInAs, test } from './story';

test('a director signs in and finds a technique by a misspelt name', async ({ page }) => {
  await page.goto('/courses');
  await expect(page).toHaveURL(/sign-in/);
  await accessible(page);
  await page.getByLabel('E-mail').fill('linnet@pellwick.example');
  await page.getByLabel('Password').fill('not this');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByText('do not belong together')).toBeVisible();
  await expect(page.getByLabel('E-mail')).toHaveValue('linnet@pellwick.example');
  await signInAs(page, 'director');
  await expect(page.getByRole('heading', { name: 'Good day, Linnet' })).toBeVisible();

  await page.getByRole('link', { name: 'Techniques' }).click();
  await page.getByRole('searchbox', { name: 'Find a technique' }).fill('ujayi');
  await page.getByRole('link', { name: /Throat sound 4:4/ }).click();
  await expect(page.getByRole('heading', { level: 1, name: /Throat sound/ })).toBeVisible();
});

test('the bench follows every keystroke and says where a mistake is', async ({ page }) => {
  await signInAs(page, 'director', '/techniques');
  const pattern = page.getByLabel('Pattern');
  const reading = page.getByTestId('reading');
  await pattern.fill('4:7:8');
  await expect(reading).toContainText('19 counts × 1 s');
  await expect(reading).toContainText('2 × (4:5) + 1 free');
  await pattern.fill('in 4 left, hodl 2, out 6 right');
  await expect(page.getByText('“hodl” at character 12 does not fit there')).toBeVisible();
  await expect(page.getByText('Did you mean “hold”?')).toBeVisible();
  await pattern.fill('in 4 left, hold 2, out 6 right, alternating');
  await page.getByLabel('Dose').fill('9 rounds of 2');
  await page.getByLabel('Seconds a count').fill('1.1');
  await expect(reading).toContainText('26.4 s');
  await expect(reading).toContainText('9 and 9');
  await accessible(page);
});

test('the ladder shows the way down and up', async ({ page }) => {
  await signInAs(page, 'director', '/ladder');
  await page.getByRole('link', { name: '4:7:8' }).first().click();
  await expect(page.getByText(/4:7:8 stands on \d+ others/)).toBeVisible();
});

test('a person is added with screening, and the table says what they do instead and why', async ({ page }) => {
  await signInAs(page, 'director', '/cohorts');
  await accessible(page);
  await page.getByRole('link', { name: 'Choir and brass' }).click();
  await page.getByRole('link', { name: 'Add a person' }).click();
  await page.getByRole('button', { name: /Add|Keep|Save/ }).click();
  await expect(page.getByText('Please give a name.')).toBeVisible();
  await page.getByLabel('Name, as the studio uses it').fill('Oriel T.');
  await page.getByRole('textbox', { name: 'Birth date' }).fill('1979-05-04');
  // Nobody is screened who was asked nothing: that a form was filled in is said.
  await page.getByRole('checkbox', { name: 'A screening form was filled in' }).check();
  const pressure = page.getByRole('group', { name: 'Do you have high blood pressure?' });
  await pressure.getByRole('radio', { name: 'yes' }).first().check();
  await page.getByRole('group', { name: 'Is it measured and controlled?' }).getByRole('radio', { name: 'yes' }).check();
  await page.getByRole('button', { name: 'The paper says no to all of these' }).click();
  await page.getByRole('button', { name: /Add|Keep|Save/ }).click();
  await expect(page.getByRole('rowheader', { name: 'Oriel T.' })).toBeVisible();
  await page.getByRole('link', { name: /Oriel T\., Equal 4:4:4: ask first/ }).click();
  const plank = page.getByRole('complementary');
  await expect(plank).toContainText('high blood pressure');
  await expect(plank).toContainText('No hold after the inhale');
  await expect(plank).toContainText('2 × (3:3)');
});

test('a session is fitted, published, and two tabs cannot lose each other’s work', async ({ page, context }) => {
  await signInAs(page, 'director', '/courses');
  await page.getByRole('link', { name: 'Steady on the early boat' }).click();
  // The next class that is not published yet.
  await page
    .getByRole('link', { name: /^(Mon|Tue|Wed|Thu|Fri|Sat|Sun) / })
    .first()
    .click();
  await expect(page.getByRole('region', { name: 'Versions' })).toContainText('Not published');
  await accessible(page);
  const minutes = page.getByText(/of 60 minutes/);
  await expect(minutes).toBeVisible();
  const second = await context.newPage();
  await second.goto(page.url());
  const rest = page.getByLabel('Minutes of Lying rest');
  await rest.fill('8');
  await expect(page.getByText(/Saved \d\d:\d\d/)).toBeVisible();
  const before = await minutes.innerText();
  await rest.fill('9.5');
  await expect(minutes).not.toHaveText(before);
  await expect(page.getByText(/Saved \d\d:\d\d/)).toBeVisible();
  await rest.fill('0');
  await expect(page.getByText('From half a minute to 90 minutes.')).toBeVisible();
  await expect(page.getByText('Not saved while a line does not read.')).toBeVisible();
  await rest.fill('8');
  await expect(page.getByText(/Saved \d\d:\d\d/)).toBeVisible();

  const closing = await second.getByLabel('Minutes of Close').inputValue();
  await second.getByLabel('Minutes of Close').fill('4');
  await expect(second.getByText('Somebody else saved this meanwhile.')).toBeVisible();
  await expect(second.getByLabel('Minutes of Close')).toHaveValue('4');
  // Both versions are there, with what differs; theirs is taken, and goes on being saved.
  const clash = second.getByRole('alert', { name: 'Somebody else saved this meanwhile' });
  await expect(clash).toContainText(`Close: 4 → ${closing} min`);
  await clash.getByRole('button', { name: 'Take theirs' }).click();
  await expect(second.getByLabel('Minutes of Close')).toHaveValue(closing);
  await expect(second.getByLabel('Minutes of Lying rest')).toHaveValue('8');
  await second.close();

  await choose(page, 'Hand it to', 'Corin Vasey');
  await page.getByRole('button', { name: 'Publish version 1' }).click();
  await expect(page.getByText(/With Corin Vasey since/)).toBeVisible();
});

test('the studio closes days, and a course that would start then is told so', async ({ page }) => {
  await signInAs(page, 'director', '/studio');
  await accessible(page);
  // Saving one thing leaves what was begun in another.
  await page.getByLabel('Words a second').fill('2.4');
  await page.getByLabel('Seconds a natural breath').fill('4.5');
  await page.getByRole('button', { name: 'Save the pace' }).click();
  await expect(page.getByText('Sessions that are already planned keep their tempo.')).toBeVisible();
  await expect(page.getByLabel('Words a second')).toHaveValue('2.4');
  await page.getByRole('button', { name: 'Save how we speak' }).click();
  await expect(page.getByText('Cue sheets are written afresh')).toBeVisible();
  await page.getByLabel('Seconds a natural breath').fill('4');
  await page.getByRole('button', { name: 'Save the pace' }).click();
  await expect(page.getByText('Sessions that are already planned keep their tempo.')).toBeVisible();
  await page.getByRole('textbox', { name: 'First closed day' }).fill('1/3/27');
  await page.getByRole('textbox', { name: 'Last closed day' }).fill('1 Feb 2027');
  await page.getByLabel('Why').fill('the tide gate is mended');
  await page.getByRole('button', { name: 'Close these days' }).click();
  await expect(page.getByText('The last day is before the first')).toBeVisible();
  await page.getByRole('textbox', { name: 'Last closed day' }).fill('2027-03-07');
  // The sentence goes as the field is left, and what is below it moves up.
  await page.getByRole('textbox', { name: 'Last closed day' }).press('Tab');
  await expect(page.getByText('The last day is before the first')).toBeHidden();
  await page.getByRole('button', { name: 'Close these days' }).click();
  await expect(page.getByText('Mon 1 Mar – Sun 7 Mar')).toBeVisible();
  await page.goto('/courses/new');
  await page.getByLabel('Name of the course').fill('Spring');
  await page.getByRole('textbox', { name: 'First day' }).fill('2027-03-02');
  await page.getByRole('button', { name: 'Make the course' }).click();
  await expect(page.getByText('The studio is closed then: the tide gate is mended')).toBeVisible();
});

test('a tab that was signed out says so and keeps what was typed', async ({ page, context }) => {
  await signInAs(page, 'director', '/studio');
  await page.getByLabel('Why').fill('spring tide');
  await context.clearCookies();
  await page.getByRole('button', { name: 'Close these days' }).click();
  await expect(page.getByText('You were signed out. What you typed is still here')).toBeVisible();
  await expect(page.getByLabel('Why')).toHaveValue('spring tide');
});

test('the bench by keyboard alone: a pattern, its minutes, another beside it, and the files', async ({ page }) => {
  await signInAs(page, 'director', '/techniques');
  await page.getByLabel('Pattern').focus();
  await page.keyboard.press('Control+A');
  await page.keyboard.type('4:4:4:4');
  await page.keyboard.press('Tab');
  await page.keyboard.press('Control+A');
  await page.keyboard.type('5 min');
  const reading = page.getByTestId('reading');
  await expect(reading).toContainText('18 × 16 s = 288 s, 12 s left over');
  await page.getByRole('button', { name: 'as 18 rounds' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Dose')).toHaveValue('18 rounds');
  await page.getByLabel('A cycle took').focus();
  await page.keyboard.type('17.6');
  await page.keyboard.press('Tab');
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Seconds a count')).toHaveValue('1.1');
  await page.getByRole('button', { name: 'Compare with another' }).focus();
  await page.keyboard.press('Enter');
  await page.getByLabel('Compare with').fill('natural for 30 s > 4:4 for 3 rounds');
  await expect(page.getByRole('heading', { name: 'Beside it: natural for 30 s > 4:4 for 3 rounds' })).toBeVisible();
  await accessible(page);
  const sheet = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Cue sheet as WebVTT' }).press('Enter');
  expect((await sheet).suggestedFilename()).toBe('4-4-4-4.vtt');
  const track = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Pacing track as WAV' }).press('Enter');
  expect((await track).suggestedFilename()).toBe('4-4-4-4.wav');
  await choose(page, 'Manner', 'pumps');
  await expect(page.getByText('3 found')).toBeVisible();
  await choose(page, 'Cohort', 'all of Ferry crew, early shift');
  await expect(page.getByText('Nothing fits.')).toBeVisible();
});

test('what is on the bench becomes our own way, goes into a plan, and a new version leaves the plan alone', async ({ page }) => {
  await signInAs(page, 'director', '/techniques');
  await page.getByLabel('Pattern').fill('5:7');
  await page.getByLabel('Dose').fill('3 min');
  await page.getByRole('button', { name: 'Save as ours' }).click();
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText('Please give it a name.')).toBeVisible();
  await page.getByLabel('What we call it').fill('Slack water');
  await choose(page, 'It is a way of doing', 'Longer exhale 5:6');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByRole('heading', { name: 'Slack water' })).toBeVisible();

  await page.goto('/courses');
  await page.getByRole('link', { name: 'Long phrases' }).click();
  await page
    .getByRole('link', { name: /^(Mon|Thu) / })
    .last()
    .click();
  await choose(page, 'Add', 'Slack water');
  await expect(page.getByLabel('Pattern of Slack water')).toHaveValue('5:7');
  await expect(page.getByText(/Saved \d\d:\d\d/)).toBeVisible();
  const plan = page.url();

  await page.goto('/techniques');
  await page.getByRole('link', { name: /Slack water/ }).click();
  await expect(page.getByRole('heading', { name: 'Slack water' })).toBeVisible();
  await page.getByLabel('Pattern', { exact: true }).fill('5:8');
  await page.getByRole('button', { name: 'Save as the next version' }).click();
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText('Version 2', { exact: true })).toBeVisible();
  await page.goto(plan);
  await expect(page.getByLabel('Pattern of Slack water')).toHaveValue('5:7');
  await expect(page.getByText('our way, v1')).toBeVisible();
});

test('own ways come in from a file, and a file with a bad row does not', async ({ page }) => {
  await signInAs(page, 'director', '/techniques');
  const file = (...ways: object[]) => ({
    name: 'own-ways.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify({ format: 'oaken-ladder/ways', version: 1, ways })),
  });
  const way = { name: 'Neap tide', base: 'longer-4-6', pattern: '4:6', dose: '5 min' };
  const choose = page.getByLabel('Bring ways in');
  await choose.setInputFiles(file(way, { ...way, name: 'Spring tide', pattern: '4:' }));
  await expect(page.getByText('Nothing came in.')).toBeVisible();
  await expect(page.getByText(/Row 2: Pattern: Something is still missing/)).toBeVisible();
  await choose.setInputFiles(file(way));
  await page.getByRole('button', { name: 'Bring it in' }).click();
  await expect(page.getByRole('link', { name: /Neap tide/ })).toBeVisible();
  const along = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Take our ways along' }).click();
  expect((await along).suggestedFilename()).toBe('own-ways.json');
});

test('a director chooses a school, sees what it changes first, and a technique keeps its own way', async ({ page }) => {
  await signInAs(page, 'director', '/studio');
  const schools = page.getByRole('region', { name: 'Our schools' });
  await choose(schools, 'Which side does alternate nostril begin and end on?', 'right and right');
  await expect(schools.getByText('8 techniques change')).toBeVisible();
  await expect(schools.getByRole('row', { name: /Alternate nostril 4:6/ })).toContainText('in 4 right, out 6 left, alternating');
  await schools.getByRole('button', { name: 'Save our schools' }).click();
  await expect(page.getByText('Sessions that are already planned keep')).toBeVisible();
  await page.goto('/techniques/alternate-4-6');
  await expect(page.getByLabel('Pattern')).toHaveValue('in 4 right, out 6 left, alternating');
  await choose(page, 'Which side does alternate nostril begin and end on?', 'here: left and left');
  await expect(page.getByText('Then: in 4 left, out 6 right, alternating')).toBeVisible();
  await page.getByRole('button', { name: 'Save for this technique' }).click();
  await expect(page.getByLabel('Pattern')).toHaveValue('in 4 left, out 6 right, alternating');
});
