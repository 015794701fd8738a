import { Temporal } from 'temporal-polyfill';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { valueOf } from '../../../tests/support/outcomes';
import type { School } from '../../../tests/support/school';
import { newSchool, workIn } from '../../../tests/support/school';
import { outletInput } from '@/core/outlets/outletInput';
import type { Entry } from '@/core/entries/entry';
import { patternInput } from '@/core/frame/frameInput';
import type { EntryId } from '@/core/ids';
import { newMaterialInput } from '@/core/materials/materialInput';
import type { Outcome } from '@/core/refusals';
import { entryById } from '@/data/entries/entries';
import { loadFrame } from '@/data/plan/loadPlan';
import { archiveCourse } from '../frame/archive';
import { changeMeeting } from '../frame/changeMeeting';
import { changeCourse } from '../frame/courses';
import { changeWeek } from '../frame/sections';
import { writeThemes } from '../frame/themes';
import { addMaterial, changeMaterial, deleteMaterial } from '../materials/editMaterials';
import { publish, replaceAddress } from '../outlets/publish';
import { writeGroup } from '../people/groups';
import { planClass } from '../plan/classPlans';
import { actOnSeveral } from './bulk';
import { cancelEntry } from './cancelEntry';
import { changeEntry } from './changeEntry';
import { changeEntryLine } from './changeEntryLine';
import { copyEntry } from './copyEntry';
import { deleteEntry } from './deleteEntry';
import { moveHangingDate } from './moveHangingDate';
import { placeEntry } from './placeEntry';
import { planEntry } from './planEntry';
import { shiftEntries } from './shiftEntry';

let school: School;
beforeAll(async () => void (school = await newSchool()));
afterAll(() => school.close());

const work = (json: object = {}) => workIn(school.course, json);
const plan = async (json: object = {}): Promise<Entry> =>
  valueOf(await planEntry(school.pembit, school.instructor, work(json)));
const stateOf = (id: EntryId) => entryById(school.pembit, id);
const wall = (text: string) => Temporal.PlainDateTime.from(text);

describe('dates that would not hang together are refused by every door', () => {
  type Door = (id: EntryId, sequence: number) => Promise<Outcome<unknown>>;
  const doors: readonly (readonly [string, Door])[] = [
    ['dragging on the term', (id) => shiftEntries(school.pembit, school.instructor, [{ id }], { days: -10, along: false })],
    ['drawing in the week', (id) => placeEntry(school.pembit, school.instructor, id, { start: wall('2026-10-12T09:00') })],
    ['a line of the list', (id, sequence) => changeEntryLine(school.pembit, school.instructor, { id, sequence }, { title: 'Half model', on: wall('2026-10-12T09:00') })],
    ['the line of dates', (id) => moveHangingDate(school.pembit, school.instructor, id, { field: 'setOn', days: 30 })],
    ['the form', (id, sequence) => changeEntry(school.pembit, school.instructor, { id, sequence, scope: 'all' }, work({ setOn: '2026-10-30' }))],
  ]; // prettier-ignore
  test.each(doors)('%s', async (_, door) => {
    const entry = await plan({ setOn: '2026-10-20', opens: '2026-10-20T08:00' });
    const outcome = await door(entry.id, entry.sequence);
    expect(outcome.ok ? [] : outcome.fields).toContainEqual(expect.objectContaining({ field: 'setOn' }));
    expect(await stateOf(entry.id)).toEqual(entry);
  });

  test('what is wrong already keeps nobody from mending it, date by date', async () => {
    const entry = await plan({ setOn: '2026-10-12', opens: '2026-10-13T08:00' });
    const { pembit, instructor } = school;
    // As an earlier version let it be: set, and opened, after it is due.
    await pembit.queue.write(
      ({ sequelize, transaction }) =>
      sequelize.query(`UPDATE entries SET set_on = '2026-10-30', opens_local = '2026-10-29T08:00' WHERE id = :id`, { replacements: { id: entry.id }, transaction }), // prettier-ignore
    );
    valueOf(await moveHangingDate(pembit, instructor, entry.id, { field: 'setOn', days: -12 }));
    valueOf(await moveHangingDate(pembit, instructor, entry.id, { field: 'opens', days: -9 }));
    const back = await moveHangingDate(pembit, instructor, entry.id, { field: 'opens', days: 9 });
    expect(back).toMatchObject({ fields: [{ field: 'opens' }] });
  });
});

test('what refuses late work does not stay open after it was due, whichever date is moved', async () => {
  const { pembit, instructor } = school;
  const due = '2026-10-15T17:00';
  const closes = { due, closes: '2026-10-16T17:00' };
  const refusing = await planEntry(pembit, instructor, work({ ...closes, lateWork: 'refused' }));
  expect(refusing).toMatchObject({ ok: false, fields: [{ field: 'lateWork' }] });
  const entry = await plan({ due, closes: due, lateWork: 'refused', handInAgain: false });
  const later = await moveHangingDate(pembit, instructor, entry.id, { field: 'closes', days: 2 });
  expect(later).toMatchObject({ ok: false, fields: [{ field: 'lateWork' }] });
  expect(await stateOf(entry.id)).toMatchObject({ lateWork: 'refused', handInAgain: false });
  expect(await plan({ ...closes, lateWork: 'taken' })).toMatchObject({ lateWork: 'taken' });
});

test('the sequence of an entry grows by one with each act, whichever door it came by', async () => {
  const { pembit, instructor } = school;
  const entry = await plan();
  const grows = async (act: Promise<Outcome<unknown>>) => {
    const before = (await stateOf(entry.id))!.sequence;
    valueOf(await act);
    expect((await stateOf(entry.id))!.sequence).toBe(before + 1);
  };
  await grows(shiftEntries(pembit, instructor, [{ id: entry.id }], { days: 1, along: true }));
  await grows(placeEntry(pembit, instructor, entry.id, { start: wall('2026-10-26T10:00') }));
  await grows(cancelEntry(pembit, instructor, entry.id, { reason: 'Storm' }));
  await grows(cancelEntry(pembit, instructor, entry.id, {}));
  await grows(actOnSeveral(pembit, instructor, [entry.id], { act: 'draft' }));
  await grows(actOnSeveral(pembit, instructor, [entry.id], { act: 'showBefore', days: 7 }));
  // Seven days before Monday the 26th, at midnight in Halifax.
  expect(await stateOf(entry.id)).toMatchObject({ visibility: { kind: 'before', days: 7 } });
  const { visibility } = (await stateOf(entry.id)) as Extract<Entry, { kind: 'assignment' }>;
  expect('at' in visibility && visibility.at.toString()).toBe('2026-10-19T03:00:00Z');
});

describe('an archived course', () => {
  let archived: School;
  let entry: Entry;
  const own = () => ({ pembit: archived.pembit, instructor: archived.instructor });
  const ids: Record<string, string> = {};
  beforeAll(async () => {
    archived = await newSchool();
    const { pembit, instructor } = own();
    const { course, section } = archived;
    valueOf(await changeWeek(pembit, instructor, section, patternInput.parse({ from: '2026-09-08', week: 'Tue 10-11' }))); // prettier-ignore
    entry = valueOf(await planEntry(pembit, instructor, workIn(course)));
    ids.meeting = (await loadFrame(pembit, [course])).courses[0]!.sections[0]!.meetings[8]!.id;
    ids.material = valueOf(await addMaterial(pembit, instructor, course, newMaterialInput.parse({ kind: 'page', title: 'Offsets', text: '<p>x</p>' }))).id; // prettier-ignore
    ids.outlet = valueOf(await publish(pembit, instructor, outletInput.parse({ kind: 'feed', audience: 'public', name: 'HL', courses: [course] }))).id; // prettier-ignore
    valueOf(await archiveCourse(pembit, instructor, course, true));
    return () => archived.close();
  });
  const extended = (json: object) =>
    workIn(archived.course, { extensions: [{ person: archived.students[0]!.person.id, due: '2026-10-24' }], ...json }); // prettier-ignore
  const material = (json: object) => ({ title: 'Offsets', url: '', text: '<p>x</p>', ...json }) as Parameters<typeof changeMaterial>[3]; // prettier-ignore

  test.each<[string, () => Promise<Outcome<unknown>>]>([
    ['adding', () => planEntry(own().pembit, own().instructor, workIn(archived.course))],
    ['copying', () => copyEntry(own().pembit, own().instructor, entry.id)],
    ['moving', () => shiftEntries(own().pembit, own().instructor, [{ id: entry.id }], { days: 1, along: true })],
    ['calling off', () => cancelEntry(own().pembit, own().instructor, entry.id, { reason: 'Storm' })],
    ['deleting', () => deleteEntry(own().pembit, own().instructor, entry.id)],
    ['acts on several', () => actOnSeveral(own().pembit, own().instructor, [entry.id], { act: 'draft' })],
    ['writing it anew', () => changeEntry(own().pembit, own().instructor, { id: entry.id, sequence: entry.sequence, scope: 'all' }, extended({ title: 'Other' }))],
    ['plans of classes', () => planClass(own().pembit, own().instructor, ids.meeting as never, { title: 'Lines', description: '', links: [], pinned: false })],
    ['moving a class', () => changeMeeting(own().pembit, own().instructor, ids.meeting as never, { act: 'cancel', reason: '' })],
    ['groups', () => writeGroup(own().pembit, own().instructor, { course: archived.course }, { name: 'Team', people: [archived.students[0]!.person.id] })],
    ['themes', () => writeThemes(own().pembit, own().instructor, archived.course, ['Lines'])],
    ['its own facts', () => changeCourse(own().pembit, own().instructor, archived.course, { code: 'HL 210', title: 'Other', tag: 'HL', color: 'brick', place: '', meetingLink: '', sharesTitles: false })],
    ['new outlets', () => publish(own().pembit, own().instructor, outletInput.parse({ kind: 'feed', audience: 'public', name: 'HL', courses: [archived.course] }))],
    ['what a material says', () => changeMaterial(own().pembit, own().instructor, ids.material as never, material({ title: 'Other' }))],
  ])('refuses %s', async (_, act) => expect(await act()).toMatchObject({ ok: false, reason: 'archived' })); // prettier-ignore

  test.each<[string, () => Promise<Outcome<unknown>>]>([
    ['extended dates', () => changeEntry(own().pembit, own().instructor, { id: entry.id, sequence: entry.sequence, scope: 'all' }, extended({}))],
    ['hiding a material', () => changeMaterial(own().pembit, own().instructor, ids.material as never, material({ visibleFrom: wall('2027-01-01T00:00') }))],
    ['taking a material away', () => deleteMaterial(own().pembit, own().instructor, ids.material as never)],
    ['another address', () => replaceAddress(own().pembit, own().instructor, ids.outlet as never)],
    ['being brought back', () => archiveCourse(own().pembit, own().instructor, archived.course, false)],
  ])('allows %s', async (_, act) => expect(await act()).toMatchObject({ ok: true })); // prettier-ignore
});
