import { randomUUID } from 'node:crypto';
import type { CourseId, PersonId } from '@/core/ids';
import type { QuestionInput } from '@/core/questions/questionInput';
import { readsQuestion } from '@/core/questions/question';
import type { Question } from '@/core/questions/question';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { sanitize } from '@/core/richText/sanitize';
import { personById } from '@/data/people/people';
import { staffRowsOf } from '@/data/people/staff';
import {
  addReaders,
  insertQuestion,
  insertReport,
  privateIn,
  questionById,
  writeAsking,
} from '@/data/questions/questions';
import type { Reader } from '@/data/reader';
import { mayIn } from '@/core/may/may';
import { keptPerson } from '../people/keptPeople';
import type { Pembit } from '../pembit';
import { planSeenBy } from '../plan/planSeenBy';
import type { SignedIn } from '../session/session';
import type { About } from './about';
import { aboutIn, coursesAbout, mayAbout } from './about';
import { asking } from './questionsOn';

/** Whoever reads something as its staff at this moment: whom a question for the staff alone is asked. */
async function staffOf(pembit: Pembit, { id, parts }: About): Promise<PersonId[]> {
  const rows = await Promise.all(coursesAbout({ parts }).map((course) => staffRowsOf(pembit, course)));
  const people = new Set(rows.flat().map(({ person_id: person }) => person as PersonId));
  const reads = async (person: PersonId) => {
    const { viewer } = await keptPerson(pembit, person);
    return aboutIn(await planSeenBy(pembit, viewer, { notes: false }), id)?.asStaff ? [person] : [];
  };
  return (await Promise.all([...people].map(reads))).flat();
}

/** Asks something under an entry or a class. What is for the staff alone is for those who are so now. */
export async function ask(
  pembit: Pembit,
  actor: SignedIn,
  { about: id, text, everybody, named }: QuestionInput,
): Promise<Outcome<{ id: string }>> {
  const about = aboutIn(await planSeenBy(pembit, actor.viewer), id);
  if (!about || about.asStaff || !mayAbout(actor, 'askQuestion', about)) return refused('notFound');
  if (about.archived) return refused('archived');
  if (!(await asking(pembit, about)).open) return refused('noQuestions');
  const question = {
    id: randomUUID(),
    about: id,
    course: coursesAbout(about)[0]!,
    author: actor.person.id,
    text: sanitize(text),
    everybody,
    named: everybody && named,
    atMs: pembit.now().epochMilliseconds,
    readers: await staffOf(pembit, about),
  };
  await pembit.queue.write((writer) => insertQuestion(writer, question), { aside: true });
  return done({ id: question.id });
}

/** A question with what it stands under, where somebody may read it. */
export async function readableQuestion(
  pembit: Pembit,
  reader: Reader,
  actor: SignedIn,
  id: string,
): Promise<Readonly<{ question: Question; about: About }> | undefined> {
  const question = await questionById(reader, id);
  const about = question && aboutIn(await planSeenBy(pembit, actor.viewer), question.about);
  if (!question || !about) return undefined;
  return readsQuestion({ id: actor.person.id, asStaff: about.asStaff }, question) ? { question, about } : undefined;
} // prettier-ignore

/** Reports a question of somebody else to the staff; once is enough. */
export async function report(
  pembit: Pembit,
  actor: SignedIn,
  id: string,
  reason: string,
): Promise<Outcome<null>> {
  const found = await readableQuestion(pembit, pembit, actor, id);
  if (!found || found.question.takenAway || found.question.author === actor.person.id)
    return refused('notFound');
  const atMs = pembit.now().epochMilliseconds;
  const row = { question: id, person: actor.person.id, reason, atMs };
  await pembit.queue.write((writer) => insertReport(writer, row), { aside: true });
  return done(null);
}

/** Says whether students may ask under an entry or a class, or in a whole course; null: as its course has it. */
export async function allowQuestions(
  pembit: Pembit,
  actor: SignedIn,
  id: string,
  open: boolean | null,
): Promise<Outcome<null>> {
  const plan = await planSeenBy(pembit, actor.viewer);
  const own = plan.courses.find((course) => course.id === id);
  const about = own ? undefined : aboutIn(plan, id);
  const may = own ? mayIn(actor, 'allowQuestions', own.id) : about?.asStaff && mayAbout(actor, 'allowQuestions', about); // prettier-ignore
  if (!may) return refused('notFound');
  if (own?.archived || about?.archived) return refused('archived');
  const course = own?.id ?? coursesAbout(about!)[0]!;
  await pembit.queue.write((writer) => writeAsking(writer, id, course, open), { aside: true });
  return done(null);
}

/** Hands what one reads of a course's questions for the staff alone on to somebody who has joined the staff since. */
export async function handQuestionsOn(
  pembit: Pembit,
  actor: SignedIn,
  course: CourseId,
  to: PersonId,
): Promise<Outcome<{ handedOn: number; name: string }>> {
  if (!mayIn(actor, 'allowQuestions', course)) return refused('notFound');
  const staff = await staffRowsOf(pembit, course);
  const person = staff.some((row) => row.person_id === to) ? await personById(pembit, to) : undefined;
  if (!person) return refused('notFound');
  const reader = { id: actor.person.id, asStaff: true };
  const own = (await privateIn(pembit, course)).filter((question) => readsQuestion(reader, question));
  const fresh = own.filter(({ readers }) => !readers.has(to)).map(({ id }) => id);
  await pembit.queue.write((writer) => addReaders(writer, fresh, [to]), { aside: true });
  return done({ handedOn: fresh.length, name: person.name });
}
