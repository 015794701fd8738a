import { Temporal } from 'temporal-polyfill';
import type { CourseId, PersonId } from '@/core/ids';
import type { Answer, Question } from '@/core/questions/question';
import type { Reader, Writer } from '../reader';
import { select } from '../database';
import { insertRows, run } from '../statements';

type Row = Readonly<{
  id: string;
  about: string;
  course_id: CourseId;
  author_id: PersonId;
  name: string;
  body: string;
  everybody: number;
  named: number;
  at: number;
  closed: number;
  taken_away: number;
}>;
type AnswerRow = Readonly<{ id: string; question_id: string; author_id: PersonId | null; name: string | null; body: string; at: number }>; // prettier-ignore

const instant = (ms: number) => Temporal.Instant.fromEpochMilliseconds(ms);

/** What hangs on some questions, by question. */
async function hangingOn(reader: Reader, ids: readonly string[]) {
  const [readers, reports, answers] = await Promise.all([
    select<{ question_id: string; person_id: PersonId }>(reader, 'SELECT question_id, person_id FROM question_readers WHERE question_id IN (:ids)', { ids }),
    select<{ question_id: string; person_id: PersonId; reason: string }>(reader, 'SELECT question_id, person_id, reason FROM question_reports WHERE question_id IN (:ids) ORDER BY at', { ids }),
    select<AnswerRow>(reader, `SELECT answers.id, question_id, author_id, people.name, body, at FROM answers
       LEFT JOIN people ON people.id = author_id WHERE question_id IN (:ids) ORDER BY at, answers.id`, { ids }),
  ]);
  const answer = ({ id, author_id: author, name, body: text, at }: AnswerRow): Answer => ({ id, author, authorName: name ?? '', text, at: instant(at) });
  return (id: string) => {
    const of = <R extends Readonly<{ question_id: string }>>(rows: readonly R[]) => rows.filter((row) => row.question_id === id);
    return {
      readers: new Set(of(readers).map((row) => row.person_id)),
      reportedBy: new Set(of(reports).map((row) => row.person_id)),
      reasons: of(reports).map(({ reason }) => reason),
      answers: of(answers).map(answer),
    };
  };
} // prettier-ignore

async function questionsWhere(reader: Reader, where: string, values: Record<string, unknown>): Promise<Question[]> {
  const rows = await select<Row>(
    reader,
    `SELECT questions.id, about, course_id, author_id, people.name, body, everybody, named, at, closed, taken_away
     FROM questions JOIN people ON people.id = author_id WHERE ${where} ORDER BY at, questions.id`,
    values,
  );
  if (rows.length === 0) return [];
  const hanging = await hangingOn(reader, rows.map(({ id }) => id));
  return rows.map(({ id, about, course_id: course, author_id: author, name, body, everybody, named, at, closed, taken_away }) => ({
    id, about, course, author, authorName: name, text: body, everybody: everybody === 1, named: named === 1,
    at: instant(at), closed: closed === 1, takenAway: taken_away === 1, ...hanging(id),
  }));
} // prettier-ignore

/** The questions under an entry or a class, the oldest first. */
export const questionsAbout = (reader: Reader, about: string): Promise<Question[]> =>
  questionsWhere(reader, 'about = :about', { about });

export const questionById = async (reader: Reader, id: string): Promise<Question | undefined> =>
  (await questionsWhere(reader, 'questions.id = :id', { id }))[0];

/** Of some courses: questions without an answer, and those that somebody reported and that still stand. */
export const waitingIn = (reader: Reader, courses: readonly CourseId[]): Promise<Question[]> =>
  courses.length === 0
    ? Promise.resolve([])
    : questionsWhere(
        reader,
        `course_id IN (:courses) AND taken_away = 0 AND (questions.id IN (SELECT question_id FROM question_reports)
         OR (closed = 0 AND questions.id NOT IN (SELECT question_id FROM answers)))`,
        { courses },
      );

/** Of a course: those that are for the staff alone. */
export const privateIn = (reader: Reader, course: CourseId): Promise<Question[]> =>
  questionsWhere(reader, 'course_id = :course AND everybody = 0', { course });

/** What some questions stand under that were answered after an instant: one's own, and those for everybody. */
export async function answeredSince(
  reader: Reader,
  { person, courses, sinceMs }: Readonly<{ person: PersonId; courses: readonly CourseId[]; sinceMs: number }>,
): Promise<string[]> {
  if (courses.length === 0) return [];
  const rows = await select<{ about: string }>(
    reader,
    `SELECT DISTINCT about FROM questions JOIN answers ON answers.question_id = questions.id
     WHERE answers.at > :sinceMs AND taken_away = 0 AND course_id IN (:courses) AND (everybody = 1 OR questions.author_id = :person)`,
    { person, courses, sinceMs },
  );
  return rows.map(({ about }) => about);
}

type NewQuestion = Pick<Question, 'id' | 'about' | 'course' | 'author' | 'text' | 'everybody' | 'named'> &
  Readonly<{ atMs: number; readers: readonly PersonId[] }>;

export async function insertQuestion(writer: Writer, question: NewQuestion): Promise<void> {
  const { id, about, course, author, text, everybody, named, atMs, readers } = question;
  const row = { id, about, course_id: course, author_id: author, body: text, everybody: everybody ? 1 : 0, named: named ? 1 : 0 };
  await insertRows(writer, 'questions', [{ ...row, at: atMs, closed: 0, taken_away: 0 }]);
  await addReaders(writer, [id], readers);
} // prettier-ignore

/** Lets people read questions that are for the staff alone; whoever reads them already goes on. */
export async function addReaders(writer: Writer, ids: readonly string[], people: readonly PersonId[]): Promise<void> {
  for (const id of ids)
    for (const person of people)
      await run(writer, 'INSERT INTO question_readers (question_id, person_id) VALUES (:id, :person) ON CONFLICT DO NOTHING', { id, person });
} // prettier-ignore

export const insertAnswer = (
  writer: Writer,
  { id, question, author, text, atMs }: Readonly<{ id: string; question: string; author: PersonId; text: string; atMs: number }>,
): Promise<unknown> => insertRows(writer, 'answers', [{ id, question_id: question, author_id: author, body: text, at: atMs }]); // prettier-ignore

export const removeAnswer = (writer: Writer, id: string): Promise<unknown> =>
  run(writer, 'DELETE FROM answers WHERE id = :id', { id });

/** The question that an answer belongs to. */
export const questionOfAnswer = async (reader: Reader, id: string): Promise<string | undefined> =>
  (await select<{ question_id: string }>(reader, 'SELECT question_id FROM answers WHERE id = :id', { id }))[0]?.question_id; // prettier-ignore

export const writeQuestionState = (
  writer: Writer,
  id: string,
  { closed, takenAway }: Readonly<{ closed?: boolean; takenAway?: boolean }>,
): Promise<unknown> =>
  run(writer, 'UPDATE questions SET closed = COALESCE(:closed, closed), taken_away = COALESCE(:takenAway, taken_away) WHERE id = :id', {
    id,
    closed: closed === undefined ? null : Number(closed),
    takenAway: takenAway === undefined ? null : Number(takenAway),
  }); // prettier-ignore

export const insertReport = (
  writer: Writer,
  { question, person, reason, atMs }: Readonly<{ question: string; person: PersonId; reason: string; atMs: number }>,
): Promise<unknown> =>
  run(writer, 'INSERT INTO question_reports (question_id, person_id, reason, at) VALUES (:question, :person, :reason, :atMs) ON CONFLICT DO NOTHING', { question, person, reason, atMs }); // prettier-ignore

/** Forgets that a question was reported. */
export const removeReports = (writer: Writer, id: string): Promise<unknown> =>
  run(writer, 'DELETE FROM question_reports WHERE question_id = :id', { id });

/** Where students may ask, of some courses and what stands in them; what is not named is as its course. */
export async function askingOf(reader: Reader, about: readonly string[]): Promise<ReadonlyMap<string, boolean>> {
  const rows = await select<{ about: string; open: number }>(reader, 'SELECT about, open FROM asking WHERE about IN (:about)', { about });
  return new Map(rows.map(({ about: of, open }) => [of, open === 1]));
} // prettier-ignore

/** Says whether students may ask somewhere; null: as the course has it. */
export async function writeAsking(writer: Writer, about: string, course: CourseId, open: boolean | null): Promise<void> {
  await run(writer, 'DELETE FROM asking WHERE about = :about', { about });
  if (open !== null) await insertRows(writer, 'asking', [{ about, course_id: course, open: open ? 1 : 0 }]);
} // prettier-ignore
