import fc from 'fast-check';
import { Temporal } from 'temporal-polyfill';
import { expect, test } from 'vitest';
import type { AssignmentEntry } from '@/core/entries/entry';
import type { Carrying, CoursePlan } from '@/core/carryover/carry';
import { carryOver } from '@/core/carryover/carryOver';
import type { EntryId } from '@/core/ids';
import { isOn } from '@/core/time/closure';
import { dayOf } from '@/core/time/zonedWall';
import { MAREN, NOW, TZID, assignment } from '../support/plans';
import { planOn, termWith } from '../support/twoTerms';

const days = (from: Temporal.PlainDate, to: Temporal.PlainDate) =>
  from.until(to, { largestUnit: 'days' }).days;
const date = (from: string, n: number) => Temporal.PlainDate.from(from).add({ days: n });

/** A term of 6 to 16 weeks that meets on one to three weekdays, with up to four closures of one to nine days. */
const anyTerm = (id: 'old' | 'new', starts: string) =>
  fc
    .record({
      offset: fc.nat(6),
      weeks: fc.integer({ min: 6, max: 16 }),
      weekdays: fc.uniqueArray(fc.integer({ min: 1, max: 5 }), { minLength: 1, maxLength: 3 }),
      closed: fc.array(fc.tuple(fc.nat(100), fc.nat(8)), { maxLength: 4 }),
    })
    .map(({ offset, weeks, weekdays, closed }): CoursePlan => {
      const from = date(starts, offset);
      const to = from.add({ days: weeks * 7 });
      return termWith({
        id,
        from: from.toString(),
        to: to.toString(),
        weekdays: [...weekdays].sort(),
        closed: closed.map(([first, length]) => [
          from.add({ days: first }).toString(),
          from.add({ days: first + length }).toString(),
        ]),
      });
    });

/** Work on any days of the old term, each with a set day and a closing time some days away. */
const anyWork = fc.array(fc.record({ at: fc.nat(110), set: fc.nat(12), closes: fc.nat(5) }), {
  minLength: 1,
  maxLength: 25,
});

const anything = fc.record({
  before: anyTerm('old', '2026-09-07'),
  after: anyTerm('new', '2027-01-11'),
  work: anyWork,
  topics: fc.uniqueArray(fc.integer({ min: 1, max: 40 }), { maxLength: 12 }),
  mapping: fc.constantFrom('meetings' as const, 'weeks' as const, 'days' as const),
  hanging: fc.constantFrom('days' as const, 'own' as const),
});

function given({
  before,
  work,
  topics,
}: {
  before: CoursePlan;
  work: { at: number; set: number; closes: number }[];
  topics: number[];
}): CoursePlan {
  // prettier-ignore
  const entries = work.map(({ at, set, closes }, i): AssignmentEntry => {
    const due = before.term.startsOn.add({ days: at });
    const wall = due.toPlainDateTime({ hour: 17 });
    return assignment({
      id: `w${i}` as EntryId,
      uid: `w${i}`,
      title: `Work ${i}`,
      setOn: due.subtract({ days: set }),
      due: { wall, tzid: TZID },
      closes: { wall: wall.add({ days: closes }), tzid: TZID },
    });
  });
  const count = before.course.sections[0]!.meetings.length;
  return { ...before, entries, classPlans: topics.filter((n) => n <= count).map((n) => planOn(before, n)) };
}

const carry = (before: CoursePlan, after: CoursePlan, changes: Pick<Carrying, 'mapping' | 'hanging'>) => {
  let n = 0;
  return carryOver(before, after, { ...changes, drafts: false, choices: {}, now: NOW, newId: () => `n${n++}`, actor: { id: MAREN, name: '' } }); // prettier-ignore
};

test('whatever is carried over: nothing is lost, nothing new lies on a closure, order and distances stay', () => {
  fc.assert(
    fc.property(anything, (all) => {
      const before = given(all);
      const { after, hanging } = all;
      const { lines, entries, classPlans } = carry(before, after, all);
      // Everything has its line; all work comes along, and each topic that has a class.
      expect(lines.map(({ id }) => id).sort()).toEqual([...before.entries, ...before.classPlans].map(({ id }) => id).sort()); // prettier-ignore
      expect(entries).toHaveLength(before.entries.length);
      const left = lines.filter((line) => line.left);
      expect(left.every((line) => line.kind === 'class' && line.problem === 'noClass')).toBe(true);
      expect(classPlans).toHaveLength(before.classPlans.length - left.length);

      const closed = (side: CoursePlan, day: Temporal.PlainDate) => side.closures.some((c) => isOn(c, day));
      const placed = lines.flatMap((line) => (line.to && line.from ? [{ ...line, from: line.from, to: line.to }] : [])); // prettier-ignore
      for (const { from, to, problem } of placed)
        if (closed(after, to)) expect([closed(before, from), problem]).toEqual([true, problem]);

      const kept = placed.filter((line) => !line.movedOff && line.kind === 'assignment');
      for (let i = 1; i < kept.length; i++)
        if (!kept[i]!.from.equals(kept[i - 1]!.from))
          expect(Temporal.PlainDate.compare(kept[i - 1]!.to, kept[i]!.to)).toBeLessThanOrEqual(0);
      const taught = placed.filter((line) => line.kind === 'class').map(({ to }) => to.toString());
      expect(taught).toEqual([...new Set(taught)].sort());

      for (const made of entries as readonly AssignmentEntry[]) {
        const old = before.entries.find((e) => e.title === made.title) as AssignmentEntry;
        const [due, was] = [dayOf(made.due), dayOf(old.due)];
        if (hanging === 'days') {
          expect(days(made.setOn!, due)).toBe(days(old.setOn!, was));
          expect(days(due, dayOf(made.closes!))).toBe(days(was, dayOf(old.closes!)));
        }
        expect(days(made.setOn!, due)).toBeGreaterThanOrEqual(0);
        expect(days(due, dayOf(made.closes!))).toBeGreaterThanOrEqual(0);
      }
    }),
    { numRuns: 300 },
  );
});

test('carried to the same term again, everything falls on its own day', () => {
  fc.assert(
    fc.property(anything, (all) => {
      const before = given(all);
      const same = { ...before, course: { ...before.course, id: 'again' as typeof before.course.id }, entries: [], classPlans: [] }; // prettier-ignore
      for (const { from, to } of carry(before, same, all).lines)
        expect(to?.toString()).toBe(from?.toString());
    }),
    { numRuns: 150 },
  );
});
