import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { Readable } from 'node:stream';
import { strToU8, unzipSync, zipSync } from 'fflate';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { historyOf, valueOf } from '../../../tests/support/outcomes';
import type { School } from '../../../tests/support/school';
import { emptySchool, newSchool } from '../../../tests/support/school';
import { carryInput } from '@/core/carryover/carry';
import { planToFile } from '@/core/exchange/planToFile';
import { newMaterialInput } from '@/core/materials/materialInput';
import { termInput } from '@/core/frame/frameInput';
import type { CourseId, FileId, PersonId, TermId } from '@/core/ids';
import { select } from '@/data/database';
import { recordChange } from '@/data/history/change';
import { personById, personRow, viewerOf } from '@/data/people/people';
import { loadPlan } from '@/data/plan/loadPlan';
import { carryOverPlan, previewCarryOver } from '../carryover/carryOverPlan';
import { loadDemo } from '../demo/loadDemo';
import { addTerm } from '../frame/terms';
import { undoChange } from '../history/undoChange';
import { storedPath } from '../materials/fileStore';
import { addMaterial } from '../materials/editMaterials';
import { uploadFile } from '../materials/uploadFile';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { bringPlan, previewPlan } from './bringPlan';
import type { SavedPlan } from './savePlan';
import { saveCourse, saveTerm } from './savePlan';

/** Two installations: the demo's school, and one with an administrator and nothing else. */
let from: Pick<School, 'pembit' | 'close'>;
let into: Pick<School, 'pembit' | 'close'>;
let maren: SignedIn;
let office: SignedIn;
let newcomer: SignedIn;
let term: TermId;

const signedIn = async (pembit: Pembit, id: PersonId): Promise<SignedIn> => ({
  person: (await personById(pembit, id))!,
  viewer: await viewerOf(pembit, id, pembit.now()),
  session: '',
});
const bytesOf = async ({ body }: SavedPlan): Promise<Uint8Array> => {
  const chunks: Uint8Array[] = [];
  for await (const chunk of body) chunks.push(chunk as Uint8Array);
  return Buffer.concat(chunks);
};
const streamOf = (bytes: Uint8Array) => Readable.toWeb(Readable.from([Buffer.from(bytes)])) as ReadableStream<Uint8Array>; // prettier-ignore
const send = async (pembit: Pembit, actor: SignedIn, bytes: Uint8Array): Promise<FileId> =>
  valueOf(await uploadFile(pembit, actor, { name: 'plan.zip', as: 'package', body: streamOf(bytes) })).id;
const ids = async (pembit: Pembit) =>
  (await select<{ id: CourseId }>(pembit, 'SELECT id FROM courses ORDER BY code')).map(({ id }) => id);
/** A whole plan as text: what a package would say of it, without the day on which it was saved. */
const said = async (pembit: Pembit, courses: readonly CourseId[]) => {
  const { json } = planToFile(await loadPlan(pembit, courses), { exported: pembit.now(), outline: false, files: [] }); // prettier-ignore
  const { exported: _, term: ownTerm, closures, siteDates, ...rest } = json;
  const plain = (days: readonly object[]) => days.map((day) => ({ ...day, id: '' })).sort((a, b) => (JSON.stringify(a) < JSON.stringify(b) ? -1 : 1)); // prettier-ignore
  return { ...rest, term: ownTerm, closures: plain(closures), siteDates: plain(siteDates) };
};

beforeAll(async () => {
  from = await emptySchool();
  into = await emptySchool();
  await loadDemo(from.pembit);
  const [row] = await select<{ id: PersonId }>(
    from.pembit,
    "SELECT id FROM people WHERE email LIKE 'maren@%'",
  );
  maren = await signedIn(from.pembit, row!.id);
  [{ term }] = (await select<{ term: TermId }>(from.pembit, 'SELECT id AS term FROM terms')) as [{ term: TermId }]; // prettier-ignore
  const id = randomUUID() as PersonId;
  await recordChange(
    into.pembit.queue,
    { act: 'test', summary: '', actor: null, nowMs: 0 },
    async (change) => {
      await change.insert('people', [personRow({ id, email: 'office@school.example', name: 'Office', isAdmin: true }, 0)]); // prettier-ignore
    },
  );
  newcomer = await signedIn(into.pembit, id);
  office = { ...maren, person: { ...maren.person, isAdmin: true } };
  const file = valueOf(await uploadFile(from.pembit, maren, { name: 'offsets.txt', body: streamOf(strToU8('Offsets of the hull')) })); // prettier-ignore
  const [course] = await select<{ id: CourseId }>(
    from.pembit,
    "SELECT id FROM courses WHERE code = 'HL 210'",
  );
  valueOf(await addMaterial(from.pembit, maren, course!.id, newMaterialInput.parse({ kind: 'webContent', title: 'Offsets', file: file.id }))); // prettier-ignore
}, 60_000);
afterAll(async () => {
  await from.close();
  await into.close();
});

test('a term that is saved and brought into an empty installation is the same plan, with its files', async () => {
  const bytes = await bytesOf(valueOf(await saveTerm(from.pembit, office, term)));
  const file = await send(into.pembit, newcomer, bytes);
  const preview = valueOf(await previewPlan(into.pembit, newcomer, file));
  expect(preview).toMatchObject({ outline: false, termHere: false, problems: [] });
  expect(await ids(into.pembit)).toEqual([]);

  const brought = await bringPlan(into.pembit, newcomer, { file, instructor: newcomer.person.id });
  expect(valueOf(brought).courses).toBe(preview.courses.length);
  const [there, here] = [await ids(from.pembit), await ids(into.pembit)];
  expect(here).toEqual(there);
  const [before, after] = [await said(from.pembit, there), await said(into.pembit, here)];
  const fileIds = /"file":"[^"]*"/g;
  expect(JSON.stringify(after).replace(fileIds, '')).toBe(JSON.stringify(before).replace(fileIds, ''));
  expect(before.entries.length).toBeGreaterThan(20);

  const [kept] = await select<{ hash: string }>(into.pembit, 'SELECT hash FROM files WHERE id IN (SELECT file_id FROM materials)'); // prettier-ignore
  expect(readFileSync(storedPath(into.pembit.config, kept!.hash), 'utf8')).toBe('Offsets of the hull');
  const names = await select<{ name: string }>(into.pembit, 'SELECT name FROM people');
  expect(names).toEqual([{ name: 'Office' }]);

  const again = valueOf(await previewPlan(into.pembit, newcomer, file));
  expect(again.termHere).toBe(true);
  expect(again.problems[0]).toContain('has a course');
  const twice = await bringPlan(into.pembit, newcomer, { file, instructor: newcomer.person.id });
  expect(twice).toMatchObject({ ok: false, reason: 'badRequest' });

  const administrator = await signedIn(into.pembit, newcomer.person.id);
  valueOf(await undoChange(into.pembit, administrator, historyOf(brought)));
  expect(await ids(into.pembit)).toEqual([]);
  expect(await select(into.pembit, 'SELECT id FROM terms')).toEqual([]);
}, 60_000);

test('beside what it was saved from, everything gets another id, and what closes the school is not closed twice', async () => {
  const { pembit } = from;
  const [course] = await select<{ id: CourseId }>(pembit, "SELECT id FROM courses WHERE code = 'HL 210'");
  const bytes = await bytesOf(valueOf(await saveCourse(pembit, maren, course!.id, false)));
  const { 'plan.json': plan, ...files } = unzipSync(bytes);
  const other = Buffer.from(plan!).toString('utf8').replace('"code": "HL 210"', '"code": "HL 211"');
  const file = await send(pembit, office, zipSync({ ...files, 'plan.json': strToU8(other) }));
  const closures = await select(pembit, 'SELECT id FROM closures');
  valueOf(await bringPlan(pembit, office, { file, instructor: maren.person.id }));
  const [copy] = await select<{ id: CourseId; term_id: string }>(pembit, "SELECT id, term_id FROM courses WHERE code = 'HL 211'"); // prettier-ignore
  expect(copy!.id).not.toBe(course!.id);
  expect(copy!.term_id).toBe(term);
  expect(await select(pembit, 'SELECT id FROM closures')).toHaveLength(closures.length);
  const [own, others] = [await loadPlan(pembit, [course!.id]), await loadPlan(pembit, [copy!.id])];
  const dates = (of: typeof own) =>
    of.courses[0]!.sections.flatMap((s) => s.meetings.map((m) => `${s.name} ${m.ordinal} ${m.date}`));
  expect(dates(others)).toEqual(dates(own));
  const uids = new Set(own.entries.map(({ uid }) => uid));
  expect(others.entries.filter(({ uid }) => uids.has(uid))).toEqual([]);
}, 60_000);

test('an outline is a colleague’s file: carried over into a course of another school, it finds its days there', async () => {
  const [course] = await select<{ id: CourseId }>(
    from.pembit,
    "SELECT id FROM courses WHERE code = 'HL 210'",
  );
  const bytes = await bytesOf(valueOf(await saveCourse(from.pembit, maren, course!.id, true)));
  const school = await newSchool();
  const { pembit, instructor } = school;
  try {
    const file = await send(pembit, instructor, bytes);
    const preview = valueOf(await previewPlan(pembit, instructor, file));
    expect(preview.outline).toBe(true);
    const admin = { ...instructor, person: { ...instructor.person, isAdmin: true } };
    const whole = await bringPlan(pembit, admin, { file, instructor: instructor.person.id });
    expect(whole).toMatchObject({ ok: false, fields: [{ field: 'file' }] });
    const [source] = preview.courses;
    const input = carryInput.parse({ from: source!.id, to: school.course, file, mapping: 'weeks' });
    const { lines } = valueOf(await previewCarryOver(pembit, instructor, input));
    const work = (await loadPlan(from.pembit, [course!.id])).entries.find((e) => e.kind === 'assignment' && e.audience.length === 1)!; // prettier-ignore
    const line = lines.find(({ id }) => id === work.id)!;
    // Both terms begin in the same week, so that week and weekday lead back to the day it came from.
    expect(line.to!.toString()).toBe(work.kind === 'assignment' && String('wall' in work.due ? work.due.wall.toPlainDate() : work.due)); // prettier-ignore
    valueOf(await carryOverPlan(pembit, instructor, input));
    const carried = await loadPlan(pembit, [school.course]);
    expect(carried.entries.map(({ title }) => title)).toContain(work.title);
    expect(carried.materials.some(({ file: kept }) => kept)).toBe(true);
  } finally {
    await school.close();
  }
}, 60_000);

test.each<[string, (plan: Record<string, unknown>) => unknown, string]>([
  ['no plan', () => ({ some: 'thing' }), 'There is no plan in this file'],
  ['a later version', (plan) => ({ ...plan, version: 2 }), 'newer Pembit'],
  ['a date that is none', (plan) => ({ ...plan, term: { ...(plan.term as object), startsOn: '2026-02-30' } }), 'term.startsOn'],
  ['an address that runs a script', (plan) => ({ ...plan, courses: (plan.courses as object[]).map((c) => ({ ...c, meetingLink: 'javascript:alert(1)' })) }), 'meetingLink'],
  ['a course that is not there', (plan) => ({ ...plan, courses: (plan.courses as object[]).slice(1) }), 'leads to'],
])('a package with %s is refused with a sentence, and nothing is added', async (_, change, sentence) => {
  const bytes = await bytesOf(valueOf(await saveTerm(from.pembit, office, term)));
  const { 'plan.json': plan, ...files } = unzipSync(bytes);
  const changed = change(JSON.parse(Buffer.from(plan!).toString('utf8')) as Record<string, unknown>);
  const file = await send(from.pembit, office, zipSync({ ...files, 'plan.json': strToU8(JSON.stringify(changed)) }));
  const before = await ids(from.pembit);
  const answer = await bringPlan(from.pembit, office, { file, instructor: maren.person.id });
  expect(answer).toMatchObject({ ok: false, reason: 'badRequest' });
  expect(JSON.stringify(answer)).toContain(sentence);
  expect(await ids(from.pembit)).toEqual(before);
}); // prettier-ignore

test('whoever does not teach a course cannot save it, and only the administrator saves a term or brings one in', async () => {
  const [student] = await select<{ id: PersonId }>(
    from.pembit,
    "SELECT id FROM people WHERE email LIKE 'ivo@%'",
  );
  const ivo = await signedIn(from.pembit, student!.id);
  const [course] = await ids(from.pembit);
  expect(await saveCourse(from.pembit, ivo, course!, false)).toMatchObject({ reason: 'notFound' });
  expect(await saveTerm(from.pembit, maren, term)).toMatchObject({ reason: 'notFound' });
  const file = randomUUID() as FileId;
  expect(await bringPlan(from.pembit, maren, { file, instructor: maren.person.id })).toMatchObject({ reason: 'notYours' }); // prettier-ignore
  valueOf(await addTerm(from.pembit, office, termInput.parse({ name: 'Empty', startsOn: '2027-01-11', endsOn: '2027-04-30', tzid: 'America/Halifax' }))); // prettier-ignore
  const [empty] = await select<{ id: TermId }>(from.pembit, "SELECT id FROM terms WHERE name = 'Empty'");
  expect(await saveTerm(from.pembit, office, empty!.id)).toMatchObject({ reason: 'badRequest' });
});
