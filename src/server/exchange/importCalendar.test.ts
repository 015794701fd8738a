import { Readable } from 'node:stream';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { historyOf, valueOf } from '../../../tests/support/outcomes';
import type { School } from '../../../tests/support/school';
import { newSchool } from '../../../tests/support/school';
import { entryInput } from '@/core/entries/entryInput';
import { factErrors } from '@/core/entries/factErrors';
import { outletInput } from '@/core/outlets/outletInput';
import { momentText } from '@/core/time/zonedWall';
import { mainMoment } from '@/core/entries/entry';
import { loadPlan } from '@/data/plan/loadPlan';
import { changeEntry } from '../entries/changeEntry';
import { planEntry } from '../entries/planEntry';
import { shiftEntries } from '../entries/shiftEntry';
import { undoChange } from '../history/undoChange';
import { uploadFile } from '../materials/uploadFile';
import { createOutletAnswerer } from '../outlets/answerOutlet';
import { publish } from '../outlets/publish';
import { importCalendar, previewImport } from './importCalendar';

let school: School;
beforeAll(async () => void (school = await newSchool()));
afterAll(() => school.close());

const send = async (text: string, actor = school.instructor) =>
  valueOf(await uploadFile(school.pembit, actor, { name: 'c.ics', as: 'calendar', body: Readable.toWeb(Readable.from([Buffer.from(text)])) as ReadableStream<Uint8Array> })).id; // prettier-ignore
const file = (...events: string[][]) =>
  ['BEGIN:VCALENDAR', ...events.flatMap((lines) => ['BEGIN:VEVENT', ...lines, 'END:VEVENT']), 'END:VCALENDAR', ''].join('\r\n'); // prettier-ignore
const bring = async (text: string) =>
  importCalendar(school.pembit, school.instructor, { course: school.course, file: await send(text) });
const preview = async (text: string) =>
  valueOf(await previewImport(school.pembit, school.instructor, { course: school.course, file: await send(text) })).map(({ title, state }) => `${state} ${title}`); // prettier-ignore
const plan = async () =>
  (await loadPlan(school.pembit, [school.course])).entries.map((e) => `${e.kind} ${e.title} ${momentText(mainMoment(e))}`); // prettier-ignore

const RACE = ['UID:race@club.example', 'SUMMARY:Dinghy race', 'DTSTART;TZID=America/Halifax:20261024T130000', 'DTEND;TZID=America/Halifax:20261024T160000', 'DESCRIPTION:Bring oars\\nand a bailer', 'LOCATION:Outer harbour']; // prettier-ignore
const ROWING = ['UID:rowing@club.example', 'SUMMARY:Rowing', 'DTSTART;TZID=America/Halifax:20261027T070000', 'RRULE:FREQ=WEEKLY;COUNT=3', 'EXDATE;TZID=America/Halifax:20261103T070000']; // prettier-ignore

describe('a file that others wrote', () => {
  test('is seen first, brought in, and brought in again changes nothing', async () => {
    const text = file(RACE, ROWING, ['UID:x', 'SUMMARY:Broken', 'DTSTART:never'], ['UID:old', 'SUMMARY:Long ago', 'DTSTART:20190101']); // prettier-ignore
    expect(await preview(text)).toEqual(['new Dinghy race', 'new Rowing', 'left Long ago', 'left Broken']);
    const outcome = await bring(text);
    expect(valueOf(outcome)).toMatchObject({ added: 2, changed: 0, same: 0 });
    expect(await plan()).toEqual(['event Dinghy race 2026-10-24T13:00', 'event Rowing 2026-10-27T07:00']);
    expect(valueOf(await bring(text))).toMatchObject({ added: 0, changed: 0, same: 2 });
    expect(await preview(text)).toEqual(['same Dinghy race', 'same Rowing', 'left Long ago', 'left Broken']);
    valueOf(await undoChange(school.pembit, school.instructor, historyOf(outcome)));
    expect(await plan()).toEqual([]);
  });

  test('with something moved changes that alone', async () => {
    valueOf(await bring(file(RACE, ROWING)));
    const later = RACE.map((line) => line.replace('T130000', 'T140000').replace('T160000', 'T170000'));
    expect(await preview(file(later, ROWING))).toEqual(['changed Dinghy race', 'same Rowing']);
    valueOf(await bring(file(later, ROWING)));
    expect(await plan()).toEqual(['event Dinghy race 2026-10-24T14:00', 'event Rowing 2026-10-27T07:00']);
  });

  test('with repetitions by the clocks of another zone says so, and takes each by itself, once', async () => {
    const abroad = ['UID:abroad', 'SUMMARY:Lecture abroad', 'DTSTART;TZID=Europe/Lisbon:20261020T150000', 'RRULE:FREQ=WEEKLY;COUNT=4']; // prettier-ignore
    const once = ['UID:once', 'SUMMARY:Talk', 'DTSTART;TZID=Europe/Lisbon:20261020T150000'];
    expect(valueOf(await bring(file(abroad, once)))).toMatchObject({ added: 5, left: [] });
    expect(await preview(file(abroad, once))).toContain('noted Lecture abroad');
    expect(await plan()).toContain('event Talk 2026-10-20T11:00');
    expect(await plan()).toContain('event Lecture abroad 2026-10-27T12:00');
    expect(valueOf(await bring(file(abroad, once)))).toMatchObject({ added: 0, changed: 0, same: 5 });
  });

  test('is brought in by the staff of the course alone', async () => {
    const into = { course: school.course, file: await send(file(RACE)) };
    for (const actor of [school.stranger, school.students[0]!]) {
      expect(await importCalendar(school.pembit, actor, into)).toMatchObject({ reason: 'notFound' });
      expect(await previewImport(school.pembit, actor, into)).toMatchObject({ reason: 'notFound' });
    }
  });
});

test('a feed that was published here is known again, and a moved due date comes back by the file', async () => {
  const { pembit, instructor, course } = school;
  const input = (due: string) =>
    entryInput.parse({ kind: 'assignment', title: 'Body plan', setOn: '2026-10-15', due, description: '<p>Bring <b>battens</b>.</p>', audience: [{ course }] }); // prettier-ignore
  valueOf(await planEntry(pembit, instructor, input('2026-10-22T17:00')));
  const feed = valueOf(await publish(pembit, instructor, outletInput.parse({ kind: 'feed', audience: 'public', name: 'HL', courses: [course] }))); // prettier-ignore
  const answer = await createOutletAnswerer(pembit)({ method: 'GET', path: new URL(feed.url).pathname, query: '', headers: {} }); // prettier-ignore
  const exported = answer.body!.toString();
  const states = (await preview(exported)).map((line) => line.split(' ')[0]);
  expect(new Set(states)).toEqual(new Set(['same']));
  const moved = exported.replace('DTSTART;TZID=America/Halifax:20261022T170000', 'DTSTART;TZID=America/Halifax:20261023T120000'); // prettier-ignore
  expect((await preview(moved)).filter((line) => !line.startsWith('same'))).toEqual(['changed HL: Body plan (due)']); // prettier-ignore
  valueOf(await bring(moved));
  expect(await plan()).toContain('assignment Body plan 2026-10-23T12:00');
});

describe('an event in the hour that an autumn night has twice', () => {
  const NIGHT = ['UID:night@club.example', 'SUMMARY:Night watch', 'DTSTART:20261101T041500Z', 'DTEND:20261101T054500Z']; // prettier-ignore
  const SECOND = ['UID:second@club.example', 'SUMMARY:Second watch', 'DTSTART:20261101T053000Z', 'DTEND:20261101T061000Z']; // prettier-ignore
  const watches = async () =>
    (await loadPlan(school.pembit, [school.course])).entries.flatMap((e) =>
      e.kind === 'event' && e.title.endsWith('watch') && e.when.kind === 'timed' ? [e] : [],
    );
  const feed = async () => {
    const made = valueOf(await publish(school.pembit, school.instructor, outletInput.parse({ kind: 'feed', audience: 'public', name: 'HL', courses: [school.course] }))); // prettier-ignore
    const answer = await createOutletAnswerer(school.pembit)({ method: 'GET', path: new URL(made.url).pathname, query: '', headers: {} }); // prettier-ignore
    return answer.body!.toString();
  };

  test('keeps its instants in the plan, in what it is saved as again, and in feeds; the same file changes nothing', async () => {
    expect(valueOf(await bring(file(NIGHT, SECOND)))).toMatchObject({ added: 2 });
    expect(await plan()).toContain('event Night watch 2026-11-01T01:15');
    expect(await plan()).toContain('event Second watch 2026-11-01T01:30[_pass=2]');
    expect(valueOf(await bring(file(NIGHT, SECOND)))).toMatchObject({ added: 0, changed: 0, same: 2 });

    const text = await feed();
    expect(text).toContain('DTSTART;TZID=America/Halifax:20261101T011500\r\nDTEND:20261101T054500Z');
    expect(text).toContain('DTSTART:20261101T053000Z\r\nDTEND;TZID=America/Halifax:20261101T021000');
    for (const watch of await watches()) expect(factErrors(watch)).toEqual([]);
  });

  test('stays where it is when it is edited with what its form shows, and is the first where nothing else is said', async () => {
    const [, second] = await watches();
    const { pembit, instructor, course } = school;
    const change = async (start: string, sequence: number) =>
      valueOf(await changeEntry(pembit, instructor, { id: second!.id, sequence, scope: 'all' }, entryInput.parse({ kind: 'event', title: 'Second watch', start, end: '2026-11-01T02:10', audience: [{ course }] }))); // prettier-ignore
    await change('2026-11-01T01:30[_pass=2]', second!.sequence);
    expect(await plan()).toContain('event Second watch 2026-11-01T01:30[_pass=2]');
    await change('2026-11-01T01:30', (await watches())[1]!.sequence);
    expect(await plan()).toContain('event Second watch 2026-11-01T01:30');
    const watch = async () => (await watches())[1]!;
    await change('2026-11-01T01:30[_pass=2]', (await watch()).sequence);
    valueOf(await shiftEntries(pembit, instructor, [{ id: second!.id }], { days: 1, along: true }));
    expect(await plan()).toContain('event Second watch 2026-11-02T01:30');
    // On any other night there is no second time.
    await change('2026-10-31T01:30[_pass=2]', (await watches())[1]!.sequence);
    expect(await plan()).toContain('event Second watch 2026-10-31T01:30');
  });

  test('an occurrence with a text of its own keeps it', async () => {
    const own = ['UID:rowing2@club.example', 'SUMMARY:Sculling', 'DESCRIPTION:Bring a towel', 'DTSTART;TZID=America/Halifax:20261027T070000', 'RRULE:FREQ=WEEKLY;COUNT=3']; // prettier-ignore
    const single = ['UID:rowing2@club.example', 'SUMMARY:Sculling', 'DESCRIPTION:Bring a lamp', 'RECURRENCE-ID;TZID=America/Halifax:20261103T070000', 'DTSTART;TZID=America/Halifax:20261103T080000']; // prettier-ignore
    expect(valueOf(await bring(file(own, single)))).toMatchObject({ added: 1 });
    const events = (await feed()).split('BEGIN:VEVENT').filter((part) => part.includes('Sculling'));
    expect(events.map((part) => /DESCRIPTION:(.*?)(\\n|\r)/.exec(part)![1])).toEqual([
      'Bring a towel',
      'Bring a lamp',
    ]);
    expect(valueOf(await bring(file(own, single)))).toMatchObject({ added: 0, changed: 0, same: 1 });
  });
});
