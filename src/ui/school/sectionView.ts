import type { Temporal } from 'temporal-polyfill';
import type { Section } from '@/core/plan/plan';
import { entryTexts } from '@/core/texts/entries';
import { dateLabel, timeLabel } from '@/core/time/dateLabels';
import { courseTexts } from '@/core/texts/school';
import { formatPattern } from '@/core/time/formatPattern';
import { patternOn } from '@/core/time/pattern';
import type { SectionView } from './SectionCard';

/** A section for its card: the week that is in force today (or at the start, before the term) and each class. */
export function sectionView(section: Section, today: Temporal.PlainDate, locale: string): SectionView {
  const pattern = patternOn(section.patterns, today) ?? section.patterns[0];
  const classes = pattern?.classes ?? [];
  const label = (date: Temporal.PlainDate | undefined) => (date ? dateLabel(date, 'short', locale) : '…');
  const extraOf = new Map((section.extraClasses ?? []).map(({ id, date }) => [`${date}+${id}`, id]));
  return {
    id: section.id,
    name: section.name,
    typed: formatPattern(classes),
    firstDay: section.firstDay?.toString() ?? '',
    lastDay: section.lastDay?.toString() ?? '',
    days:
      section.firstDay || section.lastDay
        ? courseTexts.ownDays(label(section.firstDay), label(section.lastDay))
        : '',
    students: entryTexts.students(section.students),
    meetings: section.meetings.map((meeting) => ({
      id: meeting.id,
      ordinal: meeting.ordinal,
      when: `${dateLabel(meeting.date, 'short', locale)}, ${timeLabel(meeting.start, locale)}`,
      date: meeting.date.toString(),
      start: timeLabel(meeting.start),
      end: timeLabel(meeting.end),
      extra: extraOf.get(meeting.key),
      place: meeting.place,
      moved: meeting.moved,
      cancelled: meeting.cancelled,
    })),
  };
}
