import { isStaffOf } from '@/core/entries/viewer';
import type { CourseId, FileId, PersonId, SectionId } from '@/core/ids';
import type { Course } from '@/core/plan/plan';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import type { KnownMember, RosterChange } from '@/core/roster/compareRoster';
import { compareRoster, likelySections } from '@/core/roster/compareRoster';
import type { OneRosterReading } from '@/core/roster/readOneRoster';
import { ONE_ROSTER_TABLES, readOneRoster } from '@/core/roster/readOneRoster';
import { packageTexts } from '@/core/texts/packages';
import { rosterTexts } from '@/core/texts/roster';
import type { Reader } from '@/data/database';
import { select } from '@/data/database';
import { filesById } from '@/data/materials/files';
import type { Change } from '@/data/history/change';
import { personByEmail } from '@/data/people/people';
import { loadFrame } from '@/data/plan/loadPlan';
import { perform } from '../history/perform';
import { storedPath } from '../materials/fileStore';
import { openPackage } from '../materials/openPackage';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { invite } from './invitation';
import { enrolStudents } from './roster';

/** An uploaded package of rosters; `sections` says which class is which section, by the class's `sourcedId`. */
export type RosterAsked = Readonly<{ file: FileId; sections?: Readonly<Record<string, SectionId>> }>;

const LARGEST_TABLE = 50 * 1024 * 1024;
const bad = (message: string) => refused('badRequest', [{ field: 'file', message }]);

async function readTables(pembit: Pembit, actor: SignedIn, id: FileId): Promise<Outcome<OneRosterReading>> {
  const [file] = await filesById(pembit, [id]);
  if (file?.owner !== actor.person.id) return refused('notFound');
  const opened = await openPackage(storedPath(pembit.config, file.hash));
  if ('refused' in opened) return bad(packageTexts.refusals[opened.refused]);
  try {
    const texts: Partial<Record<string, string>> = {};
    for (const table of ONE_ROSTER_TABLES) {
      const path = [...opened.names].find((name) => name === table || name.endsWith(`/${table}`));
      const bytes = path === undefined ? undefined : await opened.read(path, LARGEST_TABLE);
      if (!bytes) return bad(rosterTexts.noTable(table));
      texts[table] = bytes.toString('utf8');
    }
    return done(readOneRoster(texts as Parameters<typeof readOneRoster>[0]));
  } catch {
    return bad(packageTexts.refusals.notZip);
  } finally {
    opened.close();
  }
}

type Member = KnownMember & Readonly<{ person: PersonId; roster: string }>;

async function membersOf(reader: Reader, course: CourseId): Promise<Member[]> {
  const rows = await select<
    Readonly<{ person: PersonId; roster: string; name: string; email: string; section: string | null; sourcedId: string | null; waiting: number }> // prettier-ignore
  >(
    reader,
    `SELECT people.id AS person, roster.id AS roster, people.name, people.email, roster.section_id AS section,
       people.sourced_id AS sourcedId, people.password_hash = '' AS waiting
     FROM roster JOIN people ON people.id = roster.person_id WHERE roster.course_id = :course`,
    { course },
  );
  return rows.map(({ section, sourcedId, waiting, ...row }) => ({
    ...row,
    ...(section === null ? {} : { section }),
    ...(sourcedId === null ? {} : { sourcedId }),
    waiting: waiting === 1,
  }));
}

type Compared = Readonly<{
  course: Course;
  reading: OneRosterReading;
  sections: Readonly<Record<string, SectionId>>;
  lines: readonly RosterChange[];
  left: readonly KnownMember[];
  members: readonly Member[];
}>;

async function compare(
  reader: Reader,
  actor: SignedIn,
  id: CourseId,
  reading: OneRosterReading,
  asked: RosterAsked['sections'],
): Promise<Outcome<Compared>> {
  const [course] = (await loadFrame(reader, [id])).courses;
  if (!course || !isStaffOf(actor.viewer, id)) return refused('notFound');
  const sections = asked ?? (likelySections(reading.classes, course) as Record<string, SectionId>);
  const own = new Set(course.sections.map((section) => section.id));
  if (Object.values(sections).some((section) => !own.has(section))) return refused('notFound');
  const members = await membersOf(reader, id);
  const listed = new Map<string, { student: RosterChange['student']; section: string }>();
  for (const { sourcedId, students } of reading.classes) {
    const section = sections[sourcedId];
    if (section) for (const student of students) listed.set(student.sourcedId, { student, section });
  }
  return done({ course, reading, sections, members, ...compareRoster([...listed.values()], members) });
}

export type RosterPreview = Readonly<{
  classes: readonly Readonly<{ id: string; name: string; students: number; section?: string }>[];
  lines: readonly Readonly<{ state: RosterChange['state']; name: string; section: string; was: string }>[];
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
  const compared = await compare(pembit, actor, id, reading.value, asked.sections);
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
    lines: lines.map(({ state, student, section, member }) => ({
      state,
      name: student.name,
      section: nameOf.get(section) ?? '',
      was:
        member?.section !== undefined && member.section !== section ? (nameOf.get(member.section) ?? '') : '',
    })),
    left: left.map((member) => member.name),
    faults: reading.value.faults.map(({ table, line, message }) => rosterTexts.fault(table, line, message)),
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
    const compared = await compare(change, actor, id, reading.value, asked.sections);
    if (!compared.ok) return compared;
    const { course, lines, members } = compared.value;
    const byMember = new Map<KnownMember, Member>(members.map((member) => [member, member]));
    const sourced = await knownSourced(change, lines.map(({ student }) => student.sourcedId)); // prettier-ignore
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
          ...(known === undefined ? { sourcedId: student.sourcedId } : {}),
        };
      }),
    });
    const changed = lines.filter(({ state }) => state === 'changed');
    for (const { student, section, member } of changed) {
      const own = byMember.get(member!)!;
      if (own.section !== section) await change.update('roster', own.roster, { section_id: section });
      if (own.sourcedId === undefined && !sourced.has(student.sourcedId))
        await change.update('people', own.person, { sourced_id: student.sourcedId });
      if (own.waiting) await correct(pembit, change, actor, own, { ...student, course });
      change.concerns(`person:${own.person}`);
    }
    change.concerns(`course:${id}`);
    change.summarise(rosterTexts.imported(fresh.length, changed.length));
    return done({ added: fresh.length, changed: changed.length });
  });
}

/** Name and address of somebody who has never signed in, as the school has them; a letter goes to the new address. */
async function correct(
  pembit: Pembit,
  change: Change,
  actor: SignedIn,
  own: Member,
  { name, email, course }: Readonly<{ name: string; email: string; course: Course }>,
): Promise<void> {
  const moves = own.email !== email && !(await personByEmail(change, email));
  if (own.name !== name || moves)
    await change.update('people', own.person, { name, ...(moves ? { email } : {}) });
  if (moves)
    await invite(pembit, change, [{ id: own.person, email, name }], {
      sender: actor.person.id,
      to: `${course.code} ${course.title}`,
    });
}

/** The addresses of those whom Pembit knows by what the school's system calls them. */
async function knownSourced(reader: Reader, ids: readonly string[]): Promise<ReadonlyMap<string, string>> {
  if (ids.length === 0) return new Map();
  const rows = await select<{ email: string; sourced_id: string }>(
    reader,
    'SELECT email, sourced_id FROM people WHERE sourced_id IN (:ids)',
    { ids },
  );
  return new Map(rows.map((row) => [row.sourced_id, row.email]));
}
