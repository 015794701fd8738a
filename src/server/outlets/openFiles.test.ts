import { afterAll, beforeAll, expect, test } from 'vitest';
import { valueOf } from '../../../tests/support/outcomes';
import { PDF } from '../../../tests/support/cartridge';
import type { School } from '../../../tests/support/school';
import { newSchool } from '../../../tests/support/school';
import { silence } from '../../../tests/support/wav';
import { entryInput } from '@/core/entries/entryInput';
import type { FileId } from '@/core/ids';
import { newMaterialInput } from '@/core/materials/materialInput';
import { outletInput } from '@/core/outlets/outletInput';
import { outletsOf } from '@/data/outlets/outlets';
import { findingsOf } from '../checks/findings';
import { planEntry } from '../entries/planEntry';
import { addMaterial } from '../materials/editMaterials';
import { uploadFile } from '../materials/uploadFile';
import { createOutletAnswerer } from './answerOutlet';
import { changeOutlet, publish } from './publish';

let school: School;
let answer: ReturnType<typeof createOutletAnswerer>;
let pdf: FileId;
let sound: FileId;
let hidden: FileId;

const upload = async (name: string, bytes: Uint8Array) => {
  const body = new Blob([new Uint8Array(bytes)]).stream() as ReadableStream<Uint8Array>;
  return valueOf(await uploadFile(school.pembit, school.instructor, { name, as: 'file', body })).id;
};
const plan = async (title: string, file: FileId, changes: object = {}, link: object = {}) => {
  const input = entryInput.parse({
    kind: 'event',
    title,
    start: '2026-10-20T10:00',
    audience: [{ course: school.course }],
    links: [{ file, ...link }],
    ...changes,
  });
  return valueOf(await planEntry(school.pembit, school.instructor, input)).id;
};
let visit = '';
beforeAll(async () => {
  school = await newSchool();
  answer = createOutletAnswerer(school.pembit);
  pdf = await upload('offsets.pdf', Buffer.from(PDF));
  sound = await upload('talk.wav', silence(2));
  hidden = await upload('answers.pdf', Buffer.concat([Buffer.from(PDF), Buffer.from('\n%x')]));
  visit = await plan('Visit', pdf);
  await plan('Talk', sound);
  await plan('Draft', hidden, { visibility: { kind: 'draft' } });
});
afterAll(() => school.close());

const outlet = async (changes: object) => {
  const made = valueOf(
    await publish(
      school.pembit,
      school.instructor,
      outletInput.parse({ kind: 'embed', name: 'Hull', courses: [school.course], ...changes }),
    ),
  );
  return new URL(made.url).pathname;
};
const ask = (path: string, headers: Record<string, string> = {}) =>
  answer({ method: 'GET', path, query: '', headers });
const status = async (embed: string) =>
  Promise.all([pdf, sound, hidden].map(async (file) => (await ask(`${embed}/f/${file}`)).status));
const textOf = async (embed: string) => (await ask(`${embed}/e/${visit}`)).body!.toString();

test('whoever holds the address of a roster’s embed opens its files there, in parts, too', async () => {
  const embed = await outlet({ audience: 'roster' });
  expect(await status(embed)).toEqual([200, 200, 404]);
  expect(await textOf(embed)).toContain(`href="${embed}/f/${pdf}"`);
  const part = await ask(`${embed}/f/${pdf}`, { range: 'bytes=0-3' });
  expect(part.status).toBe(206);
  expect(part.headers).toMatchObject({
    'content-range': `bytes 0-3/${Buffer.from(PDF).length}`,
    'x-robots-tag': 'noindex',
  });
  expect(await new Response(part.stream).text()).toBe('%PDF');
});

test('anyone does only where that was ticked, and a recording not by that; what is closed says so', async () => {
  const closed = await outlet({ audience: 'public' });
  expect(await status(closed)).toEqual([404, 404, 404]);
  expect(await textOf(closed)).toContain('(for people of the course, in Pembit)');
  expect(await textOf(closed)).not.toContain(`/f/${pdf}`);
  expect(await status(await outlet({ audience: 'public', files: true }))).toEqual([200, 404, 404]);
});

test('a recording opens for anyone where it was chosen by itself; a file that is added later is found by the checks', async () => {
  const { pembit, instructor } = school;
  const embed = await outlet({ audience: 'public', files: true, recordings: [sound], name: 'Chosen' });
  expect(await status(embed)).toEqual([200, 200, 404]);
  expect(await status(await outlet({ audience: 'public', recordings: [sound] }))).toEqual([404, 404, 404]);
  const added = async () =>
    (await findingsOf(pembit, instructor)).open.flatMap(({ check, about, why }) =>
      check === 'filesAdded' && 'place' in about && about.place.title === 'Chosen' ? [why] : [],
    );
  expect(await added()).toEqual([]);
  await plan('Later', await upload('keel.pdf', Buffer.concat([Buffer.from(PDF), Buffer.from('\n%y')])));
  expect(await added()).toEqual([expect.stringContaining('one more file: keel.pdf')]);
  const id = (await outletsOf(pembit, instructor.person.id, instructor.viewer.staffOf)).find(({ name }) => name === 'Chosen')!.id;
  valueOf(await changeOutlet(pembit, instructor, id, outletInput.parse({ kind: 'embed', name: 'Chosen', courses: [school.course], audience: 'public', files: true })));
  expect(await added()).toEqual([]);
}); // prettier-ignore

test('an outlet opens nothing that it does not hold, and a personal feed nothing at all', async () => {
  expect(await status(await outlet({ audience: 'roster', kinds: ['class'] }))).toEqual([404, 404, 404]);
  expect(await status(await outlet({ audience: 'roster', detail: 'titles' }))).toEqual([404, 404, 404]);
  expect((await ask(`/embed/${'x'.repeat(43)}/f/${pdf}`)).status).toBe(404);
});

test('units and pages open as well, with what they hold, as far as it is visible by now', async () => {
  const { pembit, instructor, course } = school;
  const add = async (input: object) =>
    valueOf(await addMaterial(pembit, instructor, course, newMaterialInput.parse(input))).id;
  const unit = await add({ kind: 'unit', title: 'Week of bevels' });
  const page = await add({
    kind: 'page',
    title: 'How to hold a bevel',
    text: '<p>Lightly.</p>',
    parent: unit,
  });
  await add({
    kind: 'webContent',
    title: 'Answers',
    file: hidden,
    parent: unit,
    visibleFrom: '2027-01-01T00:00',
  });
  const other = await add({ kind: 'page', title: 'Not linked', text: '<p>Elsewhere.</p>' });
  valueOf(
    await planEntry(
      pembit,
      instructor,
      entryInput.parse({
        kind: 'event',
        title: 'Bevels',
        start: '2026-10-21T10:00',
        audience: [{ course }],
        links: [{ material: unit }],
      }),
    ),
  );
  const embed = await outlet({ audience: 'roster' });
  const text = async (id: string) => (await ask(`${embed}/m/${id}`)).body?.toString() ?? '';
  expect(await text(unit)).toContain(`href="${embed}/m/${page}"`);
  expect(await text(unit)).not.toContain('Answers');
  expect(await text(page)).toContain('Lightly.');
  expect((await ask(`${embed}/m/${other}`)).status).toBe(404);
  expect((await ask(`${await outlet({ audience: 'public' })}/m/${unit}`)).status).toBe(404);
  expect((await ask(`${embed}/f/${hidden}`)).status).toBe(404);
});
