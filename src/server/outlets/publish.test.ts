import { afterAll, beforeAll, expect, test } from 'vitest';

import { outletInput } from '@/core/outlets/outletInput';
import { loadFrame, loadPlan } from '@/data/plan/loadPlan';
import { valueOf } from '../../../tests/support/outcomes';
import type { School } from '../../../tests/support/school';
import { newSchool } from '../../../tests/support/school';
import { patternInput, sectionInput } from '@/core/frame/frameInput';
import { settingsInput } from '@/core/frame/schoolSettings';
import { outletContents } from '@/core/outlets/outletContents';
import { outletViewer } from '@/core/outlets/outletViewer';
import { addSection, changeWeek } from '../frame/sections';
import { changeSettings } from '../frame/settings';
import { emptyIn } from './heldBy';
import { outletFile } from './outletFile';
import { changeOutlet, publish } from './publish';

let school: School;
beforeAll(async () => {
  school = await newSchool();
});
afterAll(() => school.close());

test('an outlet holds the classes of every section of its courses, unless it says whose', async () => {
  const { pembit, instructor, course } = school;
  valueOf(await addSection(pembit, instructor, course, sectionInput.parse({ name: 'B', week: 'Fri 9-10' })));
  const [loaded] = (await loadFrame(pembit, [course])).courses;
  const all = loaded!.sections.map(({ id }) => id);
  expect(all).toHaveLength(2);
  const input = (more: object) =>
    outletInput.parse({ kind: 'feed', audience: 'public', name: 'A feed', courses: [course], ...more });
  const made = valueOf(await publish(pembit, instructor, input({})));
  expect(made.sections).toEqual(all);
  expect(valueOf(await publish(pembit, instructor, input({ sections: [] }))).sections).toEqual([]);
  const changed = valueOf(await changeOutlet(pembit, instructor, made.id, input({ sections: [all[1]] })));
  expect(changed).toMatchObject({ sections: [all[1]] });
});

test('where students are minors, what anyone may read has no rooms and sections unless they are ticked', async () => {
  const { pembit, instructor, course, section } = school;
  const office = { ...instructor, person: { ...instructor.person, isAdmin: true } };
  const say = (students: string) =>
    changeSettings(pembit, office, settingsInput.parse({ name: 'Ropewalk', students }));
  const input = (audience: string, more: object = {}) =>
    outletInput.parse({ kind: 'feed', audience, name: 'A feed', courses: [course], ...more });
  const fileOf = async (...given: Parameters<typeof input>) => {
    const outlet = valueOf(await publish(pembit, instructor, input(...given)));
    const plan = await loadPlan(pembit, [course]);
    const contents = outletContents(outlet, outletViewer(outlet, instructor.viewer), plan, pembit.now());
    return outletFile(outlet, contents, { token: 't', baseUrl: 'https://pembit.example', open: undefined });
  };
  valueOf(await changeWeek(pembit, instructor, section, patternInput.parse({ from: '2026-09-08', week: 'Tue 10-11 in Shed 2' }))); // prettier-ignore
  expect(await fileOf('public')).toContain('LOCATION:Shed 2');
  valueOf(await say('minors'));
  const bare = await fileOf('public');
  expect(bare).toContain('BEGIN:VEVENT');
  for (const word of ['LOCATION', 'Shed 2', 'Class 1\\, A', 'Class 1\\, B']) expect(bare).not.toContain(word);
  expect(await fileOf('public', { places: true })).toContain('Class 1\\, A');
  expect(await fileOf('roster')).toContain('LOCATION:Shed 2');
  valueOf(await say('mixed'));
  expect(await fileOf('public')).not.toContain('LOCATION');
});

test('what is ticked and empty is named while it is composed', async () => {
  const { pembit, instructor, stranger, course } = school;
  const input = (more: object) =>
    outletInput.parse({ kind: 'feed', audience: 'public', name: 'A feed', courses: [course], ...more });
  const { empty } = valueOf(await emptyIn(pembit, instructor, input({ kinds: ['class', 'due'] })));
  expect(empty).toEqual(['due']);
  expect(valueOf(await emptyIn(pembit, instructor, input({ kinds: ['class'], sections: [] }))).empty).toEqual(
    ['class'],
  );
  expect(await emptyIn(pembit, stranger, input({}))).toMatchObject({ ok: false });
});
