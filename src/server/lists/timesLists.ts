import type { Temporal } from 'temporal-polyfill';
import { toWall, withOffset } from '@/core/time/zone';
import { requireZone } from '@/core/time/zoneData';
import { momentText } from '@/core/time/zonedWall';
import type { Seen } from './seen';
import { stamp } from './seen';

/** Sheets, their times, and who took them, as far as a reader sees them. */
export const sheetsIn = ({ plan }: Seen) =>
  plan.sheets.map((sheet) => {
    const courses = sheet.audience.map(({ course }) => course);
    return {
      id: sheet.id as string,
      uid: sheet.uid,
      term: plan.courses.find(({ id }) => courses.includes(id))?.term,
      courses,
      changedMs: sheet.lastModified.epochMilliseconds,
      record: {
        id: sheet.id,
        uid: sheet.uid,
        title: sheet.title,
        courses,
        hosts: sheet.hosts,
        place: sheet.place,
        zone: sheet.tzid,
        slots: sheet.slots.length,
        release: sheet.release,
        sequence: sheet.sequence,
        lastModified: stamp(sheet.lastModified),
      },
    };
  });

export const slotsIn = ({ plan }: Seen) =>
  plan.sheets.flatMap((sheet) => {
    const zone = requireZone(sheet.tzid);
    const courses = sheet.audience.map(({ course }) => course);
    const day = (at: Temporal.Instant) => momentText(toWall(zone, at).toPlainDate());
    return sheet.slots.map(({ id, interval, seats, taken, mine, place }) => ({
      id: id as string,
      term: plan.courses.find((course) => courses.includes(course.id))?.term,
      courses,
      days: [day(interval.start), day(interval.end)] as const,
      record: {
        id,
        sheet: sheet.id,
        start: withOffset(zone, interval.start),
        end: withOffset(zone, interval.end),
        zone: sheet.tzid,
        seats,
        place,
        taken,
        mine: mine !== undefined,
      },
    }));
  });

export const bookingsIn = ({ plan }: Seen) =>
  plan.sheets.flatMap((sheet) => {
    const zone = requireZone(sheet.tzid);
    const courses = sheet.audience.map(({ course }) => course);
    return sheet.slots.flatMap(({ id: slot, interval, bookings }) =>
      bookings.map((booking) => ({
        id: booking.id as string,
        term: plan.courses.find(({ id }) => courses.includes(id))?.term,
        courses,
        days: [
          momentText(toWall(zone, interval.start).toPlainDate()),
          momentText(toWall(zone, interval.end).toPlainDate()),
        ] as const,
        record: {
          id: booking.id,
          slot,
          sheet: sheet.id,
          start: withOffset(zone, interval.start),
          end: withOffset(zone, interval.end),
          zone: sheet.tzid,
          mine: booking.mine,
          person: booking.person,
          personName: booking.personName,
        },
      })),
    );
  });
