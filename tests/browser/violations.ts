import { source as AXE } from 'axe-core';
import type { Person } from './browser';

const TAGS = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'];
type Violation = Readonly<{ id: string; nodes: readonly Readonly<{ target: readonly string[]; failureSummary?: string }>[] }>; // prettier-ignore

/** What axe finds wrong with the page, or with the frame that the browser is in. In the dark only colours are others: the rest was looked at in the light. */
export async function violations({ driver }: Person, colors = false): Promise<string[]> {
  await driver.executeScript(`if (!window.axe) { ${AXE} }`);
  const runOnly = colors ? { type: 'rule', values: ['color-contrast'] } : { type: 'tag', values: TAGS };
  // Violations alone: with all that is well it takes three times as long.
  const found = await driver.executeAsyncScript<readonly Violation[]>(
    `const [runOnly, done] = arguments;
    // What is on its way from the light to the dark has colours that nobody reads.
    const moving = () => document.getAnimations().filter((a) => a.effect.getComputedTiming().endTime !== Infinity);
    const frame = () => new Promise(requestAnimationFrame);
    const settled = () => Promise.all(moving().map((a) => a.finished.catch(() => undefined)));
    frame().then(frame).then(settled).then(() => axe.run({ resultTypes: ['violations'], runOnly })).then((r) => done(r.violations));`,
    runOnly,
  );
  return found.map(
    (v) =>
      `${v.id}: ${v.nodes
        .map((n) => `${n.target.join(' ')} ${n.failureSummary ?? ''}`)
        .slice(0, 3)
        .join(' | ')}`,
  );
}
