import { randomUUID } from 'node:crypto';
import { Temporal } from 'temporal-polyfill';
import type { ClosureHits } from '@/core/frame/closureHits';
import { closureHits } from '@/core/frame/closureHits';
import { slideInput } from '@/core/plan/slideInput';
import type { ClosureInput } from '@/core/frame/frameInput';
import type { ClosureId, CourseId, SectionId } from '@/core/ids';
import { isStaffOf } from '@/core/entries/viewer';
import { mayIn, mayOffice } from '@/core/may/may';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { frameHistoryTexts } from '@/core/texts/frameHistory';
import { mainMoment } from '@/core/entries/entry';
import { closureTexts } from '@/core/texts/closures';
import { entryTexts } from '@/core/texts/entries';
import { closes, concernsSection, putsOnline } from '@/core/time/closure';
import type { Plan } from '@/core/plan/plan';
import { changeMeetingRow } from '@/data/plan/writeMeetings';
import type { Meeting } from '@/core/time/meetings';
import type { Closure } from '@/core/time/closure';
import { dateLabel, momentLabel } from '@/core/time/dateLabels';
import { zonedWallAt } from '@/core/time/zone';
import { requireZone } from '@/core/time/zoneData';
import type { Reader } from '@/data/reader';
import { closureById, courseIdsOf } from '@/data/plan/frameStore';
import { fromClosure } from '@/data/plan/frameRows';
import { allTerms, loadFrame, loadPlan } from '@/data/plan/loadPlan';
import { sheetById } from '@/data/signup/sheets';
import type { Change } from '@/data/history/change';
import { slideWithin } from '../plan/slidePlans';
import { dueMoves, moveDueOff } from './moveDueOff';
import { runs } from '../signup/bookedSlot';
import { takeOff } from '../signup/cancelTimes';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { settingsOf, wantedLocale } from '../students/settings';
import { refitMeetings } from './refitMeetings';

/** What a closure hits in one course, counted for the administrator, named for the course's staff. */
export type HitLine = Readonly<{
  tag: string;
  title: string;
  meetings: number;
  /** Classes of rotating days that move to another date. */
  moving: number;
  due: number;
  taken: number;
  free: number;
  /** Work due then that can move to the next open day, each with that day. */
  movable: readonly string[];
  /** Times still to come that whoever asks may take off, and how many hold one of them. */
  closable: number;
  holding: number;
  plans: number;
  events: number;
  details: readonly string[];
}>;

async function areSectionsOf(
  reader: Reader,
  course: CourseId,
  sections: readonly SectionId[],
): Promise<boolean> {
  const [found] = (await loadFrame(reader, [course])).courses;
  return sections.every((section) => found?.sections.some(({ id }) => id === section));
}

async function closureFrom(
  reader: Reader,
  { viewer, person }: SignedIn,
  input: ClosureInput,
  pembit: Pembit,
): Promise<Outcome<Closure>> {
  const allowed = input.course
    ? mayIn({ person, viewer }, 'addClosure', input.course)
    : mayOffice({ person, viewer }, 'addClosure');
  if (!allowed) return refused('notYours');
  const term = (await allTerms(reader)).find((t) => t.id === input.term);
  if (!term) return refused('notFound');
  if (input.course && !(await courseIdsOf(reader, term.id)).includes(input.course))
    return refused('notFound');
  if (input.sections && !(await areSectionsOf(reader, input.course!, input.sections)))
    return refused('badRequest', [{ field: 'sections', message: closureTexts.notItsSections }]);
  return done({
    id: randomUUID() as ClosureId,
    term: term.id,
    course: input.course,
    ...(input.sections ? { sections: input.sections } : {}),
    name: input.name,
    start: input.firstDay,
    end: input.lastDay.add({ days: 1 }),
    closesAt: input.closesAt,
    ...(input.opensAt ? { opensAt: input.opensAt } : {}),
    ...(input.online ? { online: true } : {}),
    created: pembit.now(),
  });
}

/** What is planned in a class, after what the class is called. */
const titleIn = (plans: ClosureHits['plans'], { id }: Meeting): string => {
  const found = plans.find(({ meeting }) => meeting.id === id);
  return found ? `: ${found.plan.title}` : '';
};

/** What a closure would hit, before it is saved. */
export async function previewClosure(
  pembit: Pembit,
  actor: SignedIn,
  input: ClosureInput,
): Promise<Outcome<HitLine[]>> {
  const closure = await closureFrom(pembit, actor, input, pembit);
  if (!closure.ok) return closure;
  const plan = await loadPlan(pembit, input.course ? [input.course] : await courseIdsOf(pembit, input.term));
  const locale = wantedLocale(await settingsOf(pembit, actor.person.id), plan.locale);
  return done(
    closureHits(closure.value, plan, requireZone).map((hits) => {
      const { course, meetings, moving, due, taken, free, plans, events } = hits;
      const closable = closableTimes(pembit, actor, { input, hits: [hits] });
      const moves = dueMoves(actor, { closure: closure.value, hits: [hits], plan });
      return {
        tag: course.tag,
        title: course.title,
        meetings: meetings.length,
        moving,
        due: due.length,
        taken: taken.length,
        free: free.length,
        closable: closable.length,
        holding: holdersOf(closable),
        movable: moves.map(({ entry, to }) =>
          closureTexts.dueTo({ title: entry.title, day: dateLabel(to, 'short', locale) }),
        ),
        plans: new Set(plans.map(({ plan: { id } }) => id)).size,
        events: events.length,
        // The administrator does not read plans or bookings.
        details: !isStaffOf(actor.viewer, course.id)
          ? []
          : [
              ...meetings.map(
                ({ section, meeting }) =>
                  `${entryTexts.classTitle(meeting, section.name)}, ${dateLabel(meeting.date, 'short', locale)}${titleIn(plans, meeting)}`,
              ),
              ...events.map((entry) => `${entry.title}, ${momentLabel(mainMoment(entry), locale)}`),
              ...due.map(
                (entry) => `${entry.title}, ${entryTexts.due({ when: momentLabel(entry.due, locale) })}`,
              ),
              ...taken.map(
                ({ sheet, slot }) =>
                  `${sheet.title}, ${momentLabel(zonedWallAt(requireZone(sheet.tzid), slot.interval.start), locale)}: ${slot.bookings.map((b) => b.personName).join(', ')}`,
              ),
            ],
      };
    }),
  );
}

/**
 * Puts the plans that lost their class into the next ones, where the actor plans the course; those of others wait for their
 * instructors. The last lost comes first: each slides in before what is planned from there on, and so they keep their order.
 */
async function slideLost(change: Change, actor: SignedIn, hits: readonly ClosureHits[]): Promise<void> {
  for (const { course, plans } of hits) {
    if (course.archived || !mayIn(actor, 'slidePlans', course.id)) continue;
    for (const { plan, section } of [...plans].reverse())
      await slideWithin(
        change,
        actor,
        course.id,
        slideInput.parse({ act: 'later', plan: plan.id, sections: [section.id], overPins: true }),
      );
  }
}

type Time = ClosureHits['taken'][number];

/** The times still to come that may go: those of sheets that the actor runs; when the whole school closes, all. */
function closableTimes(
  pembit: Pembit,
  actor: SignedIn,
  { input, hits }: Readonly<{ input: ClosureInput; hits: readonly ClosureHits[] }>,
): Time[] {
  const now = pembit.now();
  // A sheet of several courses is hit in each of them.
  const times = new Map(hits.flatMap(({ taken, free }) => [...taken, ...free]).map((time) => [time.slot.id, time])); // prettier-ignore
  return [...times.values()].filter(
    ({ sheet, slot }) =>
      Temporal.Instant.compare(slot.interval.start, now) > 0 &&
      (!input.course || runs(actor, sheet, 'cancelDays')),
  );
}

/** How many hold one of them. */
const holdersOf = (times: readonly Time[]): number =>
  times.reduce((sum, { slot }) => sum + slot.bookings.length, 0);

/** Marks the classes that are online because of a closure as changed, so that calendars read their place anew. */
async function touchOnline(
  change: Change,
  closure: Closure,
  { courses }: Pick<Plan, 'courses'>,
): Promise<void> {
  for (const course of courses.filter(({ term }) => term === closure.term))
    for (const section of course.sections.filter(({ id }) => concernsSection(closure, course.id, id)))
      for (const meeting of section.meetings.filter(({ date }) => putsOnline(closure, date)))
        await changeMeetingRow(
          change,
          { course: course.id, section: section.id },
          { before: meeting, after: meeting },
        );
}

/** Closes days, of the whole site (administrator) or of a course (its staff). Meetings on them go, and what was chosen follows. */
export function addClosure(
  pembit: Pembit,
  actor: SignedIn,
  input: ClosureInput,
): Promise<Outcome<Closure & { told: number }>> {
  return perform(pembit, actor, 'addClosure', async (change) => {
    const closure = await closureFrom(change, actor, input, pembit);
    if (!closure.ok) return closure;
    const courses = input.course ? [input.course] : await courseIdsOf(change, input.term);
    // A class that was moved by hand onto one of these days is not the pattern's to take away.
    const plan = await loadPlan(change, courses);
    const stranded = plan.courses
      .flatMap((course) =>
        course.sections
          .filter((section) => concernsSection(closure.value, course.id, section.id))
          .flatMap((section) => section.meetings),
      )
      .find((m) => m.moved && closes(closure.value, m));
    if (stranded)
      return refused('movedOntoClosure', [
        { field: 'firstDay', message: frameHistoryTexts.movedThere({ day: dateLabel(stranded.date) }) },
      ]);
    await change.insert('closures', [fromClosure(closure.value)]);
    await refitMeetings(change, courses);
    await touchOnline(change, closure.value, plan);
    const hits = closureHits(closure.value, plan, requireZone);
    if (input.plans === 'slide') await slideLost(change, actor, hits);
    if (input.due === 'move') {
      const moved = await moveDueOff(change, actor, dueMoves(actor, { closure: closure.value, hits, plan }));
      if (!moved.ok) return moved;
    }
    const times = input.times === 'close' ? closableTimes(pembit, actor, { input, hits }) : [];
    for (const { sheet, slot } of times)
      await takeOff(pembit, change, actor, {
        // As it stands now: another of its times may just have gone.
        sheet: (await sheetById(change, sheet.id)) ?? sheet,
        slot,
        message: input.name,
      });
    change.summarise(frameHistoryTexts.closed({ name: closure.value.name }));
    return done({ ...closure.value, told: holdersOf(times) });
  });
}

/** Opens the days again; the classes on them come back as they were. */
export function removeClosure(pembit: Pembit, actor: SignedIn, id: ClosureId): Promise<Outcome<Closure>> {
  return perform(pembit, actor, 'removeClosure', async (change) => {
    const closure = await closureById(change, id);
    const allowed =
      closure &&
      (closure.course ? mayIn(actor, 'removeClosure', closure.course) : mayOffice(actor, 'removeClosure'));
    if (!allowed) return refused('notFound');
    await change.remove('closures', id);
    const courses = closure.course ? [closure.course] : await courseIdsOf(change, closure.term);
    await refitMeetings(change, courses);
    await touchOnline(change, closure, await loadFrame(change, courses));
    change.summarise(frameHistoryTexts.opened({ name: closure.name }));
    return done(closure);
  });
}
