import { groupBy } from '@/core/groupBy';
import type { CourseId } from '@/core/ids';
import type { Question, SeenQuestion } from '@/core/questions/question';
import { readsQuestion, seenQuestion, waits } from '@/core/questions/question';
import type { SeenPlan } from '@/core/plan/seenPlan';
import { readsAsStaff } from '@/core/entries/viewer';
import type { Reader } from '@/data/reader';
import { askingOf, questionsAbout, waitingIn } from '@/data/questions/questions';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import type { About } from './about';
import { aboutIn, coursesAbout, mayAbout } from './about';

/** Whether students may ask under something: what was said of it, else of one of its courses. */
export async function asking(reader: Reader, about: About): Promise<Readonly<{ open: boolean; own?: boolean; byCourse: boolean }>> {
  const courses = coursesAbout(about);
  const said = await askingOf(reader, [about.id, ...courses]);
  const own = said.get(about.id);
  const byCourse = courses.some((course) => said.get(course) === true);
  return { open: !about.archived && (own ?? byCourse), byCourse, ...(own === undefined ? {} : { own }) };
} // prettier-ignore

/** Whether students may ask in a course, where nothing else is said. */
export const mayAskIn = async (reader: Reader, course: CourseId): Promise<boolean> =>
  (await askingOf(reader, [course])).get(course) ?? false;

export type QuestionsOn = Readonly<{
  /** Whether this person may ask here now. */
  mayAsk: boolean;
  asStaff: boolean;
  mayAnswer: boolean;
  /** For whoever may say where students ask: what holds here, and what the course says. */
  choice?: Readonly<{ own?: boolean; byCourse: boolean }>;
  items: readonly SeenQuestion[];
}>;

/** The questions under an entry or a class, as somebody may know them; undefined where they do not see what it is. */
export async function questionsOn(
  pembit: Pembit,
  actor: SignedIn,
  plan: SeenPlan,
  id: string,
): Promise<QuestionsOn | undefined> {
  const about = aboutIn(plan, id);
  if (!about) return undefined;
  const [{ open, ...choice }, questions] = await Promise.all([asking(pembit, about), questionsAbout(pembit, id)]);
  const reader = { id: actor.person.id, asStaff: about.asStaff };
  return {
    mayAsk: open && !about.asStaff && mayAbout(actor, 'askQuestion', about),
    asStaff: about.asStaff,
    mayAnswer: about.asStaff && !about.archived && mayAbout(actor, 'answerQuestion', about),
    ...(about.asStaff && !about.archived && mayAbout(actor, 'allowQuestions', about) ? { choice } : {}),
    items: questions.flatMap((question) => seenQuestion(reader, question) ?? []),
  };
} // prettier-ignore

/** What waits under one thing: how many questions without an answer, and whether one was reported. */
export type WaitingQuestions = Readonly<{ about: About; unanswered: number; reported: boolean }>;

/** Questions that wait for somebody as staff, by what they stand under. */
export async function waitingQuestions(
  pembit: Pembit,
  { person, viewer }: Pick<SignedIn, 'person' | 'viewer'>,
  plan: SeenPlan,
): Promise<WaitingQuestions[]> {
  const courses = plan.courses.filter(({ id, archived }) => !archived && readsAsStaff(viewer, id));
  const found = await waitingIn(pembit, courses.map(({ id }): CourseId => id));
  const by = groupBy(found, ({ about }) => about);
  return [...by].flatMap(([id, all]) => {
    const about = aboutIn(plan, id);
    if (!about?.asStaff) return [];
    const read = all.filter((question: Question) => readsQuestion({ id: person.id, asStaff: true }, question));
    const unanswered = read.filter(waits).length;
    const reported = read.some(({ reportedBy }) => reportedBy.size > 0);
    return unanswered > 0 || reported ? [{ about, unanswered, reported }] : [];
  });
} // prettier-ignore
