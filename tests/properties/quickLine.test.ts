import fc from 'fast-check';
import { expect, test } from 'vitest';
import { entryInput } from '@/core/entries/entryInput';
import { formatQuickLine } from '@/core/quickline/formatQuickLine';
import type { QuickEntry, QuickMoment, QuickRepeat } from '@/core/quickline/quickEntry';
import { quickInput } from '@/core/quickline/quickInput';
import { readQuickLine } from '@/core/quickline/readQuickLine';
import { quickContext } from '../support/quickContext';

const { courses } = quickContext;
const days = fc
  .integer({ min: 0, max: 100 })
  .map((n) => quickContext.term.startsOn.add({ days: n }).toString());
const clock = (from: number, to: number) =>
  fc.tuple(fc.integer({ min: from, max: to }), fc.integer({ min: 0, max: 59 })).map(([h, m]) => `${String(h).padStart(2, '0')}:${String(m).padStart(2, '0')}`); // prettier-ignore
const optional = <T>(arbitrary: fc.Arbitrary<T>) => fc.option(arbitrary, { nil: undefined });
const defined = <T extends object>(value: T): T =>
  Object.fromEntries(Object.entries(value).filter(([, v]) => v !== undefined)) as T;

// Words that mean something to the reader, too: what stands in quotation marks is never read.
const text = fc
  .array(fc.oneof(fc.constantFrom('due', 'Friday', 'HL', 'set', '"', '2', 'at', 'every week', ','), fc.string({ maxLength: 12 })), { minLength: 1, maxLength: 5 })
  .map((parts) => parts.join(' ').replace(/[\p{C}\s]+/gu, ' ').trim())
  .filter((title) => title !== ''); // prettier-ignore

const moment: fc.Arbitrary<QuickMoment> = fc.oneof(
  fc.record({ kind: fc.constant('date' as const), date: days, time: optional(clock(0, 23)) }).map(defined),
  fc.record({ kind: fc.constant('class' as const), ordinal: fc.integer({ min: 1, max: 20 }), edge: fc.constantFrom('start' as const, 'end' as const) }),
); // prettier-ignore
const day = days.map((date): QuickMoment => ({ kind: 'date', date }));
const repeat: fc.Arbitrary<QuickRepeat> = fc
  .record({
    unit: fc.constantFrom('days' as const, 'weeks' as const),
    every: fc.integer({ min: 1, max: 10 }),
    weekdays: fc.uniqueArray(fc.integer({ min: 1, max: 7 }), { maxLength: 4 }),
    end: fc.oneof(fc.constant({}), days.map((until) => ({ until })), fc.integer({ min: 1, max: 60 }).map((count) => ({ count }))),
  })
  .map(({ unit, every, weekdays, end }) => ({ unit, every, weekdays: unit === 'days' ? [] : weekdays.sort((a, b) => a - b), ...end })); // prettier-ignore
const chosen = fc.uniqueArray(fc.constantFrom(...courses.slice(0, 3)), { minLength: 1 }).chain((list) =>
  fc.tuple(...list.map((course) => fc.subarray(course.sections.map((s) => s.id)).map((sections) => ({ course: course.id, ...(sections.length > 0 ? { sections: [...sections].sort() } : {}) })))),
); // prettier-ignore
const common = { title: text, courses: chosen, links: fc.uniqueArray(fc.constantFrom('https://a.example/x', 'https://b.example/y?z=1#q')), draft: fc.boolean() }; // prettier-ignore
const on = fc
  .record({ date: days, more: fc.integer({ min: 1, max: 20 }), several: fc.boolean(), start: optional(clock(0, 11)), end: optional(clock(12, 23)) })
  .map(({ date, more, several, start, end }) => defined({ date, lastDay: several ? quickContext.term.startsOn.add({ days: 101 + more }).toString() : undefined, start, end: start && end })); // prettier-ignore

const work = fc.record({ ...common, kind: fc.constant('assignment' as const), place: fc.constant(''), setOn: optional(day), opens: optional(moment), due: moment, closes: optional(moment) }).map(defined); // prettier-ignore
const event = fc.record({ ...common, kind: fc.constant('event' as const), place: fc.oneof(fc.constant(''), text), on, repeat: optional(repeat) }).map(defined); // prettier-ignore
const note = fc.record({ ...common, kind: fc.constant('note' as const), place: fc.constant(''), courses: fc.constant([]), draft: fc.constant(false), links: fc.constant([]), on: days.map((date) => ({ date })) }); // prettier-ignore

test('what is formatted as a line reads as the same entry', () => {
  fc.assert(
    fc.property(fc.oneof<fc.Arbitrary<QuickEntry>[]>(work, event, note), (entry) => {
      const line = formatQuickLine(entry, quickContext);
      const { entry: read, asks } = readQuickLine(line, quickContext);
      expect({ line, asks, read }).toEqual({ line, asks: [], read: entry });
    }),
    { numRuns: 400 },
  );
});

test('whatever is typed is read without an error, and what is read can be sent', () => {
  const words = fc.constantFrom('due', 'set', 'week', '6', 'Thursday', 'HL', 'A', 'class', '12', 'at', 'the', 'every', 'until', '2', 'pm', '10-11', '"', ',', 'midterm', 'before', 'next', '10/11', 'opens', 'note:'); // prettier-ignore
  fc.assert(
    fc.property(fc.array(fc.oneof(words, fc.string({ maxLength: 6 })), { maxLength: 14 }), (parts) => {
      const { entry, asks } = readQuickLine(parts.join(' '), quickContext);
      expect(entry !== undefined || asks.length > 0).toBe(true);
      if (!entry) return;
      const sent = entryInput.safeParse(JSON.parse(JSON.stringify(withIds(quickInput(entry, quickContext)))));
      expect(sent.error?.issues.filter(({ path }) => path[0] !== 'title') ?? []).toEqual([]);
    }),
    { numRuns: 1000 },
  );
});

/** The courses of the test have short ids; the schema wants real ones. */
const withIds = (input: object) => ({
  ...input,
  audience: [{ course: '00000000-0000-4000-8000-000000000000' }],
});
