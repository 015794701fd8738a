import { beforeEach, expect, test } from 'vitest';
import { entryInput } from '@/core/entries/entryInput';
import { closureInput, patternInput } from '@/core/frame/frameInput';
import type { Meeting } from '@/core/time/meetings';
import { slideInput } from '@/core/plan/slideInput';
import { momentText } from '@/core/time/zonedWall';
import { select } from '@/data/database';
import { loadPlan } from '@/data/plan/loadPlan';
import { historyOf, valueOf } from '../../../tests/support/outcomes';
import type { School } from '../../../tests/support/school';
import { newSchool, toldAtOnce } from '../../../tests/support/school';
import { planEntry } from '../entries/planEntry';
import { addClosure } from '../frame/closures';
import { changeWeek } from '../frame/sections';
import { tellChange } from '../history/tellChange';
import { undoChange } from '../history/undoChange';
import { lookNow, unseenChanges } from '../students/changes';
import { planSeenBy } from './planSeenBy';
import { recordShown } from './recordShown';
import { previewTopics, writeTopics } from './classPlans';
import { slidePlans } from './slidePlans';
import { slideWaiting } from './slideWaiting';

/** Plans of what counts apart from the classes: labs, and the teaching weeks of a section that never meets. */
let school: School;
const plan = () => loadPlan(school.pembit, [school.course]);
const named = (m: Meeting | undefined) => (m ? `${m.strand ?? 'class'} ${m.ordinal}` : 'waits');

async function standing(): Promise<string[]> {
  const { courses, classPlans } = await plan();
  const { meetings } = courses[0]!.sections[0]!;
  return classPlans
    .map((p) => `${p.title}: ${named(meetings.find((m) => m.id === p.bindings[0]?.meeting))}`)
    .sort();
}
async function meets(week: string): Promise<void> {
  const { pembit, instructor, section } = school;
  valueOf(await changeWeek(pembit, instructor, section, patternInput.parse({ from: '2026-09-08', week })));
}
const later = async (title: string) =>
  slideInput.parse({ act: 'later', plan: (await plan()).classPlans.find((p) => p.title === title)!.id });
const due = async (title: string) => {
  const entry = (await plan()).entries.find((e) => e.title === title);
  return entry?.kind === 'assignment' ? momentText(entry.due) : undefined;
};

beforeEach(async () => {
  school = await newSchool();
  return () => school.close();
});

test('labs are planned, slid and followed apart from the classes', async () => {
  const { pembit, instructor, course } = school;
  await meets('Tue Thu 10-11:15, lab Fri 14-17');
  valueOf(await writeTopics(pembit, instructor, course, { list: 'T1\nT2\nT3', from: 1 }));
  valueOf(await writeTopics(pembit, instructor, course, { list: 'L1\nL2', from: 1, strand: 'lab' }));
  const before = ['L1: lab 1', 'L2: lab 2', 'T1: class 1', 'T2: class 2', 'T3: class 3'];
  expect(await standing()).toEqual(before);
  const report = { kind: 'assignment', title: 'Report', audience: [{ course }], atClass: { due: { ordinal: 2, strand: 'lab', edge: 'end' } } }; // prettier-ignore
  valueOf(await planEntry(pembit, instructor, entryInput.parse(report)));
  expect(await due('Report')).toBe('2026-09-18T17:00');

  // Lab 1 goes to the lab after it, not to the class between them; what is due at lab 2 goes along.
  const slid = await slidePlans(pembit, instructor, course, await later('L1'));
  expect(await standing()).toEqual(['L1: lab 2', 'L2: lab 3', 'T1: class 1', 'T2: class 2', 'T3: class 3']);
  expect(await due('Report')).toBe('2026-09-25T17:00');
  valueOf(await undoChange(pembit, instructor, historyOf(slid)));
  expect([await standing(), await due('Report')]).toEqual([before, '2026-09-18T17:00']);
});

test('a lab that a closure takes away waits for a lab, and slides in among the labs', async () => {
  const { pembit, instructor, course, term } = school;
  await meets('Tue Thu 10-11:15, lab Fri 14-17');
  valueOf(await writeTopics(pembit, instructor, course, { list: 'T1\nT2\nT3\nT4', from: 1 }));
  valueOf(await writeTopics(pembit, instructor, course, { list: 'L1\nL2', from: 1, strand: 'lab' }));
  const storm = { term, name: 'Storm', firstDay: '2026-09-11', lastDay: '2026-09-11', course };
  valueOf(await addClosure(pembit, instructor, closureInput.parse(storm)));
  // What was lab 2 is lab 1 now; the classes are as they were.
  expect(await standing()).toEqual(['L1: waits', 'L2: lab 1', 'T1: class 1', 'T2: class 2', 'T3: class 3', 'T4: class 4']); // prettier-ignore
  valueOf(await slideWaiting(pembit, instructor, course));
  expect(await standing()).toEqual(['L1: lab 1', 'L2: lab 2', 'T1: class 1', 'T2: class 2', 'T3: class 3', 'T4: class 4']); // prettier-ignore
});

test('a section that never meets is planned by week: topics, work, a closed week, a slide', async () => {
  const { pembit, instructor, course, term } = school;
  await meets('by week');
  const preview = await previewTopics(pembit, instructor, course, { list: 'W1', from: 2, strand: 'week' });
  expect(valueOf(preview).lines).toEqual([
    { number: { ordinal: 2, strand: 'week' }, title: 'W1', days: ['Mon 14 Sept'], replaces: undefined },
  ]);
  valueOf(await writeTopics(pembit, instructor, course, { list: 'W1\nW2\nW3', from: 1, strand: 'week' }));
  const work = (title: string, edge: 'start' | 'end') =>
    entryInput.parse({ kind: 'assignment', title, audience: [{ course }], atClass: { due: { ordinal: 2, strand: 'week', edge } } }); // prettier-ignore
  valueOf(await planEntry(pembit, instructor, work('At its start', 'start')));
  valueOf(await planEntry(pembit, instructor, work('At its end', 'end')));
  expect([await due('At its start'), await due('At its end')]).toEqual(['2026-09-14', '2026-09-20']);

  const storm = { term, name: 'Storm week', firstDay: '2026-09-14', lastDay: '2026-09-18', plans: 'slide', course }; // prettier-ignore
  valueOf(await addClosure(pembit, instructor, closureInput.parse(storm)));
  expect(await standing()).toEqual(['W1: week 1', 'W2: week 3', 'W3: week 4']);
  valueOf(await slidePlans(pembit, instructor, course, await later('W3')));
  expect(await standing()).toEqual(['W1: week 1', 'W2: week 3', 'W3: week 5']);
});

test('who is told of a week whose plan slid reads the day on which it begins; nobody reads that a week has moved by itself', async () => {
  const { pembit, instructor, course, students } = school;
  await toldAtOnce(school, students);
  await meets('by week');
  valueOf(await writeTopics(pembit, instructor, course, { list: 'W1\nW2', from: 7, strand: 'week' }));
  const student = students[0]!;
  const seen = () => planSeenBy(pembit, student.viewer);
  await recordShown(pembit, student.person.id, await seen());
  await lookNow(pembit, student);
  school.later(60_000);
  const slid = await slidePlans(pembit, instructor, course, await later('W1'));
  valueOf(await tellChange(pembit, instructor, historyOf(slid)));
  const letters = await select<{ body: string }>(pembit, 'SELECT body FROM outbox');
  expect(letters.map(({ body }) => body).join()).toMatch(/W1: it was planned for Mon 19 Oct; it is now planned for Mon 26 Oct\./);
  const news = await unseenChanges(pembit, student, await seen());
  expect(news.filter(({ kind }) => kind === 'moved')).toEqual([]);
}); // prettier-ignore
