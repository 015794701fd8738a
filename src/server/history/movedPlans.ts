import type { MeetingId, PersonId, SectionId } from '@/core/ids';
import { mailTexts } from '@/core/texts/mail';
import { dateLabel } from '@/core/time/dateLabels';
import type { Reader } from '@/data/database';
import { select } from '@/data/database';
import type { HistoryRecord } from '@/data/history/undo';
import { meetingById } from '@/data/plan/frameStore';
import { schoolSettings } from '@/data/plan/schoolSettings';
import type { Rows } from '@/data/rows';

type Binding = Rows['plan_bindings'];

/** Bindings that an act put on another class. */
const movedBindings = (record: HistoryRecord) =>
  record.changes.flatMap(({ table, before, after }) => {
    if (table !== 'plan_bindings' || !before || !after) return [];
    const [was, is] = [before as unknown as Binding, after as unknown as Binding];
    return was.meeting_id === is.meeting_id ? [] : [{ was, is }];
  });

/** The students of each section: those who see its classes, whoever has no section included. */
async function studentsOf(reader: Reader, sections: readonly SectionId[]) {
  if (sections.length === 0) return [];
  return select<{ section: SectionId; person: PersonId }>(
    reader,
    `SELECT sections.id AS section, roster.person_id AS person FROM sections
     JOIN roster ON roster.section_id = sections.id
       OR (roster.section_id IS NULL AND roster.course_id = sections.course_id)
     WHERE sections.id IN (:sections) ORDER BY roster.person_id`,
    { sections },
  );
}

/** Whom an act concerns that put class plans on other classes: every student of the sections. */
export async function studentsOfMovedPlans(reader: Reader, record: HistoryRecord): Promise<PersonId[]> {
  const sections = movedBindings(record).map(({ is }) => is.section_id as SectionId);
  return (await studentsOf(reader, sections)).map(({ person }) => person);
}

/** What each of them is told: which class plan was planned for when, and is now, one line for each. */
export async function linesOfMovedPlans(
  reader: Reader,
  record: HistoryRecord,
  baseUrl: string,
): Promise<ReadonlyMap<PersonId, readonly string[]>> {
  const { locale } = await schoolSettings(reader);
  const moved = movedBindings(record);
  const students = await studentsOf(
    reader,
    moved.map(({ is }) => is.section_id as SectionId),
  );
  const dayOf = async (meeting: string) => {
    const found = await meetingById(reader, meeting as MeetingId);
    return (
      found && { text: dateLabel(found.meeting.date, 'short', locale), date: found.meeting.date.toString() }
    );
  };
  const lines = new Map<PersonId, string[]>();
  for (const { was, is } of moved) {
    const [plan] = await select<{ title: string; code: string }>(
      reader,
      `SELECT class_plans.title, courses.code FROM class_plans JOIN courses ON courses.id = class_plans.course_id
       WHERE class_plans.id = :id`,
      { id: is.plan_id },
    );
    const [from, to] = [await dayOf(was.meeting_id), await dayOf(is.meeting_id)];
    if (!plan || !to) continue;
    const link = `${baseUrl}/day/${to.date}?course=${encodeURIComponent(plan.code)}`;
    const line = mailTexts.movedClassLine(plan.title, from?.text, to.text, link);
    for (const { person } of students.filter((row) => row.section === is.section_id))
      lines.set(person, [...new Set([...(lines.get(person) ?? []), line])]);
  }
  return lines;
}
