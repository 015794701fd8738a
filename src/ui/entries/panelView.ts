import type { SeenEntry } from '@/core/entries/seenBy';
import { audienceWords } from '@/core/plan/audienceWords';
import type { Course } from '@/core/plan/plan';
import { entryTexts } from '@/core/texts/entries';
import { panelTexts } from '@/core/texts/term';
import { dateLabel, momentLabel, rangeLabel, timeLabel, weekAndDate } from '@/core/time/dateLabels';
import type { Term } from '@/core/time/term';
import type { ZonedWall } from '@/core/time/zonedWall';
import { dayOf, isDay } from '@/core/time/zonedWall';
import type { EntryDraft } from './entryDraft';
import { emptyDraft } from './entryDraft';
import type { PanelEntry } from './panelData';

function draftOf(entry: SeenEntry): EntryDraft {
  const start = entry.kind === 'event' ? entry.when.start : entry.due;
  const end = entry.kind === 'event' ? entry.when.end : undefined;
  const clock = (moment: ZonedWall | undefined) => (moment ? timeLabel(moment.wall) : '');
  const from = entry.visibility.kind === 'from' ? entry.visibility.from : undefined;
  return {
    ...emptyDraft(dayOf(start).toString(), undefined),
    kind: entry.kind,
    title: entry.title,
    allDay: entry.kind === 'event' && isDay(start),
    lastDay: end && isDay(end) ? end.subtract({ days: 1 }).toString() : '',
    starts: entry.kind === 'event' && !isDay(start) ? clock(start) : '',
    ends: end && !isDay(end) ? clock(end) : '',
    place: entry.kind === 'event' ? entry.place : '',
    setOn: entry.kind === 'assignment' ? (entry.setOn?.toString() ?? '') : '',
    dueTime: entry.kind === 'assignment' && !isDay(start) ? clock(start) : '',
    handIn: entry.kind === 'assignment' ? entry.handIn : '',
    description: entry.description,
    links: entry.links,
    courses: Object.fromEntries(entry.audience.map((part) => [part.course, part.sections ?? []])),
    visibility: entry.visibility.kind,
    ...(from ? { fromDay: dayOf(from).toString(), fromTime: clock(from) } : {}),
  };
}

function whenOf(entry: SeenEntry, term: Term | undefined, locale: string): string {
  const long = (day: ReturnType<typeof dayOf>) =>
    term ? weekAndDate(term, day, locale) : dateLabel(day, 'short', locale);
  if (entry.kind === 'assignment')
    return isDay(entry.due) ? long(entry.due) : `${long(dayOf(entry.due))}, ${timeLabel(entry.due.wall)}`;
  const { when } = entry;
  if (when.kind === 'days') {
    const last = when.end.subtract({ days: 1 });
    return last.equals(when.start)
      ? long(when.start)
      : `${long(when.start)} – ${dateLabel(last, 'short', locale)}`;
  }
  const clock = when.end ? rangeLabel(when.start.wall, when.end.wall) : timeLabel(when.start.wall);
  return `${long(dayOf(when.start))}, ${clock}`;
}

/** What the panel shows of an entry. `mayEdit` is decided where rights are known. */
export function panelEntry(
  entry: SeenEntry,
  {
    courses,
    term,
    locale,
    mayEdit,
  }: { courses: readonly Course[]; term: Term | undefined; locale: string; mayEdit: boolean },
): PanelEntry {
  const own = courses.filter((course) => entry.audience.some((part) => part.course === course.id));
  const dates: { label: string; value: string }[] = [];
  if (entry.visibility.kind === 'from')
    dates.push({ label: panelTexts.shownFromDay, value: momentLabel(entry.visibility.from, locale) });
  if (entry.kind === 'assignment') {
    if (entry.setOn)
      dates.push({ label: entryTexts.kind.set, value: dateLabel(entry.setOn, 'short', locale) });
    dates.push({ label: entryTexts.kind.due, value: momentLabel(entry.due, locale) });
  }
  return {
    id: entry.id,
    sequence: entry.sequence,
    kindLabel: panelTexts[entry.kind],
    tags: own.map(({ tag, color, title }) => ({ tag, color, title })),
    title: entry.title,
    when: whenOf(entry, term, locale),
    dates,
    place: entry.kind === 'event' ? entry.place : '',
    handIn: entry.kind === 'assignment' ? entry.handIn : '',
    description: entry.description,
    links: entry.links,
    who: audienceWords(entry.audience, courses),
    release: entryTexts.release[entry.release],
    shown: entry.release === 'shown',
    editable: mayEdit,
    draft: draftOf(entry),
  };
}
