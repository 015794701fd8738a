import { Temporal } from 'temporal-polyfill';
import type { Enrolled } from '../checks/check';
import { checkedPeople } from '../checks/checkedPeople';
import type { CourseAudience, EventEntry } from '../entries/entry';
import type { PersonId } from '../ids';
import type { Sheet } from '../signup/sheet';
import type { Term } from '../time/term';
import { weekStartOf } from '../time/term';
import type { Zone } from '../time/zone';
import { toWall } from '../time/zone';
import type { Condition, Within } from './messageInput';

export type Recipients = Readonly<{
  /** The students of the course. */
  enrolled: readonly Enrolled[];
  /** Who has never signed in. */
  notHere: ReadonlySet<PersonId>;
  /** The sheets of the course. */
  sheets: readonly Sheet[];
  /** What the message is about, where that asks who is coming. */
  asks?: EventEntry;
  term: Pick<Term, 'startsOn' | 'endsOn' | 'weekStart'>;
  zone: Zone;
  today: Temporal.PlainDate;
}>;

/** The days, the last one included, of which a condition speaks. */
function daysOf(within: Within, { term, today }: Pick<Recipients, 'term' | 'today'>) {
  if (within === 'term') return { first: term.startsOn, last: term.endsOn };
  const first = weekStartOf(today, term.weekStart).add({ weeks: within === 'nextWeek' ? 1 : 0 });
  return { first, last: first.add({ days: 6 }) };
}

/** Who has a time on one of the course's sheets on some days; one that was given back is none. */
function withTime(given: Recipients, within: Within): ReadonlySet<PersonId> {
  const { first, last } = daysOf(within, given);
  const isWithin = (at: Temporal.Instant) => {
    const day = toWall(given.zone, at).toPlainDate();
    return Temporal.PlainDate.compare(first, day) <= 0 && Temporal.PlainDate.compare(day, last) <= 0;
  };
  return new Set(
    given.sheets.flatMap((sheet) =>
      sheet.slots
        .filter((slot) => isWithin(slot.interval.start))
        .flatMap((slot) => slot.bookings.map((booking) => booking.person)),
    ),
  );
}

function meets(condition: Condition, given: Recipients): (person: PersonId) => boolean {
  const replies = given.asks?.coming?.replies ?? [];
  switch (condition.kind) {
    case 'everyone':
      return () => true;
    case 'withTime':
    case 'withoutTime': {
      const have = withTime(given, condition.within);
      return (person) => have.has(person) === (condition.kind === 'withTime');
    }
    case 'notHere':
      return (person) => given.notHere.has(person);
    case 'coming':
      return (person) => replies.some((reply) => reply.person === person && reply.answer === 'coming');
    case 'notReplied':
      return (person) => !replies.some((reply) => reply.person === person);
    default:
      return condition satisfies never;
  }
}

/** The students of a course whom a message reaches, each once. */
export const recipientsOf = (audience: CourseAudience, condition: Condition, given: Recipients): PersonId[] =>
  [...checkedPeople(given.enrolled)({ audience: [audience] })].filter(meets(condition, given));
