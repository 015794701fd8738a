import { Temporal } from 'temporal-polyfill';
import { describe, expect, test } from 'vitest';
import { HL, IVO, MAREN, NOW, SECTION_A, assignment, at, booking, day, event, sheet } from '../../../tests/support/plans'; // prettier-ignore
import { planOn, termWith } from '../../../tests/support/twoTerms';
import type { AssignmentEntry, EventEntry, SharedEntry } from '../entries/entry';
import type { SharedFacts } from '../entries/facts';
import type { EntryId, MaterialId } from '../ids';
import type { Material } from '../materials/material';
import { expandSeries } from '../series/expand';
import { dayOf, momentText } from '../time/zonedWall';
import { dateLabel } from '../time/dateLabels';
import type { Carrying, CoursePlan } from './carry';
import { carryOver } from './carryOver';

/** Tuesdays and Thursdays in autumn, 28 classes; Mondays and Wednesdays in winter, 29. */
const old = termWith({ id: 'old', from: '2026-09-08', to: '2026-12-18', weekdays: [2, 4], closed: [['2026-10-12', '2026-10-12'], ['2026-11-09', '2026-11-13']] }); // prettier-ignore
const next = termWith({ id: 'new', from: '2027-01-11', to: '2027-04-30', weekdays: [1, 3], closed: [['2027-02-15', '2027-02-19'], ['2027-03-26', '2027-03-26'], ['2027-03-29', '2027-03-29']] }); // prettier-ignore

let made = 0;
const carrying = (changes: Partial<Carrying> = {}): Carrying => ({
  mapping: 'meetings', hanging: 'days', drafts: false, choices: {}, now: NOW, newId: () => `new${made++}`, actor: { id: MAREN, name: 'Maren Toft' }, ...changes,
}); // prettier-ignore
const due = (on: string, changes: Partial<AssignmentEntry> = {}) =>
  assignment({ id: `due ${on}` as EntryId, title: `Due ${on}`, setOn: undefined, due: at(`${on}T17:00`), ...changes }); // prettier-ignore
const meets = (on: string, changes: Partial<EventEntry> = {}) =>
  event({ id: `meets ${on}` as EntryId, title: `Meets ${on}`, when: { kind: 'timed', start: at(`${on}T14:00`), end: at(`${on}T15:00`) }, ...changes }); // prettier-ignore
const says = (on: string): SharedEntry => {
  const { title: _, when: __, kind: ___, place: ____, meetingLink: _____, meetingText: ______, ...shared } = event(); // prettier-ignore
  return { ...shared, id: `says ${on}` as EntryId, kind: 'announcement', title: `Says ${on}`, on: day(on) };
};
const lineOf = (before: CoursePlan, changes: Partial<Carrying> = {}, after = next) =>
  carryOver(before, after, carrying(changes)).lines[0]!;
const entryOf = (entry: SharedEntry, changes: Partial<Carrying> = {}, after = next) =>
  carryOver({ ...old, entries: [entry] }, after, carrying(changes)).entries[0]!;

/** Written by hand from two calendars: the class of the same number; what lies between two classes as far behind the first. */
const TABLE: Readonly<Record<string, readonly (readonly [string, string])[]>> = {
  class: [
    ['T1', '2027-01-11'], ['T2', '2027-01-13'], ['T3', '2027-01-18'], ['T4', '2027-01-20'], ['T5', '2027-01-25'], ['T6', '2027-01-27'], ['T7', '2027-02-01'],
    ['T8', '2027-02-03'], ['T9', '2027-02-08'], ['T10', '2027-02-10'], ['T11', '2027-02-22'], ['T12', '2027-02-24'], ['T13', '2027-03-01'], ['T14', '2027-03-03'],
    ['T15', '2027-03-08'], ['T16', '2027-03-10'], ['T17', '2027-03-15'], ['T18', '2027-03-17'], ['T19', '2027-03-22'], ['T20', '2027-03-24'], ['T21', '2027-03-31'],
    ['T22', '2027-04-05'], ['T23', '2027-04-07'], ['T24', '2027-04-12'], ['T25', '2027-04-14'], ['T26', '2027-04-19'], ['T27', '2027-04-21'], ['T28', '2027-04-26'],
  ],
  // Fridays: the day after a class.
  due: [
    ['2026-09-11', '2027-01-14'], ['2026-09-18', '2027-01-21'], ['2026-09-25', '2027-01-28'], ['2026-10-02', '2027-02-04'], ['2026-10-09', '2027-02-11'],
    ['2026-10-16', '2027-02-25'], ['2026-10-23', '2027-03-04'], ['2026-10-30', '2027-03-11'], ['2026-11-06', '2027-03-18'], ['2026-11-20', '2027-03-25'],
    // Days of class.
    ['2026-09-15', '2027-01-18'], ['2026-09-22', '2027-01-25'], ['2026-10-01', '2027-02-03'], ['2026-10-13', '2027-02-22'], ['2026-10-29', '2027-03-10'],
    ['2026-11-05', '2027-03-17'], ['2026-11-17', '2027-03-22'], ['2026-11-26', '2027-04-05'], ['2026-12-03', '2027-04-12'], ['2026-12-10', '2027-04-19'],
  ],
  meets: [
    ['2026-09-07', '2027-01-10'], // the day before the first class
    ['2026-09-12', '2027-01-15'], // two days after the second
    ['2026-10-19', '2027-02-28'], // the day before class 13, as it was
    ['2026-11-11', '2027-03-21'], // in the old reading week; the next class comes sooner now
    ['2026-11-21', '2027-03-30'], // on Good Friday; the weekend and a closed Monday follow
    ['2026-12-18', '2027-04-27'],
  ],
  says: [
    ['2026-09-08', '2027-01-11'], ['2026-09-10', '2027-01-13'], ['2026-10-06', '2027-02-08'], ['2026-10-20', '2027-03-01'], ['2026-11-24', '2027-03-31'],
    ['2026-12-17', '2027-04-26'],
  ],
}; // prettier-ignore

test('a course of 60 entries by the number of the class: every date as the table has it, and nothing lost', () => {
  const before = {
    ...old,
    classPlans: TABLE.class!.map((_, i) => planOn(old, i + 1)),
    entries: [
      ...TABLE.due!.map(([on]) => due(on)),
      ...TABLE.meets!.map(([on]) => meets(on)),
      ...TABLE.says!.map(([on]) => says(on)),
    ],
  };
  const carried = carryOver(before, next, carrying());
  expect(carried.lines).toHaveLength(60);
  expect(carried.lines.filter((line) => line.left)).toEqual([]);
  const expected = Object.entries(TABLE).flatMap(
    ([kind, list]) =>
    list.map(([from, to]) => [kind === 'class' ? from : `${kind[0]!.toUpperCase()}${kind.slice(1)} ${from}`, to]), // prettier-ignore
  );
  const said = carried.lines.map((line) => [line.title, line.to?.toString()]);
  expect(said.sort()).toEqual(expected.sort());
  const problems = carried.lines.flatMap((line) => (line.problem ? [[line.title, line.problem]] : []));
  expect(problems).toEqual([['Meets 2026-09-07', 'beforeStart']]);
  expect(carried.lines.find((line) => line.title === 'Meets 2026-11-21')!.movedOff).toBe('Closure 2');
  expect(new Set([...carried.entries, ...carried.classPlans].map(({ id }) => id)).size).toBe(60);
});

describe('ways of finding the new day', () => {
  test.each([
    // Friday of week 6.
    ['weeks', '2026-10-16', '2027-02-19', '2027-02-22'],
    // 8 September is the first day of the old term, 11 January that of the new one.
    ['days', '2026-09-08', '2027-01-11', undefined],
    ['days', '2026-10-16', '2027-02-18', '2027-02-22'],
    ['weeks', '2026-09-08', '2027-01-12', undefined],
  ] as const)('by %s, %s is %s, and off a closure %s', (mapping, from, to, off) => {
    const line = lineOf({ ...old, entries: [due(from)] }, { mapping });
    expect([line.to?.toString(), line.movedOff !== undefined]).toEqual([off ?? to, off !== undefined]);
  });

  test('what would come after the end of a shorter term is carried, and said', () => {
    const short = termWith({ id: 'new', from: '2027-01-11', to: '2027-03-05', weekdays: [1, 3] });
    const line = lineOf({ ...old, entries: [due('2026-12-10')] }, {}, short);
    expect([line.problem, line.left]).toEqual(['pastEnd', false]);
    const classes = carryOver({ ...old, classPlans: [planOn(old, 16), planOn(old, 17)] }, short, carrying()); // prettier-ignore
    expect(classes.lines.map((l) => [l.title, l.to?.toString(), l.problem, l.left])).toEqual([
      ['T16', '2027-03-03', undefined, false],
      ['T17', undefined, 'noClass', true],
    ]);
  });
});

describe('what comes along', () => {
  test('set, opens, closes and shown-from keep their days, or take their own places', () => {
    // Set with class 10, due on the Friday after class 12, closed on the Sunday.
    const entry = due('2026-10-16', {
      setOn: day('2026-10-08'),
      opens: at('2026-10-13T08:00'),
      closes: at('2026-10-18T17:00'),
      visibility: { kind: 'from', from: at('2026-10-06T08:00'), at: NOW },
    });
    const dates = (e: SharedFacts) =>
      e.kind === 'assignment' && [e.setOn?.toString(), momentText(e.opens!), momentText(e.due), momentText(e.closes!), e.visibility.kind === 'from' && momentText(e.visibility.from)]; // prettier-ignore
    expect(dates(entryOf(entry))).toEqual(['2027-02-17', '2027-02-22T08:00', '2027-02-25T17:00', '2027-02-27T17:00', '2027-02-15T08:00']); // prettier-ignore
    expect(dates(entryOf(entry, { hanging: 'own' }))).toEqual(['2027-02-10', '2027-02-22T08:00', '2027-02-25T17:00', '2027-02-27T17:00', '2027-02-08T08:00']); // prettier-ignore
  });

  test('replies, extended due dates, bookings and named students do not; uids are new, and a cancelled event takes place', () => {
    const reply = { person: IVO, name: 'Ivo', answer: 'coming' as const };
    const asked = entryOf(meets('2026-10-15', { coming: { seats: 4, replies: [reply] }, cancelled: 'Storm', sequence: 7, sourceUid: 'x' })); // prettier-ignore
    expect(asked).toMatchObject({ coming: { seats: 4, replies: [] }, cancelled: undefined });
    expect(asked).not.toHaveProperty('sourceUid');
    expect(asked.uid).toMatch(/^new/);
    const extended = entryOf(due('2026-10-15', { extensions: [{ person: IVO, name: '', due: at('2026-10-16T17:00') }] })); // prettier-ignore
    expect(extended).toMatchObject({ extensions: [], setUid: `${extended.uid}-set` });
    expect(lineOf({ ...old, entries: [due('2026-10-15', { audience: [{ course: HL, people: [IVO] }] })] })).toMatchObject({ left: true, problem: 'namedOnly' }); // prettier-ignore
    const { sheets, lines } = carryOver({ ...old, sheets: [sheet([[booking()], []])] }, next, carrying());
    // Thursday of week 6 was open, and is closed now.
    expect(lines[0]).toMatchObject({ left: true, times: { now: 0, before: 2 } });
    expect(sheets).toEqual([]);
    const open = carryOver(
      { ...old, sheets: [sheet([[booking()], []], {}, '2026-10-22')] },
      next,
      carrying(),
    );
    expect(open.sheets[0]).toMatchObject({ offered: false, uses: { count: 0 } });
    expect(open.sheets[0]!.slots.map((s) => [s.interval.start.toString(), s.bookings.length])).toEqual([['2027-02-25T16:00:00Z', 0], ['2027-02-25T16:30:00Z', 0]]); // prettier-ignore
  });

  test('sections go by their names; what was for a section the new course has not is for nobody', () => {
    const two = termWith({ id: 'old', from: '2026-09-08', to: '2026-12-18', weekdays: [2], sections: ['A', 'B'] }); // prettier-ignore
    const swapped = termWith({ id: 'new', from: '2027-01-11', to: '2027-04-30', weekdays: [1], sections: ['B', 'a'] }); // prettier-ignore
    const forB = due('2026-10-13', { audience: [{ course: HL, sections: [two.course.sections[1]!.id] }] });
    const [entry] = carryOver({ ...two, entries: [forB] }, swapped, carrying()).entries;
    expect(entry!.audience).toEqual([{ course: swapped.course.id, sections: [swapped.course.sections[0]!.id] }]); // prettier-ignore
    const forNone = due('2026-10-13', { audience: [{ course: HL, sections: [SECTION_A] }] });
    expect(lineOf({ ...two, entries: [forNone] }, {}, swapped).problem).toBe('namedOnly');
  });

  test('a class plan stands in every section of the new course; a class that has one keeps it', () => {
    const two = termWith({ id: 'new', from: '2027-01-11', to: '2027-04-30', weekdays: [1, 3], sections: ['A', 'B'] }); // prettier-ignore
    const [plan] = carryOver({ ...old, classPlans: [planOn(old, 3)] }, two, carrying()).classPlans;
    expect(plan!.bindings.map(({ meeting }) => meeting)).toEqual(['new A 2027-01-18', 'new B 2027-01-18']);
    const there = { ...next, classPlans: [planOn(next, 3, 'There already')] };
    expect(lineOf({ ...old, classPlans: [planOn(old, 3)] }, {}, there)).toMatchObject({ left: true, problem: 'taken' }); // prettier-ignore
    const chosen = { choices: { T3: { to: day('2027-01-20') } } };
    expect(lineOf({ ...old, classPlans: [planOn(old, 3)] }, chosen, there)).toMatchObject({ left: false, to: day('2027-01-20') }); // prettier-ignore
  });

  test('work that follows a class follows the one of its number', () => {
    const following = due('2026-10-13', { atClass: { setOn: { ordinal: 9, edge: 'start' }, due: { ordinal: 11, edge: 'end' } } }); // prettier-ignore
    const entry = entryOf(following) as AssignmentEntry;
    expect([entry.setOn?.toString(), momentText(entry.due), entry.atClass?.due]).toEqual(['2027-02-08', '2027-02-22T11:15', { ordinal: 11, edge: 'end' }]); // prettier-ignore
    const few = termWith({ id: 'new', from: '2027-01-11', to: '2027-02-05', weekdays: [1] });
    expect(lineOf({ ...old, entries: [following] }, {}, few).problem).toBe('pastEnd');
    expect((entryOf(following, {}, few) as AssignmentEntry).atClass).toBeUndefined();
  });

  test('a series keeps its weekday, ends with the term, and leaves out the new closures instead of the old', () => {
    const weekly = meets('2026-09-14', {
      recurrence: {
        rrule: 'FREQ=WEEKLY;BYDAY=MO;UNTIL=20261214',
        exdates: [at('2026-10-12T14:00'), at('2026-11-09T14:00'), at('2026-11-30T14:00')],
        overrides: [{ recurrenceId: at('2026-10-05T14:00'), cancelled: 'Storm' }],
      },
    });
    const entry = entryOf(weekly) as EventEntry;
    const span = { from: next.term.startsOn, to: day('2027-12-31') };
    const days = expandSeries(entry.when.start, entry.recurrence!, span).map(({ recurrenceId }) => dateLabel(dayOf(recurrenceId))); // prettier-ignore
    // Not 15 February (closed), not 5 April (skipped in its week before).
    expect(days).toEqual(['Mon 18 Jan', 'Mon 25 Jan', 'Mon 1 Feb', 'Mon 8 Feb', 'Mon 22 Feb', 'Mon 1 Mar', 'Mon 8 Mar', 'Mon 15 Mar', 'Mon 22 Mar', 'Mon 12 Apr', 'Mon 19 Apr']); // prettier-ignore
    expect(lineOf({ ...old, entries: [weekly] }).singles).toBe(1);
  });

  test('materials come once: links lead to the copies, or to what the new course has already', () => {
    const unit: Material = { id: 'u' as MaterialId, course: HL, position: 0, kind: 'unit', title: 'Lines', url: '', text: '', sequence: 4, created: NOW, lastModified: NOW }; // prettier-ignore
    const item: Material = { ...unit, id: 'i' as MaterialId, parent: unit.id, kind: 'webLink', title: 'Offsets', url: 'https://library.example/1' }; // prettier-ignore
    const linked = due('2026-10-15', {
      links: [{ url: '', label: '', staffOnly: false, material: item.id }],
    });
    const before = { ...old, materials: [item, unit], entries: [linked] };
    const first = carryOver(before, next, carrying());
    expect(first.materials.map(({ title }) => title).sort()).toEqual(['Lines', 'Offsets']);
    const copy = first.materials.find(({ title }) => title === 'Offsets')!;
    expect(copy.parent).toBe(first.materials.find(({ title }) => title === 'Lines')!.id);
    expect(first.entries[0]!.links[0]!.material).toBe(copy.id);
    const again = carryOver(before, { ...next, materials: first.materials }, carrying());
    expect([again.materials, again.entries[0]!.links[0]!.material]).toEqual([[], copy.id]);
  });
});

test('a day that is chosen counts, on a closure too; what is left out is; all can come as drafts', () => {
  const before = { ...old, entries: [due('2026-10-16'), due('2026-10-23')] };
  const choices = { 'due 2026-10-16': { to: Temporal.PlainDate.from('2027-02-16') }, 'due 2026-10-23': { leave: true } }; // prettier-ignore
  const { lines, entries } = carryOver(before, next, carrying({ choices, drafts: true }));
  expect(lines.map((l) => [l.to?.toString(), l.problem, l.left])).toEqual([['2027-02-16', 'closure', false], ['2027-03-04', undefined, true]]); // prettier-ignore
  expect(entries.map((e) => [momentText((e as AssignmentEntry).due), e.visibility.kind])).toEqual([['2027-02-16T17:00', 'draft']]); // prettier-ignore
});
