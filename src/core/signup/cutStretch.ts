import type { Interval } from '../time/interval';

export type Cut = Readonly<{ times: readonly Interval[]; remainderMinutes: number }>;

const MINUTE = 60_000;

/**
 * Cuts a stretch into times of equal length, earliest first, with a gap between one time and the next.
 * `length` and `gap` are whole minutes of exact time, so a stretch over a clock change has an hour more or less.
 * What is left over after the last time stays unused and is reported.
 * @throws RangeError if `length` is not positive or `gap` is negative.
 * @example cutStretch(nineToTen, { length: 25, gap: 5 }) // 9:00–9:25, 9:30–9:55, remainder 5
 */
export function cutStretch(stretch: Interval, { length, gap }: { length: number; gap: number }): Cut {
  if (!(length > 0)) throw new RangeError('length must be positive');
  if (!(gap >= 0)) throw new RangeError('gap must not be negative');
  const total = (stretch.end.epochMilliseconds - stretch.start.epochMilliseconds) / MINUTE;
  const count = Math.max(0, Math.floor((total + gap) / (length + gap)));
  const times = Array.from({ length: count }, (_, i) => {
    const start = stretch.start.add({ minutes: i * (length + gap) });
    return { start, end: start.add({ minutes: length }) };
  });
  const used = count === 0 ? 0 : count * (length + gap) - gap;
  return { times, remainderMinutes: total - used };
}
