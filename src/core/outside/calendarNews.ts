import type { OutsideTime } from './outsideCalendar';
import { momentText } from '../time/zonedWall';

/** What one refresh of a calendar changed, each with its title and when it is (a moment as text). */
export type CalendarNews = Readonly<{
  kind: 'new' | 'changed' | 'gone';
  title: string;
  was?: string;
  now?: string;
}>;

const when = ({ start, end }: OutsideTime) => momentText(start) + (end ? `/${momentText(end)}` : '');
const same = (a: OutsideTime, b: OutsideTime) =>
  when(a) === when(b) && a.title === b.title && a.place === b.place && a.url === b.url && a.cancelled === b.cancelled; // prettier-ignore

/** What is new, changed and gone between two copies of a calendar, matched by UID. */
export function calendarNews(before: readonly OutsideTime[], after: readonly OutsideTime[]): CalendarNews[] {
  const known = new Map(before.map((time) => [time.uid, time]));
  const left = new Set(after.map((time) => time.uid));
  return [
    ...after.flatMap((time): CalendarNews[] => {
      const old = known.get(time.uid);
      const now = momentText(time.start);
      if (!old) return [{ kind: 'new', title: time.title, now }];
      return same(old, time) ? [] : [{ kind: 'changed', title: time.title, was: momentText(old.start), now }];
    }),
    ...before
      .filter((time) => !left.has(time.uid))
      .map((time): CalendarNews => ({ kind: 'gone', title: time.title, was: momentText(time.start) })),
  ];
}
