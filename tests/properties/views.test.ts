import fc from 'fast-check';
import { expect, test } from 'vitest';
import type { Occurrence } from '@/core/plan/occurrence';
import { touching } from '@/core/plan/occurrenceDays';
import { occurrencesOf } from '@/core/plan/occurrences';
import { seenPlan } from '@/core/plan/seenPlan';
import { teachingWeeks } from '@/core/time/term';
import { toWall } from '@/core/time/zone';
import { requireZone } from '@/core/time/zoneData';
import { everythingView } from '@/ui/everything/everythingView';
import { planItemOf } from '@/ui/term/termMarks';
import { termView } from '@/ui/term/termView';
import { weekView } from '@/ui/week/weekView';
import { NOW, person, plan } from '../support/arbitraryPlan';

const zone = requireZone('America/Halifax');
const now = toWall(zone, NOW);
const today = now.toPlainDate();
const sorted = (keys: Iterable<string>) => [...new Set(keys)].sort();

test('what one viewer sees is the same set in every view, whatever the plan', () => {
  fc.assert(
    fc.property(plan, person, (given, viewer) => {
      const seen = seenPlan(viewer, given, NOW);
      const term = given.terms[0]!;
      const weeks = teachingWeeks(term);
      const from = weeks[0]!.first;
      const to = weeks.at(-1)!.first.add({ days: 6 });
      const occurrences = occurrencesOf(seen, requireZone);
      const mayMove = () => false;
      const key = (o: Occurrence) => planItemOf(o, mayMove).key;
      const expected = sorted(
        touching(occurrences)(from, to)
          .filter((o) => o.kind !== 'closure')
          .map(key),
      );

      const shown = new Set(seen.courses.map((course) => course.id));
      const shownInTerm = { plan: seen, term, occurrences, mayMove, shown };
      // A week by itself has room for all marks; the whole term counts those that it has no room for.
      const days = weeks.flatMap(({ number }) =>
        termView({ ...shownInTerm, zoom: { kind: 'one', from: number } }, today).weeks.flatMap((w) => w.days),
      );
      // What lasts is a line that begins on a day.
      const inTerm = days.flatMap((day) => [...day.items, ...day.bars.map(({ item }) => item)]);
      const whole = termView(shownInTerm, today).weeks.flatMap((week) => week.days);
      expect(whole.map(({ date, count }) => [date, count])).toEqual(
        days.map(({ date, items }) => [date, items.length]),
      );
      // Sections that share a class plan share a mark; it names the classes it stands for.
      const classKeys = new Map(
        occurrences.flatMap((o) => (o.kind === 'class' ? [[o.meeting, key(o)]] : [])),
      );
      expect(
        sorted(
          inTerm.flatMap((item) => [item.key, ...(item.others ?? []).map((m) => classKeys.get(m as never)!)]),
        ),
      ).toEqual(expected);

      const given4 = { plan: seen, term, occurrences, mayMove };
      const inWeeks = weeks.flatMap(({ first }) =>
        weekView(given4, { date: first, now }).days.flatMap((day) => [
          ...day.allDay.map((item) => item.key),
          ...day.blocks.map((block) => block.item.key),
        ]),
      );
      expect(sorted(inWeeks)).toEqual(expected);

      const rows = everythingView(given4, { from, to, tests: new Map() }).filter(
        (row) => row.kind !== 'closure',
      );
      expect(sorted(rows.map((row) => row.key))).toEqual(expected);
      expect(new Set(rows.map((row) => row.id)).size).toBe(rows.length);
    }),
    { numRuns: 60 },
  );
});
