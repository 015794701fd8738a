import { readSchoolTable } from '@/core/frame/schoolTable';
import type { TableFault, TableKind } from '@/core/frame/schoolTable';
import type { CourseId, FileId } from '@/core/ids';
import { mayOffice } from '@/core/may/may';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { schoolTableTexts as say } from '@/core/texts/schoolTables';
import { staffRow } from '@/data/people/memberRows';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import { makePeople } from '../people/people';
import { textOfFile } from '../schedule/readScheduleFile';
import type { SignedIn } from '../session/session';
import { putOnStaff } from './courseStaff';
import { makeCourse } from './courses';
import { refitMeetings } from './refitMeetings';
import type { TableCourse } from './schoolTableSteps';
import { tableSteps } from './schoolTableSteps';
import { makeSection } from './sections';

export type TablePreview = Readonly<{
  kind?: TableKind;
  /** Lines that would add something, in words. */
  fresh: readonly Readonly<{ line: number; words: string }>[];
  /** How many lines are here already. */
  same: number;
  faults: readonly TableFault[];
}>;

/** What a table of people, courses, sections or staff would add, line by line; nothing is saved. */
export async function previewTable(
  pembit: Pembit,
  actor: SignedIn,
  text: string,
): Promise<Outcome<TablePreview>> {
  if (!mayOffice(actor, 'bringTable')) return refused('notYours');
  const reading = readSchoolTable(text);
  const { steps, faults } = await tableSteps(pembit, reading);
  const fresh = steps.filter((step) => step.do !== 'same').map(({ line, words }) => ({ line, words }));
  return done({ kind: reading.kind, fresh, same: steps.length - fresh.length, faults });
}

/** The text of a table that the administrator uploaded as a file. */
export async function tableFileText(
  pembit: Pembit,
  actor: SignedIn,
  file: FileId,
): Promise<Outcome<{ text: string }>> {
  return mayOffice(actor, 'bringTable') ? textOfFile(pembit, actor, file) : refused('notYours');
}

/** Adds what a table holds, in one act. Lines at fault refuse it, unless they are to be left out. */
export function takeTable(
  pembit: Pembit,
  actor: SignedIn,
  text: string,
  { leaveOut = false }: Readonly<{ leaveOut?: boolean }> = {},
): Promise<Outcome<{ added: number; same: number }>> {
  return perform(pembit, actor, 'bringTable', async (change) => {
    if (!mayOffice(actor, 'bringTable')) return refused('notYours');
    const { steps, faults } = await tableSteps(change, readSchoolTable(text));
    const fresh = steps.filter((step) => step.do !== 'same');
    if (faults.length > 0 && !(leaveOut && fresh.length > 0))
      return refused('badRequest', faults.map(({ line, message }) => ({ field: `line ${line}`, message }))); // prettier-ignore
    await makePeople(pembit, change, actor, fresh.flatMap((step) => (step.do === 'person' ? [step.person] : []))); // prettier-ignore
    const made = new Map<TableCourse, CourseId>();
    for (const step of fresh) {
      if (step.do === 'section') {
        const { course, section } = step;
        const id = made.get(course) ?? course.id ?? (await makeCourse(change, course.fresh!, course.term));
        made.set(course, id);
        await makeSection(change, id, section, course.term);
      } else if (step.do === 'staff')
        await putOnStaff(change, actor, staffRow({ course: step.course, person: step.person.id, role: step.role }), step.rows); // prettier-ignore
    }
    await refitMeetings(change, [...made.values()]);
    change.summarise(say.taken({ fresh: fresh.length }));
    return done({ added: fresh.length, same: steps.length - fresh.length });
  });
}
