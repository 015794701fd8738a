import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { HL, IVO, MAREN, NOW, NV, ODA, booking, sheet, staff, student } from '../../../tests/support/plans';
import type { Viewer } from '../entries/viewer';
import type { BookingId, GroupId, PersonId, SectionId } from '../ids';
import { freeOf, seenSheet } from './seenSheet';
import type { Sheet } from './sheet';
import { DEFAULT_RULES } from './sheet';

const ivo = booking({
  id: 'b1' as BookingId,
  person: IVO,
  note: 'My stem',
  answer: 'Lines',
  meetingLink: 'https://meet.example/ivo',
});
const oda = booking({ id: 'b2' as BookingId, seat: 2, person: ODA, personName: 'Oda Brink', note: 'My transom', answer: 'Bevels', meetingLink: 'https://meet.example/oda' }); // prettier-ignore
/** Both come to the first time; the second one is free. */
const shared = (rules: Partial<Sheet['rules']> = {}, changes: Partial<Sheet> = {}): Sheet => {
  const made = sheet([[ivo, oda], []], { rules: { ...DEFAULT_RULES, ...rules }, ...changes });
  return { ...made, slots: made.slots.map((slot) => ({ ...slot, seats: 2 })) };
};
const seen = (viewer: Parameters<typeof seenSheet>[0], given: Sheet) => seenSheet(viewer, given, NOW);
const firstOf = (given: Sheet, who: PersonId = IVO) => seen(student(who), given)!.slots[0]!;

describe('whoever comes', () => {
  test('sees that the time is taken, and of its bookings their own alone', () => {
    const slot = firstOf(shared());
    expect(slot).toMatchObject({ seats: 2, taken: 2, mine: 'b1', companions: [] });
    expect(slot.bookings.map((b) => b.id)).toEqual(['b1']);
  });
  test('sees the names of those who come to the same time where the sheet says so, and nothing but names', () => {
    const slot = firstOf(shared({ namesShown: true }));
    expect(slot.companions).toEqual(['Oda Brink']);
    expect(JSON.stringify(slot)).not.toMatch(/transom|Bevels|meet\.example\/oda/);
  });
  test('gets its links, the staff’s own aside; whoever does not come gets none', () => {
    const links = [
      { url: 'https://x.example/1', label: 'Bring this', staffOnly: false },
      { url: 'https://x.example/2', label: 'Answers', staffOnly: true },
    ];
    const labels = (viewer: Parameters<typeof seenSheet>[0]) =>
      seen(viewer, shared({ links }))!.rules.links.map((link) => link.label);
    expect(labels(student())).toEqual(['Bring this']);
    expect(labels(student('nobody' as PersonId))).toEqual([]);
    expect(labels(staff(HL))).toEqual(['Bring this', 'Answers']);
  });
});

test('whoever does not come learns how many do, not who', () => {
  const slot = firstOf(shared({ namesShown: true }), 'other' as PersonId);
  expect(slot).toMatchObject({ taken: 2, bookings: [], companions: [], mine: undefined });
});

test('the staff see everybody, with note, answer and link', () => {
  const slot = seen(staff(HL), shared())!.slots[0]!;
  expect(slot.bookings.map(({ personName, note, answer, mine }) => [personName, note, answer, mine])).toEqual(
    [
      ['Ivo Saltmarsh', 'My stem', 'Lines', false],
      ['Oda Brink', 'My transom', 'Bevels', false],
    ],
  );
});

describe('is not there', () => {
  test('before it is offered, but for its staff', () => {
    expect(seen(student(), shared({}, { offered: false }))).toBeUndefined();
    expect(seen(staff(HL), shared({}, { offered: false }))).toMatchObject({
      release: 'draft',
      asStaff: true,
    });
  });
  test.each([
    ['another course', { audience: [{ course: NV }] }],
    ['another section', { audience: [{ course: HL, sections: ['b' as SectionId] }] }],
    ['a group one is not in', { audience: [{ course: HL, groups: ['g' as GroupId] }] }],
    ['others by name', { audience: [{ course: HL, people: [ODA] }] }],
  ])('for whoever is not meant: %s', (_, changes) =>
    expect(seen(student(), shared({}, changes))).toBeUndefined(),
  );
});

test('nobody without a name gets the address of the meeting', () => {
  const anyone: Viewer = {
    kind: 'public', courses: new Set([HL]), sections: new Set(), calendars: new Set(), meetingLinks: true,
  }; // prettier-ignore
  expect(seen(anyone, shared())).toMatchObject({ meetingLink: '', asStaff: false });
  expect(seen(student(), shared())!.meetingLink).toBe('https://meet.example/1');
});

describe('the waiting list', () => {
  const waiting = [
    { person: ODA, personName: 'Oda Brink', since: NOW, offeredUntil: NOW.add({ hours: 1 }) },
    { person: IVO, personName: 'Ivo Saltmarsh', since: NOW },
  ];
  const given = (() => {
    const made = sheet([[]], { rules: { ...DEFAULT_RULES, waitingList: true } });
    return { ...made, slots: made.slots.map((slot) => ({ ...slot, waiting })) };
  })();
  test('is counted; names are for the staff', () => {
    const slot = firstOf(given);
    expect(slot).toMatchObject({ waitingCount: 2, kept: 1 });
    expect(slot.waiting.map((w) => w.person)).toEqual([IVO]);
    expect(seen(staff(HL), given)!.slots[0]!.waiting.map((w) => w.person)).toEqual([ODA, IVO]);
  });
  test('keeps a free seat for whoever has the offer, until it runs out', () => {
    expect(freeOf(firstOf(given))).toBe(0);
    expect(freeOf(firstOf(given, ODA))).toBe(1);
    expect(freeOf(seenSheet(student(), given, NOW.add({ hours: 1 }))!.slots[0]!)).toBe(1);
  });
});

test('whatever the sheet, a student reads nothing that another one wrote, and no more seats are free than there are', () => {
  const people = [IVO, ODA, 'third' as PersonId, 'fourth' as PersonId];
  const slots = fc.array(fc.uniqueArray(fc.constantFrom(...people), { maxLength: 4 }), {
    minLength: 1,
    maxLength: 4,
  });
  fc.assert(
    fc.property(slots, fc.boolean(), fc.constantFrom(...people), (given, namesShown, who) => {
      const lists = given.map((list, i) =>
        list.map((person, seat) => booking({ id: `b${i} ${person}` as BookingId, seat: seat + 1, person, personName: `Name ${person}`, note: `note of ${person}`, answer: `answer of ${person}`, meetingLink: `https://meet.example/${person}` })),
      ); // prettier-ignore
      const made = seen(student(who), sheet(lists, { rules: { ...DEFAULT_RULES, namesShown } }))!;
      const text = JSON.stringify(made.slots);
      for (const other of people.filter((person) => person !== who)) {
        expect(text).not.toContain(`note of ${other}`);
        expect(text).not.toContain(`answer of ${other}`);
        expect(text).not.toContain(`meet.example/${other}`);
        if (!namesShown) expect(text).not.toContain(`Name ${other}`);
      }
      for (const [i, slot] of made.slots.entries()) {
        expect(slot.taken).toBe(given[i]!.length);
        expect(freeOf(slot)).toBe(Math.max(0, 1 - given[i]!.length));
        expect(slot.mine !== undefined).toBe(given[i]!.includes(who));
      }
    }),
    { numRuns: 200 },
  );
});

test('whose time it is: of its host alone, or of all', () => {
  const hosts = [{ id: MAREN, name: 'Maren Toft' }, { id: ODA, name: 'Oda Brink' }];
  const made = sheet([[], []], { hosts });
  const given = { ...made, slots: made.slots.map((slot, i) => (i === 0 ? { ...slot, host: ODA } : slot)) };
  expect(seen(student(), given)!.slots.map((slot) => slot.hostNames)).toEqual([['Oda Brink'], ['Maren Toft', 'Oda Brink']]);
}); // prettier-ignore
