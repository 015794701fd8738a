import { Temporal } from 'temporal-polyfill';
import type { SeenPlan } from '@/core/plan/seenPlan';
import type { SeenSlot } from '@/core/signup/seenSheet';
import { slotsByDay } from '@/core/signup/slotsByDay';
import { dateLabel, rangeLabel, weekAndDate } from '@/core/time/dateLabels';
import type { Term } from '@/core/time/term';
import type { Zone, ZoneLookup } from '@/core/time/zone';
import { toWall } from '@/core/time/zone';

export type BookedLine = Readonly<{
  key: string;
  day: string;
  time: string;
  name: string;
  note: string;
  tag: string;
  color: string;
}>;
export type SheetCard = Readonly<{
  id: string;
  title: string;
  tag: string;
  color: string;
  place: string;
  meetingLink: string;
  draft: boolean;
  free: number;
  seats: number;
  days: readonly Readonly<{ label: string; boxes: readonly boolean[]; words: string }>[];
}>;

const clock = (slot: SeenSlot, zone: Zone, locale: string) =>
  rangeLabel(toWall(zone, slot.interval.start), toWall(zone, slot.interval.end), locale);
const isComing = (slot: SeenSlot, now: Temporal.Instant) =>
  Temporal.Instant.compare(slot.interval.end, now) > 0;

/** The sheets a viewer runs, and who comes, soonest first. Only what is still to come. */
export function officeHours(
  plan: SeenPlan,
  { term, zoneOf, now }: { term: Term | undefined; zoneOf: ZoneLookup; now: Temporal.Instant },
): { sheets: SheetCard[]; booked: BookedLine[] } {
  const own = plan.sheets.filter((sheet) => sheet.asStaff);
  const courseOf = (sheet: (typeof own)[number]) =>
    plan.courses.find((c) => c.id === sheet.audience[0]?.course);
  const label = (date: Temporal.PlainDate) =>
    term ? weekAndDate(term, date, plan.locale) : dateLabel(date, 'short', plan.locale);
  const booked = own
    .flatMap((sheet) => {
      const zone = zoneOf(sheet.tzid);
      const course = courseOf(sheet);
      return sheet.slots
        .filter((slot) => isComing(slot, now))
        .flatMap((slot) =>
          slot.bookings.map((booking) => ({
            at: slot.interval.start.epochMilliseconds,
            key: booking.id,
            day: label(toWall(zone, slot.interval.start).toPlainDate()),
            time: clock(slot, zone, plan.locale),
            name: booking.personName,
            note: booking.note,
            tag: course?.tag ?? '',
            color: course?.color ?? '',
          })),
        );
    })
    .sort((a, b) => a.at - b.at);
  const sheets = own.map((sheet): SheetCard => {
    const zone = zoneOf(sheet.tzid);
    const course = courseOf(sheet);
    const coming = sheet.slots.filter((slot) => isComing(slot, now));
    const seats = coming.reduce((sum, slot) => sum + slot.seats, 0);
    const taken = coming.reduce((sum, slot) => sum + slot.taken, 0);
    return {
      id: sheet.id,
      title: sheet.title,
      tag: course?.tag ?? '',
      color: course?.color ?? '',
      place: sheet.place,
      meetingLink: sheet.meetingLink,
      draft: sheet.release === 'draft',
      free: seats - taken,
      seats,
      days: slotsByDay(coming, zone).map(({ date, slots }) => ({
        label: label(date),
        boxes: slots.map((slot) => slot.taken >= slot.seats),
        words: slots.map((slot) => clock(slot, zone, plan.locale)).join(', '),
      })),
    };
  });
  return { sheets, booked };
}
