import fc from 'fast-check';
import { expect, test } from 'vitest';
import { HL, booking, day, event, instant, sheet, term } from '../../../tests/support/plans';
import type { Enrolled } from '../checks/check';
import type { BookingId, GroupId, PersonId, SectionId, SlotId } from '../ids';
import { requireZone } from '../time/zoneData';
import type { Condition } from './messageInput';
import type { Recipients } from './recipients';
import { recipientsOf } from './recipients';

const person = (id: string) => id as PersonId;
const enrolled: Enrolled[] = [
  { course: HL, person: person('ivo'), section: 'a' as SectionId, groups: ['g' as GroupId] },
  { course: HL, person: person('oda'), section: 'a' as SectionId, groups: [] },
  { course: HL, person: person('signe'), section: 'b' as SectionId, groups: [] },
  { course: HL, person: person('taavi'), groups: [] },
];
/** It is Tuesday 13 October: Ivo has a time this week, Signe one next week, on its Sunday. */
const slotOn = (date: string, by: string) => ({
  id: date as SlotId,
  interval: { start: instant(`${date}T13:00`), end: instant(`${date}T13:20`) },
  seats: 1,
  bookings: [booking({ id: `b ${date}` as BookingId, person: person(by) })],
  waiting: [],
});
const given: Recipients = {
  enrolled,
  notHere: new Set([person('taavi')]),
  sheets: [{ ...sheet([]), slots: [slotOn('2026-10-12', 'ivo'), slotOn('2026-10-25', 'signe')] }],
  asks: event({ coming: { replies: [{ person: person('oda'), name: 'Oda', answer: 'coming' }, { person: person('ivo'), name: 'Ivo', answer: 'notComing' }] } }),
  term,
  zone: requireZone(term.tzid),
  today: day('2026-10-13'),
}; // prettier-ignore
const reached = (condition: Condition, audience: object = {}) =>
  recipientsOf({ course: HL, ...audience }, condition, given).join(' ');

test.each<[string, Condition, object, string]>([
  ['everybody', { kind: 'everyone' }, {}, 'ivo oda signe taavi'],
  ['a section', { kind: 'everyone' }, { sections: ['a'] }, 'ivo oda'],
  ['a section and a group of it: each once', { kind: 'everyone' }, { sections: ['a'], groups: ['g'] }, 'ivo oda'],
  ['a group and a named student', { kind: 'everyone' }, { groups: ['g'], people: ['taavi'] }, 'ivo taavi'],
  ['with a time this week', { kind: 'withTime', within: 'thisWeek' }, {}, 'ivo'],
  ['without one this week, in section A', { kind: 'withoutTime', within: 'thisWeek' }, { sections: ['a'] }, 'oda'],
  ['with one next week, on its last day', { kind: 'withTime', within: 'nextWeek' }, {}, 'signe'],
  ['without one this term', { kind: 'withoutTime', within: 'term' }, {}, 'oda taavi'],
  ['who has not signed in yet', { kind: 'notHere' }, {}, 'taavi'],
  ['who said that they come', { kind: 'coming' }, {}, 'oda'],
  ['who has not answered', { kind: 'notReplied' }, {}, 'signe taavi'],
])('a message to %s', (_, condition, audience, expected) => expect(reached(condition, audience)).toBe(expected)); // prettier-ignore

test('whatever the condition, with and without are all and share nobody; nobody outside the audience is reached', () => {
  const audience = fc.record(
    {
      sections: fc.subarray(['a', 'b'] as SectionId[], { minLength: 1 }),
      people: fc.subarray(['ivo', 'signe', 'stranger'].map(person), { minLength: 1 }),
    },
    { requiredKeys: [] },
  );
  fc.assert(
    fc.property(audience, fc.constantFrom('thisWeek', 'nextWeek', 'term'), (whom, within) => {
      const all = recipientsOf({ course: HL, ...whom }, { kind: 'everyone' }, given);
      const having = recipientsOf({ course: HL, ...whom }, { kind: 'withTime', within }, given);
      const lacking = recipientsOf({ course: HL, ...whom }, { kind: 'withoutTime', within }, given);
      expect([...having, ...lacking].sort()).toEqual([...all].sort());
      expect(new Set(all).size).toBe(all.length);
      expect(all).not.toContain('stranger');
    }),
  );
});
