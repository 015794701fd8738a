import { Temporal } from 'temporal-polyfill';
import type {
  Answer,
  AssignmentEntry,
  Entry,
  LateWork,
  SectionDates,
  SharedEntry,
} from '@/core/entries/entry';
import { mainMoment } from '@/core/entries/entry';
import { indexMs } from '@/core/entries/factsFromInput';
import { hiddenAfterOf, visibilityFor } from '@/core/entries/visibility';
import type { PlainVisibility } from '@/core/entries/entry';
import type { OwnStart, Pacing } from '@/core/entries/pacing';
import type { EntryId, FileId, MaterialId, PersonId, SectionId } from '@/core/ids';
import { requireZone } from '@/core/time/zoneData';
import type { Moment } from '@/core/time/zonedWall';
import { isDay, momentFrom, momentText, zonedWall } from '@/core/time/zonedWall';
import { fromAudience, toAudience } from '../audiences';
import { partId } from '../partId';
import type { Rows } from '../rows';
import { fromOverride, toRecurrence } from './recurrenceRows';

type EntryRow = Rows['entries'];
type Named<T extends 'extensions' | 'replies'> = Rows[T] & { person_name: string };
export type EntryParts = Readonly<{
  audiences: readonly Rows['entry_audiences'][];
  links: readonly Rows['links'][];
  extensions: readonly Named<'extensions'>[];
  replies: readonly Named<'replies'>[];
  /** Left out of what is past. */
  starts?: readonly OwnStart[];
}>;

type StoredSectionDates = Readonly<{
  section: SectionId;
  name: string;
  setOn?: string;
  opens?: string;
  due: string;
  closes?: string;
}>;

const fromSectionDates = ({
  section,
  name,
  setOn,
  opens,
  due,
  closes,
}: SectionDates): StoredSectionDates => ({
  section,
  name,
  setOn: setOn && momentText(setOn),
  opens: opens && momentText(opens),
  due: momentText(due),
  closes: closes && momentText(closes),
});

const toSectionDates = (json: string, tzid: string): SectionDates[] =>
  (JSON.parse(json) as StoredSectionDates[]).map(({ setOn, opens, due, closes, ...of }) => ({
    ...of,
    setOn: setOn === undefined ? undefined : Temporal.PlainDate.from(setOn),
    opens: opens === undefined ? undefined : momentFrom(opens, tzid),
    due: momentFrom(due, tzid),
    closes: closes === undefined ? undefined : momentFrom(closes, tzid),
  }));

function plainVisibility(row: EntryRow): PlainVisibility {
  if (row.visibility === 'from' && row.shown_from !== null)
    return { kind: 'from', from: zonedWall(row.shown_from, row.tzid) };
  if (row.visibility === 'before') return { kind: 'before', days: row.shown_days_before ?? 0 };
  return { kind: row.visibility === 'draft' ? 'draft' : 'visible' };
}

/** Reads `14 days` or `2 weeks`. */
export function toPacing(stored: string): Pacing {
  const [count, unit] = stored.split(' ');
  return { unit: unit === 'weeks' ? 'weeks' : 'days', count: Number(count) };
}

/** A row with everything that hangs on it as an entry. */
export function toEntry(
  row: EntryRow,
  { audiences, links, extensions, replies, starts = [] }: EntryParts,
): Entry {
  const zone = requireZone(row.tzid);
  const moment = (text: string) => momentFrom(text, row.tzid);
  const optional = (text: string | null) => (text === null ? undefined : moment(text));
  const start = moment(row.start_local);
  const text = {
    id: row.id as EntryId,
    uid: row.uid,
    title: row.title,
    description: row.description,
    tzid: row.tzid,
    sequence: row.sequence,
    ...(row.source_uid === null ? {} : { sourceUid: row.source_uid }),
    created: Temporal.Instant.fromEpochMilliseconds(row.created_at),
    lastModified: Temporal.Instant.fromEpochMilliseconds(row.modified_at),
  };
  if (row.kind === 'note')
    return {
      ...text,
      kind: 'note',
      on: start,
      author: row.author_id as PersonId,
      ...(row.about_id === null ? {} : { about: row.about_id as EntryId }),
    };
  const shared = {
    ...text,
    audience: audiences.map(toAudience),
    links: [...links]
      .sort((a, b) => a.position - b.position)
      .map((link) => ({
        url: link.url,
        label: link.label,
        staffOnly: link.staff_only === 1,
        ...(link.material_id ? { material: link.material_id as MaterialId } : {}),
        ...(link.file_id ? { file: link.file_id as FileId } : {}),
      })),
    visibility: visibilityFor(plainVisibility(row), start, zone),
    hiddenAfter:
      row.hidden_after === null ? undefined : hiddenAfterOf(zonedWall(row.hidden_after, row.tzid), zone),
    ...(row.cancelled === null ? {} : { cancelled: row.cancelled }),
  };
  if (row.kind === 'announcement')
    return { ...shared, kind: 'announcement', on: isDay(start) ? start : start.wall.toPlainDate() };
  if (row.kind === 'assignment')
    return {
      ...shared,
      kind: 'assignment',
      due: start,
      setOn: row.set_on === null ? undefined : Temporal.PlainDate.from(row.set_on),
      opens: optional(row.opens_local),
      closes: optional(row.closes_local),
      setUid: row.set_uid ?? `${row.uid}-set`,
      handIn: row.hand_in,
      ...(row.late_work === null ? {} : { lateWork: row.late_work as LateWork }),
      ...(row.hand_in_again === null ? {} : { handInAgain: row.hand_in_again === 1 }),
      latePolicy: row.late_policy,
      points: row.points ?? undefined,
      effortMinutes: row.effort_minutes ?? undefined,
      ...(row.pacing === null ? {} : { pacing: toPacing(row.pacing), starts }),
      ...(row.class_refs ? { atClass: JSON.parse(row.class_refs) as AssignmentEntry['atClass'] } : {}),
      ...(row.section_dates ? { sectionDates: toSectionDates(row.section_dates, row.tzid) } : {}),
      extensions: extensions.map((e) => ({
        person: e.person_id as PersonId,
        name: e.person_name,
        due: moment(e.due_local),
        ...(e.closes_local ? { closes: moment(e.closes_local) } : {}),
        ...(e.hidden_after ? { hiddenAfter: hiddenAfterOf(zonedWall(e.hidden_after, row.tzid), zone) } : {}),
        ...(e.arranged ? { arranged: true as const } : {}),
      })),
    };
  const end = optional(row.end_local);
  const recurrence = toRecurrence(row);
  return {
    ...shared,
    kind: 'event',
    when: isDay(start)
      ? { kind: 'days', start, end: end && isDay(end) ? end : start.add({ days: 1 }) }
      : { kind: 'timed', start, end: end && !isDay(end) ? end : undefined },
    place: row.place,
    meetingLink: row.meeting_link,
    meetingName: row.meeting_name,
    meetingText: row.meeting_text,
    ...(recurrence ? { recurrence } : {}),
    ...(row.asks_coming === 1
      ? {
          coming: {
            seats: row.seats ?? undefined,
            replies: replies.map((reply) => ({
              person: reply.person_id as PersonId,
              name: reply.person_name,
              answer: reply.answer as Answer,
              ...(reply.waiting_since === null
                ? {}
                : { waitingSince: Temporal.Instant.fromEpochMilliseconds(Number(reply.waiting_since)) }),
            })),
          },
        }
      : {}),
  };
}

const textOf = (moment: Moment | undefined) => (moment ? momentText(moment) : null);

const visibilityColumns = ({ visibility, hiddenAfter, cancelled }: SharedEntry) => ({
  visibility: visibility.kind,
  shown_from: visibility.kind === 'from' ? momentText(visibility.from) : null,
  shown_days_before: visibility.kind === 'before' ? visibility.days : null,
  hidden_after: hiddenAfter ? momentText(hiddenAfter.wall) : null,
  cancelled: cancelled ?? null,
});

const NOTHING = {
  end_local: null,
  set_on: null,
  set_uid: null,
  place: '',
  hand_in: '',
  visibility: 'visible',
  shown_from: null,
  shown_days_before: null,
  hidden_after: null,
  cancelled: null,
  author_id: null,
  meeting_link: '',
  meeting_name: '',
  meeting_text: '',
  rrule: null,
  exdates: null,
  closed: null,
  overrides: null,
  asks_coming: 0,
  seats: null,
  opens_local: null,
  closes_local: null,
  class_refs: null,
  section_dates: null,
  late_work: null,
  hand_in_again: null,
  late_policy: '',
  points: null,
  effort_minutes: null,
  pacing: null,
  source_uid: null,
  about_id: null,
} as const satisfies Partial<EntryRow>;

export function fromEntry(entry: Entry): EntryRow {
  const start = mainMoment(entry);
  const common = {
    ...NOTHING,
    id: entry.id,
    uid: entry.uid,
    source_uid: entry.sourceUid ?? null,
    kind: entry.kind,
    title: entry.title,
    description: entry.description,
    tzid: entry.tzid,
    start_local: momentText(start),
    start_at: indexMs(start, requireZone(entry.tzid)),
    sequence: entry.sequence,
    created_at: entry.created.epochMilliseconds,
    modified_at: entry.lastModified.epochMilliseconds,
  };
  switch (entry.kind) {
    case 'event':
      return {
        ...common,
        ...visibilityColumns(entry),
        end_local: textOf(entry.when.end),
        place: entry.place,
        meeting_link: entry.meetingLink,
        meeting_name: entry.meetingName,
        meeting_text: entry.meetingText,
        rrule: entry.recurrence?.rrule ?? null,
        exdates: entry.recurrence ? JSON.stringify(entry.recurrence.exdates.map(momentText)) : null,
        closed: entry.recurrence?.closed ? JSON.stringify(entry.recurrence.closed.map(momentText)) : null,
        overrides: entry.recurrence ? JSON.stringify(entry.recurrence.overrides.map(fromOverride)) : null,
        asks_coming: entry.coming ? 1 : 0,
        seats: entry.coming?.seats ?? null,
      };
    case 'assignment':
      return {
        ...common,
        ...visibilityColumns(entry),
        set_on: entry.setOn ? entry.setOn.toString() : null,
        set_uid: entry.setUid,
        hand_in: entry.handIn,
        opens_local: textOf(entry.opens),
        closes_local: textOf(entry.closes),
        class_refs: entry.atClass ? JSON.stringify(entry.atClass) : null,
        section_dates: entry.sectionDates ? JSON.stringify(entry.sectionDates.map(fromSectionDates)) : null,
        late_work: entry.lateWork ?? null,
        hand_in_again: entry.handInAgain === undefined ? null : Number(entry.handInAgain),
        late_policy: entry.latePolicy,
        points: entry.points ?? null,
        effort_minutes: entry.effortMinutes ?? null,
        pacing: entry.pacing ? `${entry.pacing.count} ${entry.pacing.unit}` : null,
      };
    case 'announcement':
      return { ...common, ...visibilityColumns(entry) };
    case 'note':
      return { ...common, author_id: entry.author, about_id: entry.about ?? null };
    default:
      return entry satisfies never;
  }
}

export const audienceRows = (entry: SharedEntry): Rows['entry_audiences'][] =>
  entry.audience.map((part, i) => {
    const nth = entry.audience.slice(0, i).filter(({ course }) => course === part.course).length;
    return { id: partId(entry.id, 'audience', part.course, nth), entry_id: entry.id, ...fromAudience(part) };
  });

export const linkRows = (entry: SharedEntry): Rows['links'][] =>
  entry.links.map((link, position) => ({
    id: partId(entry.id, 'link', position),
    entry_id: entry.id,
    position,
    url: link.url,
    label: link.label,
    staff_only: link.staffOnly ? 1 : 0,
    material_id: link.material ?? null,
    file_id: link.file ?? null,
  }));

export const extensionRows = (entry: SharedEntry): Rows['extensions'][] =>
  entry.kind === 'assignment'
    ? entry.extensions.map((e) => ({
        id: partId(entry.id, 'extension', e.person),
        entry_id: entry.id,
        person_id: e.person,
        due_local: momentText(e.due),
        closes_local: textOf(e.closes),
        hidden_after: e.hiddenAfter ? momentText(e.hiddenAfter.wall) : null,
        arranged: e.arranged ? 1 : 0,
      }))
    : [];
