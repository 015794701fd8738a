import { Temporal } from 'temporal-polyfill';
import type { SharedEntry } from '../entries/entry';
import { mainMoment } from '../entries/entry';
import { numberOf } from '../time/classNumber';
import { classDates, detached, withClassDates } from '../entries/classDates';
import type { AssignmentFacts, EntryFacts, EventFacts, SharedFacts } from '../entries/facts';
import type { MomentChange } from '../entries/mapMoments';
import { mapMoments } from '../entries/mapMoments';
import { withoutPeople } from '../entries/withoutPeople';
import type { EntryId } from '../ids';
import { expandSeries } from '../series/expand';
import { firstOccurrence } from '../series/firstOccurrence';
import { endingOn, untilOf } from '../series/rule';
import { dayOf, laterBy } from '../time/zonedWall';
import type { Carried, CarryLine, Carrying, CoursePlan } from './carry';
import type { Carriage } from './carriage';
import { corrected } from './datesInText';
import { closureOn, placeDay, problemOn } from './placeDay';

type Way = Readonly<{ before: CoursePlan; after: CoursePlan; carrying: Carrying; carriage: Carriage }>;

const daysFrom = (from: Temporal.PlainDate, to: Temporal.PlainDate) =>
  from.until(to, { largestUnit: 'days' }).days;

/** An entry in the new course. Replies, extended due dates and whoever was named stay behind; a cancelled one takes place. */
export function carryEntry(entry: SharedEntry, way: Way): Carried<SharedFacts> {
  const { before, after, carrying, carriage } = way;
  const choice = carrying.choices[entry.id] ?? {};
  const old = dayOf(mainMoment(entry));
  const audience = carriage.audience(entry.audience);
  const corrections = carriage.correctionsIn(`${entry.title} ${entry.description}`);
  const base = {
    id: entry.id,
    kind: entry.kind,
    title: entry.title,
    from: old,
    corrections,
    singles: entry.kind === 'event' ? (entry.recurrence?.overrides.length ?? 0) : 0,
  };
  if (!audience) return { line: { ...base, left: true, problem: 'namedOnly' } };
  const section = audience[0]?.sections?.[0];
  const repeats = entry.kind === 'event' && entry.recurrence !== undefined;
  const map = repeats ? carriage.byWeeks : carriage.mapOf(section);
  const words = (text: string) => (choice.keepWords ? text : corrected(text, corrections));
  const plain: SharedFacts = {
    ...withoutPeople(entry),
    id: carrying.newId() as EntryId,
    uid: carrying.newId(),
    title: words(entry.title),
    description: words(entry.description),
    tzid: after.zone.tzid,
    audience,
    links: entry.links.map(carriage.link),
    visibility: carrying.drafts ? { kind: 'draft' } : entry.visibility,
    cancelled: undefined,
  };
  const following = plain.kind === 'assignment' && !choice.to ? followed(plain, after) : undefined;
  const found = following ? dayOf(following.due) : map(old);
  const place = following
    ? { to: found, problem: problemOn(after, found) }
    : placeDay(found, { chosen: choice.to, before, after, old });
  const moved = put(plain, { ...way, days: daysFrom(old, place.to), map });
  const dated = following && moved.kind === 'assignment' ? withClassDates({ ...moved, atClass: following.atClass }, [after.course]) : moved; // prettier-ignore
  const made = repeats ? anew(dated as EventFacts, way) : dated;
  const line: CarryLine = {
    ...base,
    ...place,
    to: dayOf(mainMoment(made)),
    left: choice.leave === true,
    ...(following === undefined && plain.kind === 'assignment' && plain.atClass && !choice.to
      ? { problem: place.problem ?? 'noClass' }
      : {}),
  };
  return line.left ? { line } : { line, made };
}

/** Work whose due date follows a class that the new course has too; single sections that a slide told apart are one again. */
function followed(entry: AssignmentFacts, { course }: CoursePlan): AssignmentFacts | undefined {
  if (!entry.atClass) return undefined;
  const atClass = Object.fromEntries(
    Object.entries(entry.atClass).map(([field, ref]) => [field, { ...numberOf(ref), edge: ref.edge }]),
  );
  const { missing } = classDates(atClass, entry, { audience: entry.audience, courses: [course], tzid: entry.tzid }); // prettier-ignore
  if (missing.includes('due')) return undefined;
  return withClassDates({ ...detached({ ...entry, atClass }, missing) }, [course]);
}

/** An entry so many days later, in the zone of the new term; what hangs on its date comes along, by days or by its own place. */
function put<E extends SharedFacts>(entry: E, { after, carrying, days, map }: Way & Readonly<{ days: number; map: (day: Temporal.PlainDate) => Temporal.PlainDate }>): E; // prettier-ignore
function put(
  entry: SharedFacts,
  { after, carrying, days, map }: Way & Readonly<{ days: number; map: (day: Temporal.PlainDate) => Temporal.PlainDate }>, // prettier-ignore
): EntryFacts {
  const { tzid } = after.zone;
  const by = (day: Temporal.PlainDate) => day.add({ days });
  const old = dayOf(mainMoment(entry));
  // By its own place what comes before the date still does, and what comes after it, too.
  const ownPlace = (day: Temporal.PlainDate) => {
    const placed = map(day);
    const side = Temporal.PlainDate.compare(day, old);
    return side === 0 || Temporal.PlainDate.compare(placed, by(old)) * side < 0 ? by(day) : placed;
  };
  const change = (to: (day: Temporal.PlainDate) => Temporal.PlainDate): MomentChange => ({
    day: to,
    wall: ({ wall }) => ({ wall: to(wall.toPlainDate()).toPlainDateTime(wall.toPlainTime()), tzid }),
  });
  const free = entry.kind === 'assignment' ? { ...entry, atClass: undefined, setUid: `${entry.uid}-set` } : entry; // prettier-ignore
  return mapMoments<EntryFacts>(free, change(by), change(carrying.hanging === 'days' ? by : ownPlace));
}

/**
 * A series in the new term: it ends with it, begins on a day that its rule names, and leaves out the closures of the new
 * term instead of those of the old. Occurrences that were skipped for another reason stay skipped.
 */
function anew(entry: EventFacts, { before, after, carriage }: Way): EventFacts {
  const recurrence = entry.recurrence!;
  const until = untilOf(recurrence.rrule);
  const latest = until && carriage.byWeeks(until);
  const rrule =
    latest === undefined
      ? recurrence.rrule
      : endingOn(recurrence.rrule, Temporal.PlainDate.compare(latest, after.term.endsOn) < 0 ? latest : after.term.endsOn); // prettier-ignore
  const start = firstOccurrence(entry.when.start, rrule);
  const shift = daysFrom(dayOf(entry.when.start), dayOf(start));
  const when = { ...entry.when, ...later(entry.when, shift) } as EventFacts['when'];
  const back = daysFrom(after.term.startsOn, before.term.startsOn);
  const skipped = recurrence.exdates.filter((at) => !closureOn(before, oldDay(dayOf(at), carriage, back)));
  const open = { rrule, exdates: skipped, overrides: [] };
  const span = { from: dayOf(start), to: after.term.endsOn };
  const closed = expandSeries(start, open, span)
    .map(({ recurrenceId }) => recurrenceId)
    .filter((at) => closureOn(after, dayOf(at)));
  // A series that skips days without classes finds them by itself.
  const own = recurrence.closed ? { ...open, closed: [] } : { ...open, exdates: [...skipped, ...closed] };
  return { ...entry, when, recurrence: own };
}

/** The day of the old term that a day came from. */
function oldDay(day: Temporal.PlainDate, { byWeeks }: Carriage, guess: number): Temporal.PlainDate {
  const guessed = day.add({ days: guess });
  return guessed.add({ days: daysFrom(byWeeks(guessed), day) });
}

const later = (when: EventFacts['when'], days: number): Partial<EventFacts['when']> => {
  return { start: laterBy(when.start, days), end: when.end && laterBy(when.end, days) } as Partial<
    EventFacts['when']
  >;
};
