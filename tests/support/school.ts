import { fromSection } from '@/data/plan/frameRows';
import { randomUUID } from 'node:crypto';
import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import type { EntryInput } from '@/core/entries/entryInput';
import { entryInput } from '@/core/entries/entryInput';
import { NO_PERSON_SETTINGS } from '@/core/frame/personSettings';
import { USUAL_LETTERS } from '@/core/mail/letters';
import type { CourseId, PersonId, SectionId, TermId } from '@/core/ids';
import { patternInput, sectionInput } from '@/core/frame/frameInput';
import { select } from '@/data/database';
import { recordChange } from '@/data/history/change';
import { personRow } from '@/data/people/people';
import { personById, viewerOf } from '@/data/people/people';
import { readConfig } from '@/server/config';
import type { Pembit } from '@/server/pembit';
import { openPembit } from '@/server/openPembit';
import { addSection, changeWeek } from '@/server/frame/sections';
import { changeOwnSettings } from '@/server/students/settings';
import type { SignedIn } from '@/server/session/session';
import { rosterRow, staffRow } from '@/data/people/memberRows';
import { valueOf } from './outcomes';
import { newDatabase } from './postgres';

export type School = Readonly<{
  pembit: Pembit;
  term: TermId;
  course: CourseId;
  section: SectionId;
  other: CourseId;
  instructor: SignedIn;
  /** Takes `other` only. */
  stranger: SignedIn;
  students: readonly SignedIn[];
  signedIn: (id: PersonId) => Promise<SignedIn>;
  /** Puts the clock so many milliseconds past where it would be otherwise. */
  later: (ms: number) => void;
  close: () => Promise<void>;
}>;

const newFolder = () => mkdtempSync(path.join(tmpdir(), 'pembit-school-'));
const openSchool = (folder: string, databaseUrl?: string) =>
  openPembit(
    readConfig({ PEMBIT_DATA: folder, PEMBIT_NOW: '2026-10-13T12:00:00Z', PEMBIT_DATABASE_URL: databaseUrl }),
  );

/** A folder that has been opened once: making its tables takes ten times as long as copying them. */
let emptyFolder: Promise<string> | undefined;
async function openedOnce(): Promise<string> {
  const folder = newFolder();
  process.once('exit', () => rmSync(folder, { recursive: true, force: true }));
  await (await openSchool(folder)).close();
  return folder;
}

/** A data folder of its own with nothing in it, its clock starting on 13 October 2026, 9:00 in Halifax. */
export async function emptySchool(): Promise<Pick<School, 'pembit' | 'later' | 'close'>> {
  const folder = newFolder();
  // Where the tests of this run find PostgreSQL (`onPostgres.ts`); elsewhere schools are files.
  const server = process.env.PEMBIT_TEST_POSTGRES;
  const database = server ? await newDatabase(server) : undefined;
  if (!database) cpSync(await (emptyFolder ??= openedOnce()), folder, { recursive: true });
  const opened = await openSchool(folder, database?.url);
  let milliseconds = 0;
  return {
    pembit: { ...opened, now: () => opened.now().add({ milliseconds }) },
    later: (ms) => void (milliseconds = ms),
    close: async () => {
      await opened.close();
      await database?.giveBack();
      rmSync(folder, { recursive: true, force: true });
    },
  };
}

/** A small school in a folder of its own, its clock starting on 13 October 2026, 9:00 in Halifax. */
export async function newSchool({ students = 3 } = {}): Promise<School> {
  const { pembit, later, close } = await emptySchool();
  const term = randomUUID() as TermId;
  const [course, other] = [randomUUID() as CourseId, randomUUID() as CourseId];
  const section = randomUUID() as SectionId;
  const ids = Array.from({ length: students + 2 }, () => randomUUID() as PersonId);
  const [instructorId, strangerId, ...studentIds] = ids;
  await recordChange(pembit.queue, { act: 'test', summary: '', actor: null, nowMs: 0 }, async (change) => {
    await change.insert('people', ids.map((id, i) => personRow({ id, email: `p${i}@school.example`, name: `Person ${i}` }, 0))); // prettier-ignore
    await change.insert('terms', [
      {
        id: term,
        name: 'Autumn 2026',
        starts_on: '2026-09-08',
        ends_on: '2026-12-18',
        tzid: 'America/Halifax',
        cycle: null,
      },
    ]);
    await change.insert('courses', [
      {
        id: course,
        term_id: term,
        code: 'HL 210',
        title: 'Hull lofting',
        tag: 'HL',
        color: 'brick',
        credits: null,
        weekly_hours: null,
        shares_titles: 0,
        place: '',
        meeting_link: '',
        archived_at: null,
        reopened: 0,
        join_generation: 0,
        join_hash: null,
      },
      {
        id: other,
        term_id: term,
        code: 'NV 140',
        title: 'Coastal navigation',
        tag: 'NV',
        color: 'sea',
        credits: null,
        weekly_hours: null,
        shares_titles: 0,
        place: '',
        meeting_link: '',
        archived_at: null,
        reopened: 0,
        join_generation: 0,
        join_hash: null,
      },
    ]);
    await change.insert('staff', [staffRow({ course, person: instructorId!, role: 'instructor' })]);
    await change.insert('sections', [fromSection({ id: section, name: 'A' }, course)]);
    await change.insert('roster', [
      ...studentIds.map((person) => rosterRow({ course, section, person })),
      rosterRow({ course: other, person: strangerId! }),
    ]);
  });
  const signedIn = async (id: PersonId): Promise<SignedIn> => ({
    person: (await personById(pembit, id))!,
    viewer: await viewerOf(pembit, id, pembit.now()),
    session: '',
  });
  return {
    pembit,
    term,
    course,
    section,
    other,
    instructor: await signedIn(instructorId!),
    stranger: await signedIn(strangerId!),
    students: await Promise.all(studentIds.map(signedIn)),
    signedIn,
    later,
    close,
  };
}

/** Has students written to at once about whatever they are told. */
export async function toldAtOnce({ pembit }: Pick<School, 'pembit'>, students: readonly SignedIn[]): Promise<void> {
  const letters = { ...USUAL_LETTERS, changes: 'now' } as const;
  for (const student of students) valueOf(await changeOwnSettings(pembit, student, { ...NO_PERSON_SETTINGS, letters }));
} // prettier-ignore

/** Work of a course as it is sent: due on 22 October 2026 at five, unless said otherwise. */
export const workIn = (course: CourseId, json: object = {}): EntryInput =>
  entryInput.parse({ kind: 'assignment', title: 'Half model', due: '2026-10-22T17:00', audience: [{ course }], ...json }); // prettier-ignore

/** Gives the course a second section, B, with the first student in it: A meets Tue Thu 10-11, B Tue Thu 14-15. */
export async function withSectionB({ pembit, instructor, course, section, students }: School): Promise<SectionId> {
  valueOf(await changeWeek(pembit, instructor, section, patternInput.parse({ from: '2026-09-08', week: 'Tue Thu 10-11' })));
  valueOf(
    await addSection(pembit, instructor, course, sectionInput.parse({ name: 'B', week: 'Tue Thu 14-15' })),
  );
  const [{ id: b }] = (await select<{ id: SectionId }>(pembit, "SELECT id FROM sections WHERE name = 'B'")) as [{ id: SectionId }]; // prettier-ignore
  await pembit.queue.write((writer) =>
    writer.sequelize.query('UPDATE roster SET section_id = :b WHERE person_id = :person', {
      replacements: { b, person: students[0]!.person.id },
      transaction: writer.transaction,
    }),
  );
  return b;
} // prettier-ignore
