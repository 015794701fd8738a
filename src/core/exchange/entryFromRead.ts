import type { AssignmentEntry, EventEntry } from '../entries/entry';
import type { EntryFacts } from '../entries/facts';
import type { DatedInput, Identity } from '../entries/factsFromInput';
import { dateErrors, factsFromInput } from '../entries/factsFromInput';
import { entryInput } from '../entries/entryInput';
import type { ReadEvent } from '../icalendar/readCalendar';
import { safeUri } from '../icalendar/text';
import type { Course } from '../plan/plan';
import { sanitize } from '../richText/sanitize';
import { importTexts } from '../texts/imports';
import type { Zone } from '../time/zone';
import type { Moment } from '../time/zonedWall';
import { isDay, momentText } from '../time/zonedWall';
import { plainTitle } from './compareCalendar';

const asHtml = ({ html, description }: Pick<ReadEvent, 'html' | 'description'>): string =>
  sanitize(
    html ??
      description
        .split(/\n{2,}/)
        .map((part) => `<p>${part.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/\n/g, '<br>')}</p>`)
        .join(''),
  );

/** The facts of an entry, or why it cannot be one. */
export type Made = Readonly<{ facts: EntryFacts } | { why: string }>;

/** An entry made from an event of a file; the same checks as for one that somebody types. */
export function entryFromRead(
  event: ReadEvent,
  {
    course,
    zone,
    identity,
    draft,
  }: Readonly<{ course: Course; zone: Zone; identity: Identity; draft: boolean }>,
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
  const errors = parsed.success ? dateErrors(parsed.data as DatedInput) : parsed.error.issues;
  if (!parsed.success || errors.length > 0) return { why: importTexts.notTaken({ why: errors[0]!.message }) };
  const made = factsFromInput(parsed.data as DatedInput, identity, zone);
  const facts = { ...made, sourceUid: event.uid };
  if (facts.kind !== 'event' || !facts.recurrence) return { facts };
  return { facts: { ...facts, recurrence: recurrenceOf(event, facts.recurrence.rrule) } };
}

function recurrenceOf(event: ReadEvent, rrule: string) {
  const whole = asHtml(event);
  return {
    rrule,
    exdates: event.exdates,
    overrides: event.overrides.map((o) => {
      const description = o.text ? asHtml(o.text) : whole;
      return {
        recurrenceId: o.recurrenceId,
        start: o.start,
        end: o.end,
        ...(o.title === event.title ? {} : { title: o.title }),
        ...(o.place === event.place ? {} : { place: o.place }),
        ...(description === whole ? {} : { description }),
        ...(o.cancelled ? { cancelled: '' } : {}),
      };
    }),
  };
}

/** The facts of an entry as the file has it now; `set`: the event is the day on which the work is set. */
export function changedByRead(
  entry: EventEntry | AssignmentEntry,
  event: ReadEvent,
  { set, tag }: Readonly<{ set: boolean; tag: string }>,
): EntryFacts {
  if (entry.kind === 'assignment')
    return set
      ? { ...entry, setOn: isDay(event.start) ? event.start : event.start.wall.toPlainDate() }
      : { ...entry, title: plainTitle(event.title, tag), due: event.start };
  const when: EventEntry['when'] = isDay(event.start)
    ? { kind: 'days', start: event.start, end: dayEnd(event.start, event.end) }
    : { kind: 'timed', start: event.start, end: event.end && !isDay(event.end) ? event.end : undefined };
  const { recurrence: _, ...rest } = entry;
  return {
    ...rest,
    when,
    title: plainTitle(event.title, tag),
    place: event.place,
    description: entry.sourceUid === undefined ? entry.description : asHtml(event),
    ...(event.rrule ? { recurrence: recurrenceOf(event, event.rrule) } : {}),
  };
}

const dayEnd = (start: Extract<Moment, { day: number }>, end: Moment | undefined) =>
  end && isDay(end) ? end : start.add({ days: 1 });
