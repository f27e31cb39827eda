import { asDirector } from './page';
import { tracedTasks } from './trace';

/** Drafts a course of a running demo again: the search is in a worker, and the page stays live. Nothing is taken. */
export async function measureDraftingPage(address: string): Promise<void> {
  await asDirector(address, '/courses', async (page) => {
    const open = page.getByRole('button', { name: 'Draft again from here' });
    for (const href of await page.locator('main a[href^="/courses/"]').evaluateAll((all) => all.map((one) => one.getAttribute('href')!))) {
      await page.goto(`${address}${href}`);
      if ((await open.count()) > 0) break;
    }
    await open.waitFor();
    for (const rate of [1, 4]) {
      await page.reload();
      await open.waitFor();
      const { all } = await tracedTasks(
        page,
        async () => {
          await open.click();
          await page.waitForTimeout(4000);
        },
        rate,
      );
      const over = all.filter((ms) => ms > 50).length;
      const how = rate === 1 ? ', aim: none' : '';
      console.log(
        `Drafting a course on its page, ${rate === 1 ? 'as it is' : `processor slowed ${rate} ×`}: the longest task ${(all[0] ?? 0).toFixed(1)} ms (${over} over 50 ms${how})`,
      );
    }
  });
}
