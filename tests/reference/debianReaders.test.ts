import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import fc from 'fast-check';
import ICAL from 'ical.js';
import nodeIcal from 'node-ical';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { outletContents } from '@/core/outlets/outletContents';
import { outletViewer } from '@/core/outlets/outletViewer';
import { outletFile } from '@/server/outlets/outletFile';
import { NOW, outlet, person, plan } from '../support/arbitraryPlan';

/** Debian's python3-icalendar, python3-vobject and libical (by GObject introspection), which `npm test` installs. */
const READERS = ['icalendar', 'vobject', 'libical'] as const;
type Read = Readonly<Record<(typeof READERS)[number], Readonly<Record<string, readonly string[] | string>>>>;

const RUNS = 50;
const given = fc.tuple(plan, outlet, person);
type Given = typeof given extends fc.Arbitrary<infer T> ? T : never;
const fileOf = ([planned, published, viewer]: Given) =>
  outletFile(published, outletContents(published, outletViewer(published, viewer), planned, NOW), { token: 't', baseUrl: 'https://p.example' }); // prettier-ignore

/** The first of the plans by rising seeds that holds an occurrence that differs. */
function oneThatDiffers(): Given {
  for (let seed = 1; seed < 1000; seed++) {
    const [one] = fc.sample(given, { numRuns: 1, seed });
    if (fileOf(one!).includes('RECURRENCE-ID')) return one!;
  }
  throw new Error('No plan holds an occurrence that differs');
}

/** Other plans each time, and one that holds an occurrence that differs. */
const samples = () => [...fc.sample(given, RUNS), oneThatDiffers()];
let read: Read;
/** What ical.js reads in each file. */
const expected: Record<string, readonly string[]> = {};
/** What node-ical reads in each: the first start of each event, single occurrences aside. */
const starts: Record<string, readonly string[]> = {};
const firstStarts: Record<string, readonly string[]> = {};
const folder = mkdtempSync(path.join(tmpdir(), 'pembit-feeds-'));

const dayOrInstant = (start: Date, isDay: boolean) =>
  isDay
    ? `${start.getFullYear()}-${String(start.getMonth() + 1).padStart(2, '0')}-${String(start.getDate()).padStart(2, '0')}`
    : start.toISOString();

beforeAll(() => {
  samples().forEach((one, i) => {
    const file = fileOf(one);
    const name = `${String(i).padStart(3, '0')}.ics`;
    writeFileSync(path.join(folder, name), file);
    const events = new ICAL.Component(ICAL.parse(file) as unknown[]).getAllSubcomponents('vevent');
    const said = (event: (typeof events)[number], property: string) =>
      String(event.getFirstPropertyValue(property) ?? '').replace(/[-:Z]/g, '');
    starts[name] = Object.values(nodeIcal.sync.parseICS(file))
      .flatMap((read) =>
        read?.type === 'VEVENT' ? [`${read.uid} ${dayOrInstant(read.start, read.datetype === 'date')}`] : [],
      )
      .sort();
    ICAL.TimezoneService.reset();
    for (const zone of new ICAL.Component(ICAL.parse(file) as unknown[]).getAllSubcomponents('vtimezone'))
      ICAL.TimezoneService.register(zone);
    firstStarts[name] = events
      .filter((event) => !event.getFirstPropertyValue('recurrence-id'))
      .map((event) => {
        const { startDate, uid } = new ICAL.Event(event);
        return `${uid} ${startDate.isDate ? startDate.toString() : new Date(startDate.toUnixTime() * 1000).toISOString()}`;
      })
      .sort();
    expected[name] = events
      .map(
        (event) =>
          `${String(event.getFirstPropertyValue('uid'))} ${said(event, 'dtstart')} ${said(event, 'recurrence-id')}`,
      ) // prettier-ignore
      .sort();
  });
  read = JSON.parse(
    execFileSync('/usr/bin/python3', ['tests/reference/debian_readers.py', folder], { encoding: 'utf8', maxBuffer: 1e8 }),
  ) as Read; // prettier-ignore
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

describe('feeds of random plans, by readers that others wrote', () => {
  test.each(READERS)('%s reads every event where it is, and complains of nothing', (reader) => {
    for (const [name, events] of Object.entries(expected))
      expect([name, read[reader][name]]).toEqual([name, events]);
  });

  test('node-ical reads every event, and each first start where it is', () => {
    for (const [name, lines] of Object.entries(firstStarts))
      expect([name, starts[name]]).toEqual([name, lines]);
  });

  test('the plans have events, series and some that differ', () => {
    const all = Object.values(expected).flat();
    expect(all.length).toBeGreaterThan(RUNS);
    expect(all.some((line) => / \d{8}(T\d{6})? \d{8}/.test(line))).toBe(true);
  });
});
