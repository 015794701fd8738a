import { Temporal } from 'temporal-polyfill';
import type { EntryId } from '../ids';
import type { FieldError } from '../refusals';
import type { Zone } from '../time/zone';
import { toInstant } from '../time/zone';
import type { Moment } from '../time/zonedWall';
import type { Entry, Visibility, When } from './entry';
import type { EntryInput } from './entryInput';

type Identity = Readonly<{ id: EntryId; uid: string; sequence: number; created: Temporal.Instant }>;

/** What the schema cannot say: how the dates of an entry hang together. */
export function dateErrors(input: EntryInput): FieldError[] {
  if (input.kind === 'assignment') {
    const due = input.due instanceof Temporal.PlainDate ? input.due : input.due.toPlainDate();
    if (input.setOn && Temporal.PlainDate.compare(input.setOn, due) > 0)
      return [{ field: 'setOn', message: 'It is set after it is due. Choose an earlier day.' }];
    return [];
  }
  const { start, end } = input;
  if (!end) return [];
  if (start instanceof Temporal.PlainDate !== end instanceof Temporal.PlainDate)
    return [{ field: 'end', message: 'Give both with a time, or both as days.' }];
  const order =
    start instanceof Temporal.PlainDate
      ? Temporal.PlainDate.compare(start, end as Temporal.PlainDate)
      : Temporal.PlainDateTime.compare(start, end as Temporal.PlainDateTime);
  return order < 0 ? [] : [{ field: 'end', message: 'It ends before it starts. Choose a later end.' }];
}

const momentIn = (zone: Zone, value: Temporal.PlainDate | Temporal.PlainDateTime): Moment =>
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

function visibilityOf(input: EntryInput, zone: Zone): Visibility {
  if (input.visibility.kind !== 'from') return input.visibility;
  const from = { wall: input.visibility.from, tzid: zone.tzid };
  return { kind: 'from', from, at: toInstant(zone, from.wall) };
}

/** An entry made from what was sent, in the zone of its term. `dateErrors` must have found nothing. */
export function entryFromInput(
  input: EntryInput,
  identity: Identity,
  zone: Zone,
  now: Temporal.Instant,
): Entry {
  const common = {
    ...identity,
    title: input.title,
    description: input.description,
    // One order, so that the same audience is the same bytes.
    audience: [...input.audience].sort((a, b) => (a.course < b.course ? -1 : 1)),
    links: input.links,
    visibility: visibilityOf(input, zone),
    tzid: zone.tzid,
    lastModified: now,
  };
  if (input.kind === 'event')
    return { ...common, kind: 'event', when: whenOf(input, zone), place: input.place };
  return {
    ...common,
    kind: 'assignment',
    setOn: input.setOn,
    due: momentIn(zone, input.due),
    setUid: `${identity.uid}-set`,
    handIn: input.handIn,
  };
}
