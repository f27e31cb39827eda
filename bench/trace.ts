import type { Page } from '@playwright/test';

interface TraceEvent {
  readonly name: string;
  readonly ph: string;
  readonly ts: number;
  readonly dur?: number;
  readonly tid: number;
  readonly pid: number;
  readonly args?: { readonly name?: string };
}

/** What a page's main thread was busy with, in milliseconds, longest first. */
export interface Tasks {
  readonly all: readonly number[];
  /** Script inside a task: functions called and events handled. */
  readonly scripting: readonly number[];
}

/** Does something with the processor slowed, four times where nothing is said, and reads the tasks of the page from Chromium's own trace. */
export async function tracedTasks(page: Page, work: () => Promise<void>, rate = 4): Promise<Tasks> {
  const devtools = await page.context().newCDPSession(page);
  await devtools.send('Emulation.setCPUThrottlingRate', { rate });
  const events: TraceEvent[] = [];
  devtools.on('Tracing.dataCollected', ({ value }) => events.push(...(value as unknown as TraceEvent[])));
  const ended = new Promise((resolve) => devtools.once('Tracing.tracingComplete', resolve));
  await devtools.send('Tracing.start', { transferMode: 'ReportEvents', traceConfig: { includedCategories: ['toplevel', 'devtools.timeline'] } });
  await work();
  await page.waitForTimeout(500);
  await devtools.send('Tracing.end');
  await ended;
  const main = events.find(({ name, args }) => name === 'thread_name' && args?.name === 'CrRendererMain');
  const own = events.filter(({ ph, tid, pid }) => ph === 'X' && (!main || (tid === main.tid && pid === main.pid)));
  const long = (test: (name: string) => boolean) =>
    own
      .filter(({ name }) => test(name))
      .map(({ dur = 0 }) => dur / 1000)
      .sort((a, b) => b - a);
  return { all: long((name) => name.includes('RunTask')), scripting: long((name) => name === 'FunctionCall' || name === 'EventDispatch') };
}
