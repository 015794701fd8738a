import { asInserted } from '../../../tests/support/asInserted';
import { beforeEach, describe, expect, test } from 'vitest';
import { historyOf, valueOf } from '../../../tests/support/outcomes';
import type { School } from '../../../tests/support/school';
import { newSchool, workIn } from '../../../tests/support/school';
import { entryInput } from '@/core/entries/entryInput';
import { NO_PERSON_SETTINGS } from '@/core/frame/personSettings';
import { eventPayload } from '@/core/events/event';
import { meetingInput, patternInput } from '@/core/frame/frameInput';
import type { EntryId } from '@/core/ids';
import { actOnSeveral } from '../entries/bulk';
import { cancelEntry } from '../entries/cancelEntry';
import { changeEntry } from '../entries/changeEntry';
import { deleteEntry } from '../entries/deleteEntry';
import { planEntry } from '../entries/planEntry';
import { shiftEntries } from '../entries/shiftEntry';
import { changeMeeting } from '../frame/changeMeeting';
import { changeWeek } from '../frame/sections';
import { undoChange } from './undoChange';
import { movePlans, writeTopics } from '../plan/classPlans';
import { changeOwnSettings } from '../students/settings';
import { select } from '@/data/database';
import { loadFrame } from '@/data/plan/loadPlan';
import { entryOfState, eventsAbout, eventsOfAct } from '@/data/events/events';

let school: School;
beforeEach(async () => {
  school = await newSchool();
  return () => school.close();
});

const work = (json: object = {}) => workIn(school.course, json);
const plan = async (json: object = {}) =>
  valueOf(await planEntry(school.pembit, school.instructor, work(json)));
const typesOf = async (id: string) => (await eventsAbout(school.pembit, id)).map(({ type }) => type);

describe('what happens to an entry', () => {
  test('is told in one word for each act, and for its undoing', async () => {
    const { pembit, instructor } = school;
    const { id } = await plan();
    const moved = await shiftEntries(pembit, instructor, [{ id }], { days: 1, along: true });
    valueOf(await cancelEntry(pembit, instructor, id, { reason: 'Storm' }));
    valueOf(await cancelEntry(pembit, instructor, id, {}));
    valueOf(await actOnSeveral(pembit, instructor, [id], { act: 'draft' }));
    valueOf(await actOnSeveral(pembit, instructor, [id], { act: 'show' }));
    const changed = await changeEntry(pembit, instructor, { id, sequence: 5, scope: 'all' }, work({ due: '2026-10-23T17:00', points: 20 })); // prettier-ignore
    valueOf(await undoChange(pembit, instructor, historyOf(changed)));
    valueOf(await deleteEntry(pembit, instructor, id));
    expect(await typesOf(id)).toEqual([
      'entryAdded', 'entryMoved', 'entryCalledOff', 'entryReinstated', 'entryWithdrawn', 'entryShown', 'entryChanged',
      'entryChanged', 'entryDeleted',
    ]); // prettier-ignore
    const [event] = await eventsOfAct(pembit, historyOf(moved));
    expect(event).toMatchObject({ actor: instructor.person.id, subject: id, payload: { fields: ['date'] } });
    const { before, after } = event!.payload.entry!;
    expect(entryOfState(before!)).toMatchObject({ title: 'Half model', due: { tzid: 'America/Halifax' } });
    expect([before, after].map((state) => String(state!.row.start_local))).toEqual(['2026-10-22T17:00', '2026-10-23T17:00']); // prettier-ignore
  });

  test('a date of one student’s own is theirs alone: no course is named', async () => {
    const { pembit, instructor, students } = school;
    const entry = await plan();
    const student = students[0]!.person.id;
    const input = work({ extensions: [{ person: student, due: '2026-10-24T17:00' }] });
    const act = await changeEntry(pembit, instructor, { id: entry.id, sequence: 0, scope: 'all' }, input);
    const [event, ...others] = await eventsOfAct(pembit, historyOf(act));
    expect([event!.type, others]).toEqual(['dueExtended', []]);
    const scopes = await select<{ scope: string }>(pembit, 'SELECT scope FROM event_scopes WHERE event_id = :id', { id: event!.id }); // prettier-ignore
    expect(scopes).toEqual([{ scope: `person:${student}` }]);
  });
});

test('classes and their plans tell what happens to them, section by section', async () => {
  const { pembit, instructor, course, section } = school;
  valueOf(await changeWeek(pembit, instructor, section, patternInput.parse({ from: '2026-09-08', week: 'Tue 10-11' }))); // prettier-ignore
  const meetings = (await loadFrame(pembit, [course])).courses[0]!.sections[0]!.meetings;
  const [first, second] = meetings;
  valueOf(await writeTopics(pembit, instructor, course, { list: 'Lines', from: 1 }));
  const act = await movePlans(pembit, instructor, [{ from: first!.id, to: second!.id }]);
  expect(await eventsOfAct(pembit, historyOf(act))).toMatchObject([
    { type: 'classPlanMoved', payload: { class: { before: { date: '2026-09-08', title: 'Lines' }, after: { date: '2026-09-15' } } } },
  ]); // prettier-ignore
  const off = meetingInput.parse({ act: 'cancel', reason: 'ill' });
  valueOf(await changeMeeting(pembit, instructor, second!.id, off));
  expect(await typesOf(second!.id)).toEqual(['classCalledOff']);
});

test('every act writes an event, in the order of the acts, with a payload of its schema and nobody’s name', async () => {
  const { pembit, instructor, students } = school;
  await plan({ extensions: [{ person: students[0]!.person.id, due: '2026-10-24' }] });
  valueOf(await changeOwnSettings(pembit, instructor, { ...NO_PERSON_SETTINGS, plain: true }));
  valueOf(await planEntry(pembit, instructor, entryInput.parse({ kind: 'note', title: 'Mine', on: '2026-10-14' }))); // prettier-ignore
  const acts = await select<{ id: string }>(pembit, `SELECT id FROM history WHERE actor_id IS NOT NULL ORDER BY ${asInserted(pembit)}`); // prettier-ignore
  const events = await select<{ history_id: string; payload: string }>(pembit, 'SELECT history_id, payload FROM events WHERE actor_id IS NOT NULL ORDER BY id'); // prettier-ignore
  expect([...new Set(events.map((event) => event.history_id))]).toEqual(acts.map(({ id }) => id));
  for (const { payload } of events) {
    expect(eventPayload.safeParse(JSON.parse(payload)).error).toBeUndefined();
    expect(payload).not.toMatch(/Person \d/);
  }
});

test('an entry as an event keeps it is the entry, its text, links and replies apart', async () => {
  const { pembit } = school;
  const entry = await plan({ visibility: { kind: 'before', days: 7 }, setOn: '2026-10-12' });
  const [event] = await eventsAbout(pembit, entry.id as EntryId);
  expect(entryOfState(event!.payload.entry!.after!)).toEqual({ ...entry, links: [], description: '' });
});
