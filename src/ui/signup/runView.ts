import { Temporal } from 'temporal-polyfill';
import type { SeenPlan } from '@/core/plan/seenPlan';
import type { SeenSheet, SeenSlot } from '@/core/signup/seenSheet';
import { sheetUse } from '@/core/signup/sheetUse';
import type { Use } from '@/core/signup/sheetUse';
import { noticeWords } from '@/core/signup/noticeOf';
import { slotsByDay } from '@/core/signup/slotsByDay';
import { listed } from '@/core/texts/entries';
import { signupTexts } from '@/core/texts/signup';
import { dateLabel, rangeLabel, timeLabel, weekAndDate } from '@/core/time/dateLabels';
import type { Term } from '@/core/time/term';
import type { Zone } from '@/core/time/zone';
import { toWall } from '@/core/time/zone';

export type RunBooking = Readonly<{
  id: string;
  name: string;
  note: string;
  answer: string;
  link: string;
  /** Whether there is something to say about who came: the time has begun. */
  begun: boolean;
  came?: boolean;
}>;
export type RunSlot = Readonly<{
  id: string;
  clock: string;
  start: string;
  end: string;
  seats: number;
  /** Its own, where it is elsewhere than the sheet says. */
  place: string;
  meetingLink: string;
  free: number;
  host: string;
  waiting: readonly string[];
  past: boolean;
  bookings: readonly RunBooking[];
}>;
export type RunDay = Readonly<{
  date: string;
  label: string;
  today: boolean;
  past: boolean;
  slots: readonly RunSlot[];
}>;
export type UseLine = Readonly<{ label: string } & Omit<Use, 'key'>>;
export type RunView = Readonly<{
  id: string;
  title: string;
  tags: readonly Readonly<{ tag: string; color: string }>[];
  facts: readonly string[];
  draft: boolean;
  hosts: readonly Readonly<{ id: string; name: string }>[];
  together: boolean;
  days: readonly RunDay[];
  /** Those of the roster who had no time this term. */
  neverCame: readonly string[];
  roster: readonly Readonly<{ id: string; name: string }>[];
  use: Readonly<{
    weeks: readonly UseLine[];
    weekdays: readonly UseLine[];
    students: number;
    missed: number;
  }>;
}>;

type Given = Readonly<{
  sheet: SeenSheet;
  plan: SeenPlan;
  term: Term;
  zone: Zone;
  now: Temporal.Instant;
  roster: readonly Readonly<{ id: string; name: string }>[];
}>;

/** The staff's page of a sheet: today's and the coming times with who comes, and how they are used. */
export function runView({ sheet, plan, term, zone, now, roster }: Given): RunView {
  const today = toWall(zone, now).toPlainDate();
  const use = sheetUse(sheet.slots, zone, term);
  const served = new Set(
    sheet.slots.flatMap((slot) => slot.bookings.map((booking) => String(booking.person))),
  );
  const { rules } = sheet;
  return {
    id: sheet.id,
    title: sheet.title,
    tags: plan.courses
      .filter((course) => sheet.audience.some((part) => part.course === course.id))
      .map(({ tag, color }) => ({ tag, color })),
    facts: [
      sheet.place || sheet.meetingLink || (rules.privateMeetings ? signupTexts.meets.private : ''),
      signupTexts.run.limits(rules.perSheet, rules.perDay, rules.perWeek),
      signupTexts.run.taken({ notice: noticeWords(rules.take) }),
      signupTexts.run.given({ notice: noticeWords(rules.giveBack) }),
      rules.waitingList ? signupTexts.fields.waitingList : '',
      rules.question ? `“${rules.question.text}”` : '',
    ].filter(Boolean),
    draft: sheet.release === 'draft',
    hosts: sheet.hosts.map(({ id, name }) => ({ id, name })),
    together: rules.together,
    days: slotsByDay(sheet.slots, zone).map(({ date, slots }) => ({
      date: date.toString(),
      label: weekAndDate(term, date, plan.locale),
      today: date.equals(today),
      past: Temporal.PlainDate.compare(date, today) < 0,
      slots: slots.map((slot) => runSlot(slot, sheet, zone, { now, locale: plan.locale })),
    })),
    neverCame: roster.filter(({ id }) => !served.has(id)).map(({ name }) => name),
    roster,
    use: {
      ...use,
      weeks: use.weeks.map(({ key, ...line }) => ({ ...line, label: signupTexts.take.week({ n: key }) })),
      weekdays: use.weekdays.map(({ key, ...line }) => ({
        ...line,
        label: dateLabel(today.add({ days: key - today.dayOfWeek }), 'weekday', plan.locale),
      })),
    },
  };
}

function runSlot(
  slot: SeenSlot,
  sheet: SeenSheet,
  zone: Zone,
  { now, locale }: Readonly<{ now: Temporal.Instant; locale: string }>,
): RunSlot {
  const [start, end] = [toWall(zone, slot.interval.start), toWall(zone, slot.interval.end)];
  const begun = Temporal.Instant.compare(slot.interval.start, now) <= 0;
  return {
    id: slot.id,
    clock: rangeLabel(start, end, locale),
    start: timeLabel(start),
    end: timeLabel(end),
    seats: slot.seats,
    place: slot.elsewhere ? slot.place : '',
    meetingLink: slot.elsewhere ? slot.meetingLink : '',
    free: Math.max(0, slot.seats - slot.taken),
    host:
      slot.hostNames.length < sheet.hostNames.length || !sheet.rules.together ? listed(slot.hostNames) : '',
    waiting: slot.waiting.map(({ personName }) => personName),
    past: begun,
    bookings: slot.bookings.map((booking) => ({
      id: booking.id,
      name: booking.personName,
      note: booking.note,
      answer: booking.answer,
      link: booking.meetingLink || slot.meetingLink,
      begun,
      came: booking.came,
    })),
  };
}
