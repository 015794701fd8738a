import type { Temporal } from 'temporal-polyfill';
import { perSection } from '../entries/perSection';
import type { VTodo } from '../icalendar/calendar';
import type { EntryId } from '../ids';
import { plainText } from '../richText/plainText';
import { entryTexts } from '../texts/entries';
import type { Addresses } from './eventParts';
import { colorOf, coursesOf, describe, linkLine, tagged } from './eventParts';
import type { OutletContents } from './outletContents';

const laterOf = (a: Temporal.Instant, b: Temporal.Instant | undefined) =>
  b && b.epochMilliseconds > a.epochMilliseconds ? b : a;

/**
 * The due work of an outlet as tasks. `done`: when its owner ticked each as done. Each has a UID of its own, so that a program
 * may have the same work as an event, too; what it hangs on is its set day.
 */
export function workTodos(
  { plan, tags, has }: Pick<OutletContents, 'plan' | 'tags' | 'has'>,
  addresses: Addresses,
  done: ReadonlyMap<EntryId, Temporal.Instant>,
): VTodo[] {
  if (!has('due')) return [];
  return plan.entries.flatMap(perSection).flatMap((entry): VTodo[] => {
    if (entry.kind !== 'assignment') return [];
    const courses = coursesOf(plan, entry);
    const completed = done.get(entry.id);
    const changed = laterOf(entry.lastModified, completed);
    const off = entry.cancelled !== undefined;
    return [
      {
        uid: `${entry.uid}-work`,
        dtstamp: changed,
        due: entry.due,
        summary: tags ? tagged(courses, entry.title) : entry.title,
        description: describe([
          off ? entryTexts.cancelled({ reason: entry.cancelled ?? '' }) : undefined,
          entry.handIn,
          plainText(entry.description),
          ...entry.links.map(linkLine(addresses)),
        ]),
        url: addresses.entry(entry.id),
        categories: courses.map(({ code }) => code),
        ...colorOf(courses),
        ...(entry.setOn ? { relatedTo: entry.setUid } : {}),
        status: off ? 'CANCELLED' : completed ? 'COMPLETED' : 'NEEDS-ACTION',
        ...(completed && !off ? { completed } : {}),
        sequence: entry.sequence,
        created: entry.created,
        lastModified: changed,
      },
    ];
  });
}
