import type { Temporal } from 'temporal-polyfill';
import type { Section } from '@/core/plan/plan';
import { entryTexts } from '@/core/texts/entries';
import { dateLabel, rangeLabel, timeLabel } from '@/core/time/dateLabels';
import { patternOn } from '@/core/time/pattern';
import { weekStartOf } from '@/core/time/term';
import type { SectionView } from './SectionCard';

/** A section for its card: the week that is in force today (or at the start, before the term) and each class. */
export function sectionView(section: Section, today: Temporal.PlainDate, locale: string): SectionView {
  const pattern = patternOn(section.patterns, today) ?? section.patterns[0];
  const weekday = (n: number) => dateLabel(weekStartOf(today).add({ days: n - 1 }), 'weekday', locale);
  return {
    id: section.id,
    name: section.name,
    week: (pattern?.classes ?? [])
      .map((c) => `${weekday(c.weekday)} ${rangeLabel(c.start, c.end, locale)}`)
      .join(', '),
    students: entryTexts.students(section.students),
    meetings: section.meetings.map((meeting) => ({
      id: meeting.id,
      ordinal: meeting.ordinal,
      when: `${dateLabel(meeting.date, 'short', locale)}, ${timeLabel(meeting.start, locale)}`,
      date: meeting.date.toString(),
      start: timeLabel(meeting.start),
      end: timeLabel(meeting.end),
      moved: meeting.moved,
      cancelled: meeting.cancelled,
    })),
  };
}
