import ICAL from 'ical.js';
import { rrulestr } from 'rrule';
import { Temporal } from 'temporal-polyfill';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { coursesOf } from '@/core/entries/viewer';
import { outletContents } from '@/core/outlets/outletContents';
import { outletViewer } from '@/core/outlets/outletViewer';
import { occurrencesOf } from '@/core/plan/occurrences';
import { instantMs } from '@/core/time/zone';
import { requireZone } from '@/core/time/zoneData';
import { isDay, momentText } from '@/core/time/zonedWall';
import type { OutletId, PersonId } from '@/core/ids';
import { PERSONAL_DEFAULTS } from '@/core/outlets/outlet';
import type { Outlet } from '@/core/outlets/outlet';
import { select } from '@/data/database';
import { loadPlan } from '@/data/plan/loadPlan';
import { viewerOf } from '@/data/people/people';
import { loadDemo } from '@/server/demo/loadDemo';
import { outletFile } from '@/server/outlets/outletFile';
import type { School } from '../support/school';
import { emptySchool } from '../support/school';
import { complaintsAbout } from '../support/strictIcs';

/** The personal feed of everybody in the demo's school: their files, and what the core says of the same contents. */
let school: Pick<School, 'pembit' | 'close'>;
type Feed = Readonly<{ name: string; file: string; core: readonly string[] }>;
const feeds: Feed[] = [];

beforeAll(async () => {
  school = await emptySchool();
  await loadDemo(school.pembit);
  const now = school.pembit.now();
  const people = await select<{ id: PersonId; name: string }>(school.pembit, 'SELECT id, name FROM people');
  for (const { id, name } of people) {
    const outlet: Outlet = { ...PERSONAL_DEFAULTS, id: 'o' as OutletId, kind: 'feed', audience: 'personal', name, owner: id, generation: 1 }; // prettier-ignore
    const viewer = outletViewer(outlet, await viewerOf(school.pembit, id, school.pembit.now()));
    const contents = outletContents(outlet, viewer, await loadPlan(school.pembit, coursesOf(viewer), id), now); // prettier-ignore
    const file = outletFile(outlet, contents, { token: 't', baseUrl: 'https://p.example' });
    const core = occurrencesOf(contents.plan, requireZone).map((o) =>
      isDay(o.start) ? momentText(o.start) : String(instantMs(requireZone(o.start.tzid), o.start.wall)),
    );
    feeds.push({ name, file, core: core.sort() });
  }
});
afterAll(() => school.close());

test('every feed of the demo draws no complaint from the checker written from the RFC', () => {
  expect(feeds.length).toBeGreaterThan(80);
  for (const { name, file } of feeds) expect([name, ...complaintsAbout(Buffer.from(file))]).toEqual([name]);
});

/** By ical.js: its own recurrence, and the VTIMEZONEs of the file. */
function byIcalJs(file: string): string[] {
  const calendar = new ICAL.Component(ICAL.parse(file) as unknown[]);
  const zones = new Map(calendar.getAllSubcomponents('vtimezone').map((zone) => [String(zone.getFirstPropertyValue('tzid')), new ICAL.Timezone(zone)])); // prettier-ignore
  const events = calendar.getAllSubcomponents('vevent');
  const said = (component: InstanceType<typeof ICAL.Component>, time: InstanceType<typeof ICAL.Time>) => {
    if (time.isDate) return time.toString();
    const tzid = String(component.getFirstProperty('dtstart')!.getFirstParameter('tzid') ?? 'UTC');
    time.zone = zones.get(tzid) ?? ICAL.Timezone.utcTimezone;
    return String(time.toUnixTime() * 1000);
  };
  return events.flatMap((component) => {
    const start = component.getFirstPropertyValue('dtstart') as InstanceType<typeof ICAL.Time>;
    if (!component.getFirstProperty('rrule')) return [said(component, start)];
    const replaced = events.flatMap((other) => {
      const id = other.getFirstPropertyValue('recurrence-id');
      return id && other.getFirstPropertyValue('uid') === component.getFirstPropertyValue('uid') ? [String(id)] : []; // prettier-ignore
    });
    const iterator = new ICAL.RecurExpansion({ component, dtstart: start });
    const times: string[] = [];
    for (let next = iterator.next(); next && times.length < 500; next = iterator.next())
      if (!replaced.includes(String(next))) times.push(said(component, next.clone()));
    return times;
  });
}

/** By `rrule`, over wall times as if they were UTC, with the zone data of this Node (right for the demo's zone). */
function byRrule(file: string): string[] {
  const unfolded = file.replaceAll('\r\n ', '');
  const components = unfolded.split('BEGIN:VEVENT').slice(1);
  const value = (component: string, name: string) => new RegExp(`^${name}((?:;[^:\\r]*)?):([^\\r]*)`, 'm').exec(component); // prettier-ignore
  const instant = (parameters: string, wall: string): string => {
    const text = wall.replace(/^(\d{4})(\d\d)(\d\d)(?:T(\d\d)(\d\d)(\d\d)Z?)?$/, (_, y, m, d, h, i, s) => (h ? `${y}-${m}-${d}T${h}:${i}:${s}` : `${y}-${m}-${d}`)); // prettier-ignore
    if (!text.includes('T')) return text;
    const tzid = /TZID=([^;:]+)/.exec(parameters)?.[1] ?? 'UTC';
    return String(Temporal.PlainDateTime.from(text).toZonedDateTime(tzid).epochMilliseconds);
  };
  return components.flatMap((component) => {
    const [, parameters = '', start = ''] = value(component, 'DTSTART')!;
    const rule = value(component, 'RRULE')?.[2];
    if (!rule) return [instant(parameters, start)];
    const uid = value(component, 'UID')![2];
    const gone = new Set([
      ...[...component.matchAll(/^EXDATE[^:\r]*:([^\r]*)/gm)].map((match) => match[1]!),
      ...components.filter((other) => value(other, 'UID')![2] === uid).flatMap((other) => value(other, 'RECURRENCE-ID')?.[2] ?? []), // prettier-ignore
    ]);
    // UNTIL is in UTC in the file; as a wall time it lies within the same day, later than the last occurrence.
    return rrulestr(`DTSTART:${start}${start.includes('T') ? 'Z' : ''}\nRRULE:${rule}`)
      .all((_, n) => n < 500)
      .map((date) => date.toISOString().replace(/[-:]|\.000/g, ''))
      .map((text) => (start.includes('T') ? text.replace('Z', '') : text.slice(0, 8)))
      .filter((wall) => !gone.has(wall))
      .map((wall) => instant(parameters, wall));
  });
}

test.each([
  ['ical.js', byIcalJs],
  ['rrule', byRrule],
])('%s finds the same occurrences in the files, to the minute, as the core has', (_, engine) => {
  for (const { name, file, core } of feeds) expect([name, ...engine(file).sort()]).toEqual([name, ...core]);
  expect(feeds.some(({ file }) => file.includes('RRULE:FREQ=WEEKLY'))).toBe(true);
});
