import { Temporal } from 'temporal-polyfill';
import type { AssignmentEntry, EventEntry } from '@/core/entries/entry';
import type {
  BookingId,
  CourseId,
  EntryId,
  MeetingId,
  PersonId,
  SectionId,
  SheetId,
  SlotId,
  TermId,
} from '@/core/ids';
import type { Viewer } from '@/core/entries/viewer';
import type { Course, Plan } from '@/core/plan/plan';
import type { Booking, Sheet } from '@/core/signup/sheet';
import { DEFAULT_RULES } from '@/core/signup/sheet';
import type { Meeting } from '@/core/time/meetings';
import { toInstant } from '@/core/time/zone';
import { requireZone } from '@/core/time/zoneData';
import { zonedWall } from '@/core/time/zonedWall';

/** Small pieces of a plan for unit tests: one course HL with section A, another NV without any. */
export const TZID = 'America/Halifax';
export const NOW = Temporal.Instant.from('2026-10-13T12:00Z');
export const HL = 'hl' as CourseId;
export const NV = 'nv' as CourseId;
export const SECTION_A = 'a' as SectionId;
export const MAREN = 'maren' as PersonId;
export const IVO = 'ivo' as PersonId;
export const ODA = 'oda' as PersonId;
export const day = (text: string) => Temporal.PlainDate.from(text);
export const time = (text: string) => Temporal.PlainTime.from(text);
export const at = (text: string) => zonedWall(text, TZID);
export const instant = (text: string) => toInstant(requireZone(TZID), Temporal.PlainDateTime.from(text));

export const term = {
  id: 't' as TermId,
  name: 'Autumn 2026',
  startsOn: day('2026-09-08'),
  endsOn: day('2026-12-18'),
  tzid: TZID,
};

export const meeting = (changes: Partial<Meeting> = {}): Meeting => ({
  id: 'm1' as MeetingId, key: '2026-10-13', ordinal: 11, date: day('2026-10-13'), start: time('10:00'), end: time('11:50'), moved: false, sequence: 0, lastModified: NOW, ...changes,
}); // prettier-ignore

export const course = (changes: Partial<Course> = {}): Course => ({
  sharesTitles: false,
  id: HL, term: term.id, code: 'HL 210', title: 'Hull lofting', tag: 'HL', color: 'brick', place: 'The loft', meetingLink: '',
  staff: [{ id: MAREN, name: 'Maren Toft', role: 'instructor' }], students: 20,
  sections: [{ id: SECTION_A, name: 'A', students: 20, patterns: [], meetings: [] }], groups: [], themes: new Map(), archived: false, ...changes,
}); // prettier-ignore

export const navigation = (changes: Partial<Course> = {}): Course =>
  course({
    id: NV,
    code: 'NV 140',
    title: 'Coastal navigation',
    tag: 'NV',
    color: 'sea',
    sections: [],
    students: 12,
    ...changes,
  });

const common = {
  description: '', audience: [{ course: HL }], links: [], visibility: { kind: 'visible' }, tzid: TZID, sequence: 0, created: NOW, lastModified: NOW,
} as const; // prettier-ignore

export const event = (changes: Partial<EventEntry> = {}): EventEntry => ({
  ...common, kind: 'event', id: 'e1' as EntryId, uid: 'uid-e1', title: 'Rope walk', place: '', meetingLink: '', meetingName: '', meetingText: '', when: { kind: 'timed', start: at('2026-10-13T14:00'), end: at('2026-10-13T15:00') }, ...changes,
}); // prettier-ignore

export const assignment = (changes: Partial<AssignmentEntry> = {}): AssignmentEntry => ({
  ...common, kind: 'assignment', id: 'w1' as EntryId, uid: 'uid-w1', setUid: 'uid-w1-set', title: 'Body plan', setOn: day('2026-10-08'), due: at('2026-10-15T17:00'), handIn: 'On paper', latePolicy: '', extensions: [], ...changes,
}); // prettier-ignore

export const booking = (changes: Partial<Booking> = {}): Booking => ({
  id: 'b1' as BookingId, uid: 'uid-b1', seat: 1, person: IVO, personName: 'Ivo Saltmarsh', note: 'My stem', answer: '', meetingLink: '', sequence: 0, created: NOW, lastModified: NOW, ...changes,
}); // prettier-ignore

/** A sheet of half-hour times from noon of a day on, one booking list for each. */
export const sheet = (bookings: readonly (readonly Booking[])[], changes: Partial<Sheet> = {}, date = '2026-10-15'): Sheet => ({
  id: 'sheet' as SheetId, uid: 'uid-sheet', title: 'Office hours', audience: [{ course: HL }], hosts: [{ id: MAREN, name: 'Maren Toft' }],
  place: 'Loft office', meetingLink: 'https://meet.example/1', rules: DEFAULT_RULES, uses: { count: 0 }, offered: true, tzid: TZID, sequence: 0, created: NOW, lastModified: NOW,
  slots: bookings.map((list, i) => {
    const start = instant(`${date}T12:00`).add({ minutes: 30 * i });
    return { id: `slot${i}` as SlotId, interval: { start, end: start.add({ minutes: 25 }) }, seats: 1, bookings: list, waiting: [] };
  }), ...changes,
}); // prettier-ignore

export const plan = (parts: Partial<Plan> = {}): Plan => ({
  locale: 'en-GB',
  terms: [term],
  courses: [course()],
  closures: [],
  siteDates: [],
  classPlans: [],
  entries: [],
  sheets: [],
  materials: [],
  calendars: [],
  tombstones: [],
  ...parts,
});

export const staff = (...courses: CourseId[]): Extract<Viewer, { kind: 'person' }> => ({
  kind: 'person',
  id: MAREN,
  staffOf: new Set(courses),
  instructs: new Set(courses),
  helps: new Map(),
  memberOf: new Map(),
  groups: new Set(),
});
export const student = (
  id: PersonId = IVO,
  section: SectionId | undefined = SECTION_A,
): Extract<Viewer, { kind: 'person' }> => ({
  kind: 'person',
  id,
  staffOf: new Set(),
  instructs: new Set(),
  helps: new Map(),
  memberOf: new Map([[HL, section]]),
  groups: new Set(),
});
