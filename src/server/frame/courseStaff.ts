import type { StaffInput } from '@/core/frame/staffInput';
import type { CourseId, PersonId } from '@/core/ids';
import { may } from '@/core/may/may';
import type { StaffRole } from '@/core/may/role';
import type { Outcome, Refused } from '@/core/refusals';
import { done, refused, refusedBecause } from '@/core/refusals';
import { staffTexts } from '@/core/texts/staff';
import type { Reader } from '@/data/reader';
import type { Change } from '@/data/history/change';
import { refTo } from '@/data/history/personRefs';
import { placeOnRoster } from '@/data/people/enrolment';
import { courseRowOf } from '@/data/plan/frameStore';
import { noteInOffice } from '@/data/people/officeLog';
import { staffRow } from '@/data/people/memberRows';
import type { Person } from '@/data/people/people';
import { personByEmail, personById } from '@/data/people/people';
import type { StaffRow } from '@/data/people/staff';
import { endJoining, passOn, staffRowsOf } from '@/data/people/staff';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';

/** Whether somebody may change who teaches a course: its instructors and the administrator, not its other staff. */
export const mayChangeStaff = (actor: SignedIn, course: CourseId): boolean =>
  may(actor, 'changeStaff', { parts: [{ course }] }).ok;

const exists = async (reader: Reader, course: CourseId): Promise<boolean> =>
  (await courseRowOf(reader, course)) !== undefined;

const isFor = (row: StaffRow, person: PersonId) => row.person_id === person;
const instructors = (rows: readonly StaffRow[]) => rows.filter((row) => row.role === 'instructor');
const bad = (field: string, message: string): Refused => refused('badRequest', [{ field, message }]);

/** Why somebody cannot be on a course's staff. */
async function notForStaff(change: Reader, course: CourseId, person: Person): Promise<Refused | undefined> {
  if (person.deactivated) return bad('email', staffTexts.deactivated({ name: person.name }));
  const place = await placeOnRoster(change, { course, person: person.id });
  return place ? bad('email', staffTexts.takesCourse({ name: person.name })) : undefined;
}

/** Puts somebody with an account on a course's staff, or gives them another role there. */
export function writeStaff(
  pembit: Pembit,
  actor: SignedIn,
  course: CourseId,
  input: StaffInput,
): Promise<Outcome<{ name: string }>> {
  return perform(pembit, actor, 'changeStaff', async (change) => {
    if (!mayChangeStaff(actor, course) || !(await exists(change, course))) return refused('notFound');
    const person = input.person
      ? await personById(change, input.person)
      : await personByEmail(change, input.email!);
    if (!person) return bad('email', staffTexts.noSuchPerson);
    const rows = await staffRowsOf(change, course);
    const wrong = await notInRole(change, { course, person, role: input.role, rows });
    if (wrong) return wrong;
    const helps = input.role === 'assistant' || input.role === 'substitute';
    const days = input.role === 'substitute' ? { from: input.from!.toString(), until: input.until!.toString() } : {}; // prettier-ignore
    const row = staffRow({ course, person: person.id, role: input.role, sections: helps ? input.sections : [], ...days }); // prettier-ignore
    await putOnStaff(change, actor, row, rows);
    change.summarise(staffTexts.made({ name: refTo(person.id), role: input.role }));
    return done({ name: person.name });
  });
}

type InRole = Readonly<{ course: CourseId; person: Person; role: StaffRole; rows: readonly StaffRow[] }>;

/** Why somebody cannot have a role in a course whose staff is `rows`. */
export async function notInRole(
  reader: Reader,
  { course, person, role, rows }: InRole,
): Promise<Refused | undefined> {
  const wrong = await notForStaff(reader, course, person);
  if (wrong) return wrong;
  const known = rows.find((row) => isFor(row, person.id));
  const left = instructors(rows).filter((row) => !isFor(row, person.id));
  return known?.role === 'instructor' && role !== 'instructor' && left.length === 0
    ? refused('needsSuccessor')
    : undefined;
}

/** Writes somebody's place on a course's staff, over the one that they have there. */
export async function putOnStaff(
  change: Change,
  actor: SignedIn,
  row: ReturnType<typeof staffRow>,
  rows: readonly StaffRow[],
): Promise<void> {
  const [course, person] = [row.course_id as CourseId, row.person_id as PersonId];
  const known = rows.find((one) => isFor(one, person));
  if (known) await change.update('staff', known.id, { ...row, id: known.id });
  else await change.insert('staff', [row]);
  await noteInOffice(change, { act: 'staff', actor: actor.person.id, person, course, detail: row.role }); // prettier-ignore
  change.concerns(`course:${course}`, `person:${person}`);
}

/** Who takes over what somebody holds: the colleague who was named, or else the first instructor who stays. */
function heirOf(
  rows: readonly StaffRow[],
  from: PersonId,
  named: PersonId | undefined,
): StaffRow | undefined {
  const planning = rows.filter(
    (row) => !isFor(row, from) && (row.role === 'instructor' || row.role === 'co'),
  );
  return named ? planning.find((row) => isFor(row, named)) : instructors(planning)[0];
}

/**
 * Takes somebody off a course's staff: what they hold for it goes to a colleague, and its joining address closes. Whoever is its
 * only instructor names a successor, who becomes one.
 */
export async function leaveStaff(
  change: Change,
  actor: SignedIn,
  { course, person, successor }: Readonly<{ course: CourseId; person: PersonId; successor?: PersonId }>,
): Promise<Outcome<{ name: string }>> {
  const rows = await staffRowsOf(change, course);
  const own = rows.find((row) => isFor(row, person));
  if (!own) return refused('notFound');
  let heir = heirOf(rows, person, successor);
  if (successor && !heir) {
    const colleague = await personById(change, successor);
    const wrong = colleague ? await notForStaff(change, course, colleague) : bad('successor', staffTexts.chooseSuccessor); // prettier-ignore
    if (wrong) return wrong;
    await change.insert('staff', [staffRow({ course, person: successor, role: 'instructor' })]);
    heir = (await staffRowsOf(change, course)).find((row) => isFor(row, successor));
  }
  const sole = own.role === 'instructor' && instructors(rows).every((row) => isFor(row, person));
  if (sole && !successor)
    return refusedBecause('needsSuccessor', heirOf(rows, person, undefined) ? '' : staffTexts.nobodyElse);
  if (sole && heir!.role !== 'instructor') await change.update('staff', heir!.id, { role: 'instructor' });
  if (heir) await passOn(change, { course, from: person, to: heir.person_id as PersonId });
  await endJoining(change, course);
  await change.remove('staff', own.id);
  await noteInOffice(change, { act: 'staff', actor: actor.person.id, person, course, detail: 'left' });
  change.concerns(`course:${course}`, `person:${person}`);
  return done({ name: own.name });
}

/** Takes somebody off the staff of a course. */
export function removeStaff(
  pembit: Pembit,
  actor: SignedIn,
  asked: Readonly<{ course: CourseId; person: PersonId; successor?: PersonId }>,
): Promise<Outcome<{ name: string }>> {
  return perform(pembit, actor, 'changeStaff', async (change) => {
    if (!mayChangeStaff(actor, asked.course)) return refused('notFound');
    const left = await leaveStaff(change, actor, asked);
    if (left.ok) change.summarise(staffTexts.removed({ name: refTo(asked.person) }));
    return left;
  });
}

/** What somebody holds for a course goes to a colleague, in one act; both stay on the staff. */
export function handOver(
  pembit: Pembit,
  actor: SignedIn,
  { course, from, to }: Readonly<{ course: CourseId; from: PersonId; to: PersonId }>,
): Promise<Outcome<{ name: string }>> {
  return perform(pembit, actor, 'handOver', async (change) => {
    const own = from === actor.person.id && may(actor, 'planEntry', { parts: [{ course }] }).ok;
    if (!own && !mayChangeStaff(actor, course)) return refused('notFound');
    const rows = await staffRowsOf(change, course);
    const heir = rows.find((row) => isFor(row, to) && (row.role === 'instructor' || row.role === 'co'));
    if (!rows.some((row) => isFor(row, from))) return refused('notFound');
    if (!heir || from === to) return bad('to', staffTexts.chooseSuccessor);
    await passOn(change, { course, from, to });
    change.summarise(staffTexts.handedOver({ from: refTo(from), to: refTo(to) }));
    return done({ name: heir.name });
  });
}
