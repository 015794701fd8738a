import { afterAll, beforeAll, expect, test } from 'vitest';
import type { School } from '../../../tests/support/school';
import { valueOf } from '../../../tests/support/outcomes';
import { newSchool } from '../../../tests/support/school';
import {
  closureInput,
  extraClassInput,
  patternInput,
  roomsInput,
  sectionFactsInput,
  termInput,
} from '@/core/frame/frameInput';
import type { HistoryId } from '@/core/ids';
import { occurrencesOf } from '@/core/plan/occurrences';
import { seenPlan } from '@/core/plan/seenPlan';
import { momentText } from '@/core/time/zonedWall';
import { requireZone } from '@/core/time/zoneData';
import { loadPlan } from '@/data/plan/loadPlan';
import { undoChange } from '../history/undoChange';
import { classPlanInput } from '@/core/plan/classPlanInput';
import { planClass } from '../plan/classPlans';
import { addClosure, previewClosure, removeClosure } from './closures';
import { addClass, changeRooms, changeSection, changeWeek, removeClass } from './sections';
import { changeTerm } from './terms';

let school: School;
beforeAll(async () => {
  school = await newSchool();
});
afterAll(() => school.close());

/** The classes of the course as its instructor reads them: day, hour, place. */
async function classes(): Promise<string[]> {
  const { pembit, instructor, course } = school;
  const seen = seenPlan(instructor.viewer, await loadPlan(pembit, [course]), pembit.now());
  return occurrencesOf(seen, requireZone).flatMap((o) =>
    o.kind === 'class' ? [`${momentText(o.start).slice(5, 16)} ${o.place}`.trim()] : [],
  );
}
const week = (text: string, from = '2026-09-08') => changeWeek(school.pembit, school.instructor, school.section, patternInput.parse({ from, week: text })); // prettier-ignore
const office = () => ({ ...school.instructor, person: { ...school.instructor.person, isAdmin: true } });
const TERM = { name: 'Autumn 2026', startsOn: '2026-09-08', endsOn: '2026-12-18', tzid: 'America/Halifax' };
const historyOf = (outcome: { ok: boolean }) => (outcome as unknown as { history: HistoryId }).history;

test('days rotate once the office says so; a week that names one before is refused', async () => {
  const { pembit, term } = school;
  expect(await week('Day A 9-10')).toMatchObject({ ok: false, fields: [{ field: 'week', message: 'No days rotate in this term, so there is no day “A”.' }] }); // prettier-ignore
  valueOf(
    await changeTerm(pembit, office(), term, termInput.parse({ ...TERM, cycle: { days: ['a', 'b'] } })),
  );
  expect(await week('Day C 9-10')).toMatchObject({ ok: false });
  valueOf(await week('Day A 9-10'));
  // Tue 8, Thu 10, Mon 14 (Fri 11 is B).
  expect((await classes()).slice(0, 3)).toEqual(['09-08T09:00', '09-10T09:00', '09-14T09:00']);
  const given = { days: ['A', 'B'], given: [{ date: '2026-09-09', day: 'a' }] };
  const changed = await changeTerm(pembit, office(), term, termInput.parse({ ...TERM, cycle: given }));
  expect((await classes())[1]).toBe('09-09T09:00');
  valueOf(await undoChange(pembit, office(), historyOf(changed)));
  expect((await classes())[1]).toBe('09-10T09:00');
  // A storm passes its letter on: the later classes move with their plans, and none is lost; said before it is saved.
  const planned = async () =>
    (await loadPlan(pembit, [school.course])).classPlans.flatMap(({ bindings }) => bindings);
  const [, second] = (await loadPlan(pembit, [school.course])).courses[0]!.sections[0]!.meetings;
  valueOf(await planClass(pembit, school.instructor, second!.id, classPlanInput.parse({ title: 'Moulds' })));
  const storm = closureInput.parse({
    term,
    name: 'Storm',
    firstDay: '2026-09-10',
    lastDay: '2026-09-10',
    plans: 'slide',
  });
  const [hit] = valueOf(await previewClosure(pembit, office(), storm));
  expect(hit).toMatchObject({ meetings: 0, plans: 0 });
  expect(hit!.moving).toBeGreaterThan(10);
  const closed = await addClosure(pembit, office(), storm);
  expect((await classes()).slice(0, 3)).toEqual(['09-08T09:00', '09-11T09:00', '09-15T09:00']);
  expect(await planned()).toMatchObject([{ meeting: second!.id }]);
  valueOf(await undoChange(pembit, office(), historyOf(closed)));
  expect((await classes()).slice(0, 3)).toEqual(['09-08T09:00', '09-10T09:00', '09-14T09:00']);
  expect(await planned()).toMatchObject([{ meeting: second!.id }]);
  // A form that knows nothing of rotating days leaves them; null takes them away, and the classes with them.
  valueOf(await changeTerm(pembit, office(), term, termInput.parse(TERM)));
  expect((await classes()).length).toBeGreaterThan(0);
  valueOf(await changeTerm(pembit, office(), term, termInput.parse({ ...TERM, cycle: null })));
  expect(await classes()).toEqual([]);
});

test('a section has its own days, classes on single dates, and rooms for some weeks', async () => {
  const { pembit, instructor, section, stranger } = school;
  valueOf(await week('Mon 9-10'));
  const facts = sectionFactsInput.parse({ name: 'A', firstDay: '2026-10-05', lastDay: '2026-10-26' });
  valueOf(await changeSection(pembit, instructor, section, facts));
  const extra = extraClassInput.parse({ date: '2026-10-17', start: '10:00', end: '12:00', place: 'Shed 2' });
  expect(await addClass(pembit, stranger, section, extra)).toMatchObject({ ok: false });
  const added = await addClass(pembit, instructor, section, extra);
  valueOf(added);
  const rooms = roomsInput.parse({ from: '2026-10-12', until: '2026-10-19', place: 'Hall' });
  valueOf(await changeRooms(pembit, instructor, section, rooms));
  expect(await classes()).toEqual(['10-05T09:00', '10-12T09:00 Hall', '10-17T10:00 Shed 2', '10-19T09:00 Hall', '10-26T09:00']); // prettier-ignore
  const [course] = (await loadPlan(pembit, [school.course])).courses;
  const { id } = course!.sections[0]!.extraClasses![0]!;
  valueOf(await removeClass(pembit, instructor, section, id));
  expect(await classes()).toHaveLength(4);
  expect(await removeClass(pembit, instructor, section, id)).toMatchObject({ ok: false });
  expect(await addClass(pembit, instructor, section, extraClassInput.parse({ date: '2027-02-01', start: '10:00', end: '12:00' }))).toMatchObject({ ok: false, fields: [{ field: 'date' }] }); // prettier-ignore
});

test('a day that opens late takes the early class; one online keeps all, and says so until it is not', async () => {
  const { pembit, instructor, course, term } = school;
  const close = (more: object) => addClosure(pembit, instructor, closureInput.parse({ term, course, name: 'Ice', firstDay: '2026-10-12', lastDay: '2026-10-12', ...more })); // prettier-ignore
  const late = valueOf(await close({ opensAt: '10:00' }));
  expect((await classes())[1]).toBe('10-19T09:00 Hall');
  valueOf(await removeClosure(pembit, instructor, late.id));
  const sequences = async () =>
    (await loadPlan(pembit, [course])).courses[0]!.sections[0]!.meetings.map((m) => m.sequence);
  const before = await sequences();
  const online = valueOf(await close({ online: true }));
  expect((await classes())[1]).toBe('10-12T09:00 Online');
  expect(await sequences()).toEqual(before.map((n, i) => (i === 1 ? n + 1 : n)));
  valueOf(await removeClosure(pembit, instructor, online.id));
  expect((await classes())[1]).toBe('10-12T09:00 Hall');
  expect((await sequences())[1]).toBe(before[1]! + 2);
  expect(closureInput.safeParse({ term, name: 'Ice', firstDay: '2026-10-12', lastDay: '2026-10-12', online: true, closesAt: '12:00' }).success).toBe(false); // prettier-ignore
});
