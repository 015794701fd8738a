import { Readable } from 'node:stream';
import ICAL from 'ical.js';
import rrulePackage from 'rrule';
import { Temporal } from 'temporal-polyfill';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { outletInput } from '@/core/outlets/outletInput';
import { recordChange } from '@/data/history/change';
import { importCalendar, previewImport } from '@/server/exchange/importCalendar';
import { uploadFile } from '@/server/materials/uploadFile';
import { createOutletAnswerer } from '@/server/outlets/answerOutlet';
import { publish } from '@/server/outlets/publish';
import { occurrenceRecords } from '@/server/plan/planSeenBy';
import { valueOf } from '../support/outcomes';
import type { School } from '../support/school';
import { newSchool } from '../support/school';
import { EXAMPLES } from '../support/workedExamples';

/** A term as long as the examples go on, at which no form would let one arrive. */
const TERM = { starts_on: '1996-11-01', ends_on: '2007-12-31', tzid: 'America/New_York' };
const digits = (text: string) => text.replace(/[-:]/g, '').padEnd('yyyymmddThhmmss'.length, '0');
/** As a file has it: UNTIL in UTC (section 3.3.10). */
const asFile = (rrule: string) =>
  rrule.replace(/UNTIL=(\d{8}T\d{6})/, (_, wall: string) => {
    const until = Temporal.PlainDateTime.from(wall).toZonedDateTime(TERM.tzid).toInstant();
    return `UNTIL=${digits(until.toString({ smallestUnit: 'second' }))}`;
  });
const titleOf = (i: number) => `Example ${i + 1}`;
const file = [
  'BEGIN:VCALENDAR',
  ...EXAMPLES.flatMap(([, dtstart, rrule], i) => ['BEGIN:VEVENT', `UID:example-${i}@rfc.example`, `SUMMARY:${titleOf(i)}`, `DTSTART;TZID=${TERM.tzid}:${digits(dtstart)}`, `RRULE:${asFile(rrule)}`, 'END:VEVENT']), // prettier-ignore
  'END:VCALENDAR',
  '',
].join('\r\n');

let school: School;
let feed: string;
beforeAll(async () => {
  school = await newSchool();
  const { pembit, instructor, course, term } = school;
  await recordChange(pembit.queue, { act: 'test', summary: '', actor: null, nowMs: 0 }, (change) => change.update('terms', term, TERM)); // prettier-ignore
  const body = Readable.toWeb(Readable.from([Buffer.from(file)])) as ReadableStream<Uint8Array>;
  const sent = valueOf(await uploadFile(pembit, instructor, { name: 'rfc.ics', as: 'calendar', body })).id;
  expect(valueOf(await previewImport(pembit, instructor, { course, file: sent })).map(({ state }) => state)).toEqual(EXAMPLES.map(() => 'new')); // prettier-ignore
  expect(valueOf(await importCalendar(pembit, instructor, { course, file: sent }))).toMatchObject({ added: EXAMPLES.length, left: [] }); // prettier-ignore
  const outlet = valueOf(await publish(pembit, instructor, outletInput.parse({ kind: 'feed', audience: 'public', name: 'RFC', courses: [course] }))); // prettier-ignore
  const answer = await createOutletAnswerer(pembit)({ method: 'GET', path: new URL(outlet.url).pathname, query: '', headers: {} }); // prettier-ignore
  feed = answer.body!.toString();
});
afterAll(() => school.close());

const last = (upTo?: string) => upTo ?? TERM.ends_on;

/** ical.js 2.2.1 counts weekdays and weeks of a year otherwise than the RFC's own example. */
const UNREAD_BY_ICAL_JS = new Set(['every 20th Monday of the year, forever', 'Monday of week number 20, forever']); // prettier-ignore

function byIcalJs(component: ICAL.Component, upTo: string | undefined): string[] {
  const iterator = new ICAL.Event(component).iterator();
  const read: string[] = [];
  for (let next = iterator.next(); next && next.toString().slice(0, 10) <= last(upTo); next = iterator.next())
    read.push(next.toString().slice(0, 16));
  return read;
}

/** By the package rrule, with the wall time as if it were UTC. */
function byRrule(component: ICAL.Component, upTo: string | undefined): string[] {
  const start = digits(String(component.getFirstPropertyValue('dtstart')));
  const rule = String(component.getFirstPropertyValue('rrule')).replace(
    /UNTIL=[^;]*/,
    `UNTIL=${last(upTo).replaceAll('-', '')}T235959Z`,
  );
  const dates = rrulePackage.rrulestr(`DTSTART:${start}Z\nRRULE:${rule}`).between(new Date('1996-01-01'), new Date(`${last(upTo)}T23:59Z`)); // prettier-ignore
  return dates.map((date) => date.toISOString().slice(0, 16));
}

/** Section 3.8.5.3 the whole way: from a file into a course, out of the API, and through a feed into a reader. */
describe('the worked examples of RFC 5545, brought in and published', () => {
  test.each(EXAMPLES.map(([name, , , expected, upTo], i) => [name, titleOf(i), expected, upTo] as const))(
    '%s',
    async (name, title, expected, upTo) => {
      const range = {
        from: Temporal.PlainDate.from(TERM.starts_on),
        to: Temporal.PlainDate.from(last(upTo)),
      };
      const records = await occurrenceRecords(school.pembit, school.instructor.viewer, range);
      const starts = records.filter((one) => one.title === title).map(({ start }) => start.slice(0, 16));
      expect(starts).toEqual(expected.map((date) => `${date}T09:00`));

      const events = new ICAL.Component(ICAL.parse(feed) as unknown[]).getAllSubcomponents('vevent');
      const component = events.find((one) => String(one.getFirstPropertyValue('summary')).endsWith(title))!;
      const read = UNREAD_BY_ICAL_JS.has(name) ? byRrule(component, upTo) : byIcalJs(component, upTo);
      expect(read).toEqual(expected.map((date) => `${date}T09:00`));
    },
  );
});
