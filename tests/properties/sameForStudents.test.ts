import fc from 'fast-check';
import { expect, test } from 'vitest';
import type { Viewer } from '@/core/entries/viewer';
import type { OutletId } from '@/core/ids';
import { feedEvents } from '@/core/outlets/feedEvents';
import type { Outlet } from '@/core/outlets/outlet';
import { PERSONAL_DEFAULTS } from '@/core/outlets/outlet';
import { outletContents } from '@/core/outlets/outletContents';
import { daySheet } from '@/core/plan/daySheet';
import type { Occurrence } from '@/core/plan/occurrence';
import { occurrencesOf } from '@/core/plan/occurrences';
import { seenPlan } from '@/core/plan/seenPlan';
import { toWall } from '@/core/time/zone';
import { requireZone } from '@/core/time/zoneData';
import { dayOf, momentText } from '@/core/time/zonedWall';
import { nextView } from '@/ui/student/nextView';
import { NOW, person, plan } from '../support/arbitraryPlan';

const today = toWall(requireZone('America/Halifax'), NOW).toPlainDate();
const AHEAD = 20;
const days = Array.from({ length: AHEAD }, (_, i) => today.add({ days: i + 1 }));
const sorted = (keys: Iterable<string>) => [...new Set(keys)].sort();
const addresses = {
  entry: (id: string) => `https://p.example/e/${id}`,
  day: (date: { toString: () => string }) => `https://p.example/day/${date}`,
  class: ({ id }: { id: string }) => `https://p.example/class/${id}`,
  signUp: 'https://p.example/sign-up',
  page: (path: string) => `https://p.example${path}`,
};

test('what a student’s home, day sheets, own feed and the API say of the coming days is the same set at the same times', () => {
  fc.assert(
    fc.property(plan, person, (given, who) => {
      const viewer: Viewer = { ...who, staffOf: new Set() };
      const seen = seenPlan(viewer, given, NOW);
      // The records of `/api/occurrences` are these, written down.
      const all = occurrencesOf(seen, requireZone).filter(
        (o) => o.kind !== 'times' && !(o.kind === 'booking' && !o.mine),
      );
      const inSight = (o: Occurrence) => days.some((day) => day.equals(dayOf(o.start)));
      const key = (o: Occurrence) => `${o.uid} ${o.kind} ${momentText(o.start)}`;
      const expected = sorted(all.filter(inSight).map(key));

      const home = nextView(seen, occurrencesOf(seen, requireZone), { zoneOf: requireZone, now: NOW, today });
      const first = days[0]!.toString();
      const last = days.at(-1)!.toString();
      const homeKeys = home.days
        .filter((day) => day.key >= first && day.key <= last)
        .flatMap((day) => day.lines.map((line) => line.key));
      expect(sorted(homeKeys)).toEqual(expected);

      const sheets = days.flatMap((day) =>
        daySheet(all, day).flatMap(({ items }) => items.filter((o) => dayOf(o.start).equals(day)).map(key)),
      );
      expect(sorted(sheets)).toEqual(expected);

      const feed: Outlet = { ...PERSONAL_DEFAULTS, id: 'o' as OutletId, kind: 'feed', audience: 'personal', name: 'O', owner: who.id, generation: 1 }; // prettier-ignore
      const events = feedEvents(outletContents(feed, viewer, given, NOW), addresses, requireZone);
      const times = new Map(events.filter((e) => !e.rrule).map((e) => [e.uid, momentText(e.dtstart)]));
      const rules = new Set(events.filter((e) => e.rrule).map((e) => e.uid));
      for (const o of all.filter(inSight)) {
        // A series is one component with its rule; tests/reference/feeds.test.ts expands those by other engines.
        if (o.recurrenceId) expect(rules).toContain(o.uid);
        else expect([o.uid, times.get(o.uid)]).toEqual([o.uid, momentText(o.start)]);
      }
      const known = new Set(all.map((o) => o.uid));
      for (const event of events.filter((e) => !e.uid.startsWith('uid-sh')))
        expect(known).toContain(event.uid);
    }),
    { numRuns: 100 },
  );
});
