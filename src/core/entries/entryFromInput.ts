import { Temporal } from 'temporal-polyfill';
import type { EntryId, PersonId } from '../ids';
import type { FieldError } from '../refusals';
import { sanitize } from '../richText/sanitize';
import { firstOccurrence } from '../series/firstOccurrence';
import type { Zone } from '../time/zone';
import { instantMs } from '../time/zone';
import type { Moment } from '../time/zonedWall';
import type { Entry, EventEntry, SharedEntry, When } from './entry';
import type { EntryInput } from './entryInput';
import type { PlainVisibility } from './visibility';
import { hiddenAfterOf, visibilityFor } from './visibility';

type Identity = Readonly<{
  id: EntryId;
  uid: string;
  sequence: number;
  created: Temporal.Instant;
  /** Whose note it would be. */
  author: PersonId;
}>;
type Plain = Temporal.PlainDate | Temporal.PlainDateTime;

/** Compares days with wall times: a day that closes something closes at its end, one that opens it at its beginning. */
const atOf = (value: Plain, edge: 'begins' | 'ends'): Temporal.PlainDateTime =>
  value instanceof Temporal.PlainDate
    ? value.toPlainDateTime(edge === 'begins' ? '00:00' : '23:59:59')
    : value;

/** What the schema cannot say: how the dates of an entry hang together. */
export function dateErrors(input: EntryInput): FieldError[] {
  switch (input.kind) {
    case 'assignment':
      return assignmentErrors(input);
    case 'event':
      return eventErrors(input);
    case 'announcement':
    case 'note':
      return [];
    default:
      return input satisfies never;
  }
}

function assignmentErrors({
  due,
  setOn,
  opens,
  closes,
}: Extract<EntryInput, { kind: 'assignment' }>): FieldError[] {
  const dueAt = atOf(due, 'ends');
  const later = (a: Temporal.PlainDateTime, b: Temporal.PlainDateTime) =>
    Temporal.PlainDateTime.compare(a, b) > 0;
  const errors: FieldError[] = [];
  if (setOn && later(atOf(setOn, 'begins'), dueAt))
    errors.push({ field: 'setOn', message: 'It is set after it is due. Choose an earlier day.' });
  if (opens && later(atOf(opens, 'begins'), dueAt))
    errors.push({ field: 'opens', message: 'It opens after it is due. Choose an earlier time.' });
  if (closes && later(dueAt, atOf(closes, 'ends')))
    errors.push({ field: 'closes', message: 'It closes before it is due. Choose a later time.' });
  return errors;
}

function eventErrors({ start, end }: Extract<EntryInput, { kind: 'event' }>): FieldError[] {
  if (!end) return [];
  if (start instanceof Temporal.PlainDate !== end instanceof Temporal.PlainDate)
    return [{ field: 'end', message: 'Give both with a time, or both as days.' }];
  const order =
    start instanceof Temporal.PlainDate
      ? Temporal.PlainDate.compare(start, end as Temporal.PlainDate)
      : Temporal.PlainDateTime.compare(start, end as Temporal.PlainDateTime);
  return order < 0 ? [] : [{ field: 'end', message: 'It ends before it starts. Choose a later end.' }];
}

const momentIn = (zone: Zone, value: Plain): Moment =>
  value instanceof Temporal.PlainDate ? value : { wall: value, tzid: zone.tzid };

function whenOf({ start, end }: Extract<EntryInput, { kind: 'event' }>, zone: Zone): When {
  if (start instanceof Temporal.PlainDate)
    return { kind: 'days', start, end: end instanceof Temporal.PlainDate ? end : start.add({ days: 1 }) };
  const wall = { wall: start, tzid: zone.tzid };
  return {
    kind: 'timed',
    start: wall,
    end: end instanceof Temporal.PlainDateTime ? { wall: end, tzid: zone.tzid } : undefined,
  };
}

/** A series that does not begin on its own rule begins on the first day that is: view and feed then agree. */
function withRule(when: When, rrule: string): When {
  const first = firstOccurrence(when.start, rrule);
  if (when.kind === 'days') {
    const start = first as Temporal.PlainDate;
    return { ...when, start, end: start.add(when.start.until(when.end, { largestUnit: 'days' })) };
  }
  const start = first as Extract<When, { kind: 'timed' }>['start'];
  const end = when.end && { ...when.end, wall: start.wall.add(when.start.wall.until(when.end.wall)) };
  return { ...when, start, end };
}

/**
 * An entry made from what was sent, in the zone of its term; `dateErrors` must have found nothing. `before` is the entry
 * it takes the place of: what the input does not carry (replies, single occurrences that differ) stays.
 */
export function entryFromInput(
  input: EntryInput,
  { author, ...identity }: Identity,
  zone: Zone,
  now: Temporal.Instant,
  before?: Entry,
): Entry {
  const text = {
    ...identity,
    title: input.title,
    description: sanitize(input.description),
    tzid: zone.tzid,
    lastModified: now,
  };
  if (input.kind === 'note') return { ...text, kind: 'note', on: momentIn(zone, input.on), author };
  const shared = (moment: Moment) => ({
    ...text,
    // One order, so that the same audience is the same bytes.
    audience: [...input.audience].sort((a, b) => (a.course < b.course ? -1 : 1)),
    links: input.links,
    visibility: visibilityFor(plainVisibility(input.visibility, zone), moment, zone),
    hiddenAfter: input.hiddenAfter && hiddenAfterOf({ wall: input.hiddenAfter, tzid: zone.tzid }, zone),
    ...((before as SharedEntry | undefined)?.cancelled === undefined
      ? {}
      : { cancelled: (before as SharedEntry).cancelled }),
  });
  switch (input.kind) {
    case 'event': {
      const plain = whenOf(input, zone);
      const when = input.rrule ? withRule(plain, input.rrule) : plain;
      const old = before?.kind === 'event' ? before : undefined;
      return {
        ...shared(when.start),
        kind: 'event',
        when,
        place: input.place,
        meetingLink: input.meetingLink,
        meetingText: input.meetingText,
        ...(input.rrule ? { recurrence: recurrenceOf(input.rrule, old) } : {}),
        ...(input.coming ? { coming: { ...input.coming, replies: old?.coming?.replies ?? [] } } : {}),
      };
    }
    case 'assignment': {
      const due = momentIn(zone, input.due);
      return {
        ...shared(due),
        kind: 'assignment',
        setOn: input.setOn,
        opens: input.opens && momentIn(zone, input.opens),
        due,
        closes: input.closes && momentIn(zone, input.closes),
        setUid: `${identity.uid}-set`,
        handIn: input.handIn,
        latePolicy: input.latePolicy,
        points: input.points,
        effortMinutes: input.effortMinutes,
        extensions: input.extensions.map((e) => ({ person: e.person, name: '', due: momentIn(zone, e.due) })),
      };
    }
    case 'announcement':
      return { ...shared(input.on), kind: 'announcement', on: input.on };
    default:
      return input satisfies never;
  }
}

function plainVisibility(
  visibility: Exclude<EntryInput, { kind: 'note' }>['visibility'],
  zone: Zone,
): PlainVisibility {
  return visibility.kind === 'from'
    ? { kind: 'from', from: { wall: visibility.from, tzid: zone.tzid } }
    : visibility;
}

const recurrenceOf = (rrule: string, before: EventEntry | undefined) => ({
  rrule,
  exdates: before?.recurrence?.exdates ?? [],
  overrides: before?.recurrence?.overrides ?? [],
});

/** The instant a moment is indexed by: the wall time's, or the start of the day in the zone. */
export const indexMs = (moment: Moment, zone: Zone): number =>
  instantMs(zone, moment instanceof Temporal.PlainDate ? moment.toPlainDateTime() : moment.wall);
