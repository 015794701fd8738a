import { groupBy } from '@/core/groupBy';
import { numberOf } from '@/core/time/classNumber';
import type { Temporal } from 'temporal-polyfill';
import type { Section } from '@/core/plan/plan';
import { entryTexts } from '@/core/texts/entries';
import { dateLabel, timeLabel } from '@/core/time/dateLabels';
import { courseTexts } from '@/core/texts/school';
import type { Meeting } from '@/core/time/meetings';
import { formatPattern } from '@/core/time/formatPattern';
import { patternOn } from '@/core/time/pattern';
import type { SectionView } from './SectionCard';

/** When a class begins; a teaching week has a day alone. */
const beginOf = ({ date, start, until }: Meeting, locale: string): string =>
  [dateLabel(date, 'short', locale), until ? '' : timeLabel(start, locale)].filter(Boolean).join(', ');

/** A section for its card: the week that is in force today (or at the start, before the term) and each class. */
export function sectionView(section: Section, today: Temporal.PlainDate, locale: string): SectionView {
  const pattern = patternOn(section.patterns, today) ?? section.patterns[0];
  const classes = pattern?.classes ?? [];
  const label = (date: Temporal.PlainDate | undefined) => (date ? dateLabel(date, 'short', locale) : '…');
  const extraOf = new Map((section.extraClasses ?? []).map(({ id, date }) => [`${date}+${id}`, id]));
  const counted = groupBy(section.meetings, ({ strand }) => strand);
  return {
    id: section.id,
    name: section.name,
    typed: formatPattern(classes),
    firstDay: section.firstDay?.toString() ?? '',
    lastDay: section.lastDay?.toString() ?? '',
    days:
      section.firstDay || section.lastDay
        ? courseTexts.ownDays({ from: label(section.firstDay), to: label(section.lastDay) })
        : '',
    students: entryTexts.students({ n: section.students }),
    strands: [...counted.keys()].flatMap((strand) => (strand && strand !== 'week' ? [strand] : [])),
    count:
      [...counted].map(([strand, own]) => entryTexts.classes(own.length, strand)).join(', ') ||
      entryTexts.classes(0),
    meetings: section.meetings.map((meeting) => ({
      id: meeting.id,
      number: numberOf(meeting),
      when: beginOf(meeting, locale),
      date: meeting.date.toString(),
      start: meeting.until ? '' : timeLabel(meeting.start),
      end: meeting.until ? '' : timeLabel(meeting.end),
      extra: extraOf.get(meeting.key),
      place: meeting.place,
      moved: meeting.moved,
      cancelled: meeting.cancelled,
    })),
  };
}
