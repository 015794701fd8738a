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

/**
 * Reads a pasted list or a CSV (RFC 4180; also with semicolons or tabs) of students: name, e-mail address, section.
 * `sections` are the course's; `members` the addresses on its roster, in lower case. Every line is either taken, known
 * already, or at fault with its number; nothing is guessed.
 */
export function readRoster(
  text: string,
  { sections, members }: { sections: readonly string[]; members: ReadonlySet<string> },
): RosterReading {
  if (text.includes('\uFFFD') || text.includes('\u0000'))
    return {
      lines: [],
      known: [],
      faults: [{ line: 1, message: 'This is not UTF-8 text. Save the file as CSV (UTF-8) and try again.' }],
    };
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { delimitersToGuess: [',', ';', '\t'] });
  const rows = data
    .map((cells, i) => ({ cells, line: i + 1 }))
    .filter(({ cells }) => cells.some((cell) => cell.trim() !== ''));
  if (rows.length > MOST_LINES)
    return {
      lines: [],
      known: [],
      faults: [
        {
          line: MOST_LINES + 1,
          message: `At most ${MOST_LINES} lines at once; this list has ${rows.length}.`,
        },
      ],
    };
  const { columns, header } = columnsOf(rows[0]?.cells ?? []);
  const lines: RosterLine[] = [];
  const known: RosterLine[] = [];
  const faults: RosterFault[] = [];
  const seen = new Map<string, number>();
  const sectionNamed = new Map(sections.map((name) => [name.toLowerCase(), name]));
  for (const { cells, line } of header ? rows.slice(1) : rows) {
    const cell = (column: Column) =>
      columns[column] === undefined ? '' : (cells[columns[column]] ?? '').replace(/\s+/g, ' ').trim();
    const email = cell('email').toLowerCase();
    const name = cell('name') || `${cell('given')} ${cell('family')}`.trim();
    const typedSection = cell('section');
    const section =
      typedSection === ''
        ? sections.length === 1
          ? sections[0]
          : undefined
        : sectionNamed.get(typedSection.toLowerCase());
    const earlier = seen.get(email);
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
                ? `The same address as in line ${earlier}.`
                : undefined;
    if (fault) faults.push({ line, message: fault });
    else {
      seen.set(email, line);
      (members.has(email) ? known : lines).push({ line, name, email, section });
    }
  }
  return { lines, known, faults };
}
