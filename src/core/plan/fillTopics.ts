import type { ClassPlan } from './classPlan';
import type { Course, Section } from './plan';
import type { ClassNumber } from '../time/classNumber';
import { classOf, lastOrdinal, numberOf } from '../time/classNumber';
import type { Meeting } from '../time/meetings';
import type { Topic } from './readTopics';

/** A topic and the classes it would stand on: the same number in each section. */
export type Filling = Readonly<{
  number: ClassNumber;
  topic: Topic;
  meetings: readonly Readonly<{ section: Section; meeting: Meeting }>[];
  /** The plan that stands there now, and would be written over. */
  replaces?: ClassPlan;
}>;
export type FillPlan = Readonly<{
  fillings: readonly Filling[];
  /** Numbers that were passed over, since what stands there is pinned. */
  pinned: readonly ClassNumber[];
  /** Topics for which there is no class left. */
  left: readonly Topic[];
}>;

/**
 * Puts topics on the classes of a course (or of a strand) from a number on, one after the other; an empty one leaves its class as it is.
 * Pinned plans are passed over, cancelled classes too.
 */
export function fillTopics(
  course: Course,
  plans: readonly ClassPlan[],
  topics: readonly (Topic | undefined)[],
  from: ClassNumber,
): FillPlan {
  const planOf = new Map(plans.flatMap((plan) => plan.bindings.map((b) => [b.meeting, plan] as const)));
  const { strand } = from;
  const last = lastOrdinal(course, strand);
  const fillings: Filling[] = [];
  const pinned: ClassNumber[] = [];
  const waiting = [...topics];
  for (let { ordinal } = from; ordinal <= last && waiting.length > 0; ordinal++) {
    const number = numberOf({ ordinal, strand });
    const meetings = course.sections.flatMap((section) => {
      const meeting = classOf(section.meetings, number);
      return meeting && meeting.cancelled === undefined ? [{ section, meeting }] : [];
    });
    if (meetings.length === 0) continue;
    const standing = meetings.map(({ meeting }) => planOf.get(meeting.id)).find((plan) => plan !== undefined);
    if (standing?.pinned) {
      pinned.push(number);
      continue;
    }
    const topic = waiting.shift();
    if (topic) fillings.push({ number, topic, meetings, ...(standing ? { replaces: standing } : {}) });
  }
  return { fillings, pinned, left: waiting.filter((topic) => topic !== undefined) };
}
