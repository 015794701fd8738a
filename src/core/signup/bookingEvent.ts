import type { Temporal } from 'temporal-polyfill';
import type { VEvent } from '../icalendar/calendar';
import { feedTexts } from '../texts/feeds';
import type { Interval } from '../time/interval';
import type { Zone } from '../time/zone';
import { zonedWallAt } from '../time/zone';
import type { Booking } from './sheet';

type SheetFacts = Readonly<{
  title: string;
  place: string;
  meetingLink: string;
  tzid: string;
  sequence: number;
  lastModified: Temporal.Instant;
}>;

/**
 * A time that is taken, as a VEVENT: in both people's personal feeds and in the letters about it. One UID for as long as it
 * is held, whichever time it moves to; SEQUENCE grows with each change of the booking and of its sheet.
 */
export function bookingEvent(
  sheet: SheetFacts,
  {
    interval,
    booking,
    names,
    named,
    zone,
    signUp,
    codes,
  }: Readonly<{
    interval: Interval;
    booking: Booking;
    /** With whom. */
    names: readonly string[];
    /** The title with its courses' tags, or without. */
    named: (title: string) => string;
    codes: readonly string[];
    zone: Zone;
    /** Where it is given back. */
    signUp: string;
  }>,
): VEvent {
  const modified =
    booking.lastModified.epochMilliseconds > sheet.lastModified.epochMilliseconds
      ? booking.lastModified
      : sheet.lastModified;
  const lines = [
    booking.note && feedTexts.note({ note: booking.note }),
    booking.answer,
    feedTexts.giveBack({ url: signUp }),
  ];
  return {
    uid: booking.uid,
    dtstamp: modified,
    dtstart: zonedWallAt(zone, interval.start),
    dtend: zonedWallAt(zone, interval.end),
    summary: named(feedTexts.booking({ title: sheet.title, names })),
    description: lines.filter(Boolean).join('\n'),
    location: sheet.place,
    url: signUp,
    conference: booking.meetingLink || sheet.meetingLink,
    categories: codes,
    class: 'PRIVATE',
    transp: 'OPAQUE',
    status: 'CONFIRMED',
    sequence: booking.sequence + sheet.sequence,
    created: booking.created,
    lastModified: modified,
  };
}
