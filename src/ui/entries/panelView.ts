import type { Clocks } from '../days/ownTime';
import { withOwnTime } from '../days/ownTime';
import { lateLines } from '@/core/entries/lateLines';
import { pacingLine } from '@/core/entries/pacingLine';
import type { SeenEntry } from '@/core/entries/seenBy';
import { mainMoment } from '@/core/entries/entry';
import { DATE_FIELDS } from '@/core/entries/classDates';
import type { ClassRef, DateField, SectionDates, SharedEntry } from '@/core/entries/entry';
import { audienceWords } from '@/core/plan/audienceWords';
import type { Course } from '@/core/plan/plan';
import { sanitize } from '@/core/richText/sanitize';
import { endOfOccurrence } from '@/core/series/endOfOccurrence';
import { expandSeries } from '@/core/series/expand';
import type { Recurrence } from '@/core/series/recurrence';
import type { ZoneLookup } from '@/core/time/zone';
import { repeatWords } from '@/core/series/repeatWords';
import { entryTexts } from '@/core/texts/entries';
import { pacingTexts } from '@/core/texts/pacing';
import { panelTexts } from '@/core/texts/term';
import { dateLabel, momentLabel, rangeLabel, timeLabel, weekAndDate } from '@/core/time/dateLabels';
import type { Term } from '@/core/time/term';
import type { Moment } from '@/core/time/zonedWall';
import { dayOf, isDay, momentText } from '@/core/time/zonedWall';
import { draftOf } from './draftOf';
import type { LineDate, PanelEntry, PanelOccurrence } from './panelData';

const longDay = (day: ReturnType<typeof dayOf>, term: Term | undefined, locale: string): string =>
  term ? weekAndDate(term, day, locale) : dateLabel(day, 'short', locale);

function whenOf(entry: SeenEntry, term: Term | undefined, locale: string): string {
  const long = (day: ReturnType<typeof dayOf>) => longDay(day, term, locale);
  if (entry.kind !== 'event') {
    const moment = mainMoment(entry);
    const when = isDay(moment) ? long(moment) : `${long(dayOf(moment))}, ${timeLabel(moment.wall, locale)}`;
    const due = entry.kind === 'assignment' ? entry.atClass?.due : undefined;
    return due ? panelTexts.follows(when, due, due.edge) : when;
  }
  return eventWords(entry.when, term, locale);
}

/** When an event is, or one of a series. */
function eventWords(
  { start, end }: Readonly<{ start: Moment; end?: Moment }>,
  term: Term | undefined,
  locale: string,
): string {
  const first = longDay(dayOf(start), term, locale);
  if (isDay(start)) {
    const last = end ? dayOf(end).subtract({ days: 1 }) : start;
    return last.equals(start) ? first : `${first} – ${dateLabel(last, 'short', locale)}`;
  }
  const clock = end && !isDay(end) ? rangeLabel(start.wall, end.wall, locale) : timeLabel(start.wall, locale);
  return `${first}, ${clock}`;
}

type Named = Readonly<{ label: string; value: string }>;
/** How a series repeats, in words. */
const seriesWords = ({ rrule, closed }: Recurrence, locale: string): string =>
  [repeatWords(rrule, locale), closed ? panelTexts.skipsClosuresWords : ''].filter(Boolean).join(', ');

const named = (list: readonly (readonly [label: string, value: string | undefined])[]): Named[] =>
  list.flatMap(([label, value]) => (value ? [{ label, value }] : []));

/** The line of dates, in the order of time: shown from, set, opens, the entry's own, closes, hidden after. */
function datesOf(entry: SharedEntry, locale: string): LineDate[] {
  const work = entry.kind === 'assignment' ? entry : undefined;
  const of = (
    field: LineDate['field'],
    label: string,
    at: Moment | undefined,
    follows?: ClassRef,
  ): LineDate[] => {
    if (!at) return [];
    const words = momentLabel(at, locale);
    const value = follows ? panelTexts.follows(words, follows, follows.edge) : words;
    return [{ field, label, value, day: momentText(dayOf(at)) }];
  };
  const { visibility } = entry;
  const main = mainMoment(entry);
  const shown =
    visibility.kind === 'from'
      ? visibility.from
      : visibility.kind === 'before'
        ? dayOf(main).subtract({ days: visibility.days })
        : undefined;
  const name = entry.kind === 'assignment' ? entryTexts.kind.due : panelTexts.takesPlaceOn;
  return [
    ...of('shownFrom', panelTexts.shownFromDay, shown),
    ...of('setOn', entryTexts.kind.set, work?.setOn, work?.atClass?.setOn),
    ...of('opens', panelTexts.opens, work?.opens, work?.atClass?.opens),
    ...of('main', name, main, work?.atClass?.due),
    ...of('closes', panelTexts.closes, work?.closes, work?.atClass?.closes),
    ...of('hiddenAfter', panelTexts.hiddenAfter, entry.hiddenAfter?.wall),
  ];
}

const DATE_NAMES: Record<DateField, string> = {
  setOn: entryTexts.kind.set,
  opens: panelTexts.opens,
  due: entryTexts.kind.due,
  closes: panelTexts.closes,
};

/** The dates in which sections differ, each in each section. */
function inSections(sections: readonly SectionDates[], locale: string): (readonly [string, string])[] {
  return DATE_FIELDS.flatMap((field) => {
    const dates = sections.flatMap((section) => {
      const date = section[field];
      return date
        ? [
            [
              panelTexts.inSection({ what: DATE_NAMES[field], name: section.name }),
              momentLabel(date, locale),
            ] as const,
          ]
        : [];
    });
    return new Set(dates.map(([, date]) => date)).size > 1 ? dates : [];
  });
}

function factsOf(entry: SeenEntry, locale: string): Named[] {
  if (entry.kind === 'event')
    return named([
      [panelTexts.place, entry.place],
      [panelTexts.joining, entry.meetingText],
    ]);
  if (entry.kind !== 'assignment') return [];
  return named([
    ...inSections(entry.sectionDates ?? [], locale),
    [panelTexts.handingIn, entry.handIn],
    [panelTexts.latePolicy, lateLines(entry, locale).join(' ')],
    [panelTexts.points, entry.points === undefined ? '' : String(entry.points)],
    [panelTexts.effort, entry.effortMinutes ? panelTexts.effortWords(entry.effortMinutes) : ''],
    [
      panelTexts.extensions,
      entry.extensions.map((e) => `${e.name}: ${momentLabel(e.due, locale)}`).join('; '),
    ],
    [panelTexts.extensions, entry.extended ? panelTexts.extendedForYou : ''],
    [pacingTexts.label, pacingLine(entry, locale)],
  ]);
}

/** The occurrences of a series that lie in the term, each with its own words. */
function singlesOf(
  entry: SeenEntry,
  { term, locale, abroad, zoneOf }: Clocks & { term: Term | undefined; zoneOf?: ZoneLookup },
): Pick<PanelEntry, 'singles'> {
  if (entry.kind !== 'event' || !entry.recurrence || !term || !zoneOf) return {};
  const { when, recurrence, tzid } = entry;
  const span = { from: term.startsOn, to: term.endsOn };
  const singles = expandSeries(when.start, recurrence, span).map(({ recurrenceId, override }) => {
    const start = override?.start ?? recurrenceId;
    const end = override?.end ?? endOfOccurrence(when, start, zoneOf(tzid));
    const { title, place, description, cancelled } = override ?? {};
    const words: PanelOccurrence = {
      when: withOwnTime(eventWords({ start, end }, term, locale), start, {
        locale,
        ...(abroad ? { abroad } : {}),
      }),
      ...(title === undefined ? {} : { title }),
      ...(place === undefined ? {} : { place }),
      ...(description === undefined ? {} : { description: sanitize(description) }),
      ...(cancelled === undefined ? {} : { cancelled: entryTexts.cancelled({ reason: cancelled }) }),
    };
    return [momentText(recurrenceId), words] as const;
  });
  return { singles: Object.fromEntries(singles) };
}

function comingOf(entry: SeenEntry): PanelEntry['coming'] {
  if (entry.kind !== 'event' || !entry.coming) return undefined;
  const { seats, replies } = entry.coming;
  return {
    words: panelTexts.comingCount(entry.comingCount ?? 0, seats, entry.waitingCount ?? 0),
    full: seats !== undefined && (entry.comingCount ?? 0) + (entry.waitingCount ?? 0) >= seats,
    wait: entry.waitBefore === undefined ? '' : panelTexts.waitBefore({ n: entry.waitBefore }),
    own: entry.asStaff ? undefined : (replies[0]?.answer ?? ''),
    names: entry.asStaff ? replies.map((r) => `${r.name}: ${panelTexts.answers[r.answer]}`) : [],
  };
}

/** What the panel shows of an entry. `mayEdit` is decided where rights are known. */
export function panelEntry(
  entry: SeenEntry,
  {
    courses,
    term,
    locale,
    abroad,
    mayEdit,
    zoneOf,
  }: Clocks & {
    courses: readonly Course[];
    term: Term | undefined;
    mayEdit: boolean;
    /** Where single occurrences of a series are asked for. */ zoneOf?: ZoneLookup;
  },
): PanelEntry {
  const audience = entry.kind === 'note' ? [] : entry.audience;
  const own = courses.filter((course) => audience.some((part) => part.course === course.id));
  return {
    id: entry.id,
    sequence: entry.sequence,
    kind: entry.kind,
    kindLabel: panelTexts[entry.kind],
    tags: own.map(({ tag, color, title }) => ({ tag, color, title })),
    title: entry.title,
    when: withOwnTime(whenOf(entry, term, locale), mainMoment(entry), {
      locale,
      ...(abroad ? { abroad } : {}),
    }),
    repeats: entry.kind === 'event' && entry.recurrence ? seriesWords(entry.recurrence, locale) : '',
    cancelled:
      entry.kind !== 'note' && entry.cancelled !== undefined
        ? entryTexts.cancelled({ reason: entry.cancelled })
        : undefined,
    dates: entry.kind === 'note' ? [] : datesOf(entry, locale),
    facts: factsOf(entry, locale),
    description: sanitize(entry.description),
    meetingLink: entry.kind === 'event' ? entry.meetingLink : '',
    meetingName: entry.kind === 'event' ? entry.meetingName : '',
    links: entry.kind === 'note' ? [] : entry.links,
    who: entry.kind === 'note' ? panelTexts.onlyYou : audienceWords(audience, courses),
    release: entryTexts.release[entry.release],
    shown: entry.release === 'shown',
    coming: comingOf(entry),
    editable: mayEdit,
    draft: draftOf(entry, term),
    ...singlesOf(entry, { term, locale, zoneOf, ...(abroad ? { abroad } : {}) }),
  };
}
