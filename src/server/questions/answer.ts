import { randomUUID } from 'node:crypto';
import { may } from '@/core/may/may';
import { isNear } from '@/core/mail/letters';
import { namesIn } from '@/core/questions/question';
import type { Question } from '@/core/questions/question';
import type { QuestionState } from '@/core/questions/questionInput';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { plainText } from '@/core/richText/plainText';
import { sanitize } from '@/core/richText/sanitize';
import { questionTexts } from '@/core/texts/questions';
import { requireZone } from '@/core/time/zoneData';
import { gatherLines } from '@/data/mail/gathered';
import { queueLetters } from '@/data/mail/outbox';
import { personById } from '@/data/people/people';
import {
  insertAnswer,
  questionOfAnswer,
  removeAnswer,
  removeReports,
  writeQuestionState,
} from '@/data/questions/questions';
import { personSettings } from '@/data/students/students';
import type { Writer } from '@/data/reader';
import { asOneWishes } from '../mail/asOneWishes';
import { unsubscribeToken } from '../mail/unsubscribe';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import type { About } from './about';
import { mayAbout } from './about';
import { readableQuestion } from './ask';

type Found = Readonly<{ question: Question; about: About }>;

/** A question that somebody may answer, close and take away. */
async function answerable(pembit: Pembit, actor: SignedIn, id: string): Promise<Outcome<Found>> {
  const found = await readableQuestion(pembit, pembit, actor, id);
  if (!found?.about.asStaff || !mayAbout(actor, 'answerQuestion', found.about)) return refused('notFound');
  return found.about.archived ? refused('archived') : done(found);
}

/** Writes to whoever asked that there is an answer: where it is, not what it says. */
async function writeOfAnswer(pembit: Pembit, writer: Writer, actor: SignedIn, { question, about }: Found): Promise<void> {
  const person = await personById(writer, question.author);
  if (!person || person.deactivated) return;
  const now = pembit.now();
  const line = questionTexts.letterLine({ title: about.title, link: `${pembit.config.baseUrl}${about.path}#questions` });
  const near = isNear(about.start, now, requireZone, about.tzid);
  const wished = asOneWishes(person.id, [{ line, near, about: about.id }], await personSettings(writer, person.id));
  await gatherLines(writer, wished.gathered, { nowMs: now.epochMilliseconds });
  const letter = {
    to: person.email,
    subject: questionTexts.letterSubject({ title: about.title }),
    text: questionTexts.letter({ name: person.name, line }),
    sender: actor.person.id,
    ...(wished.sort ? { unsubscribe: unsubscribeToken(pembit, person.id, wished.sort) } : {}),
  };
  await queueLetters(writer, wished.now.map(() => letter), now.epochMilliseconds);
} // prettier-ignore

/** Answers a question. Where classmates know the student as "a student", the answer leaves the name out. */
export async function answer(
  pembit: Pembit,
  actor: SignedIn,
  id: string,
  text: string,
): Promise<Outcome<{ id: string }>> {
  const found = await answerable(pembit, actor, id);
  if (!found.ok) return found;
  const { question } = found.value;
  if (question.takenAway) return refused('notFound');
  const named = question.everybody && !question.named ? namesIn(plainText(text), question.authorName) : [];
  if (named.length > 0)
    return refused('badRequest', [
      { field: 'text', message: questionTexts.namesStudent({ name: named.join(' ') }) },
    ]);
  const written = { id: randomUUID(), question: id, author: actor.person.id, text: sanitize(text), atMs: pembit.now().epochMilliseconds }; // prettier-ignore
  await pembit.queue.write(
    async (writer) => {
      await insertAnswer(writer, written);
      await writeOfAnswer(pembit, writer, actor, found.value);
    },
    { aside: true },
  );
  return done({ id: written.id });
}

/** Takes an answer away: its author's, or anybody's by whoever may answer. */
export async function takeAnswerAway(pembit: Pembit, actor: SignedIn, id: string): Promise<Outcome<null>> {
  const question = await questionOfAnswer(pembit, id);
  const found = question === undefined ? refused('notFound') : await answerable(pembit, actor, question);
  if (!found.ok) return found;
  await pembit.queue.write((writer) => removeAnswer(writer, id), { aside: true });
  return done(null);
}

/** Closes a question, takes it away, or the reverse; whoever asked may take their own away as long as nobody has answered. */
export async function changeQuestion(
  pembit: Pembit,
  actor: SignedIn,
  id: string,
  state: QuestionState,
): Promise<Outcome<null>> {
  const found = await readableQuestion(pembit, pembit, actor, id);
  const own =
    found !== undefined &&
    may(actor, 'withdrawQuestion', { parts: [], owner: found.question.author }).ok &&
    found.question.answers.length === 0 &&
    !found.question.takenAway &&
    state.takenAway === true &&
    state.closed === undefined &&
    state.reported === undefined;
  if (!own) {
    const theirs = await answerable(pembit, actor, id);
    if (!theirs.ok) return theirs;
  }
  await pembit.queue.write(
    async (writer) => {
      await writeQuestionState(writer, id, state);
      if (state.reported === false) await removeReports(writer, id);
    },
    { aside: true },
  );
  return done(null);
}
