import fc from 'fast-check';
import ICAL from 'ical.js';
import { Temporal } from 'temporal-polyfill';
import { expect, test } from 'vitest';
import type { Entry } from '@/core/entries/entry';
import { entryInput } from '@/core/entries/entryInput';
import type { EntryId, HistoryId, PersonId } from '@/core/ids';
import { outletInput } from '@/core/outlets/outletInput';
import type { Outcome } from '@/core/refusals';
import { staffInput } from '@/core/frame/staffInput';
import { momentText } from '@/core/time/zonedWall';
import { actOnSeveral } from '@/server/entries/bulk';
import { cancelEntry } from '@/server/entries/cancelEntry';
import { changeEntry } from '@/server/entries/changeEntry';
import { deleteEntry } from '@/server/entries/deleteEntry';
import { planEntry } from '@/server/entries/planEntry';
import { shiftEntries } from '@/server/entries/shiftEntry';
import { removeStaff, writeStaff } from '@/server/frame/courseStaff';
import { undoChange } from '@/server/history/undoChange';
import { createOutletAnswerer } from '@/server/outlets/answerOutlet';
import { publish } from '@/server/outlets/publish';
import { planSeenBy } from '@/server/plan/planSeenBy';
import { changesFor } from '@/server/students/changes';
import { entryById } from '@/data/entries/entries';
import type { School } from '../support/school';
import { newSchool } from '../support/school';
import { valueOf } from '../support/outcomes';
import { complaintsAbout } from '../support/strictIcs';

/** `PEMBIT_YEAR_RUNS` and `PEMBIT_YEAR_ACTS`: more of it, as `npm run torture` asks. */
const RUNS = Number(process.env.PEMBIT_YEAR_RUNS ?? 1);
const ACTS = Number(process.env.PEMBIT_YEAR_ACTS ?? 150);

type Who = 'instructor' | 'colleague' | 'one' | 'two';
/** An entry as the model knows it: plain text and flags. */
type Line = Readonly<{ title: string; due: string; draft: boolean; cancelled: boolean; own: Readonly<Record<string, string>> }>; // prettier-ignore
/** `own`: whether it also changed what single students were given, which stands apart from the entry itself. */
type Done = Readonly<{ history: HistoryId; id: EntryId; before?: Line; after?: Line; own: boolean; state: { undone: boolean } }>; // prettier-ignore

const who = fc.constantFrom<Who>('instructor', 'instructor', 'colleague', 'colleague', 'one', 'two');
const n = fc.nat({ max: 1000 });
const act = fc.oneof(
  { weight: 4, arbitrary: fc.record({ act: fc.constant('plan' as const), who, n, draft: fc.boolean() }) },
  { weight: 4, arbitrary: fc.record({ act: fc.constant('move' as const), who, n, days: fc.integer({ min: -9, max: 9 }) }) },
  { weight: 2, arbitrary: fc.record({ act: fc.constantFrom('callOff' as const, 'reinstate' as const, 'delete' as const), who, n }) },
  { weight: 2, arbitrary: fc.record({ act: fc.constantFrom('show' as const, 'draft' as const), who, n }) },
  { weight: 2, arbitrary: fc.record({ act: fc.constant('extend' as const), who, n, days: fc.integer({ min: 1, max: 9 }) }) },
  { weight: 4, arbitrary: fc.record({ act: fc.constant('undo' as const), who, n }) },
  { weight: 1, arbitrary: fc.record({ act: fc.constantFrom('hire' as const, 'dismiss' as const, 'look' as const, 'clock' as const), n }) },
); // prettier-ignore
type Act = typeof act extends fc.Arbitrary<infer T> ? T : never;

const TERM = Temporal.PlainDate.from('2026-09-08');
const dueOn = (k: number) => `${TERM.add({ days: k % 90 }).toString()}T17:00`;
const later = (due: string, days: number) =>
  Temporal.PlainDateTime.from(due).add({ days }).toString({ smallestUnit: 'minute' });

const ownOf = (line: Line | undefined) => JSON.stringify(Object.entries(line?.own ?? {}).sort());
const plainOf = (line: Line | undefined) => JSON.stringify(line && { ...line, own: {} });

/** One year of a school, beside a model of it that knows nothing of the application. */
class Year {
  readonly lines = new Map<EntryId, Line>();
  readonly acts: Done[] = [];
  readonly looked = new Map<'one' | 'two', { at: Temporal.Instant; seen: ReadonlyMap<EntryId, string> }>();
  readonly sequences = new Map<string, number>();
  hired = false;
  hours = 0;

  constructor(
    readonly school: School,
    readonly feed: string,
  ) {}

  async signedIn(name: Who) {
    const { school } = this;
    const of = { instructor: school.instructor, colleague: school.stranger, one: school.students[0]!, two: school.students[1]! }; // prettier-ignore
    return school.signedIn(of[name].person.id);
  }
  may = (name: Who) => name === 'instructor' || (name === 'colleague' && this.hired);
  pick = (k: number): EntryId | undefined => [...this.lines.keys()][k % Math.max(1, this.lines.size)];

  input(line: Pick<Line, 'title' | 'due' | 'draft' | 'own'>) {
    return entryInput.parse({
      kind: 'assignment',
      title: line.title,
      due: line.due,
      audience: [{ course: this.school.course }],
      visibility: { kind: line.draft ? 'draft' : 'visible' },
      extensions: Object.entries(line.own).map(([person, due]) => ({ person, due })),
    });
  }

  /** What a student sees of each entry, as the model has it. */
  seenBy(person: PersonId): Map<EntryId, string> {
    const seen = new Map<EntryId, string>();
    for (const [id, line] of this.lines)
      if (!line.draft) seen.set(id, `${line.title} ${line.own[person] ?? line.due}${line.cancelled ? ' off' : ''}`);
    return seen;
  } // prettier-ignore

  /** Notes what was done, where the model expects it to be done. */
  note(outcome: Outcome<unknown>, expected: boolean, id: EntryId, after: Line | undefined) {
    expect(outcome.ok, JSON.stringify(outcome)).toBe(expected);
    if (!outcome.ok) return;
    const before = this.lines.get(id);
    if (after) this.lines.set(id, after);
    else this.lines.delete(id);
    const own = ownOf(before) !== ownOf(after);
    if (outcome.history) this.acts.push({ history: outcome.history as HistoryId, id, before, after, own, state: { undone: false } }); // prettier-ignore
  }

  /** What is done beside the plan: time goes on, students look, the staff changes. */
  async frame({ act: what, n: k }: Extract<Act, { act: 'clock' | 'look' | 'hire' | 'dismiss' }>): Promise<void> {
    const { pembit, course, stranger } = this.school;
    if (what === 'clock') this.school.later((this.hours += 1 + (k % 48)) * 3_600_000);
    if (what === 'look') {
      for (const name of ['one', 'two'] as const)
        this.looked.set(name, { at: pembit.now(), seen: this.seenBy((await this.signedIn(name)).person.id) });
      this.school.later(++this.hours * 3_600_000);
    }
    const hires = what === 'hire';
    if ((!hires && what !== 'dismiss') || this.hired === hires) return;
    const [office, colleague] = [await this.signedIn('instructor'), stranger.person];
    const input = staffInput.parse({ email: colleague.email, role: 'co' });
    valueOf(
      hires
        ? await writeStaff(pembit, office, course, input)
        : await removeStaff(pembit, office, { course, person: colleague.id }),
    );
    this.hired = hires;
  } // prettier-ignore

  async step(done: Act): Promise<void> {
    if (!('who' in done)) return this.frame(done);
    const { pembit, students } = this.school;
    const actor = await this.signedIn(done.who);
    const may = this.may(done.who);
    if (done.act === 'plan') {
      const line: Line = { title: `Work ${this.acts.length}`, due: dueOn(done.n), draft: done.draft, cancelled: false, own: {} }; // prettier-ignore
      const made = await planEntry(pembit, actor, this.input(line));
      return this.note(made, may, (made.ok ? made.value.id : '') as EntryId, line);
    }
    if (done.act === 'undo') return this.undo(done.who, done.n);
    const id = this.pick(done.n);
    const line = id && this.lines.get(id);
    if (!id || !line) return;
    switch (done.act) {
      case 'move':
        return this.note(
          await shiftEntries(pembit, actor, [{ id }], { days: done.days, along: true }),
          may,
          id,
          { ...line, due: later(line.due, done.days), own: Object.fromEntries(Object.entries(line.own).map(([person, due]) => [person, later(due, done.days)])) }, // prettier-ignore
        );
      case 'callOff':
        return this.note(await cancelEntry(pembit, actor, id, { reason: 'Storm' }), may, id, { ...line, cancelled: true }); // prettier-ignore
      case 'reinstate':
        return this.note(await cancelEntry(pembit, actor, id, {}), may, id, { ...line, cancelled: false });
      case 'delete':
        return this.note(await deleteEntry(pembit, actor, id), may, id, undefined);
      case 'show':
      case 'draft':
        return this.note(await actOnSeveral(pembit, actor, [id], { act: done.act }), may, id, { ...line, draft: done.act === 'draft' }); // prettier-ignore
      case 'extend': {
        const own = { ...line.own, [students[0]!.person.id]: later(line.due, done.days) };
        const { sequence } = (await entryById(pembit, id)) as Entry;
        const asked = { id, sequence, scope: 'all' as const };
        return this.note(await changeEntry(pembit, actor, asked, this.input({ ...line, own })), may, id, { ...line, own }); // prettier-ignore
      }
      default:
        return done satisfies never;
    }
  }

  /** Undoing is the reverse act: by whoever may do it now, once, while what the act changed is as it left it. */
  async undo(name: Who, k: number): Promise<void> {
    const done = this.acts[k % Math.max(1, this.acts.length)];
    if (!done) return;
    const { id, before, after, own, state } = done;
    const now = this.lines.get(id);
    // An entry that would go must have nothing on it that came later.
    const asLeft = plainOf(now) === plainOf(after) && ((!own && before) || ownOf(now) === ownOf(after));
    const back = before && now && !own ? { ...before, own: now.own } : before;
    const outcome = await undoChange(this.school.pembit, await this.signedIn(name), done.history);
    this.note(outcome, Boolean(this.may(name) && !state.undone && asLeft), id, back);
    if (outcome.ok) state.undone = true;
  }

  /** What people see in their plans is what the model has. */
  async check(): Promise<void> {
    for (const name of ['one', 'two'] as const) {
      const { person, viewer } = await this.signedIn(name);
      const { entries } = await planSeenBy(this.school.pembit, viewer);
      const seen = entries.flatMap((e) => e.kind === 'assignment' ? [`${e.title} ${momentText(e.due)}${e.cancelled === undefined ? '' : ' off'}`] : []); // prettier-ignore
      expect(seen.sort()).toEqual([...this.seenBy(person.id).values()].sort());
    }
    const { viewer } = await this.signedIn('colleague');
    const { entries } = await planSeenBy(this.school.pembit, viewer);
    expect(entries.length).toBe(this.hired ? this.lines.size : 0);
  }

  /** News, and the feed through a reader that is not ours. */
  async checkAll(): Promise<void> {
    await this.check();
    for (const [name, { at, seen }] of this.looked) {
      const { person, viewer } = await this.signedIn(name);
      const { pembit } = this.school;
      const news = await changesFor(pembit, { viewer }, await planSeenBy(pembit, viewer), at);
      const now = this.seenBy(person.id);
      const changed = [...new Set([...seen.keys(), ...now.keys()])].filter(
        (id) => seen.get(id) !== now.get(id),
      );
      expect(news.map(({ key }) => key).sort()).toEqual((changed as string[]).sort());
    }
    const { body } = await createOutletAnswerer(this.school.pembit)({ method: 'GET', path: this.feed, query: '', headers: {} }); // prettier-ignore
    const text = Buffer.from(body as Uint8Array);
    expect(complaintsAbout(text)).toEqual([]);
    const events = new ICAL.Component(ICAL.parse(text.toString()) as unknown[]).getAllSubcomponents('vevent');
    const shown: string[] = [];
    for (const event of events) {
      const [uid, sequence] = [String(event.getFirstPropertyValue('uid')), Number(event.getFirstPropertyValue('sequence'))]; // prettier-ignore
      expect(sequence, uid).toBeGreaterThanOrEqual(this.sequences.get(uid) ?? 0);
      this.sequences.set(uid, sequence);
      const summary = event.getFirstPropertyValue('summary');
      if (summary) shown.push(`${String(event.getFirstPropertyValue('dtstart')).slice(0, 16)}${String(event.getFirstPropertyValue('status')) === 'CANCELLED' ? ' off' : ''}`); // prettier-ignore
    }
    const expected = [...this.lines.values()].filter(({ draft }) => !draft).map(({ due, cancelled }) => `${due}${cancelled ? ' off' : ''}`); // prettier-ignore
    expect(shown.sort()).toEqual(expected.sort());
  }
}

test(
  'a random year: whatever is done and undone, by whomever, plans, news and feeds say what a plain model says',
  async () => {
    await fc.assert(
      fc.asyncProperty(fc.array(act, { minLength: ACTS, maxLength: ACTS }), async (acts) => {
        const school = await newSchool({ students: 2 });
        try {
          const outlet = outletInput.parse({ kind: 'feed', audience: 'public', name: 'Feed', courses: [school.course] }); // prettier-ignore
          const { url } = valueOf(await publish(school.pembit, school.instructor, outlet));
          const year = new Year(school, new URL(url).pathname);
          for (const [i, done] of acts.entries()) {
            await year.step(done);
            await (i % 25 === 24 ? year.checkAll() : year.check());
          }
        } finally {
          await school.close();
        }
      }),
      { numRuns: RUNS, endOnFailure: true },
    );
  },
  60_000 * RUNS + 60_000,
);
