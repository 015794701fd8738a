import type { Temporal } from 'temporal-polyfill';
import type { BookingId, PersonId, SheetId, SlotId } from '../ids';
import type { CourseAudience } from '../entries/entry';
import type { Interval } from '../time/interval';

export type Booking = Readonly<{
  id: BookingId;
  uid: string;
  /** From 1; unique within the time. */
  seat: number;
  person: PersonId;
  personName: string;
  note: string;
  sequence: number;
  created: Temporal.Instant;
  lastModified: Temporal.Instant;
}>;

/** A bookable time. One booking for each seat taken. */
export type Slot = Readonly<{ id: SlotId; interval: Interval; seats: number; bookings: readonly Booking[] }>;

export type Sheet = Readonly<{
  id: SheetId;
  uid: string;
  title: string;
  audience: readonly CourseAudience[];
  hosts: readonly Readonly<{ id: PersonId; name: string }>[];
  place: string;
  meetingLink: string;
  /** How many times one student may hold on this sheet at once, past ones included. */
  timesPerStudent: number;
  offered: boolean;
  tzid: string;
  sequence: number;
  created: Temporal.Instant;
  lastModified: Temporal.Instant;
  /** Earliest first. */
  slots: readonly Slot[];
}>;
