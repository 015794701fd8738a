import { Temporal } from 'temporal-polyfill';
import { studentTexts } from '@/core/texts/student';
import { toWall } from '@/core/time/zone';
import { requireZone } from '@/core/time/zoneData';
import { queueLetters } from '@/data/mail/outbox';
import { lookedAt, wantingDigests, writeLooked } from '@/data/students/students';
import { changeLines } from '@/core/plan/changeLines';
import { keptPerson } from '../people/keptPeople';
import type { Pembit } from '../pembit';
import { planSeenBy } from '../plan/planSeenBy';
import { changesFor } from './changes';
import { settingsOf } from './settings';

/** The hour of the day, in the zone of the term, at which letters about changes are written. */
const HOUR = 7;
const MONDAY = 1;

/** Whether a letter is due at this hour to somebody who wants one each day or each week. */
export function isDue(digest: 'daily' | 'weekly', wall: Temporal.PlainDateTime): boolean {
  return wall.hour === HOUR && (digest === 'daily' || wall.dayOfWeek === MONDAY);
}

/** Writes to whoever wants it what has changed since they looked or were last written to; nothing to who has no news. */
export async function sendDigests(pembit: Pembit): Promise<void> {
  const now = pembit.now();
  for (const id of await wantingDigests(pembit)) {
    const [{ digest }, { person, viewer }] = await Promise.all([
      settingsOf(pembit, id),
      keptPerson(pembit, id),
    ]);
    if (digest === 'off' || !person) continue;
    const plan = await planSeenBy(pembit, viewer);
    const zone = requireZone(plan.terms[0]?.tzid ?? 'UTC');
    if (!isDue(digest, toWall(zone, now))) continue;
    const looked = await lookedAt(pembit, id);
    const since = looked && laterOf(looked.lookedAt, looked.toldAt);
    const changes = since ? await changesFor(pembit, { viewer }, plan, since) : [];
    const lines = changeLines(changes, plan).map(({ title, words, tags }) =>
      `${tags.map(({ tag }) => tag).join(' ')} ${title}: ${words}`.trim(),
    );
    const letter = {
      to: person.email,
      subject: studentTexts.digestSubject(lines.length),
      text: studentTexts.digest(person.name, lines, `${pembit.config.baseUrl}/next`),
      sender: null,
    };
    await pembit.queue.write(
      async (writer) => {
        await queueLetters(writer, lines.length > 0 ? [letter] : [], now.epochMilliseconds);
        await writeLooked(writer, id, { toldAtMs: now.epochMilliseconds });
      },
      { aside: true },
    );
  }
}

const laterOf = (a: Temporal.Instant, b: Temporal.Instant) => (Temporal.Instant.compare(a, b) > 0 ? a : b);
