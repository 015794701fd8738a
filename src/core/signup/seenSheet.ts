import { Temporal } from 'temporal-polyfill';
import { audienceSeenBy } from '../entries/audience';
import type { CourseAudience } from '../entries/entry';
import { ownPart } from '../entries/seenBy';
import type { Viewer } from '../entries/viewer';
import { getsMeetingLinks, isStaffOf, readsPart } from '../entries/viewer';
import type { Release } from '../entries/visibility';
import type { BookingId, PersonId, SheetId, SlotId } from '../ids';
import type { Interval } from '../time/interval';
import type { Booking, Sheet, SheetRules, Slot, Waiting } from './sheet';
import { meetsAt } from './meetsAt';
import { hostsOf, keptSeats } from './sheet';

/** A booking the viewer may see: one's own, or, as staff, everyone's. */
export type SeenBooking = Booking & Readonly<{ mine: boolean }>;

export type SeenSlot = Readonly<{
  id: SlotId;
  interval: Interval;
  seats: number;
  taken: number;
  /** Whose time it is: of that host alone, or of all. */
  hostNames: readonly string[];
  hostIds: readonly PersonId[];
  /** Where one meets at this time; the link empty like the sheet's. */
  place: string;
  meetingLink: string;
  /** Whether that is elsewhere than the sheet says. */
  elsewhere: boolean;
  /** Others' bookings are counted in `taken`, but are here for staff only. */
  bookings: readonly SeenBooking[];
  mine?: BookingId;
  /** Who else comes, where that is shown to those who come. */
  companions: readonly string[];
  /** Of those who wait: all for staff, oneself for others. */
  waiting: readonly Waiting[];
  waitingCount: number;
  /** Seats kept for those of the waiting list who have an offer, the viewer's own aside. */
  kept: number;
}>;

export type SeenSheet = Readonly<{
  id: SheetId;
  uid: string;
  title: string;
  audience: readonly CourseAudience[];
  hosts: readonly Readonly<{ id: PersonId; name: string }>[];
  hostNames: readonly string[];
  place: string;
  /** Empty for whoever may not join: a public or roster outlet never carries a meeting link. */
  meetingLink: string;
  rules: SheetRules;
  uses: Sheet['uses'];
  tzid: string;
  sequence: number;
  created: Temporal.Instant;
  lastModified: Temporal.Instant;
  release: Release;
  asStaff: boolean;
  slots: readonly SeenSlot[];
}>;

/** What a viewer may see of a sheet: the same gate as `seenBy`, for the one thing students write to. */
export function seenSheet(viewer: Viewer, sheet: Sheet, now: Temporal.Instant): SeenSheet | undefined {
  if (!readsPart(viewer, 'hours')) return undefined;
  const seen = audienceSeenBy(viewer, sheet.audience);
  if (!seen || !isForHelper(viewer, sheet)) return undefined;
  if (!seen.asStaff && !sheet.offered) return undefined;
  const { offered, slots, ...common } = sheet;
  const known = viewer.kind === 'person' && getsMeetingLinks(viewer);
  const own = viewer.kind === 'person' ? viewer.id : undefined;
  const comes = slots.some((slot) => slot.bookings.some((booking) => booking.person === own));
  return {
    ...common,
    audience: seen.asStaff ? seen.parts : seen.parts.map((part) => ownPart(viewer, part)),
    hostNames: sheet.hosts.map((host) => host.name),
    meetingLink: known ? sheet.meetingLink : '',
    rules: {
      ...sheet.rules,
      // Links are for those who come.
      links: seen.asStaff
        ? sheet.rules.links
        : comes
          ? sheet.rules.links.filter((link) => !link.staffOnly)
          : [],
    },
    release: offered ? 'shown' : 'draft',
    asStaff: seen.asStaff,
    slots: slots.map((slot) => seenSlot(slot, sheet, { own, known, asStaff: seen.asStaff, notesSince: notesSince(viewer, sheet), now })), // prettier-ignore
  };
}

/** An assistant holds hours of their own: sheets on which they are no host are not theirs to read. */
function isForHelper(viewer: Viewer, { audience, hosts }: Sheet): boolean {
  if (viewer.kind !== 'person') return true;
  const assists = audience.some(({ course }) => viewer.helps.get(course)?.role === 'assistant');
  if (!assists || audience.some(({ course }) => isStaffOf(viewer, course) || viewer.memberOf.has(course))) return true; // prettier-ignore
  return hosts.some(({ id }) => id === viewer.id);
}

/** From when on somebody reads the notes of bookings, where that is not always: a substitute, from their first day. */
function notesSince(viewer: Viewer, { audience }: Sheet): Temporal.Instant | undefined {
  if (viewer.kind !== 'person' || audience.some(({ course }) => isStaffOf(viewer, course))) return undefined;
  return audience.map(({ course }) => viewer.helps.get(course)?.since).find((since) => since !== undefined);
}

type SlotViewer = Readonly<{
  own?: PersonId;
  /** Whether it is somebody with a name: others get no link. */
  known: boolean;
  asStaff: boolean;
  notesSince?: Temporal.Instant;
  now: Temporal.Instant;
}>;

function seenSlot(slot: Slot, sheet: Sheet, { own, known, asStaff, notesSince, now }: SlotViewer): SeenSlot {
  const hidden = (booking: Booking) =>
    notesSince !== undefined && Temporal.Instant.compare(booking.created, notesSince) < 0;
  const marked = slot.bookings.map((booking) => ({
    ...booking,
    ...(hidden(booking) ? { note: '', answer: '' } : {}),
    mine: booking.person === own,
  }));
  const mine = marked.find((booking) => booking.mine);
  const hosts = hostsOf(sheet, slot);
  const { place, meetingLink } = meetsAt(sheet, slot);
  const companions =
    mine && sheet.rules.namesShown ? marked.filter((b) => !b.mine).map((b) => b.personName) : [];
  return {
    id: slot.id,
    interval: slot.interval,
    seats: slot.seats,
    taken: slot.bookings.length,
    hostNames: hosts.map((host) => host.name),
    hostIds: hosts.map((host) => host.id),
    place,
    meetingLink: known ? meetingLink : '',
    elsewhere: Boolean(slot.place || slot.meetingLink),
    bookings: asStaff ? marked : mine ? [mine] : [],
    mine: mine?.id,
    companions,
    waiting: asStaff ? slot.waiting : slot.waiting.filter(({ person }) => person === own),
    waitingCount: slot.waiting.length,
    kept: keptSeats(slot, now, own),
  };
}

/** Seats that the viewer could take. */
export const freeOf = ({ seats, taken, kept }: SeenSlot): number => Math.max(0, seats - taken - kept);
