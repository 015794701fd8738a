/** Half-open, in whatever unit. */
type Stretched = Readonly<{ start: number; end: number }>;
type Laned<T> = T & Readonly<{ lane: number; lanes: number }>;

/**
 * Puts what overlaps side by side: each gets the first lane that is free, and all that hang together share one number of
 * lanes. The order of the result is by start, then the longer first.
 */
export function inLanes<T extends Stretched>(items: readonly T[]): Laned<T>[] {
  const sorted = [...items].sort((a, b) => a.start - b.start || b.end - a.end);
  const result: Laned<T>[] = [];
  let cluster: (T & { lane: number })[] = [];
  let clusterEnd = -Infinity;
  const close = () => {
    const lanes = Math.max(0, ...cluster.map((item) => item.lane + 1));
    result.push(...cluster.map((item) => ({ ...item, lanes })));
    cluster = [];
  };
  for (const item of sorted) {
    if (item.start >= clusterEnd) close();
    const busy = new Set(cluster.filter((other) => other.end > item.start).map((other) => other.lane));
    let lane = 0;
    while (busy.has(lane)) lane += 1;
    cluster.push({ ...item, lane });
    clusterEnd = Math.max(clusterEnd, item.end);
  }
  close();
  return result;
}
