import { Temporal } from 'temporal-polyfill';
import type { PersonId } from '../ids';
import type { EventEntry, Reply } from './entry';

type Coming = NonNullable<EventEntry['coming']>;

const withAnswer = ({ replies }: Coming, answer: Reply['answer']) =>
  replies.filter((reply) => reply.answer === answer);

/** Those who wait for a seat, the longest first. */
export const waitingFor = (coming: Coming): readonly Reply[] =>
  withAnswer(coming, 'waiting').sort((a, b) =>
    a.waitingSince && b.waitingSince ? Temporal.Instant.compare(a.waitingSince, b.waitingSince) : 0,
  );

/** Whether somebody can say that they are coming: a seat that is free for none who waits already. */
export function hasSeatFor(coming: Coming, person: PersonId): boolean {
  if (coming.seats === undefined) return true;
  const others = [...withAnswer(coming, 'coming'), ...withAnswer(coming, 'waiting')];
  return others.filter((reply) => reply.person !== person).length < coming.seats;
}

/** Who of those who wait has a seat by now, since others gave theirs back or there are more of them. */
export function seatedNow(coming: Coming): readonly Reply[] {
  const waiting = waitingFor(coming);
  if (coming.seats === undefined) return waiting;
  return waiting.slice(0, Math.max(0, coming.seats - withAnswer(coming, 'coming').length));
}
