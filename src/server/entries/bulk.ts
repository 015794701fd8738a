import type { Temporal } from 'temporal-polyfill';
import { daysByMeetings, followingFurther } from '@/core/entries/moveByMeetings';
import type { SharedEntry } from '@/core/entries/entry';
import { moveEntry } from '@/core/entries/moveEntry';
import { toInstant } from '@/core/time/zone';
import { withInstants } from '@/core/entries/visibility';
import type { EntryId } from '@/core/ids';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { everythingTexts } from '@/core/texts/everything';
import { requireZone } from '@/core/time/zoneData';
import { removeEntry, replaceEntry } from '@/data/entries/entries';
import type { Change } from '@/data/history/change';
import { loadFrame } from '@/data/plan/loadPlan';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { editableEntry } from './editableEntry';
import { datedByClasses } from './followClasses';

type BulkAct =
  | Readonly<{ act: 'delete' }>
  | Readonly<{ act: 'cancel' | 'show' | 'draft' }>
  | Readonly<{ act: 'showFrom'; from: Temporal.PlainDateTime }>
  | Readonly<{ act: 'showBefore'; days: number }>
  | Readonly<{ act: 'moveMeetings'; meetings: number }>;

const shownFrom = (entry: SharedEntry, from: Temporal.PlainDateTime): SharedEntry => ({
  ...entry,
  visibility: {
    kind: 'from',
    from: { wall: from, tzid: entry.tzid },
    at: toInstant(requireZone(entry.tzid), from),
  },
});

/** The entry after the act; undefined where there is no class to move it to. */
async function changed(
  change: Change,
  entry: SharedEntry,
  asked: Exclude<BulkAct, { act: 'delete' }>,
  now: Temporal.Instant,
): Promise<SharedEntry | undefined> {
  switch (asked.act) {
    case 'cancel':
      return { ...entry, cancelled: entry.cancelled ?? '' };
    case 'show':
      return { ...entry, visibility: { kind: 'visible' } };
    case 'draft':
      return { ...entry, visibility: { kind: 'draft' } };
    case 'showFrom':
      return shownFrom(entry, asked.from);
    case 'showBefore':
      // The instant follows from the entry's day; `withInstants` takes it.
      return { ...entry, visibility: { kind: 'before', days: asked.days, at: now } };
    case 'moveMeetings': {
      const { courses } = await loadFrame(
        change,
        entry.audience.map((part) => part.course),
      );
      if (entry.kind === 'assignment' && entry.atClass?.due) return followingFurther(entry, asked.meetings);
      const days = daysByMeetings(entry, courses, asked.meetings);
      if (days === undefined) return undefined;
      return moveEntry(entry, { days, along: false, zone: requireZone(entry.tzid), now }) as SharedEntry;
    }
    default:
      return asked satisfies never;
  }
}

/** One act on several entries: all of them, or none, and one undo. */
export function actOnSeveral(
  pembit: Pembit,
  actor: SignedIn,
  ids: readonly EntryId[],
  asked: BulkAct,
): Promise<Outcome<{ changed: number }>> {
  return perform(pembit, actor, 'actOnSeveral', async (change) => {
    const now = pembit.now();
    for (const id of ids) {
      const found = await editableEntry(change, actor.viewer, id);
      if (!found.ok) return found;
      const entry = found.value;
      if (asked.act === 'delete') {
        await removeEntry(change, entry);
        continue;
      }
      const about = (message: string) => refused('badRequest', [{ field: 'ids', message }]);
      if (entry.kind === 'note') return about(`“${entry.title}” is a private note.`);
      const after = await changed(change, entry, asked, now);
      if (!after) return about(`There is no such class for “${entry.title}”.`);
      const grown = { ...after, sequence: entry.sequence + 1, lastModified: now };
      await replaceEntry(
        change,
        entry,
        await datedByClasses(change, withInstants(grown, requireZone(entry.tzid))),
      );
    }
    change.summarise(everythingTexts.did[asked.act](ids.length));
    return done({ changed: ids.length });
  });
}
