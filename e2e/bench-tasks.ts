import type { Browser, Page } from '@playwright/test';

/** An event of the browser's trace; times in µs. */
interface TraceEvent {
  readonly ph: string;
  readonly name: string;
  readonly pid: number;
  readonly tid: number;
  readonly ts: number;
  readonly dur?: number;
}

/**
 * The longest tasks of the page's main thread while something is done to it: during a task it answers nothing.
 *
 * @param mark name of a performance mark that is set whenever a new stretch begins
 * @returns the longest of every stretch, ms
 */
export async function longestTasks(
  browser: Browser,
  page: Page,
  mark: string,
  doing: () => Promise<unknown>,
): Promise<number[]> {
  await browser.startTracing(page, { categories: ['toplevel', 'blink.user_timing'] });
  await doing();
  const trace = JSON.parse((await browser.stopTracing()).toString()) as { traceEvents: TraceEvent[] };
  const marks = trace.traceEvents.filter(({ name }) => name === mark);
  const begins = [...new Set(marks.map(({ ts }) => ts))].sort((a, b) => a - b);
  const [first] = marks;
  if (!first) throw new Error(`The trace holds no mark "${mark}".`);
  const { pid, tid } = first;
  const tasks = trace.traceEvents.filter(
    (event) => event.pid === pid && event.tid === tid && event.ph === 'X' && event.name.endsWith('RunTask'),
  );
  return begins.map((begin, i) => {
    const end = begins[i + 1] ?? Infinity;
    // The task that sets the mark belongs to what begins there
    const own = tasks.filter(({ ts, dur = 0 }) => ts + dur > begin && ts < end);
    return Math.max(0, ...own.map(({ dur = 0 }) => dur / 1000));
  });
}
