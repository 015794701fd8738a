import { expect, test } from 'vitest';
import { SECTION_A, assignment, at, course, day, meeting } from '../../../tests/support/plans';
import type { MeetingId } from '../ids';
import { daysByMeetings, followingFurther } from './moveByMeetings';

const dates = ['2026-10-13', '2026-10-15', '2026-10-20', '2026-10-22'];
const meetings = dates.map((date, i) =>
  meeting({ id: date as MeetingId, key: date, ordinal: 11 + i, date: day(date), ...(date === '2026-10-20' ? { cancelled: '' } : {}) }),
); // prettier-ignore
const hull = course({ sections: [{ id: SECTION_A, name: 'A', students: 20, patterns: [], meetings }] });
const due = (text: string) => assignment({ due: at(text) });

test.each([
  ['from a class to the next', '2026-10-13T17:00', 1, 2],
  ['over one that was called off', '2026-10-15T17:00', 1, 7],
  ['two further', '2026-10-13T17:00', 2, 9],
  ['from a day between classes', '2026-10-14T17:00', 1, 1],
  ['back', '2026-10-15T17:00', -1, -2],
  ['beyond the last class', '2026-10-22T17:00', 1, undefined],
  ['before the first class', '2026-10-13T17:00', -1, undefined],
])('%s', (_, from, n, days) => expect(daysByMeetings(due(from), [hull], n)).toBe(days));

test('labs are passed over, where there are classes', () => {
  const lab = meeting({ id: 'lab' as MeetingId, key: '2026-10-14', ordinal: 1, strand: 'lab', date: day('2026-10-14') });
  const of = (own: typeof meetings) => course({ sections: [{ ...hull.sections[0]!, meetings: own }] });
  const [first, ...later] = meetings;
  expect(daysByMeetings(due('2026-10-13T17:00'), [of([first!, lab, ...later])], 1)).toBe(2);
  expect(daysByMeetings(due('2026-10-13T17:00'), [of([lab])], 1)).toBe(1);
}); // prettier-ignore

test('what follows classes follows others, in sections of its own, too', () => {
  const sections = { [SECTION_A]: 13 };
  const bound = assignment({ atClass: { due: { ordinal: 12, edge: 'end', sections }, setOn: { ordinal: 10, edge: 'start' } } }); // prettier-ignore
  expect(followingFurther(bound, 2).atClass).toEqual({
    due: { ordinal: 14, edge: 'end', sections: { [SECTION_A]: 15 } },
    setOn: { ordinal: 12, edge: 'start' },
  });
});
