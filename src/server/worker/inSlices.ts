import { setImmediate } from 'node:timers/promises';

/** So long the process works on one thing before it looks whether somebody else waits. */
const SLICE_MS = 15;

/** Maps a long list without holding up everybody else: between slices of work the process answers others. */
export async function inSlices<T, R>(list: readonly T[], work: (item: T) => R): Promise<R[]> {
  const results: R[] = [];
  let began = performance.now();
  for (const item of list) {
    results.push(work(item));
    if (performance.now() - began < SLICE_MS) continue;
    await setImmediate();
    began = performance.now();
  }
  return results;
}
