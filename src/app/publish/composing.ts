import { ACCESS_CHECKS } from '@/core/checks/allChecks';
import { coursesOfFinding } from '@/core/checks/check';
import type { SeenPlan } from '@/core/plan/seenPlan';
import { courseNames } from '@/core/plan/courseNames';
import { isStaffOf } from '@/core/entries/viewer';
import { mainMoment } from '@/core/entries/entry';
import { momentLabel } from '@/core/time/dateLabels';
import { findingsOf } from '@/server/checks/findings';
import { filesByCourse } from '@/server/outlets/openFiles';
import { placesArePublic } from '@/server/outlets/publish';
import { sharedPembit } from '@/server/pembit';
import type { SignedIn } from '@/server/session/session';

/** What an outlet can be composed of by whoever is signed in, as plain values. */
export async function composing(plan: SeenPlan, actor: SignedIn) {
  const { viewer } = actor;
  const [files, placesInPublic, { open }] = await Promise.all([
    filesByCourse(sharedPembit(), plan),
    placesArePublic(sharedPembit()),
    findingsOf(sharedPembit(), actor),
  ]);
  const unclear = open.filter(({ check }) => ACCESS_CHECKS.has(check));
  const names = courseNames(plan.courses, plan.terms);
  const taught = plan.courses.filter((course) => isStaffOf(viewer, course.id) && !course.archived);
  const own = new Set<string>(taught.map((course) => course.id));
  return {
    placesInPublic,
    courses: taught.map(({ id, tag, sections }) => ({
      id,
      tag,
      title: names.get(id)!.title,
      ...(files.get(id) ?? { files: 0, recordings: [], pages: 0 }),
      unclear: unclear.filter((finding) => coursesOfFinding(finding).includes(id)).length,
      sections: sections.map(({ id: section, name }) => ({ id: section, name })),
    })),
    calendars: plan.calendars
      .filter((calendar) => calendar.seenBy === 'everyone')
      .map(({ id, name, beside }) => ({ id, name, courses: beside })),
    entries: plan.entries.flatMap((entry) =>
      entry.kind === 'note' || !entry.audience.some((part) => own.has(part.course))
        ? []
        : [
            {
              id: entry.id,
              label: `${entry.title}, ${momentLabel(mainMoment(entry), plan.locale)}`,
              courses: entry.audience.map((part) => part.course),
            },
          ],
    ),
  };
}
