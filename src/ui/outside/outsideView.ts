import type { Trouble } from '@/core/icalendar/contentLines';
import type { CalendarPreview } from '@/core/outside/calendarPreview';
import type { CalendarNews } from '@/core/outside/calendarNews';
import type { ClosureRule, OutsideCalendar, OutsideTime } from '@/core/outside/outsideCalendar';
import type { Course } from '@/core/plan/plan';
import { outsideTexts } from '@/core/texts/outside';
import { dateLabel, momentLabel, rangeLabel } from '@/core/time/dateLabels';
import type { Zone } from '@/core/time/zone';
import { toWall } from '@/core/time/zone';
import { isDay, momentFrom } from '@/core/time/zonedWall';
import { Temporal } from 'temporal-polyfill';

const MOST_DATES = 12;
const MOST_TROUBLES = 50;

export type OutsideDate = Readonly<{ when: string; title: string }>;

function whenOf({ start, end }: OutsideTime, locale: string): string {
  if (isDay(start)) {
    const last = end && isDay(end) ? end.subtract({ days: 1 }) : start;
    return last.equals(start)
      ? dateLabel(start, 'short', locale)
      : `${dateLabel(start, 'short', locale)} – ${dateLabel(last, 'short', locale)}`;
  }
  return end && !isDay(end)
    ? `${dateLabel(start.wall.toPlainDate(), 'short', locale)}, ${rangeLabel(start.wall, end.wall, locale)}`
    : momentLabel(start, locale);
}

const datesOf = (times: readonly OutsideTime[], locale: string): OutsideDate[] =>
  times.slice(0, MOST_DATES).map((time) => ({ when: whenOf(time, locale), title: time.title }));

const troublesOf = (list: readonly Trouble[]): string[] =>
  list.slice(0, MOST_TROUBLES).map(({ line, title, why }) => outsideTexts.trouble({ line, title, why }));

/** A calendar that is looked at before it is added, as plain text. */
export type OutsidePreview = Readonly<{
  name: string;
  count: number;
  dates: readonly OutsideDate[];
  skippedCount: number;
  skipped: readonly string[];
  warnedCount: number;
  warned: readonly string[];
  closures: readonly string[];
  hits: readonly string[];
}>;

export const outsidePreview = ({ locale, ...looked }: CalendarPreview): OutsidePreview => ({
  name: looked.name,
  count: looked.times.length,
  dates: datesOf(looked.times, locale),
  skippedCount: looked.skipped.length,
  skipped: troublesOf(looked.skipped),
  warnedCount: looked.warnings.length,
  warned: troublesOf(looked.warnings),
  closures: looked.closures.map(({ name, start }) => `${dateLabel(start, 'short', locale)}: ${name}`),
  hits: looked.hits.map(({ tag, meetings, due, taken }) => outsideTexts.hit(tag, meetings, due, taken)),
});

/** A calendar that is kept, as plain text. */
export type CalendarCardView = Readonly<{
  id: string;
  name: string;
  url: string;
  /** Whose it is beside: tags, or the name of the term. */
  beside: readonly Readonly<{ tag: string; color: string }>[];
  term: string;
  mine: boolean;
  active: boolean;
  seenBy: 'staff' | 'everyone';
  closes: ClosureRule;
  closesWords: string;
  count: string;
  dates: readonly OutsideDate[];
  state: string;
  failing: string;
  news: readonly string[];
  skippedCount: number;
  skipped: readonly string[];
}>;

type State = Readonly<{
  readAt?: number;
  failingSince?: number;
  troubles: readonly Trouble[];
  news: readonly CalendarNews[];
}>;

const closesWords = (rule: ClosureRule): string =>
  rule.kind === 'none'
    ? ''
    : rule.kind === 'all'
      ? outsideTexts.closingAll
      : outsideTexts.closingRule(rule.words);

export function calendarCard(
  { calendar, state, mine }: Readonly<{ calendar: OutsideCalendar; state?: State; mine: boolean }>,
  {
    courses,
    term,
    zone,
    today,
    failure,
    locale,
  }: Readonly<{
    courses: readonly Course[];
    term: Readonly<{ name: string }>;
    zone: Zone;
    today: Temporal.PlainDate;
    failure: string;
    locale: string;
  }>,
): CalendarCardView {
  const at = (ms: number) =>
    momentLabel({ wall: toWall(zone, Temporal.Instant.fromEpochMilliseconds(ms)), tzid: zone.tzid }, locale);
  const said = (text: string | undefined) => (text ? momentLabel(momentFrom(text, zone.tzid), locale) : '');
  const coming = calendar.times.filter(
    ({ start }) => Temporal.PlainDate.compare(isDay(start) ? start : start.wall.toPlainDate(), today) >= 0,
  );
  return {
    id: calendar.id,
    name: calendar.name,
    url: calendar.url,
    beside: courses
      .filter((course) => calendar.courses.includes(course.id))
      .map(({ tag, color }) => ({ tag, color })),
    term: calendar.wholeTerm ? outsideTexts.wholeTerm({ term: term.name }) : '',
    mine,
    active: calendar.active,
    seenBy: calendar.seenBy,
    closes: calendar.closes,
    closesWords: closesWords(calendar.closes),
    count: outsideTexts.dates({ n: calendar.times.length }),
    dates: datesOf(coming, locale).slice(0, 4),
    state:
      calendar.url === ''
        ? outsideTexts.fromFile
        : state?.readAt === undefined
          ? outsideTexts.notReadYet
          : outsideTexts.readAt({ when: at(state.readAt) }),
    failing:
      state?.failingSince === undefined
        ? ''
        : outsideTexts.failing({ since: at(state.failingSince), why: failure }),
    news: (state?.news ?? [])
      .slice(0, 8)
      .map((news) =>
        news.kind === 'new'
          ? outsideTexts.news.new({ title: news.title, now: said(news.now) })
          : news.kind === 'gone'
            ? outsideTexts.news.gone({ title: news.title, was: said(news.was) })
            : outsideTexts.news.changed(news.title, said(news.was), said(news.now)),
      ),
    skippedCount: state?.troubles.length ?? 0,
    skipped: troublesOf(state?.troubles ?? []),
  };
}
