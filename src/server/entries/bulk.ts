import type { Temporal } from 'temporal-polyfill';
import { daysByMeetings, followingFurther } from '@/core/entries/moveByMeetings';
import type { SharedEntry } from '@/core/entries/entry';
import type { EntryFacts } from '@/core/entries/facts';
import { moveEntry } from '@/core/entries/moveEntry';
import type { CourseId, EntryId } from '@/core/ids';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { everythingTexts } from '@/core/texts/everything';
import { removeEntry } from '@/data/entries/writeEntries';
import type { Change } from '@/data/history/change';
import { loadFrame } from '@/data/plan/loadPlan';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { copyOf } from './copyEntry';
import { entryFor, saveEntry } from './saveEntry';

type BulkAct =
  | Readonly<{ act: 'delete' }>
  | Readonly<{ act: 'copy'; courses: readonly CourseId[]; days: number }>
  | Readonly<{ act: 'cancel' | 'show' | 'draft' }>
  | Readonly<{ act: 'showFrom'; from: Temporal.PlainDateTime }>
  | Readonly<{ act: 'showBefore'; days: number }>
  | Readonly<{ act: 'moveMeetings'; meetings: number }>;

/** The facts after the act; undefined where there is no class to move it to. */
async function changed(
  change: Change,
  entry: SharedEntry,
  asked: Exclude<BulkAct, { act: 'delete' | 'copy' }>,
): Promise<EntryFacts | undefined> {
  switch (asked.act) {
    case 'cancel':
      return { ...entry, cancelled: entry.cancelled ?? '' };
    case 'show':
      return { ...entry, visibility: { kind: 'visible' } };
    case 'draft':
      return { ...entry, visibility: { kind: 'draft' } };
    case 'showFrom':
      return { ...entry, visibility: { kind: 'from', from: { wall: asked.from, tzid: entry.tzid } } };
    case 'showBefore':
      return { ...entry, visibility: { kind: 'before', days: asked.days } };
    case 'moveMeetings': {
      const { courses } = await loadFrame(
        change,
        entry.audience.map((part) => part.course),
      );
      if (entry.kind === 'assignment' && entry.atClass?.due) return followingFurther(entry, asked.meetings);
      const days = daysByMeetings(entry, courses, asked.meetings);
      if (days === undefined) return undefined;
      return moveEntry(entry, { days, along: false });
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
    for (const id of ids) {
      const found = await entryFor(change, actor, 'actOnSeveral', id);
      if (!found.ok) return found;
      const entry = found.value;
      if (asked.act === 'delete') {
        await removeEntry(change, entry);
        continue;
      }
      const about = (message: string) => refused('badRequest', [{ field: 'ids', message }]);
      if (entry.kind === 'note') return about(`“${entry.title}” is a private note.`);
      if (asked.act === 'copy') {
        // One for each course: they meet on other days, and move apart.
        for (const course of asked.courses) {
          const made = await copyOf(change, actor, entry, { courses: [course], days: asked.days, act: 'actOnSeveral' }); // prettier-ignore
          if (!made.ok) return made.fields?.[0] ? about(`“${entry.title}”: ${made.fields[0].message}`) : made;
        }
        continue;
      }
      const facts = await changed(change, entry, asked);
      if (!facts) return about(`There is no such class for “${entry.title}”.`);
      const saved = await saveEntry(change, facts, { actor, act: 'actOnSeveral', before: entry });
      if (!saved.ok) return saved.fields?.[0] ? about(`“${entry.title}”: ${saved.fields[0].message}`) : saved;
    }
    const count = ids.length * (asked.act === 'copy' ? asked.courses.length : 1);
    change.summarise(everythingTexts.did[asked.act]({ n: count }));
    return done({ changed: count });
  });
}
