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

type TraceEvent = Readonly<{
  name: string;
  ph: string;
  ts: number;
  dur?: number;
  pid: number;
  tid: number;
  args?: Readonly<{ frame_reporter?: Readonly<{ state: string }> }>;
}>;

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
 * What a hand that carries a due date over the whole term costs, by Chromium's own trace: how many frames were due, one for
 * each sixtieth of a second in which something changed, how many of them were dropped, and the milliseconds of each task of
 * the page's main thread. It is let go where it was taken up. The driver gives its trace out once: nothing is traced afterwards.
 */
export async function dragTrace({
  driver,
  element,
}: Person): Promise<{ due: number; dropped: number; tasks: number[] }> {
  await driver.executeScript(
    `addEventListener('pointerdown', () => performance.mark('drag-begins'), { once: true, capture: true });
     addEventListener('pointerup', () => performance.mark('drag-ends'), { once: true, capture: true });`,
  );
  const mark = await element('[data-kind="due"][data-movable="true"]');
  const cells = await Promise.all(CELLS.map((date) => element(`[data-date="${date}"]`)));
  let hand = driver.actions().move({ origin: mark }).press();
  for (const cell of cells) hand = hand.move({ origin: cell, duration: 300 });
  await hand.move({ origin: mark, duration: 300 }).release().perform();
  const entries = await driver.manage().logs().get(logging.Type.PERFORMANCE);
  const events = entries.flatMap(({ message }): TraceEvent[] => {
    const { method, params } = (JSON.parse(message) as { message: { method: string; params: TraceEvent } })
      .message;
    return method === 'Tracing.dataCollected' ? [params] : [];
  });
  const begins = events.find(({ name }) => name === 'drag-begins');
  const ends = events.find(({ name }) => name === 'drag-ends');
  if (!begins || !ends) throw new Error('Chromium’s trace does not hold the drag.');
  const during = events.filter(({ ts, pid }) => ts >= begins.ts && ts <= ends.ts && pid === begins.pid);
  const frames = during.flatMap(({ name, ph, args }) =>
    name === 'PipelineReporter' && ph === 'b' ? (args?.frame_reporter ?? []) : [],
  );
  const wanted = frames.filter(({ state }) => state !== 'STATE_NO_UPDATE_DESIRED');
  const tasks = during.filter(
    ({ name, ph, tid }) => name.endsWith('RunTask') && ph === 'X' && tid === begins.tid,
  );
  return {
    due: wanted.length,
    dropped: wanted.filter(({ state }) => state === 'STATE_DROPPED').length,
    tasks: tasks.map(({ dur = 0 }) => dur / 1000),
  };
}
