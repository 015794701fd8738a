import { Temporal } from 'temporal-polyfill';
import type { PersonId } from '../ids';
import { requireZone } from '../time/zoneData';
import type { Moment } from '../time/zonedWall';
import { dayOf, isDay, momentOrder } from '../time/zonedWall';
import type { AssignmentEntry, Visibility } from './entry';
import type { ExtendedDates } from './extendedDates';
import { extendedBoundaries, extendedDates } from './extendedDates';
import type { OwnStart, Pacing } from './pacing';
import { visibilityFor } from './visibility';

type Paced = Pick<AssignmentEntry, 'tzid' | 'due' | 'setOn' | 'opens'>;

/** The day that so much after a beginning comes to: some days later, or the last day of the so-manieth week from it on. */
export const pacedDay = ({ unit, count }: Pacing, on: Temporal.PlainDate): Temporal.PlainDate =>
  on.add({ days: unit === 'days' ? count : 7 * count - 1 });

/**
 * When work is due for somebody who began on a day: at the time of day at which it is due for everybody, never after that and
 * never before it is set or opens.
 */
export function pacedDue({ tzid, due, setOn, opens }: Paced, pacing: Pacing, on: Temporal.PlainDate): Moment {
  const at = (day: Temporal.PlainDate): Moment =>
    isDay(due) ? day : { wall: day.toPlainDateTime(due.wall.toPlainTime().with({ nanosecond: 0 })), tzid };
  const earliest = [setOn, opens && dayOf(opens)].filter((day) => day !== undefined);
  const day = [pacedDay(pacing, on), ...earliest].sort(Temporal.PlainDate.compare).at(-1)!;
  const own = at(day);
  return momentOrder(own, due) < 0 ? own : due;
}

/** When somebody began what work is about: of several courses, the first. */
export const startOf = (
  { starts, audience }: Pick<AssignmentEntry, 'starts' | 'audience'>,
  person: PersonId,
): OwnStart | undefined =>
  (starts ?? [])
    .filter((start) => start.person === person && audience.some(({ course }) => course === start.course))
    .sort((a, b) => Temporal.PlainDate.compare(a.on, b.on))[0];

/** What one student has otherwise than everybody. */
export type OwnDates = ExtendedDates &
  Readonly<{
    visibility: Visibility;
    lastModified: Temporal.Instant;
    /** Later dates were given; else they follow from the own start. */
    extended: boolean;
  }>;

/**
 * The dates that one student has of an assignment, where they are their own: what they were given singly; else what follows from
 * their start, as many days later as was arranged for all their work.
 */
export function ownDatesOf(entry: AssignmentEntry, person: PersonId): OwnDates | undefined {
  const extension = entry.extensions.find((e) => e.person === person);
  const start = entry.pacing && startOf(entry, person);
  const given = extension && {
    ...extendedDates(entry, extension),
    visibility: entry.visibility,
    lastModified: entry.lastModified,
    extended: true,
  };
  if (!entry.pacing || !start || (extension && !extension.arranged)) return given;
  const last = extension?.due ?? entry.due;
  const later = dayOf(entry.due).until(dayOf(last), { largestUnit: 'days' });
  const due = pacedDue({ ...entry, due: last }, entry.pacing, start.on.add(later));
  return {
    ...(given ?? { closes: entry.closes, hiddenAfter: entry.hiddenAfter, extended: false }),
    due,
    visibility: shownFor(entry, due),
    lastModified: laterOf(entry.lastModified, start.said),
  };
}

/** "So many days before" counts from the own date, where that comes first. */
const shownFor = ({ visibility, tzid }: AssignmentEntry, due: Moment): Visibility =>
  visibility.kind === 'before' ? visibilityFor(visibility, due, requireZone(tzid)) : visibility;

const laterOf = (a: Temporal.Instant, b: Temporal.Instant) => (Temporal.Instant.compare(a, b) < 0 ? b : a);

/** The instants at which single students begin or cease to see an assignment. */
export const ownBoundaries = (entry: AssignmentEntry): Temporal.Instant[] => [
  ...extendedBoundaries(entry),
  ...(entry.pacing && entry.visibility.kind === 'before'
    ? (entry.starts ?? []).flatMap(({ person }) => {
        const visibility = ownDatesOf(entry, person)?.visibility;
        return visibility && 'at' in visibility ? [visibility.at] : [];
      })
    : []),
];
