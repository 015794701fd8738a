import { may } from '@/core/may/may';
import type { CourseId, FileId, PersonId, SectionId } from '@/core/ids';
import type { Course } from '@/core/plan/plan';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import type { KnownMember, RosterChange } from '@/core/roster/compareRoster';
import { compareRoster, likelySections } from '@/core/roster/compareRoster';
import type { OneRosterReading } from '@/core/roster/readOneRoster';
import type { readOneRoster } from '@/core/roster/readOneRoster';
import { ONE_ROSTER_TABLES } from '@/core/roster/readOneRoster';
import { packageTexts } from '@/core/texts/packages';
import { rosterTexts } from '@/core/texts/roster';
import type { Reader } from '@/data/reader';
import { filesById } from '@/data/materials/files';
import type { Change } from '@/data/history/change';
import { proposeCorrection } from '@/data/people/corrections';
import { noteInOffice } from '@/data/people/officeLog';
import { personByEmail } from '@/data/people/people';
import { addressesBySourcedId, comparedMembers } from '@/data/people/rosters';
import { loadFrame } from '@/data/plan/loadPlan';
import { perform } from '../history/perform';
import { storedPath } from '../materials/fileStore';
import { openPackage } from '../materials/openPackage';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { invite } from './invitation';
import { TooMuch, inForeignThread } from '../worker/inForeignThread';
import { enrolStudents } from './roster';

/** An uploaded package of rosters; `sections` says which class is which section, by the class's `sourcedId`. */
export type RosterAsked = Readonly<{ file: FileId; sections?: Readonly<Record<string, SectionId>> }>;

/** In bytes, and what is larger is no list of a school. */
export const LARGEST_TABLE = 50 * 1024 * 1024;
const bad = (message: string) => refused('badRequest', [{ field: 'file', message }]);

/** Reads the tables of the school's system, wherever they are. */
export async function readingOf(
  bytesOf: (table: (typeof ONE_ROSTER_TABLES)[number]) => Promise<Buffer | undefined>,
): Promise<Outcome<OneRosterReading>> {
  const texts: Partial<Record<string, string>> = {};
  for (const table of ONE_ROSTER_TABLES) {
    const bytes = await bytesOf(table);
    if (!bytes) return bad(rosterTexts.noTable({ name: table }));
    texts[table] = bytes.toString('utf8');
  }
  return done(await inForeignThread('roster', texts as Parameters<typeof readOneRoster>[0]));
}

async function readTables(pembit: Pembit, actor: SignedIn, id: FileId): Promise<Outcome<OneRosterReading>> {
  const [file] = await filesById(pembit, [id]);
  if (file?.owner !== actor.person.id) return refused('notFound');
  const opened = await openPackage(storedPath(pembit.config, file.hash));
  if ('refused' in opened) return bad(packageTexts.refusals[opened.refused]);
  try {
    return await readingOf(async (table) => {
      const path = [...opened.names].find((name) => name === table || name.endsWith(`/${table}`));
      return path === undefined ? undefined : opened.read(path, LARGEST_TABLE);
    });
  } catch (error) {
    if (error instanceof TooMuch) return bad(packageTexts.tooMuch);
    return bad(packageTexts.refusals.notZip);
  } finally {
    opened.close();
  }
}

type Member = KnownMember & Readonly<{ person: PersonId; roster: string }>;

/**
 * Whom a list may correct: somebody who never came, is on no staff and no administrator, and, unless the school itself sends it, was
 * made by this course's lists and is on no other roster. Everybody else's account stays where it is.
 */
async function membersOf(reader: Reader, course: CourseId, official: boolean): Promise<Member[]> {
  const rows = await comparedMembers(reader, course);
  return rows.map(({ section, sourcedId, untouched, ofCourse, ...row }) => ({
    ...row,
    ...(section === null ? {} : { section }),
    ...(sourcedId === null ? {} : { sourcedId }),
    correctable: untouched === 1 && (official || ofCourse === 1),
  }));
}

/** A list beside a course's roster. */
export type Compared = Readonly<{
  course: Course;
  reading: OneRosterReading;
  sections: Readonly<Record<string, SectionId>>;
  lines: readonly RosterChange[];
  left: readonly Member[];
  members: readonly Member[];
  /** The school's own list, which the administrator brings in. */
  official: boolean;
}>;

/** What a list says of a course, for whoever may bring it in; `asked`: which class is which section. */
export async function compareWith(
  reader: Reader,
  actor: SignedIn,
  id: CourseId,
  reading: OneRosterReading,
  asked: RosterAsked['sections'],
): Promise<Outcome<Compared>> {
  const [course] = (await loadFrame(reader, [id])).courses;
  if (!course || !may(actor, 'importRoster', { parts: [{ course: id }] }).ok) return refused('notFound');
  const official = actor.person.isAdmin;
  const sections = asked ?? (likelySections(reading.classes, course) as Record<string, SectionId>);
  const own = new Set(course.sections.map((section) => section.id));
  if (Object.values(sections).some((section) => !own.has(section))) return refused('notFound');
  const members = await membersOf(reader, id, official);
  const listed = new Map<string, { student: RosterChange['student']; section: string }>();
  for (const { sourcedId, students } of reading.classes) {
    const section = sections[sourcedId];
    if (section) for (const student of students) listed.set(student.sourcedId, { student, section });
  }
  const compared = compareRoster([...listed.values()], members, { official });
  const left = members.filter((member) => compared.left.includes(member));
  return done({ course, reading, sections, members, official, lines: compared.lines, left });
}

export type RosterPreview = Readonly<{
  classes: readonly Readonly<{ id: string; name: string; students: number; section?: string }>[];
  lines: readonly Readonly<{ state: RosterChange['state']; name: string; section: string; was: string; proposes: boolean }>[]; // prettier-ignore
  left: readonly string[];
  faults: readonly string[];
}>;

/** What a package of rosters would change on a course's; nothing is saved. */
export async function previewRosterPackage(
  pembit: Pembit,
  actor: SignedIn,
  id: CourseId,
  asked: RosterAsked,
): Promise<Outcome<RosterPreview>> {
  const reading = await readTables(pembit, actor, asked.file);
  if (!reading.ok) return reading;
  const compared = await compareWith(pembit, actor, id, reading.value, asked.sections);
  if (!compared.ok) return compared;
  const { course, sections, lines, left } = compared.value;
  const nameOf = new Map(course.sections.map((section) => [section.id as string, section.name]));
  return done({
    classes: reading.value.classes.map((c) => ({
      id: c.sourcedId,
      name: [c.code, c.title].filter(Boolean).join(' '),
      students: c.students.length,
      section: sections[c.sourcedId],
    })),
    lines: lines.map(({ state, student, section, member, proposes }) => ({
      state,
      proposes,
      name: student.name,
      section: nameOf.get(section) ?? '',
      was:
        member?.section !== undefined && member.section !== section ? (nameOf.get(member.section) ?? '') : '',
    })),
    left: left.map((member) => member.name),
    faults: reading.value.faults.map(({ table, line, message }) =>
      rosterTexts.fault({ table, line, message }),
    ),
  });
}

/** Takes over what a package says: one act, undone as one. The same package again changes nothing. */
export async function importRosterPackage(
  pembit: Pembit,
  actor: SignedIn,
  id: CourseId,
  asked: RosterAsked,
): Promise<Outcome<{ added: number; changed: number }>> {
  const reading = await readTables(pembit, actor, asked.file);
  if (!reading.ok) return reading;
  return perform(pembit, actor, 'importRoster', async (change) => {
    const compared = await compareWith(change, actor, id, reading.value, asked.sections);
    return compared.ok ? done(await takeOver(pembit, change, actor, compared.value)) : compared;
  });
}

/** Takes over what a list says of a course, as part of an act. Who is not on it any more is left where they are. */
export async function takeOver(
  pembit: Pembit,
  change: Change,
  actor: SignedIn,
  { course, lines, members, official }: Compared,
): Promise<Readonly<{ added: number; changed: number }>> {
  const byMember = new Map<KnownMember, Member>(members.map((member) => [member, member]));
  const ids = lines.map(({ student }) => student.sourcedId);
  const sourced = official ? await knownSourced(change, ids) : new Map<string, string>();
  const fresh = lines.filter(({ state }) => state === 'new');
  await enrolStudents(pembit, change, actor, {
    course,
    students: fresh.map(({ student, section }) => {
      const known = sourced.get(student.sourcedId);
      return {
        name: student.name,
        // Somebody whom the school's system knows already, maybe under another address.
        email: known ?? student.email,
        section: section as SectionId,
        ...(official && known === undefined ? { sourcedId: student.sourcedId } : {}),
      };
    }),
  });
  const changed = lines.filter(({ state }) => state === 'changed');
  for (const { student, section, member } of changed) {
    const own = byMember.get(member!)!;
    if (own.section !== section) await change.update('roster', own.roster, { section_id: section });
    if (official && own.sourcedId === undefined && !sourced.has(student.sourcedId))
      await change.update('people', own.person, { sourced_id: student.sourcedId });
    if (own.correctable) await correct(pembit, change, actor, own, { ...student, course });
    change.concerns(`person:${own.person}`);
  }
  for (const { student, member } of lines.filter((line) => line.proposes))
    await proposeCorrection(change, {
      course: course.id,
      person: byMember.get(member!)!.person,
      name: student.name,
      email: student.email,
      askedBy: actor.person.id,
    });
  change.concerns(`course:${course.id}`);
  change.summarise(rosterTexts.imported({ added: fresh.length, changed: changed.length }));
  return { added: fresh.length, changed: changed.length };
}

/** Name and address of somebody who never came, as the list has them; a letter goes to the new address. */
async function correct(
  pembit: Pembit,
  change: Change,
  actor: SignedIn,
  own: Member,
  { name, email, course }: Readonly<{ name: string; email: string; course: Course }>,
): Promise<void> {
  const moves = own.email !== email && !(await personByEmail(change, email));
  if (own.name === name && !moves) return;
  await change.update('people', own.person, { name, ...(moves ? { email } : {}) });
  const detail = [own.name === name ? '' : 'name', moves ? 'email' : ''].filter(Boolean).join(', ');
  await noteInOffice(change, { act: 'corrected', actor: actor.person.id, person: own.person, course: course.id, detail }); // prettier-ignore
  if (moves)
    await invite(pembit, change, [{ id: own.person, email, name }], {
      sender: actor.person.id,
      to: `${course.code} ${course.title}`,
    });
}

/** The addresses of those whom Pembit knows by what the school's system calls them. */
async function knownSourced(reader: Reader, ids: readonly string[]): Promise<ReadonlyMap<string, string>> {
  const rows = await addressesBySourcedId(reader, ids);
  return new Map(rows.map((row) => [row.sourced_id, row.email]));
}
