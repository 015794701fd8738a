import { randomUUID } from 'node:crypto';
import http from 'node:http';
import type { AddressInfo } from 'node:net';
import { Readable } from 'node:stream';
import { afterAll, beforeAll, beforeEach, describe, expect, test, vi } from 'vitest';
import { historyOf, valueOf } from '../../../tests/support/outcomes';
import type { School } from '../../../tests/support/school';
import { newSchool } from '../../../tests/support/school';
import type { CalendarId, HistoryId } from '@/core/ids';
import { sectionInput } from '@/core/frame/frameInput';
import { calendarInput, calendarLook } from '@/core/outside/calendarInput';
import { select } from '@/data/database';
import { calendarById, calendarStates, calendarsDue } from '@/data/outside/calendars';
import { allTerms, loadPlan } from '@/data/plan/loadPlan';
import { readConfig } from '../config';
import { undoChange } from '../history/undoChange';
import { addSection } from '../frame/sections';
import { changeTerm } from '../frame/terms';
import { uploadFile } from '../materials/uploadFile';
import type { Pembit } from '../pembit';
import { addCalendar, changeCalendar, deleteCalendar, previewCalendar, refreshNow } from './calendars';
import { nextRead, refreshInTurn } from './refreshCalendar';

let school: School;
let pembit: Pembit;
let source: http.Server;
/** What the source answers: lines of `date title`, or a status. */
let days: string[] = [];
let status = 200;
let conditional = 0;

const fileOf = (lines: readonly string[]) =>
  ['BEGIN:VCALENDAR', 'X-WR-CALNAME:The district', ...lines.flatMap((line) => {
    const [date = '', ...title] = line.split(' ');
    return ['BEGIN:VEVENT', `UID:${title.join('-')}`, `DTSTART;VALUE=DATE:${date.replaceAll('-', '')}`, `SUMMARY:${title.join(' ')}`, 'END:VEVENT'];
  }), 'BEGIN:VEVENT', 'SUMMARY:Broken', 'DTSTART:soon', 'END:VEVENT', 'END:VCALENDAR', ''].join('\r\n'); // prettier-ignore

beforeAll(async () => {
  source = http.createServer((request, response) => {
    const body = fileOf(days);
    const etag = `"${Buffer.from(days.join()).toString('base64')}"`;
    if (status !== 200) return void response.writeHead(status).end();
    if (request.headers['if-none-match'] === etag) {
      conditional++;
      return void response.writeHead(304).end();
    }
    response.writeHead(200, { 'content-type': 'text/calendar', etag }).end(body);
  });
  await new Promise<void>((ready) => source.listen(0, '127.0.0.1', ready));
  school = await newSchool();
  const standins = {
    PEMBIT_STANDINS: '1',
    PEMBIT_STANDINS_PORT: String((source.address() as AddressInfo).port),
  };
  const { dataFolder } = school.pembit.config;
  pembit = { ...school.pembit, config: readConfig({ ...standins, PEMBIT_DATA: dataFolder, PEMBIT_NOW: '2026-10-13T12:00:00Z' }) }; // prettier-ignore
  const section = sectionInput.parse({ name: 'B', week: 'Fri 9-10' });
  valueOf(await addSection(pembit, school.instructor, school.course, section));
});
afterAll(async () => {
  source.close();
  await school.close();
});
beforeEach(() => {
  days = ['2026-10-30 Harbour day (no school)', '2026-11-06 Parents’ evening'];
  status = 200;
});

const url = () => `http://127.0.0.1:${(source.address() as AddressInfo).port}/calendar.ics`;
const NO_SCHOOL = { kind: 'matching', words: ['no school'] } as const;
const input = (changes: object = {}) => ({ url: url(), term: school.term, courses: [school.course], closes: NO_SCHOOL, name: 'District', ...changes }); // prettier-ignore
const add = async (changes: object = {}) =>
  valueOf(await addCalendar(pembit, school.instructor, calendarInput.parse(input(changes))));
const fridays = async () =>
  (await loadPlan(pembit, [school.course])).courses[0]!.sections.find(({ name }) => name === 'B')!.meetings.map(({ date }) => date.toString()); // prettier-ignore
const state = async (id: CalendarId) => (await calendarStates(pembit, [id])).get(id)!;

describe('a calendar beside a course', () => {
  test('is looked at before it is added: its dates, its closures, what they hit, what was not understood', async () => {
    const looked = valueOf(await previewCalendar(pembit, school.instructor, calendarLook.parse(input())));
    expect(looked.name).toBe('The district');
    expect(looked.times.map(({ title }) => title)).toEqual(['Harbour day (no school)', 'Parents’ evening']);
    expect(looked.closures.map(({ name }) => name)).toEqual(['Harbour day (no school)']);
    expect(looked.hits).toEqual([{ tag: 'HL', meetings: 1, due: 0, taken: 0 }]);
    expect(looked.skipped.map(({ title, why }) => [title, why])).toEqual([['Broken', '“soon” is no date.']]);
  });

  test('closes the days that its rule names, and undo opens them again', async () => {
    const outcome = await addCalendar(pembit, school.instructor, calendarInput.parse(input()));
    expect(await fridays()).not.toContain('2026-10-30');
    expect(await fridays()).toContain('2026-11-06');
    valueOf(
      await undoChange(pembit, school.instructor, (outcome as { history?: string }).history as HistoryId),
    );
    expect(await fridays()).toContain('2026-10-30');
  });

  test('follows its source: unchanged it answers 304, a day that moves is news and moves the closure', async () => {
    const { id } = await add();
    expect(valueOf(await refreshNow(pembit, school.instructor, id)).news).toEqual([]);
    const before = conditional;
    expect(valueOf(await refreshNow(pembit, school.instructor, id)).news).toEqual([]);
    expect(conditional).toBe(before + 1);
    days = ['2026-11-20 Harbour day (no school)'];
    const { news } = valueOf(await refreshNow(pembit, school.instructor, id));
    expect(news).toEqual([
      { kind: 'changed', title: 'Harbour day (no school)', was: '2026-10-30', now: '2026-11-20' },
      { kind: 'gone', title: 'Parents’ evening', was: '2026-11-06' },
    ]);
    expect(await fridays()).toContain('2026-10-30');
    expect(await fridays()).not.toContain('2026-11-20');
    expect((await state(id)).news).toEqual(news);
    valueOf(await deleteCalendar(pembit, school.instructor, id));
    expect(await fridays()).toContain('2026-11-20');
  });

  test('keeps its last good copy when its source fails, says since when, and asks later and later', async () => {
    const { id } = await add();
    status = 503;
    expect(valueOf(await refreshNow(pembit, school.instructor, id)).failure).toBe('Its server answered 503.');
    valueOf(await refreshNow(pembit, school.instructor, id));
    expect(await state(id)).toMatchObject({ failures: 2, failure: 'status 503' });
    expect((await calendarById(pembit, id))!.times).toHaveLength(2);
    expect(await fridays()).not.toContain('2026-10-30');
    status = 200;
    valueOf(await refreshNow(pembit, school.instructor, id));
    expect((await state(id)).failingSince).toBeUndefined();
    valueOf(await deleteCalendar(pembit, school.instructor, id));
  });

  test('switched off it closes nothing and is seen by nobody; on again it is as before', async () => {
    const { id, closes } = await add();
    const facts = { name: 'District', seenBy: 'everyone', closes } as const;
    valueOf(await changeCalendar(pembit, school.instructor, id, { ...facts, active: false }));
    expect(await fridays()).toContain('2026-10-30');
    valueOf(await changeCalendar(pembit, school.instructor, id, { ...facts, active: true }));
    expect(await fridays()).not.toContain('2026-10-30');
    valueOf(await deleteCalendar(pembit, school.instructor, id));
  });

  test('is kept by the staff of its courses alone, and beside a whole term by the administrator', async () => {
    const { id, closes } = await add();
    const facts = { name: 'X', seenBy: 'everyone', active: true, closes } as const;
    for (const actor of [school.stranger, school.students[0]!]) {
      expect(await changeCalendar(pembit, actor, id, facts)).toMatchObject({ reason: 'notFound' });
      expect(await deleteCalendar(pembit, actor, id)).toMatchObject({ reason: 'notFound' });
      expect(await refreshNow(pembit, actor, id)).toMatchObject({ reason: 'notFound' });
      expect(await addCalendar(pembit, actor, calendarInput.parse(input()))).toMatchObject({ reason: 'notYours' }); // prettier-ignore
    }
    const whole = calendarInput.parse(input({ courses: undefined }));
    expect(await addCalendar(pembit, school.instructor, whole)).toMatchObject({ reason: 'notYours' });
    const office = { ...school.stranger, person: { ...school.stranger.person, isAdmin: true } };
    const made = valueOf(await addCalendar(pembit, office, whole));
    const rows = await select(pembit, 'SELECT id FROM closures WHERE course_id IS NULL AND calendar_id = :id', made); // prettier-ignore
    expect(rows).toHaveLength(1);
    valueOf(await deleteCalendar(pembit, office, made.id));
    valueOf(await deleteCalendar(pembit, school.instructor, id));
  });

  test('a term with other dates has other closures of it, and a file is read anew; undo puts both back', async () => {
    const text = fileOf(['2026-10-30 Harbour day (no school)', '2027-01-08 Ice day (no school)', '2027-03-05 Late ice (no school)']); // prettier-ignore
    const body = Readable.toWeb(Readable.from([Buffer.from(text)])) as ReadableStream<Uint8Array>;
    const { id: file } = valueOf(
      await uploadFile(pembit, school.instructor, { name: 'c.ics', as: 'calendar', body }),
    );
    const { id } = await add({ url: undefined, file });
    const closed = async () =>
      (await select<{ name: string }>(pembit, 'SELECT name FROM closures WHERE calendar_id = :id ORDER BY starts_on', { id })).map(({ name }) => name); // prettier-ignore
    const times = async () => (await calendarById(pembit, id))!.times.length;
    const readAll = async () => {
      await refreshInTurn(pembit);
      await vi.waitFor(async () => expect(await calendarsDue(pembit, 1e15, 10)).not.toContainEqual(expect.objectContaining({ calendar: id })), 10_000); // prettier-ignore
    };
    expect([await closed(), await times()]).toEqual([['Harbour day (no school)'], 2]);
    const office = { ...school.instructor, person: { ...school.instructor.person, isAdmin: true } };
    const term = (await allTerms(pembit)).find((t) => t.id === school.term)!;
    const longer = { name: term.name, startsOn: term.startsOn, endsOn: term.startsOn.with({ year: 2027, month: 1, day: 31 }), tzid: term.tzid }; // prettier-ignore
    const act = historyOf(await changeTerm(pembit, office, school.term, longer));
    expect(await closed()).toEqual(['Harbour day (no school)', 'Ice day (no school)']);
    await readAll();
    expect(await times()).toBe(3);
    valueOf(await undoChange(pembit, office, act));
    expect(await closed()).toEqual(['Harbour day (no school)']);
    await readAll();
    expect(await times()).toBe(2);
    valueOf(await deleteCalendar(pembit, school.instructor, id));
  });

  test('what is no calendar, or leads into a private network, is refused with a sentence', async () => {
    const refusal = async (changes: object) => previewCalendar(pembit, school.instructor, calendarLook.parse(input(changes))); // prettier-ignore
    expect(await refusal({ url: 'http://10.0.0.1/x.ics' })).toMatchObject({ fields: [{ field: 'url', message: 'This address leads into a private network.' }] }); // prettier-ignore
    expect(await refusal({ url: undefined, file: randomUUID() })).toMatchObject({ reason: 'notFound' });
    status = 404;
    expect(await refusal({})).toMatchObject({ fields: [{ message: 'Its server answered 404.' }] });
  });
});

test('after failures in a row a source is asked later and later, after an answer within the hour', () => {
  const minutes = [0, 1, 2, 3, 8, 20].map((failures) => nextRead(0, failures) / 60_000);
  expect(minutes).toEqual([60, 5, 10, 20, 640, 720]);
});
