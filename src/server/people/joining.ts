import { createHash, createHmac, randomUUID } from 'node:crypto';
import type { CourseId, PersonId, SectionId } from '@/core/ids';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { isStaffOf } from '@/core/entries/viewer';
import { frameHistoryTexts } from '@/core/texts/frameHistory';
import type { Reader } from '@/data/database';
import { select } from '@/data/database';
import type { Change } from '@/data/history/change';
import { recordChange } from '@/data/history/change';
import { personByEmail, personRow } from '@/data/people/people';
import type { Rows } from '@/data/rows';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { invite } from './invitation';

type CourseRow = Rows['courses'];

/** The secret part of a course's joining address, as with outlets: another generation is another address. */
const tokenOf = (secret: Buffer, course: string, generation: number) =>
  createHmac('sha256', secret).update(`join ${course} ${generation}`).digest('base64url');
const hashOf = (token: string) => createHash('sha256').update(token).digest('hex');

/** Where students join a course by themselves; undefined while they cannot. */
export async function joiningAddress(pembit: Pembit, course: CourseId): Promise<string | undefined> {
  const row = await courseRow(pembit, course);
  return row?.join_hash
    ? `${pembit.config.baseUrl}/join/${tokenOf(pembit.secret, course, row.join_generation)}`
    : undefined;
}

const courseRow = async (reader: Reader, id: CourseId): Promise<CourseRow | undefined> =>
  (await select<CourseRow>(reader, 'SELECT * FROM courses WHERE id = :id', { id }))[0];

/** Opens a course for joining, under a new address each time; the one before holds no more. */
export function openJoining(
  pembit: Pembit,
  actor: SignedIn,
  course: CourseId,
): Promise<Outcome<{ url: string }>> {
  return perform(pembit, actor, 'openJoining', async (change) => {
    const row = await courseRow(change, course);
    if (!row || !isStaffOf(actor.viewer, course)) return refused('notFound');
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
    const row = await courseRow(change, course);
    if (!row || !isStaffOf(actor.viewer, course)) return refused('notFound');
    await change.update('courses', course, { join_hash: null });
    change.summarise(frameHistoryTexts.closesJoining);
    return done({ code: row.code });
  });
}

export type Joinable = Readonly<{
  id: CourseId;
  code: string;
  title: string;
  sections: readonly Readonly<{ id: SectionId; name: string }>[];
}>;

/** The course behind a joining address; undefined when it holds no more or the course is archived. */
export async function joinable(reader: Reader, token: string): Promise<Joinable | undefined> {
  const [row] = await select<CourseRow>(
    reader,
    'SELECT * FROM courses WHERE join_hash = :hash AND archived_at IS NULL',
    { hash: hashOf(token) },
  );
  if (!row) return undefined;
  const sections = await select<{ id: SectionId; name: string }>(
    reader,
    'SELECT id, name FROM sections WHERE course_id = :id ORDER BY name',
    { id: row.id },
  );
  return { id: row.id as CourseId, code: row.code, title: row.title, sections };
}

export type JoinInput = Readonly<{ token: string; section?: SectionId; name?: string; email?: string }>;

/**
 * Puts whoever is signed in on the roster. Whoever is not gives a name and an address, and gets a letter with a link
 * for the first sign-in: nobody is believed to own an address they typed. The answer is the same for an address
 * that is known, so that it tells nothing about who is at the school.
 */
export async function joinCourse(
  pembit: Pembit,
  actor: SignedIn | undefined,
  input: JoinInput,
): Promise<Outcome<{ course: string; letter: boolean }>> {
  const { result } = await recordChange(
    pembit.queue,
    {
      act: 'joinCourse',
      summary: frameHistoryTexts.joined(actor?.person.name ?? input.name ?? ''),
      actor: actor?.person.id ?? null,
      nowMs: pembit.now().epochMilliseconds,
    },
    async (change): Promise<Outcome<{ course: string; letter: boolean }>> => {
      const course = await joinable(change, input.token);
      if (!course) return refused('noJoining');
      const only = course.sections.length === 1 ? course.sections[0]!.id : undefined;
      const section = course.sections.find((s) => s.id === input.section)?.id ?? only;
      if (!section && course.sections.length > 0)
        return refused('badRequest', [{ field: 'section', message: 'Choose your section.' }]);
      const label = `${course.code} ${course.title}`;
      if (actor) {
        if (isStaffOf(actor.viewer, course.id))
          return refused('badRequest', [{ field: 'section', message: 'You teach this course.' }]);
        await enrol(change, { course: course.id, section, person: actor.person.id });
        return done({ course: label, letter: false });
      }
      const { name = '', email = '' } = input;
      if (!name || !email)
        return refused('badRequest', [
          { field: name ? 'email' : 'name', message: 'Type your name and your e-mail address.' },
        ]);
      // A known person joins after signing in; the letter is for new ones.
      if (await personByEmail(change, email)) return done({ course: label, letter: true });
      const person = { id: randomUUID() as PersonId, name, email };
      await change.insert('people', [personRow(person, change.nowMs)]);
      await enrol(change, { course: course.id, section, person: person.id });
      await invite(pembit, change, [person], { sender: null, to: label });
      return done({ course: label, letter: true });
    },
  );
  return result;
}

type Place = Readonly<{ course: CourseId; section?: SectionId; person: PersonId }>;

async function enrol(change: Change, { course, section, person }: Place): Promise<void> {
  const known = await select(
    change,
    'SELECT id FROM roster WHERE course_id = :course AND person_id = :person',
    { course, person },
  );
  if (known.length > 0) return;
  await change.insert('roster', [
    { id: randomUUID(), course_id: course, section_id: section ?? null, person_id: person },
  ]);
  change.concerns(`course:${course}`, `person:${person}`);
}
