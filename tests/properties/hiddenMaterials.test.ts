import fc from 'fast-check';
import { afterAll, beforeAll, expect, test } from 'vitest';
import type { FileId, MaterialId } from '@/core/ids';
import { entryInput } from '@/core/entries/entryInput';
import { newMaterialInput } from '@/core/materials/materialInput';
import { classPlanInput } from '@/core/plan/classPlanInput';
import { patternInput } from '@/core/frame/frameInput';
import { addMaterial } from '@/server/materials/editMaterials';
import { materialsSeenBy } from '@/server/materials/materialsSeenBy';
import { readableFile } from '@/server/materials/readableFile';
import { uploadFile } from '@/server/materials/uploadFile';
import { planEntry } from '@/server/entries/planEntry';
import { planClass } from '@/server/plan/classPlans';
import { planSeenBy } from '@/server/plan/planSeenBy';
import { changeWeek } from '@/server/frame/sections';
import { loadPlan } from '@/data/plan/loadPlan';
import { PDF } from '../support/cartridge';
import { valueOf } from '../support/outcomes';
import type { School } from '../support/school';
import { newSchool } from '../support/school';

/**
 * A student reaches no file, page or item before it is visible, whatever leads to it: the outline, a link of an entry or a
 * class, or its own address. (The routes themselves are asked in tests/browser/materials.test.ts.)
 */
let school: School;
beforeAll(async () => {
  school = await newSchool();
  valueOf(await changeWeek(school.pembit, school.instructor, school.section, patternInput.parse({ from: '2026-09-08', week: 'Tue Thu 10-11:15' }))); // prettier-ignore
});
afterAll(() => school.close());

type Given = Readonly<{ when: 'now' | 'later'; under?: number; kind: 'unit' | 'file' | 'page'; from: 'entry' | 'class' | 'none' }>; // prettier-ignore
const given: fc.Arbitrary<Given[]> = fc.array(
  fc.record({
    when: fc.constantFrom('now', 'later'),
    under: fc.option(fc.nat(6), { nil: undefined }),
    kind: fc.constantFrom('unit', 'file', 'page'),
    from: fc.constantFrom('entry', 'class', 'none'),
  }),
  { minLength: 1, maxLength: 7 },
);

test('by any address', async () => {
  const { pembit, instructor, students, course } = school;
  const [student] = students;
  const meetings = (await loadPlan(pembit, [course])).courses[0]!.sections[0]!.meetings;
  let turn = 0;
  await fc.assert(
    fc.asyncProperty(given, async (list) => {
      const made: { id: MaterialId; file?: FileId; hidden: boolean; unit: boolean }[] = [];
      for (const { when, under, kind, from } of list) {
        const parent = under === undefined ? undefined : made[under % Math.max(1, made.length)];
        const within = parent?.unit ? parent : undefined;
        const body = new Blob([new Uint8Array([...PDF, turn % 250])]).stream();
        const file = kind === 'file' ? valueOf(await uploadFile(pembit, instructor, { name: 'a.pdf', body })).id : undefined; // prettier-ignore
        const input = newMaterialInput.parse({
          kind: kind === 'file' ? 'webContent' : kind,
          title: `m${(turn += 1)}`,
          ...(file ? { file } : {}),
          ...(within ? { parent: within.id } : {}),
          ...(when === 'later' ? { visibleFrom: '2026-10-14T08:00' } : {}),
        });
        const { id } = valueOf(await addMaterial(pembit, instructor, course, input));
        made.push({ id, file, hidden: when === 'later' || (within?.hidden ?? false), unit: kind === 'unit' });
        const links = [{ material: id }];
        if (from === 'entry') valueOf(await planEntry(pembit, instructor, entryInput.parse({ kind: 'announcement', title: 'x', on: '2026-10-13', audience: [{ course }], links }))); // prettier-ignore
        if (from === 'class') valueOf(await planClass(pembit, instructor, meetings[turn % meetings.length]!.id, classPlanInput.parse({ title: 'x', links }))); // prettier-ignore
      }
      const seen = new Set((await materialsSeenBy(pembit, student!.viewer)).map((material) => material.id));
      const plan = await planSeenBy(pembit, student!.viewer);
      const led = new Set(
        [
          ...plan.entries.flatMap((entry) => (entry.kind === 'note' ? [] : entry.links)),
          ...plan.classes.flatMap((one) => one.plan?.links ?? []),
        ].flatMap((link) => link.material ?? []),
      );
      for (const { id, file, hidden } of made) {
        expect(seen.has(id)).toBe(!hidden);
        if (hidden) expect(led.has(id)).toBe(false);
        if (file) expect((await readableFile(pembit, student!.viewer, file)).ok).toBe(!hidden);
        if (file) expect((await readableFile(pembit, school.stranger.viewer, file)).ok).toBe(false);
      }
    }),
    { numRuns: 25 },
  );
});
