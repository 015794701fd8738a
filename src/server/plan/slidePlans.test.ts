import { beforeEach, describe, expect, test } from 'vitest';
import { entryInput } from '@/core/entries/entryInput';
import { closureInput, patternInput, sectionInput } from '@/core/frame/frameInput';
import type { ClassPlanId } from '@/core/ids';
import { slideInput } from '@/core/plan/slideInput';
import { momentText } from '@/core/time/zonedWall';
import { select } from '@/data/database';
import { loadPlan } from '@/data/plan/loadPlan';
import { historyOf, valueOf } from '../../../tests/support/outcomes';
import type { School } from '../../../tests/support/school';
import { newSchool, toldAtOnce } from '../../../tests/support/school';
import { planEntry } from '../entries/planEntry';
import { addClosure } from '../frame/closures';
import { addSection, changeWeek } from '../frame/sections';
import { seenBefore } from '../history/seenBefore';
import { tellChange } from '../history/tellChange';
import { undoChange } from '../history/undoChange';
import { planClass, writeTopics } from './classPlans';
import { previewSlide, slidePlans } from './slidePlans';

let school: School;
const week = (text: string) => patternInput.parse({ from: '2026-09-08', week: text });
const plan = () => loadPlan(school.pembit, [school.course]);

/** Where each plan stands in each section: `T1: 1 1`, a dot where it waits. */
async function standing(): Promise<string[]> {
  const { courses, classPlans } = await plan();
  const sections = courses[0]!.sections;
  return classPlans
    .map((p) => {
      const places = sections.map((s) => {
        const binding = p.bindings.find((b) => b.section === s.id);
        return binding ? (s.meetings.find((m) => m.id === binding.meeting)?.ordinal ?? '.') : '-';
      });
      return `${p.title}: ${places.join(' ')}`;
    })
    .sort();
}
const planId = async (title: string) => (await plan()).classPlans.find((p) => p.title === title)!.id;
const later = async (title: string, more: object = {}) =>
  slideInput.parse({ act: 'later', plan: await planId(title), ...more });
const meeting = async (ordinal: number) => (await plan()).courses[0]!.sections[0]!.meetings[ordinal - 1]!;

/** Section A on Tuesday and Thursday, B on Wednesday; topics on classes 1 to 4, an examination pinned on class 6. */
beforeEach(async () => {
  school = await newSchool();
  const { pembit, instructor, course, section } = school;
  valueOf(await changeWeek(pembit, instructor, section, week('Tue Thu 10-11:15')));
  valueOf(
    await addSection(pembit, instructor, course, sectionInput.parse({ name: 'B', week: 'Wed 10-11:15' })),
  );
  valueOf(await writeTopics(pembit, instructor, course, { list: 'T1\nT2\nT3\nT4', from: 1 }));
  const exam = { title: 'T6 exam', description: '', links: [], pinned: true };
  valueOf(await planClass(pembit, instructor, (await meeting(6)).id, exam));
  return () => school.close();
});

test('a closure slides the plans that lose their class, in their order and past what is pinned; one undo brings all back', async () => {
  const { pembit, instructor, course, term } = school;
  const before = await standing();
  const days = { term, course, name: 'Storm', firstDay: '2026-09-10', lastDay: '2026-09-15' };
  const waiting = await addClosure(pembit, instructor, closureInput.parse(days));
  // Section A: of eight classes from 8 September on, those of the 10th and 15th are gone.
  expect(await standing()).toEqual(['T1: 1 1', 'T2: . 2', 'T3: . 3', 'T4: 2 4', 'T6 exam: 4 6']);
  valueOf(await undoChange(pembit, instructor, historyOf(waiting)));
  const slid = await addClosure(pembit, instructor, closureInput.parse({ ...days, plans: 'slide' }));
  expect(await standing()).toEqual(['T1: 1 1', 'T2: 2 2', 'T3: 3 3', 'T4: 5 4', 'T6 exam: 4 6']);
  valueOf(await undoChange(pembit, instructor, historyOf(slid)));
  expect(await standing()).toEqual(before);
});

describe('sliding', () => {
  const before = ['T1: 1 1', 'T2: 2 2', 'T3: 3 3', 'T4: 4 4', 'T6 exam: 6 6'];

  test('the later plans follow in both sections, up to the empty class; one undo brings all back', async () => {
    const { pembit, instructor, course } = school;
    const preview = valueOf(await previewSlide(pembit, instructor, course, await later('T3')));
    expect(preview.moves.map((m) => `${m.title} ${m.section}: ${m.from} -> ${m.to}`)).toEqual([
      'T3 A: week 2, Tue 15 Sept -> week 2, Thu 17 Sept',
      'T4 A: week 2, Thu 17 Sept -> week 3, Tue 22 Sept',
      'T3 B: week 3, Wed 23 Sept -> week 4, Wed 30 Sept',
      'T4 B: week 4, Wed 30 Sept -> week 5, Wed 7 Oct',
    ]);
    expect(await standing()).toEqual(before);
    const slid = await slidePlans(pembit, instructor, course, await later('T3'));
    expect(await standing()).toEqual(['T1: 1 1', 'T2: 2 2', 'T3: 4 4', 'T4: 5 5', 'T6 exam: 6 6']);
    valueOf(await undoChange(pembit, instructor, historyOf(slid)));
    expect(await standing()).toEqual(before);
  });

  test.each([
    ['kept without a class', 'keep', ['T1: 1 1', 'T2: 3 3', 'T3: 4 4', 'T4: 5 5', 'T5: . .', 'T6 exam: 6 6']],
    ['dropped', 'drop', ['T1: 1 1', 'T2: 3 3', 'T3: 4 4', 'T4: 5 5', 'T6 exam: 6 6']],
    [
      'taught with the one before',
      'doubleUp',
      ['T1: 1 1', 'T2: 3 3', 'T3: 4 4', 'T4; T5: 5 5', 'T6 exam: 6 6'],
    ],
  ] as const)('what finds no class before the examination is %s', async (_, choice, expected) => {
    const { pembit, instructor, course } = school;
    const fifth = { title: 'T5', description: '<p>five</p>', links: [], pinned: false };
    valueOf(await planClass(pembit, instructor, (await meeting(5)).id, fifth));
    const overflow = { [await planId('T5')]: choice };
    const slid = await slidePlans(pembit, instructor, course, await later('T2', { overflow }));
    expect(await standing()).toEqual(expected);
    valueOf(await undoChange(pembit, instructor, historyOf(slid)));
    expect(await standing()).toEqual([...before.slice(0, 4), 'T5: 5 5', 'T6 exam: 6 6']);
  });

  test('one section alone drifts apart, and is brought together again', async () => {
    const { pembit, instructor, course } = school;
    const { sections } = (await plan()).courses[0]!;
    const [a, b] = sections;
    valueOf(await slidePlans(pembit, instructor, course, await later('T3', { sections: [b!.id] })));
    expect(await standing()).toEqual(['T1: 1 1', 'T2: 2 2', 'T3: 3 4', 'T4: 4 5', 'T6 exam: 6 6']);
    valueOf(await slidePlans(pembit, instructor, course, slideInput.parse({ act: 'together', section: b!.id, like: a!.id }))); // prettier-ignore
    expect(await standing()).toEqual(before);
  });

  test('pulls forward what comes after an empty class', async () => {
    const { pembit, instructor, course } = school;
    const dropped = slideInput.parse({ act: 'forward', into: (await meeting(2)).id });
    expect(await slidePlans(pembit, instructor, course, dropped)).toMatchObject({ ok: false, fields: [{ field: 'act' }] }); // prettier-ignore
    valueOf(await slidePlans(pembit, instructor, course, await later('T2')));
    valueOf(await slidePlans(pembit, instructor, course, dropped));
    expect(await standing()).toEqual(before);
  });
});

describe('what hangs on a slide', () => {
  const work = (json: object) =>
    entryInput.parse({ kind: 'assignment', audience: [{ course: school.course }], ...json });
  const due = async (title: string) => {
    const entry = (await plan()).entries.find((e) => e.title === title);
    return entry?.kind === 'assignment' ? momentText(entry.due) : undefined;
  };

  test('work that follows a class goes with its plan; work with a date of its own is offered', async () => {
    const { pembit, instructor, course } = school;
    valueOf(await planEntry(pembit, instructor, work({ title: 'Bound', atClass: { due: { ordinal: 4 } } })));
    const dated = valueOf(
      await planEntry(pembit, instructor, work({ title: 'Dated', due: '2026-09-17T17:00' })),
    );
    valueOf(await planEntry(pembit, instructor, work({ title: 'Elsewhere', due: '2026-12-01T17:00' })));
    const preview = valueOf(await previewSlide(pembit, instructor, course, await later('T3')));
    expect(preview.follows).toEqual([
      { title: 'Bound', from: 'Thu 17 Sept, 10:00', to: 'Tue 22 Sept, 10:00' },
    ]);
    expect(preview.offered).toEqual([{ id: dated.id, title: 'Dated', from: 'Thu 17 Sept, 17:00', to: 'Tue 22 Sept' }]); // prettier-ignore
    const slid = await slidePlans(pembit, instructor, course, await later('T3', { along: [dated.id] }));
    expect([await due('Bound'), await due('Dated'), await due('Elsewhere')]).toEqual(['2026-09-22T10:00', '2026-09-22T17:00', '2026-12-01T17:00']); // prettier-ignore
    valueOf(await undoChange(pembit, instructor, historyOf(slid)));
    expect([await due('Bound'), await due('Dated')]).toEqual(['2026-09-17T10:00', '2026-09-17T17:00']);
  });

  test('a closure added late takes a class away; what stood there is slid in after it', async () => {
    const { pembit, instructor, course, section, term } = school;
    const storm = closureInput.parse({
      term,
      course,
      name: 'Storm',
      firstDay: '2026-09-10',
      lastDay: '2026-09-10',
    });
    valueOf(await addClosure(pembit, instructor, storm));
    expect(await standing()).toEqual(['T1: 1 1', 'T2: . 2', 'T3: 2 3', 'T4: 3 4', 'T6 exam: 5 6']);
    valueOf(await slidePlans(pembit, instructor, course, await later('T2', { sections: [section] })));
    expect(await standing()).toEqual(['T1: 1 1', 'T2: 2 2', 'T3: 3 3', 'T4: 4 4', 'T6 exam: 5 6']);
  });

  test('the students of the sections are told once, with the old and the new day', async () => {
    const { pembit, instructor, course, section } = school;
    const slid = historyOf(
      await slidePlans(pembit, instructor, course, await later('T4', { sections: [section] })),
    );
    expect(valueOf(await seenBefore(pembit, instructor, slid))).toEqual({ seen: 3 });
    await toldAtOnce(school, school.students);
    expect(valueOf(await tellChange(pembit, instructor, slid))).toEqual({ told: 3, gathered: 0 });
    const [letter] = await select<{ body: string }>(pembit, 'SELECT body FROM outbox LIMIT 1');
    expect(letter!.body).toContain('T4: it was planned for Thu 17 Sept; it is now planned for Tue 22 Sept.');
  });

  test('is not for students, nor for a plan that is not there', async () => {
    const { pembit, instructor, course, students } = school;
    expect(await slidePlans(pembit, students[0]!, course, await later('T3'))).toMatchObject({
      reason: 'notFound',
    });
    const nothing = slideInput.parse({
      act: 'later',
      plan: '00000000-0000-4000-8000-000000000000' as ClassPlanId,
    });
    expect(await previewSlide(pembit, instructor, course, nothing)).toMatchObject({ reason: 'notFound' });
  });
});
