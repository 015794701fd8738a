import { DayList } from './DayList';
import type { DueLine } from './dueView';
import { WorkDays } from './WorkDays';

/** Work with its tick, what it takes, and the days on which one means to work on it. */
export function DueList({ lines, ticks = false }: { lines: readonly DueLine[]; ticks?: boolean }) {
  const daysOf = new Map(lines.map(({ line, days }) => [line.key, days]));
  return (
    <DayList
      lines={lines.map(({ line, effort }) => ({
        ...line,
        detail: [effort, line.detail].filter(Boolean).join(' · '),
      }))}
      ticks={ticks}
      below={({ key, work, title }) => {
        const days = ticks ? [] : (daysOf.get(key) ?? []);
        return work && days.length > 0 ? <WorkDays entry={work} title={title} days={days} /> : null;
      }}
    />
  );
}
