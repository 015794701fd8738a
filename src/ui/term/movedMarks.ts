import { Temporal } from 'temporal-polyfill';
import type { PendingMove } from '../plan/useMoves';
import type { GridItem } from './termMarks';
import type { GridWeek } from './termView';

/** The weeks with some marks already where they are going: what is drawn until the server has answered. */
export function movedMarks(weeks: readonly GridWeek[], { keys, days }: PendingMove): GridWeek[] {
  const arriving = weeks
    .flatMap((week) => week.days.flatMap((day) => day.items))
    .filter((item) => keys.has(item.key))
    .map((item): GridItem => {
      const date = Temporal.PlainDate.from(item.date).add({ days }).toString();
      return { ...item, date };
    });
  return weeks.map((week) => ({
    ...week,
    days: week.days.map((day, i) => {
      // A cell reaches to the next one; the last one, which may be a whole weekend, to the end of the week.
      const next = week.days[i + 1]?.date ?? dayAfterWeek(week);
      const items = [
        ...day.items.filter((item) => !keys.has(item.key)),
        ...arriving.filter((item) => item.date >= day.date && item.date < next),
      ];
      return { ...day, items, count: day.count + items.length - day.items.length };
    }),
  }));
}

const dayAfterWeek = (week: GridWeek): string =>
  Temporal.PlainDate.from(week.days[0]!.date).add({ days: 7 }).toString();
