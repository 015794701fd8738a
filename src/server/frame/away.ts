import type { AwayHits } from '@/core/frame/awayHits';
import { awayHits } from '@/core/frame/awayHits';
import type { AwayInput } from '@/core/frame/awayInput';
import type { CourseId } from '@/core/ids';
import { may } from '@/core/may/may';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { awayTexts } from '@/core/texts/away';
import { entryTexts } from '@/core/texts/entries';
import { dateLabel, momentLabel, timeLabel } from '@/core/time/dateLabels';
import { zonedWallAt } from '@/core/time/zone';
import { requireZone } from '@/core/time/zoneData';
import type { Reader } from '@/data/reader';
import { followClasses } from '@/data/entries/writeEntries';
import { loadPlan } from '@/data/plan/loadPlan';
import { changeMeetingRow } from '@/data/plan/writeMeetings';
import { sheetById } from '@/data/signup/sheets';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { runs } from '../signup/bookedSlot';
import { takeOff } from '../signup/cancelTimes';
import { settingsOf, wantedLocale } from '../students/settings';

/** What being away calls off in words, one line each, with how many hold one of the times. */
export type AwayLines = Readonly<{
  classes: readonly string[];
  times: readonly string[];
  holding: number;
}>;

/** The courses of whoever teaches or holds hours there. */
const ownCourses = ({ viewer }: SignedIn): CourseId[] => [...viewer.staffOf, ...viewer.helps.keys()];

async function hitsOf(
  pembit: Pembit,
  reader: Reader,
  actor: SignedIn,
  input: AwayInput,
): Promise<AwayHits & { locale: string }> {
  const plan = await loadPlan(reader, ownCourses(actor));
  // A colleague may hold the classes; the times that one holds oneself are nobody else's.
  const chosen = (course: CourseId) => !input.courses || input.courses.includes(course);
  const hits = awayHits(
    {
      person: actor.person.id,
      from: input.from,
      to: input.to,
      now: pembit.now(),
      teaches: (course, section) =>
        chosen(course) && may(actor, 'callOffClass', { parts: [{ course, sections: [section] }] }).ok,
    },
    plan,
    requireZone,
  );
  return {
    ...hits,
    locale: plan.locale,
    times: hits.times.filter(({ sheet }) => runs(actor, sheet, 'cancelDays')),
  };
}

/** What being away would call off; nothing is saved. */
export async function previewAway(
  pembit: Pembit,
  actor: SignedIn,
  input: AwayInput,
): Promise<Outcome<AwayLines>> {
  if (ownCourses(actor).length === 0) return refused('notYours');
  const { classes, times, ...own } = await hitsOf(pembit, pembit, actor, input);
  const locale = wantedLocale(await settingsOf(pembit, actor.person.id), own.locale);
  return done({
    classes: classes.map(({ course, section, meeting, plan }) =>
      [
        `${course.tag} ${entryTexts.classTitle(meeting, course.sections.length > 1 ? section.name : undefined)}`,
        `${dateLabel(meeting.date, 'short', locale)}, ${timeLabel(meeting.start, locale)}`,
        ...(plan ? [plan.title] : []),
      ].join(' · '),
    ),
    times: times.map(({ sheet, slot }) =>
      [
        sheet.title,
        momentLabel(zonedWallAt(requireZone(sheet.tzid), slot.interval.start), locale),
        ...slot.bookings.map(({ personName }) => personName),
      ].join(' · '),
    ),
    holding: times.reduce((sum, { slot }) => sum + slot.bookings.length, 0),
  });
}

/**
 * Calls off at once the classes that somebody teaches and the times that they hold while they are away, over all courses.
 * Whoever holds one of the times is written to; the plans of the classes stay on them.
 */
export function beAway(
  pembit: Pembit,
  actor: SignedIn,
  input: AwayInput,
): Promise<Outcome<{ classes: number; times: number; told: number }>> {
  return perform(pembit, actor, 'beAway', async (change) => {
    if (ownCourses(actor).length === 0) return refused('notYours');
    const { classes, times } = await hitsOf(pembit, change, actor, input);
    if (classes.length + times.length === 0) return refused('nothingCalledOff');
    const reason = input.reason || awayTexts.away({ name: actor.person.name });
    for (const { course, section, meeting } of classes) {
      await changeMeetingRow(
        change,
        { course: course.id, section: section.id },
        { before: meeting, after: { ...meeting, cancelled: reason } },
      );
      change.concerns(`course:${course.id}`);
    }
    const courses = [...new Set(classes.map(({ course }) => course.id))];
    if (courses.length > 0) await followClasses(change, courses);
    for (const { sheet, slot } of times)
      await takeOff(pembit, change, actor, {
        // As it stands now: another of its times may just have gone.
        sheet: (await sheetById(change, sheet.id)) ?? sheet,
        slot,
        message: reason,
      });
    change.summarise(awayTexts.done(classes.length, times.length));
    const told = times.reduce((sum, { slot }) => sum + slot.bookings.length, 0);
    return done({ classes: classes.length, times: times.length, told });
  });
}
