import { randomUUID } from 'node:crypto';
import { beforeEach, expect, test } from 'vitest';
import { historyOf, valueOf } from '../../../tests/support/outcomes';
import type { School } from '../../../tests/support/school';
import { newSchool } from '../../../tests/support/school';
import { carryInput } from '@/core/carryover/carry';
import { entryInput } from '@/core/entries/entryInput';
import { newCourseInput, patternInput, termInput } from '@/core/frame/frameInput';
import type { CourseId } from '@/core/ids';
import { newMaterialInput } from '@/core/materials/materialInput';
import { outletInput } from '@/core/outlets/outletInput';
import { select } from '@/data/database';
import { loadPlan } from '@/data/plan/loadPlan';
import { planEntry } from '../entries/planEntry';
import { addCourse } from '../frame/courses';
import { changeWeek } from '../frame/sections';
import { addTerm } from '../frame/terms';
import { undoChange } from '../history/undoChange';
import { createOutletAnswerer } from '../outlets/answerOutlet';
import { publish } from '../outlets/publish';
import { addMaterial } from '../materials/editMaterials';
import { writeTopics } from '../plan/classPlans';
import type { SignedIn } from '../session/session';
import { carryOverPlan, previewCarryOver } from './carryOverPlan';

let school: School;
let next: CourseId;
let instructor: SignedIn;
beforeEach(async () => {
  school = await newSchool();
  const { pembit } = school;
  const office = { ...school.instructor, person: { ...school.instructor.person, isAdmin: true } };
  const term = valueOf(await addTerm(pembit, office, termInput.parse({ name: 'Winter 2027', startsOn: '2027-01-11', endsOn: '2027-04-30', tzid: 'America/Halifax' }))); // prettier-ignore
  next = valueOf(await addCourse(pembit, office, newCourseInput.parse({ term: term.id, instructor: school.instructor.person.id, code: 'HL 210', title: 'Hull lofting', tag: 'HL', color: 'brick', sections: [{ name: 'A', week: 'Mon Wed 10-11:15' }] }))).id; // prettier-ignore
  instructor = { ...school.instructor, viewer: { ...school.instructor.viewer, staffOf: new Set([school.course, next]) } }; // prettier-ignore
  valueOf(await changeWeek(pembit, instructor, school.section, patternInput.parse({ from: '2026-09-08', week: 'Tue Thu 10-11:15' }))); // prettier-ignore
  valueOf(await writeTopics(pembit, instructor, school.course, { list: 'Lines\nOffsets\nFairing', from: 1 }));
  const material = valueOf(await addMaterial(pembit, instructor, school.course, newMaterialInput.parse({ kind: 'webLink', title: 'Offsets', url: 'https://library.example/1' }))); // prettier-ignore
  valueOf(await planEntry(pembit, instructor, entryInput.parse({ kind: 'assignment', title: 'Body plan, due 15 October', setOn: '2026-10-08', due: '2026-10-15T17:00', links: [{ material: material.id }], extensions: [{ person: school.students[0]!.person.id, due: '2026-10-16T17:00' }], audience: [{ course: school.course }] }))); // prettier-ignore
  valueOf(await planEntry(pembit, instructor, entryInput.parse({ kind: 'note', title: 'Mine', on: '2026-10-15' }))); // prettier-ignore
  return () => school.close();
});

const input = (changes: object = {}) => carryInput.parse({ from: school.course, to: next, ...changes });
const planned = async () => {
  const plan = await loadPlan(school.pembit, [next]);
  return {
    classes: plan.classPlans.map(({ title }) => title).sort(),
    entries: plan.entries.map(({ title }) => title),
    materials: plan.materials.map(({ title }) => title),
  };
};

test('a plan is looked at, carried over in one act with its materials, and taken back by one undo', async () => {
  const { pembit } = school;
  const preview = valueOf(await previewCarryOver(pembit, instructor, input()));
  expect(preview.lines.map((line) => `${line.title}: ${line.from} -> ${line.to}`)).toEqual([
    'Lines: 2026-09-08 -> 2027-01-11',
    'Offsets: 2026-09-10 -> 2027-01-13',
    'Fairing: 2026-09-15 -> 2027-01-18',
    'Body plan, due 15 October: 2026-10-15 -> 2027-02-17',
  ]);
  expect(preview.materials).toBe(1);
  const before = await planned();
  const outcome = await carryOverPlan(pembit, instructor, input());
  expect(valueOf(outcome)).toEqual({ carried: 4, code: 'HL 210' });
  expect(await planned()).toEqual({ classes: ['Fairing', 'Lines', 'Offsets'], entries: ['Body plan, due 17 February'], materials: ['Offsets'] }); // prettier-ignore
  const [entry] = (await loadPlan(pembit, [next])).entries;
  const [material] = (await loadPlan(pembit, [next])).materials;
  expect(entry).toMatchObject({ extensions: [], links: [{ material: material!.id }] });
  valueOf(await undoChange(pembit, instructor, historyOf(outcome)));
  expect(await planned()).toEqual(before);
});

test('labs go to labs and classes to classes, by number as by day', async () => {
  const { pembit, section } = school;
  const labs = (week: string, from: string) => patternInput.parse({ from, week });
  valueOf(
    await changeWeek(pembit, instructor, section, labs('Tue Thu 10-11:15; lab Fri 14-17', '2026-09-08')),
  );
  const { sections } = (await loadPlan(pembit, [next])).courses[0]!;
  valueOf(await changeWeek(pembit, instructor, sections[0]!.id, labs('lab Mon 9-12; Wed Fri 10-11:15', '2027-01-11'))); // prettier-ignore
  valueOf(
    await writeTopics(pembit, instructor, school.course, { list: 'First lab', from: 1, strand: 'lab' }),
  );
  for (const mapping of ['meetings', 'weeks']) {
    const { lines } = valueOf(await previewCarryOver(pembit, instructor, input({ mapping })));
    const classes = lines.filter(({ kind }) => kind === 'class').map(({ title, to }) => `${title} ${to}`);
    expect([...classes].sort()).toEqual(
      mapping === 'meetings'
        ? ['Fairing 2027-01-20', 'First lab 2027-01-11', 'Lines 2027-01-13', 'Offsets 2027-01-15']
        : ['Fairing 2027-01-20', 'First lab 2027-01-18', 'Lines 2027-01-13', 'Offsets 2027-01-15'],
    );
  }
});

test('one week alone: its classes and work with the materials they link to, by week and weekday', async () => {
  const { pembit } = school;
  valueOf(await addMaterial(pembit, instructor, school.course, newMaterialInput.parse({ kind: 'webLink', title: 'Elsewhere', url: 'https://library.example/2' }))); // prettier-ignore
  const week = async (n: number) =>
    valueOf(await previewCarryOver(pembit, instructor, input({ week: n, mapping: 'weeks' })));
  expect((await week(1)).lines.map((line) => `${line.title}: ${line.from} -> ${line.to}`)).toEqual([
    'Lines: 2026-09-08 -> 2027-01-13',
    'Offsets: 2026-09-10 -> undefined',
  ]);
  expect((await week(1)).lines[1]).toMatchObject({ left: true, problem: 'noClass' });
  expect((await week(3)).lines).toEqual([]);
  expect(await week(6)).toMatchObject({ materials: 1, lines: [{ title: 'Body plan, due 15 October' }] });
  const outcome = await carryOverPlan(pembit, instructor, input({ week: 6, mapping: 'weeks' }));
  expect(valueOf(outcome)).toMatchObject({ carried: 1 });
  expect(await planned()).toMatchObject({ classes: [], materials: ['Offsets'] });
  valueOf(await undoChange(pembit, instructor, historyOf(outcome)));
  expect(await planned()).toEqual({ classes: [], entries: [], materials: [] });
});

test('an address that people keep shows the new course from then on, and the old one again after undo', async () => {
  const { pembit } = school;
  const outlet = valueOf(await publish(pembit, instructor, outletInput.parse({ kind: 'feed', audience: 'public', name: 'HL', courses: [school.course], sections: [school.section] }))); // prettier-ignore
  const answer = createOutletAnswerer(pembit);
  const read = async () => {
    const { body } = await answer({ method: 'GET', path: new URL(outlet.url).pathname, query: '', headers: {} }); // prettier-ignore
    return String(body);
  };
  expect(await read()).toContain('20261015T170000');
  const outcome = await carryOverPlan(pembit, instructor, input({ outlets: [outlet.id] }));
  expect(await read()).toContain('20270217T170000');
  expect(await read()).not.toContain('20261015T170000');
  valueOf(await undoChange(pembit, instructor, historyOf(outcome)));
  expect(await read()).toContain('20261015T170000');
});

test('only whoever teaches both courses carries anything, and not into the same course', async () => {
  const { pembit, stranger } = school;
  expect(await carryOverPlan(pembit, school.students[0]!, input())).toMatchObject({ reason: 'notFound' });
  expect(await previewCarryOver(pembit, stranger, input())).toMatchObject({ reason: 'notFound' });
  const half = {
    ...instructor,
    viewer: { ...instructor.viewer, staffOf: new Set([next]), instructs: new Set([next]) },
  };
  expect(await previewCarryOver(pembit, half, input())).toMatchObject({ reason: 'notFound' });
  expect(await previewCarryOver(pembit, instructor, input({ to: school.course }))).toMatchObject({ fields: [{ field: 'to' }] }); // prettier-ignore
  expect(await carryOverPlan(pembit, instructor, input({ outlets: [randomUUID()] }))).toMatchObject({ reason: 'notFound' }); // prettier-ignore
  const rows = await select<{ n: number }>(pembit, 'SELECT COUNT(*) AS n FROM class_plans WHERE course_id = :next', { next }); // prettier-ignore
  expect(rows[0]!.n).toBe(0);
});
