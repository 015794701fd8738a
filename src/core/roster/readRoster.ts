import Papa from 'papaparse';
import { z } from 'zod';

/** A line of a pasted list or a CSV file that can be taken over. */
export type RosterLine = Readonly<{ line: number; name: string; email: string; section?: string }>;
/** A line that cannot, with a sentence that says why. */
export type RosterFault = Readonly<{ line: number; message: string }>;
export type RosterReading = Readonly<{
  lines: readonly RosterLine[];
  known: readonly RosterLine[];
  faults: readonly RosterFault[];
  /** How many lines say nothing new: headings of sections, lines that are there twice. */
  passed: number;
}>;

export const MOST_LINES = 5000;

const COLUMNS: Readonly<Record<'name' | 'email' | 'section' | 'given' | 'family', RegExp>> = {
  name: /^(full )?name$|^student$/i,
  email: /^e-?mail( address)?$/i,
  section: /^section$|^group$/i,
  given: /^(first|given) ?names?$/i,
  family: /^(last|family) ?name$|^surname$/i,
};
type Column = keyof typeof COLUMNS;

const isEmail = (text: string) => z.email().max(254).safeParse(text).success;
/** What a spreadsheet would take for a formula. */
const isFormula = (text: string) => /^[=+@-]/.test(text);

/** Which column is which: by their names in the first line, else by what is in it. */
function columnsOf(first: readonly string[]): { columns: Partial<Record<Column, number>>; header: boolean } {
  const named = Object.fromEntries(
    (Object.keys(COLUMNS) as Column[])
      .map((key) => [key, first.findIndex((cell) => COLUMNS[key].test(cell.trim()))] as const)
      .filter(([, at]) => at >= 0),
  ) as Partial<Record<Column, number>>;
  if (named.email !== undefined) return { columns: named, header: true };
  const email = first.findIndex((cell) => isEmail(cell.trim()));
  const others = first.map((_, i) => i).filter((i) => i !== email);
  return { columns: { email: Math.max(email, 0), name: others[0], section: others[1] }, header: false };
}

type Row = Readonly<{ cells: readonly string[]; line: number; mailed?: true }>;

/** `Name <address>`, as programs for mail write people, one or several on a line. */
const MAILED = /(?:"([^"<>]*)"|([^<>,;"]*?))\s*<\s*([^<>\s]+@[^<>\s]+)\s*>/g;

/** The rows of a list; a line of people as mail has them is a row for each. */
function rowsOf(text: string): Row[] {
  const options = { delimitersToGuess: [',', ';', '\t'] };
  const filled = ({ cells }: Row) => cells.some((cell) => cell.trim() !== '');
  // A field in quotation marks may hold an end of line: only lists with people as mail has them are read line by line.
  if (!/<[^<>\s]+@[^<>\s]+>/.test(text))
    return Papa.parse<string[]>(text, options)
      .data.map((cells, i) => ({ cells, line: i + 1 }))
      .filter(filled);
  return text
    .split(/\r?\n/)
    .flatMap((raw, i): Row[] => {
      const people = [...raw.matchAll(MAILED)];
      if (people.length === 0)
        return [{ cells: Papa.parse<string[]>(raw, options).data[0] ?? [], line: i + 1 }];
      return people.map(([, quoted, plain, email]) => ({
        cells: [(quoted ?? plain ?? '').trim(), email!],
        line: i + 1,
        mailed: true,
      }));
    })
    .filter(filled);
}

/** The section that a line by itself names, as a heading of those below it: `Section B`, `B:`. */
function headingOf({ cells }: Row, sections: ReadonlyMap<string, string>): string | undefined {
  const [only, ...more] = cells.map((cell) => cell.trim()).filter(Boolean);
  if (only === undefined || more.length > 0 || only.includes('@')) return undefined;
  const named = only.replace(/:$/, '').trim().toLowerCase();
  return sections.get(named) ?? sections.get(named.replace(/^section\s+/, ''));
}

/**
 * Reads a pasted list or a CSV (RFC 4180; also with semicolons or tabs) of students: name, e-mail address, section.
 * Lines as programs for mail have them (`Name <address>`) are understood, and so is a line that names a section, for those below
 * it. `sections` are the course's; `members` the addresses on its roster, in lower case. Every person is either taken, known
 * already, there twice, or at fault with the line's number; nothing is guessed.
 */
export function readRoster(
  text: string,
  { sections, members }: { sections: readonly string[]; members: ReadonlySet<string> },
): RosterReading {
  if (text.includes('\uFFFD') || text.includes('\u0000'))
    return {
      lines: [],
      known: [],
      passed: 0,
      faults: [{ line: 1, message: 'This is not UTF-8 text. Save the file as CSV (UTF-8) and try again.' }],
    };
  const rows = rowsOf(text.replace(/^\uFEFF/, ''));
  if (rows.length > MOST_LINES)
    return {
      lines: [],
      known: [],
      passed: 0,
      faults: [
        {
          line: MOST_LINES + 1,
          message: `At most ${MOST_LINES} lines at once; this list has ${rows.length}.`,
        },
      ],
    };
  const sectionNamed = new Map(sections.map((name) => [name.toLowerCase(), name]));
  const first = rows.find((row) => !row.mailed && headingOf(row, sectionNamed) === undefined);
  const { columns, header } = columnsOf(first?.cells ?? []);
  /** What the heading above says. */
  let heading = '';
  let passed = 0;
  const lines: RosterLine[] = [];
  const known: RosterLine[] = [];
  const faults: RosterFault[] = [];
  const seen = new Map<string, Readonly<{ line: number; name: string }>>();
  for (const row of rows) {
    if (header && row === first) continue;
    const under = headingOf(row, sectionNamed);
    if (under !== undefined) {
      heading = under;
      passed += 1;
      continue;
    }
    const { cells, line } = row;
    const places: Partial<Record<Column, number>> = row.mailed ? { name: 0, email: 1 } : columns;
    const cell = (column: Column) =>
      places[column] === undefined ? '' : (cells[places[column]] ?? '').replace(/\s+/g, ' ').trim();
    const email = cell('email').toLowerCase();
    const name = cell('name') || `${cell('given')} ${cell('family')}`.trim();
    const typedSection = cell('section') || heading;
    const section =
      typedSection === ''
        ? sections.length === 1
          ? sections[0]
          : undefined
        : sectionNamed.get(typedSection.toLowerCase());
    const earlier = seen.get(email);
    if (earlier?.name === name.toLowerCase()) {
      passed += 1;
      continue;
    }
    const fault = !isEmail(email)
      ? `“${cell('email')}” is not an e-mail address.`
      : name === ''
        ? 'The name is missing.'
        : isFormula(name)
          ? 'The name begins like a formula.'
          : name.length > 100
            ? 'The name is longer than 100 characters.'
            : typedSection !== '' && !section
              ? `There is no section “${typedSection}” in this course.`
              : earlier !== undefined
                ? `The same address as in line ${earlier.line}, with another name.`
                : undefined;
    if (fault) faults.push({ line, message: fault });
    else {
      seen.set(email, { line, name: name.toLowerCase() });
      (members.has(email) ? known : lines).push({ line, name, email, section });
    }
  }
  return { lines, known, faults, passed };
}
