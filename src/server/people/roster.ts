import { randomUUID } from 'node:crypto';
import { shownAddress } from '@/core/mail/nobodysAddress';
import { readRoster } from '@/core/roster/readRoster';
import type { RosterReading } from '@/core/roster/readRoster';
import type { CourseId, PersonId, SectionId } from '@/core/ids';
import { mayIn } from '@/core/may/may';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { frameHistoryTexts } from '@/core/texts/frameHistory';
import { memberTexts } from '@/core/texts/members';
import type { Course } from '@/core/plan/plan';
import type { Reader } from '@/data/reader';
import type { Change } from '@/data/history/change';
import { knownAddresses, membersOfCourse, notComeYet } from '@/data/people/rosters';
import { rosterRow } from '@/data/people/memberRows';
import { personRow } from '@/data/people/people';
import { loadFrame } from '@/data/plan/loadPlan';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { invite } from './invitation';
import { offerPlace } from './offeredPlace';

export type Member = Readonly<{
  person: PersonId;
  name: string;
  email: string;
  section: string | null;
  sectionId: SectionId | null;
  waiting: boolean;
}>;

/** Who is on a course's roster, by the names that the list gives until they have come; `waiting` are those who have not. */
export async function rosterOf(reader: Reader, course: CourseId): Promise<Member[]> {
  const rows = await membersOfCourse(reader, course);
  return rows.map((row) => ({ ...row, email: shownAddress(row.email), waiting: row.waiting === 1 }));
}

type Read = Readonly<{ course: Course; reading: RosterReading }>;

async function readFor(reader: Reader, actor: SignedIn, id: CourseId, text: string): Promise<Outcome<Read>> {
  const [course] = (await loadFrame(reader, [id])).courses;
  if (!course || !mayIn(actor, 'addStudents', id)) return refused('notFound');
  const members = new Set((await rosterOf(reader, id)).map((member) => member.email));
  return done({
    course,
    reading: readRoster(text, { sections: course.sections.map((s) => s.name), members }),
  });
}

/** What a pasted list would add, line by line; nothing is saved. */
export async function previewRoster(
  pembit: Pembit,
  actor: SignedIn,
  id: CourseId,
  text: string,
): Promise<Outcome<RosterReading>> {
  const read = await readFor(pembit, actor, id, text);
  return read.ok ? done(read.value.reading) : read;
}

/** Adds the students of a list. Lines that cannot be read refuse it, unless they are to be left out. */
export function addStudents(
  pembit: Pembit,
  actor: SignedIn,
  id: CourseId,
  text: string,
  { leaveOut = false }: Readonly<{ leaveOut?: boolean }> = {},
): Promise<Outcome<{ added: number }>> {
  return perform(pembit, actor, 'addStudents', async (change) => {
    const read = await readFor(change, actor, id, text);
    if (!read.ok) return read;
    const { course, reading } = read.value;
    if (reading.faults.length > 0 && !(leaveOut && reading.lines.length > 0))
      return refused(
        'badRequest',
        reading.faults.map(({ line, message }) => ({ field: `line ${line}`, message })),
      );
    const sectionId = new Map<string, SectionId>(
      course.sections.map((section) => [section.name, section.id]),
    );
    const added = await enrolStudents(pembit, change, actor, {
      course,
      students: reading.lines.map(({ name, email, section }) => ({
        name,
        email,
        section: section === undefined ? null : sectionId.get(section)!,
      })),
    });
    change.summarise(frameHistoryTexts.enrolled({ n: added.length }));
    return done({ added: added.length });
  });
}

/** Sends those of some students who have not come yet the letter with their link again; the link in the letter before ends. */
export async function sendLettersAgain(
  pembit: Pembit,
  actor: SignedIn,
  id: CourseId,
  people: readonly PersonId[],
): Promise<Outcome<{ sent: number }>> {
  if (!mayIn(actor, 'addStudents', id)) return refused('notFound');
  const [course] = (await loadFrame(pembit, [id])).courses;
  const waiting = await notComeYet(pembit, id, people);
  if (!course) return refused('notFound');
  if (waiting.length === 0)
    return refused('badRequest', [{ field: 'people', message: memberTexts.noneWaits }]);
  const to = `${course.code} ${course.title}`;
  await pembit.queue.write((writer) => invite(pembit, writer, waiting, { sender: actor.person.id, to }));
  return done({ sent: waiting.length });
}

type NewMember = Readonly<{ name: string; email: string; section: SectionId | null; sourcedId?: string }>;

/**
 * Puts students on a roster; who is new to Pembit gets a letter with a link for the first sign-in. Whoever is known already
 * keeps what the list calls them until they come: an address alone tells nobody's name. Who teaches or administers is asked first.
 */
export async function enrolStudents(
  pembit: Pembit,
  change: Change,
  actor: SignedIn,
  { course, students }: Readonly<{ course: Course; students: readonly NewMember[] }>,
): Promise<PersonId[]> {
  const known = await knownByEmail(change, students.map((student) => student.email)); // prettier-ignore
  const added = students.map((student) => ({
    ...student,
    known: known.get(student.email),
    id: known.get(student.email)?.id ?? (randomUUID() as PersonId),
  }));
  const fresh = added.filter((student) => !student.known);
  const asked = added.filter((student) => student.known?.teaches === 1);
  const enrolled = added.filter((student) => student.known?.teaches !== 1);
  await change.insert(
    'people',
    fresh.map((student) => personRow({ ...student, madeBy: course.id }, change.nowMs)),
  );
  await change.insert(
    'roster',
    enrolled.map(({ id, section, name, known: before }) =>
      rosterRow({
        course: course.id,
        person: id,
        section,
        listedName: before ? name : undefined,
        joinedAtMs: change.nowMs,
      }),
    ),
  );
  const label = `${course.code} ${course.title}`;
  await invite(pembit, change, fresh, { sender: actor.person.id, to: label });
  for (const { id, email, name, section } of asked)
    await offerPlace(pembit, change, { course: course.id, label, person: id, email, name, section, sender: actor.person.id }); // prettier-ignore
  change.concerns(`course:${course.id}`, ...added.map(({ id }) => `person:${id}` as const));
  return enrolled.map(({ id }) => id);
}

type KnownPerson = Readonly<{ id: PersonId; email: string; teaches: number }>;

async function knownByEmail(
  reader: Reader,
  emails: readonly string[],
): Promise<ReadonlyMap<string, KnownPerson>> {
  const rows = await knownAddresses(reader, emails);
  return new Map(rows.map((row) => [row.email, row]));
}
