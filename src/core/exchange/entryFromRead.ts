import type { Temporal } from 'temporal-polyfill';
import type { AssignmentEntry, Entry, EventEntry } from '../entries/entry';
import type { Identity } from '../entries/entryFromInput';
import { dateErrors, dateErrorsOf, entryFromInput } from '../entries/entryFromInput';
import { entryInput } from '../entries/entryInput';
import { withInstants } from '../entries/visibility';
import type { ReadEvent } from '../icalendar/readCalendar';
import { safeUri } from '../icalendar/text';
import type { Course } from '../plan/plan';
import { sanitize } from '../richText/sanitize';
import { importTexts } from '../texts/imports';
import type { Zone } from '../time/zone';
import type { Moment } from '../time/zonedWall';
import { isDay, momentText } from '../time/zonedWall';
import { plainTitle } from './compareCalendar';

const asHtml = ({ html, description }: ReadEvent): string =>
  sanitize(
    html ??
      description
        .split(/\n{2,}/)
        .map((part) => `<p>${part.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/\n/g, '<br>')}</p>`)
        .join(''),
  );

/** An entry, or why it cannot be one. */
export type Made = Readonly<{ entry: Entry } | { why: string }>;

/** An entry made from an event of a file; the same checks as for one that somebody types. */
export function entryFromRead(
  event: ReadEvent,
  {
    course,
    zone,
    identity,
    draft,
    now,
  }: Readonly<{ course: Course; zone: Zone; identity: Identity; draft: boolean; now: Temporal.Instant }>,
): Made {
  const shared = {
    title: plainTitle(event.title, course.tag),
    description: asHtml(event),
    audience: [{ course: course.id }],
    links: safeUri(event.url) && /^https?:/i.test(event.url) ? [{ url: event.url }] : [],
    visibility: { kind: draft ? 'draft' : 'visible' },
  };
  const parsed = entryInput.safeParse(
    event.kind === 'task'
      ? { ...shared, kind: 'assignment', due: momentText(event.start) }
      : {
          ...shared,
          kind: 'event',
          start: momentText(event.start),
          ...(event.end ? { end: momentText(event.end) } : {}),
          place: event.place,
          ...(event.rrule ? { rrule: event.rrule } : {}),
        },
  );
  const errors = parsed.success
    ? dateErrors(parsed.data as Parameters<typeof dateErrors>[0])
    : parsed.error.issues;
  if (!parsed.success || errors.length > 0) return { why: importTexts.notTaken(errors[0]!.message) };
  const made = entryFromInput(parsed.data as Parameters<typeof entryFromInput>[0], identity, zone, now);
  const entry = { ...made, sourceUid: event.uid };
  if (entry.kind !== 'event' || !entry.recurrence) return { entry };
  return { entry: { ...entry, recurrence: recurrenceOf(event, entry.recurrence.rrule) } };
}

const recurrenceOf = ({ exdates, overrides, title, place }: ReadEvent, rrule: string) => ({
  rrule,
  exdates,
  overrides: overrides.map((o) => ({
    recurrenceId: o.recurrenceId,
    start: o.start,
    end: o.end,
    ...(o.title === title ? {} : { title: o.title }),
    ...(o.place === place ? {} : { place: o.place }),
    ...(o.cancelled ? { cancelled: '' } : {}),
  })),
});

/** An entry as the file has it now; `set`: the event is the day on which the work is set. */
export function changedByRead(
  entry: EventEntry | AssignmentEntry,
  event: ReadEvent,
  { set, tag, zone, now }: Readonly<{ set: boolean; tag: string; zone: Zone; now: Temporal.Instant }>,
): Made {
  const grown = { sequence: entry.sequence + 1, lastModified: now };
  if (entry.kind === 'assignment') {
    const dated = set
      ? { ...entry, setOn: isDay(event.start) ? event.start : event.start.wall.toPlainDate() }
      : { ...entry, title: plainTitle(event.title, tag), due: event.start };
    const [error] = dateErrorsOf(dated);
    return error
      ? { why: importTexts.notTaken(error.message) }
      : { entry: withInstants({ ...dated, ...grown }, zone) };
  }
  const when: EventEntry['when'] = isDay(event.start)
    ? { kind: 'days', start: event.start, end: dayEnd(event.start, event.end) }
    : { kind: 'timed', start: event.start, end: event.end && !isDay(event.end) ? event.end : undefined };
  const { recurrence: _, ...rest } = entry;
  return {
    entry: withInstants(
      {
        ...rest,
        ...grown,
        when,
        title: plainTitle(event.title, tag),
        place: event.place,
        description: entry.sourceUid === undefined ? entry.description : asHtml(event),
        ...(event.rrule ? { recurrence: recurrenceOf(event, event.rrule) } : {}),
      },
      zone,
    ),
  };
}

const dayEnd = (start: Extract<Moment, { day: number }>, end: Moment | undefined) =>
  end && isDay(end) ? end : start.add({ days: 1 });
