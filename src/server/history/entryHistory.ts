import { Temporal } from 'temporal-polyfill';
import type { EntryId } from '@/core/ids';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { historyTexts } from '@/core/texts/history';
import { momentLabel } from '@/core/time/dateLabels';
import { toWall } from '@/core/time/zone';
import { requireZone } from '@/core/time/zoneData';
import { historyOfEntry } from '@/data/history/undo';
import { entryFor } from '../entries/saveEntry';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { readingOf } from '../students/reading';

export type HistoryLine = Readonly<{
  id: string;
  at: string;
  /** The same as whoever asks writes dates, in the zone of the plan. */
  when: string;
  summary: string;
  by: string;
  undone: boolean;
}>;

/** What was done to an entry, newest first: each act can be undone from here while nothing later rests on it. */
export async function entryHistory(
  pembit: Pembit,
  actor: SignedIn,
  id: EntryId,
): Promise<Outcome<HistoryLine[]>> {
  const found = await entryFor(pembit, actor, 'changeEntry', id);
  if (!found.ok) return refused('notFound');
  const { locale } = await readingOf(pembit, actor.person.id);
  const zone = requireZone(found.value.tzid);
  const lines = await historyOfEntry(pembit, id, historyTexts.somebody);
  return done(
    lines.map((line) => ({
      ...line,
      when: momentLabel({ wall: toWall(zone, Temporal.Instant.from(line.at)), tzid: zone.tzid }, locale),
    })),
  );
}
