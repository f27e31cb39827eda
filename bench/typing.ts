import { asDirector } from './page';
import { tracedTasks } from './trace';

const LINE = 'in 4 left, hold 2, out 6 right, alternating';

/** Types on the bench of a running demo with the processor slowed four times, and reads the longest task from Chromium's own trace. */
export async function measureTyping(address: string): Promise<void> {
  await asDirector(address, '/techniques', async (page) => {
    await page.getByLabel('Pattern').fill('');
    const { all: tasks } = await tracedTasks(page, () => page.getByLabel('Pattern').pressSequentially(LINE, { delay: 120 }));
    const over = tasks.filter((ms) => ms > 50).length;
    console.log(
      `\nTyping ${LINE.length} letters, processor slowed 4 ×: ${tasks.length} tasks, the longest ${(tasks[0] ?? 0).toFixed(1)} ms, ${over} over 50 ms (aim: none)`,
    );
  });
}
