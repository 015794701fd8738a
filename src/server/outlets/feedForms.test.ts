import { XMLParser } from 'fast-xml-parser';
import ICAL from 'ical.js';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { valueOf } from '../../../tests/support/outcomes';
import type { School } from '../../../tests/support/school';
import { newSchool } from '../../../tests/support/school';
import { complaintsAbout } from '../../../tests/support/strictIcs';
import { entryInput } from '@/core/entries/entryInput';
import { outletInput } from '@/core/outlets/outletInput';
import { sheetInput } from '@/core/signup/sheetInput';
import { cancelEntry } from '../entries/cancelEntry';
import { planEntry } from '../entries/planEntry';
import { offerTimes } from '../signup/offerTimes';
import { takeTime } from '../signup/takeTime';
import { tickDone } from '../students/done';
import { createOutletAnswerer } from './answerOutlet';
import { outletsFor, publish } from './publish';

/** The other forms of a feed: tasks (RFC 5545 section 3.6.2), free and busy times (3.6.4), news (RFC 4287). */
let school: School;
let feed = '';
const ask = async (path: string) => {
  const answer = await createOutletAnswerer(school.pembit)({ method: 'GET', path, query: '', headers: {} });
  return { ...answer, text: answer.body?.toString() ?? '' };
};
const plan = async (title: string, changes: object = {}) =>
  valueOf(
    await planEntry(
      school.pembit,
      school.instructor,
      entryInput.parse({ kind: 'assignment', title, due: '2026-10-22T17:00', audience: [{ course: school.course }], ...changes }), // prettier-ignore
    ),
  );
beforeAll(async () => {
  school = await newSchool();
  const input = { kind: 'feed', audience: 'public', name: 'Hull lofting', courses: [school.course] };
  feed = new URL(valueOf(await publish(school.pembit, school.instructor, outletInput.parse(input))).url)
    .pathname;
});
afterAll(() => school.close());

const componentsOf = (text: string, name: string) =>
  new ICAL.Component(ICAL.parse(text) as never).getAllSubcomponents(name);

test('a student’s due work are tasks of an address of its own, ticked as they tick them, cancelled as it is', async () => {
  const { pembit, instructor, students } = school;
  const essay = await plan('Essay', { setOn: '2026-10-15' });
  await plan('Log');
  const off = await plan('Regatta report');
  valueOf(await cancelEntry(pembit, instructor, off.id, { reason: 'storm' } as never));
  const [own] = await outletsFor(pembit, students[0]!);
  const path = new URL(own!.url).pathname.replace(/\.ics$/, '/work.ics');
  const tasks = async () =>
    Object.fromEntries(
      componentsOf((await ask(path)).text, 'vtodo').map((todo) => {
        const at = (name: string) => todo.getFirstPropertyValue(name)?.toString();
        return [at('summary'), { status: at('status'), percent: at('percent-complete'), due: at('due'), related: at('related-to'), completed: at('completed'), uid: at('uid') }]; // prettier-ignore
      }),
    );
  const strictly = async () => complaintsAbout(Buffer.from((await ask(path)).text));
  expect(await strictly()).toEqual([]);
  const before = await tasks();
  expect(before['HL: Essay']).toMatchObject({
    status: 'NEEDS-ACTION',
    percent: '0',
    due: '2026-10-22T17:00:00',
  });
  expect(before['HL: Essay']!.related).toBe((essay as unknown as { setUid: string }).setUid);
  expect(before['HL: Log']!.related).toBeUndefined();
  expect(before['HL: Regatta report']!.status).toBe('CANCELLED');
  // Another UID than the event's, so that a program may have both.
  expect(before['HL: Essay']!.uid).not.toBe(essay.uid);
  valueOf(await tickDone(pembit, students[0]!, essay.id, true));
  expect((await tasks())['HL: Essay']).toMatchObject({ status: 'COMPLETED', percent: '100' });
  expect((await tasks())['HL: Essay']!.completed).toMatch(/Z$/);
  expect(await strictly()).toEqual([]);
  expect((await tasks())['HL: Log']!.status).toBe('NEEDS-ACTION');
  valueOf(await tickDone(pembit, students[0]!, essay.id, false));
  expect((await tasks())['HL: Essay']!.status).toBe('NEEDS-ACTION');
  // Nobody else's tick is in it, and a shared feed has none.
  expect((await ask(feed.replace(/\.ics$/, '/work.ics'))).text).not.toContain('COMPLETED');
});

test('office hours are free and busy times, without a name', async () => {
  const { pembit, instructor, students, course } = school;
  expect((await ask(feed.replace(/\.ics$/, '.ifb'))).text).not.toContain('BEGIN:VFREEBUSY');
  const sheet = valueOf(
    await offerTimes(pembit, instructor, sheetInput.parse({ title: 'Help', place: 'Loft', audience: [{ course }], offering: { stretches: [{ date: '2026-10-29', start: '12:00', end: '13:00' }], length: 30 } })), // prettier-ignore
  );
  valueOf(await takeTime(pembit, students[0]!, sheet.slots[0]!.id, {} as never));
  const { text, headers } = await ask(feed.replace(/\.ics$/, '.ifb'));
  expect(headers['content-type']).toBe('text/calendar; charset=utf-8');
  expect(complaintsAbout(Buffer.from(text))).toEqual([]);
  const [freeBusy] = componentsOf(text, 'vfreebusy');
  expect(freeBusy!.getAllProperties('freebusy').map((one) => [one.getParameter('fbtype'), one.getFirstValue()?.toString()])).toEqual([
    ['BUSY', '2026-10-29T15:00:00Z/2026-10-29T15:30:00Z'],
    ['FREE', '2026-10-29T15:30:00Z/2026-10-29T16:00:00Z'],
  ]); // prettier-ignore
  expect(text).not.toContain('Person');
});

test('what is new is an Atom feed: the newest first, each with its address and its stamps', async () => {
  const { text, headers } = await ask(feed.replace(/\.ics$/, '.atom'));
  expect(headers['content-type']).toBe('application/atom+xml; charset=utf-8');
  const { feed: read } = new XMLParser({ ignoreAttributes: false }).parse(text) as {
    feed: Record<string, unknown>;
  };
  expect(read).toMatchObject({ title: 'Hull lofting', '@_xmlns': 'http://www.w3.org/2005/Atom' });
  expect(String(read.id)).toMatch(/^urn:uuid:/);
  const entries = read.entry as {
    title: { '#text'?: string };
    id: string;
    updated: string;
    link: { '@_href': string };
  }[];
  expect(entries.length).toBeGreaterThanOrEqual(3);
  const stamps = entries.map(({ updated }) => updated);
  expect([...stamps].sort().reverse()).toEqual(stamps);
  for (const { id, link } of entries) {
    expect(id).toMatch(/^urn:uuid:/);
    expect(link['@_href']).toContain('/embed/');
  }
  // A draft is nobody's news.
  await plan('Secret', { visibility: { kind: 'draft' } });
  expect((await ask(feed.replace(/\.ics$/, '.atom'))).text).not.toContain('Secret');
});
