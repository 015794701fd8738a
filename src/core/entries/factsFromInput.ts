import { entryTexts } from '../texts/entries';
import { sameNumber } from '../time/classNumber';
import { Temporal } from 'temporal-polyfill';
import type { EntryId, PersonId } from '../ids';
import type { FieldError } from '../refusals';
import { sanitize } from '../richText/sanitize';
import { entryErrorTexts as say } from '../texts/entryErrors';
import { firstOccurrence } from '../series/firstOccurrence';
import type { Recurrence } from '../series/recurrence';
import type { Zone } from '../time/zone';
import { instantMs } from '../time/zone';
import type { Moment } from '../time/zonedWall';
import type { Course } from '../plan/plan';
import { isDay, wallOrder } from '../time/zonedWall';
import { DATE_FIELDS, classDates } from './classDates';
import type { AssignmentEntry, Entry, EventEntry, SectionDates, SharedEntry, When } from './entry';
import type { EntryInput } from './entryInput';
import type { EntryFacts } from './facts';
import { hiddenAfterOf } from './visibility';
import type { PlainVisibility } from './entry';

export type Identity = Readonly<{
  id: EntryId;
  uid: string;
  /** Whose note it would be. */
  author: PersonId;
}>;
type Plain = Temporal.PlainDate | Temporal.PlainDateTime;

/** Compares days with wall times: a day that closes something closes at its end, one that opens it at its beginning. */
const atOf = (value: Plain, edge: 'begins' | 'ends'): Temporal.PlainDateTime =>
  value instanceof Temporal.PlainDate
    ? value.toPlainDateTime(edge === 'begins' ? '00:00' : '23:59:59')
    : value;

type AssignmentInput = Extract<EntryInput, { kind: 'assignment' }>;
/** What was sent, with the dates that follow classes filled in. */
export type DatedInput = Exclude<EntryInput, AssignmentInput> | (AssignmentInput & Readonly<{ due: Plain }>);

/** Fills in the dates that follow classes; `courses` are those of the audience. Names what has no such class. */
export function datedInput(
  input: EntryInput,
  courses: readonly Course[],
  tzid: string,
): { ok: true; input: DatedInput } | { ok: false; errors: FieldError[] } {
  if (input.kind !== 'assignment') return { ok: true, input };
  const moment = (value: Plain | undefined) => value && momentIn({ tzid }, value);
  const fixed = {
    setOn: input.setOn,
    opens: moment(input.opens),
    due: moment(input.due),
    closes: moment(input.closes),
  };
  const refs = input.atClass ?? {};
  const { dates, missing } = classDates(refs, fixed, { audience: input.audience, courses, tzid });
  if (missing.length > 0 || !dates.due)
    return {
      ok: false,
      errors: missing.map((field) => ({
        field: `atClass.${field}`,
        message: `There is no ${entryTexts.classNumber(refs[field]!)} in these courses.`,
      })),
    };
  return {
    ok: true,
    input: {
      ...input,
      setOn: dates.setOn,
      opens: dates.opens && plainOf(dates.opens),
      due: plainOf(dates.due),
      closes: dates.closes && plainOf(dates.closes),
    },
  };
}

const plainOf = (moment: Moment): Plain => (isDay(moment) ? moment : moment.wall);

/** What the schema cannot say: how the dates of an entry hang together. */
export function dateErrors(input: DatedInput): FieldError[] {
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

/** How the dates of an assignment must lie. */
function assignmentErrors({
  due,
  setOn,
  opens,
  closes,
}: Pick<Extract<DatedInput, { kind: 'assignment' }>, 'due' | 'setOn' | 'opens' | 'closes'>): FieldError[] {
  const dueAt = atOf(due, 'ends');
  const later = (a: Temporal.PlainDateTime, b: Temporal.PlainDateTime) => wallOrder(a, b) > 0;
  const errors: FieldError[] = [];
  if (setOn && later(atOf(setOn, 'begins'), dueAt)) errors.push({ field: 'setOn', message: say.setAfterDue });
  if (opens && later(atOf(opens, 'begins'), dueAt))
    errors.push({ field: 'opens', message: say.opensAfterDue });
  if (closes && later(dueAt, atOf(closes, 'ends')))
    errors.push({ field: 'closes', message: say.closesBeforeDue });
  return errors;
}

/** The same for the facts of an assignment. */
export const datesOutOfOrder = ({
  due,
  setOn,
  opens,
  closes,
}: Pick<SectionDates, 'due' | 'setOn' | 'opens' | 'closes'>): FieldError[] =>
  assignmentErrors({
    due: plainOf(due),
    setOn,
    opens: opens && plainOf(opens),
    closes: closes && plainOf(closes),
  });

function eventErrors({ start, end }: Extract<EntryInput, { kind: 'event' }>): FieldError[] {
  if (!end) return [];
  if (start instanceof Temporal.PlainDate !== end instanceof Temporal.PlainDate)
    return [{ field: 'end', message: say.mixed }];
  const order =
    start instanceof Temporal.PlainDate
      ? Temporal.PlainDate.compare(start, end as Temporal.PlainDate)
      : wallOrder(start, end as Temporal.PlainDateTime);
  return order < 0 ? [] : [{ field: 'end', message: say.endsFirst }];
}

const momentIn = (zone: Pick<Zone, 'tzid'>, value: Plain): Moment =>
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
 * The facts of what was sent, in the zone of its term; `dateErrors` must have found nothing. `before` is the entry
 * it takes the place of: what the input does not carry (replies, single occurrences that differ) stays.
 */
export function factsFromInput(
  input: DatedInput,
  { author, ...identity }: Identity,
  zone: Zone,
  before?: Entry,
): EntryFacts {
  const text = {
    ...identity,
    title: input.title,
    description: sanitize(input.description),
    tzid: zone.tzid,
    ...(before?.sourceUid === undefined ? {} : { sourceUid: before.sourceUid }),
  };
  if (input.kind === 'note') {
    const about = before?.kind === 'note' ? before.about : input.about;
    return { ...text, kind: 'note', on: momentIn(zone, input.on), author, ...(about ? { about } : {}) };
  }
  const shared = {
    ...text,
    // One order, so that the same audience is the same bytes.
    audience: [...input.audience].sort((a, b) => (a.course < b.course ? -1 : 1)),
    links: input.links,
    visibility: plainVisibility(input.visibility, zone),
    hiddenAfter: input.hiddenAfter && { wall: { wall: input.hiddenAfter, tzid: zone.tzid } },
    ...((before as SharedEntry | undefined)?.cancelled === undefined
      ? {}
      : { cancelled: (before as SharedEntry).cancelled }),
  };
  switch (input.kind) {
    case 'event': {
      const plain = whenOf(input, zone);
      const when = input.rrule ? withRule(plain, input.rrule) : plain;
      const old = before?.kind === 'event' ? before : undefined;
      return {
        ...shared,
        kind: 'event',
        when,
        place: input.place,
        meetingLink: input.meetingLink,
        meetingName: input.meetingName,
        meetingText: input.meetingText,
        ...(input.rrule ? { recurrence: recurrenceOf(input.rrule, old, input.skipsClosures) } : {}),
        ...(input.coming ? { coming: { ...input.coming, replies: old?.coming?.replies ?? [] } } : {}),
      };
    }
    case 'assignment': {
      const due = momentIn(zone, input.due);
      return {
        ...shared,
        kind: 'assignment',
        setOn: input.setOn,
        opens: input.opens && momentIn(zone, input.opens),
        due,
        closes: input.closes && momentIn(zone, input.closes),
        setUid: `${identity.uid}-set`,
        handIn: input.handIn,
        ...(input.lateWork ? { lateWork: input.lateWork } : {}),
        ...(input.handInAgain === undefined ? {} : { handInAgain: input.handInAgain }),
        latePolicy: input.latePolicy,
        points: input.points,
        effortMinutes: input.effortMinutes,
        ...(input.pacing ? { pacing: input.pacing } : {}),
        ...(before?.kind === 'assignment' && before.starts ? { starts: before.starts } : {}),
        ...(input.atClass ? { atClass: refsFrom(input.atClass, before) } : {}),
        extensions: input.extensions.map((e) => ({
          person: e.person,
          name: '',
          due: momentIn(zone, e.due),
          ...(e.closes ? { closes: momentIn(zone, e.closes) } : {}),
          ...(e.hiddenAfter
            ? { hiddenAfter: hiddenAfterOf({ wall: e.hiddenAfter, tzid: zone.tzid }, zone) }
            : {}),
        })),
      };
    }
    case 'announcement':
      return { ...shared, kind: 'announcement', on: input.on };
    default:
      return input satisfies never;
  }
}

/** Classes by number; what a slide gave to single sections stays with a number that stays. */
function refsFrom(sent: NonNullable<AssignmentInput['atClass']>, before?: Entry): AssignmentEntry['atClass'] {
  const old = before?.kind === 'assignment' ? (before.atClass ?? {}) : {};
  const refs = DATE_FIELDS.flatMap((field) => {
    const ref = sent[field];
    if (!ref) return [];
    const sections = sameNumber(old[field], ref) ? old[field]?.sections : undefined;
    return [[field, { ...ref, ...(sections ? { sections } : {}) }] as const];
  });
  return refs.length > 0 ? Object.fromEntries(refs) : undefined;
}

function plainVisibility(
  visibility: Exclude<EntryInput, { kind: 'note' }>['visibility'],
  zone: Zone,
): PlainVisibility {
  return visibility.kind === 'from'
    ? { kind: 'from', from: { wall: visibility.from, tzid: zone.tzid } }
    : visibility;
}

function recurrenceOf(rrule: string, entry: EventEntry | undefined, skips: boolean | undefined): Recurrence {
  const before = entry?.recurrence;
  const closed = (skips ?? before?.closed !== undefined) ? { closed: before?.closed ?? [] } : {};
  return { rrule, exdates: before?.exdates ?? [], ...closed, overrides: before?.overrides ?? [] };
}

/** The instant a moment is indexed by: the wall time's, or the start of the day in the zone. */
export const indexMs = (moment: Moment, zone: Zone): number =>
  instantMs(zone, moment instanceof Temporal.PlainDate ? moment.toPlainDateTime() : moment.wall);
