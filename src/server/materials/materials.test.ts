import { beforeEach, expect, test } from 'vitest';
import { entryInput } from '@/core/entries/entryInput';
import { patternInput } from '@/core/frame/frameInput';
import { classPlanInput } from '@/core/plan/classPlanInput';
import { loadPlan } from '@/data/plan/loadPlan';
import { planEntry } from '../entries/planEntry';
import { changeWeek } from '../frame/sections';
import { planClass } from '../plan/classPlans';
import { planSeenBy } from '../plan/planSeenBy';
import { materialInput, newMaterialInput } from '@/core/materials/materialInput';
import { inOrder, outlineOf } from '@/core/materials/outline';
import type { MaterialId } from '@/core/ids';
import { historyOf, valueOf } from '../../../tests/support/outcomes';
import type { School } from '../../../tests/support/school';
import { newSchool } from '../../../tests/support/school';
import { archiveCourse, deleteCourse } from '../frame/archive';
import { undoChange } from '../history/undoChange';
import { addMaterial, changeMaterial, deleteMaterial, moveMaterial } from './editMaterials';
import { importMaterials, previewMaterials } from './importMaterials';
import { materialsSeenBy } from './materialsSeenBy';

let school: School;
beforeEach(async () => {
  school = await newSchool();
  return () => school.close();
});

const LIST =
  'Lines\nDrawing https://x.example/d\nFairing https://x.example/f\nBevels\nBoard https://x.example/b';
const add = async (json: object) => valueOf(await addMaterial(school.pembit, school.instructor, school.course, newMaterialInput.parse(json))).id; // prettier-ignore
async function seen(actor = school.instructor): Promise<string[]> {
  const materials = await materialsSeenBy(school.pembit, actor.viewer);
  return inOrder(outlineOf(materials)).map(({ material, depth }) => `${'-'.repeat(depth)}${material.title}`);
}
const idOf = async (title: string) =>
  (await materialsSeenBy(school.pembit, school.instructor.viewer)).find((m) => m.title === title)!.id;

test('a list is brought in as its preview said, and once more changes nothing', async () => {
  const { pembit, instructor, course } = school;
  const preview = valueOf(await previewMaterials(pembit, instructor, course, LIST));
  expect(preview.lines.map((line) => line.state)).toEqual(['new', 'new', 'new', 'new', 'new']);
  expect(await seen()).toEqual([]);
  const brought = await importMaterials(pembit, instructor, course, LIST);
  expect(valueOf(brought)).toEqual({ added: 5, changed: 0 });
  const outline = ['Lines', '-Drawing', '-Fairing', 'Bevels', '-Board'];
  expect(await seen()).toEqual(outline);
  expect(valueOf(await importMaterials(pembit, instructor, course, LIST))).toEqual({ added: 0, changed: 0 });
  expect(valueOf(await importMaterials(pembit, instructor, course, LIST.replace('Board', 'The board')))).toEqual({ added: 0, changed: 1 }); // prettier-ignore
  expect(await seen()).toEqual([...outline.slice(0, 4), '-The board']);
});

test('a list with a line at fault brings in nothing', async () => {
  const { pembit, instructor, course } = school;
  const list = 'title,url\nGood,https://x.example\nBad,x.example';
  expect(await importMaterials(pembit, instructor, course, list)).toMatchObject({ ok: false, fields: [{ field: 'list', message: 'Line 3: “x.example” is not a whole address.' }] }); // prettier-ignore
  expect(await seen()).toEqual([]);
});

test('adding, changing, moving and taking away: each is undone', async () => {
  const { pembit, instructor, course } = school;
  valueOf(await importMaterials(pembit, instructor, course, LIST));
  const before = await seen();
  const undo = async (act: Parameters<typeof historyOf>[0]) => {
    valueOf(await undoChange(pembit, instructor, historyOf(act)));
    expect(await seen()).toEqual(before);
  };
  const lines = await idOf('Lines');
  const page = newMaterialInput.parse({ kind: 'page', title: 'Battens', text: '<p>Soak them.<script>x</script></p>', parent: lines }); // prettier-ignore
  const added = await addMaterial(pembit, instructor, course, page);
  expect(await seen()).toEqual(['Lines', '-Drawing', '-Fairing', '-Battens', 'Bevels', '-Board']);
  const [text] = (await materialsSeenBy(pembit, instructor.viewer)).filter((m) => m.title === 'Battens');
  expect(text!.text).toBe('<p>Soak them.</p>');
  await undo(added);

  const moved = await moveMaterial(pembit, instructor, lines, { parent: await idOf('Bevels') });
  expect(await seen()).toEqual(['Bevels', '-Board', '-Lines', '--Drawing', '--Fairing']);
  await undo(moved);

  const gone = await deleteMaterial(pembit, instructor, lines);
  expect(valueOf(gone)).toMatchObject({ removed: 3 });
  expect(await seen()).toEqual(['Bevels', '-Board']);
  await undo(gone);

  const change = materialInput.parse({ title: 'Lines plan', visibleFrom: '2026-10-20T08:00' });
  const changed = await changeMaterial(pembit, instructor, lines, change);
  expect(await seen(school.students[0])).toEqual(['Bevels', '-Board']);
  await undo(changed);
});

test('a student, and staff of another course, change nothing, and learn of nothing', async () => {
  const { pembit, instructor, course, students, stranger } = school;
  valueOf(await importMaterials(pembit, instructor, course, LIST));
  const unit = await idOf('Lines');
  for (const actor of [students[0]!, stranger]) {
    expect(await addMaterial(pembit, actor, course, newMaterialInput.parse({ kind: 'unit', title: 'X' }))).toMatchObject({ reason: 'notFound' }); // prettier-ignore
    expect(await deleteMaterial(pembit, actor, unit)).toMatchObject({ reason: 'notFound' });
    expect(await moveMaterial(pembit, actor, unit, {})).toMatchObject({ reason: 'notFound' });
  }
  expect(await seen(stranger)).toEqual([]);
  const nowhere = '00000000-0000-4000-8000-000000000000' as MaterialId;
  expect(await deleteMaterial(pembit, instructor, nowhere)).toMatchObject({ reason: 'notFound' });
});

test('what leads somewhere needs an address; a unit of another course is none', async () => {
  expect(newMaterialInput.safeParse({ kind: 'recording', title: 'Talk' }).error?.issues[0]?.path).toEqual([
    'url',
  ]);
  const { pembit, instructor, course } = school;
  const link = await add({ kind: 'webLink', title: 'Drawing', url: 'https://x.example/d' });
  expect(await changeMaterial(pembit, instructor, link, materialInput.parse({ title: 'Drawing' }))).toMatchObject({ fields: [{ field: 'url' }] }); // prettier-ignore
  const foreign = newMaterialInput.parse({ kind: 'unit', title: 'X', parent: link });
  expect(await addMaterial(pembit, instructor, course, foreign)).toMatchObject({
    fields: [{ field: 'parent' }],
  });
});

test('a course that is deleted takes its materials along, and undoing brings them back', async () => {
  const { pembit, instructor, course } = school;
  valueOf(await importMaterials(pembit, instructor, course, LIST));
  valueOf(await archiveCourse(pembit, instructor, course, true));
  const gone = await deleteCourse(pembit, instructor, course);
  expect(await seen()).toEqual([]);
  valueOf(await undoChange(pembit, instructor, historyOf(gone)));
  expect((await seen()).length).toBe(5);
});

test('an entry and a class link to a material: its title and address are its own everywhere, at once', async () => {
  const { pembit, instructor, students, course, section } = school;
  valueOf(await importMaterials(pembit, instructor, course, LIST));
  valueOf(await changeWeek(pembit, instructor, section, patternInput.parse({ from: '2026-09-08', week: 'Tue 10-11:15' }))); // prettier-ignore
  const board = await idOf('Board');
  const links = [{ material: board }];
  valueOf(await planEntry(pembit, instructor, entryInput.parse({ kind: 'announcement', title: 'Bring it', on: '2026-10-14', audience: [{ course }], links }))); // prettier-ignore
  const [meeting] = (await loadPlan(pembit, [course])).courses[0]!.sections[0]!.meetings;
  const planned = classPlanInput.parse({ title: 'Bevels', links });
  valueOf(await planClass(pembit, instructor, meeting!.id, planned));
  const seenLinks = async () => {
    const plan = await planSeenBy(pembit, students[0]!.viewer);
    const entry = plan.entries.flatMap((e) => (e.kind === 'note' ? [] : e.links));
    return [...entry, ...plan.classes.flatMap((c) => c.plan?.links ?? [])].map(
      (link) => `${link.label} ${link.url}`,
    );
  };
  expect(await seenLinks()).toEqual(['Board https://x.example/b', 'Board https://x.example/b']);
  const change = materialInput.parse({ title: 'Bevel board', url: 'https://x.example/b2' });
  valueOf(await changeMaterial(pembit, instructor, board, change));
  expect(await seenLinks()).toEqual(['Bevel board https://x.example/b2', 'Bevel board https://x.example/b2']);
  const hidden = materialInput.parse({ ...change, visibleFrom: '2026-12-01T08:00' });
  valueOf(await changeMaterial(pembit, instructor, board, hidden));
  expect(await seenLinks()).toEqual([]);

  const foreign = [{ material: '00000000-0000-4000-8000-000000000000' }];
  const refusal = { ok: false, fields: [{ field: 'links.0.material' }] };
  expect(await planClass(pembit, instructor, meeting!.id, classPlanInput.parse({ title: 'X', links: foreign }))).toMatchObject(refusal); // prettier-ignore
  expect(await planEntry(pembit, instructor, entryInput.parse({ kind: 'announcement', title: 'X', on: '2026-10-14', audience: [{ course }], links: foreign }))).toMatchObject(refusal); // prettier-ignore
});
