import fc from 'fast-check';
import type { Temporal } from 'temporal-polyfill';
import { expect, test } from 'vitest';
import { occurrencesOf } from '@/core/plan/occurrences';
import { seenPlan } from '@/core/plan/seenPlan';
import { planFile } from '@/core/exchange/planFile';
import { missingIn, planFromFile } from '@/core/exchange/planFromFile';
import { planToFile } from '@/core/exchange/planToFile';
import type { Entry } from '@/core/entries/entry';
import type { Plan } from '@/core/plan/plan';
import { requireZone } from '@/core/time/zoneData';
import { NOW } from '../support/arbitraryPlan';
import { deep, uuidPlan } from '../support/uuidPlan';

/** What a package leaves behind, said once more: people and what they did, stamps, and what is derived. */
const LEFT_BEHIND = /^(at|staff|students|hosts|host|bookings|waiting|replies|extensions|starts|uses|created|lastModified|people|calendars|tombstones|locale)$/; // prettier-ignore
function comparable(given: Plan): unknown {
  const reach = (parts: readonly Readonly<Record<string, unknown>>[]) =>
    parts.filter(({ sections, groups, people }) => sections || groups || !people);
  const kept = {
    ...given,
    entries: given.entries.flatMap((e: Entry) => (e.kind === 'note' || reach(e.audience).length === 0 ? [] : [{ ...e, audience: reach(e.audience) }])),
    sheets: given.sheets.flatMap((s) => (reach(s.audience).length === 0 ? [] : [{ ...s, audience: reach(s.audience) }])),
  }; // prettier-ignore
  const strip = (value: unknown): unknown =>
    deep(value, (leaf) => (leaf === undefined ? undefined : String(leaf)));
  const drop = (value: unknown): unknown => {
    if (Array.isArray(value)) return value.map(drop);
    if (value !== null && typeof value === 'object' && Object.getPrototypeOf(value) === Object.prototype)
      return Object.fromEntries(
        Object.entries(value).flatMap(([k, v]) => (LEFT_BEHIND.test(k) ? [] : [[k, drop(v)]])),
      );
    return value;
  };
  return drop(strip(kept));
}

const saved = (given: Plan, outline: boolean) => {
  const { json, left } = planToFile(given, { exported: NOW, outline, files: [] });
  return { left, text: JSON.stringify(json), read: planFile.parse(JSON.parse(JSON.stringify(json))) };
};

test('a plan that is saved and read again is the same plan, without its people', () => {
  fc.assert(
    fc.property(uuidPlan, (given) => {
      const { read, left } = saved(given, false);
      expect(missingIn(read)).toEqual([]);
      const back = planFromFile({ file: read, now: NOW, locale: 'en-GB' });
      expect(comparable(back)).toEqual(comparable(given));
      const shared = given.entries.filter((entry) => entry.kind !== 'note').length + given.sheets.length;
      expect(back.entries.length + back.sheets.length + left).toBe(shared);
    }),
    { numRuns: 100 },
  );
});

test('no name of a student, no booking, reply or note is in the file', () => {
  fc.assert(
    fc.property(uuidPlan, (given) => {
      const { text } = saved(given, false);
      expect(text).not.toMatch(/~(name|ename|note)-|"starts"/);
      const notes = given.entries.filter((entry) => entry.kind === 'note');
      for (const note of notes) expect(text).not.toContain(note.title);
    }),
    { numRuns: 100 },
  );
});

test('an outline keeps order, weekdays, hours and distances, and names no day of its term', () => {
  fc.assert(
    fc.property(uuidPlan, (given) => {
      const { text, read } = saved(given, true);
      expect(text.replace(/"exported":"[^"]*"/, '')).not.toContain('2026-');
      const back = planFromFile({ file: read, now: NOW, locale: 'en-GB' });
      const times = (of: Plan) =>
        occurrencesOf(seenPlan({ kind: 'person', id: 'x' as never, staffOf: new Set(of.courses.map((c) => c.id)), instructs: new Set(), helps: new Map(), memberOf: new Map(), groups: new Set() }, of, NOW), requireZone)
          .filter(({ kind }) => kind !== 'note' && kind !== 'times')
          .map((o) => ('wall' in o.start ? o.start.wall : o.start.toPlainDateTime())); // prettier-ignore
      const reach = (of: Plan) => ({
        ...of,
        entries: of.entries.filter((e) => read.entries.some(({ id }) => id === e.id)),
        sheets: [],
        calendars: [],
        tombstones: [],
      });
      const [before, after] = [times(reach(given)), times(reach(back))];
      expect(after).toHaveLength(before.length);
      if (before.length === 0) return;
      const shift = (a: Temporal.PlainDateTime, b: Temporal.PlainDateTime) => a.until(b).toString();
      const by = shift(before[0]!, after[0]!);
      for (const [i, was] of before.entries()) {
        expect(after[i]!.dayOfWeek).toBe(was.dayOfWeek);
        expect(after[i]!.toPlainTime().equals(was.toPlainTime())).toBe(true);
        expect(shift(was, after[i]!)).toBe(by);
      }
    }),
    { numRuns: 60 },
  );
});
