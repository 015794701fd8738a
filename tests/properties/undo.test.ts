import { asInserted } from '../support/asInserted';
import fc from 'fast-check';
import { Temporal } from 'temporal-polyfill';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { entryInput } from '@/core/entries/entryInput';
import { HANGING } from '@/core/entries/moveDate';
import { closureInput, patternInput } from '@/core/frame/frameInput';
import type { EntryId, HistoryId } from '@/core/ids';
import { slideInput } from '@/core/plan/slideInput';
import type { Outcome } from '@/core/refusals';
import { select } from '@/data/database';
import { coursesOf } from '@/core/entries/viewer';
import { seenPlan } from '@/core/plan/seenPlan';
import { planSeenBy } from '@/server/plan/planSeenBy';
import { loadPlan } from '@/data/plan/loadPlan';
import { actOnSeveral } from '@/server/entries/bulk';
import { cancelEntry } from '@/server/entries/cancelEntry';
import { changeEntry } from '@/server/entries/changeEntry';
import { changeEntryLine } from '@/server/entries/changeEntryLine';
import { copyEntry } from '@/server/entries/copyEntry';
import { deleteEntry } from '@/server/entries/deleteEntry';
import { moveHangingDate } from '@/server/entries/moveHangingDate';
import { placeEntry } from '@/server/entries/placeEntry';
import { planEntry } from '@/server/entries/planEntry';
import { reply } from '@/server/entries/reply';
import { shiftEntries } from '@/server/entries/shiftEntry';
import { addClosure } from '@/server/frame/closures';
import { changeWeek } from '@/server/frame/sections';
import { writeTopics } from '@/server/plan/classPlans';
import { slidePlans } from '@/server/plan/slidePlans';
import { undoChange } from '@/server/history/undoChange';
import { valueOf } from '../support/outcomes';
import type { School } from '../support/school';
import { newSchool } from '../support/school';

let school: School;
beforeAll(async () => {
  school = await newSchool();
  const { pembit, instructor, course, section } = school;
  const week = patternInput.parse({ from: '2026-09-08', week: 'Tue Thu 10-11:15' });
  valueOf(await changeWeek(pembit, instructor, section, week));
  const list = ['Lines', 'Offsets', '', 'Fairing', 'Bevels', 'Moulds'].join('\n');
  valueOf(await writeTopics(pembit, instructor, course, { list, from: 8 }));
});
afterAll(() => school.close());

const TABLES = [
  'entries', 'entry_audiences', 'links', 'extensions', 'replies', 'class_plans', 'plan_bindings', 'meetings', 'closures',
]; // prettier-ignore
/** What grows with every write, and is not taken back. */
const GROWING = new Set(['sequence', 'modified_at']);

/** The whole state of what is planned, as text. */
async function state(): Promise<string> {
  const tables = await Promise.all(
    TABLES.map(async (table) => {
      const rows = await select<Record<string, unknown>>(school.pembit, `SELECT * FROM ${table}`);
      return rows
        .map((row) => JSON.stringify(Object.entries(row).filter(([name]) => !GROWING.has(name))))
        .sort();
    }),
  );
  return JSON.stringify(tables, null, 1);
}

const SERIES = [13, 20, 27].map((day) => `2026-10-${day}T14:00`);
const inputs = () => {
  const audience = [{ course: school.course }];
  return [
    { kind: 'event', title: 'Drop-in', start: SERIES[0], end: '2026-10-13T15:00', rrule: 'FREQ=WEEKLY;COUNT=3', audience, coming: { seats: 2 } }, // prettier-ignore
    { kind: 'event', title: 'Demonstration', start: '2026-10-15T12:30', end: '2026-10-15T13:30', audience, coming: {}, visibility: { kind: 'from', from: '2026-10-12T08:00' } }, // prettier-ignore
    { kind: 'assignment', title: 'Half-breadth plan', setOn: '2026-10-05', due: '2026-10-15T17:00', closes: '2026-10-17T17:00', links: [{ title: 'Table', url: 'https://library.example/4' }], extensions: [{ person: school.students[0]!.person.id, due: '2026-10-16T17:00' }], audience }, // prettier-ignore
    {
      kind: 'assignment',
      title: 'Fair the sheer',
      atClass: { setOn: { ordinal: 9 }, due: { ordinal: 11, edge: 'end' } },
      audience,
    },
    { kind: 'announcement', title: 'The loft is open late', on: '2026-10-12', audience },
    { kind: 'note', title: 'Order battens', on: '2026-10-14T11:00' },
  ].map((input) => entryInput.parse(input));
};

const ACTS = [
  'plan',
  'change',
  'shift',
  'place',
  'cancel',
  'delete',
  'copy',
  'hide',
  'remove',
  'reply',
  'line',
  'dates',
  'slide',
  'close',
] as const;
const act = fc.record({
  what: fc.constantFrom(...ACTS),
  which: fc.nat(9),
  other: fc.nat(9),
  occurrence: fc.option(fc.constantFrom(...SERIES), { nil: undefined }),
  scope: fc.constantFrom('this' as const, 'following' as const, 'all' as const),
  days: fc.integer({ min: -5, max: 5 }),
  along: fc.boolean(),
});
type Act = typeof act extends fc.Arbitrary<infer A> ? A : never;
type Row = { id: EntryId; sequence: number; kind: string; title: string };

/** Every act on the second entry, which asks students who is coming and is shown from a day. */
const EACH_ONCE = ACTS.map((what): Act => ({ what, which: 1, other: 2, occurrence: undefined, scope: 'all', days: 1, along: true })); // prettier-ignore

/** The day from which that entry is shown. */
const DATES: Act = { ...EACH_ONCE[0]!, what: 'dates', other: HANGING.indexOf('shownFrom') };
/** Each by itself; those that delete come last, as a deleted row comes back at another place. */
const deletes = ({ what }: Act) => what === 'delete' || what === 'remove';
const ALONE = [DATES, ...EACH_ONCE.filter((a) => !deletes(a)), ...EACH_ONCE.filter(deletes)];

async function carryOut(a: Act): Promise<Outcome<unknown> | undefined> {
  const { pembit, instructor } = school;
  const rows = await select<Row>(
    pembit,
    `SELECT id, sequence, kind, title FROM entries ORDER BY ${asInserted(pembit)}`,
  );
  if (a.what === 'plan') return planEntry(pembit, instructor, inputs()[a.which % 6]!);
  if (a.what === 'slide') return slide(a);
  if (a.what === 'close') return close(a);
  const row = rows[a.which % rows.length];
  if (!row) return undefined;
  const { id, sequence } = row;
  const recurrenceId = a.occurrence ? Temporal.PlainDateTime.from(a.occurrence) : undefined;
  const several = [...new Set([id, rows[a.other % rows.length]!.id])];
  switch (a.what) {
    case 'change': {
      const input = inputs().find((i) => i.kind === row.kind)!;
      const asked = { id, sequence, scope: recurrenceId ? a.scope : 'all', recurrenceId };
      return changeEntry(pembit, instructor, asked, { ...input, title: `${input.title} ${a.days}` });
    }
    case 'shift':
      return shiftEntries(pembit, instructor, [{ id, recurrenceId }], { days: a.days, along: a.along });
    case 'place':
      return placeEntry(pembit, instructor, id, {
        start: Temporal.PlainDateTime.from('2026-10-21T10:00').add({ days: a.days }),
        recurrenceId,
      });
    case 'cancel':
      return cancelEntry(pembit, instructor, id, { reason: a.along ? 'Storm' : undefined, recurrenceId });
    case 'delete':
      return deleteEntry(pembit, instructor, id, { scope: a.scope, recurrenceId });
    case 'copy':
      return copyEntry(pembit, instructor, id);
    case 'hide':
      return actOnSeveral(pembit, instructor, several, { act: 'draft' });
    case 'remove':
      return actOnSeveral(pembit, instructor, several, { act: 'delete' });
    case 'reply':
      return reply(pembit, school.students[a.other % 3]!, id, a.along ? 'coming' : 'notComing');
    case 'line': {
      const on = Temporal.PlainDate.from('2026-10-15').add({ days: a.days });
      return changeEntryLine(pembit, instructor, { id, sequence }, { title: `${row.title} *`, on });
    }
    case 'dates':
      return moveHangingDate(pembit, instructor, id, {
        field: HANGING[a.other % HANGING.length]!,
        days: a.days || 1,
      });
  }
}

/** What pages read is kept in memory while nothing that concerns it changes: it is always what a fresh look shows. */
async function keptIsFresh(after: string, turn: number): Promise<void> {
  const { pembit, instructor, students, stranger } = school;
  // Everybody looks, so that something is kept; one of them compares.
  const lookers = [instructor, students[0]!, students[1]!, stranger];
  const kept = [];
  for (const { viewer } of lookers) kept.push(await planSeenBy(pembit, viewer));
  const { viewer } = lookers[turn % lookers.length]!;
  const plan = await loadPlan(pembit, coursesOf(viewer), viewer.id);
  const fresh = seenPlan(viewer, plan, pembit.now());
  expect(JSON.stringify(kept[turn % lookers.length]), `kept after ${after}`).toBe(JSON.stringify(fresh));
}

/** Slides one of the plans, later or forward, now and then with what has a date of its own. */
async function slide(a: Act): Promise<Outcome<unknown> | undefined> {
  const { pembit, instructor, course } = school;
  const { courses, classPlans, entries } = await loadPlan(pembit, [course]);
  const plan = classPlans[a.which % classPlans.length];
  const meetings = courses[0]!.sections[0]!.meetings;
  const along = a.along ? entries.map((entry) => entry.id) : [];
  const input = slideInput.parse(
    a.days < 0
      ? { act: 'forward', into: meetings[a.which + 5]!.id, along }
      : { act: 'later', plan: plan?.id, by: a.days + 1, along, overflow: plan ? { [plan.id]: 'drop' } : {} },
  );
  return slidePlans(pembit, instructor, course, input);
}

function close(a: Act): Promise<Outcome<unknown>> {
  const firstDay = Temporal.PlainDate.from('2026-10-15')
    .add({ days: a.days * 2 })
    .toString();
  const closure = closureInput.parse({ term: school.term, course: school.course, name: 'Storm', firstDay, lastDay: firstDay }); // prettier-ignore
  return addClosure(school.pembit, school.instructor, closure);
}

test('undoing acts one after the other brings back each state exactly, whatever was done', async () => {
  const carried = new Map<string, number>();
  let turn = 0;
  await fc.assert(
    fc.asyncProperty(fc.array(act, { minLength: 1, maxLength: 12 }), async (acts) => {
      for (const input of inputs()) valueOf(await planEntry(school.pembit, school.instructor, input));
      const before: { state: string; history: HistoryId; by: string }[] = [];
      for (const a of acts) {
        const was = await state();
        const outcome = await carryOut(a);
        await keptIsFresh(a.what, turn++);
        if (!outcome?.ok) {
          expect(await state(), `A refused ${a.what} changes nothing`).toBe(was);
          continue;
        }
        if (!outcome.history) {
          expect(await state(), `${a.what} left no history`).toBe(was);
          continue;
        }
        carried.set(a.what, (carried.get(a.what) ?? 0) + 1);
        before.push({ state: was, history: outcome.history as HistoryId, by: a.what });
      }
      for (const { state: was, history, by } of before.reverse()) {
        const actor = by === 'reply' ? school.students : [school.instructor];
        const undone = await Promise.all(actor.map((who) => undoChange(school.pembit, who, history)));
        expect(
          undone.filter((outcome) => outcome.ok),
          by,
        ).toHaveLength(1);
        expect(await state(), `undoing ${by}`).toBe(was);
        await keptIsFresh(`undoing ${by}`, turn++);
      }
    }),
    { numRuns: 26, examples: [...ALONE.map((a): [Act[]] => [[a]]), [EACH_ONCE]] },
  );
  // Every act was really done, not refused each time.
  expect([...carried.keys()].sort()).toEqual([...ACTS].sort());
}, 300_000);
