import { chromium } from '@playwright/test';
import { DEMO_STAFF } from '../demo/staff';

interface TraceEvent {
  readonly name: string;
  readonly ph: string;
  readonly dur?: number;
  readonly tid: number;
  readonly pid: number;
  readonly args?: { readonly name?: string };
}

const LINE = 'in 4 left, hold 2, out 6 right, alternating';

/** Types on the bench of a running demo with the processor slowed four times, and reads the longest task from Chromium's own trace. */
export async function measureTyping(address: string): Promise<void> {
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] });
  try {
    const page = await browser.newPage();
    const { email, password } = DEMO_STAFF[0];
    await page.goto(`${address}/sign-in?next=/techniques`);
    await page.getByLabel('E-mail').fill(email);
    await page.getByLabel('Password').fill(password);
    await page.getByRole('button', { name: 'Sign in' }).click();
    await page.getByLabel('Pattern').fill('');
    const devtools = await page.context().newCDPSession(page);
    await devtools.send('Emulation.setCPUThrottlingRate', { rate: 4 });
    const events: TraceEvent[] = [];
    devtools.on('Tracing.dataCollected', ({ value }) => events.push(...(value as unknown as TraceEvent[])));
    const ended = new Promise((resolve) => devtools.once('Tracing.tracingComplete', resolve));
    await devtools.send('Tracing.start', { transferMode: 'ReportEvents', traceConfig: { includedCategories: ['toplevel', 'devtools.timeline'] } });
    await page.getByLabel('Pattern').pressSequentially(LINE, { delay: 120 });
    await page.waitForTimeout(500);
    await devtools.send('Tracing.end');
    await ended;
    const main = events.find(({ name, args }) => name === 'thread_name' && args?.name === 'CrRendererMain');
    const tasks = events
      .filter(({ name, ph, tid, pid }) => name.includes('RunTask') && ph === 'X' && (!main || (tid === main.tid && pid === main.pid)))
      .map(({ dur = 0 }) => dur / 1000)
      .sort((a, b) => b - a);
    const over = tasks.filter((ms) => ms > 50).length;
    console.log(
      `\nTyping ${LINE.length} letters, processor slowed 4 ×: ${tasks.length} tasks, the longest ${(tasks[0] ?? 0).toFixed(1)} ms, ${over} over 50 ms (aim: none)`,
    );
  } finally {
    await browser.close();
  }
}
