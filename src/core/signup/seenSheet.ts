import type { Temporal } from 'temporal-polyfill';
import type { BookingId, SheetId, SlotId } from '../ids';
import { audienceSeenBy } from '../entries/audience';
import type { CourseAudience } from '../entries/entry';
import { ownPart } from '../entries/seenBy';
import type { Release } from '../entries/visibility';
import type { Viewer } from '../entries/viewer';
import type { Interval } from '../time/interval';
import type { Booking, Sheet } from './sheet';

/** A booking the viewer may see: one's own, or, as staff, everyone's. */
export type SeenBooking = Booking & Readonly<{ mine: boolean }>;

export type SeenSlot = Readonly<{
  id: SlotId;
  interval: Interval;
  seats: number;
  taken: number;
  /** Others' bookings are counted in `taken`, but are here for staff only. */
  bookings: readonly SeenBooking[];
  mine?: BookingId;
}>;

export type SeenSheet = Readonly<{
  id: SheetId;
  uid: string;
  title: string;
  audience: readonly CourseAudience[];
  hostNames: readonly string[];
  place: string;
  /** Empty for whoever may not join: a public or roster outlet never carries a meeting link. */
  meetingLink: string;
  timesPerStudent: number;
  tzid: string;
  sequence: number;
  created: Temporal.Instant;
  lastModified: Temporal.Instant;
  release: Release;
  asStaff: boolean;
  slots: readonly SeenSlot[];
}>;

/** What a viewer may see of a sheet: the same gate as `seenBy`, for the one thing students write to. */
export function seenSheet(viewer: Viewer, sheet: Sheet): SeenSheet | undefined {
  const seen = audienceSeenBy(viewer, sheet.audience);
  if (!seen) return undefined;
  if (!seen.asStaff && !sheet.offered) return undefined;
  const { hosts, offered, slots, ...common } = sheet;
  return {
    ...common,
    audience: seen.asStaff ? seen.parts : seen.parts.map((part) => ownPart(viewer, part)),
    hostNames: hosts.map((host) => host.name),
    meetingLink: viewer.kind === 'person' ? sheet.meetingLink : '',
    release: offered ? 'shown' : 'draft',
    asStaff: seen.asStaff,
    slots: slots.map((slot) => {
      const marked = slot.bookings.map((booking) => ({
        ...booking,
        mine: viewer.kind === 'person' && booking.person === viewer.id,
      }));
      return {
        id: slot.id,
        interval: slot.interval,
        seats: slot.seats,
        taken: slot.bookings.length,
        bookings: seen.asStaff ? marked : marked.filter((booking) => booking.mine),
        mine: marked.find((booking) => booking.mine)?.id,
      };
    }),
  };
}
