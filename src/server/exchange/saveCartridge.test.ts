import { strToU8 } from 'fflate';
import { beforeEach, expect, test } from 'vitest';
import { valueOf } from '../../../tests/support/outcomes';
import type { School } from '../../../tests/support/school';
import { newSchool } from '../../../tests/support/school';
import { entryInput } from '@/core/entries/entryInput';
import type { CourseId } from '@/core/ids';
import { newMaterialInput } from '@/core/materials/materialInput';
import { inOrder, outlineOf } from '@/core/materials/outline';
import { planEntry } from '../entries/planEntry';
import { addMaterial } from '../materials/editMaterials';
import { importPackage, previewPackage } from '../materials/importPackage';
import { materialsSeenBy } from '../materials/materialsSeenBy';
import { uploadFile } from '../materials/uploadFile';
import type { SignedIn } from '../session/session';
import { saveCartridge } from './saveCartridge';

let school: School;
let both: SignedIn;
beforeEach(async () => {
  school = await newSchool();
  const { viewer } = school.instructor;
  both = { ...school.instructor, viewer: { ...viewer, staffOf: new Set([school.course, school.other]), instructs: new Set([school.course, school.other]) } }; // prettier-ignore
  return () => school.close();
});

const quiet = { report: () => undefined, signal: new AbortController().signal };
const upload = async (bytes: Uint8Array<ArrayBuffer>, name: string, as: 'package' | undefined) =>
  valueOf(await uploadFile(school.pembit, both, { name, ...(as ? { as } : {}), body: new Blob([bytes]).stream() as ReadableStream<Uint8Array> })).id; // prettier-ignore
const saved = async () => {
  const { name, body } = valueOf(await saveCartridge(school.pembit, both, school.course));
  expect(name).toBe('HL 210.imscc');
  const chunks: Buffer[] = [];
  for await (const chunk of body) chunks.push(Buffer.from(chunk as Uint8Array));
  return new Uint8Array(Buffer.concat(chunks));
};
const outline = async (course: CourseId) => {
  const own = (await materialsSeenBy(school.pembit, both.viewer)).filter((one) => one.course === course);
  return inOrder(outlineOf(own)).map(({ material, depth }) => ({ ...material, depth }));
};

test('a course goes out as a package and comes in elsewhere as the same outline, with its work and its dates in words', async () => {
  const { pembit, course, other, students } = school;
  const add = async (input: object) =>
    valueOf(await addMaterial(pembit, both, course, newMaterialInput.parse(input))).id;
  const unit = await add({ kind: 'unit', title: 'Bevels & boards' });
  await add({ kind: 'page', title: 'Before class', text: '<p>Bring a <strong>rule</strong>.</p>', parent: unit }); // prettier-ignore
  await add({ kind: 'webLink', title: 'Taking bevels', url: 'https://library.example/b?x=1&y=2', parent: unit }); // prettier-ignore
  await add({ kind: 'webContent', title: 'Offsets', file: await upload(strToU8('Offsets of the hull'), 'offsets, 2.txt', undefined) }); // prettier-ignore
  const plan = async (input: object, audience: object = { course }) =>
    valueOf(await planEntry(pembit, both, entryInput.parse({ ...input, audience: [audience] })));
  await plan({ kind: 'assignment', title: 'Body plan', setOn: '2026-10-08', due: '2026-10-15T17:00', description: '<p>On <em>paper</em>.</p>' }); // prettier-ignore
  await plan({
    kind: 'assignment',
    title: 'Not yet',
    due: '2026-10-22T17:00',
    visibility: { kind: 'draft' },
  });
  await plan({ kind: 'event', title: 'For one alone', start: '2026-10-16T10:00' }, { course, people: [students[0]!.person.id] }); // prettier-ignore
  await plan({ kind: 'event', title: 'Launch day', start: '2026-11-20' });

  const file = await upload(await saved(), 'hull.imscc', 'package');
  expect(valueOf(await previewPackage(pembit, both, other, file, quiet)).skipped).toEqual([]);
  expect(valueOf(await importPackage(pembit, both, other, file, quiet))).toEqual({ added: 7, changed: 0, skipped: 0 }); // prettier-ignore
  const came = await outline(other);
  expect(came.map(({ title, kind, depth }) => `${'-'.repeat(depth)}${title} (${kind})`)).toEqual([
    'Bevels & boards (unit)', '-Before class (page)', '-Taking bevels (webLink)', 'Offsets (webContent)', 'Work (unit)', '-Body plan (assignment)', 'What is when (page)',
  ]); // prettier-ignore
  const texts = Object.fromEntries(came.map(({ title, text, url }) => [title, text || url]));
  expect(texts['Before class']).toBe('<p>Bring a <strong>rule</strong>.</p>');
  expect(texts['Taking bevels']).toBe('https://library.example/b?x=1&y=2');
  expect(texts['Body plan']).toBe('<p>Set Thu 8 Oct, due Thu 15 Oct, 17:00.</p><p>On <em>paper</em>.</p>');
  expect(texts['What is when']).toContain('<li>Fri 20 Nov: Launch day</li>');
  expect(texts['What is when']).toContain(
    '<h3>Week 6</h3><ul><li>Thu 15 Oct, 17:00: Body plan (due)</li></ul>',
  );
  expect(JSON.stringify(texts)).not.toMatch(/Not yet|For one alone/);
  // The same once more: everything is known again.
  expect(valueOf(await importPackage(pembit, both, other, await upload(await saved(), 'again.imscc', 'package'), quiet))).toEqual({ added: 0, changed: 0, skipped: 0 }); // prettier-ignore
});

test('it is for the staff of the course alone', async () => {
  for (const actor of [school.stranger, school.students[0]!])
    expect(await saveCartridge(school.pembit, actor, school.course)).toMatchObject({ reason: 'notFound' });
});
