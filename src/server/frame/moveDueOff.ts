import type { Temporal } from 'temporal-polyfill';
import type { AssignmentEntry } from '@/core/entries/entry';
import { moveEntry } from '@/core/entries/moveEntry';
import type { ClosureHits } from '@/core/frame/closureHits';
import type { EntryId } from '@/core/ids';
import type { Plan } from '@/core/plan/plan';
import type { Outcome } from '@/core/refusals';
import { done } from '@/core/refusals';
import type { Closure } from '@/core/time/closure';
import { concernsPart } from '@/core/time/closure';
import { nextOpenDay } from '@/core/time/nextOpenDay';
import { dayOf } from '@/core/time/zonedWall';
import type { Change } from '@/data/history/change';
import { entryFor, mayDo, saveEntry } from '../entries/saveEntry';
import type { SignedIn } from '../session/session';

/** Work that is due on closed days and may move: to which day. */
export type DueMove = Readonly<{ entry: AssignmentEntry; to: Temporal.PlainDate }>;

/**
 * Where the work due on days that close would go: to the next day that is open, at its time; of the courses that the actor
 * plans, and not where the due date follows a class, which goes with that.
 */
export function dueMoves(
  actor: SignedIn,
  { closure, hits, plan }: Readonly<{ closure: Closure; hits: readonly ClosureHits[]; plan: Plan }>,
): DueMove[] {
  const moves = new Map<EntryId, DueMove>();
  for (const { course, due } of hits) {
    const weekdays = new Set(
      course.sections.flatMap(({ meetings }) => meetings.map(({ date }) => date.dayOfWeek)),
    );
    for (const entry of due) {
      if (entry.atClass?.due || entry.cancelled !== undefined || course.archived) continue;
      if (!mayDo(actor, 'shiftEntries', entry)) continue;
      const closed = [...plan.closures, closure].filter(
        (other) => other.term === closure.term && entry.audience.some((part) => concernsPart(other, part)),
      );
      const to = nextOpenDay(dayOf(entry.due), closed, weekdays);
      const known = moves.get(entry.id);
      // Of several courses: a day that is open in each.
      if (!known || to.since(known.to).sign > 0) moves.set(entry.id, { entry, to });
    }
  }
  return [...moves.values()];
}

/** Moves it, each with its set date and the others where they are. */
export async function moveDueOff(change: Change, actor: SignedIn, moves: readonly DueMove[]): Promise<Outcome<undefined>> {
  for (const { entry, to } of moves) {
    const found = await entryFor(change, actor, 'shiftEntries', entry.id);
    if (!found.ok) return found;
    const before = found.value;
    const { days } = dayOf(entry.due).until(to);
    const saved = await saveEntry(change, moveEntry(before, { days, along: false }), { actor, act: 'shiftEntries', before });
    if (!saved.ok) return saved;
  }
  return done(undefined);
} // prettier-ignore
