import ICAL from 'ical.js';
import { expect, test } from 'vitest';
import { writeCalendar } from '@/core/icalendar/writeCalendar';
import { bookingEvent } from '@/core/signup/bookingEvent';
import { requireZone } from '@/core/time/zoneData';
import { booking, sheet } from '../support/plans';
import { complaintsAboutMessage } from '../support/strictIcs';

/*
 * The worked exchange of RFC 5546 between an organizer and one attendee: a request (section 4.2.1), the same event updated
 * (4.2.4), and cancelled (4.2.9). The texts are written down from memory, with the misprinted DTEND of the published
 * request put right; what is compared is which properties each message carries and how they change from one to the next.
 */
const message = (method: string, ...lines: string[]) =>
  ['BEGIN:VCALENDAR', 'PRODID:-//Example/ExampleCalendarClient//EN', `METHOD:${method}`, 'VERSION:2.0', 'BEGIN:VEVENT', 'ORGANIZER:mailto:a@example.com',
    'ATTENDEE;RSVP=TRUE;CUTYPE=INDIVIDUAL:mailto:b@example.com', ...lines, 'UID:calsrv.example.com-873970198738777@example.com', 'END:VEVENT', 'END:VCALENDAR', ''].join('\r\n'); // prettier-ignore
const PUBLISHED = [
  message('REQUEST', 'DTSTAMP:19970611T190000Z', 'DTSTART:19970701T200000Z', 'DTEND:19970701T210000Z', 'SUMMARY:Conference', 'SEQUENCE:0', 'STATUS:CONFIRMED'),
  message('REQUEST', 'DTSTAMP:19970613T190000Z', 'DTSTART:19970701T180000Z', 'DTEND:19970701T190000Z', 'SUMMARY:Phone Conference', 'SEQUENCE:1', 'STATUS:CONFIRMED'),
  message('CANCEL', 'DTSTAMP:19970613T190000Z', 'DTSTART:19970701T180000Z', 'SEQUENCE:2', 'STATUS:CANCELLED'),
] as const; // prettier-ignore

const zone = requireZone('America/Halifax');
const given = sheet([[], []]);
const own = (method: 'REQUEST' | 'CANCEL', slot: number, sequence: number) =>
  writeCalendar(
    {
      method,
      name: 'Office hours',
      events: [
        {
          ...bookingEvent(given, { interval: given.slots[slot]!.interval, booking: booking({ sequence }), names: ['Maren Toft'], named: (title) => `HL: ${title}`, codes: ['HL 210'], zone, signUp: 'https://p.example/s/1' }),
          organizer: { name: 'Maren Toft', email: 'pembit@example.org' },
          attendee: { name: 'Ivo Saltmarsh', email: 'ivo@example.org' },
          ...(method === 'CANCEL' ? { status: 'CANCELLED' as const } : {}),
        },
      ],
    },
    requireZone,
  ); // prettier-ignore
const OWN = [own('REQUEST', 0, 0), own('REQUEST', 1, 1), own('CANCEL', 1, 2)];

const read = (text: string) => {
  const calendar = new ICAL.Component(ICAL.parse(text) as unknown[]);
  const event = calendar.getFirstSubcomponent('vevent')!;
  const value = (name: string) => String(event.getFirstPropertyValue(name));
  return {
    method: String(calendar.getFirstPropertyValue('method')),
    names: new Set(event.getAllProperties().map((property) => property.name)),
    uid: value('uid'),
    sequence: value('sequence'),
    status: value('status'),
    start: value('dtstart'),
  };
};

test('the exchange of RFC 5546 draws no complaint from the checker, nor does the same exchange as Pembit writes it', () => {
  for (const text of [...PUBLISHED, ...OWN]) expect(complaintsAboutMessage(Buffer.from(text))).toEqual([]);
});

test('a taken, moved and given back time goes the way of the published exchange', () => {
  const published = PUBLISHED.map(read);
  const written = OWN.map(read);
  const facts = (list: typeof written) => list.map(({ method, sequence, status }) => ({ method, sequence, status })); // prettier-ignore
  expect(facts(written)).toEqual(facts(published));
  for (const list of [published, written]) {
    expect(new Set(list.map(({ uid }) => uid)).size).toBe(1);
    expect(list[1]!.start).toBe(list[2]!.start);
    expect(list[0]!.start).not.toBe(list[1]!.start);
  }
  published.forEach(({ names }, i) => {
    for (const name of names) expect(written[i]!.names).toContain(name);
  });
});
