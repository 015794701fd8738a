import { Temporal } from 'temporal-polyfill';
import type { VEvent } from '../icalendar/calendar';
import { bookingEvent } from '../signup/bookingEvent';
import type { SeenSheet, SeenSlot } from '../signup/seenSheet';
import { freeOf } from '../signup/seenSheet';
import { slotsByDay } from '../signup/slotsByDay';
import { feedTexts } from '../texts/feeds';
import { rangeLabel } from '../time/dateLabels';
import { toWall, zonedWallAt } from '../time/zone';
import type { EventContext } from './eventParts';
import { coursesOf, describe } from './eventParts';
import type { OutletContents } from './outletContents';

const laterOf = (a: Temporal.Instant, b: Temporal.Instant) => (Temporal.Instant.compare(a, b) > 0 ? a : b);

/** A sheet's free times, by day or singly, and the times that are taken, each as far as the outlet has them. */
export function sheetEvents(
  sheet: SeenSheet,
  { plan, addresses, zoneOf, named, alarms }: EventContext,
  contents: OutletContents,
): VEvent[] {
  const zone = zoneOf(sheet.tzid);
  const courses = coursesOf(plan, sheet);
  const common = {
    dtstamp: sheet.uses.last ? laterOf(sheet.lastModified, sheet.uses.last) : sheet.lastModified,
    location: sheet.place,
    url: addresses.signUp,
    categories: courses.map((c) => c.code),
    class: 'PUBLIC',
    transp: 'TRANSPARENT',
    status: 'CONFIRMED',
    // What is free changes with each time that is taken.
    sequence: sheet.sequence + sheet.uses.count,
    created: sheet.created,
  } as const;
  const rangeOf = ({ interval, elsewhere, place }: SeenSlot) =>
    [rangeLabel(toWall(zone, interval.start), toWall(zone, interval.end)), elsewhere ? place : '']
      .filter(Boolean)
      .join(', ');
  const timed = (first: SeenSlot, last: SeenSlot) => ({
    dtstart: zonedWallAt(zone, first.interval.start),
    dtend: zonedWallAt(zone, last.interval.end),
  });
  const days = slotsByDay(sheet.slots, zone).map(({ date, slots }): VEvent => {
    const free = slots.filter((slot) => freeOf(slot) > 0);
    return {
      ...common,
      uid: `${sheet.uid}-${date}`,
      ...timed(slots[0]!, slots.at(-1)!),
      summary: named(courses, feedTexts.times({ title: sheet.title, free: free.length, n: slots.length })),
      description: describe([...free.map(rangeOf), feedTexts.takeATime({ url: addresses.signUp })]),
      lastModified: common.dtstamp,
    };
  });
  const single = sheet.slots
    .filter((slot) => freeOf(slot) > 0)
    .map((slot): VEvent => ({
      ...common,
      uid: `${sheet.uid}-${slot.id}`,
      ...timed(slot, slot),
      location: slot.place,
      summary: named(courses, feedTexts.freeTime({ title: sheet.title })),
      description: feedTexts.takeATime({ url: addresses.signUp }),
      lastModified: common.dtstamp,
    }));
  const bookings = sheet.slots.flatMap((slot) =>
    slot.bookings.map((booking): VEvent => ({
      ...bookingEvent(
        { ...sheet, place: slot.place, meetingLink: slot.meetingLink },
        {
          interval: slot.interval,
          booking,
          names: booking.mine ? slot.hostNames : [booking.personName],
          named: (title) => named(courses, title),
          codes: courses.map((c) => c.code),
          zone,
          signUp: addresses.signUp,
        },
      ),
      alarms: alarms('booking'),
    })),
  );
  const times = contents.times === 'single' ? single : days;
  return [...(contents.has('times') ? times : []), ...(contents.has('booking') ? bookings : [])];
}
