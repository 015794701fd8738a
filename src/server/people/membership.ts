import type { CourseId, PersonId, SectionId } from '@/core/ids';
import { indexMs } from '@/core/entries/factsFromInput';
import { mayIn } from '@/core/may/may';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import type { Sheet, Slot } from '@/core/signup/sheet';
import { frameHistoryTexts } from '@/core/texts/frameHistory';
import { momentLabel } from '@/core/time/dateLabels';
import { zonedWallAt } from '@/core/time/zone';
import { requireZone } from '@/core/time/zoneData';
import { entriesOf } from '@/data/entries/entries';
import { removeReply } from '@/data/entries/replies';
import type { Reader } from '@/data/reader';
import type { Change } from '@/data/history/change';
import { refTo } from '@/data/history/personRefs';
import type { Member, Place } from '@/data/people/enrolment';
import { groupPlacesOf, placeOnRoster, sectionsOfCourses } from '@/data/people/enrolment';
import { noteDeparture } from '@/data/people/departures';
import { schoolSettings } from '@/data/plan/schoolSettings';
import { removeBooking } from '@/data/signup/bookings';
import { sheetsOf } from '@/data/signup/sheets';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';

type Held = Readonly<{ sheet: Sheet; slot: Slot }>;

/** Times still to come that a person holds on sheets which another place would not let them see. */
const heldTimes = (sheets: readonly Sheet[], person: PersonId, nowMs: number): Held[] =>
  sheets.flatMap((sheet) =>
    sheet.slots
      .filter(
        (slot) =>
          slot.interval.start.epochMilliseconds > nowMs &&
          slot.bookings.some((booking) => booking.person === person),
      )
      .map((slot) => ({ sheet, slot })),
  );

/** Where the person goes: out of the course, or into another of its sections. */
export type Move = Readonly<{ kind: 'leave' }> | Readonly<{ kind: 'section'; section: SectionId }>;

/** Whether a sheet or an event is out of sight after the move. One that reaches the person through another course is not. */
const lostBy = (move: Move, course: CourseId) => (thing: Pick<Sheet, 'audience'>) => {
  const part = thing.audience.find((p) => p.course === course);
  if (!part) return false;
  if (move.kind === 'leave') return thing.audience.length === 1;
  return part.sections !== undefined && !part.sections.includes(move.section);
};

/** The people of a move with their places; undefined where one of them is not on the roster. */
async function placesOf(reader: Reader, course: CourseId, people: readonly PersonId[]): Promise<(Place & Member)[] | undefined> {
  const places: (Place & Member)[] = [];
  for (const person of people) {
    const place = await placeOnRoster(reader, { course, person });
    if (!place) return undefined;
    places.push({ ...place, course, person });
  }
  return places;
} // prettier-ignore

export type Moving = Readonly<{ person: PersonId; name: string; givesBack: readonly string[] }>;

/** What each of some students holds that the move would take from them, in words. Nothing is changed. */
export async function previewMove(
  pembit: Pembit,
  actor: SignedIn,
  course: CourseId,
  people: readonly PersonId[],
  move: Move,
): Promise<Outcome<{ students: readonly Moving[] }>> {
  if (!mayIn(actor, 'moveStudent', course)) return refused('notFound');
  const places = await placesOf(pembit, course, people);
  if (!places) return refused('notFound');
  const [sheets, { locale }] = await Promise.all([sheetsOf(pembit, [course]), schoolSettings(pembit)]);
  const lost = sheets.filter(lostBy(move, course));
  const nowMs = pembit.now().epochMilliseconds;
  const said = ({ sheet, slot }: Held) =>
    `${sheet.title}, ${momentLabel(zonedWallAt(requireZone(sheet.tzid), slot.interval.start), locale)}`;
  return done({
    students: places.map(({ person, name }) => ({
      person,
      name,
      givesBack: heldTimes(lost, person, nowMs).map(said),
    })),
  });
}

/** Takes students off the roster, or into another section, in one act; times that go out of their sight are given back. */
export function moveStudents(
  pembit: Pembit,
  actor: SignedIn,
  course: CourseId,
  people: readonly PersonId[],
  move: Move,
): Promise<Outcome<{ moved: number }>> {
  return perform(pembit, actor, 'moveStudent', async (change) => {
    if (!mayIn(actor, 'moveStudent', course)) return refused('notFound');
    const places = await placesOf(change, course, people);
    if (!places) return refused('notFound');
    const section = move.kind === 'leave' ? undefined : (await sectionsOfCourses(change, { courses: [course] })).find(({ id }) => id === move.section); // prettier-ignore
    if (move.kind === 'section' && !section)
      return refused('badRequest', [{ field: 'section', message: 'This section is not in the course.' }]);
    await moveWithin(change, course, places, move);
    change.summarise(summaryOf(places, section?.name));
    return done({ moved: places.length });
  });
}

async function moveWithin(change: Change, course: CourseId, places: readonly (Place & Member)[], move: Move): Promise<void> {
  const lost = (await sheetsOf(change, [course])).filter(lostBy(move, course));
  const unseen = await eventsToCome(change, course, lostBy(move, course));
  for (const place of places) {
    for (const { id } of unseen) await removeReply(change, id, place.person);
    for (const { sheet, slot } of heldTimes(lost, place.person, change.nowMs))
      for (const booking of slot.bookings.filter((b) => b.person === place.person))
        await removeBooking(change, sheet, booking);
    if (move.kind === 'leave') await leave(change, place);
    else await change.update('roster', place.id, { section_id: move.section });
  }
  change.concerns(`course:${course}`, ...places.map(({ person }) => `person:${person}` as const));
} // prettier-ignore

/** Takes students off a roster as part of an act; their times are given back. */
export async function takeOffRoster(
  change: Change,
  course: CourseId,
  people: readonly PersonId[],
): Promise<void> {
  if (people.length > 0)
    await moveWithin(change, course, (await placesOf(change, course, people)) ?? [], { kind: 'leave' });
}

/** Puts some of a roster into another section, as part of an act: what they hold that is not for it goes back. */
export async function moveToSection(
  change: Change,
  course: CourseId,
  { people, section }: Readonly<{ people: readonly PersonId[]; section: SectionId }>,
): Promise<void> {
  if (people.length > 0)
    await moveWithin(change, course, (await placesOf(change, course, people)) ?? [], { kind: 'section', section }); // prettier-ignore
}

/** Events still to come which a move puts out of sight: whoever said that they come leaves their seat to others. */
const eventsToCome = async (change: Change, course: CourseId, isLost: ReturnType<typeof lostBy>) =>
  (await entriesOf(change, [course])).filter(
    (entry) =>
      entry.kind === 'event' &&
      entry.coming !== undefined &&
      isLost(entry) &&
      (entry.recurrence !== undefined || indexMs(entry.when.start, requireZone(entry.tzid)) > change.nowMs),
  );

async function leave(change: Change, { id, section, ...member }: Place & Member): Promise<void> {
  const groups = await groupPlacesOf(change, member);
  for (const row of groups) await change.remove('group_members', row.id);
  await change.remove('roster', id);
  await noteDeparture(change, { course: member.course, person: member.person, section });
}

/** What the history says; `section`: where they went, unless they left. */
function summaryOf(places: readonly Member[], section: string | undefined): string {
  const [only] = places;
  if (places.length !== 1)
    return section === undefined
      ? frameHistoryTexts.leftCourseSeveral({ n: places.length })
      : frameHistoryTexts.movedSectionSeveral({ n: places.length, section });
  return section === undefined
    ? frameHistoryTexts.leftCourse({ name: refTo(only!.person) })
    : frameHistoryTexts.movedSection({ name: refTo(only!.person), section });
}
