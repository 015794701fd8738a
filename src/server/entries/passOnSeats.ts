import { seatedNow } from '@/core/entries/coming';
import type { EventEntry } from '@/core/entries/entry';
import { indexMs } from '@/core/entries/factsFromInput';
import { releaseAt } from '@/core/entries/visibility';
import type { EntryId } from '@/core/ids';
import { comingMailTexts } from '@/core/texts/comingMail';
import { historyTexts } from '@/core/texts/history';
import { momentLabel } from '@/core/time/dateLabels';
import { requireZone } from '@/core/time/zoneData';
import type { Reader } from '@/data/reader';
import { entryById } from '@/data/entries/entries';
import { entriesWaitedFor, writeReply } from '@/data/entries/replies';
import { recordChange } from '@/data/history/change';
import { queueLetters } from '@/data/mail/outbox';
import { personById } from '@/data/people/people';
import { schoolSettings } from '@/data/plan/schoolSettings';
import type { Pembit } from '../pembit';

/** Those of an event that is still to come who wait and have a seat by now. */
async function seatedAt(pembit: Pembit, reader: Reader, id: EntryId) {
  const entry = await entryById(reader, id);
  if (entry?.kind !== 'event' || !entry.coming || entry.cancelled !== undefined) return undefined;
  const now = pembit.now();
  const begins = indexMs(entry.when.start, requireZone(entry.tzid));
  if (releaseAt(entry, now) !== 'shown' || begins <= now.epochMilliseconds) return undefined;
  const seated = seatedNow(entry.coming);
  return seated.length > 0 ? { entry, seated } : undefined;
}

const courseScopes = ({ audience }: EventEntry) => audience.map((part) => `course:${part.course}` as const);

/**
 * Gives the seats of an event that are free to those who wait, the longest first, and writes to them. It is an act of its own:
 * undoing what freed a seat does not take it from whoever has it now.
 */
export async function passOnSeats(pembit: Pembit, id: EntryId): Promise<void> {
  if (!(await seatedAt(pembit, pembit, id))) return;
  const act = { act: 'passOnSeats', summary: historyTexts.passedOn, actor: null, nowMs: pembit.now().epochMilliseconds };
  await recordChange(pembit.queue, act, async (change) => {
    // Somebody else may have been quicker.
    const found = await seatedAt(pembit, change, id);
    if (!found) return;
    const { entry, seated } = found;
    const { locale } = await schoolSettings(change);
    for (const { person: who } of seated) {
      await writeReply(change, id, { person: who, answer: 'coming' });
      change.tell({ type: 'replied', subject: id, scopes: [`person:${who}`], payload: {} });
      const person = await personById(change, who);
      if (!person) continue;
      const when = momentLabel(entry.when.start, locale);
      const text = comingMailTexts.seat({ name: person.name, title: entry.title, when, link: `${pembit.config.baseUrl}/e/${id}` });
      const letter = { to: person.email, subject: comingMailTexts.seatSubject({ title: entry.title, when }), text };
      await queueLetters(change, [{ ...letter, sender: null }], change.nowMs);
    }
    change.concerns(...courseScopes(entry));
  });
} // prettier-ignore

/** The same for all events: seats are also freed by leaving a course, and by more of them. */
export async function passOnAllSeats(pembit: Pembit): Promise<void> {
  for (const id of await entriesWaitedFor(pembit)) await passOnSeats(pembit, id);
}
