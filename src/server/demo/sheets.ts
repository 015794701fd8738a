import type { Temporal } from 'temporal-polyfill';
import { Temporal as T } from 'temporal-polyfill';
import type { BookingId, SheetId, SlotId } from '@/core/ids';
import { cutStretch } from '@/core/signup/cutStretch';
import type { Booking, Sheet } from '@/core/signup/sheet';
import { DEFAULT_RULES } from '@/core/signup/sheet';
import { toInstant } from '@/core/time/zone';
import { requireZone } from '@/core/time/zoneData';
import type { DemoTerm } from './calendar';
import type { DemoCourse } from './courses';
import { HL, NV } from './courses';
import { demoId } from './demoIds';
import type { DemoPerson } from './people';
import { MAREN } from './people';

const NOTES = [
  'My sheer line will not fair between stations 4 and 5.',
  'Could we look at my offsets together?',
  'About the half-breadth plan',
  'I missed Tuesday and would like to catch up.',
  '',
];

type Hours = Readonly<{
  course: DemoCourse;
  title: string;
  host: DemoPerson;
  place: string;
  weekday: number;
  start: string;
  end: string;
  length: number;
  gap: number;
  weeks: readonly number[];
  /** Which of the times are taken, counted over the whole sheet. */
  taken: (index: number) => boolean;
}>;

const weeks = (from: number, to: number, ...without: number[]) =>
  Array.from({ length: to - from + 1 }, (_, i) => from + i).filter((week) => !without.includes(week));

const HOURS: readonly Hours[] = [
  {
    course: HL, title: 'Office hours', host: MAREN, place: 'Loft office', weekday: 3, start: '13:00', end: '15:00',
    length: 25, gap: 5, weeks: weeks(1, 14, 4, 10, 12), taken: (i) => i < 20 ? i % 3 !== 1 : i < 28 && i % 2 === 0,
  },
  {
    course: NV, title: 'Chartwork help', host: MAREN, place: 'Chart room', weekday: 5, start: '10:30', end: '12:00',
    length: 30, gap: 0, weeks: weeks(5, 13, 10), taken: (i) => i % 4 === 0 && i < 9,
  },
]; // prettier-ignore

export function demoSheets(term: DemoTerm, now: Temporal.Instant): Sheet[] {
  const zone = requireZone(term.tzid);
  return HOURS.map((hours) => {
    const name = `${hours.course.code} ${hours.title}`;
    const students = hours.course.sections.flatMap((section) => section.students);
    const intervals = hours.weeks.flatMap((week) => {
      const at = (time: string) =>
        toInstant(zone, term.day(week, hours.weekday).toPlainDateTime(T.PlainTime.from(time)));
      return cutStretch({ start: at(hours.start), end: at(hours.end) }, hours).times;
    });
    const bookingOf = (i: number): Booking => {
      // Ivo, the first student, takes his times himself.
      const student = students[1 + ((i * 5) % (students.length - 1))]!;
      return {
        id: demoId<BookingId>(`${name} booking ${i}`),
        uid: demoId<string>(`${name} booking uid ${i}`),
        seat: 1,
        person: student.id,
        personName: student.name,
        note: NOTES[i % NOTES.length]!,
        answer: '',
        meetingLink: '',
        sequence: 0,
        created: now,
        lastModified: now,
      };
    };
    return {
      id: demoId<SheetId>(name),
      uid: demoId<string>(`${name} uid`),
      title: hours.title,
      audience: [{ course: hours.course.id }],
      hosts: [{ id: hours.host.id, name: hours.host.name }],
      place: hours.place,
      meetingLink: '',
      rules: { ...DEFAULT_RULES, perSheet: 3, perWeek: 1, waitingList: true },
      offered: true,
      tzid: term.tzid,
      sequence: 0,
      created: now,
      lastModified: now,
      uses: { count: 0 },
      slots: intervals.map((interval, i) => ({
        id: demoId<SlotId>(`${name} ${i}`),
        interval,
        seats: 1,
        bookings: hours.taken(i) ? [bookingOf(i)] : [],
        waiting: [],
      })),
    };
  });
}
