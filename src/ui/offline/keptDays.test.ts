import { expect, test } from 'vitest';
import {
  IVO,
  NOW,
  ODA,
  SECTION_A,
  TZID,
  at,
  course,
  day,
  event,
  meeting,
  plan,
  student,
} from '../../../tests/support/plans';
import type { NoteEntry } from '@/core/entries/entry';
import type { EntryId, MeetingId, PersonId } from '@/core/ids';
import { seenPlan } from '@/core/plan/seenPlan';
import { requireZone } from '@/core/time/zoneData';
import { keptDays } from './keptDays';

const note = (id: string, author: PersonId, title: string): NoteEntry => ({
  kind: 'note', id: id as EntryId, uid: id, author, title, on: at('2026-10-20T16:00'), description: '', tzid: TZID, sequence: 0, created: NOW, lastModified: NOW,
}); // prettier-ignore
const classOn = (date: string) =>
  meeting({ id: `m ${date}` as MeetingId, key: date, date: day(date), ordinal: 1 });

test('a device keeps four weeks: places, texts, ways into meetings, and one’s own notes alone', () => {
  const given = plan({
    courses: [
      course({
        meetingLink: 'https://meet.example/hl',
        sections: [
          {
            id: SECTION_A,
            name: 'A',
            students: 20,
            patterns: [],
            meetings: ['2026-10-12', '2026-10-15', '2026-11-10', '2026-11-11'].map(classOn),
          },
        ],
      }),
    ],
    entries: [
      event({ description: '<p>Bring your own <b>ducks</b>.</p>', place: 'Shed 2' }),
      note('n1', IVO, 'Ask about bevels'),
      note('n2', ODA, 'Somebody else’s'),
    ],
  });
  const kept = keptDays(seenPlan(student(), given, NOW), {
    person: IVO,
    zoneOf: requireZone,
    now: NOW,
    today: day('2026-10-13'),
    done: new Set(),
  });
  const lines = kept.days.flatMap(({ heading, lines: own }) => own.map((line) => ({ heading, ...line })));
  // It is 13 October: four weeks go to 10 November.
  expect(lines.map(({ heading, title }) => `${heading}: ${title}`)).toEqual([
    'Today, Tuesday 13 October: Rope walk',
    'Thursday 15 October: Class 1',
    'Tuesday 20 October: Ask about bevels',
    'Tuesday 10 November: Class 1',
  ]);
  expect(lines[0]).toMatchObject({ text: 'Bring your own ducks.' });
  expect(lines[0]!.detail).toContain('Shed 2');
  expect(lines[3]).toMatchObject({ time: '10:00–11:50', links: [{ url: 'https://meet.example/hl', label: 'Join' }] });
  expect(kept).toMatchObject({ person: IVO, locale: given.locale });
}); // prettier-ignore
