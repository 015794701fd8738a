import { describe, expect, test } from 'vitest';
import {
  HL,
  IVO,
  NOW,
  NV,
  SECTION_A,
  assignment,
  at,
  event,
  plan,
  student,
} from '../../../tests/support/plans';
import type { SharedEntry } from './entry';
import type { SectionId } from '../ids';
import { seenPlan } from '../plan/seenPlan';
import { requireZone } from '../time/zoneData';
import { tombstonesOf, tombstonesOfHidden } from './tombstonesOf';
import { hiddenAfterOf } from './visibility';

const show = (changes: Partial<Extract<SharedEntry, { kind: 'event' }>> = {}) => event({ sequence: 3, ...changes }); // prettier-ignore
const left = (before: SharedEntry, after: SharedEntry | undefined) =>
  tombstonesOf(before, after, NOW).map(({ uid, part, sequence, title }) => `${uid} ${part.course} ${part.sections?.join() ?? ''} ${sequence} ${title}`.replace('  ', ' ')); // prettier-ignore

describe('feeds that held an entry are left with', () => {
  const own = show();
  test.each<[string, SharedEntry, SharedEntry | undefined, readonly string[]]>([
    ['nothing while it stays', own, { ...own, sequence: 4 }, []],
    ['its tombstone once it is deleted, newer than it was', own, undefined, [`${own.uid} ${HL} 4 ${own.title}`]],
    ['one once it is a draft again', own, { ...own, sequence: 4, visibility: { kind: 'draft' } }, [`${own.uid} ${HL} 4 ${own.title}`]],
    ['nothing of what was never shown', { ...own, visibility: { kind: 'draft' } }, undefined, []],
    ['one in the course that it left, none where it stays', { ...own, audience: [{ course: HL }, { course: NV }] }, { ...own, sequence: 4 }, [`${own.uid} ${NV} 4 ${own.title}`]],
    ['one for everybody where only a section is left', own, { ...own, sequence: 4, audience: [{ course: HL, sections: [SECTION_A] }] }, [`${own.uid} ${HL} 4 ${own.title}`]],
    ['one for the sections that it had, where it has others', { ...own, audience: [{ course: HL, sections: [SECTION_A] }] }, { ...own, sequence: 4, audience: [{ course: HL, sections: ['b' as SectionId] }] }, [`${own.uid} ${HL} ${SECTION_A} 4 ${own.title}`]],
  ])('%s', (_, before, after, expected) => expect(left(before, after)).toEqual(expected)); // prettier-ignore

  test('one for the set day, too, where that is gone alone', () => {
    const work = assignment({ sequence: 1 });
    expect(tombstonesOf(work, { ...work, setOn: undefined, sequence: 2 }, NOW).map(({ uid }) => uid)).toEqual([work.setUid]); // prettier-ignore
  });
});

describe('what the clock hides', () => {
  const zone = requireZone('America/Halifax');
  const hides = (text: string) => show({ hiddenAfter: hiddenAfterOf(at(text), zone) });
  test('leaves a tombstone from then on, as what is hidden by hand does', () => {
    // NOW is 13 October 2026, 9:00 in Halifax.
    expect(tombstonesOfHidden(hides('2026-10-13T08:00'), NOW)).toMatchObject([{ sequence: 4, goneAt: hiddenAfterOf(at('2026-10-13T08:00'), zone).at }]); // prettier-ignore
    expect(tombstonesOfHidden(hides('2026-10-13T10:00'), NOW)).toEqual([]);
    expect(tombstonesOfHidden({ ...hides('2026-10-13T08:00'), visibility: { kind: 'draft' } }, NOW)).toEqual([]); // prettier-ignore
  });

  test('is called what it was to who is known by name, and nothing in what others read', () => {
    const given = plan({ entries: [hides('2026-10-13T08:00')] });
    expect(seenPlan(student(IVO), given, NOW).tombstones.map(({ title }) => title)).toEqual([show().title]);
    const outlet = { kind: 'public' as const, courses: new Set([HL]), sections: new Set<SectionId>(), calendars: new Set<never>(), meetingLinks: false }; // prettier-ignore
    expect(seenPlan(outlet, given, NOW).tombstones.map(({ title }) => title)).toEqual(['']);
  });
});
