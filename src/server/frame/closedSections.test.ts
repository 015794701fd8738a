import { afterEach, beforeEach, expect, test } from 'vitest';
import { historyOf, valueOf } from '../../../tests/support/outcomes';
import type { School } from '../../../tests/support/school';
import { newSchool, withSectionB, workIn } from '../../../tests/support/school';
import { closureInput, meetingInput } from '@/core/frame/frameInput';
import type { SectionId } from '@/core/ids';
import { closureTitle } from '@/core/plan/closureTitle';
import { occurrencesOf } from '@/core/plan/occurrences';
import { momentText } from '@/core/time/zonedWall';
import { requireZone } from '@/core/time/zoneData';
import { loadPlan } from '@/data/plan/loadPlan';
import { closureById } from '@/data/plan/frameStore';
import { planEntry } from '../entries/planEntry';
import { undoChange } from '../history/undoChange';
import { keptPerson } from '../people/keptPeople';
import { planSeenBy } from '../plan/planSeenBy';
import type { SignedIn } from '../session/session';
import { changeMeeting } from './changeMeeting';
import { addClosure, previewClosure, removeClosure } from './closures';
import { mergeSections } from './mergeSections';

let school: School;
let b: SectionId;
beforeEach(async () => {
  school = await newSchool();
  b = await withSectionB(school);
});
afterEach(() => school.close());

const inspection = (changes: object = {}) =>
  closureInput.parse({ term: school.term, course: school.course, sections: [b], name: 'Inspection', firstDay: '2026-10-20', lastDay: '2026-10-20', ...changes }); // prettier-ignore

/** What somebody sees on that Tuesday, a word and a title for each. */
async function on20(who: SignedIn): Promise<string[]> {
  const { viewer } = await keptPerson(school.pembit, who.person.id);
  const seen = occurrencesOf(await planSeenBy(school.pembit, viewer), requireZone).filter(({ start }) =>
    ('wall' in start ? start.wall : start).toString().startsWith('2026-10-20'),
  );
  return seen.map((o) => (o.kind === 'closure' ? closureTitle(o.title, o) : `${o.kind} ${momentText(o.start).slice(11)}`)).sort(); // prettier-ignore
}
const [inB, inA] = [() => school.students[0]!, () => school.students[1]!];

test('a day without classes for one section takes that section’s class alone, and the other’s students read nothing of it', async () => {
  const { pembit, instructor } = school;
  const both = await on20(instructor);
  expect(both).toHaveLength(2);
  const own = await on20(inA());
  const closed = await addClosure(pembit, instructor, inspection());
  valueOf(closed);
  expect(await on20(inA())).toEqual(own);
  expect(await on20(inB())).toEqual(['Inspection (section B)']);
  expect(await on20(instructor)).toEqual(['Inspection (section B)', ...own]);
  valueOf(await undoChange(pembit, instructor, historyOf(closed)));
  expect(await on20(instructor)).toEqual(both);
});

test('it hits what is for the section alone, and is said before it is saved', async () => {
  const { pembit, instructor, course, section } = school;
  const due = { due: '2026-10-20T17:00' };
  valueOf(await planEntry(pembit, instructor, workIn(course, { title: 'For both', ...due })));
  valueOf(await planEntry(pembit, instructor, workIn(course, { title: 'For B', ...due, audience: [{ course, sections: [b] }] }))); // prettier-ignore
  valueOf(await planEntry(pembit, instructor, workIn(course, { title: 'For A', ...due, audience: [{ course, sections: [section] }] }))); // prettier-ignore
  const [hits] = valueOf(await previewClosure(pembit, instructor, inspection()));
  expect(hits).toMatchObject({ meetings: 1, due: 1 });
  expect(hits!.movable).toEqual([expect.stringMatching(/^For B.*21 Oct/)]);
  const [all] = valueOf(await previewClosure(pembit, instructor, inspection({ sections: undefined })));
  expect(all).toMatchObject({ meetings: 2, due: 3 });
});

test('a class of the other section can be moved there, one of its own cannot; opened, all are back', async () => {
  const { pembit, instructor } = school;
  const { id } = valueOf(await addClosure(pembit, instructor, inspection()));
  const classes = async (name: string) => {
    const { courses } = await loadPlan(pembit, [school.course]);
    return courses[0]!.sections.find((one) => one.name === name)!.meetings;
  };
  const move = async (name: string) =>
    changeMeeting(
      pembit,
      instructor,
      (await classes(name))[2]!.id,
      meetingInput.parse({ act: 'move', date: '2026-10-20', start: '16:00', end: '17:00' }),
    );
  expect(await move('B')).toMatchObject({ ok: false, fields: [{ field: 'date' }] });
  valueOf(await move('A'));
  const had = (await classes('B')).length;
  valueOf(await removeClosure(pembit, instructor, id));
  expect(await classes('B')).toHaveLength(had + 1);
});

test.each([
  ['a section of no course', { course: undefined }, 'sections'],
  ['none', { sections: [] }, 'sections'],
])('%s is refused', (_, changes, field) => {
  const read = closureInput.safeParse({ term: school.term, course: school.course, sections: [b], name: 'X', firstDay: '2026-10-20', lastDay: '2026-10-20', ...changes }); // prettier-ignore
  expect(read.error?.issues.map(({ path }) => path[0])).toContain(field);
});

test('a section of another course is refused; merged away, its own days go with it, and undo brings them back', async () => {
  const { pembit, instructor, section } = school;
  const strange = inspection({ course: school.course, sections: ['00000000-0000-4000-8000-000000000000'] });
  expect(await addClosure(pembit, instructor, strange)).toMatchObject({
    ok: false,
    fields: [{ field: 'sections' }],
  });
  const alone = valueOf(await addClosure(pembit, instructor, inspection()));
  const shared = valueOf(await addClosure(pembit, instructor, inspection({ sections: [section, b], firstDay: '2026-10-27', lastDay: '2026-10-27' }))); // prettier-ignore
  const merged = await mergeSections(pembit, instructor, { from: b, into: section });
  valueOf(merged);
  expect(await closureById(pembit, alone.id)).toBeUndefined();
  expect(await closureById(pembit, shared.id)).toMatchObject({ sections: [section] });
  valueOf(await undoChange(pembit, instructor, historyOf(merged)));
  expect(await closureById(pembit, alone.id)).toMatchObject({ sections: [b] });
});
