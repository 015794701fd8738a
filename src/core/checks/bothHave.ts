import type { CheckInput, CheckedEntry, Finding } from './check';
import { OPEN } from './check';
import { inBoth } from './checkedPeople';

/** A finding about two entries, where some students have both. */
export function bothHave(
  [entry, other]: readonly [CheckedEntry, CheckedEntry],
  { peopleOf }: Pick<CheckInput, 'peopleOf'>,
  {
    check,
    why,
    remedy,
  }: Readonly<{
    check: string;
    why: (given: Readonly<{ title: string; students: number }>) => string;
    remedy: string;
  }>,
): Finding | undefined {
  const students = inBoth(peopleOf(entry), peopleOf(other));
  return students === 0
    ? undefined
    : { check, about: { entry }, other, why: why({ title: other.title, students }), remedy: OPEN(remedy) };
}
