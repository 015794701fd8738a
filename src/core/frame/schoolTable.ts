import Papa from 'papaparse';
import { z } from 'zod';
import { line } from '../fields';
import { STAFF_ROLES } from '../may/role';
import type { PersonInput } from '../people/personInput';
import { emailAddress, personInput } from '../people/personInput';
import { COURSE_COLORS } from '../plan/plan';
import { schoolTableTexts as say } from '../texts/schoolTables';
import { staffTexts } from '../texts/staff';
import { sectionInput } from './frameInput';

export const TABLE_KINDS = ['people', 'courses', 'sections', 'staff'] as const;
export type TableKind = (typeof TABLE_KINDS)[number];

const { heads } = say;
/** The heads of each table, in the order of its template. A term that is not named is the only one. */
export const TABLE_HEADS: Readonly<Record<TableKind, readonly string[]>> = {
  people: [heads.name, heads.email],
  courses: [heads.term, heads.code, heads.title, heads.tag, heads.color, heads.instructor, heads.section, heads.week], // prettier-ignore
  sections: [heads.term, heads.code, heads.section, heads.week],
  staff: [heads.term, heads.code, heads.email, heads.role],
};
/** By which heads a table is known; the first that fits. */
const KNOWN_BY: readonly (readonly [TableKind, readonly string[]])[] = [
  ['courses', [heads.code, heads.title, heads.section]],
  ['sections', [heads.code, heads.section, heads.week]],
  ['staff', [heads.code, heads.email, heads.role]],
  ['people', [heads.name, heads.email]],
];

/** More is brought in parts. */
const MOST_ROWS = 5000;

const optional = <T extends z.ZodType>(schema: T) =>
  z.preprocess((text) => (text === '' ? undefined : text), schema.optional());
const ROLE_OF = new Map(STAFF_ROLES.map((role) => [staffTexts.roles[role], role] as const));
const code = line(30, say.noCode);
const term = z.string().default('');

const section = z.object({
  term,
  code,
  title: optional(line(200)),
  tag: optional(line(3).min(2, 'A tag has two or three letters.')),
  color: optional(z.string().toLowerCase().pipe(z.enum(COURSE_COLORS, { error: say.noSuchColor({ colors: COURSE_COLORS }) }))), // prettier-ignore
  instructor: optional(emailAddress),
  section: sectionInput.shape.name,
  week: sectionInput.shape.week,
});
const staff = z.object({
  term,
  code,
  email: emailAddress,
  role: z
    .string()
    .toLowerCase()
    .transform((word, context) => {
      const role = ROLE_OF.get(word as (typeof staffTexts.roles)['co']);
      if (role && role !== 'substitute') return role;
      context.addIssue({ code: 'custom', message: say.noSuchRole({ role: word }) });
      return z.NEVER;
    }),
});
const ROW = { people: personInput, courses: section, sections: section, staff } as const;

/** A row with the line of the table that it stands in, the first being 1. */
type At = Readonly<{ line: number }>;
export type PersonRow = At & Readonly<PersonInput>;
export type SectionRow = At & Readonly<z.output<typeof section>>;
export type StaffTableRow = At & Readonly<z.output<typeof staff>>;
export type TableFault = At & Readonly<{ message: string }>;

export type TableReading = Readonly<{ kind?: TableKind; faults: readonly TableFault[] }> &
  Readonly<{
    people: readonly PersonRow[];
    sections: readonly SectionRow[];
    staff: readonly StaffTableRow[];
  }>;

const NOTHING = { people: [], sections: [], staff: [] };
const KEYS = Object.entries(heads) as [keyof typeof heads, string][];
const plain = (head: string) => head.trim().toLowerCase();

/**
 * Reads a table of people, of courses with their sections, of sections, or of staff, from CSV (RFC 4180; also with semicolons
 * or tabs). What it holds is told by its heads. Each row is read, or at fault with its line; nothing is guessed.
 */
export function readSchoolTable(text: string): TableReading {
  const rows = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { delimitersToGuess: ['\t', ',', ';'] })
    .data.map((cells, i) => ({ cells: cells.map((cell) => cell.trim()), line: i + 1 }))
    .filter(({ cells }) => cells.some((cell) => cell !== ''));
  const [head, ...body] = rows;
  const names = (head?.cells ?? []).map(plain);
  const kind = KNOWN_BY.find(([, needed]) => needed.every((name) => names.includes(plain(name))))?.[0];
  if (!kind) return { ...NOTHING, faults: [{ line: head?.line ?? 1, message: say.unknownHeads }] };
  if (body.length > MOST_ROWS)
    return { ...NOTHING, kind, faults: [{ line: MOST_ROWS + 2, message: say.tooMany({ most: MOST_ROWS, n: body.length }) }] }; // prettier-ignore
  const faults: TableFault[] = [];
  const read: object[] = [];
  for (const { cells, line: at } of body) {
    const given = Object.fromEntries(
      KEYS.flatMap(([key, name]) => {
        const place = names.indexOf(plain(name));
        return place < 0 ? [] : [[key, cells[place] ?? '']];
      }),
    );
    const formula = cells.find((cell) => /^[=@]/.test(cell));
    const parsed = ROW[kind].safeParse(given);
    if (formula !== undefined) faults.push({ line: at, message: say.formula(formula) });
    else if (parsed.success) read.push({ ...parsed.data, line: at });
    else faults.push({ line: at, message: parsed.error.issues[0]!.message });
  }
  const of = kind === 'courses' ? 'sections' : kind;
  return { ...NOTHING, kind, faults, [of]: read };
}
