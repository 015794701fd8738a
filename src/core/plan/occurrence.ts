import type { ClosedHours, Closure } from '../time/closure';
import type { Temporal } from 'temporal-polyfill';
import type { Link } from '../entries/entry';
import type { Release } from '../entries/visibility';
import type { BookingId, CalendarId, ClassPlanId, CourseId, EntryId, MeetingId, SheetId } from '../ids';
import type { SeenSlot } from '../signup/seenSheet';
import type { ClassNumber } from '../time/classNumber';
import type { Moment } from '../time/zonedWall';

type Common = Readonly<{
  uid: string;
  /** Which of a series this is: the moment its rule names. */
  recurrenceId?: Moment;
  /** Called off, visibly; the reason may be empty. */
  cancelled?: string;
  title: string;
  start: Moment;
  end?: Moment;
  tzid: string;
  courses: readonly CourseId[];
  release: Release;
  asStaff: boolean;
  /** What of it is different since its viewer looked. */
  news?: NewsKind;
}>;

export type NewsKind = 'new' | 'moved' | 'cancelled' | 'takesPlace' | 'changed' | 'gone' | 'answered';

/** One line of a plan on one day (or over several), whatever it comes from. */
export type Occurrence = Common &
  (
    | Readonly<{
        kind: 'event';
        entry: EntryId;
        place: string;
        meetingLink: string;
        meetingName: string;
        links: readonly Link[];
        /** Own place in the series: of one that repeats. */
        repeats: boolean;
      }>
    | Readonly<{ kind: 'announcement' | 'note'; entry: EntryId; links: readonly Link[] }>
    | Readonly<{
        kind: 'class';
        number: ClassNumber;
        /** Where the viewer sees classes of several sections of the course. */
        sectionName?: string;
        meeting: MeetingId;
        course: CourseId;
        place: string;
        meetingLink: string;
        plan?: ClassPlanId;
        /** Whether the viewer plans it. */
        edits: boolean;
        links: readonly Link[];
      }>
    | (Readonly<{ kind: 'closure' }> & ClosedHours & Pick<Closure, 'sectionNames'>)
    | Readonly<{ kind: 'siteDate' }>
    | Readonly<{ kind: 'outside'; calendar: CalendarId; calendarName: string; place: string; url: string }>
    | Readonly<{ kind: 'set'; entry: EntryId; due: Moment; links: readonly Link[] }>
    | Readonly<{
        kind: 'due';
        entry: EntryId;
        handIn: string;
        setOn?: Temporal.PlainDate;
        /** The viewer's own due time, later (or earlier) than the others'. */
        extended: boolean;
        /** Due by own starts: on the viewer's own date, or the last day of all. */
        paced?: 'own' | 'last';
        /** The date of some sections only, which follows their class: it is not moved by itself. */
        variant: boolean;
        links: readonly Link[];
      }>
    | Readonly<{ kind: 'times'; sheet: SheetId; slots: readonly SeenSlot[] }>
    | Readonly<{
        kind: 'booking';
        sheet: SheetId;
        booking: BookingId;
        mine: boolean;
        /** The hosts to the student, the student to the hosts. */
        withNames: readonly string[];
        note: string;
        place: string;
        meetingLink: string;
      }>
  );
