import { RRuleTemporal } from 'rrule-temporal';
import { Temporal } from 'temporal-polyfill';
import type { Moment } from '../time/zonedWall';
import { isDay, momentText } from '../time/zonedWall';
import type { Override, Recurrence } from './recurrence';
import { goneFrom } from './recurrence';

export type Span = Readonly<{ from: Temporal.PlainDate; to: Temporal.PlainDate }>;
export type Instance = Readonly<{ recurrenceId: Moment; override?: Override }>;

/** No series gives more than this within one span: a guard, not a limit anybody meets. */
const MOST = 2000;

/** `20261013T100000Z`: a wall time written as if it were UTC, which is how the expansion is fed. */
const asIfUtc = (wall: Temporal.PlainDateTime) =>
  `${wall.toString({ smallestUnit: 'second' }).replace(/[-:]/g, '')}Z`;

const wallOf = (moment: Moment) => (isDay(moment) ? moment.toPlainDateTime() : moment.wall);

/** UNTIL as the expansion wants it: a date means the whole day. */
const withUntil = (rrule: string) =>
  rrule.replace(
    /UNTIL=(\d{8})(?:T(\d{6})Z?)?/,
    (_, date: string, time?: string) => `UNTIL=${date}T${time ?? '235959'}Z`,
  );

/**
 * The wall times a rule names from DTSTART on within a span, both days included. Wall times are expanded as if they were
 * UTC, so that a weekly class keeps its wall time when the clocks change (RFC 5545 section 3.3.10); a zone is applied to
 * the results afterwards.
 */
export function ruleWalls(
  dtstart: Temporal.PlainDateTime,
  rrule: string,
  { from, to }: Span,
): Temporal.PlainDateTime[] {
  const rule = new RRuleTemporal({
    rruleString: `DTSTART:${asIfUtc(dtstart)}\nRRULE:${withUntil(rrule)}`,
    includeDtstart: true,
    temporal: Temporal,
  });
  const begin = from.toZonedDateTime('UTC');
  const end = to.add({ days: 1 }).toZonedDateTime('UTC').subtract({ milliseconds: 1 });
  return rule
    .between(begin, end, true)
    .slice(0, MOST)
    .map((result) => result.toPlainDateTime());
}

/** The first wall time within a span that the rule itself names, whatever DTSTART says. */
export function matchesRule(
  start: Moment,
  rrule: string,
  { from, to }: Span,
): Temporal.PlainDateTime | undefined {
  const rule = new RRuleTemporal({
    rruleString: `DTSTART:${asIfUtc(wallOf(start))}\nRRULE:${withUntil(rrule)}`,
    temporal: Temporal,
  });
  const end = to.toZonedDateTime('UTC');
  return rule.between(from.toZonedDateTime('UTC'), end, true)[0]?.toPlainDateTime();
}

type Expanded = Readonly<{ key: string; instances: readonly Instance[] }>;
// The same series is drawn on page after page, and expanding is the dearest part of a term.
const expanded = new WeakMap<Recurrence, Expanded>();

/** The occurrences of a series within a span, in the order of their recurrence ids; skipped ones are left out. */
export function expandSeries(dtstart: Moment, recurrence: Recurrence, span: Span): readonly Instance[] {
  const zone = isDay(dtstart) ? '' : dtstart.tzid;
  const key = `${momentText(dtstart)} ${zone} ${momentText(span.from)} ${momentText(span.to)}`;
  const known = expanded.get(recurrence);
  if (known?.key === key) return known.instances;
  const instances = expandAnew(dtstart, recurrence, span);
  expanded.set(recurrence, { key, instances });
  return instances;
}

function expandAnew(dtstart: Moment, recurrence: Recurrence, span: Span): Instance[] {
  const gone = new Set(goneFrom(recurrence).map(momentText));
  const overrideOf = new Map(recurrence.overrides.map((o) => [momentText(o.recurrenceId), o]));
  const moment = (wall: Temporal.PlainDateTime): Moment =>
    isDay(dtstart) ? wall.toPlainDate() : { wall, tzid: dtstart.tzid };
  return ruleWalls(wallOf(dtstart), recurrence.rrule, span)
    .map(moment)
    .filter((id) => !gone.has(momentText(id)))
    .map((recurrenceId) => ({ recurrenceId, override: overrideOf.get(momentText(recurrenceId)) }));
}
