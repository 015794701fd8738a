import { Temporal } from 'temporal-polyfill';
import type { EntryInputJson } from '../entries/entryInput';
import type { CourseId } from '../ids';
import type { TakenLine } from './scheduleInput';

const nextDay = (date: string) => Temporal.PlainDate.from(date).add({ days: 1 }).toString();
const at = (date: string, time: string | undefined) => (time === undefined ? date : `${date}T${time}`);

/** Work or an event as it is planned by hand: whole days where no time is said. */
export function entryFromLine(line: TakenLine, course: CourseId): EntryInputJson {
  const { kind, title, time, end, to, set, opens, closes, link, points } = line;
  const date = line.date!;
  const shared = { title, audience: [{ course }], links: link === undefined ? [] : [{ url: link }] };
  if (kind === 'due')
    return {
      ...shared,
      kind: 'assignment',
      due: at(date, time),
      setOn: set,
      opens,
      // What closes when it is due needs no second date.
      closes: closes === date ? undefined : closes,
      points,
    };
  if (time === undefined) return { ...shared, kind: 'event', start: date, end: nextDay(to ?? date) };
  const until = end === undefined ? undefined : at(to ?? date, end);
  return { ...shared, kind: 'event', start: at(date, time), end: until };
}
