import { goneFrom } from '../series/recurrence';
import type { Temporal } from 'temporal-polyfill';
import { datesText } from '../entries/classDates';
import type { AssignmentEntry, Entry, SharedEntry } from '../entries/entry';
import { mainMoment } from '../entries/entry';
import { releaseAt } from '../entries/visibility';
import type { Moment } from '../time/zonedWall';
import { momentText } from '../time/zonedWall';
import type { ChangedField, EventType } from './event';

const at = (moment: Moment | undefined): string => (moment ? momentText(moment) : '');
const json = (value: unknown): string => JSON.stringify(value ?? null);

const sectionsText = (entry: AssignmentEntry): string =>
  (entry.sectionDates ?? []).map((dates) => `${dates.section} ${datesText(dates)}`).join();

/** What readers see of an entry, field by field, as text: the same text is the same to them. */
function fieldsOf(entry: SharedEntry): Partial<Record<ChangedField, string>> {
  const shared = {
    kind: entry.kind,
    title: entry.title,
    text: entry.description,
    date: at(mainMoment(entry)) + (entry.kind === 'assignment' ? sectionsText(entry) : ''),
    audience: json(entry.audience),
    // What staff alone follow is nobody else's news.
    links: json(entry.links.filter((link) => !link.staffOnly)),
    shown: json(entry.visibility),
    hidden: at(entry.hiddenAfter?.wall),
  };
  switch (entry.kind) {
    case 'event':
      return {
        ...shared,
        end: at(entry.when.end),
        place: entry.place,
        meeting: entry.meetingLink + entry.meetingName + entry.meetingText,
        occurrences: entry.recurrence ? json([entry.recurrence.rrule, goneFrom(entry.recurrence).map(momentText), entry.recurrence.overrides]) : '',
        coming: json(entry.coming && { seats: entry.coming.seats }),
      }; // prettier-ignore
    case 'assignment':
      return {
        ...shared,
        setOn: at(entry.setOn),
        opens: at(entry.opens),
        closes: at(entry.closes),
        handIn: entry.handIn,
        late: entry.latePolicy + json([entry.lateWork, entry.handInAgain]),
        points: json(entry.points),
        pacing: json(entry.pacing),
      };
    case 'announcement':
      return shared;
    default:
      return entry satisfies never;
  }
}

/** Which fields differ between two states of an entry. */
export function changedFields(before: SharedEntry, after: SharedEntry): ChangedField[] {
  const [was, is] = [fieldsOf(before), fieldsOf(after)];
  const names = new Set([...Object.keys(was), ...Object.keys(is)]) as Set<ChangedField>;
  return [...names].filter((name) => (was[name] ?? '') !== (is[name] ?? ''));
}

const DATES: ReadonlySet<ChangedField> = new Set(['date', 'setOn', 'opens', 'closes', 'end', 'occurrences']);

export type Happened = Readonly<{ type: EventType; fields: readonly ChangedField[] }>;

const extensionsText = (entry: Entry): string =>
  entry.kind === 'assignment'
    ? json(
        entry.extensions
          .map(({ person, due, closes, hiddenAfter }) => [person, at(due), at(closes), at(hiddenAfter?.wall)])
          .sort(),
      )
    : '';

/** Whether anybody's own dates differ. */
export const extendsOtherwise = (before: Entry, after: Entry): boolean =>
  extensionsText(before) !== extensionsText(after);

/**
 * What happened to an entry, in one word, the most important first; without fields where its readers cannot tell. What single
 * students are given is told apart (`extendsOtherwise`).
 */
export function entryHappened(was: Entry | undefined, is: Entry | undefined, now: Temporal.Instant): Happened {
  if (!was || !is) return { type: was ? 'entryDeleted' : 'entryAdded', fields: [] };
  if (was.kind === 'note' || is.kind === 'note') return { type: 'entryChanged', fields: [] };
  const fields = changedFields(was, is);
  if (was.cancelled === undefined && is.cancelled !== undefined) return { type: 'entryCalledOff', fields };
  if (was.cancelled !== undefined && is.cancelled === undefined) return { type: 'entryReinstated', fields };
  const [shownBefore, shownNow] = [was, is].map((entry) => releaseAt(entry, now) === 'shown');
  if (shownBefore && !shownNow) return { type: 'entryWithdrawn', fields };
  if (!shownBefore && shownNow) return { type: 'entryShown', fields };
  if (fields.some((field) => DATES.has(field))) return { type: 'entryMoved', fields };
  return { type: 'entryChanged', fields };
} // prettier-ignore
