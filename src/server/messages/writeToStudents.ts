import { randomUUID } from 'node:crypto';
import type { SharedEntry } from '@/core/entries/entry';
import type { CourseId, EntryId } from '@/core/ids';
import { mayIn } from '@/core/may/may';
import type { MessageInput, RecipientsInput } from '@/core/messages/messageInput';
import { recipientsOf } from '@/core/messages/recipients';
import type { Course } from '@/core/plan/plan';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { messageTexts } from '@/core/texts/messages';
import { requireZone } from '@/core/time/zoneData';
import { toWall } from '@/core/time/zone';
import { queueLetters } from '@/data/mail/outbox';
import { insertMessage, messagesOf } from '@/data/messages/messages';
import { enrolledIn } from '@/data/people/enrolment';
import { loadPlan } from '@/data/plan/loadPlan';
import type { Member } from '../people/roster';
import { rosterOf } from '../people/roster';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';

type Reached = Readonly<{
  people: readonly Pick<Member, 'name' | 'email'>[];
  /** Whom that is, in words. */
  audience: string;
  entry?: SharedEntry;
}>;

/** Whom a message is for, in words. */
const whomOf = (
  { tag, sections, groups }: Course,
  parts: Pick<RecipientsInput, 'sections' | 'groups' | 'people'>,
): string =>
  messageTexts.whom(tag, {
    sections: sections.filter(({ id }) => parts.sections?.includes(id)).map(({ name }) => name),
    groups: groups.filter(({ id }) => parts.groups?.includes(id)).map(({ name }) => name),
    people: parts.people?.length ?? 0,
  });

async function reachedBy(
  pembit: Pembit,
  actor: SignedIn,
  id: CourseId,
  { condition, entry: about, ...parts }: RecipientsInput,
): Promise<Outcome<Reached>> {
  if (!mayIn(actor, 'writeToStudents', id)) return refused('notFound');
  const [plan, enrolled, roster] = await Promise.all([
    loadPlan(pembit, [id]),
    enrolledIn(pembit, [id]),
    rosterOf(pembit, id),
  ]);
  const [course] = plan.courses;
  const term = plan.terms.find((t) => t.id === course?.term);
  if (!course || !term) return refused('notFound');
  if (course.archived) return refused('archived');
  const entry = about && plan.entries.find((e): e is SharedEntry => e.id === about && e.kind !== 'note');
  if (about && !entry) return refused('badRequest', [{ field: 'entry', message: messageTexts.noEntry }]);
  const asks = entry?.kind === 'event' && entry.coming ? entry : undefined;
  if ((condition.kind === 'coming' || condition.kind === 'notReplied') && !asks)
    return refused('badRequest', [{ field: 'condition', message: messageTexts.asksNobody }]);
  const zone = requireZone(term.tzid);
  const reached = recipientsOf({ course: id, ...parts }, condition, {
    enrolled,
    notHere: new Set(roster.filter(({ waiting }) => waiting).map(({ person }) => person)),
    sheets: plan.sheets,
    asks,
    term,
    zone,
    today: toWall(zone, pembit.now()).toPlainDate(),
  });
  const wanted = new Set(reached);
  const audience = messageTexts.sentence(whomOf(course, parts), condition);
  return done({
    people: roster.filter(({ person }) => wanted.has(person)),
    audience,
    ...(entry ? { entry } : {}),
  });
}

/** Whom a message would reach, by name; nothing is sent. */
export async function previewMessage(
  pembit: Pembit,
  actor: SignedIn,
  id: CourseId,
  input: RecipientsInput,
): Promise<Outcome<{ count: number; audience: string; names: readonly string[] }>> {
  const found = await reachedBy(pembit, actor, id, input);
  if (!found.ok) return found;
  const { people, audience } = found.value;
  return done({ count: people.length, audience, names: people.map(({ name }) => name) });
}

/** Writes to each of them; whoever replies writes to the author. What was written is kept with what it is about. */
export async function writeToStudents(
  pembit: Pembit,
  actor: SignedIn,
  id: CourseId,
  { subject, text, ...whom }: MessageInput,
): Promise<Outcome<{ told: number }>> {
  const found = await reachedBy(pembit, actor, id, whom);
  if (!found.ok) return found;
  const { people, audience, entry } = found.value;
  if (people.length === 0) return refused('nobodyToTell');
  const atMs = pembit.now().epochMilliseconds;
  const about = entry && messageTexts.letterAbout({ title: entry.title, link: `${pembit.config.baseUrl}/e/${entry.id}` });
  const body = [text.trim(), about].filter(Boolean).join('\n\n');
  await pembit.queue.write(
    async (writer) => {
      const letters = people.map((person) => ({
        to: person.email,
        subject,
        text: messageTexts.letter(person.name, actor.person.name, body, audience),
        sender: actor.person.id,
      }));
      await queueLetters(writer, letters, atMs);
      await insertMessage(writer, {
        id: randomUUID(),
        course: id,
        entry: (entry?.id as EntryId | undefined) ?? null,
        author: actor.person.id,
        audience,
        subject,
        body: text.trim(),
        told: letters.length,
        atMs,
      });
    },
    { aside: true },
  );
  return done({ told: people.length });
} // prettier-ignore

/** So many are shown; what is older is with those who got it. */
const SHOWN = 20;

/** What was written to students of a course, the newest first; about one entry, where one is named. */
export const writtenTo = async (
  pembit: Pembit,
  actor: SignedIn,
  about: Readonly<{ course: CourseId; entry?: EntryId }>,
) => (mayIn(actor, 'writeToStudents', about.course) ? messagesOf(pembit, about, SHOWN) : []);
