import Papa from 'papaparse';
import { z } from 'zod';

/** The tables of OneRoster 1.2's CSV binding (1EdTech) that say who takes what. */
export const ONE_ROSTER_TABLES = ['classes.csv', 'enrollments.csv', 'users.csv'] as const;
type Table = (typeof ONE_ROSTER_TABLES)[number];

export type OneRosterStudent = Readonly<{ sourcedId: string; name: string; email: string }>;
export type OneRosterClass = Readonly<{
  sourcedId: string;
  title: string;
  code: string;
  students: readonly OneRosterStudent[];
}>;
/** A row that cannot be taken, by its line in its table. */
export type OneRosterFault = Readonly<{ table: Table; line: number; message: string }>;
export type OneRosterReading = Readonly<{
  classes: readonly OneRosterClass[];
  faults: readonly OneRosterFault[];
  /** Students who take a class and whose own row cannot be read, by `sourcedId`: they are on the list, whatever it says of them. */
  unreadable: readonly string[];
}>;

/** What must stand in the first line of each table. */
const NEEDED: Readonly<Record<Table, readonly string[]>> = {
  'classes.csv': ['sourcedId', 'title'],
  'enrollments.csv': ['classSourcedId', 'userSourcedId', 'role'],
  'users.csv': ['sourcedId', 'givenName', 'familyName', 'email'],
};

/** A record, and where it stands in its table, from 1. */
export type Row = Readonly<{ cells: Readonly<Record<string, string>>; line: number }>;

/** What is to be deleted is as if it were gone. */
export const holds = ({ cells }: Row): boolean => cells.status?.toLowerCase() !== 'tobedeleted';

/** The rows of a table that hold. */
function rowsOf(text: string): { rows: Row[]; fields: readonly string[] } {
  const { data, meta } = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, ''), {
    header: true,
    transformHeader: (name) => name.trim(),
    transform: (cell) => cell.replace(/\s+/g, ' ').trim(),
  });
  const rows = data
    .map((cells, i) => ({ cells, line: i + 2 }))
    .filter(({ cells }) => Object.values(cells).some(Boolean))
    .filter(holds);
  return { rows, fields: meta.fields ?? [] };
}

const isEmail = (text: string) => z.email().max(254).safeParse(text).success;

/** Reads who takes which class out of the tables of the CSV binding. A row that cannot be read is named with its line. */
export function readOneRoster(tables: Readonly<Record<Table, string>>): OneRosterReading {
  const faults: OneRosterFault[] = [];
  const read = (table: Table): Row[] => {
    const { rows, fields } = rowsOf(tables[table]);
    const missing = NEEDED[table].filter((name) => !fields.includes(name));
    if (missing.length === 0) return rows;
    faults.push({ table, line: 1, message: `The column ${missing.join(', ')} is missing.` });
    return [];
  };
  const [classes, enrollments, users] = ONE_ROSTER_TABLES.map(read) as [Row[], Row[], Row[]];
  const reading = readRosterRows({ classes, enrollments, users });
  return { ...reading, faults: [...faults, ...reading.faults] };
}

/**
 * Who takes which class, by rows with the names of the CSV binding, wherever they come from. Students alone are read, by the role
 * of their enrolment; who may not sign in (`enabledUser` is false) is left out, and nobody is guessed.
 */
export function readRosterRows({
  classes,
  enrollments,
  users,
}: Readonly<Record<'classes' | 'enrollments' | 'users', readonly Row[]>>): OneRosterReading {
  const faults: OneRosterFault[] = [];
  const people = new Map<string, OneRosterStudent | 'leftOut' | 'faulty'>();
  const known = (row: Row): OneRosterStudent | 'leftOut' | string => {
    const { sourcedId = '', enabledUser, givenName, familyName, preferredGivenName, preferredFamilyName } = row.cells; // prettier-ignore
    if (enabledUser?.toLowerCase() === 'false') return 'leftOut';
    const name = `${preferredGivenName || givenName || ''} ${preferredFamilyName || familyName || ''}`.trim();
    const email = (row.cells.email ?? '').toLowerCase();
    if (sourcedId === '') return 'The sourcedId is missing.';
    if (name === '') return 'The name is missing.';
    if (name.length > 100) return 'The name is longer than 100 characters.';
    if (!isEmail(email)) return `“${row.cells.email ?? ''}” is not an e-mail address.`;
    return { sourcedId, name, email };
  };
  const faultOf = new Map<string, OneRosterFault>();
  for (const row of users) {
    const student = known(row);
    const id = row.cells.sourcedId ?? '';
    if (typeof student === 'string' && student !== 'leftOut') {
      faultOf.set(id, { table: 'users.csv', line: row.line, message: student });
      people.set(id, 'faulty');
    } else people.set(id, student as OneRosterStudent | 'leftOut');
  }
  const taking = new Map<string, Map<string, OneRosterStudent>>();
  const told = new Set<string>();
  for (const { cells, line } of enrollments) {
    if (cells.role?.toLowerCase() !== 'student') continue;
    const user = cells.userSourcedId ?? '';
    const student = people.get(user);
    if (student === 'leftOut') continue;
    if (student === undefined) {
      faults.push({ table: 'enrollments.csv', line, message: `There is no user “${user}”.` });
    } else if (student === 'faulty') {
      // Teachers and parents without an address are nobody's business here: a fault counts once its owner takes a class.
      if (!told.has(user)) faults.push(faultOf.get(user)!);
      told.add(user);
    } else {
      const own = taking.get(cells.classSourcedId ?? '') ?? new Map<string, OneRosterStudent>();
      taking.set(cells.classSourcedId ?? '', own.set(user, student));
    }
  }
  return {
    classes: classes.map(({ cells }) => ({
      sourcedId: cells.sourcedId ?? '',
      title: cells.title ?? '',
      code: cells.classCode ?? '',
      students: [...(taking.get(cells.sourcedId ?? '')?.values() ?? [])],
    })),
    faults,
    unreadable: [...told],
  };
}
