import { randomUUID } from 'node:crypto';
import { closureHits } from '@/core/frame/closureHits';
import type { ClosureInput } from '@/core/frame/frameInput';
import type { ClosureId } from '@/core/ids';
import { isStaffOf } from '@/core/entries/viewer';
import { mayIn, mayOffice } from '@/core/may/may';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { frameHistoryTexts } from '@/core/texts/frameHistory';
import { entryTexts } from '@/core/texts/entries';
import { closes } from '@/core/time/closure';
import type { Closure } from '@/core/time/closure';
import { dateLabel, momentLabel } from '@/core/time/dateLabels';
import { zonedWallAt } from '@/core/time/zone';
import { requireZone } from '@/core/time/zoneData';
import type { Reader } from '@/data/database';
import { closureById, courseIdsOf } from '@/data/plan/frameStore';
import { fromClosure } from '@/data/plan/frameRows';
import { allTerms, loadPlan } from '@/data/plan/loadPlan';
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
  due: number;
  taken: number;
  details: readonly string[];
}>;

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
  return done({
    id: randomUUID() as ClosureId,
    term: term.id,
    course: input.course,
    name: input.name,
    start: input.firstDay,
    end: input.lastDay.add({ days: 1 }),
    closesAt: input.closesAt,
    created: pembit.now(),
  });
}

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
    closureHits(closure.value, plan, requireZone).map(({ course, meetings, due, taken }) => ({
      tag: course.tag,
      title: course.title,
      meetings: meetings.length,
      due: due.length,
      taken: taken.length,
      // The administrator does not read plans or bookings.
      details: !isStaffOf(actor.viewer, course.id)
        ? []
        : [
            ...meetings.map(
              ({ section, meeting }) =>
                `${entryTexts.classTitle(meeting.ordinal, section.name)}, ${dateLabel(meeting.date, 'short', locale)}`,
            ),
            ...due.map((entry) => `${entry.title}, ${entryTexts.due(momentLabel(entry.due, locale))}`),
            ...taken.map(
              ({ sheet, slot }) =>
                `${sheet.title}, ${momentLabel(zonedWallAt(requireZone(sheet.tzid), slot.interval.start), locale)}: ${slot.bookings.map((b) => b.personName).join(', ')}`,
            ),
          ],
    })),
  );
}

/** Closes days, of the whole site (administrator) or of a course (its staff). Meetings on them go. */
export function addClosure(pembit: Pembit, actor: SignedIn, input: ClosureInput): Promise<Outcome<Closure>> {
  return perform(pembit, actor, 'addClosure', async (change) => {
    const closure = await closureFrom(change, actor, input, pembit);
    if (!closure.ok) return closure;
    const courses = input.course ? [input.course] : await courseIdsOf(change, input.term);
    // A class that was moved by hand onto one of these days is not the pattern's to take away.
    const { courses: loaded } = await loadPlan(change, courses);
    const stranded = loaded
      .flatMap((course) => course.sections.flatMap((section) => section.meetings))
      .find((m) => m.moved && closes(closure.value, m));
    if (stranded)
      return refused('movedOntoClosure', [
        { field: 'firstDay', message: frameHistoryTexts.movedThere(dateLabel(stranded.date)) },
      ]);
    await change.insert('closures', [fromClosure(closure.value)]);
    await refitMeetings(change, courses);
    change.summarise(frameHistoryTexts.closed(closure.value.name));
    return closure;
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
    await refitMeetings(change, closure.course ? [closure.course] : await courseIdsOf(change, closure.term));
    change.summarise(frameHistoryTexts.opened(closure.name));
    return done(closure);
  });
}
