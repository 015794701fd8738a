import type { CourseInput, SectionInput } from '@/core/frame/frameInput';
import { courseInput } from '@/core/frame/frameInput';
import type {
  PersonRow,
  SectionRow,
  StaffTableRow,
  TableFault,
  TableReading,
} from '@/core/frame/schoolTable';
import type { CourseId, TermId } from '@/core/ids';
import { COURSE_COLORS } from '@/core/plan/plan';
import { refusalTexts } from '@/core/texts/refusals';
import { schoolTableTexts as say } from '@/core/texts/schoolTables';
import { staffTexts } from '@/core/texts/staff';
import type { Term } from '@/core/time/term';
import type { Reader } from '@/data/reader';
import type { Person } from '@/data/people/people';
import { peopleByEmails } from '@/data/people/people';
import type { StaffRow } from '@/data/people/staff';
import { staffRowsOf } from '@/data/people/staff';
import { coursesInTerm } from '@/data/plan/frameStore';
import { allTerms, loadFrame } from '@/data/plan/loadPlan';
import { notInRole } from './courseStaff';
import { unknownDays } from './sections';

type NewCourse = CourseInput & Readonly<{ instructor: Person['id'] }>;
/** A course that is here, or one that the table makes. */
export type TableCourse = Readonly<{ term: Term; code: string; id?: CourseId; fresh?: NewCourse }>;

/** What a line of a table does; `same`: it is here already. */
export type TableStep = Readonly<{ line: number; words: string }> &
  (
    | Readonly<{ do: 'same' }>
    | Readonly<{ do: 'person'; person: PersonRow }>
    | Readonly<{ do: 'section'; course: TableCourse; section: SectionInput }>
    | Readonly<{ do: 'staff'; course: CourseId; person: Person; role: StaffTableRow['role']; rows: readonly StaffRow[] }> // prettier-ignore
  );
export type TableSteps = Readonly<{ steps: readonly TableStep[]; faults: readonly TableFault[] }>;

/** What the lines of a table would do to the school as it is. A line does something, nothing, or is at fault: never half. */
export async function tableSteps(reader: Reader, reading: TableReading): Promise<TableSteps> {
  const found = new Steps(reader, await allTerms(reader));
  found.faults.push(...reading.faults);
  await found.people(reading.people);
  await found.sections(reading.sections);
  await found.staff(reading.staff);
  return { steps: found.steps, faults: [...found.faults].sort((a, b) => a.line - b.line) };
}

/** A line that cannot be taken, with the sentence that says why. */
class Fault extends Error {}
const fault = (message: string): never => {
  throw new Fault(message);
};

class Steps {
  readonly steps: TableStep[] = [];
  readonly faults: TableFault[] = [];
  private readonly inTerms = new Map<TermId, ReturnType<typeof coursesInTerm>>();

  constructor(
    private readonly reader: Reader,
    private readonly terms: readonly Term[],
  ) {}

  /** Does something for each line; what cannot be done is a fault of that line alone. */
  private async each<T extends Readonly<{ line: number }>>(
    rows: readonly T[],
    step: (row: T) => Promise<TableStep> | TableStep,
  ): Promise<void> {
    for (const row of rows) {
      try {
        this.steps.push(await step(row));
      } catch (error) {
        if (!(error instanceof Fault)) throw error;
        this.faults.push({ line: row.line, message: error.message });
      }
    }
  }

  private async byEmail(emails: readonly string[]): Promise<ReadonlyMap<string, Person>> {
    const people = await peopleByEmails(this.reader, [...new Set(emails)]);
    return new Map(people.map((person) => [person.email, person]));
  }

  private term(name: string): Term {
    const [only, other] = this.terms;
    if (name === '') return only && !other ? only : fault(say.whichTerm);
    const term = this.terms.find((one) => one.name.toLowerCase() === name.toLowerCase());
    return term ?? fault(say.noSuchTerm({ name }));
  }

  private coursesIn({ id }: Term): ReturnType<typeof coursesInTerm> {
    const known = this.inTerms.get(id) ?? coursesInTerm(this.reader, id);
    this.inTerms.set(id, known);
    return known;
  }

  async people(rows: readonly PersonRow[]): Promise<void> {
    const known = await this.byEmail(rows.map(({ email }) => email));
    const seen = new Map<string, number>();
    await this.each(rows, (person) => {
      const words = say.personLine({ name: person.name, email: person.email });
      const before = seen.get(person.email);
      if (before !== undefined) fault(say.twice({ line: before }));
      seen.set(person.email, person.line);
      return { line: person.line, words, ...(known.has(person.email) ? { do: 'same' } : { do: 'person', person }) }; // prettier-ignore
    });
  }

  async sections(rows: readonly SectionRow[]): Promise<void> {
    const people = await this.byEmail(rows.flatMap(({ instructor }) => instructor ?? []));
    const courses = new Map<string, Readonly<{ course: TableCourse; first: SectionRow; names: Set<string> }>>(); // prettier-ignore
    await this.each(rows, async (row) => {
      const term = this.term(row.term);
      const key = `${term.id} ${row.code}`;
      const held = courses.get(key) ?? (await this.course(row, term, people));
      courses.set(key, held);
      const { course, first, names } = held;
      const differs = (field: 'title' | 'tag' | 'color' | 'instructor') => row[field] !== undefined && row[field] !== first[field]; // prettier-ignore
      if (course.fresh && (['title', 'tag', 'color', 'instructor'] as const).some(differs))
        fault(say.otherThanAbove({ code: row.code, line: first.line }));
      const [unknown] = unknownDays(row.week, term);
      if (unknown) fault(unknown.message);
      const words = course.fresh
        ? say.courseLine({ code: row.code, title: course.fresh.title, section: row.section })
        : say.sectionLine({ code: row.code, section: row.section });
      if (names.has(row.section)) return { line: row.line, words, do: 'same' };
      names.add(row.section);
      return { line: row.line, words, do: 'section', course, section: { name: row.section, week: row.week } };
    });
  }

  /** The course of a row: one that is here, with the names of its sections, or a new one with the facts of its first row. */
  private async course(row: SectionRow, term: Term, people: ReadonlyMap<string, Person>) {
    const all = await this.coursesIn(term);
    const known = all.find(({ code }) => code === row.code);
    if (known) {
      if (known.archived_at !== null) fault(say.archived({ code: row.code }));
      const [course] = (await loadFrame(this.reader, [known.id as CourseId])).courses;
      const names = new Set(course!.sections.map(({ name }) => name));
      return { course: { term, code: row.code, id: course!.id }, first: row, names };
    }
    const { title, tag, instructor } = row;
    if (title === undefined) return fault(say.noTitle({ code: row.code }));
    if (instructor === undefined) return fault(say.noInstructor({ code: row.code }));
    if (tag === undefined) return fault(say.noTag({ code: row.code }));
    const person = people.get(instructor);
    if (!person) return fault(say.noSuchPerson({ email: instructor }));
    if (person.deactivated) return fault(staffTexts.deactivated({ name: person.name }));
    const taken = new Set([...all.map(({ color }) => color as string), ...this.colorsGiven]);
    const color = row.color ?? COURSE_COLORS.find((one) => !taken.has(one)) ?? COURSE_COLORS[0];
    this.colorsGiven.add(color);
    const facts = courseInput.parse({ code: row.code, title, tag, color });
    const fresh = { ...facts, instructor: person.id };
    return { course: { term, code: row.code, fresh }, first: row, names: new Set<string>() };
  }
  private readonly colorsGiven = new Set<string>();

  async staff(rows: readonly StaffTableRow[]): Promise<void> {
    const people = await this.byEmail(rows.map(({ email }) => email));
    const seen = new Map<string, number>();
    await this.each(rows, async (row) => {
      const term = this.term(row.term);
      const known = (await this.coursesIn(term)).find(({ code }) => code === row.code);
      if (!known) return fault(say.noSuchCourse({ code: row.code }));
      if (known.archived_at !== null) return fault(say.archived({ code: row.code }));
      const person = people.get(row.email);
      if (!person) return fault(say.noSuchPerson({ email: row.email }));
      const key = `${known.id} ${person.id}`;
      const before = seen.get(key);
      if (before !== undefined) fault(say.twice({ line: before }));
      seen.set(key, row.line);
      const course = known.id as CourseId;
      const words = say.staffLine({ email: row.email, code: row.code, role: staffTexts.roles[row.role] });
      const staff = await staffRowsOf(this.reader, course);
      if (staff.some(({ person_id, role }) => person_id === person.id && role === row.role))
        return { line: row.line, words, do: 'same' };
      const wrong = await notInRole(this.reader, { course, person, role: row.role, rows: staff });
      if (wrong) fault(wrong.fields?.[0]?.message ?? refusalTexts[wrong.reason]);
      return { line: row.line, words, do: 'staff', course, person, role: row.role, rows: staff };
    });
  }
}
