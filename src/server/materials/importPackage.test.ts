import { readdirSync } from 'node:fs';
import path from 'node:path';
import { beforeEach, expect, test } from 'vitest';
import { strToU8, zipSync } from 'fflate';
import type { PackageItem } from '../../../tests/support/cartridge';
import { PDF, SAMPLE, cartridge } from '../../../tests/support/cartridge';
import { historyOf, valueOf } from '../../../tests/support/outcomes';
import type { School } from '../../../tests/support/school';
import { newSchool } from '../../../tests/support/school';
import type { FileId } from '@/core/ids';
import { inOrder, outlineOf } from '@/core/materials/outline';
import { materialInput } from '@/core/materials/materialInput';
import { undoChange } from '../history/undoChange';
import { changeMaterial, deleteMaterial } from './editMaterials';
import { importPackage, previewPackage } from './importPackage';
import { materialsSeenBy } from './materialsSeenBy';
import { uploadFile } from './uploadFile';

let school: School;
beforeEach(async () => {
  school = await newSchool();
  return () => school.close();
});

const quiet = { report: () => undefined, signal: new AbortController().signal };
const stream = (bytes: Uint8Array) =>
  new Blob([new Uint8Array(bytes)]).stream() as ReadableStream<Uint8Array>;
const upload = async (bytes: Uint8Array, name = 'hull.imscc') =>
  valueOf(await uploadFile(school.pembit, school.instructor, { name, as: 'package', body: stream(bytes) }))
    .id;
const bring = async (bytes: Uint8Array) =>
  importPackage(school.pembit, school.instructor, school.course, await upload(bytes), quiet);
async function outline(): Promise<string[]> {
  const materials = await materialsSeenBy(school.pembit, school.instructor.viewer);
  return inOrder(outlineOf(materials)).map(
    ({ material: m, depth }) => `${'-'.repeat(depth)}${m.title} (${m.kind})`,
  );
}

test('a package becomes the outline it describes; undo takes it back; the same again changes nothing', async () => {
  const preview = valueOf(await previewPackage(school.pembit, school.instructor, school.course, await upload(cartridge(SAMPLE)), quiet)); // prettier-ignore
  expect(preview.lines.map((line) => `${line.depth} ${line.state}`)).toEqual(['0 new', '1 new', '1 new', '1 new', '1 new', '2 new', '0 new', '0 new']); // prettier-ignore
  expect(preview.skipped).toEqual([{ title: 'An outside tool', why: 'of a kind that is not brought in' }]);
  expect(await outline()).toEqual([]);

  const first = await bring(cartridge(SAMPLE));
  expect(valueOf(first)).toEqual({ added: 8, changed: 0, skipped: 1 });
  valueOf(await undoChange(school.pembit, school.instructor, historyOf(first)));
  expect(await outline()).toEqual([]);
  valueOf(await bring(cartridge(SAMPLE)));
  const whole = ['Bevels & boards (unit)', '-Before class (page)', '-The bevel board (webContent)', '-Taking bevels (webLink)', '-For practice (unit)', '--Bevels quiz (test)', 'What went wrong? (topic)', 'Half model (assignment)']; // prettier-ignore
  expect(await outline()).toEqual(whole);
  const page = (await materialsSeenBy(school.pembit, school.instructor.viewer)).find(
    (m) => m.kind === 'page',
  );
  expect(page!.text).toBe('<p>Bring a <strong>rule</strong>.</p>');

  expect(valueOf(await bring(cartridge(SAMPLE)))).toEqual({ added: 0, changed: 0, skipped: 1 });
  expect(valueOf(await bring(cartridge(SAMPLE, '1.1')))).toEqual({ added: 0, changed: 0, skipped: 1 });
  expect(await outline()).toEqual(whole);

  const renamed = SAMPLE.map((item) => (item.id === 'i7' ? { ...item, title: 'What went right?' } : item));
  expect(valueOf(await bring(cartridge(renamed)))).toEqual({ added: 0, changed: 1, skipped: 1 });
  expect((await outline())[6]).toBe('What went right? (topic)');
});

test('an export with new identifiers is known again by addresses and paths', async () => {
  const anew = (items: readonly PackageItem[]): PackageItem[] =>
    items.map((item) => ({
      ...item,
      id: `new-${item.id}`,
      ...(item.items ? { items: anew(item.items) } : {}),
    }));
  valueOf(await bring(cartridge(SAMPLE)));
  const before = await outline();
  expect(valueOf(await bring(cartridge(anew(SAMPLE))))).toMatchObject({ added: 0 });
  expect(await outline()).toEqual(before);
});

test('a file whose content changed is exchanged; one of a type that is not kept is left out, and named', async () => {
  const file = (bytes: Uint8Array): PackageItem => ({ id: 'f', kind: 'file', title: 'Board', path: 'board.pdf', bytes }); // prettier-ignore
  const fileNow = async () => (await materialsSeenBy(school.pembit, school.instructor.viewer)).find((m) => m.title === 'Board')!.file; // prettier-ignore
  valueOf(await bring(cartridge([file(PDF)])));
  const was = await fileNow();
  valueOf(await bring(cartridge([file(PDF)])));
  expect(await fileNow()).toBe(was);
  expect(valueOf(await bring(cartridge([file(new Uint8Array([...PDF, 10]))])))).toMatchObject({ changed: 1 });
  expect(await fileNow()).not.toBe(was);
  const program: PackageItem = { id: 'p', kind: 'file', title: 'Run me', path: 'run.pdf', bytes: strToU8('MZ\u0090\u0000\u0003program') }; // prettier-ignore
  expect(valueOf(await bring(cartridge([file(PDF), program])))).toMatchObject({ added: 0, skipped: 1 });
});

test('a material that somebody renames while the same package is read again keeps its name and its file', async () => {
  const items: PackageItem[] = [{ id: 'f', kind: 'file', title: 'Board', path: 'board.pdf', bytes: PDF }];
  const only = async () => (await materialsSeenBy(school.pembit, school.instructor.viewer))[0]!;
  valueOf(await bring(cartridge(items)));
  const { id, file } = await only();
  let renaming: Promise<unknown> | undefined;
  const report = () => {
    renaming = changeMaterial(school.pembit, school.instructor, id, materialInput.parse({ title: 'Big board', file })); // prettier-ignore
  };
  const again = await upload(cartridge(items));
  valueOf(await importPackage(school.pembit, school.instructor, school.course, again, { ...quiet, report }));
  await renaming;
  expect(await only()).toMatchObject({ title: 'Big board', file });
});

test('what is brought in comes after what is there, where something in between was taken away', async () => {
  const page = (id: string): PackageItem => ({ id, kind: 'topic', title: `Talk ${id}`, html: id });
  valueOf(await bring(cartridge([page('a'), page('b'), page('c')])));
  const [first] = await materialsSeenBy(school.pembit, school.instructor.viewer);
  valueOf(await deleteMaterial(school.pembit, school.instructor, first!.id));
  valueOf(await bring(cartridge([page('b'), page('c'), page('d')])));
  expect(await outline()).toEqual(['Talk b (topic)', 'Talk c (topic)', 'Talk d (topic)']);
});

const bomb = () =>
  zipSync({ 'imsmanifest.xml': strToU8('<manifest/>'), 'big.bin': new Uint8Array(30_000_000) }, { level: 9 });
test.each([
  ['no zip at all', strToU8('Good morning'), 'hull.txt', /cannot|can be opened/],
  ['no list of contents', zipSync({ 'a.txt': strToU8('a') }), 'hull.zip', /imsmanifest/],
  ['a name that climbs out', zipSync({ '../../etc/x': strToU8('a') }), 'hull.zip', /leads out/],
  ['a file that unpacks to far more', bomb(), 'hull.zip', /unpacks to far more/],
  ['more files than a course has', zipSync(Object.fromEntries(Array.from({ length: 10_001 }, (_, i) => [`f${i}`, new Uint8Array()]))), 'hull.zip', /10,000/],
])('a package with %s is refused with a sentence, and nothing is left behind', async (_, bytes, name, sentence) => {
  const file = await upload(bytes, name);
  const refusal = await importPackage(school.pembit, school.instructor, school.course, file, quiet);
  expect(refusal).toMatchObject({ ok: false, fields: [{ field: 'file' }] });
  expect(refusal.ok ? '' : refusal.fields![0]!.message).toMatch(sentence);
  expect(await outline()).toEqual([]);
  expect(readdirSync(path.join(school.pembit.config.dataFolder, 'files', 'incoming'))).toEqual([]);
}); // prettier-ignore

test('stopped halfway, nothing is changed and nothing is left behind', async () => {
  const stop = new AbortController();
  const file = await upload(cartridge(SAMPLE));
  const report = (done: number) => done === 3 && stop.abort();
  const stopped = await importPackage(school.pembit, school.instructor, school.course, file, { report, signal: stop.signal }); // prettier-ignore
  expect(stopped).toMatchObject({ ok: false });
  expect(await outline()).toEqual([]);
  expect(readdirSync(path.join(school.pembit.config.dataFolder, 'files', 'incoming'))).toEqual([]);
});

test('a student, and staff of another course, bring nothing in', async () => {
  const file: FileId = await upload(cartridge(SAMPLE));
  for (const actor of [school.students[0]!, school.stranger])
    expect(await importPackage(school.pembit, actor, school.course, file, quiet)).toMatchObject({
      reason: 'notFound',
    });
});
