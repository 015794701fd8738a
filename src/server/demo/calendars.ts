import type { CalendarId, TermId } from '@/core/ids';
import type { OutsideCalendar, OutsideTime } from '@/core/outside/outsideCalendar';
import { Temporal } from 'temporal-polyfill';
import type { DemoTerm } from './calendar';
import { HL, NV } from './courses';
import { demoId } from './demoIds';

/** What the outside calendars of the demo held when it was made; the district's is read anew from its stand-in. */
export function demoCalendars(term: DemoTerm, standins: string, now: Temporal.Instant): OutsideCalendar[] {
  const time = (
    title: string,
    start: Temporal.PlainDate,
    at?: string,
    hours = 1,
    place = '',
  ): OutsideTime => {
    const wall = at ? start.toPlainDateTime(Temporal.PlainTime.from(at)) : undefined;
    return {
      uid: `${demoId<string>(`${title} ${start}`)}@outside.example`,
      title,
      place,
      url: '',
      start: wall ? { wall, tzid: term.tzid } : start,
      end: wall ? { wall: wall.add({ hours }), tzid: term.tzid } : start.add({ days: 1 }),
      cancelled: false,
    };
  };
  const common = {
    term: demoId<TermId>('term'),
    active: true,
    changedAt: now,
    closes: { kind: 'none' },
  } as const;
  return [
    {
      ...common,
      id: demoId<CalendarId>('calendar district'),
      name: 'Breakwater District',
      url: `${standins}/district/calendar.ics`,
      wholeTerm: true,
      courses: [],
      seenBy: 'everyone',
      closes: { kind: 'matching', words: ['no school'] },
      times: [],
    },
    {
      ...common,
      id: demoId<CalendarId>('calendar regatta'),
      name: 'Harbour club',
      url: '',
      wholeTerm: false,
      courses: [HL.id, NV.id],
      seenBy: 'everyone',
      times: [
        time('Dinghy race', term.day(5, 6), '13:00', 3, 'Outer harbour'),
        time('Dinghy race', term.day(7, 6), '13:00', 3, 'Outer harbour'),
        time('Haul-out', term.day(8, 3), '09:00', 2, 'Slip'),
        time('Dinghy race', term.day(9, 6), '13:00', 3, 'Outer harbour'),
        time('Laying-up supper', term.day(11, 5), '18:00', 3, 'Club house'),
      ],
    },
    {
      ...common,
      id: demoId<CalendarId>('calendar loft'),
      name: 'Loft bookings',
      url: '',
      wholeTerm: false,
      courses: [HL.id],
      seenBy: 'staff',
      times: [
        time('Loft taken: evening class', term.day(6, 4), '18:00', 2, 'The loft'),
        time('Loft taken: evening class', term.day(7, 4), '18:00', 2, 'The loft'),
        time('Floor is painted', term.day(8, 5)),
      ],
    },
  ];
}
