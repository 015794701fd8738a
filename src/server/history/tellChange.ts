import type { CourseId, HistoryId, PersonId } from '@/core/ids';
import { NO_PERSON_SETTINGS } from '@/core/frame/personSettings';
import type { Act } from '@/core/may/acts';
import { may, mayOffice } from '@/core/may/may';
import { reverseOf } from '@/core/may/undoing';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { historyTexts } from '@/core/texts/history';
import { mailTexts } from '@/core/texts/mail';
import { eventsOfAct } from '@/data/events/events';
import { noteTelling, tellingOf } from '@/data/events/tellings';
import { withNames } from '@/data/history/personRefs';
import type { HistoryRecord } from '@/data/history/undo';
import { historyRecord } from '@/data/history/undo';
import type { GatheredLine } from '@/data/mail/gathered';
import { gatherLines } from '@/data/mail/gathered';
import type { Letter } from '@/data/mail/outbox';
import { queueLetters } from '@/data/mail/outbox';
import type { Notice } from '@/data/notices/notices';
import { queueNotices } from '@/data/notices/notices';
import { peopleById } from '@/data/people/people';
import { allPersonSettings } from '@/data/students/students';
import type { Writer } from '@/data/reader';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { asOneWishes } from '../mail/asOneWishes';
import { unsubscribeToken } from '../mail/unsubscribe';
import { toldLines } from './toldLines';

/** What people must hear before they set out: their letters go ahead of all others. */
const CANNOT_WAIT: ReadonlySet<string> = new Set<Act>([
  'addClosure',
  'removeClosure',
  'beAway',
  'callOffClass',
]);

/** The lines of a letter as a device shows them: without addresses, and no longer than it shows. */
const noticeBody = (lines: readonly string[]): string =>
  lines
    .map((line) => line.replace(/\s*https?:\/\/\S+/g, ''))
    .join('\n')
    .slice(0, 300);

/** How long a letter is held, so that undoing the act still keeps it back. */
export const HELD_MS = 60_000;

/** What an act has still to be told: how many would get a letter; told already, or waved off, it is nobody's concern. */
export async function untold(pembit: Pembit, record: HistoryRecord): Promise<number> {
  if (record.undone || (await tellingOf(pembit, record.id))) return 0;
  return (await toldLines(pembit, pembit, await eventsOfAct(pembit, record.id as HistoryId))).size;
}

/**
 * Whoever may tell students of an act: who may do the like now; who did it themselves, in whichever sections that was, or as
 * the office.
 */
export function mayTell(actor: SignedIn, { courses, actor: by, act }: HistoryRecord): boolean {
  const own = by === actor.person.id;
  if (own && reverseOf(act).some((reverse) => mayOffice(actor, reverse))) return true;
  return may(actor, 'tellChange', {
    parts: courses.map((course) => ({ course: course as CourseId, ...(own ? { sections: [] } : {}) })),
  }).ok;
}

/** An act that somebody may tell of, and nobody has told of yet. */
async function tellable(writer: Writer, actor: SignedIn, id: HistoryId): Promise<Outcome<HistoryRecord>> {
  const record = await historyRecord(writer, id);
  if (!record || record.undone || !mayTell(actor, record)) return refused('notFound');
  return (await tellingOf(writer, id)) ? refused('toldAlready') : done(record);
}

type Prepared = Readonly<{
  letters: readonly Letter[];
  gathered: readonly GatheredLine[];
  notices: ReadonlyMap<PersonId, Notice>;
  /** How many read all of it in a gathered letter. */
  later: number;
}>;

/** What an act is told by: letters at once and lines that wait, as each wishes; of what cannot wait notices on devices as well. */
async function prepared(pembit: Pembit, writer: Writer, actor: SignedIn, { id, act, summary }: HistoryRecord): Promise<Prepared> {
  const lines = await toldLines(pembit, writer, await eventsOfAct(writer, id as HistoryId));
  const [said] = await withNames(writer, [{ summary }], historyTexts.somebody);
  const urgent = CANNOT_WAIT.has(act);
  const settings = await allPersonSettings(writer);
  const letters: Letter[] = [];
  const gathered: GatheredLine[] = [];
  const notices = new Map<PersonId, Notice>();
  let later = 0;
  for (const person of await peopleById(writer, [...lines.keys()])) {
    const all = lines.get(person.id)!;
    const { now, gathered: waits, sort } = asOneWishes(person.id, all, settings.get(person.id) ?? NO_PERSON_SETTINGS, { emergency: urgent });
    gathered.push(...waits);
    if (now.length === 0 && waits.length > 0) later += 1;
    if (urgent) notices.set(person.id, { title: said!.summary, body: noticeBody(all.map(({ line }) => line)), path: '/' });
    if (now.length === 0) continue;
    letters.push({
      to: person.email,
      subject: mailTexts.changedSubject({ summary: said!.summary }),
      text: mailTexts.changed(person.name, now.map(({ line }) => line), actor.person.name),
      sender: actor.person.id,
      urgent,
      ...(sort ? { unsubscribe: unsubscribeToken(pembit, person.id, sort) } : {}),
    });
  }
  return { letters, gathered, notices, later };
} // prettier-ignore

/**
 * Tells everybody who had been shown what an act changed: what it was for them, what it is now, at once or in a gathered
 * letter, as each wishes. The letters wait a minute; undoing the act takes them back, and lines that are not written yet.
 */
export function tellChange(
  pembit: Pembit,
  actor: SignedIn,
  id: HistoryId,
): Promise<Outcome<{ told: number; gathered: number }>> {
  return pembit.queue.write(async (writer) => {
    const found = await tellable(writer, actor, id);
    if (!found.ok) return found;
    const { letters, gathered, notices, later } = await prepared(pembit, writer, actor, found.value);
    const nowMs = pembit.now().epochMilliseconds;
    await queueLetters(writer, letters, nowMs, { holdMs: HELD_MS, history: id });
    await gatherLines(writer, gathered, { nowMs, history: id });
    await queueNotices(writer, notices, { nowMs, holdMs: HELD_MS, history: id });
    const told = letters.length + later;
    await noteTelling(writer, { history: id, atMs: nowMs, actor: actor.person.id, told, gathered: later });
    return done({ told, gathered: later });
  });
}

/** Says that nobody needs to be told of an act: the offer goes. */
export function waveOff(pembit: Pembit, actor: SignedIn, id: HistoryId): Promise<Outcome<{ told: 0 }>> {
  return pembit.queue.write(async (writer) => {
    const found = await tellable(writer, actor, id);
    if (!found.ok) return found;
    const atMs = pembit.now().epochMilliseconds;
    await noteTelling(writer, { history: id, atMs, actor: actor.person.id, told: 0 });
    return done({ told: 0 as const });
  });
}
