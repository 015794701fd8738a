import { createHash, createHmac, randomBytes, randomUUID } from 'node:crypto';
import type { CourseId, PersonId, SectionId } from '@/core/ids';
import { mayIn } from '@/core/may/may';
import type { Outcome } from '@/core/refusals';
import { done, refused, tooOften } from '@/core/refusals';
import { readsAsStaff } from '@/core/entries/viewer';
import { frameHistoryTexts } from '@/core/texts/frameHistory';
import { mailTexts } from '@/core/texts/mail';
import type { Reader } from '@/data/reader';
import type { Change } from '@/data/history/change';
import { refTo } from '@/data/history/personRefs';
import { queueLetters } from '@/data/mail/outbox';
import { leftUnder } from '@/data/people/departures';
import type { JoinRequest } from '@/data/people/joining';
import {
  courseRowOf,
  insertJoinRequest,
  joinRequestById,
  openCourse,
  removeJoinRequests,
  sectionNamesOf,
} from '@/data/people/joining';
import { isOnRoster } from '@/data/people/rosters';
import { rosterRow } from '@/data/people/memberRows';
import { personByEmail, personRow } from '@/data/people/people';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { letterAsked, mayWriteTo } from '../session/anonymousLetters';
import { takeTries } from '../session/tries';

/** The secret part of a course's joining address, as with outlets: another generation is another address. */
const tokenOf = (secret: Buffer, course: string, generation: number) =>
  createHmac('sha256', secret).update(`join ${course} ${generation}`).digest('base64url');
/** By which a course is found at its joining address. */
export const joinHash = (secret: Buffer, course: string, generation: number): string =>
  hashOf(tokenOf(secret, course, generation));

const hashOf = (token: string) => createHash('sha256').update(token).digest('hex');

/** Where students join a course by themselves; undefined while they cannot. */
export async function joiningAddress(pembit: Pembit, course: CourseId): Promise<string | undefined> {
  const row = await courseRowOf(pembit, course);
  return row?.join_hash
    ? `${pembit.config.baseUrl}/join/${tokenOf(pembit.secret, course, row.join_generation)}`
    : undefined;
}

/** Opens a course for joining, under a new address each time; the one before holds no more. */
export function openJoining(
  pembit: Pembit,
  actor: SignedIn,
  course: CourseId,
): Promise<Outcome<{ url: string }>> {
  return perform(pembit, actor, 'openJoining', async (change) => {
    const row = await courseRowOf(change, course);
    if (!row || !mayIn(actor, 'openJoining', course)) return refused('notFound');
    const generation = row.join_generation + 1;
    const token = tokenOf(pembit.secret, course, generation);
    await change.update('courses', course, { join_generation: generation, join_hash: hashOf(token) });
    change.summarise(frameHistoryTexts.opensJoining);
    return done({ url: `${pembit.config.baseUrl}/join/${token}` });
  });
}

export function closeJoining(
  pembit: Pembit,
  actor: SignedIn,
  course: CourseId,
): Promise<Outcome<{ code: string }>> {
  return perform(pembit, actor, 'closeJoining', async (change) => {
    const row = await courseRowOf(change, course);
    if (!row || !mayIn(actor, 'closeJoining', course)) return refused('notFound');
    await change.update('courses', course, { join_hash: null });
    change.summarise(frameHistoryTexts.closesJoining);
    return done({ code: row.code });
  });
}

export type Joinable = Readonly<{
  id: CourseId;
  code: string;
  title: string;
  /** Of its joining address: each one opened is another. */
  generation: number;
  sections: readonly Readonly<{ id: SectionId; name: string }>[];
}>;

/** The course behind a joining address; undefined when it holds no more or the course is archived. */
export const joinable = (reader: Reader, token: string): Promise<Joinable | undefined> =>
  joinableBy(reader, { hash: hashOf(token) });

async function joinableBy(
  reader: Reader,
  by: Parameters<typeof openCourse>[1],
): Promise<Joinable | undefined> {
  const row = await openCourse(reader, by);
  if (!row) return undefined;
  const sections = await sectionNamesOf(reader, row.id as CourseId);
  return {
    id: row.id as CourseId,
    code: row.code,
    title: row.title,
    generation: row.join_generation,
    sections,
  };
}

export type JoinInput = Readonly<{ token: string; section?: SectionId; name?: string; email?: string }>;

/**
 * Puts whoever is signed in on the roster. Whoever is not gives a name and an address, and gets a letter with a link: nobody is
 * believed to own an address they typed, and nobody is made a person by one. The answer is the same for an address that is known,
 * so that it tells nothing about who is at the school.
 */
export async function joinCourse(
  pembit: Pembit,
  actor: SignedIn | undefined,
  input: JoinInput,
  from: string,
): Promise<Outcome<{ course: string; letter: boolean }>> {
  const course = await joinable(pembit, input.token);
  if (!course) return refused('noJoining');
  const only = course.sections.length === 1 ? course.sections[0]!.id : undefined;
  const section = course.sections.find((s) => s.id === input.section)?.id ?? only;
  if (!section && course.sections.length > 0)
    return refused('badRequest', [{ field: 'section', message: 'Choose your section.' }]);
  return actor
    ? joinAs(pembit, actor, { course, section })
    : askToJoin(pembit, { course, section, input, from });
}

type Joining = Readonly<{ course: Joinable; section?: SectionId }>;
const labelOf = ({ code, title }: Joinable) => `${code} ${title}`;

function joinAs(
  pembit: Pembit,
  actor: SignedIn,
  { course, section }: Joining,
): Promise<Outcome<{ course: string; letter: boolean }>> {
  return perform(pembit, actor, 'joinCourse', async (change) => {
    if (readsAsStaff(actor.viewer, course.id))
      return refused('badRequest', [{ field: 'section', message: 'You teach this course.' }]);
    if (!(await enrol(change, { course, section, person: actor.person.id }))) return refused('noJoining');
    change.summarise(frameHistoryTexts.joined({ name: refTo(actor.person.id) }));
    return done({ course: labelOf(course), letter: false });
  });
}

const JOIN_HOLDS_MS = 24 * 3_600_000;

/** Notes who asks to join, and sends the letter by which the address is proven. */
async function askToJoin(
  pembit: Pembit,
  {
    course,
    section,
    input: { name = '', email = '' },
    from,
  }: Joining & Readonly<{ input: JoinInput; from: string }>,
): Promise<Outcome<{ course: string; letter: boolean }>> {
  if (!name || !email)
    return refused('badRequest', [
      { field: name ? 'email' : 'name', message: 'Type your name and your e-mail address.' },
    ]);
  const wait = (await letterAsked(pembit, from)) || (await takeTries(pembit, [['joining', course.id]]));
  if (wait > 0) return tooOften(wait);
  const answer = done({ course: labelOf(course), letter: true });
  // A known person joins after signing in; the letter is for new ones.
  if ((await personByEmail(pembit, email)) || !(await mayWriteTo(pembit, email))) return answer;
  const token = randomBytes(32).toString('base64url');
  const nowMs = pembit.now().epochMilliseconds;
  const row = { id: hashOf(token), course_id: course.id, section_id: section ?? null, name, email, join_generation: course.generation, expires_at: nowMs + JOIN_HOLDS_MS }; // prettier-ignore
  const label = labelOf(course);
  await pembit.queue.write(
    async (writer) => {
      await insertJoinRequest(writer, row);
      const text = mailTexts.join({ to: label, link: `${pembit.config.baseUrl}/welcome/${token}` });
      await queueLetters(writer, [{ to: email, subject: mailTexts.joinSubject({ to: label }), text, sender: null }], nowMs); // prettier-ignore
    },
    { aside: true },
  );
  return answer;
}

/** Who asked to join by a letter's link, while it holds and the course can be joined by the address they had. */
export async function joinRequest(
  reader: Reader,
  token: string,
  nowMs: number,
): Promise<Readonly<{ row: JoinRequest; course: Joinable }> | undefined> {
  const row = await joinRequestById(reader, hashOf(token), nowMs);
  const course = row && (await joinableBy(reader, { id: row.course_id }));
  return row && course?.generation === row.join_generation ? { row, course } : undefined;
}

/** Makes somebody whose address is proven, and puts them on the roster. */
export async function finishJoining(
  change: Change,
  { row, course }: Readonly<{ row: JoinRequest; course: Joinable }>,
  passwordHash: string,
): Promise<PersonId> {
  const person = { id: randomUUID() as PersonId, name: row.name, email: row.email };
  await change.insert('people', [personRow(person, change.nowMs, passwordHash)]);
  // The section they asked for may have been merged into another since.
  const section = course.sections.find(({ id }) => id === row.section_id)?.id;
  await enrol(change, { course, section, person: person.id });
  await removeJoinRequests(change, row.email);
  change.summarise(frameHistoryTexts.joined({ name: refTo(person.id) }));
  return person.id;
}

type Place = Readonly<{ course: Joinable; section?: SectionId; person: PersonId }>;

/** Whether somebody is on the roster now. Who was taken off does not come back by the address that held then. */
async function enrol(change: Change, { course, section, person }: Place): Promise<boolean> {
  if (await isOnRoster(change, course.id, person)) return true;
  if (await leftUnder(change, { course: course.id, person, generation: course.generation })) return false;
  await change.insert('roster', [
    rosterRow({ course: course.id, section, person, joinedAtMs: change.nowMs }),
  ]);
  change.concerns(`course:${course.id}`, `person:${person}`);
  return true;
}
