import { logging } from 'selenium-webdriver';
import type { Options } from 'selenium-webdriver/chrome';
import type { Person } from '../../tests/browser/browser';

/** Has Chromium keep a trace of its own, for `dragTrace`. */
export function withTrace(options: Options): void {
  const levels = new logging.Preferences();
  levels.setLevel(logging.Type.PERFORMANCE, logging.Level.ALL);
  options.setLoggingPrefs(levels);
  // The types ask for more than the driver takes.
  options.setPerfLoggingPrefs({
    enableNetwork: false,
    enablePage: false,
    traceCategories: 'toplevel,blink.user_timing,disabled-by-default-devtools.timeline.frame',
  } as Parameters<Options['setPerfLoggingPrefs']>[0]);
}

type TraceEvent = Readonly<{ name: string; ph: string; ts: number; dur?: number; pid: number; tid: number; args?: { name?: string } }>; // prettier-ignore

const CELLS = [
  '2026-09-14',
  '2026-09-30',
  '2026-10-16',
  '2026-11-03',
  '2026-11-19',
  '2026-12-04',
  '2026-10-08',
];

/**
 * What a hand that carries a due date over the whole term costs, by Chromium's own trace: milliseconds between frames that
 * were drawn, and of each task of the page's main thread. It is let go where it was taken up.
 */
export async function dragTrace({ driver, element }: Person): Promise<{ frames: number[]; tasks: number[] }> {
  const log = () => driver.manage().logs().get(logging.Type.PERFORMANCE);
  await driver.executeScript(
    `addEventListener('pointerdown', () => performance.mark('drag-begins'), { once: true, capture: true });
     addEventListener('pointerup', () => performance.mark('drag-ends'), { once: true, capture: true });`,
  );
  const mark = await element('[data-kind="due"][data-movable="true"]');
  const cells = await Promise.all(CELLS.map((date) => element(`[data-date="${date}"]`)));
  await log();
  let hand = driver.actions().move({ origin: mark }).press();
  for (const cell of cells) hand = hand.move({ origin: cell, duration: 300 });
  await hand.move({ origin: mark, duration: 300 }).release().perform();
  const events = (await log()).flatMap(({ message }): TraceEvent[] => {
    const { method, params } = (JSON.parse(message) as { message: { method: string; params: TraceEvent } })
      .message;
    return method === 'Tracing.dataCollected' ? [params] : [];
  });
  const begins = events.find(({ name }) => name === 'drag-begins');
  const ends = events.find(({ name }) => name === 'drag-ends');
  if (!begins || !ends) throw new Error('Chromium’s trace does not hold the drag.');
  const during = events.filter(({ ts }) => ts >= begins.ts && ts <= ends.ts);
  const drawn = during
    .filter(({ name, pid }) => name === 'DrawFrame' && pid === begins.pid)
    .map(({ ts }) => ts)
    .sort((a, b) => a - b);
  const tasks = during.filter(
    ({ name, ph, pid, tid }) =>
      name.endsWith('RunTask') && ph === 'X' && pid === begins.pid && tid === begins.tid,
  );
  return {
    frames: drawn.slice(1).map((ts, i) => (ts - drawn[i]!) / 1000),
    tasks: tasks.map(({ dur = 0 }) => dur / 1000),
  };
}
