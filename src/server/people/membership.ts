import type { CourseId, PersonId, SectionId } from '@/core/ids';
import { mayIn } from '@/core/may/may';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import type { Sheet, Slot } from '@/core/signup/sheet';
import { frameHistoryTexts } from '@/core/texts/frameHistory';
import { momentLabel } from '@/core/time/dateLabels';
import { zonedWallAt } from '@/core/time/zone';
import { requireZone } from '@/core/time/zoneData';
import type { Reader } from '@/data/database';
import { select } from '@/data/database';
import { refTo } from '@/data/history/personRefs';
import { noteDeparture } from '@/data/people/departures';
import { schoolSettings } from '@/data/plan/schoolSettings';
import { removeBooking } from '@/data/signup/bookings';
import { sheetsOf } from '@/data/signup/sheets';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';

type Member = Readonly<{ course: CourseId; person: PersonId }>;
type Place = Readonly<{ id: string; name: string; section: SectionId | null }>;

async function placeOf(reader: Reader, { course, person }: Member): Promise<Place | undefined> {
  const [row] = await select<{ id: string; name: string; section: SectionId | null }>(
    reader,
    `SELECT roster.id, COALESCE(roster.listed_name, people.name) AS name, roster.section_id AS section FROM roster
     JOIN people ON people.id = roster.person_id WHERE course_id = :course AND person_id = :person`,
    { course, person },
  );
  return row;
}

/** Times still to come that a person holds on sheets of this course which another place would not let them see. */
async function heldTimes(
  reader: Reader,
  { course, person, nowMs }: Member & { nowMs: number },
  lost: (sheet: Sheet) => boolean,
): Promise<{ sheet: Sheet; slot: Slot }[]> {
  const sheets = await sheetsOf(reader, [course]);
  return sheets
    .filter(lost)
    .flatMap((sheet) =>
      sheet.slots
        .filter(
          (slot) =>
            slot.interval.start.epochMilliseconds > nowMs &&
            slot.bookings.some((booking) => booking.person === person),
        )
        .map((slot) => ({ sheet, slot })),
    );
}

/** Where the person goes: out of the course, or into another of its sections. */
export type Move = Readonly<{ kind: 'leave' }> | Readonly<{ kind: 'section'; section: SectionId }>;

/** Whether a sheet is out of sight after the move. One that reaches the person through another course is not. */
const lostBy =
  (move: Move, { course }: Member) =>
  (sheet: Sheet) => {
    const part = sheet.audience.find((p) => p.course === course);
    if (!part) return false;
    if (move.kind === 'leave') return sheet.audience.length === 1;
    return part.sections !== undefined && !part.sections.includes(move.section);
  };

/** What somebody holds that the move would take from them, in words. Nothing is changed. */
export async function previewMove(
  pembit: Pembit,
  actor: SignedIn,
  member: Member,
  move: Move,
): Promise<Outcome<{ name: string; givesBack: readonly string[] }>> {
  if (!mayIn(actor, 'moveStudent', member.course)) return refused('notFound');
  const place = await placeOf(pembit, member);
  if (!place) return refused('notFound');
  const nowMs = pembit.now().epochMilliseconds;
  const [held, { locale }] = await Promise.all([
    heldTimes(pembit, { ...member, nowMs }, lostBy(move, member)),
    schoolSettings(pembit),
  ]);
  return done({
    name: place.name,
    givesBack: held.map(
      ({ sheet, slot }) =>
        `${sheet.title}, ${momentLabel(zonedWallAt(requireZone(sheet.tzid), slot.interval.start), locale)}`,
    ),
  });
}

/** Takes a student off the roster, or into another section; times that go out of their sight are given back. */
export function moveStudent(
  pembit: Pembit,
  actor: SignedIn,
  member: Member,
  move: Move,
): Promise<Outcome<{ name: string }>> {
  return perform(pembit, actor, 'moveStudent', async (change) => {
    if (!mayIn(actor, 'moveStudent', member.course)) return refused('notFound');
    const place = await placeOf(change, member);
    if (!place) return refused('notFound');
    const held = await heldTimes(change, { ...member, nowMs: change.nowMs }, lostBy(move, member));
    for (const { sheet, slot } of held)
      for (const booking of slot.bookings.filter((b) => b.person === member.person))
        await removeBooking(change, sheet, booking);
    if (move.kind === 'leave') {
      const groups = await select<{ id: string }>(
        change,
        `SELECT id FROM group_members WHERE person_id = :person
         AND group_id IN (SELECT id FROM course_groups WHERE course_id = :course)`,
        member,
      );
      for (const row of groups) await change.remove('group_members', row.id);
      await change.remove('roster', place.id);
      await noteDeparture(change, member);
      change.summarise(frameHistoryTexts.leftCourse(refTo(member.person)));
    } else {
      const [section] = await select<{ name: string }>(
        change,
        'SELECT name FROM sections WHERE id = :section AND course_id = :course',
        { section: move.section, course: member.course },
      );
      if (!section)
        return refused('badRequest', [{ field: 'section', message: 'This section is not in the course.' }]);
      await change.update('roster', place.id, { section_id: move.section });
      change.summarise(frameHistoryTexts.movedSection(refTo(member.person), section.name));
    }
    change.concerns(`course:${member.course}`, `person:${member.person}`);
    return done({ name: place.name });
  });
}
