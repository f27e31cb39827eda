import type { Page } from '@playwright/test';
import { asDirector } from './page';
import { tracedTasks } from './trace';

const PEOPLE = 200;
const COHORT = 'A large group, for measuring';

/** Scrolls a table of 200 people × every technique in a running demo, the processor slowed four times. Makes the group when it is missing. */
export async function measureScrolling(address: string): Promise<void> {
  await asDirector(address, '/cohorts', async (page) => {
    await page.getByRole('heading', { level: 1, name: 'Cohorts' }).waitFor();
    if ((await page.getByRole('link', { name: COHORT, exact: true }).count()) === 0) await fill(page);
    else await page.getByRole('link', { name: COHORT, exact: true }).click();
    await page.getByRole('link', { name: 'All techniques' }).click();
    await page.getByRole('link', { name: 'Natural breath', exact: true }).waitFor();
    const table = page.getByRole('region', { name: 'People and techniques' });
    await table.hover();
    const tasks = await tracedTasks(page, async () => {
      for (let turn = 0; turn < 40; turn += 1) {
        await page.mouse.wheel(turn % 4 === 3 ? 300 : 0, 400);
        await page.waitForTimeout(60);
      }
    });
    const over = tasks.scripting.filter((ms) => ms > 50).length;
    console.log(
      `Scrolling ${PEOPLE} people × every technique, processor slowed 4 ×: the longest scripting task ${(tasks.scripting[0] ?? 0).toFixed(1)} ms, ${over} over 50 ms (aim: none)`,
    );
  });
}

async function fill(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'New cohort' }).click();
  await page.getByLabel('Name', { exact: true }).fill(COHORT);
  await page.getByRole('button', { name: /Make|Save|Add/ }).click();
  await page.getByRole('link', { name: 'Bring in a roster' }).click();
  const rows = Array.from({ length: PEOPLE }, (_, index) => `Person ${String(index + 1).padStart(3, '0')},,${1940 + (index % 80)}-05-04`);
  await page
    .getByLabel('The file')
    .setInputFiles({ name: 'large.csv', mimeType: 'text/csv', buffer: Buffer.from(['name,email,birth date', ...rows].join('\n')) });
  await page.getByRole('button', { name: `Bring in ${PEOPLE} people` }).click();
  await page.waitForURL(/cohorts\/[\da-f-]+$/);
}
