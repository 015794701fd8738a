import { Temporal } from 'temporal-polyfill';
import type { SeenPlan } from '@/core/plan/seenPlan';
import { slotsByDay } from '@/core/signup/slotsByDay';
import { listed } from '@/core/texts/entries';
import { dateLabel, momentLabel, rangeLabel, timeLabel } from '@/core/time/dateLabels';
import type { ZoneLookup } from '@/core/time/zone';
import { toWall, zonedWallAt } from '@/core/time/zone';

export type SlotChoice = Readonly<{
  id: string;
  time: string;
  range: string;
  minutes: number;
  state: 'free' | 'taken' | 'yours';
  when: string;
}>;
export type SignUpDay = Readonly<{
  key: string;
  date: string;
  sortMs: number;
  tag: string;
  color: string;
  title: string;
  hosts: string;
  place: string;
  free: number;
  slots: readonly SlotChoice[];
}>;
export type OwnTime = Readonly<{
  booking: string;
  tag: string;
  color: string;
  when: string;
  range: string;
  title: string;
  hosts: string;
  place: string;
  meetingLink: string;
  note: string;
  sortMs: number;
}>;

/** Free and taken times still to come, over all courses, by day, next first; and the viewer's own. */
export function signUpView(
  plan: SeenPlan,
  { zoneOf, now }: { zoneOf: ZoneLookup; now: Temporal.Instant },
): { days: SignUpDay[]; own: OwnTime[] } {
  const days: SignUpDay[] = [];
  const own: OwnTime[] = [];
  for (const sheet of plan.sheets) {
    if (sheet.asStaff) continue;
    const zone = zoneOf(sheet.tzid);
    const course = plan.courses.find((c) => c.id === sheet.audience[0]?.course);
    const common = {
      tag: course?.tag ?? '',
      color: course?.color ?? '',
      title: sheet.title,
      hosts: listed(sheet.hostNames),
      place: sheet.place,
    };
    const coming = sheet.slots.filter((slot) => Temporal.Instant.compare(slot.interval.start, now) > 0);
    for (const { date, slots } of slotsByDay(coming, zone)) {
      const choices = slots.map((slot): SlotChoice => {
        const start = toWall(zone, slot.interval.start);
        return {
          id: slot.id,
          time: timeLabel(start),
          range: rangeLabel(start, toWall(zone, slot.interval.end)),
          minutes: slot.interval.start.until(slot.interval.end).total('minutes'),
          state: slot.mine ? 'yours' : slot.taken >= slot.seats ? 'taken' : 'free',
          when: momentLabel(zonedWallAt(zone, slot.interval.start), plan.locale),
        };
      });
      days.push({
        ...common,
        key: `${sheet.id} ${date}`,
        date: dateLabel(date, 'long', plan.locale),
        sortMs: slots[0]!.interval.start.epochMilliseconds,
        free: choices.filter((choice) => choice.state === 'free').length,
        slots: choices,
      });
    }
    for (const slot of coming) {
      if (!slot.mine) continue;
      const start = toWall(zone, slot.interval.start);
      own.push({
        ...common,
        booking: slot.mine,
        when: dateLabel(start.toPlainDate(), 'short', plan.locale),
        range: rangeLabel(start, toWall(zone, slot.interval.end)),
        meetingLink: sheet.meetingLink,
        note: slot.bookings.find((booking) => booking.mine)?.note ?? '',
        sortMs: slot.interval.start.epochMilliseconds,
      });
    }
  }
  days.sort((a, b) => a.sortMs - b.sortMs);
  own.sort((a, b) => a.sortMs - b.sortMs);
  return { days, own };
}
