import { readsAsStaff } from '@/core/entries/viewer';
import { busyTimes } from '@/core/signup/busyTimes';
import { lookingFrom } from '@/core/time/typedDay';
import { momentText } from '@/core/time/zonedWall';
import { teachingWeeks } from '@/core/time/term';
import { zoneBetween } from '@/core/time/zone';
import { requireZone } from '@/core/time/zoneData';
import { sharedPembit } from '@/server/pembit';
import type { SheetPage } from '@/ui/signup/SheetForm';
import type { Term } from '@/core/time/term';
import { deskData } from '@/ui/plan/deskData';
import type { PlanPage } from './planPage';

/** The courses in which one may hold hours: those that one plans, and those in which one assists. */
function coursesForHours({ plan, viewer, data, today }: PlanPage, term: Term) {
  if (viewer.kind !== 'person') return [];
  const assisted = [...viewer.helps].filter(([, { role }]) => role === 'assistant').map(([course]) => course);
  if (assisted.length === 0) return data?.courses ?? [];
  const holder = { ...viewer, staffOf: new Set([...viewer.staffOf, ...assisted]) };
  const nothing = { rosters: new Map(), shown: new Set<string>() };
  return deskData(holder, plan, { term, today: today.toString(), ...nothing }).courses;
}

/** What the form of a sheet works with in the browser; undefined for whoever teaches nothing in the present term. */
export function sheetPage(page: PlanPage, otherThan?: string): SheetPage | undefined {
  const { plan, term, occurrences, viewer } = page;
  const courses = term ? coursesForHours(page, term) : [];
  if (!term || courses.length === 0) return undefined;
  const now = sharedPembit().now();
  const staffOf = new Map<string, readonly Readonly<{ id: string; name: string }>[]>(
    plan.courses.map((course) => [course.id, course.staff.map(({ id, name }) => ({ id, name }))]),
  );
  const weeks = teachingWeeks(term);
  const concern = (course: string | undefined) =>
    course === undefined || plan.courses.some((own) => own.id === course && readsAsStaff(viewer, own.id));
  return {
    courses: courses.map((course) => ({ ...course, staff: staffOf.get(course.id) ?? [] })),
    today: lookingFrom({ today: page.today, term, locale: plan.locale }).toString(),
    own: page.actor.person.id,
    nowMs: now.epochMilliseconds,
    term: {
      // Two years on either side: more than any stretch that is offered today.
      zone: zoneBetween(
        requireZone(term.tzid),
        now.subtract({ hours: 24 * 730 }),
        now.add({ hours: 24 * 730 }),
      ),
      firstWeek: weeks[0]!.first.toString(),
      weeks: weeks.length,
      endsOn: term.endsOn.toString(),
      closures: plan.closures
        .filter(
          (closure) =>
            closure.term === term.id && !closure.online && !closure.sections && concern(closure.course),
        )
        .map(({ name, start, end, closesAt, opensAt, course }) => ({
          name,
          start: momentText(start),
          end: momentText(end),
          ...(closesAt ? { closesAt: closesAt.toString() } : {}),
          ...(opensAt ? { opensAt: opensAt.toString() } : {}),
          ...(course ? { course } : {}),
        })),
      busy: busyTimes(occurrences, requireZone, { otherThan }).map(({ title, start, end }) => ({
        title,
        startMs: start.epochMilliseconds,
        endMs: end.epochMilliseconds,
      })),
    },
  };
}
