import { Temporal } from 'temporal-polyfill';
import type { LetterSort } from '@/core/mail/letters';
import { gatheredDue } from '@/core/mail/letters';
import { changeLines } from '@/core/plan/changeLines';
import type { SeenPlan } from '@/core/plan/seenPlan';
import { studentTexts } from '@/core/texts/student';
import { isOn, isWhole } from '@/core/time/closure';
import { toWall } from '@/core/time/zone';
import { requireZone } from '@/core/time/zoneData';
import type { PersonId } from '@/core/ids';
import { linesOf, removeLines, withLinesWaiting } from '@/data/mail/gathered';
import { queueLetters } from '@/data/mail/outbox';
import { lookedAt, wantingNews, writeLooked } from '@/data/students/students';
import { HELD_MS } from '../history/tellChange';
import { unsubscribeToken } from '../mail/unsubscribe';
import { keptPerson } from '../people/keptPeople';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { planSeenBy } from '../plan/planSeenBy';
import { changesFor } from './changes';
import { settingsOf } from './settings';

/** Which of somebody's gathered letters are due: by the clock and the closures of the term that goes on, else of their first. */
export function dueIn(plan: SeenPlan, now: Temporal.Instant): ReturnType<typeof gatheredDue> {
  const today = (tzid: string) => toWall(requireZone(tzid), now).toPlainDate();
  const term = plan.terms.find((each) => isDuring(each, today(each.tzid))) ?? plan.terms[0];
  const shut = plan.closures.filter((closure) => !closure.course && isWhole(closure));
  return gatheredDue(toWall(requireZone(term?.tzid ?? 'UTC'), now), (date) => shut.some((closure) => isOn(closure, date)));
} // prettier-ignore

const isDuring = ({ startsOn, endsOn }: SeenPlan['terms'][number], date: Temporal.PlainDate): boolean =>
  Temporal.PlainDate.compare(startsOn, date) <= 0 && Temporal.PlainDate.compare(date, endsOn) <= 0;

/** What is new or changed and nobody told of, since somebody looked or was last written to. */
async function newsOf(
  pembit: Pembit,
  { person, viewer }: Pick<SignedIn, 'person' | 'viewer'>,
  plan: SeenPlan,
  told: ReadonlySet<string>,
): Promise<string[]> {
  const looked = await lookedAt(pembit, person.id);
  const since = looked && laterOf(looked.lookedAt, looked.toldAt);
  const changes = since ? await changesFor(pembit, { viewer }, plan, since) : [];
  const untold = changes.filter(({ key }) => !told.has(key));
  return changeLines(untold, plan).map(({ title, words, tags }) =>
    `${tags.map(({ tag }) => tag).join(' ')} ${title}: ${words}`.trim(),
  );
}

const laterOf = (a: Temporal.Instant, b: Temporal.Instant) => (Temporal.Instant.compare(a, b) > 0 ? a : b);

async function writeGathered(pembit: Pembit, id: PersonId): Promise<void> {
  const [{ letters }, { person, viewer }] = await Promise.all([settingsOf(pembit, id), keptPerson(pembit, id)]);
  if (!person || person.deactivated) return;
  const now = pembit.now();
  const plan = await planSeenBy(pembit, viewer, { notes: false });
  const due = dueIn(plan, now);
  if (!due.daily) return;
  // As long as a letter at once is held a line waits, too: undoing takes it back.
  // What waited and is wanted at once by now comes with the next letter; what is wanted no more goes.
  const isDue = (sort: LetterSort) => letters[sort] === 'never' || letters[sort] !== 'weekly' || due.weekly;
  const waiting = (await linesOf(pembit, id, now.epochMilliseconds - HELD_MS)).filter(({ sort }) => isDue(sort));
  const told = waiting.filter(({ sort }) => letters[sort] !== 'never');
  const about = new Set(told.map((line) => line.about));
  const withNews = letters.news !== 'never' && isDue('news');
  const news = withNews ? await newsOf(pembit, { person, viewer }, plan, about) : [];
  const lines = [...new Set(told.map(({ line }) => line))];
  const count = lines.length + news.length;
  const letter = {
    to: person.email,
    subject: studentTexts.gatheredSubject({ n: count }),
    text: studentTexts.gathered(person.name, { told: lines, news }, pembit.config.baseUrl),
    sender: null,
    unsubscribe: unsubscribeToken(pembit, id, 'gathered'),
  };
  await pembit.queue.write(
    async (writer) => {
      await queueLetters(writer, count > 0 ? [letter] : [], now.epochMilliseconds);
      await removeLines(writer, waiting.map((line) => line.id));
      if (withNews) await writeLooked(writer, id, { toldAtMs: now.epochMilliseconds });
    },
    { aside: true },
  );
} // prettier-ignore

/** Writes to everybody in one letter what was told and waited for it, and what is new where they want that; nothing to who has no news. */
export async function sendGathered(pembit: Pembit): Promise<void> {
  const people = new Set([...(await withLinesWaiting(pembit)), ...(await wantingNews(pembit))]);
  for (const id of people) await writeGathered(pembit, id);
}
