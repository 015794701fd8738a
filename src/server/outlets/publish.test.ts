import { afterAll, beforeAll, expect, test } from 'vitest';
import { sectionInput } from '@/core/frame/frameInput';
import { outletInput } from '@/core/outlets/outletInput';
import { loadFrame } from '@/data/plan/loadPlan';
import { valueOf } from '../../../tests/support/outcomes';
import type { School } from '../../../tests/support/school';
import { newSchool } from '../../../tests/support/school';
import { addSection } from '../frame/courses';
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
