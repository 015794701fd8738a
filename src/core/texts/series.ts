/** How a series is said. */
export const seriesTexts = {
  unit: (freq: string, every: number) => {
    const name = { DAILY: 'day', WEEKLY: 'week', MONTHLY: 'month', YEARLY: 'year' }[freq] ?? 'time';
    return every === 1 ? `every ${name}` : `every ${every} ${name}s`;
  },
  nth: (n: number, weekday: string) =>
    n < 0
      ? `the last ${weekday}`
      : `the ${['first', 'second', 'third', 'fourth', 'fifth'][n - 1] ?? ''} ${weekday}`,
  on: (days: string) => `on ${days}`,
  onDay: (day: string) => `on day ${day}`,
  until: (day: string) => `until ${day}`,
  times: (n: number) => (n === 1 ? 'once' : `${n} times`),
} as const;
